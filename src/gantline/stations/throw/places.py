"""Where this lens can be: window times shift range, less what its body would stand in."""

import math
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.defaults import ThrowDefaults
from gantline.core.space import Solid
from gantline.core.throw.mount import JoistChoice, joist_choices
from gantline.core.throw.places import LensCase, Lines, body_hits, possible
from gantline.core.throw.ways import past_room
from gantline.job.model.throw import Zone
from gantline.plan.ask import Ask
from gantline.stations.common import (
    distance_offset_mm,
    fabric_plane_mm,
    is_turned,
    mount_kind,
    place_slack_mm,
)
from gantline.stations.height import placement, rect_of_frame, shift_reach
from gantline.stations.survey import box_solids, ceiling_over, depth_mm, joist_lines_mm, room, wall_mm
from gantline.stations.throw.body import body_shape, plate
from gantline.stations.throw.lens import in_front, projected, reached, shortfall_mm, window
from gantline.stations.throw.turned import turned

JOISTS_SHOWN = 5


FRAME, CEILING = "frame", "ceiling"
CEILING_STEP_MM = 3.0  # a ceiling that is not level stands in as boxes that are this exact


def ceiling_dips(at: Ask) -> tuple[Solid, ...]:
    """Where the ceiling comes down [mm]. A question of its own: it does not move with the frame."""
    return tuple(at(ceiling_over).dips(at(wall_mm), at(depth_mm), step_mm=CEILING_STEP_MM))


def solids(at: Ask) -> tuple[tuple[str, Solid], ...]:
    """Id and shape of what a body cannot stand in [mm, z from the bare wall]: all surveyed, and the frame itself."""
    left, bottom, right, top = at(rect_of_frame)
    frame = Solid(name="screen", low=(left, bottom, 0.0), high=(right, top, at(fabric_plane_mm)))
    return (
        (FRAME, frame),
        *((name, box) for name, _, box in at(box_solids)),
        *((CEILING, box) for box in at(ceiling_dips)),
    )


def zone(at: Ask) -> Solid | None:
    """The zone for the lens's pupil [mm, z from the bare wall]; None where no end is set."""
    low = (at.given(Zone.x_low_mm), at.given(Zone.y_low_mm), at.given(Zone.z_low_mm))
    high = (at.given(Zone.x_high_mm), at.given(Zone.y_high_mm), at.given(Zone.z_high_mm))
    if all(end is None for end in (*low, *high)):
        return None
    out = (0.0, 0.0, at(distance_offset_mm))
    lows = [-math.inf if end is None else end - by for end, by in zip(low, out, strict=True)]
    highs = [math.inf if end is None else end - by for end, by in zip(high, out, strict=True)]
    return Solid(name="zone", low=(lows[0], lows[1], lows[2]), high=(highs[0], highs[1], highs[2]))


def lines(at: Ask) -> Lines | None:
    """The joists a mount can be fixed into; None where it is fixed to something else or none are surveyed."""
    to_wall, centers = at(joist_lines_mm)
    if at(mount_kind) != "joist" or not centers:
        return None
    return Lines(
        axis="x" if to_wall else "z",
        centres_mm=centers,
        half_mm=at.default(ThrowDefaults.joist_half_mm),
        plate_mm=at(plate).right_mm if to_wall else at(plate).roomward_mm,
    )


def wanted(at: Ask) -> LensCase | None:
    """Everything that says where the lens can be; the room's top is the ceiling over it. None without a lens, or
    where no height fits."""
    distances, hung = at(window), at(placement)
    if distances is None or not hung.possible:
        return None
    here, fabric = at(room), at(fabric_plane_mm)
    reach, offset = at(shift_reach)
    slack = at(place_slack_mm)
    high = (here.wall_mm, at(ceiling_over).highest(), at(depth_mm))
    return LensCase(
        picture_x_mm=hung.place.centre_x_mm,
        picture_y_mm=hung.picture_centre_mm,
        panel=at(projected),
        reach=reach,
        offset=offset,
        near_mm=distances.near_mm + fabric,
        far_mm=distances.far_mm + fabric,
        room=Solid(name="room", low=(0.0, 0.0, 0.0), high=high),
        body=at(body_shape).reach(),
        solids=tuple(one.shrunk(slack) for _, one in at(solids)),
        lines=at(lines),
        slack_mm=slack,
        zone=at(zone),
    )


def hits(at: Ask) -> tuple[tuple[str, Solid], ...]:
    """Id and shape of what the body and its air stand in."""
    place, asked = at(in_front), at(wanted)
    if place is None or asked is None:
        return ()
    body = body_hits(asked, place.from_wall)
    named = zip(at(solids), asked.solids, strict=True)
    return tuple((name, shrunk) for (name, _), shrunk in named if shrunk in body)


def past(at: Ask) -> tuple[str, float] | None:
    """Which end of the room body and air reach past, and how far [mm]."""
    place, asked = at(in_front), at(wanted)
    return None if place is None or asked is None else past_room(asked, place.from_wall)


def stands(at: Ask) -> bool:
    """Whether the body can be where the lens is."""
    return at(in_front) is not None and not at(hits) and at(past) is None


def fits(at: Ask) -> bool:
    """Whether this lens fills this screen from this place, and its body can be there."""
    if at(in_front) is None or not at(placement).possible:
        return False
    if at(is_turned):
        return at(turned) is not None and at(stands)
    return at(shortfall_mm) == 0.0 and at(reached) and at(stands)


@dataclass(frozen=True, slots=True, kw_only=True)
class JoistPlace:
    """The lens with its plate on one joist: axis it moves along (0 x, 2 z), whether it fits there."""

    choice: JoistChoice
    axis: int
    fits: bool


def joist_off_mm(at: Ask) -> float | None:
    """How far the nearest joist is from the mount plate, + right or back [mm]; None where none is asked for."""
    place, asked = at(in_front), at(wanted)
    if place is None or asked is None or asked.lines is None:
        return None
    here = place.from_wall[0 if asked.lines.axis == "x" else 2]
    choices = joist_choices(asked.lines.centres_mm, here, asked.lines.plate_mm)
    return choices[0].move_mm if choices else None


def joist_places(at: Ask) -> tuple[JoistPlace, ...]:
    """The joists nearest to the plate, near first; none without a lens place or surveyed joists."""
    place, asked = at(in_front), at(wanted)
    to_wall, centers = at(joist_lines_mm)
    if place is None or asked is None or not centers:
        return ()
    axis, offset = (0, at(plate).right_mm) if to_wall else (2, at(plate).roomward_mm)
    here = place.from_wall
    choices = joist_choices(centers, here[axis], offset)[:JOISTS_SHOWN]
    along = np.array([choice.lens_mm for choice in choices])
    free = possible(
        replace(asked, lines=None), *(along if at_axis == axis else here[at_axis] for at_axis in range(3))
    )
    return tuple(
        JoistPlace(choice=one, axis=axis, fits=bool(ok)) for one, ok in zip(choices, free, strict=True)
    )
