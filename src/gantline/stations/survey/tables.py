"""What can be added to the survey, and the texts of what is in its lists."""

from dataclasses import dataclass, replace
from typing import Any, cast, get_args

from gantline.core.usual import LAMP_FROM_WALL_MM, LAMP_HEIGHT_MM
from gantline.job.field import declared, field_of
from gantline.job.model import FIELDS, ITEMS
from gantline.job.model.survey import BoxKind, FittingKind, StudMark, StudReading, Survey
from gantline.plan.ask import Ask
from gantline.plan.figure import Known, field_text
from gantline.plan.finding import Change
from gantline.stations.common import told_apart
from gantline.stations.height import place
from gantline.stations.survey.placing import new_box, new_fitting, new_seat
from gantline.stations.survey.solve import wall_mm
from gantline.stations.survey.studs import CONFIRMS, lattice, left_out, strays


@dataclass(frozen=True, slots=True, kw_only=True)
class Cell:
    """A length or number of a thing: its field, what it is called, its text, how it is known."""

    field: str
    label: str
    text: str
    known: Known


@dataclass(frozen=True, slots=True, kw_only=True)
class Row:
    """A thing of the survey, or a reading."""

    id: str
    name: str
    kind: str
    main: bool
    pointer: str
    cells: tuple[Cell, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Addition:
    """One thing to add: its kind ("" where the list has none), and the change, its place still assumed."""

    kind: str
    changes: tuple[Change, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class ThingList:
    """A list of the survey: its pointer and name, the button that adds to it, what is in it, what can be added."""

    pointer: str
    title: str
    add: str
    rows: tuple[Row, ...]
    additions: tuple[Addition, ...]


def seat_list(at: Ask) -> ThingList:
    """Seats, as they are shown and typed into."""
    return _list(at, Survey.seats, "Seats", "Add a seat")


def box_list(at: Ask) -> ThingList:
    """What stands or hangs in the room."""
    return _list(at, Survey.boxes, "In the room", "Add something in the room")


def fitting_list(at: Ask) -> ThingList:
    """What is on or in the wall."""
    return _list(at, Survey.fittings, "On the wall", "Add something on the wall")


def lamp_list(at: Ask) -> ThingList:
    """Lamps."""
    return _list(at, Survey.lamps, "Lamps", "Add a lamp")


def ceiling_list(at: Ask) -> ThingList:
    """Readings of the ceiling."""
    return _list(at, Survey.ceiling_readings, "Ceiling, up from the datum line", "")


def floor_list(at: Ask) -> ThingList:
    """Readings of the floor."""
    return _list(at, Survey.floor_readings, "Floor, down from the datum line", "")


@dataclass(frozen=True, slots=True, kw_only=True)
class StudRow:
    """A reading or a stud set by hand: where, what was found there, and what it is taken for."""

    id: str
    pointer: str
    kind: str
    x: str
    said: str


@dataclass(frozen=True, slots=True, kw_only=True)
class StudList:
    """Readings, studs set by hand, the kinds of readings there are, and what makes a stud confirmed."""

    readings: tuple[StudRow, ...]
    marks: tuple[StudRow, ...]
    kinds: tuple[tuple[str, str], ...]
    confirms: str


def stud_list(at: Ask) -> StudList | None:
    """None on masonry."""
    if at(lattice) is None:
        return None
    out = at(left_out)
    read = at.things(Survey.stud_readings)
    said = {number: f"{guess}?" for number, guess in at(strays).items()} | dict.fromkeys(out, "left out")
    base, hand = field_of(Survey.stud_readings).pointer, field_of(Survey.stud_marks).pointer
    return StudList(
        readings=tuple(
            StudRow(
                id=one.id,
                pointer=f"{base}/{one.id}",
                kind=one.kind,
                x=at.text(one.x_mm),
                said=said.get(number, ""),
            )
            for number, one in enumerate(read)
        ),
        marks=tuple(
            StudRow(
                id=mark.id,
                pointer=f"{hand}/{mark.id}",
                kind="set" if at.of(mark, StudMark.there) else "struck",
                x=at.text(mark.x_mm),
                said="a stud, set by hand" if at.of(mark, StudMark.there) else "no stud, struck out by hand",
            )
            for mark in at.things(Survey.stud_marks)
        ),
        kinds=declared(StudReading)["kind"].choices,
        confirms=CONFIRMS,
    )


def _list(at: Ask, field: Any, title: str, add: str) -> ThingList:
    pointer = field_of(field).pointer
    made = [_row(at, pointer, number, one) for number, one in enumerate(at.things(field), start=1)]
    names = told_apart({row.id: row.name for row in made})
    rows = tuple(replace(row, name=names[row.id]) for row in made)
    return ThingList(pointer=pointer, title=title, add=add, rows=rows, additions=_additions(at, pointer))


def _row(at: Ask, pointer: str, number: int, one: Any) -> Row:
    base = f"{pointer}/{one.id}"
    said = declared(ITEMS[pointer])
    cells = tuple(
        Cell(
            field=name,
            label=field.label,
            text=field_text(field, getattr(one, name), at.units),
            known=_known(at, f"{base}/{name}", getattr(one, name)),
        )
        for name, field in said.items()
        if field.kind in ("length", "number")
    )
    kind = str(one.kind) if "kind" in said else ""
    name = (
        (one.name if "name" in said else "")
        or kind.replace("-", " ")
        or f"{FIELDS[pointer].label[:-1]} {number}"
    )
    return Row(
        id=one.id, name=name, kind=kind, main="main" in said and bool(one.main), pointer=base, cells=cells
    )


def _known(at: Ask, pointer: str, value: object) -> Known:
    said = cast("Known | None", at.said(pointer))
    return "assumed" if value is None else said or "measured"


def _additions(at: Ask, pointer: str) -> tuple[Addition, ...]:
    """Each ready to go in at its usual size, where it can be seen and dragged."""
    middle = at(wall_mm) / 2.0
    match pointer:
        case "/survey/seats":
            return (_one(pointer, "", new_seat(at)),)
        case "/survey/boxes":
            return tuple(_one(pointer, kind, new_box(at, kind, _frame(at))) for kind in get_args(BoxKind))
        case "/survey/fittings":
            return tuple(_one(pointer, kind, new_fitting(at, kind)) for kind in get_args(FittingKind))
        case "/survey/lamps":
            names = {lamp.name for lamp in at.things(Survey.lamps)}
            name = next(f"lamp {k}" for k in range(1, len(names) + 2) if f"lamp {k}" not in names)
            place = {"x_mm": middle + 1000.0, "y_mm": LAMP_HEIGHT_MM, "z_mm": LAMP_FROM_WALL_MM}
            return (_one(pointer, "", {"name": name, **place}),)
    return ()


def _one(pointer: str, kind: str, thing: dict[str, float | str | bool]) -> Addition:
    return Addition(kind=kind, changes=(Change(pointer=f"{pointer}/-", value=thing, known="assumed"),))


def _frame(at: Ask) -> tuple[float, float]:
    """Left and right edge of the frame, wherever it hangs."""
    here = at(place)
    return here.left_mm, here.right_mm
