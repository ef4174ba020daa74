"""The other way round: which sizes a projector can fill from a place."""

from dataclasses import dataclass

from gantline.core.size.picture import Picture
from gantline.core.throw.shift import ReachShape, ShiftReach
from gantline.core.throw.window import Lens


@dataclass(frozen=True, slots=True, kw_only=True)
class Aim:
    """Lens to fabric, and the picture's center above and right of the lens [mm]; offset, a fixed share of H_p."""

    distance_mm: float
    rise_mm: float
    aside_mm: float
    offset: float = 0.0


def panel_widths_mm(
    lens: Lens, reach: ShiftReach, aim: Aim, panel_aspect: float, *, slack_mm: float
) -> tuple[float, float] | None:
    """Narrowest and widest panel's image [mm] from a place, its center kept; None where there is none.

    Source: W_p in [Z/R_high, Z/R_low]; and, with H_p = W_p/p, a rectangle |rise| <= V H_p + slack and
        |aside| <= U W_p + slack, a diamond |rise|/(V H_p) + |aside|/(U W_p) <= 1, a fixed offset rise = offset H_p.
    """
    low, high = aim.distance_mm / lens.ratio_high, aim.distance_mm / lens.ratio_low
    rise, aside = max(0.0, abs(aim.rise_mm) - slack_mm), max(0.0, abs(aim.aside_mm) - slack_mm)
    if aim.offset:
        exact = aim.rise_mm * panel_aspect / aim.offset
        give = slack_mm * panel_aspect / abs(aim.offset)
        low, high = max(low, exact - give), min(high, exact + give)
        rise = 0.0
    vertical = reach.up if aim.rise_mm >= 0.0 else reach.down
    if (rise and not vertical) or (aside and not reach.side):
        return None
    for_rise = rise * panel_aspect / vertical if rise else 0.0
    for_aside = aside / reach.side if aside else 0.0
    needed = for_rise + for_aside if reach.shape is ReachShape.DIAMOND else max(for_rise, for_aside)
    low = max(low, needed)
    return (low, high) if low <= high + slack_mm / lens.ratio_low else None


def filled_diagonal_mm(
    panel_width_mm: float, picture: Picture, panel_share: float, overspill_mm: float
) -> float:
    """Diagonal of the screen that a panel's image of that width fills, in the shape of `picture` [mm].

    Args: panel_share, width of the panel's image over the thrown picture's (1, or more for a narrow picture).
    Source: W = W_p / share - 2 o, and the diagonal in proportion.
    """
    width = panel_width_mm / panel_share - 2.0 * overspill_mm
    return width * picture.diagonal_mm / picture.width_mm
