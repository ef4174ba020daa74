"""How a seat sees the screen: angles, pixels, and the row in front.

All arrays broadcast. d is a seat's distance from the fabric plane, u its offset from the screen
centre (+ right, facing the wall), heights count from the finished floor; lengths [mm], angles [deg].
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import ArrayLike, NDArray

from gantline.core.errors import OutOfRange, require_positive

Array = NDArray[np.float64]
ARC_MINUTE_DEG = 1.0 / 60.0
ROUNDING_MM = 0.01  # a height held by this very bound misses it only by binary rounding


def viewing_angle_deg(distance_mm: ArrayLike, offset_mm: ArrayLike, width_mm: ArrayLike) -> Array:
    """Horizontal angle the picture fills at a seat [deg], broadcast shape; distance_mm > 0.

    Source: the two half widths seen from the seat, atan((W/2 - u)/d) + atan((W/2 + u)/d).
    """
    d, u, half = (np.asarray(one, dtype=float) for one in (distance_mm, offset_mm, np.asarray(width_mm) / 2.0))
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
    """Angle one pixel fills at a seat [arc-minutes]; above 1 it shows.

    Source: 2 atan(q / (2 d)), q the pitch of the panel's image; 1 arc-minute is normal sight.
    """
    pitch = np.asarray(panel_width_mm, dtype=float) / np.asarray(pixels_across, dtype=float)
    return np.asarray(np.degrees(2.0 * np.arctan(pitch / (2.0 * np.asarray(distance_mm, dtype=float)))) / ARC_MINUTE_DEG)


@dataclass(frozen=True, slots=True, kw_only=True)
class Eye:
    """One seat's eye: distance from the fabric [mm] > 0, height above the finished floor [mm]."""

    distance_mm: float
    eye_mm: float

    def __post_init__(self) -> None:
        require_positive(distance_mm=self.distance_mm)


def clearance_mm(rear: Eye, front: Eye, picture_bottom_mm: float) -> float:
    """How far the ray from the rear eye to the picture's bottom passes above the front eye [mm].

    front must be nearer. Source: the ray passes d_j at y_b + (E_i - y_b) d_j / d_i.
    Raises: OutOfRange if front is not nearer.
    """
    return picture_bottom_mm + (rear.eye_mm - picture_bottom_mm) * _share(rear, front) - front.eye_mm


def eye_needed_mm(rear: Eye, front: Eye, picture_bottom_mm: float, *, clear_mm: float) -> float:
    """Height the rear eye must have to see the picture's bottom over the front head [mm].

    Source: E_i >= y_b + (E_j + c - y_b) d_i / d_j.  Raises: OutOfRange if front is not nearer.
    """
    return picture_bottom_mm + (front.eye_mm + clear_mm - picture_bottom_mm) / _share(rear, front)


@lru_cache(maxsize=512)  # pure, and asked again for every size that is tried in a room
def lowest_bottom_mm(eyes: tuple[Eye, ...], *, clear_mm: float) -> float | None:
    """Lowest bottom of the picture that every eye sees over every nearer one [mm]; None for one row.

    Args: eyes in any order; clear_mm, head clearance above the front eye.
    Source: y_b >= (E_j + c - E_i t) / (1 - t), t = d_j / d_i, over all pairs.
    """
    needed = [
        (front.eye_mm + clear_mm - rear.eye_mm * t) / (1.0 - t)
        for rear in eyes
        for front in eyes
        if front.distance_mm < rear.distance_mm - 1.0
        for t in (front.distance_mm / rear.distance_mm,)
    ]
    return max(needed, default=None)


def least_clearance_mm(distance_mm: Array, eye_mm: float, fronts: tuple[Eye, ...], picture_bottom_mm: float) -> Array:
    """Least height of the ray to the picture's bottom over all nearer eyes [mm], for many places at once.

    Args: distance_mm (n,) of places with their eye at eye_mm; fronts, the eyes that may be in the way.
    Returns: (n,), infinite where nobody sits nearer.  Source: as clearance_mm.
    """
    least = np.full(distance_mm.shape, np.inf)
    for front in fronts:
        over = picture_bottom_mm + (eye_mm - picture_bottom_mm) * front.distance_mm / distance_mm - front.eye_mm
        least = np.where(distance_mm > front.distance_mm + 1.0, np.minimum(least, over), least)
    return least


@dataclass(frozen=True, slots=True, kw_only=True)
class Seated:
    """A seat: distance from the fabric, seated eye above its platform, the platform there is [mm]."""

    distance_mm: float
    seated_mm: float
    platform_mm: float = 0.0


def platforms_mm(seats: Sequence[Seated], bottom_mm: float, *, clear_mm: float, step_mm: float) -> tuple[float, ...]:
    """The platform each seat needs to see the picture's bottom over every nearer head, worked from the front back [mm].

    Never lower than the platform there is; raised to whole steps. In the order of the seats.
    """
    placed: list[Eye] = []
    out = [0.0] * len(seats)
    for index in sorted(range(len(seats)), key=lambda at: seats[at].distance_mm):
        one = seats[index]
        here = Eye(distance_mm=one.distance_mm, eye_mm=one.seated_mm + one.platform_mm)
        nearer = [front for front in placed if front.distance_mm < one.distance_mm - 1.0]
        missing = max((eye_needed_mm(here, front, bottom_mm, clear_mm=clear_mm) for front in nearer), default=0.0) - here.eye_mm
        up_mm = math.ceil(missing / step_mm - 1e-9) * step_mm if missing > ROUNDING_MM else 0.0
        out[index] = one.platform_mm + up_mm
        placed.append(Eye(distance_mm=one.distance_mm, eye_mm=here.eye_mm + up_mm))
    return tuple(out)


def _share(rear: Eye, front: Eye) -> float:
    if front.distance_mm >= rear.distance_mm:
        raise OutOfRange("the front eye must be nearer to the screen", field="front", got=front.distance_mm)
    return front.distance_mm / rear.distance_mm
