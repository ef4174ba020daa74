"""A cabinet-top projector: where its body stands, how high the cabinet is, and what a millimeter does."""

from dataclasses import dataclass

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.throw.window import PanelImage


@dataclass(frozen=True, slots=True, kw_only=True)
class CabinetBody:
    """A cabinet-top projector's record: throw ratio R from the lens, offset o (bottom of the panel's image
    above the lens, share of H_p), and its body [mm]. Raises OutOfRange for a ratio that is not positive."""

    ratio: float
    offset: float
    lens_to_back_mm: float
    lens_above_base_mm: float
    depth_mm: float

    def __post_init__(self) -> None:
        require_positive(ratio=self.ratio, depth_mm=self.depth_mm)
        require_not_negative(offset=self.offset, lens_above_base_mm=self.lens_above_base_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class CabinetPlace:
    """Lens to fabric, bare wall to body, base of the feet above the floor, lens above the floor,
    depth the furniture needs out of the wall [mm]; and what 1 mm nearer or farther does [mm]."""

    distance_mm: float
    gap_mm: float
    base_mm: float
    lens_y_mm: float
    depth_needed_mm: float
    width_per_mm: float
    bottom_per_mm: float
    top_per_mm: float


def cabinet_place(
    body: CabinetBody, panel: PanelImage, *, picture_centre_mm: float, fabric_mm: float
) -> CabinetPlace:
    """The place that fills a picture hung at a height; the picture is centred on the panel's image.

    Args: picture_centre_mm above the floor; fabric_mm, bare wall to fabric. A gap_mm below 0: the body
        would stand in the wall.
    Source: Z = R W_p; image bottom = lens + o H_p, so lens = center - (1/2 + o) H_p; sensitivities
        dW/dZ = 1/R, d bottom/dZ = o/(R p), d top/dZ = (1 + o)/(R p), the slope of the rays there.
    Leaves out: the bowed edge of such lenses.
    """
    aspect = panel.width_mm / panel.height_mm
    distance = body.ratio * panel.width_mm
    lens_y = picture_centre_mm - (0.5 + body.offset) * panel.height_mm
    gap = distance + fabric_mm - body.lens_to_back_mm
    return CabinetPlace(
        distance_mm=distance, gap_mm=gap, base_mm=lens_y - body.lens_above_base_mm, lens_y_mm=lens_y,
        depth_needed_mm=gap + body.depth_mm, width_per_mm=1.0 / body.ratio,
        bottom_per_mm=body.offset / (body.ratio * aspect), top_per_mm=(1.0 + body.offset) / (body.ratio * aspect),
    )  # fmt: skip


def picture_centre_mm(body: CabinetBody, panel: PanelImage, *, base_mm: float) -> float:
    """Where the picture's center comes to lie for a cabinet that is there: the inverse of cabinet_place [mm]."""
    return base_mm + body.lens_above_base_mm + (0.5 + body.offset) * panel.height_mm
