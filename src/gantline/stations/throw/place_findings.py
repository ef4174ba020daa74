"""What stands against a body where it is: things in its way, the room, its zone, joists, mount, shadows."""

from collections.abc import Iterator
from dataclasses import replace
from functools import partial
from typing import cast

from gantline.core.defaults import ThrowDefaults
from gantline.core.space import Point3, Solid
from gantline.core.throw.light_path import part_of
from gantline.core.throw.places import possible
from gantline.core.throw.ways import SIDES, Move, clearing_moves, clearing_rise_mm, into_zone, ways_out
from gantline.core.throw.window import Lens
from gantline.job.field import field_of
from gantline.job.model.survey import Joists, Survey
from gantline.job.model.throw import ProjectorBody, Zone
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, Cure, Finding, change, cure, found, noted
from gantline.stations.common import (
    distance_offset_mm,
    fabric_plane_mm,
    mount_kind,
    percent,
    place_slack_mm,
    way_words,
)
from gantline.stations.height import rect_of_picture
from gantline.stations.throw.body import plate
from gantline.stations.throw.codes import Code
from gantline.stations.throw.lens import in_front, throw_lens, window
from gantline.stations.throw.mount import mounted
from gantline.stations.throw.places import (
    CEILING,
    JoistPlace,
    hits,
    joist_off_mm,
    joist_places,
    lines,
    past,
    wanted,
    zone,
)
from gantline.stations.throw.shadows import Edges, dark, in_light, shadows

LENS_AXES = (P.lens_x_mm, P.lens_y_mm, P.lens_from_wall_mm)
WALKWAY = "walkway"


def lens_change(at: Ask, axis: int, to_mm: float) -> Change:
    """Putting the pupil at a coordinate: its distance is typed to the measuring point."""
    return change(LENS_AXES[axis], to_mm + (at(distance_offset_mm) if axis == 2 else 0.0))


def lens_cure(at: Ask, *moves: Move, after: str = "") -> Cure:
    """Moving the lens."""
    said = " and ".join(way_words(at, move.axis, move.by_mm) for move in moves)
    changes = tuple(_outward(at, lens_change(at, one.axis, one.to_mm), one.by_mm) for one in moves)
    return Cure(text=f"Move the lens {said}{after}", changes=changes)


def _outward(at: Ask, one: Change, by_mm: float) -> Change:
    """A lens change on the tape's grid, not short of where it leads."""
    to = float(cast("float", one.value))
    return replace(one, value=at.up(to) if by_mm > 0.0 else at.down(to))


@found
def in_the_way(at: Ask) -> Iterator[Finding]:
    """Body and air in something, or past the room."""
    place, asked = at(in_front), at(wanted)
    if place is None or asked is None:
        return
    free, boxes = replace(asked, lines=None), field_of(Survey.boxes).pointer
    # a ceiling that is not level is met at its lowest
    met = dict(sorted(at(hits), key=lambda each: -each[1].low[1]))
    for name, one in met.items():
        yield Finding(
            code=Code.BODY_HITS,
            severity="stop",
            text=f"The projector and its ventilation space hit the {one.name}.",
            subject=field_of(Survey.ceiling_readings).pointer if name == CEILING else f"{boxes}/{name}",
            cures=tuple(lens_cure(at, move) for move in ways_out(free, one, place.from_wall)),
        )
    beyond = at(past)
    if beyond:
        text = (
            f"The projector and its ventilation space do not fit: {at.text(beyond[1])} past the {beyond[0]}."
        )
        side, over = beyond
        axis, up = divmod(SIDES.index(side), 2)
        by = -over if up else over
        move = Move(axis=axis, by_mm=by, to_mm=place.from_wall[axis] + by)
        yield Finding(
            code=Code.BODY_PAST_ROOM,
            severity="stop",
            text=text,
            subject=field_of(P.lens_x_mm).pointer,
            cures=(lens_cure(at, move),),
        )


@noted
def zoned(at: Ask) -> Iterator[Finding]:
    """A lens outside its zone, or a zone that holds no place."""
    place, asked, area = at(in_front), at(wanted), at(zone)
    if place is None or asked is None or area is None:
        return
    subject = field_of(Zone.x_low_mm).pointer
    if any(low > high for low, high in zip(area.low, area.high, strict=True)):
        text = "The zone is empty: two limits are the wrong way round."
        yield Finding(code=Code.ZONE_EMPTY, severity="check", text=text, subject=subject)
        return
    moves = into_zone(area, place.from_wall, tolerance_mm=at(place_slack_mm))
    if not moves:
        return
    to = [*place.from_wall]
    for one in moves:
        to[one.axis] = one.to_mm
    said = " and ".join(way_words(at, move.axis, move.by_mm) for move in moves)
    yield Finding(
        code=Code.OUTSIDE_ZONE,
        severity="check",
        text=f"The lens is outside its zone. Move it {said}.",
        subject=subject,
        cures=(lens_cure(at, *moves),) if bool(possible(asked, *to)) else (),
    )


