"""A photo read for one job: the eight numbers as they are typed, or why it is not trusted."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise

import cv2
import numpy as np
from numpy.typing import NDArray

from gantline.core.align.corners import READINGS, outside_from, viewable_corners
from gantline.core.throw.pinhole import Array
from gantline.core.units import LengthStyle, plain
from gantline.job.model.frame import Trim
from gantline.plan.ask import Ask
from gantline.stations.align.solve import aim, panel_shares
from gantline.stations.common import panel_aspect
from gantline.stations.size import screen
from gantline.vision.files import read_gray
from gantline.vision.photo import guessed_px, read_photo
from gantline.vision.untrusted import Untrusted

MOST_BYTES = 25 * 2**20
DASHES = 24  # a side
BARE = (LengthStyle.INCH_FRACTIONS, LengthStyle.MILLIMETERS)
FRAME_BGR, PICTURE_BGR = (0, 160, 240), (240, 160, 60)
Points = tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class PhotoReading:
    """What a photo says. trouble: why it is not trusted (empty where it is). outside: the eight readings [mm] by name, and typed,
    as they are entered in the job's unit; sigma: how well they are known [mm], and said; the photo's size, the frame's inner
    corners and the picture's in it [px], clockwise from the upper left; of a photo that is not trusted, where the corners may be,
    to be set by hand; markers: how many were seen."""

    trouble: str
    outside: dict[str, float]
    typed: dict[str, str]
    sigma_mm: float
    said: str
    width_px: int
    height_px: int
    frame_px: Points
    picture_px: Points
    markers: int


def reading(at: Ask, content: bytes, frame: Sequence[float] | None = None) -> PhotoReading:
    """One photo. frame: its inner corners as somebody moved them, x and y by turns [px]."""
    aimed = at(aim)
    image = read_gray(content, most=MOST_BYTES)
    high, wide = image.shape
    nothing = PhotoReading(
        trouble="",
        outside={},
        typed={},
        sigma_mm=0.0,
        said="",
        width_px=wide,
        height_px=high,
        frame_px=(),
        picture_px=(),
        markers=0,
    )
    if aimed is None:
        return _but(nothing, "Enter the throw ratio and the place of the lens at Throw first.")
    aspect, picture = float(at(panel_aspect)), at(screen).picture
    panel = panel_shares(aimed, aspect)
    try:
        photo = read_photo(
            image,
            width_mm=picture.width_mm,
            height_mm=picture.height_mm,
            panel=panel,
            panel_aspect=aspect,
            frame_px=None if frame is None else np.array(frame, dtype=float).reshape(4, 2),
            proud_mm=at.field(Trim.before_mm),
        )
    except Untrusted as error:
        guess = guessed_px(image, panel=panel, panel_aspect=aspect)
        return replace(_but(nothing, str(error)), frame_px=() if guess is None else _points(guess))
    # perspective is removed by the frame as a rectangle, so its corners are those, whether it leans or not
    outside = outside_from(photo.corners_mm, viewable_corners(picture.width_mm, picture.height_mm))
    read = {f"{key}_mm": round(float(value), 1) for key, value in zip(READINGS, outside, strict=True)}
    return PhotoReading(
        trouble="",
        outside=read,
        typed={key: _bare(at, value) for key, value in read.items()},
        sigma_mm=round(photo.sigma_mm, 2),
        said=at.fine(photo.sigma_mm) if at.units.unit_mm == 1.0 else at.text(at.up(photo.sigma_mm)),
        width_px=wide,
        height_px=high,
        frame_px=_points(photo.frame_px),
        picture_px=_points(photo.picture_px),
        markers=len(photo.seen),
    )


def _bare(at: Ask, value_mm: float) -> str:
    """A reading as it is typed where the job's own unit goes without saying."""
    text = plain(at.exact(value_mm))
    return text.removesuffix(" in").removesuffix(" mm") if at.units.style in BARE else text


def drawn_in(content: bytes, photo_reading: PhotoReading, wide_px: int = 1000) -> bytes:
    """The photo as a JPEG with the corners found in it: the frame's inner edge drawn through, the picture's dashed."""
    image = read_gray(content, most=MOST_BYTES)
    share = wide_px / image.shape[1]
    small = cv2.cvtColor(
        cv2.resize(image, None, fx=share, fy=share, interpolation=cv2.INTER_AREA), cv2.COLOR_GRAY2BGR
    )
    if photo_reading.frame_px:
        cv2.polylines(small, [_whole(photo_reading.frame_px, share)], True, FRAME_BGR, 3, cv2.LINE_AA)
    for a, b in pairwise([*photo_reading.picture_px, *photo_reading.picture_px[:1]]):
        ends = np.array([a, b]) * share
        cuts = np.linspace(ends[0], ends[1], 2 * DASHES + 1)
        for one in range(0, 2 * DASHES, 2):
            start, end = (tuple(round(cut) for cut in cuts[number]) for number in (one, one + 1))
            cv2.line(small, start, end, PICTURE_BGR, 2, cv2.LINE_AA)
    return bytes(cv2.imencode(".jpg", small, [cv2.IMWRITE_JPEG_QUALITY, 85])[1])


def _whole(points: Points, share: float) -> NDArray[np.int32]:
    pixels: NDArray[np.int32] = np.round(np.array(points) * share).astype(np.int32)
    return pixels


def _points(points: Array) -> Points:
    return tuple((round(float(x), 1), round(float(y), 1)) for x, y in points)


def _but(photo_reading: PhotoReading, trouble: str) -> PhotoReading:
    return replace(photo_reading, trouble=trouble)
