"""Sizes with both sides on the tape's grid."""

import math
from dataclasses import dataclass
from fractions import Fraction

from gantline.core.budget import spend
from gantline.core.errors import OutOfRange, require_positive
from gantline.core.size.picture import Picture

MOST_HEIGHTS, A_STEP = 100_000, 20  # one is tried in a twentieth of what a question takes


@dataclass(frozen=True, slots=True, kw_only=True)
class TidySize:
    """A size on the tape's grid: m by n steps. Errors are against the exact aspect."""

    width_steps: int
    height_steps: int
    width_mm: float
    height_mm: float
    diagonal_mm: float
    aspect_error: float
    edge_error_mm: float
    diagonal_change_mm: float

    @property
    def exact(self) -> bool:
        """Whether the pair is exactly in ratio."""
        return self.edge_error_mm == 0.0


def tidy_sizes(
    wished: Picture, aspect: Fraction, grid: Fraction, *, span_share: float, ratio_error: float
) -> tuple[TidySize, ...]:
    """Sizes with both sides on the grid, close to the wished one and almost exactly in ratio.

    Args: wished, the exact picture; grid [mm] > 0, exact; span_share, how far the height may lie
        from the wished one, ends included; ratio_error, the largest |m/n / a - 1| kept.
    Returns: exact ratios first, then by closeness to the wished diagonal, then by |error|; may be
        empty. edge_error_mm = g (m - a n), + means too wide.  Raises: OutOfRange unless grid > 0
        and gives at most 100,000 heights.
    Source: search over all heights n g in the span, width m g with m nearest to a n, both at a tie.
    """
    require_positive(grid=float(grid))
    step = float(grid)
    slack = 1e-9 * wished.height_mm
    low = math.ceil((wished.height_mm * (1 - span_share) - slack) / step)
    high = math.floor((wished.height_mm * (1 + span_share) + slack) / step)
    count = high - low + 1
    if count > MOST_HEIGHTS:
        raise OutOfRange(f"this grid gives {count} heights to try", field="tidy_grid_mm", got=step)
    spend(max(1, count // A_STEP))
    found = [
        _tidy(width, height, off, aspect, step, wished)
        for height in range(max(1, low), high + 1)
        for width, off in _nearest(aspect, height)
        if width > 0 and abs(off) <= ratio_error * aspect.numerator * height
    ]
    found.sort(key=lambda one: (not one.exact, abs(one.diagonal_change_mm), abs(one.aspect_error)))
    return tuple(found)


def _nearest(aspect: Fraction, height: int) -> tuple[tuple[int, int], ...]:
    """Nearest whole widths m to a n, and m q - p n for a = p/q: whole numbers throughout, so exact."""
    whole, rest = divmod(aspect.numerator * height, aspect.denominator)
    below, above = (whole, -rest), (whole + 1, aspect.denominator - rest)
    if 2 * rest == aspect.denominator:
        return (below, above)
    return (below,) if 2 * rest < aspect.denominator else (above,)


def _tidy(width: int, height: int, off: int, aspect: Fraction, step: float, wished: Picture) -> TidySize:
    diagonal_mm = math.hypot(width, height) * step
    return TidySize(
        width_steps=width,
        height_steps=height,
        width_mm=round(width * step, 6),  # a tape step has at most five decimals of a millimeter
        height_mm=round(height * step, 6),
        diagonal_mm=diagonal_mm,
        aspect_error=off / (aspect.numerator * height),
        edge_error_mm=step * off / aspect.denominator,
        diagonal_change_mm=diagonal_mm - wished.diagonal_mm,
    )
