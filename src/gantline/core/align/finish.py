"""After the shape: which lines to blank, how deep the picture is sharp, and which lens memory shows what.

Sources: lines on a side = overspill over the pixel's pitch, rounded down, so that no gap opens; depth of focus of a thin lens
of focal length R w (w the panel's width) and opening R w / N: a point is blurred to one pixel q at q Z N / (R w) before or
behind the plane of focus. Leaves out: the lens's own field curvature, and diffraction.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.align.corners import READINGS
from gantline.core.errors import require_positive
from gantline.core.throw.pinhole import Array, Pose

# of each side, the two readings that say how far the picture reaches over it
SIDES: Mapping[str, tuple[str, str]] = {
    "left": ("tl_x", "bl_x"),
    "right": ("tr_x", "br_x"),
    "top": ("tl_y", "tr_y"),
    "bottom": ("bl_y", "br_y"),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Blank:
    """A side: how far the picture reaches over it where it reaches least [mm], minus is a gap; lines to blank."""

    over_mm: float
    lines: int


def blanking(
    outside_mm: Sequence[float | None], *, pitch_mm: float, bow_mm: Mapping[str, float | None] | None = None
) -> dict[str, Blank]:
    """The sides whose two corners were read.

    Args: outside, the eight readings, + outside; pitch, of a pixel; bow, of a side's middle against its corners, + outward.
    Raises: OutOfRange.
    """
    require_positive(pitch_mm=pitch_mm)
    found = {}
    for side, names in SIDES.items():
        corners = [outside_mm[READINGS.index(name)] for name in names]
        both = [corner for corner in corners if corner is not None]
        if len(both) < len(names):
            continue
        middle = sum(both) / 2.0 + ((bow_mm or {}).get(side) or 0.0)
        least = min(*both, middle)
        found[side] = Blank(over_mm=least, lines=max(math.floor(least / pitch_mm + 1e-9), 0))
    return found


def focus_depth_mm(
    *, pitch_mm: float, distance_mm: float, ratio: float, panel_mm: float, f_number: float
) -> float:
    """How far before or behind the plane of focus a point is blurred to one pixel [mm].  Raises: OutOfRange."""
    require_positive(
        pitch_mm=pitch_mm, distance_mm=distance_mm, ratio=ratio, panel_mm=panel_mm, f_number=f_number
    )
    return pitch_mm * distance_mm * f_number / (ratio * panel_mm)


def out_of_focus_mm(pose: Pose, corners_mm: Array, center_mm: Array) -> Array:
    """How far each corner (4, 2) lies behind the plane that is sharp at the center [mm], (4,); minus is before it. The plane of
    focus stands square to the body's axis, so that a turned body cannot be sharp everywhere."""
    axis = pose.turn @ np.array([0.0, 0.0, -1.0])

    def along(points: Array) -> Array:
        off = points - (pose.lens_x_mm, pose.lens_y_mm)
        found: Array = np.column_stack([off, np.full(len(off), -pose.distance_mm)]) @ axis
        return found

    depth: Array = along(corners_mm) - along(center_mm.reshape(1, 2))
    return depth


def memories(
    stops: Sequence[tuple[float, float, float]], *, zoom_step: float, shift_step: float
) -> tuple[int, ...]:
    """For each setting of zoom (throw ratio), shift sideways and up (shares) the number of its lens memory, from 1: those that no
    hand can tell apart share one.  Raises: OutOfRange."""
    require_positive(zoom_step=zoom_step, shift_step=shift_step)
    known: list[tuple[float, float, float]] = []
    numbers = []
    for stop in stops:
        for at, other in enumerate(known, start=1):
            alike = abs(stop[0] / other[0] - 1.0) <= zoom_step
            if alike and all(abs(a - b) <= shift_step for a, b in zip(stop[1:], other[1:], strict=True)):
                numbers.append(at)
                break
        else:
            known.append(stop)
            numbers.append(len(known))
    return tuple(numbers)
