"""Where the frame goes when the picture was set first, on the bare wall.

Source: of all level rectangles of one size, the one nearest to four points (least squares) has their mean as its middle; a
picture is level when its corners are, not when the middle of its edge is. Leaves out: a wall that is not flat (see the belly
of the wall), and the bowed top edge of a cabinet-top lens.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.align.corners import CORNERS, outside_from, viewable_corners
from gantline.core.errors import OutOfRange, require_positive
from gantline.core.throw.pinhole import Array

SQUARE_SHARE = 0.25  # of the size: what is farther off is no corner of this picture


@dataclass(frozen=True, slots=True, kw_only=True)
class Pictured:
    """The picture on the bare wall: its middle [mm from the left wall end, above the floor], mean width and height [mm], how much
    its right end stands over its left [mm over its width], and how far each corner stands outside a level rectangle of the size
    that was to be thrown (8,) [mm]."""

    center_mm: tuple[float, float]
    width_mm: float
    height_mm: float
    tilt_mm: float
    outside_mm: tuple[float, ...]

    @property
    def farthest(self) -> tuple[str, float]:
        """The corner that stands farthest from where it should, and by how much [mm]."""
        misses = [math.hypot(*self.outside_mm[2 * at : 2 * at + 2]) for at in range(len(CORNERS))]
        worst = max(range(len(CORNERS)), key=misses.__getitem__)
        return CORNERS[worst], misses[worst]


def pictured(corners_mm: Sequence[tuple[float, float]], *, width_mm: float, height_mm: float) -> Pictured:
    """The picture from its corners, top left, top right, bottom right, bottom left [mm], and the size to be thrown [mm].

    Raises: OutOfRange, where the four are not in that order or far from that size.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm)
    corners: Array = np.array(corners_mm, dtype=float).reshape(4, 2)
    middle = corners.mean(axis=0)
    wanted = viewable_corners(width_mm, height_mm) + middle
    off = np.abs(corners - wanted)
    worst = int((off / (width_mm, height_mm)).max(axis=1).argmax())
    if float((off[worst] / (width_mm, height_mm)).max()) > SQUARE_SHARE:
        raise OutOfRange(
            "these are not the four corners of this picture, in the order top left, top right, bottom right, bottom left",
            corner=CORNERS[worst],
            off_mm=float(off[worst].max()),
        )
    tl, tr, br, bl = corners
    return Pictured(
        center_mm=(float(middle[0]), float(middle[1])),
        width_mm=float(tr[0] - tl[0] + br[0] - bl[0]) / 2.0,
        height_mm=float(tl[1] - bl[1] + tr[1] - br[1]) / 2.0,
        tilt_mm=float(tr[1] - tl[1] + br[1] - bl[1]) / 2.0,
        outside_mm=tuple(outside_from(corners, wanted).tolist()),
    )
