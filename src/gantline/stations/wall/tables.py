"""Each hole by every reference, and the tape round each mark."""

from dataclasses import dataclass

from gantline.core.defaults import SizeDefaults
from gantline.core.units import read_tape
from gantline.core.wall.marks import HoleMark
from gantline.drawing.tape import TapeWindow, window
from gantline.plan.ask import Ask
from gantline.stations.common import way_words
from gantline.stations.wall.solve import drilling


@dataclass(frozen=True, slots=True, kw_only=True)
class MarkRow:
    """One hole's marks in the job's texts, one reading per reference; note spells out the rounding."""

    key: str
    name: str
    from_left: str
    from_center: str
    from_stud: str
    from_datum: str
    to_floor: str
    to_ceiling: str
    note: str


@dataclass(frozen=True, slots=True, kw_only=True)
class MarkTable:
    """Every hole."""

    rows: tuple[MarkRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Tape:
    """One window of tape for each mark a crew makes for the holes: across twice, the center, each row; keys are those of
    their figures."""

    windows: tuple[TapeWindow, ...]


def marks(at: Ask) -> MarkTable | None:
    """The marks in words."""
    found = at(drilling)
    return MarkTable(rows=tuple(_row(at, one) for one in found.marks)) if found else None


def tape(at: Ask) -> Tape | None:
    """The marks as they are read on a tape."""
    found = at(drilling)
    if found is None:
        return None
    left, right = found.marks[:2]
    end, units = "left wall end", at.units
    rows = [one for name in ("upper", "lower") if (one := found.row(name)) is not None]
    return Tape(
        windows=(
            window("hole_left", "Left holes", end, left.from_left_mm, units),
            window("center", "Screen center", end, left.from_left_mm - left.from_centre_mm, units),
            window("hole_right", "Right holes", end, right.from_left_mm, units),
            *(
                window(
                    f"{one.hole.row}_row",
                    f"{one.hole.row.capitalize()} holes",
                    _hook(one),
                    abs(one.from_datum_mm),
                    units,
                )
                for one in rows
            ),
        )
    )


def _hook(one: HoleMark) -> str:
    return "datum line, up" if one.from_datum_mm >= 0 else "datum line, down"


def _row(at: Ask, one: HoleMark) -> MarkRow:
    shown = at.default(SizeDefaults.rounding_shown_mm)
    errors = {"left": one.from_left_mm, "datum": one.from_datum_mm}
    off = {name: read_tape(value, at.units).error_mm for name, value in errors.items()}
    notes = [
        f"{name} reading {at.exact(abs(error))} {'long' if error > 0 else 'short'}"
        for name, error in off.items()
        if abs(error) > shown
    ]
    stud = one.from_stud_mm
    way = "above" if one.from_datum_mm >= 0 else "below"
    return MarkRow(
        key=one.hole.key,
        name=f"{one.hole.row} {one.hole.side}",
        from_left=at.text(one.from_left_mm),
        from_center=way_words(at, 0, one.from_centre_mm),
        from_stud="" if stud is None else "on its center" if abs(stud) < 0.5 else way_words(at, 0, stud),
        from_datum=f"{at.text(abs(one.from_datum_mm))} {way}",
        to_floor=at.text(one.to_floor_mm),
        to_ceiling=at.text(one.to_ceiling_mm),
        note=", ".join(notes),
    )