@noted
def on_a_joist(at: Ask) -> Iterator[Finding]:
    """A mount that is to go into a joist, without one over its plate."""
    if at(in_front) is None or at(wanted) is None or at(mount_kind) != "joist":
        return
    subject = field_of(Joists.spacing_mm).pointer
    if at(lines) is None:
        text = "Survey the joists to see which of them this mount can be fixed into."
        yield Finding(code=Code.NO_JOISTS, severity="note", text=text, subject=subject)
        return
    off = at(joist_off_mm)
    if off is None or abs(off) <= at.default(ThrowDefaults.joist_half_mm):
        return
    cures = tuple(
        lens_cure(
            at,
            Move(axis=place.axis, by_mm=place.choice.move_mm, to_mm=place.choice.lens_mm),
            after=f": plate on joist {place.choice.number}",
        )
        for place in sorted(at(joist_places), key=partial(_in_margin, at))[:3]
        if place.fits
    )
    blocking = cure("Add blocking between two joists", (P.mount, "blocking"))
    yield Finding(
        code=Code.NO_JOIST_OVER_PLATE,
        severity="check",
        text=f"No joist above the mount plate; the nearest is {at.text(abs(off))} away. "
        "Drywall alone will not hold it.",
        subject=subject,
        numbers={"off_mm": off},
        cures=(*cures, blocking),
    )


def _in_margin(at: Ask, place: JoistPlace) -> bool:
    """Whether the lens would come to stand at the very end of its zoom: offered after the others."""
    distances, lens = at(window), at(throw_lens)
    if place.axis != 2 or distances is None or not isinstance(lens, Lens) or lens.fixed:
        return False
    return not distances.inside_margin(place.choice.lens_mm - at(fabric_plane_mm))


@found
def under_the_ceiling(at: Ask) -> Iterator[Finding]:
    """A lens so high that the mount has no room."""
    mount, place = at(mounted), at(in_front)
    if mount is None or place is None or mount.pole_mm >= -at(place_slack_mm):
        return
    need = at(plate).to_axis_mm
    yield Finding(
        code=Code.NO_ROOM_FOR_MOUNT,
        severity="stop",
        text=f"Lower the lens {at.text(-mount.pole_mm)}: plate and adapter need {at.text(need)} under the ceiling.",
        subject=field_of(ProjectorBody.plate_to_axis_mm).pointer,
        numbers={"over_mm": -mount.pole_mm},
        cures=(lens_cure(at, Move(axis=1, by_mm=mount.pole_mm, to_mm=place.y_mm + mount.pole_mm)),),
    )


@found
def in_the_light(at: Ask) -> Iterator[Finding]:
    """Whatever shades the picture, with the least moves that clear it."""
    place, asked = at(in_front), at(wanted)
    shaded = at(shadows)
    if place is None or asked is None or not shaded:
        return
    picture, names = at(rect_of_picture), {name: box.name for name, _, box in at(in_light)}
    for name, kind, shadow in shaded:
        share = percent(shadow.share) if shadow.share >= 0.01 else "less than 1 %"
        where = f"{share} of the picture, at its {part_of(shadow.outline, picture)}"
        walk, called = kind == WALKWAY, names[name]
        text = f"The {called} blocks the light: {where}, stays dark."
        yield Finding(
            code=Code.WALKWAY if walk else Code.SHADOW,
            severity="check" if walk else "stop",
            text=f"Somebody standing in the {called} shades {where}." if walk else text,
            subject=f"{field_of(Survey.boxes).pointer}/{name}",
            numbers={"share": shadow.share},
            ways=(light_ways, name),
        )


def light_ways(at: Ask, name: str) -> tuple[Cure, ...]:
    """The least move of the lens along each axis that clears every shadow, and how much higher the box would hang."""
    place, asked = at(in_front), at(wanted)
    if place is None or asked is None:
        return ()
    lens, box = place.from_fabric, {key: box for key, _, box in at(in_light)}[name]
    cures = [lens_cure(at, move) for move in at(clear_moves)]
    if box.low[1] > at(rect_of_picture)[1]:
        up = clearing_rise_mm(box, partial(_shades, lens, at(rect_of_picture)), step_mm=at.step_mm)
        cures += [] if up is None else [Cure(text=f"Raise the {box.name} {at.text(up)}")]
    return tuple(cures)


def clear_moves(at: Ask) -> tuple[Move, ...]:
    """The least moves of the lens that leave no shadow, to coordinates from the bare wall [mm]."""
    place, asked, fabric = at(in_front), at(wanted), at(fabric_plane_mm)
    if place is None or asked is None:
        return ()
    picture, boxes = at(rect_of_picture), [box for _, _, box in at(in_light)]

    def any_dark(lens: Point3) -> bool:
        return any(dark(box, lens, picture) is not None for box in boxes)

    moves = clearing_moves(asked, place.from_fabric, fabric, any_dark, step_mm=at.step_mm)
    return tuple(replace(move, to_mm=move.to_mm + fabric) if move.axis == 2 else move for move in moves)


def _shades(lens: Point3, picture: Edges, box: Solid) -> bool:
    return dark(box, lens, picture) is not None


FINDINGS = (in_the_way, zoned, on_a_joist, under_the_ceiling, in_the_light)
