"""A photo read for one job: the eight numbers as they are typed, or why it is not trusted."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.align.corners import READINGS, outside_from, viewable_corners
from gantline.core.throw.pinhole import Array
from gantline.plan.ask import Ask
from gantline.stations.align.solve import aim, panel_shares
from gantline.stations.common import panel_aspect
from gantline.stations.size import screen
from gantline.vision.photo import Untrusted, read_gray, read_photo

MOST_BYTES = 25 * 2**20
Points = tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class PhotoReading:
    """What a photo says. trouble: why it is not trusted (empty where it is). outside: the eight readings [mm] by name; sigma: how
    well they are known [mm]; the photo's size, the frame's inner corners and the picture's in it [px], clockwise from the upper
    left; markers: how many were seen."""

    trouble: str
    outside: dict[str, float]
    sigma_mm: float
    width_px: int
    height_px: int
    frame_px: Points
    picture_px: Points
    markers: int


def reading(at: Ask, content: bytes, frame: Sequence[float] | None = None) -> PhotoReading:
    """One photo. frame: its inner corners as somebody moved them, x and y by turns [px]."""
    there = at(aim)
    image = read_gray(content, most=MOST_BYTES)
    high, wide = image.shape
    nothing = PhotoReading(
        trouble="",
        outside={},
        sigma_mm=0.0,
        width_px=wide,
        height_px=high,
        frame_px=(),
        picture_px=(),
        markers=0,
    )
    if there is None:
        return _but(nothing, "Enter the throw ratio and the place of the lens at Throw first.")
    aspect, picture = float(at(panel_aspect)), at(screen).picture
    panel = panel_shares(there, aspect)
    try:
        found = read_photo(
            image,
            width_mm=picture.width_mm,
            height_mm=picture.height_mm,
            panel=panel,
            panel_aspect=aspect,
            frame_px=None if frame is None else np.array(frame, dtype=float).reshape(4, 2),
        )
    except Untrusted as error:
        return _but(nothing, str(error))
    # perspective is removed by the frame as a rectangle, so its corners are those, whether it leans or not
    outside = outside_from(found.corners_mm, viewable_corners(picture.width_mm, picture.height_mm))
    return PhotoReading(
        trouble="",
        outside={f"{key}_mm": round(float(one), 1) for key, one in zip(READINGS, outside, strict=True)},
        sigma_mm=round(found.sigma_mm, 2),
        width_px=wide,
        height_px=high,
        frame_px=_points(found.frame_px),
        picture_px=_points(found.picture_px),
        markers=len(found.seen),
    )


def _points(points: Array) -> Points:
    return tuple((round(float(x), 1), round(float(y), 1)) for x, y in points)


def _but(one: PhotoReading, trouble: str) -> PhotoReading:
    return replace(one, trouble=trouble)
