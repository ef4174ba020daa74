"""Each hole by every reference, and the tape round each mark."""

from dataclasses import dataclass

from gantline.core.defaults import SizeDefaults
from gantline.core.units import read_tape
from gantline.core.wall.facts import hole_name
from gantline.core.wall.flat import THIN_MM, Flatness
from gantline.core.wall.marks import HoleMark, ScrewLay
from gantline.drawing.tape import TapeWindow, window
from gantline.job.model.hanging import DryReading, Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Change
from gantline.stations.common import way_words
from gantline.stations.wall.choose import candidates
from gantline.stations.wall.cleat_line import CleatRow, cleat_row
from gantline.stations.wall.datum import hooked_across, hooked_up, up_from
from gantline.stations.wall.dry import corrections
from gantline.stations.wall.flat import clashing, flat, shims
from gantline.stations.wall.screws import lay
from gantline.stations.wall.solve import drilling
from gantline.stations.wall.way import every_stud

ENDS = ("left", "right")


@dataclass(frozen=True, slots=True, kw_only=True)
class MarkRow:
    """One hole's marks in the job's texts, one reading per reference; note spells out the rounding.

    x, y: its place [mm].
    """

    key: str
    name: str
    from_left: str
    from_center: str
    from_stud: str
    from_datum: str
    to_floor: str
    to_ceiling: str
    note: str
    x_mm: float
    y_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FactRow:
    """A hole that is drilled, or not possible where it was planned: id, its key and name, from the left and up, why."""

    id: str
    hole: str
    name: str
    drilled: bool
    across: str
    up: str
    why: str


