"""More than one content shape on one screen: picture, masks, removable panels, strategies."""

import math
from dataclasses import dataclass
from fractions import Fraction

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.size.picture import Picture


@dataclass(frozen=True, slots=True, kw_only=True)
class MaskLayout:
    """Content on a screen [mm]: its picture and the mask at each side (side_mm) or at top and bottom."""

    picture: Picture
    side_mm: float
    top_bottom_mm: float
    area_share: float


def shown(screen: Picture, content: Fraction) -> MaskLayout:
    """The largest picture of an aspect on a screen, centred.

    Source: c < s full height, W_c = c H, side masks (W - W_c)/2; c > s full width, H_c = W/c.
    Raises: OutOfRange unless content > 0.
    """
    ratio = float(content)
    require_positive(content=ratio)
    own = screen.width_mm / screen.height_mm
    width = min(screen.width_mm, ratio * screen.height_mm)
    height = width / ratio if ratio > own else screen.height_mm
    picture = Picture(width_mm=width, height_mm=height)
    return MaskLayout(
        picture=picture,
        side_mm=(screen.width_mm - width) / 2.0,
        top_bottom_mm=(screen.height_mm - height) / 2.0,
        area_share=width * height / (screen.width_mm * screen.height_mm),
    )


@dataclass(frozen=True, slots=True)
class MaskPanel:
    """A removable side panel [mm]."""

    width_mm: float
    height_mm: float


def side_panel(screen: Picture, masked: MaskLayout, lap_mm: float) -> MaskPanel | None:
    """The panel that covers a side mask: (mask + lap) wide, (H + 2 lap) high; None without a side mask."""
    require_not_negative(lap_mm=lap_mm)
    if masked.side_mm < 0.5:
        return None
    return MaskPanel(masked.side_mm + lap_mm, screen.height_mm + 2.0 * lap_mm)


def hold_places_mm(panel: MaskPanel, count: int, edge_mm: float) -> tuple[tuple[float, float], ...]:
    """Where a panel is held, from its lower outer corner, u inward and v up [mm]: evenly along its outer stile.

    Args: count of hold points; edge, from the outer edge to their middle [mm].
    Source: each point carries an equal part of the panel's height.  Leaves out: the panel's own bow.
    """
    return tuple((edge_mm, panel.height_mm * (k + 0.5) / count) for k in range(count))


def zoom_needed(screen_aspect: Fraction, content: Fraction, panel_aspect: Fraction) -> float:
    """Zoom range that shows content and screen at equal height: max(s, p) / max(c, p), at least 1.

    Source: W_big = max(s, p) H over W_small = max(c, p) H; possible if the lens's R_max / R_min is as large.
    """
    big, small = max(screen_aspect, panel_aspect), max(content, panel_aspect)
    return float(max(big / small, small / big))


def constant_area(area_mm2: float, content: Fraction) -> Picture:
    """The picture of an aspect with a given area: W = root(A c), H = root(A / c) [mm]."""
    require_positive(area_mm2=area_mm2)
    return Picture(
        width_mm=math.sqrt(area_mm2 * float(content)), height_mm=math.sqrt(area_mm2 / float(content))
    )
