"""From one number to width, height and diagonal; the border and the overall size.

The diagonal is always that of the viewable area W x H, never of the frame.
"""

import math
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from gantline.core.errors import require_not_negative, require_positive


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


def as_built(planned: Screen, wide_mm: float | None, high_mm: float | None) -> Screen | None:
    """A screen whose frame was measured: the border is what is left beside the picture, shared as it was planned.

    Args: wide, high, overall as measured [mm]; None: not measured.  Returns: None where the frame is smaller than the picture.
    """
    more_wide = 0.0 if wide_mm is None else (wide_mm - planned.overall_width_mm) / 2.0
    more_high = 0.0 if high_mm is None else (high_mm - planned.overall_height_mm) / 2.0
    side, top, bottom = planned.border.side_mm, planned.border.top_mm, planned.border.bottom_mm
    faces = (side + more_wide, top + more_high, bottom + more_high)
    if min(faces) < 0.0:
        return None
    return Screen(
        picture=planned.picture, border=Border(side_mm=faces[0], top_mm=faces[1], bottom_mm=faces[2])
    )


def with_overspill(picture: Picture, overspill_side_mm: float) -> Picture:
    """The picture that is thrown: overspill by zoom keeps the shape, o_s / a at top and bottom.

    Args: overspill_side_mm [mm] >= 0 at each side.  Raises: OutOfRange if negative.
    """
    require_not_negative(overspill_side_mm=overspill_side_mm)
    grown = 1.0 + 2.0 * overspill_side_mm / picture.width_mm
    return Picture(width_mm=picture.width_mm * grown, height_mm=picture.height_mm * grown)
