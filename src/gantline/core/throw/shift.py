"""How far the lens must shift the picture, and whether it can."""

import math
from dataclasses import dataclass
from enum import StrEnum

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.throw.window import PanelImage

ROUNDING = 1e-12  # share; a need equal to the reach is inside in spite of binary rounding


class ReachShape(StrEnum):
    """How vertical and horizontal reach combine."""

    RECTANGLE = "rectangle"
    DIAMOND = "diamond"


@dataclass(frozen=True, slots=True, kw_only=True)
class ShiftReach:
    """Shift reach as shares of the panel image: up and down of its height, side of its width.

    0 everywhere is a projector without shift. Raises OutOfRange if one is negative.
    """

    up: float
    down: float
    side: float
    shape: ReachShape = ReachShape.RECTANGLE

    def __post_init__(self) -> None:
        require_not_negative(up=self.up, down=self.down, side=self.side)


def left_sideways(reach: ShiftReach, sideways: float) -> float:
    """Share of the vertical reach that is left at a sideways shift (share, any sign): 1 - |s_h| / U in a diamond.

    1 in a rectangle, and in a diamond without sideways reach.
    """
    if reach.shape is not ReachShape.DIAMOND or reach.side <= 0.0:
        return 1.0
    return max(0.0, 1.0 - abs(sideways) / reach.side)


@dataclass(frozen=True, slots=True, kw_only=True)
class ShiftNeed:
    """What the place of the lens asks for and what the reach leaves; all as shares.

    vertical = s_v (+ picture above the lens), horizontal = s_h (+ picture right of it), both beyond
    what a fixed offset already gives. excess_* are 0 inside the reach, signed like the need outside.
    move_up_mm and move_right_mm say how the lens must move to come inside [mm]; in a diamond
    move_right_alone_mm is the sideways move that does it without any other, 0 where none does.
    """

    vertical: float
    horizontal: float
    vertical_left: float
    excess_vertical: float
    excess_horizontal: float
    move_up_mm: float
    move_right_mm: float
    move_right_alone_mm: float

    @property
    def reached(self) -> bool:
        """Whether both are inside the reach."""
        return self.excess_vertical == 0.0 and self.excess_horizontal == 0.0


def shift_need(
    *,
    picture_x_mm: float,
    picture_y_mm: float,
    lens_x_mm: float,
    lens_y_mm: float,
    panel: PanelImage,
    reach: ShiftReach,
    offset: float = 0.0,
) -> ShiftNeed:
    """Shift needed from the lens's place against its reach.

    Args: centers of picture and lens on the wall [mm]; offset, the fixed share of H_p by which the
        picture's center lies above (+) or below (-) the lens axis with the shift at rest.
    Returns: ShiftNeed.  Raises: nothing.
    Source: s_v = (y_c - y_l) / H_p, s_h = (x_c - x_l) / W_p; a diamond leaves V (1 - |s_h| / U).
    Leaves out: tilted or turned bodies.
    """
    vertical = (picture_y_mm - lens_y_mm) / panel.height_mm - offset
    horizontal = (picture_x_mm - lens_x_mm) / panel.width_mm
    full = reach.up if vertical >= 0.0 else reach.down
    left = full * left_sideways(reach, horizontal)
    over_v = _excess(vertical, left)
    over_h = _excess(horizontal, reach.side)
    alone = over_h
    if reach.shape is ReachShape.DIAMOND and full > 0.0:
        alone = (
            _excess(horizontal, reach.side * (1.0 - abs(vertical) / full)) if abs(vertical) < full else 0.0
        )
    return ShiftNeed(
        vertical=vertical,
        horizontal=horizontal,
        vertical_left=left,
        excess_vertical=over_v,
        excess_horizontal=over_h,
        move_up_mm=over_v * panel.height_mm,
        move_right_mm=over_h * panel.width_mm,
        move_right_alone_mm=alone * panel.width_mm,
    )


def _excess(need: float, reach: float) -> float:
    over = abs(need) - reach
    return math.copysign(over, need) if over > ROUNDING else 0.0


def fixed_offset(near_edge_share: float, *, from_ceiling: bool) -> float:
    """Place of the picture's center over the lens axis, as a share of H_p, for a body without shift.

    Args: near_edge_share o >= 0, the near edge of the panel's image lies o H_p beyond the axis.
    Returns: + (1/2 + o) standing, - (1/2 + o) hung from the ceiling.  Raises: OutOfRange if o < 0.
    """
    require_not_negative(near_edge_share=near_edge_share)
    center = 0.5 + near_edge_share
    return -center if from_ceiling else center


def offset_seen(rise_mm: float, panel_height_mm: float, *, from_ceiling: bool) -> float | None:
    """The same share as a picture on the wall shows it: its center over the lens axis by the height of the panel's image.

    Args: rise_mm, from the lens axis up to the picture's center, negative below it.
    Returns: None where the picture would reach past its own lens, which no body without shift does: one of the two was read
        wrong.  Raises: OutOfRange unless the panel has a height.
    """
    require_positive(panel_height_mm=panel_height_mm)
    share = rise_mm / panel_height_mm
    return share if (-share if from_ceiling else share) >= 0.5 else None


def near_edge_share(center_share: float) -> float:
    """How far the near edge of the panel's image lies past the axis, a share of its height, from the place of its center."""
    return abs(center_share) - 0.5


def lens_region(
    *, picture_x_mm: float, picture_y_mm: float, panel: PanelImage, reach: ShiftReach, offset: float = 0.0
) -> tuple[tuple[float, float], ...]:
    """Corners of the region of the wall plane in which the lens's shift reaches the picture [mm].

    The inverse of shift_need: y_l = y_c - (s_v + offset) H_p, x_l = x_c - s_h W_p. Four corners,
    anticlockwise; flat where there is no reach. A diamond has its corners on the two axes.
    """
    middle_mm = picture_y_mm - offset * panel.height_mm
    above_mm = middle_mm + reach.down * panel.height_mm  # a lens above the picture shifts it down
    below_mm = middle_mm - reach.up * panel.height_mm
    left_mm, right_mm = picture_x_mm - reach.side * panel.width_mm, picture_x_mm + reach.side * panel.width_mm
    if reach.shape is ReachShape.DIAMOND:
        return (picture_x_mm, below_mm), (right_mm, middle_mm), (picture_x_mm, above_mm), (left_mm, middle_mm)
    return (left_mm, below_mm), (right_mm, below_mm), (right_mm, above_mm), (left_mm, above_mm)
