"""Rounded sizes on offer, and what each aspect ratio shows on this screen."""

from dataclasses import dataclass

from gantline.core.size.aspect import read_aspect
from gantline.core.size.content import MaskLayout, constant_area, shown, side_panel, zoom_needed
from gantline.core.size.tidy import TidySize
from gantline.core.units import pair_text
from gantline.job.field import field_of
from gantline.job.model.size import Content, Size
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, change
from gantline.stations.common import panel_aspect, percent, ratios
from gantline.stations.size.solve import aspect, picked, rounded, screen

SHOWN = 8
MOST_SHAPES = 6


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundedRow:
    """One rounded size on offer, in the job's texts, and the changes that take it."""

    size: str
    diagonal: str
    diagonal_change: str
    aspect_error: str
    edge_error: str
    exact: bool
    chosen: bool
    changes: tuple[Change, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundedSizes:
    """The rounded sizes, best first."""

    rows: tuple[RoundedRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class ShapeRow:
    """One aspect ratio on the screen, in the job's texts. zoom_fits: None while no lens is entered."""

    id: str
    aspect: str
    picture: str
    diagonal: str
    area: str
    mask: str
    panel: str
    zoom: str
    zoom_fits: bool | None
    equal_area: str
    pointer: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Shapes:
    """The aspect ratios shown on this screen; add: where another goes, empty when there is no room for one."""

    rows: tuple[ShapeRow, ...]
    add: str


def rounded_sizes(at: Ask) -> RoundedSizes | None:
    """What is on offer; the one chosen is always among them."""
    near, pick = at(rounded), at(picked)
    if not near:
        return None
    rows = list(near[:SHOWN])
    if pick is not None and pick not in rows:
        rows[-1] = pick
    return RoundedSizes(rows=tuple(_row(at, row, chosen=row is pick) for row in rows))


def masked_shapes(at: Ask) -> tuple[tuple[str, str, MaskLayout], ...]:
    """Id, name and place on the screen of every aspect ratio shown."""
    picture = at(screen).picture
    return tuple(
        (shape.id, shape.aspect, shown(picture, read_aspect(shape.aspect)))
        for shape in at.things(Content.shapes)
    )


def shapes(at: Ask) -> Shapes:
    """Size and masks at constant width, the zoom for constant height, equal area."""
    base = field_of(Content.shapes).pointer
    rows = tuple(_shape(at, base, *shape) for shape in at(masked_shapes))
    return Shapes(rows=rows, add=f"{base}/-" if len(rows) < MOST_SHAPES else "")


def _row(at: Ask, tidy_size: TidySize, *, chosen: bool) -> RoundedRow:
    changed = at.text(tidy_size.diagonal_change_mm)
    value: dict[str, float | str | bool] = {"width_mm": tidy_size.width_mm, "height_mm": tidy_size.height_mm}
    way = "wide" if tidy_size.edge_error_mm > 0 else "narrow"
    return RoundedRow(
        size=pair_text(tidy_size.width_mm, tidy_size.height_mm, at.units),
        diagonal=at.text(tidy_size.diagonal_mm),
        diagonal_change=changed if changed.startswith("−") else f"+{changed}",
        aspect_error="exact"
        if tidy_size.exact
        else f"{100 * tidy_size.aspect_error:+.2f} %".replace("-", "−"),
        edge_error="" if tidy_size.exact else f"{at.fine(abs(tidy_size.edge_error_mm))} {way}",
        exact=tidy_size.exact,
        chosen=chosen,
        changes=(change(Size.tidy, None if chosen else value),),
    )


def _shape(at: Ask, base: str, name: str, text: str, masked: MaskLayout) -> ShapeRow:
    picture, ratio = at(screen).picture, read_aspect(text)
    panel = side_panel(picture, masked, at.field(Content.lap_mm))
    zoom = zoom_needed(at(aspect), ratio, at(panel_aspect))
    lens = at(ratios)
    even = constant_area(picture.width_mm * picture.height_mm, ratio)
    return ShapeRow(
        id=name,
        aspect=text,
        picture=pair_text(masked.picture.width_mm, masked.picture.height_mm, at.units),
        diagonal=at.text(masked.picture.diagonal_mm),
        area=percent(masked.area_share),
        mask=_mask(at, masked),
        panel="" if panel is None else pair_text(panel.width_mm, panel.height_mm, at.units),
        zoom=f"{zoom:.2f}",
        zoom_fits=None if lens is None else zoom <= lens[1] / lens[0] + 1e-9,
        equal_area=pair_text(even.width_mm, even.height_mm, at.units),
        pointer=f"{base}/{name}",
    )


def _mask(at: Ask, masked: MaskLayout) -> str:
    if masked.side_mm > 0.5:
        return f"{at.text(masked.side_mm)} each side"
    return f"{at.text(masked.top_bottom_mm)} top and bottom" if masked.top_bottom_mm > 0.5 else "none"
