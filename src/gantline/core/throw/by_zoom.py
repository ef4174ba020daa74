"""Content shapes shown by zooming: at equal height on a wide screen, where one place serves both."""

from dataclasses import dataclass
from fractions import Fraction

from gantline.core.size.content import shown
from gantline.core.size.picture import Picture, with_overspill
from gantline.core.throw.window import Lens, PanelImage, panel_image


@dataclass(frozen=True, slots=True, kw_only=True)
class ZoomStop:
    """One shape at a lens place: its panel image, throw ratio, zoom over the wide end, sideways and vertical
    shift (shares of its own panel image), the share of the panel's light on the picture, and how far the
    unused panel reaches past the screen at each side and at top and bottom [mm]; negative is inside it."""

    panel: PanelImage
    picture: Picture
    ratio: float
    zoom: float
    shift_v: float
    shift_h: float
    light_share: float
    spill_side_mm: float
    spill_level_mm: float


def zoom_stop(
    screen: Picture, content: Fraction, panel_aspect: Fraction, *, overspill_mm: float, distance_mm: float,
    rise_mm: float, aside_mm: float, ratio_low: float, offset: float,
) -> ZoomStop:  # fmt: skip
    """Zoom and shift for one shape from a lens place.

    Args: rise_mm and aside_mm, the picture's center above and right of the lens; offset, fixed share of H_p.
    Source: R = Z / W_p, s_v = rise/H_p - offset, s_h = aside/W_p; light on the picture = its share of the panel.
        The shift grows as H_p shrinks, so it is asked for at every shape.
    """
    picture = shown(screen, content).picture
    panel = panel_image(with_overspill(picture, overspill_mm), panel_aspect)
    ratio = distance_mm / panel.width_mm
    return ZoomStop(
        panel=panel, picture=picture, ratio=ratio, zoom=ratio / ratio_low, shift_v=rise_mm / panel.height_mm - offset,
        shift_h=aside_mm / panel.width_mm,
        light_share=picture.width_mm * picture.height_mm / (panel.width_mm * panel.height_mm),
        spill_side_mm=(panel.width_mm - screen.width_mm) / 2.0, spill_level_mm=(panel.height_mm - screen.height_mm) / 2.0,
    )  # fmt: skip


def window_for_all(lens: Lens, panels: tuple[PanelImage, ...]) -> tuple[float, float]:
    """Z that serves every shape: [R_low W_big, R_high W_small] [mm]; the first is larger where none does."""
    return lens.ratio_low * max(panel.width_mm for panel in panels), lens.ratio_high * min(
        one.width_mm for one in panels
    )
