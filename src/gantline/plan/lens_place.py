"""Where this lens can be: the window times the reach, less what its body would stand in."""

from dataclasses import dataclass, replace

import numpy as np

from gantline.core.space import Solid
from gantline.core.throw.mount import JoistChoice, joist_choices
from gantline.core.throw.places import Lines, Wanted, body_hits, grown, possible
from gantline.core.throw.shift import ShiftReach
from gantline.core.throw.window import PanelImage, ThrowWindow
from gantline.plan.book import Book, cure
from gantline.plan.figures import Change, Cure
from gantline.plan.height import Hung
from gantline.plan.projector_body import body_of, mount_of, plate_of
from gantline.plan.survey import Room
from gantline.plan.zone import check_zone, zone_of

JOISTS_SHOWN = 5


def solids_of(book: Book, hung: Hung, fabric_mm: float) -> tuple[Solid, ...]:
    """What a body cannot stand in [mm, z from the bare wall]: everything surveyed in the room, and the frame itself."""
    screen = hung.place.screen
    frame = Solid(
        name="screen", low=(hung.place.left_mm, hung.top_mm - screen.overall_height_mm, 0.0),
        high=(hung.place.right_mm, hung.top_mm, fabric_mm),
    )  # fmt: skip
    boxes = (
        Solid(name=one.name or one.kind, low=(one.x_mm, one.y_mm, one.z_mm),
            high=(one.x_mm + one.width_mm, one.y_mm + one.height_mm, one.z_mm + one.depth_mm))
        for one in book.job.survey.boxes
    )  # fmt: skip
    return (frame, *boxes)


