"""Corner readings: how far each picture corner stands outside the corner of the viewable area."""

from collections.abc import Sequence

import numpy as np

from gantline.core.throw.pinhole import Array

CORNERS = ("tl", "tr", "br", "bl")
READINGS = tuple(f"{corner}_{side}" for corner in CORNERS for side in ("x", "y"))
# of each corner, x right, y up
OUTWARD: Array = np.array([(-1.0, 1.0), (1.0, 1.0), (1.0, -1.0), (-1.0, -1.0)])
NAMES = {"tl": "top left", "tr": "top right", "br": "bottom right", "bl": "bottom left"}


def viewable_corners(width_mm: float, height_mm: float) -> Array:
    """Corners (4, 2) [mm] of the viewable area about its middle, in the order of CORNERS."""
    corners: Array = OUTWARD * np.array([width_mm, height_mm]) / 2.0
    return corners


def corners_from(outside_mm: Sequence[float | None], view: Array) -> Array:
    """Where the picture's corners stand (4, 2) [mm] from eight readings, + outside; NaN for what was not read."""
    read = np.array([np.nan if off_mm is None else off_mm for off_mm in outside_mm], dtype=float).reshape(
        4, 2
    )
    corners: Array = view + OUTWARD * read
    return corners


def outside_from(corners: Array, view: Array) -> Array:
    """The eight readings (8,) [mm] of corners (4, 2): the inverse."""
    return ((corners - view) * OUTWARD).reshape(-1)


def allowed_mm(overspill_mm: float, usual_mm: float) -> float:
    """How far a corner may stand from its place [mm]: the overspill, or the usual tolerance where there is less."""
    return max(overspill_mm, usual_mm)


def farthest_mm(outside_mm: Sequence[float | None], wanted_mm: float) -> float | None:
    """The largest miss of a reading [mm]; None where none was read."""
    return max((abs(off_mm - wanted_mm) for off_mm in outside_mm if off_mm is not None), default=None)


def spoken(reading: str) -> str:
    """A reading's key as it is said: tl_x is top left, sideways."""
    corner, _, side = reading.partition("_")
    return f"{NAMES[corner]}, {'sideways' if side == 'x' else 'up and down'}"
