"""Aspect ratios by zoom, and the joists near the lens."""

from dataclasses import dataclass

from gantline.core.defaults import ThrowDefaults
from gantline.core.throw.by_zoom import ZoomStop
from gantline.core.units import pair_text
from gantline.plan.ask import Ask
from gantline.plan.finding import Change
from gantline.stations.common import percent, shift_text, way_words
from gantline.stations.size import screen
from gantline.stations.throw.place_findings import lens_change
from gantline.stations.throw.places import JoistPlace, joist_places
from gantline.stations.throw.zoom import Stops, zoom_stops

ROUNDING = 1e-9


@dataclass(frozen=True, slots=True, kw_only=True)
class ZoomRow:
    """One aspect ratio from this place, in words."""

    id: str
    aspect: str
    picture: str
    zoom: str
    shift: str
    light: str
    spill: str
    trouble: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ByZoom:
    """All aspect ratios, the screen's own first, and where one place serves them all."""

    rows: tuple[ZoomRow, ...]
    window: str


@dataclass(frozen=True, slots=True, kw_only=True)
class JoistRow:
    """One joist: where it is, where the lens comes with the plate on it, how far that is, whether it fits there."""

    number: int
    center: str
    lens: str
    move: str
    here: bool
    fits: bool
    changes: tuple[Change, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class JoistTable:
    """The joists nearest to the plate, near first."""

    rows: tuple[JoistRow, ...]


def by_zoom(at: Ask) -> ByZoom | None:
    """Zoom and shift stops in words."""
    stops = at(zoom_stops)
    if stops is None:
        return None
    window = f"{at.text(stops.near_mm)} to {at.text(stops.far_mm)} from the wall serves all aspect ratios"
    if stops.near_mm > stops.far_mm:
        zoom = stops.lens.ratio_high / stops.lens.ratio_low
        wide = max(stop.panel.width_mm for _, _, stop, _ in stops.stops)
        narrow = min(stop.panel.width_mm for _, _, stop, _ in stops.stops)
        window = f"No place serves all aspect ratios: the zoom reaches {zoom:.2f}, needed {wide / narrow:.2f}"
    return ByZoom(rows=tuple(_zoom(at, stops, *one) for one in stops.stops), window=window)


def joists(at: Ask) -> JoistTable | None:
    """The joists in words."""
    places = at(joist_places)
    return JoistTable(rows=tuple(_joist(at, place) for place in places)) if places else None


def _zoom(at: Ask, stops: Stops, key: str, text: str, stop: ZoomStop, reaches: bool) -> ZoomRow:
    trouble = []
    if stop.ratio < stops.lens.ratio_low * (1 - ROUNDING):
        trouble.append("too close for its zoom")
    if stop.ratio > stops.lens.ratio_high * (1 + ROUNDING):
        trouble.append("too far for its zoom")
    if not reaches:
        trouble.append("beyond the lens shift")
    return ZoomRow(
        id=key,
        aspect=text,
        picture=pair_text(stop.picture.width_mm, stop.picture.height_mm, at.units),
        zoom=f"{stop.ratio:.2f} : 1",
        shift=shift_text(stop.shift_v),
        light=percent(stop.light_share),
        spill=_spill(at, stop),
        trouble=", ".join(trouble),
    )


def _spill(at: Ask, stop: ZoomStop) -> str:
    """Light of the unused panel beyond the picture: on the border, or past it on the wall."""
    border, least = at(screen).border, at.default(ThrowDefaults.zoom_spill_mm)
    out = []
    for past, face, where in (
        (stop.spill_level_mm, min(border.top_mm, border.bottom_mm), "above and below"),
        (stop.spill_side_mm, border.side_mm, "at the sides"),
    ):
        if past > least:
            wall = past - face
            on = f", {at.text(wall)} of it on the wall" if wall > least else ", on the border"
            out.append(f"{at.text(past)} {where}{on}")
    return "; ".join(out) or "none"


def _joist(at: Ask, joist_place: JoistPlace) -> JoistRow:
    choice = joist_place.choice
    return JoistRow(
        number=choice.number,
        center=at.text(choice.centre_mm),
        lens=at.text(choice.lens_mm),
        move=way_words(at, joist_place.axis, choice.move_mm),
        here=abs(choice.move_mm) <= at.default(ThrowDefaults.joist_half_mm),
        fits=joist_place.fits,
        changes=(lens_change(at, joist_place.axis, choice.lens_mm),),
    )
