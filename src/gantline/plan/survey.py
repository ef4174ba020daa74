"""Survey station: the wall as it was measured, in wall axes."""

from dataclasses import dataclass

from gantline.core.height.profile import Profile
from gantline.core.wall.studs import StudLattice
from gantline.plan.book import Book

BUILDS = (("studs", "studs and board"), ("masonry", "masonry"))


@dataclass(frozen=True, slots=True, kw_only=True)
class Room:
    """The wall [mm]; studs is None on masonry."""

    wall_mm: float
    datum_mm: float
    floor: Profile
    ceiling: Profile
    studs: StudLattice | None


def survey(book: Book) -> Room:
    """Read the survey into the book; y counts from the floor at the survey point."""
    given = book.job.survey
    for key, label in (("name", "Name"), ("place", "Place"), ("notes", "Notes")):
        text = getattr(book.job, key)
        book.entered(f"job_{key}", "survey", label, f"/{key}", text, text, "text")
    wall_mm = book.length(
        "wall_width", "survey", "Wall width", "/survey/wall_width_mm", given.wall_width_mm, "wall_width_mm",
        "the screen's centre and every mark from the left wall end move with it",
    )  # fmt: skip
    datum_mm = book.length("datum", "survey", "Datum line above floor", "/survey/datum_mm", given.datum_mm, "datum_mm",
        "every height is marked from this line")  # fmt: skip
    ceiling = _ceiling(book, datum_mm)
    book.length("room_depth", "survey", "Room, wall to back", "/survey/room_depth_mm", given.room_depth_mm, "room_depth_mm")
    floor = tuple((one.x_mm, datum_mm - one.down_mm) for one in given.floor_readings) or ((0.0, 0.0),)
    book.entered("build", "survey", "Wall build", "/survey/build", given.build, dict(BUILDS)[given.build], "choice", BUILDS)
    room = Room(wall_mm=wall_mm, datum_mm=datum_mm, floor=Profile(floor), ceiling=Profile(ceiling), studs=_studs(book, wall_mm))
    _check_profiles(book, room)
    return room


def _ceiling(book: Book, datum_mm: float) -> tuple[tuple[float, float], ...]:
    given = book.job.survey
    if not given.ceiling_readings:
        return ((0.0, book.length("ceiling", "survey", "Ceiling above floor", "/survey/ceiling_mm", given.ceiling_mm,
            "ceiling_mm", "the ceiling bound on the frame's top moves 1:1 with it")),)  # fmt: skip
    read = tuple((one.x_mm, datum_mm + one.up_mm) for one in given.ceiling_readings)
    lowest = min(read, key=lambda one: one[1])
    book.computed("ceiling", "survey", "Ceiling above floor, lowest", lowest[1], "datum line + reading",
        f"{book.get('datum')} + {book.exact(lowest[1] - datum_mm)}, read at {book.exact(lowest[0])}", ["datum"],
        "lowest of the ceiling readings")  # fmt: skip
    return read


def _studs(book: Book, wall_mm: float) -> StudLattice | None:
    given = book.job.survey
    if given.build != "studs":
        return None
    effect = "the holes must land in wood: find this before drilling"
    first_mm = book.length("stud_first", "survey", "First stud from left", "/survey/stud_first_mm", given.stud_first_mm,
        "stud_first_mm", effect)  # fmt: skip
    spacing_mm = book.length("stud_spacing", "survey", "Stud spacing", "/survey/stud_spacing_mm", given.stud_spacing_mm,
        "stud_spacing_mm", effect)  # fmt: skip
    width_mm = book.length("stud_width", "survey", "Stud width", "/survey/stud_width_mm", given.stud_width_mm, "stud_width_mm")
    if first_mm > wall_mm:
        book.find("stud-off-wall", "survey", "mind",
            f"The first stud, {book.text(first_mm)} from the left, lies beyond the wall's {book.text(wall_mm)}.")  # fmt: skip
    return StudLattice(first_mm=first_mm, spacing_mm=spacing_mm, stud_mm=width_mm, wall_mm=wall_mm)


def _check_profiles(book: Book, room: Room) -> None:
    for code, name, profile in (("ceiling", "ceiling", room.ceiling), ("floor", "floor", room.floor)):
        heights = [y for _, y in profile.readings]
        beyond = [x for x, _ in profile.readings if x > room.wall_mm]
        if beyond:
            book.find(f"{code}-reading-off-wall", "survey", "mind",
                f"A {name} reading at {book.text(beyond[0])} lies beyond the wall's {book.text(room.wall_mm)}.")  # fmt: skip
        out_mm = max(heights) - min(heights)
        if out_mm >= 2.0:
            book.find(f"{code}-out-of-level", "survey", "note",
                f"The {name} is {book.text(out_mm)} out of level along the wall: heights are marked from the datum line, "
                f"never from the {name}.", {"out_mm": out_mm})  # fmt: skip
    if room.ceiling.lowest(0.0, room.wall_mm) <= max(y for _, y in room.floor.readings):
        book.find("ceiling-under-floor", "survey", "stop", "The ceiling reads lower than the floor: check the readings.")
