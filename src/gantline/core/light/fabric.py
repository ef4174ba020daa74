"""What a fabric asks of its place: the roll it comes off, and who may sit beside a retro-reflective beam."""

import math

import numpy as np

from gantline.core.light.luminance import Array


def sheet_needed_mm(overall_width_mm: float, overall_height_mm: float, overlap_mm: float) -> float:
    """Roll width a seamless sheet needs [mm]: the shorter side of the frame and the overlap at both its edges.

    Source: no seam in the viewable area, and the sheet may be turned on the roll.
    """
    return min(overall_width_mm, overall_height_mm) + 2.0 * overlap_mm


def apart_deg(point: Array, lens: Array, eye: Array) -> float:
    """Angle at a screen point between lens and eye [deg]; all (3,) [mm].

    Source: acos of the unit vectors' product; a retro-reflective fabric sends light back along the first.
    """
    to_lens, to_eye = lens - point, eye - point
    cosine = float(to_lens @ to_eye / (np.linalg.norm(to_lens) * np.linalg.norm(to_eye)))
    return math.degrees(math.acos(min(1.0, max(-1.0, cosine))))