@dataclass(frozen=True, slots=True, kw_only=True)
class MarkTable:
    """Every hole, what was drilled or refused, and the line of a cleat."""

    rows: tuple[MarkRow, ...]
    facts: tuple[FactRow, ...]
    cleat: CleatRow | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Tape:
    """One window of tape for each mark a crew makes for the holes: across twice, the center, each row; keys are those of
    their figures."""

    windows: tuple[TapeWindow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class GapRow:
    """A gap that was read: where, how wide, and how far the wall stands proud of its plane there."""

    id: str
    x: str
    y: str
    gap: str
    belly: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ShimRow:
    """The shim behind a support."""

    name: str
    thick: str


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatTable:
    """Every gap and every shim."""

    gaps: tuple[GapRow, ...]
    shims: tuple[ShimRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class WayRow:
    """A way of holding the screen, in the order of the ranking."""

    key: str
    name: str
    serves: bool
    why: str
    cost: str
    changes: tuple[Change, ...]
    taken: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class DryRow:
    """One dry fit as it was read, and what it asks of the brackets (of the last one only)."""

    id: str
    said: str


@dataclass(frozen=True, slots=True, kw_only=True)
class WayTable:
    """Every way, and every dry fit with what to move for the last."""

    rows: tuple[WayRow, ...]
    dry: tuple[DryRow, ...]
    moves: str


def ways(at: Ask) -> WayTable:
    """The candidates in words."""
    rows = tuple(
        WayRow(
            key=candidate.key,
            name=candidate.name,
            serves=candidate.serves,
            why=_sentence(candidate.why),
            cost=_sentence(candidate.cost),
            changes=candidate.changes,
            taken=candidate.taken,
        )
        for candidate in at(candidates)
    )
    dry = tuple(DryRow(id=one.id, said=_dry(at, one)) for one in at.things(Hanging.dry))
    moves = ", ".join(
        f"{side} bracket {'stays' if abs(by) < THIN_MM else at.text(abs(by)) + (' up' if by > 0.0 else ' down')}"
        for side, by in at(corrections)
    )
    return WayTable(rows=rows, dry=dry, moves=moves)


def _dry(at: Ask, dry_reading: DryReading) -> str:
    by = ", ".join(each for each in (dry_reading.who, dry_reading.day) if each)
    return f"left {_signed(at, dry_reading.left_mm)}, right {_signed(at, dry_reading.right_mm)}{f' ({by})' if by else ''}"


def _sentence(text: str) -> str:
    return f"{text[0].upper()}{text[1:]}."


def _signed(at: Ask, off_mm: float) -> str:
    return (
        "level"
        if abs(off_mm) < THIN_MM
        else f"{at.text(abs(off_mm))} too {'high' if off_mm > 0.0 else 'low'}"
    )


def flat_table(at: Ask) -> FlatTable:
    """Gaps and shims in words."""
    plane, out = at(flat), {number for two in at(clashing) for number in two}
    left = iter(plane.belly_mm if isinstance(plane, Flatness) else ())
    rows = []
    for number, gap in enumerate(at.things(Survey.gaps)):
        off = None if number in out else next(left, None)
        said = "left out" if number in out else ""
        if off is not None:
            said = (
                "in the plane"
                if abs(off) < THIN_MM
                else f"{at.text(abs(off))} {'proud' if off > 0.0 else 'hollow'}"
            )
        rows.append(
            GapRow(id=gap.id, x=at.text(gap.x_mm), y=at.text(gap.y_mm), gap=at.text(gap.gap_mm), belly=said)
        )
    thick = tuple(
        ShimRow(
            name=shim.key.replace("-", " "),
            thick=at.text(shim.thick_mm) if shim.thick_mm >= THIN_MM else "none",
        )
        for shim in at(shims)
    )
    return FlatTable(gaps=tuple(rows), shims=thick)


def marks(at: Ask) -> MarkTable | None:
    """The marks in words."""
    drill_plan = at(drilling)
    told = tuple(
        FactRow(
            id=fact.id,
            hole=fact.hole,
            name=hole_name(fact.hole),
            drilled=fact.state == "drilled",
            across=at.text(fact.x_mm),
            up=at.text(fact.y_mm),
            why=fact.why or "",
        )
        for fact in at.things(Hanging.facts)
    )
    if drill_plan is None and not told:
        return None
    return MarkTable(
        rows=tuple(_row(at, mark) for mark in (drill_plan.marks if drill_plan else ())),
        facts=told,
        cleat=at(cleat_row),
    )


def tape(at: Ask) -> Tape | None:
    """The marks as they are read on a tape."""
    drill_plan = at(drilling)
    if drill_plan is None:
        return None
    left, right = drill_plan.ends
    units, apart = at.units, at(up_from) != "datum"
    center = window(
        "center", "Screen center", "left wall end", left.from_left_mm - left.from_centre_mm, units
    )
    inner = [
        mark
        for mark in drill_plan.marks
        if mark.hole.row == "upper"
        and mark.hole.screw == 1
        and mark.hole.side not in ENDS
        and not at(every_stud)  # a cleat's come with it
    ]
    rows = [
        hole_mark
        for hole_mark in drill_plan.marks
        if hole_mark.hole.screw == 1
        and (
            hole_mark.hole.side == "left" or (apart and hole_mark.hole.side == "right")
        )  # floor and ceiling are not straight
    ]
    seconds = [one for one in drill_plan.marks if one.hole.screw > 1 and one.hole.side in ENDS]
    aside = [second for second in seconds if at(lay) is ScrewLay.BESIDE]
    below = [
        second_mark
        for second_mark in seconds
        if second_mark not in aside and (second_mark.hole.side == "left" or apart)
    ]
    names = ("Left holes", "Right holes")
    lower = []
    if aside:  # a lower bracket has its one screw in the middle
        names = ("Upper left, screw 1", "Upper right, screw 1")
        lower = [one for one in drill_plan.marks if one.hole.row == "lower" and one.hole.side in ENDS]
    return Tape(
        windows=(
            window("hole_left", names[0], *hooked_across(at, left), units),
            center,
            *(
                window(
                    f"hole_{inner_mark.hole.side}",
                    f"Hole {inner_mark.hole.side}",
                    *hooked_across(at, inner_mark),
                    units,
                )
                for inner_mark in inner
            ),
            window("hole_right", names[1], *hooked_across(at, right), units),
            *(
                window(
                    lower_mark.hole.key,
                    f"Lower {lower_mark.hole.side} hole",
                    *hooked_across(at, lower_mark),
                    units,
                )
                for lower_mark in lower
            ),
            *(_screw(at, aside_mark, hooked_across(at, aside_mark)) for aside_mark in aside),
            *(_up(at, row, apart) for row in rows),
            *(_screw(at, below_mark, hooked_up(at, below_mark)) for below_mark in below),
        )
    )


def _screw(at: Ask, hole_mark: HoleMark, hooked: tuple[str, float]) -> TapeWindow:
    """A further screw of a bracket."""
    side = "" if at(lay) is not ScrewLay.BESIDE and at(up_from) == "datum" else f" {hole_mark.hole.side}"
    return window(
        hole_mark.hole.key,
        f"{hole_mark.hole.row.capitalize()}{side}, screw {hole_mark.hole.screw}",
        *hooked,
        at.units,
    )


def _up(at: Ask, hole_mark: HoleMark, apart: bool) -> TapeWindow:
    row, side = hole_mark.hole.row, hole_mark.hole.side
    key = f"{row}_row" if side == "left" else f"{row}_row_{side}"
    title = f"{row.capitalize()} {side} hole" if apart else f"{row.capitalize()} holes"
    return window(key, title, *hooked_up(at, hole_mark), at.units)


def _row(at: Ask, hole_mark: HoleMark) -> MarkRow:
    shown = at.default(SizeDefaults.rounding_shown_mm)
    errors = {"left": hole_mark.from_left_mm, "datum": hole_mark.from_datum_mm}
    off = {name: read_tape(value, at.units).error_mm for name, value in errors.items()}
    notes = [
        f"{name} reading {at.exact(abs(error))} {'long' if error > 0 else 'short'}"
        for name, error in off.items()
        if abs(error) > shown
    ]
    stud = hole_mark.from_stud_mm
    way = "above" if hole_mark.from_datum_mm >= 0 else "below"
    return MarkRow(
        key=hole_mark.hole.key,
        name=hole_mark.hole.name,
        from_left=at.text(hole_mark.from_left_mm),
        from_center=way_words(at, 0, hole_mark.from_centre_mm),
        from_stud="" if stud is None else "on its center" if abs(stud) < 0.5 else way_words(at, 0, stud),
        from_datum=f"{at.text(abs(hole_mark.from_datum_mm))} {way}",
        to_floor=at.text(hole_mark.to_floor_mm),
        to_ceiling=at.text(hole_mark.to_ceiling_mm),
        note=", ".join(notes),
        x_mm=round(hole_mark.hole.x_mm, 1),
        y_mm=round(hole_mark.hole.y_mm, 1),
    )
