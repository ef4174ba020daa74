"""Content shapes by zoom: equal height from one lens place, with the stops for zoom and shift."""

from dataclasses import dataclass
from fractions import Fraction

from gantline.core.size.aspect import read_aspect
from gantline.core.throw.by_zoom import ZoomStop, window_for_all, zoom_stop
from gantline.core.throw.places import Wanted
from gantline.core.throw.shift import ShiftReach, shift_need
from gantline.core.throw.window import Lens, PanelImage
from gantline.core.units import pair_text
from gantline.plan.book import Book
from gantline.plan.lens import overspill_mm
from gantline.plan.size import Sized

ROUNDING = 1e-9


@dataclass(frozen=True, slots=True, kw_only=True)
class ZoomRow:
    """One shape from this place, in words; image is the panel's image round the picture [mm]: left, bottom, right, top."""

    aspect: str
    picture: str
    zoom: str
    shift: str
    light: str
    spill: str
    trouble: str
    image_mm: tuple[float, float, float, float]
    index: int


@dataclass(frozen=True, slots=True, kw_only=True)
class ByZoom:
    """All shapes, the screen's own first, and where one place serves them all."""

    rows: tuple[ZoomRow, ...]
    window: str


def by_zoom(book: Book, sized: Sized, wanted: Wanted, lens: Lens, place: tuple[float, float, float]) -> ByZoom:
    """Zoom and shift stops for the screen's own shape and every content shape. place: lens (x, y, Z) [mm]."""
    shapes = [
        (-1, book.job.size.aspect, sized.aspect),
        *((k, text, read_aspect(text)) for k, text in enumerate(book.job.content.shapes)),
    ]
    stops = [(index, text, _stop(book, sized, wanted, lens, place, aspect)) for index, text, aspect in shapes]
    near, far = window_for_all(lens, tuple(stop.panel for _, _, stop in stops))
    fabric = wanted.near_mm - lens.ratio_low * wanted.panel.width_mm
    window = f"{book.text(near + fabric)} to {book.text(far + fabric)} from the wall serves all shapes"
    if near > far:
        window = f"no place serves all shapes: the zoom reaches {lens.ratio_high / lens.ratio_low:.2f}, needed {near / far * lens.ratio_high / lens.ratio_low:.2f}"
    rows = tuple(_row(book, sized, wanted, lens, place, *one) for one in stops)
    return ByZoom(rows=rows, window=window)


def _stop(book: Book, sized: Sized, wanted: Wanted, lens: Lens, place: tuple[float, float, float], aspect: Fraction) -> ZoomStop:
    return zoom_stop(
        sized.screen.picture, aspect, read_aspect(book.job.throw.panel_aspect), overspill_mm=overspill_mm(book),
        distance_mm=place[2], rise_mm=wanted.picture_y_mm - place[1], aside_mm=wanted.picture_x_mm - place[0],
        ratio_low=lens.ratio_low, offset=wanted.offset,
    )  # fmt: skip


def _row(
    book: Book, sized: Sized, wanted: Wanted, lens: Lens, place: tuple[float, float, float], index: int, text: str, stop: ZoomStop
) -> ZoomRow:
    trouble = []
    if stop.ratio < lens.ratio_low * (1 - ROUNDING):
        trouble.append("zoom: too near for it")
    if stop.ratio > lens.ratio_high * (1 + ROUNDING):
        trouble.append("zoom: too far for it")
    if not _reaches(wanted, stop.panel, wanted.reach, place):
        trouble.append("shift out of reach")
    up = "up" if stop.shift_v >= 0 else "down"
    half_w, half_h = stop.panel.width_mm / 2.0, stop.panel.height_mm / 2.0
    x, y = wanted.picture_x_mm, wanted.picture_y_mm
    return ZoomRow(
        aspect=text, picture=pair_text(stop.picture.width_mm, stop.picture.height_mm, book.units), zoom=f"{stop.ratio:.2f} : 1",
        shift=f"{100 * abs(stop.shift_v):.1f} % {up}", light=f"{100 * stop.light_share:.0f} %", spill=_spill(book, sized, stop),
        trouble=", ".join(trouble), image_mm=(x - half_w, y - half_h, x + half_w, y + half_h), index=index,
    )  # fmt: skip


def _reaches(wanted: Wanted, panel: PanelImage, reach: ShiftReach, place: tuple[float, float, float]) -> bool:
    need = shift_need(
        picture_x_mm=wanted.picture_x_mm, picture_y_mm=wanted.picture_y_mm, lens_x_mm=place[0], lens_y_mm=place[1], panel=panel,
        reach=reach, offset=wanted.offset,
    )  # fmt: skip
    return max(abs(need.move_up_mm), abs(need.move_right_mm)) <= wanted.slack_mm


def _spill(book: Book, sized: Sized, stop: ZoomStop) -> str:
    """The unused panel's grey light past the picture: on the border, or past it on the wall."""
    border, least = sized.screen.border, book.shop["zoom_spill_mm"]
    out = []
    for past, face, where in (
        (stop.spill_level_mm, min(border.top_mm, border.bottom_mm), "above and below"),
        (stop.spill_side_mm, border.side_mm, "at the sides"),
    ):
        if past > least:
            on_wall = past - face
            out.append(
                f"{book.text(past)} {where}"
                + (f", {book.text(on_wall)} of it on the wall" if on_wall > least else ", on the border")
            )
    return "; ".join(out) or "none"
