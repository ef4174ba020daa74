"""The cast pattern that a photo is read by: a white field with twelve square markers, each with a number of its own."""

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Image = NDArray[np.uint8]

ACROSS = (
    0.125,
    0.375,
    0.625,
    0.875,
)  # middles, shares of the panel from its upper left: whole pixels of usual panels
DOWN = (1.0 / 6.0, 0.5, 5.0 / 6.0)
SIDE = 0.075  # of a marker, share of the panel's width
QUIET = 0.012  # white around it, the same
DICTIONARY = cv2.aruco.DICT_4X4_50
COLUMNS, ROWS = 1920, 1080  # of a usual panel, and of others twice as fine
CELLS = 6  # four by four and a black rim


@dataclass(frozen=True, slots=True, kw_only=True)
class Marker:
    """One marker: its number and its corners (u, v), clockwise from the upper left."""

    number: int
    corners: tuple[tuple[float, float], ...]


def used_of(panel: Array) -> tuple[float, float]:
    """Width and height of a picture on the panel, shares of it, from its corners (4, 2), clockwise from the upper left."""
    return float(panel[1, 0] - panel[0, 0]), float(panel[3, 1] - panel[0, 1])


def markers(panel_aspect: float, used: tuple[float, float] = (1.0, 1.0)) -> tuple[Marker, ...]:
    """Every marker on a panel of that aspect, within the middle part of it that the picture uses."""
    half, tall = SIDE / 2.0, SIDE * panel_aspect / 2.0
    return tuple(
        Marker(
            number=row * len(ACROSS) + column,
            corners=((x - half, y - tall), (x + half, y - tall), (x + half, y + tall), (x - half, y + tall)),
        )
        for row, y in enumerate(_whole(0.5 + (one - 0.5) * used[1], ROWS) for one in DOWN)
        for column, x in enumerate(_whole(0.5 + (one - 0.5) * used[0], COLUMNS) for one in ACROSS)
    )


def _whole(share: float, count: int) -> float:
    """The nearest whole pixel of a usual panel, so that it is lit where it is looked for."""
    return round(share * count) / count


def bits(number: int) -> tuple[tuple[bool, ...], ...]:
    """The cells (6 × 6) of a marker, its black rim with them: True is white."""
    drawn = cv2.aruco.generateImageMarker(cv2.aruco.getPredefinedDictionary(DICTIONARY), number, CELLS)
    return tuple(tuple(bool(one > 0) for one in row) for row in drawn)


def pattern(width_px: int, panel_aspect: float, used: tuple[float, float] = (1.0, 1.0)) -> Image:
    """The whole pattern as the projector shows it (height, width): white where the picture is."""
    height = round(width_px / panel_aspect)
    image: Image = np.zeros((height, width_px), dtype=np.uint8)
    left, top = round((0.5 - used[0] / 2.0) * width_px), round((0.5 - used[1] / 2.0) * height)
    image[top : height - top, left : width_px - left] = 255
    for marker in markers(panel_aspect, used):
        (u, v), _, (far_u, far_v), _ = marker.corners
        left, top = round(u * width_px), round(v * height)
        right, low = round(far_u * width_px), round(far_v * height)
        cells = np.array(bits(marker.number), dtype=np.uint8) * 255
        image[top:low, left:right] = cv2.resize(
            cells, (right - left, low - top), interpolation=cv2.INTER_NEAREST
        )
    return image
