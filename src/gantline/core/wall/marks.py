"""The holes and their marks, each taken from one datum and rounded alone, never chained."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from gantline.core.errors import require_positive
from gantline.core.height.profile import Profile
from gantline.core.units import Units, read_tape
from gantline.core.wall.brackets import BracketPair

ROWS = ("upper", "lower")


class ScrewLay(StrEnum):
    """How the screws of one bracket lie: one over the other, side by side, or a keyhole over a screw that only locks it."""

    OVER = "over"
    BESIDE = "beside"
    KEYHOLE = "keyhole"


@dataclass(frozen=True, slots=True, kw_only=True)
class Hole:
    """One hole [mm]: x from the left wall end, y above the floor at the survey point; screw: its number in its bracket, the upper
    or left one is 1."""

    key: str
    row: str
    side: str
    x_mm: float
    y_mm: float
    screw: int = 1

    @property
    def name(self) -> str:
        """What it is called: upper left, upper left screw 2."""
        return f"{self.row} {self.side}{f' screw {self.screw}' if self.screw > 1 else ''}"


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleMark:
    """Every way to reach one hole with a tape [mm], none rounded yet.

    from_datum + above the datum line; from_centre and from_stud + to the right; to_floor and
    to_ceiling at the hole's own x, as read there. from_stud is None off a stud wall.
    """

    hole: Hole
    from_left_mm: float
    from_centre_mm: float
    from_stud_mm: float | None
    from_datum_mm: float
    to_floor_mm: float
    to_ceiling_mm: float


def hole_rows_mm(
    *, top_mm: float, frame_height_mm: float, drop_mm: float, row_offset_mm: float | None
) -> tuple[float, float | None]:
    """Heights of the upper and of the lower hole row: y_top - drop, and H_f - row offset below that [mm].

    Args: top_mm, the frame's top; drop_mm, hole center to the top of the frame including trim and border, negative above it;
        row_offset_mm, the frame's height less the distance of the rows, None for a way of hanging with one row.
    Raises: OutOfRange if the rows would meet or cross.
    """
    if row_offset_mm is None:
        return top_mm - drop_mm, None
    rows_apart_mm = frame_height_mm - row_offset_mm
    require_positive(rows_apart_mm=rows_apart_mm)
    return top_mm - drop_mm, top_mm - drop_mm - rows_apart_mm


def holes(
    pair: BracketPair,
    upper_mm: float,
    lower_mm: float | None,
    *,
    between_mm: Sequence[float] = (),
    lower_between_mm: Sequence[float] = (),
) -> tuple[Hole, ...]:
    """The holes of each row [mm above the floor] at the outer two places: two, or four where there is a lower row.

    between: further places in the upper row, as of a cleat's inner screws or a third bracket [mm]; they come last,
        counted from 2.
    lower_between: the same of the lower row.
    """
    rows = [("upper", upper_mm, between_mm)]
    if lower_mm is not None:
        rows.append(("lower", lower_mm, lower_between_mm))
    at_ends = tuple(
        Hole(key=f"{row}-{side}", row=row, side=side, x_mm=x_mm, y_mm=y_mm)
        for row, y_mm, _ in rows
        for side, x_mm in (("left", pair.left_mm), ("right", pair.right_mm))
    )
    inner = tuple(
        Hole(key=f"{row}-{number}", row=row, side=f"{number}", x_mm=x_mm, y_mm=y_mm)
        for row, y_mm, places in rows
        for number, x_mm in enumerate(places, start=2)
    )
    return at_ends + inner


def in_order(every: Sequence[Hole]) -> tuple[Hole, ...]:
    """Holes as a crew goes along the wall: the upper row first, from the left; the first screws of a row's brackets before
    the further ones, because the level is taken over from the first."""
    return tuple(sorted(every, key=lambda hole: (ROWS.index(hole.row), hole.screw, hole.x_mm)))


def first_off_mm(count: int, apart_mm: float, lay: ScrewLay) -> float:
    """From the middle of a bracket along the wall to its first screw [mm], negative to the left."""
    return -apart_mm * (count - 1) / 2.0 if lay is ScrewLay.BESIDE else 0.0


def further_screws(first: Hole, count: int, apart_mm: float, lay: ScrewLay) -> tuple[Hole, ...]:
    """The other holes of a bracket whose first one is given: below it, or to its right.

    Args: count, screws of the bracket; apart, from one to the next [mm].  Raises: OutOfRange unless apart is positive.
    """
    require_positive(apart_mm=apart_mm)
    step = (apart_mm, 0.0) if lay is ScrewLay.BESIDE else (0.0, -apart_mm)
    return tuple(
        replace(
            first,
            key=f"{first.key}-s{number + 1}",
            x_mm=first.x_mm + number * step[0],
            y_mm=first.y_mm + number * step[1],
            screw=number + 1,
        )
        for number in range(1, count)
    )


def carrying_screws(count: int, lay: ScrewLay) -> int:
    """How many of a bracket's screws bear the weight: of a keyhole and its lock screw the first alone."""
    return 1 if lay is ScrewLay.KEYHOLE else count


def mark(
    hole: Hole, *, datum_mm: float, centre_mm: float, stud_mm: float | None, floor: Profile, ceiling: Profile
) -> HoleMark:
    """The hole's marks from every reference; stud_mm is the nearest stud's center, if any."""
    return HoleMark(
        hole=hole,
        from_left_mm=hole.x_mm,
        from_centre_mm=hole.x_mm - centre_mm,
        from_stud_mm=None if stud_mm is None else hole.x_mm - stud_mm,
        from_datum_mm=hole.y_mm - datum_mm,
        to_floor_mm=hole.y_mm - floor.at(hole.x_mm),
        to_ceiling_mm=ceiling.at(hole.x_mm) - hole.y_mm,
    )


def between_marks_mm(first_mm: float, second_mm: float, units: Units) -> float:
    """From one mark to the next as they are printed [mm]: the difference of their readings, so that what is printed
    adds up. Holes drilled at the printed marks are this far apart, not as far as the unrounded ones."""
    return read_tape(second_mm, units).read_mm - read_tape(first_mm, units).read_mm


def level_tolerance_mm(span_mm: float, *, most_mm: float) -> float:
    """Allowed height difference of two holes span_mm apart [mm]: 0.5 mm per meter, at most most_mm."""
    require_positive(span_mm=span_mm)
    return min(most_mm, 0.5 * span_mm / 1000.0)
