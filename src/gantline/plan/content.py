"""Content shapes on this screen: picture, masks, panels, and the zoom they would need."""

from dataclasses import dataclass

from gantline.core.size.aspect import read_aspect
from gantline.core.size.content import constant_area, shown, side_panel, zoom_needed
from gantline.core.units import pair_text
from gantline.plan.book import Book
from gantline.plan.size import Sized


@dataclass(frozen=True, slots=True, kw_only=True)
class ShapeRow:
    """One content aspect on the screen, in the job's texts."""

    aspect: str
    picture: str
    diagonal: str
    area: str
    mask: str
    panel: str
    zoom: str
    zoom_fits: bool | None
    equal_area: str
    side_share: float
    top_share: float


def content(book: Book, sized: Sized) -> tuple[ShapeRow, ...]:
    """Each wished shape: size and masks at constant width, the zoom for constant height, equal area."""
    given = book.job.content
    lap_mm = book.shop["mask_lap_mm"] if given.lap_mm is None else given.lap_mm
    if given.shapes:
        book.length("mask_lap", "size", "Lap of mask panels", "/content/lap_mm", given.lap_mm, "mask_lap_mm")
    return tuple(_row(book, sized, text, lap_mm) for text in given.shapes)


def _row(book: Book, sized: Sized, text: str, lap_mm: float) -> ShapeRow:
    screen, aspect = sized.screen.picture, read_aspect(text)
    masked = shown(screen, aspect)
    panel = side_panel(screen, masked, lap_mm)
    zoom = zoom_needed(sized.aspect, aspect, read_aspect(book.job.throw.panel_aspect))
    lens = book.job.throw
    fits = None if lens.ratio_low is None or lens.ratio_high is None else zoom <= lens.ratio_high / lens.ratio_low + 1e-9
    even = constant_area(screen.width_mm * screen.height_mm, aspect)
    sides, top = masked.side_mm > 0.5, masked.top_bottom_mm > 0.5
    mask = (
        f"{book.text(masked.side_mm)} each side"
        if sides
        else f"{book.text(masked.top_bottom_mm)} top and bottom"
        if top
        else "none"
    )
    return ShapeRow(
        aspect=text,
        picture=pair_text(masked.picture.width_mm, masked.picture.height_mm, book.units),
        diagonal=book.text(masked.picture.diagonal_mm),
        area=f"{100 * masked.area_share:.0f} %",
        mask=mask,
        panel="" if panel is None else pair_text(panel.width_mm, panel.height_mm, book.units),
        zoom=f"{zoom:.2f}",
        zoom_fits=fits,
        equal_area=pair_text(even.width_mm, even.height_mm, book.units),
        side_share=masked.side_mm / screen.width_mm,
        top_share=masked.top_bottom_mm / screen.height_mm,
    )
