"""How a seat sees the screen: viewing angle, neck, pixels.

All arrays broadcast. d is a seat's distance from the fabric plane, u its offset from the screen
center (+ right, facing the wall), heights count from the finished floor; lengths [mm], angles [deg].
"""

import numpy as np
from numpy.typing import ArrayLike, NDArray

from gantline.core.errors import OutOfRange, require_positive

Array = NDArray[np.float64]


ARC_MINUTE_DEG = 1.0 / 60.0
PIXEL_SEEN = 1.0  # arc-minutes a pixel fills: above it normal sight tells pixels apart


def viewing_angle_deg(distance_mm: ArrayLike, offset_mm: ArrayLike, width_mm: ArrayLike) -> Array:
    """Horizontal angle the picture fills at a seat [deg], broadcast shape; distance_mm > 0.

    Source: the two half widths seen from the seat, atan((W/2 - u)/d) + atan((W/2 + u)/d).
    """
    d, u, half = (
        np.asarray(one, dtype=float) for one in (distance_mm, offset_mm, np.asarray(width_mm) / 2.0)
    )
    return np.asarray(np.degrees(np.arctan2(half - u, d) + np.arctan2(half + u, d)))


def width_for_angle_mm(angle_deg: float, distance_mm: float, offset_mm: float) -> float:
    """Picture width that fills a wished angle at one seat [mm]; the inverse of viewing_angle_deg.

    Args: angle_deg, 0 < angle < 180; distance_mm > 0; offset_mm, any sign.
    Source: W = 2 (sqrt(d^2 + u^2 sin^2 t) - d cos t) / sin t.  Raises: OutOfRange.
    """
    require_positive(distance_mm=distance_mm)
    if not 0.0 < angle_deg < 180.0:
        raise OutOfRange("a viewing angle lies between 0 and 180 degrees", field="angle_deg", got=angle_deg)
    angle = np.radians(angle_deg)
    root = np.sqrt(distance_mm**2 + (offset_mm * np.sin(angle)) ** 2)
    return float(2.0 * (root - distance_mm * np.cos(angle)) / np.sin(angle))


def neck_angle_deg(height_mm: ArrayLike, eye_mm: ArrayLike, distance_mm: ArrayLike) -> Array:
    """How far above the eye line a height on the screen is seen [deg]; + looks up."""
    rise = np.asarray(height_mm, dtype=float) - np.asarray(eye_mm, dtype=float)
    return np.asarray(np.degrees(np.arctan2(rise, np.asarray(distance_mm, dtype=float))))


def far_edge_deg(distance_mm: ArrayLike, offset_mm: ArrayLike, width_mm: ArrayLike) -> Array:
    """Angle from its normal, in plan, under which the far edge of the picture is seen [deg]."""
    reach = np.asarray(width_mm, dtype=float) / 2.0 + np.abs(np.asarray(offset_mm, dtype=float))
    return np.asarray(np.degrees(np.arctan2(reach, np.asarray(distance_mm, dtype=float))))


def pixel_arcmin(panel_width_mm: ArrayLike, pixels_across: ArrayLike, distance_mm: ArrayLike) -> Array:
    """Angle one pixel fills at a seat [arc-minutes]; above PIXEL_SEEN it shows.

    Source: 2 atan(q / (2 d)), q the pitch of the panel's image; 1 arc-minute is normal sight.
    """
    pitch = np.asarray(panel_width_mm, dtype=float) / np.asarray(pixels_across, dtype=float)
    return np.asarray(
        np.degrees(2.0 * np.arctan(pitch / (2.0 * np.asarray(distance_mm, dtype=float)))) / ARC_MINUTE_DEG
    )
