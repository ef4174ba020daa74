"""Aspect ratios by zoom: equal height from one lens place, with the stops for zoom and shift."""

from dataclasses import dataclass

from gantline.core.size.aspect import read_aspect
from gantline.core.throw.by_zoom import ZoomStop, window_for_all, zoom_stop
from gantline.core.throw.shift import shift_need
from gantline.core.throw.window import Lens
from gantline.job.model.size import Content, Size
from gantline.plan.ask import Ask
from gantline.stations.common import overspill_mm, panel_aspect
from gantline.stations.size import screen
from gantline.stations.throw.lens import in_front, out_mm, throw_lens
from gantline.stations.throw.places import wanted

OWN = "screen"


@dataclass(frozen=True, slots=True, kw_only=True)
class Stops:
    """The stops by id and aspect ratio, the screen's own first; near and far [mm from the wall] serve them all."""

    stops: tuple[tuple[str, str, ZoomStop, bool], ...]
    near_mm: float
    far_mm: float
    lens: Lens


def zoom_stops(at: Ask) -> Stops | None:
    """The stop of every aspect ratio and whether the shift reaches it; None without any, or without a lens place."""
    place, asked, lens = at(in_front), at(wanted), at(throw_lens)
    shapes = at.things(Content.shapes)
    if place is None or asked is None or not isinstance(lens, Lens) or not shapes:
        return None
    named = [(OWN, at.field(Size.aspect)), *((shape.id, shape.aspect) for shape in shapes)]
    found = []
    for key, text in named:
        stop = zoom_stop(
            at(screen).picture,
            read_aspect(text),
            at(panel_aspect),
            overspill_mm=at(overspill_mm),
            distance_mm=place.distance_mm,
            rise_mm=asked.picture_y_mm - place.y_mm,
            aside_mm=asked.picture_x_mm - place.x_mm,
            ratio_low=lens.ratio_low,
            offset=asked.offset,
        )
        need = shift_need(
            picture_x_mm=asked.picture_x_mm,
            picture_y_mm=asked.picture_y_mm,
            lens_x_mm=place.x_mm,
            lens_y_mm=place.y_mm,
            panel=stop.panel,
            reach=asked.reach,
            offset=asked.offset,
        )
        reaches = max(abs(need.move_up_mm), abs(need.move_right_mm)) <= asked.slack_mm
        found.append((key, text, stop, reaches))
    near, far = window_for_all(lens, tuple(stop.panel for _, _, stop, _ in found))
    out = at(out_mm)  # to the point that distances are measured to
    return Stops(stops=tuple(found), near_mm=near + out, far_mm=far + out, lens=lens)
