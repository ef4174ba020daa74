"""A full-size template of the holes on sheets of common paper: which part of the wall each sheet shows."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.budget import bounded
from gantline.core.errors import require_not_negative, require_positive

MOST_SHEETS = 2000  # of one row: 100 m on narrow paper
BESIDE_MM = 40.0  # past the outermost hole of a row
SCALE_BAR_MM = 100.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Tile:
    """One sheet: its row, its place in it from 1, and the part of the wall it shows [mm from left wall end and floor].

    joins: where it is laid on the sheet before and the next, in the middle of the overlap [mm from the left wall end].
    """

    row: str
    number: int
    of: int
    left_mm: float
    right_mm: float
    bottom_mm: float
    top_mm: float
    joins_mm: tuple[float, ...]

    def holds(self, x_mm: float, y_mm: float) -> bool:
        """Whether a place of the wall is on it."""
        return self.left_mm <= x_mm <= self.right_mm and self.bottom_mm <= y_mm <= self.top_mm


def tiles(
    rows: Sequence[tuple[str, float, Sequence[float]]], *, wide_mm: float, high_mm: float, overlap_mm: float
) -> tuple[Tile, ...]:
    """Sheets side by side along each row of holes.

    Args: rows, name, height and the places of their holes and of what else they must reach [mm]; wide, high, what can be
        printed of a sheet [mm]; overlap, by which a sheet lies on the one before [mm].
    Returns: the fewest sheets that reach from the outermost place to the other with room beside; each as wide as can be
        printed, the row level at half its height.
    Source: geometry.  Raises: OutOfRange where a sheet is not wider than its overlap.
    """
    require_not_negative(overlap_mm=overlap_mm)
    require_positive(step_mm=wide_mm - overlap_mm, high_mm=high_mm)
    out = []
    for name, level, places in rows:
        first, last = min(places) - BESIDE_MM, max(places) + BESIDE_MM
        step = wide_mm - overlap_mm
        count = max(1, math.ceil((last - first - overlap_mm) / step - 1e-9))
        bounded(count, MOST_SHEETS, "sheets of a template", "wide_mm")
        begin = (first + last - (count * step + overlap_mm)) / 2.0
        for number in range(count):
            left = begin + number * step
            out.append(
                Tile(
                    row=name,
                    number=number + 1,
                    of=count,
                    left_mm=left,
                    right_mm=left + wide_mm,
                    bottom_mm=level - high_mm / 2.0,
                    top_mm=level + high_mm / 2.0,
                    joins_mm=tuple(
                        begin + at * step + overlap_mm / 2.0 for at in (number, number + 1) if 0 < at < count
                    ),
                )
            )
    return tuple(out)