def joists_mm(book: Book, room: Room) -> tuple[float, ...]:
    """Joist centres along the axis they are counted on [mm]; empty where none are surveyed."""
    given = book.job.survey.joists
    if given is None:
        return ()
    depth = book.job.survey.room_depth_mm
    end = room.wall_mm if given.runs == "to-the-wall" else book.shop["room_depth_mm"] if depth is None else depth
    count = int(max(0.0, end - given.first_mm) // given.spacing_mm) + 1
    return tuple(given.first_mm + k * given.spacing_mm for k in range(count) if given.first_mm + k * given.spacing_mm <= end)


def wanted_of(
    book: Book, room: Room, hung: Hung, panel: PanelImage, window: ThrowWindow, reach: ShiftReach, offset: float, fabric_mm: float
) -> Wanted:
    """Everything that says where the lens can be; the room's top is its lowest ceiling."""
    depth = book.job.survey.room_depth_mm
    deep = book.shop["room_depth_mm"] if depth is None else depth
    ceiling = room.ceiling.lowest(0.0, room.wall_mm)
    slack = book.shop["place_tolerance_mm"]
    solids = tuple(_shrunk(one, slack) for one in solids_of(book, hung, fabric_mm))
    return Wanted(
        picture_x_mm=hung.place.centre_x_mm, picture_y_mm=hung.picture_centre_mm, panel=panel, reach=reach, offset=offset,
        near_mm=window.near_mm + fabric_mm, far_mm=window.far_mm + fabric_mm,
        room=Solid(name="room", low=(0.0, 0.0, 0.0), high=(room.wall_mm, ceiling, deep)), body=body_of(book), solids=solids,
        lines=_lines(book, room), slack_mm=slack, zone=zone_of(book),
    )  # fmt: skip


def check_place(book: Book, wanted: Wanted, room: Room, place: tuple[float, float, float]) -> bool:
    """Findings for a body that stands in something or hangs from no joist; whether it can be there."""
    free = replace(wanted, lines=None)
    hit = body_hits(wanted, place)
    for one in hit:
        book.find(f"body-in-{one.name}"[:60], "throw", "stop", f"The projector and the air round it would stand in the {one.name}.",
            {}, _ways_out(book, free, one, place))  # fmt: skip
    past = _past(book, wanted, place)
    if past:
        book.find(
            "body-past-room", "throw", "stop", f"The projector and the air round it do not fit into the room there: {past}."
        )
    check_zone(book, wanted, place)
    _check_joist(book, wanted, room, place)
    return not past and not hit


def _shrunk(solid: Solid, slack: float) -> Solid:
    low, high = (tuple(a + s * slack for a in ends) for ends, s in ((solid.low, 1.0), (solid.high, -1.0)))
    return Solid(name=solid.name, low=low, high=high)  # type: ignore[arg-type]


def _lines(book: Book, room: Room) -> Lines | None:
    centres = joists_mm(book, room)
    if mount_of(book) != "joist" or not centres or book.job.survey.joists is None:
        return None
    plate, to_wall = plate_of(book), book.job.survey.joists.runs == "to-the-wall"
    return Lines(
        axis="x" if to_wall else "z", centres_mm=centres, half_mm=book.shop["joist_half_mm"],
        plate_mm=plate.right_mm if to_wall else plate.roomward_mm,
    )  # fmt: skip


def _ways_out(book: Book, wanted: Wanted, solid: Solid, place: tuple[float, float, float]) -> list[Cure]:
    """The shortest moves along one axis after which the lens can be there."""
    out = grown(wanted, solid)
    axes = (("lens_x_mm", "to the left", "to the right"), ("lens_y_mm", "down", "up"), ("lens_from_wall_mm", "nearer", "back"))
    found = []
    for axis, (field, less, more) in enumerate(axes):
        for edge, way in ((out.low[axis], less), (out.high[axis], more)):
            to = (*place[:axis], edge, *place[axis + 1 :])
            if bool(possible(wanted, *to)):
                move = abs(edge - place[axis])
                value = edge + (book.job.throw.distance_offset_mm if field == "lens_from_wall_mm" else 0.0)
                found.append((move, cure(f"Lens {book.text(move)} {way}", **{f"throw__{field}": value})))
    return [one for _, one in sorted(found, key=lambda pair: pair[0])][:3]


def _past(book: Book, wanted: Wanted, place: tuple[float, float, float]) -> str:
    """How far body and air reach past the room; empty where they do not."""
    body, room = wanted.body, wanted.room
    reach = (
        ("the left wall", body.left_mm - (place[0] - room.low[0])), ("the right end of the wall", place[0] + body.right_mm - room.high[0]),
        ("the floor", body.below_mm - place[1]), ("the ceiling", place[1] + body.above_mm - room.high[1]),
        ("the wall behind the screen", body.wallward_mm - place[2]), ("the back of the room", place[2] + body.roomward_mm - room.high[2]),
    )  # fmt: skip
    name, past = max(reach, key=lambda one: one[1])
    return f"{book.text(past)} past {name}" if past > 1e-9 else ""


@dataclass(frozen=True, slots=True, kw_only=True)
class JoistPlace:
    """The lens with its plate on one joist: how far that is and which way, whether it fits there, what to change."""

    choice: JoistChoice
    way: str
    fits: bool
    change: Change


def joist_places(book: Book, room: Room, wanted: Wanted, place: tuple[float, float, float]) -> tuple[JoistPlace, ...]:
    """The joists nearest to the plate, near first; place is the lens (x, y, z from the bare wall) [mm]."""
    given = book.job.survey.joists
    if given is None:
        return ()
    plate, to_wall = plate_of(book), given.runs == "to-the-wall"
    axis, offset, ways = (0, plate.right_mm, ("left", "right")) if to_wall else (2, plate.roomward_mm, ("nearer", "back"))
    field, out_mm = ("lens_x_mm", 0.0) if to_wall else ("lens_from_wall_mm", book.job.throw.distance_offset_mm)
    choices = joist_choices(joists_mm(book, room), place[axis], offset)[:JOISTS_SHOWN]
    along = np.array([one.lens_mm for one in choices])
    fits = possible(replace(wanted, lines=None), *(along if at == axis else place[at] for at in range(3)))
    return tuple(
        JoistPlace(
            choice=one, way=ways[one.move_mm > 0], fits=bool(free),
            change=Change(pointer=f"/throw/{field}", value=one.lens_mm + out_mm),
        )
        for one, free in zip(choices, fits, strict=True)
    )  # fmt: skip


def _check_joist(book: Book, wanted: Wanted, room: Room, place: tuple[float, float, float]) -> None:
    if mount_of(book) != "joist":
        return
    if wanted.lines is None:
        book.find("no-joists", "throw", "note", "Survey the joists to see which of them this mount can be fixed into.")
        return
    axis = 0 if wanted.lines.axis == "x" else 2
    nearest = joist_choices(wanted.lines.centres_mm, place[axis], wanted.lines.plate_mm)
    if not nearest or abs(nearest[0].move_mm) <= wanted.lines.half_mm:
        return
    cures = [
        Cure(
            text=f"Lens {book.text(abs(one.choice.move_mm))} {one.way}, plate on joist {one.choice.number}", changes=(one.change,)
        )
        for one in joist_places(book, room, wanted, place)[:3]
        if one.fits
    ]
    cures.append(Cure(text="Blocking between two joists", changes=(Change(pointer="/throw/mount", value="blocking"),)))
    off = nearest[0].move_mm
    book.find("no-joist-over-plate", "throw", "mind",
        f"No joist is over the mount plate: the nearest is {book.text(abs(off))} off. Board alone holds nothing.",
        {"off_mm": off}, cures)  # fmt: skip
