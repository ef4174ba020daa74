"""What is left after the shape: lines to blank, focus, lens memories."""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gantline.core.align.corners import CORNERS
from gantline.core.align.finish import Blank, blanking, focus_depth_mm, memories, out_of_focus_mm
from gantline.core.align.solve import Alignment
from gantline.core.defaults import AlignDefaults
from gantline.core.throw.pinhole import to_wall
from gantline.core.units import pair_text
from gantline.plan.ask import Ask
from gantline.stations.align.solve import aim, aligned, last_round, read_mm, straight
from gantline.stations.common import percent, shift_text
from gantline.stations.throw import pixels_over, zoom_stops


@dataclass(frozen=True, slots=True, kw_only=True)
class MemoryRow:
    """A lens memory: its number, the aspect ratios it serves, by id and as they are read, the largest picture, its settings, the
    share of the light on it."""

    number: int
    ids: tuple[str, ...]
    aspects: tuple[str, ...]
    picture: str
    zoom: str
    shift: str
    light: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Memories:
    """All of them, the screen's own first."""

    rows: tuple[MemoryRow, ...]


def pitch_mm(at: Ask) -> float:
    """From pixel to pixel on the fabric [mm]."""
    wide, count = at(pixels_over)
    return wide / count


def blanks(at: Ask) -> Mapping[str, Blank]:
    """The sides of the last round."""
    last = last_round(at)
    if last is None:
        return {}
    return blanking(
        at(read_mm), pitch_mm=at(pitch_mm), bow_mm={"top": last.top_bow_mm, "bottom": last.bottom_bow_mm}
    )


def depth_mm(at: Ask) -> float | None:
    """How deep the picture is sharp to a pixel, either way [mm]; None without a lens in front of the fabric."""
    pose = at(straight)
    if pose is None:
        return None
    return focus_depth_mm(
        pitch_mm=at(pitch_mm),
        distance_mm=pose.distance_mm,
        ratio=pose.ratio,
        panel_mm=at.default(AlignDefaults.panel_mm),
        f_number=at.default(AlignDefaults.f_number),
    )


def unsharp(at: Ask) -> tuple[str, float] | None:
    """The corner farthest from the plane that is sharp at the center, and how far behind it [mm]; None without a pose."""
    alignment = at(aligned)
    aimed = at(aim) if isinstance(alignment, Alignment) else None
    if not isinstance(alignment, Alignment) or aimed is None:
        return None
    center = to_wall(alignment.pose, np.zeros((1, 2)))
    off = out_of_focus_mm(alignment.pose, to_wall(alignment.pose, aimed.uv), center)
    worst = int(np.abs(off).argmax())
    return CORNERS[worst], float(off[worst])


def memory_table(at: Ask) -> Memories | None:
    """Which lens memory shows which aspect ratio; None without other aspect ratios, or without a lens place."""
    stops = at(zoom_stops)
    if stops is None:
        return None
    numbers = memories(
        [(stop.ratio, stop.shift_h, stop.shift_v) for _, _, stop, _ in stops.stops],
        zoom_step=at.default(AlignDefaults.zoom_step),
        shift_step=at.default(AlignDefaults.shift_step),
    )
    rows = []
    for number in range(1, max(numbers) + 1):
        own = [one for one, its in zip(stops.stops, numbers, strict=True) if its == number]
        stop = max((one[2] for one in own), key=lambda one: one.picture.width_mm * one.picture.height_mm)
        row = MemoryRow(
            number=number,
            ids=tuple(one[0] for one in own),
            aspects=tuple(dict.fromkeys(one[1] for one in own)),
            picture=pair_text(stop.picture.width_mm, stop.picture.height_mm, at.units),
            zoom=f"{stop.ratio:.3f} : 1",
            shift=shift_text(stop.shift_v),
            light=percent(stop.light_share),
        )
        rows.append(row)
    return Memories(rows=tuple(rows))
