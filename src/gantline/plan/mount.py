"""Hanging it: pole, marks on the ceiling, joists, cable. Weeks before the screen hangs somebody runs the cable to them."""

from dataclasses import dataclass, replace

from gantline.core.throw.mount import cable_path, path_mm, pole_mm
from gantline.core.throw.places import Wanted
from gantline.core.units import beside_text
from gantline.plan.book import Book
from gantline.plan.figures import Change
from gantline.plan.lens_place import joist_places
from gantline.plan.projector_body import mount_of, plate_of
from gantline.plan.survey import Room

MOUNTS = (
    ("joist", "into a joist"),
    ("blocking", "blocking between joists"),
    ("shelf", "on a shelf"),
    ("cabinet", "on a cabinet"),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class JoistRow:
    """One joist: where it is, where the lens comes with the plate on it, how far that is, and whether it fits there."""

    number: int
    centre: str
    lens: str
    move: str
    here: bool
    fits: bool
    changes: tuple[Change, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Mounted:
    """The plate's centre on the ceiling (x, z) and the pole [mm]; None for a body that stands. Joists near first.

    cable: corners (x, y, z) of its run; empty until its source is entered.
    """

    plate_mm: tuple[float, float] | None = None
    pole_mm: float | None = None
    joists: tuple[JoistRow, ...] = ()
    cable: tuple[tuple[float, float, float], ...] = ()


def mount(book: Book, room: Room, wanted: Wanted, place: tuple[float, float, float]) -> Mounted:
    """Write the mount; place is the lens (x, y, z from the bare wall) [mm]."""
    kind = mount_of(book)
    book.entered("mount", "throw", "Held", "/throw/mount", kind, dict(MOUNTS)[kind], "choice", MOUNTS)
    mounted = _hung(book, room, wanted, place) if book.job.throw.hung else Mounted()
    return replace(mounted, cable=_cable(book, room, place))


def _hung(book: Book, room: Room, wanted: Wanted, place: tuple[float, float, float]) -> Mounted:
    plate = plate_of(book)
    for field, label, value in (
        ("plate_right_mm", "Plate right of the lens", plate.right_mm),
        ("plate_roomward_mm", "Plate behind the lens", plate.roomward_mm),
    ):
        entered = getattr(book.job.throw.body, field)
        book.entered(field.removesuffix("_mm"), "throw", label, f"/throw/body/{field}", entered, book.text(value), "length",
            optional=True, known="assumed" if entered is None else None)  # fmt: skip
    book.length("plate_to_axis", "throw", "Plate to lens axis", "/throw/body/plate_to_axis_mm", book.job.throw.body.plate_to_axis_mm,
        "plate_to_axis_mm", "the pole is cut to it")  # fmt: skip
    x, z, centre_mm = place[0] + plate.right_mm, place[2] + plate.roomward_mm, wanted.picture_x_mm
    ceiling = room.ceiling.at(min(max(x, 0.0), room.wall_mm))
    pole = pole_mm(ceiling, place[1], plate)
    rests = ["lens_y", "lens_from_wall", "lens_x", "plate_to_axis"]
    book.computed("plate_x", "throw", "Plate from left wall end", x, "lens + plate's offset from it",
        f"{book.exact(place[0])} + {book.exact(plate.right_mm)}", rests, "the record's mount plate")  # fmt: skip
    off = x - centre_mm
    book.ratio("plate_off_centre", "throw", "Plate from the screen's centre line", off, beside_text(off, book.units),
        "plate from left wall end − screen centre", f"{book.exact(x)} − {book.exact(centre_mm)}", [*rests, "centre_x"],
        "a second mark on the ceiling to check the first")  # fmt: skip
    book.computed("plate_z", "throw", "Plate from bare wall", z, "lens + plate's offset from it",
        f"{book.exact(place[2])} + {book.exact(plate.roomward_mm)}", rests, "the record's mount plate")  # fmt: skip
    book.computed("pole", "throw", "Pole to cut", pole, "ceiling − lens height − (mount plate + plate to lens axis)",
        f"{book.exact(ceiling)} − {book.exact(place[1])} − {book.exact(plate.to_axis_mm)}", rests, "ceiling over the plate")  # fmt: skip
    if pole < -book.shop["place_tolerance_mm"]:
        book.find("no-room-for-mount", "throw", "stop",
            f"The lens is {book.text(-pole)} too high for this mount: plate and adapter need {book.text(plate.to_axis_mm)} under the ceiling.",
            {"over_mm": -pole})  # fmt: skip
    return Mounted(plate_mm=(x, z), pole_mm=pole, joists=() if book.brief else _joists(book, room, wanted, place))


def _joists(book: Book, room: Room, wanted: Wanted, place: tuple[float, float, float]) -> tuple[JoistRow, ...]:
    return tuple(
        JoistRow(
            number=one.choice.number, centre=book.text(one.choice.centre_mm), lens=book.text(one.choice.lens_mm),
            move=f"{book.text(abs(one.choice.move_mm))} {one.way}", here=abs(one.choice.move_mm) <= book.shop["joist_half_mm"],
            fits=one.fits, changes=(one.change,),
        )
        for one in joist_places(book, room, wanted, place)
    )  # fmt: skip


def _cable(book: Book, room: Room, place: tuple[float, float, float]) -> tuple[tuple[float, float, float], ...]:
    given = book.job.throw.cable_from
    for field, label in (("x_mm", "from left wall end"), ("y_mm", "above floor"), ("z_mm", "from bare wall")):
        value = getattr(given, field)
        key, pointer = f"cable_{field.removesuffix('_mm')}", f"/throw/cable_from/{field}"
        if value is None:
            book.blank(key, "throw", f"Source, {label}", pointer, "length")
        else:
            book.length(key, "throw", f"Source, {label}", pointer, value, "datum_mm")
    if given.x_mm is None or given.y_mm is None or given.z_mm is None:
        return ()
    slack = book.shop["cable_slack_mm"]
    hung = book.job.throw.hung
    level = room.ceiling.at(min(max(place[0], 0.0), room.wall_mm)) if hung else 0.0
    corners = cable_path((given.x_mm, given.y_mm, given.z_mm), place, level_mm=level)
    book.computed("cable", "throw", "Cable", path_mm(corners) + slack,
        "from the source to the ceiling, square along it, to the lens, + slack" if hung
        else "from the source to the floor, square along it, to the lens, + slack",
        f"{book.exact(path_mm(corners))} + {book.exact(slack)}", ["lens_y", "lens_from_wall", "lens_x"],
        "cable runs square to the building")  # fmt: skip
    return corners
