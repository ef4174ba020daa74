"""What readings of the hung screen say, against tolerance, and by how much to move what.

Source: level h over a width W is cured at a bracket by h times its share of the width; gaps a left, b right: slide by
(b - a) / 2; a top that leans in by p is cured by p behind the bottom; diagonals that cross d apart put the fourth corner 2 d
off the plane of the other three. Leaves out: a rail that sags between its brackets, a wall that gives.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from gantline.core.errors import require_positive

Check = Literal["level", "center", "plumb-left", "plumb-right", "wind", "margin-across", "margin-down"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Read:
    """One round of readings [mm], None for what was not read: right end over left; gaps; top leaning in at the left and the right
    end; the diagonals apart where they cross, + where upper left and lower right stand nearer the room; fabric margins."""

    level_mm: float | None = None
    gap_left_mm: float | None = None
    gap_right_mm: float | None = None
    plumb_left_mm: float | None = None
    plumb_right_mm: float | None = None
    crossing_mm: float | None = None
    margin_left_mm: float | None = None
    margin_right_mm: float | None = None
    margin_top_mm: float | None = None
    margin_bottom_mm: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Limits:
    """Tolerances [mm]: of level over the width, of center, plumb, wind and margins."""

    level_mm: float
    center_mm: float
    plumb_mm: float
    wind_mm: float
    margin_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Verdict:
    """A check: how far off with its sign [mm], whether that is within tolerance, and how far to move [mm], + up, right, or out.

    level: at the right bracket; center: the frame; plumb-*: behind the bottom (+) or the top (-); wind: behind the lower left (+)
    or the lower right (-) corner; margin-*: the fabric, + to the right or up.
    """

    check: Check
    off_mm: float
    within: bool
    move_mm: float


def level_of_deg(deg: float, width_mm: float) -> float:
    """Right end over left [mm] for a digital level's reading."""
    require_positive(width_mm=width_mm)
    return width_mm * math.tan(math.radians(deg))


def level_of_heights(left_mm: float, right_mm: float) -> float:
    """Right end over left [mm], of the heights of both ends over a floor or a line that is level."""
    return right_mm - left_mm


def verdicts(read: Read, limits: Limits, *, width_mm: float, apart_mm: float) -> tuple[Verdict, ...]:
    """Every check that was read, in the order in which they are cured: level, center, plumb, wind, then the fabric.

    Args: width, of the frame; apart, left to right bracket.  Raises: OutOfRange.
    """
    require_positive(width_mm=width_mm, apart_mm=apart_mm)
    return tuple(_verdicts(read, limits, apart_mm / width_mm))


def _verdicts(read: Read, limits: Limits, share: float) -> Iterator[Verdict]:
    if read.level_mm is not None:
        yield _verdict("level", read.level_mm, limits.level_mm, -read.level_mm * share)
    if read.gap_left_mm is not None and read.gap_right_mm is not None:
        off = (read.gap_left_mm - read.gap_right_mm) / 2.0  # + too far right
        yield _verdict("center", off, limits.center_mm, -off)
    if read.plumb_left_mm is not None:
        yield _verdict("plumb-left", read.plumb_left_mm, limits.plumb_mm, read.plumb_left_mm)
    if read.plumb_right_mm is not None:
        yield _verdict("plumb-right", read.plumb_right_mm, limits.plumb_mm, read.plumb_right_mm)
    if read.crossing_mm is not None:
        yield _verdict("wind", read.crossing_mm, limits.wind_mm, 2.0 * read.crossing_mm)
    if read.margin_left_mm is not None and read.margin_right_mm is not None:
        off = read.margin_left_mm - read.margin_right_mm
        yield _verdict("margin-across", off, limits.margin_mm, -off / 2.0)
    if read.margin_top_mm is not None and read.margin_bottom_mm is not None:
        off = read.margin_bottom_mm - read.margin_top_mm
        yield _verdict("margin-down", off, limits.margin_mm, -off / 2.0)


def _verdict(check: Check, off: float, limit: float, move: float) -> Verdict:
    return Verdict(check=check, off_mm=off, within=abs(off) <= limit + 1e-9, move_mm=move)


def turns_of(move_mm: float, turn_mm: float, step: float = 0.25) -> float:
    """Turns of a turnbuckle for a height [mm], + clockwise, which shortens and lifts, by steps.  Raises: OutOfRange."""
    require_positive(turn_mm=turn_mm, step=step)
    return round(move_mm / turn_mm / step) * step
