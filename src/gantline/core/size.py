"""From one number to width, height and diagonal; the border and the overall size.

The diagonal is always that of the viewable area W x H, never of the frame.
"""

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache

from gantline.core.errors import DesignError, require_not_negative, require_positive

ASPECTS: Mapping[str, Fraction] = {
    "4:3": Fraction(4, 3),
    "16:10": Fraction(16, 10),
    "16:9": Fraction(16, 9),
    "1.85": Fraction(185, 100),
    "2.00": Fraction(2),
    "2.35": Fraction(235, 100),
    "64:27": Fraction(64, 27),
    "2.39": Fraction(239, 100),
    "2.40": Fraction(240, 100),
}
NARROWEST, WIDEST = Fraction(1, 2), Fraction(5)


class BadAspect(DesignError):
    """The text is no aspect, or one no screen is made in."""

    code = "bad-aspect"


def read_aspect(text: str) -> Fraction:
    """An aspect as an exact fraction: 16/9 for "16:9", 239/100 for "2.39".

    Returns: width over height.  Raises: BadAspect unless it reads and lies from 1:2 to 5:1.
    """
    bare = text.strip()
    if bare in ASPECTS:
        return ASPECTS[bare]
    found = re.fullmatch(r"(\d{1,5}(?:\.\d{1,4})?)(?:\s*[:/x×]\s*(\d{1,5}(?:\.\d{1,4})?))?", bare)
    if found is None or not Fraction(found[2] or 1):
        raise BadAspect(f"“{bare[:30]}” is no aspect: write 16:9, 2.39 or 12:5.", typed=bare[:30])
    aspect = Fraction(found[1]) / Fraction(found[2] or 1)
    if not NARROWEST <= aspect <= WIDEST:
        raise BadAspect(f"An aspect lies from 1:2 to 5:1; “{bare[:30]}” does not.", typed=bare[:30])
    return aspect


class Lead(StrEnum):
    """Which one number the size starts from."""

    DIAGONAL = "diagonal"
    WIDTH = "width"
    HEIGHT = "height"


@dataclass(frozen=True, slots=True, kw_only=True)
class Picture:
    """The viewable area [mm]. Raises OutOfRange unless both are > 0."""

    width_mm: float
    height_mm: float

    def __post_init__(self) -> None:
        require_positive(width_mm=self.width_mm, height_mm=self.height_mm)

    @property
    def diagonal_mm(self) -> float:
        """Corner to corner of the viewable area [mm]."""
        return math.hypot(self.width_mm, self.height_mm)


def picture_from(lead: Lead, value_mm: float, aspect: Fraction) -> Picture:
    """Width and height from any one of diagonal, width or height.

    Args: value_mm [mm] > 0, what `lead` names; aspect width over height.
    Returns: the exact Picture.  Raises: OutOfRange unless value_mm > 0.
    Source: H = D / sqrt(1 + a^2), W = a H (Pythagoras).
    """
    require_positive(value_mm=value_mm)
    ratio = float(aspect)
    match lead:
        case Lead.DIAGONAL:
            height_mm = value_mm / math.hypot(1.0, ratio)
        case Lead.WIDTH:
            height_mm = value_mm / ratio
        case Lead.HEIGHT:
            height_mm = value_mm
    return Picture(width_mm=height_mm * ratio, height_mm=height_mm)


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


@lru_cache(maxsize=128)  # pure, and asked again for every step of a drag
def tidy_sizes(
    wished: Picture, aspect: Fraction, grid: Fraction, *, span_share: float, ratio_error: float
) -> tuple[TidySize, ...]:
    """Sizes with both sides on the grid, close to the wished one and almost exactly in ratio.

    Args: wished, the exact picture; grid [mm] > 0, exact; span_share, how far the height may lie
        from the wished one, ends included; ratio_error, the largest |m/n / a - 1| kept.
    Returns: exact ratios first, then by closeness to the wished diagonal, then by |error|; may be
        empty. edge_error_mm = g (m - a n), + means too wide.  Raises: OutOfRange unless grid > 0.
    Source: search over all heights n g in the span, width m g with m nearest to a n, both at a tie.
    """
    require_positive(grid=float(grid))
    step = float(grid)
    slack = 1e-9 * wished.height_mm
    low = math.ceil((wished.height_mm * (1 - span_share) - slack) / step)
    high = math.floor((wished.height_mm * (1 + span_share) + slack) / step)
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
        width_mm=round(width * step, 6),  # a tape step has at most five decimals of a millimetre
        height_mm=round(height * step, 6),
        diagonal_mm=diagonal_mm,
        aspect_error=off / (aspect.numerator * height),
        edge_error_mm=step * off / aspect.denominator,
        diagonal_change_mm=diagonal_mm - wished.diagonal_mm,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Border:
    """Face width of the border on each side of the viewable area [mm], 0 for edgeless."""

    side_mm: float = 0.0
    top_mm: float = 0.0
    bottom_mm: float = 0.0

    def __post_init__(self) -> None:
        require_not_negative(side_mm=self.side_mm, top_mm=self.top_mm, bottom_mm=self.bottom_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class Screen:
    """The picture with its border. The border never goes into the diagonal."""

    picture: Picture
    border: Border

    @property
    def overall_width_mm(self) -> float:
        """W_f = W + 2 b_side [mm]."""
        return self.picture.width_mm + 2.0 * self.border.side_mm

    @property
    def overall_height_mm(self) -> float:
        """H_f = H + b_top + b_bottom [mm]."""
        return self.picture.height_mm + self.border.top_mm + self.border.bottom_mm

    @property
    def overall_diagonal_mm(self) -> float:
        """Corner to corner of the frame [mm], both of which are measured for square."""
        return math.hypot(self.overall_width_mm, self.overall_height_mm)


def with_overspill(picture: Picture, overspill_side_mm: float) -> Picture:
    """The picture that is thrown: overspill by zoom keeps the shape, o_s / a at top and bottom.

    Args: overspill_side_mm [mm] >= 0 at each side.  Raises: OutOfRange if negative.
    """
    require_not_negative(overspill_side_mm=overspill_side_mm)
    grown = 1.0 + 2.0 * overspill_side_mm / picture.width_mm
    return Picture(width_mm=picture.width_mm * grown, height_mm=picture.height_mm * grown)
