"""The row in front: who sees the picture's bottom edge over whose head, and which platform cures it. Lengths [mm]."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.sight.angles import Array

ROUNDING_MM = 0.01  # a height held by this very bound misses it only by binary rounding


@dataclass(frozen=True, slots=True, kw_only=True)
class Eye:
    """One seat's eye: distance from the fabric [mm] > 0, height above the finished floor [mm]."""

    distance_mm: float
    eye_mm: float

    def __post_init__(self) -> None:
        require_positive(distance_mm=self.distance_mm)


def eye_needed_mm(rear: Eye, front: Eye, picture_bottom_mm: float, *, clear_mm: float) -> float:
    """Height the rear eye must have to see the picture's bottom over the front head [mm].

    Source: E_i >= y_b + (E_j + c - y_b) d_i / d_j.  Raises: OutOfRange if front is not nearer.
    """
    return picture_bottom_mm + (front.eye_mm + clear_mm - picture_bottom_mm) / _share(rear, front)


def bottoms_mm(eyes: Sequence[Eye], *, clear_mm: float) -> dict[tuple[int, int], float]:
    """For every pair (rear, front), by their places in `eyes`: the lowest bottom of the picture that the rear eye sees
    over the front one [mm].

    Args: eyes in any order; clear_mm, head clearance above the front eye.
    Source: y_b >= (E_j + c - E_i t) / (1 - t), t = d_j / d_i.
    """
    return {
        (i, j): (front.eye_mm + clear_mm - rear.eye_mm * t) / (1.0 - t)
        for i, rear in enumerate(eyes)
        for j, front in enumerate(eyes)
        if front.distance_mm < rear.distance_mm - 1.0
        for t in (front.distance_mm / rear.distance_mm,)
    }


def own_bottoms_mm(eyes: Sequence[Eye], *, clear_mm: float) -> tuple[float, ...]:
    """For every eye, the lowest bottom of the picture that it sees over all nearer ones [mm]; minus infinity where nobody
    sits nearer. Args: as above."""
    lowest = [-math.inf] * len(eyes)
    for (rear, _), bottom in bottoms_mm(eyes, clear_mm=clear_mm).items():
        lowest[rear] = max(lowest[rear], bottom)
    return tuple(lowest)


def lowest_bottom_mm(eyes: Sequence[Eye], *, clear_mm: float) -> float | None:
    """Lowest bottom of the picture that every eye sees over every nearer one [mm]; None for one row. Args: as above."""
    return max(bottoms_mm(eyes, clear_mm=clear_mm).values(), default=None)


def least_clearance_mm(
    distance_mm: Array, eye_mm: float, fronts: tuple[Eye, ...], picture_bottom_mm: float
) -> Array:
    """Least height of the ray to the picture's bottom over all nearer eyes [mm], for many places at once.

    Args: distance_mm (n,) of places with their eye at eye_mm; fronts, the eyes that may be in the way.
    Returns: (n,), infinite where nobody sits nearer.  Source: the ray passes d_j at y_b + (E - y_b) d_j / d.
    """
    least = np.full(distance_mm.shape, np.inf)
    for front in fronts:
        over = (
            picture_bottom_mm + (eye_mm - picture_bottom_mm) * front.distance_mm / distance_mm - front.eye_mm
        )
        least = np.where(distance_mm > front.distance_mm + 1.0, np.minimum(least, over), least)
    return least


@dataclass(frozen=True, slots=True, kw_only=True)
class Occupant:
    """A seat: distance from the fabric, seated eye above its platform, the platform there is [mm]."""

    distance_mm: float
    seated_mm: float
    platform_mm: float = 0.0


def platforms_mm(
    seats: Sequence[Occupant], bottom_mm: float, *, clear_mm: float, step_mm: float
) -> tuple[float, ...]:
    """The platform each seat needs to see the picture's bottom over every nearer head, worked from the front back [mm].

    Never lower than the platform there is; raised to whole steps. In the order of the seats.
    """
    placed: list[Eye] = []
    out = [0.0] * len(seats)
    for index in sorted(range(len(seats)), key=lambda at: seats[at].distance_mm):
        one = seats[index]
        here = Eye(distance_mm=one.distance_mm, eye_mm=one.seated_mm + one.platform_mm)
        nearer = [front for front in placed if front.distance_mm < one.distance_mm - 1.0]
        missing = (
            max((eye_needed_mm(here, front, bottom_mm, clear_mm=clear_mm) for front in nearer), default=0.0)
            - here.eye_mm
        )
        high_mm = one.platform_mm
        if missing > ROUNDING_MM:
            high_mm = math.ceil((one.platform_mm + missing) / step_mm - 1e-9) * step_mm
        out[index] = high_mm
        placed.append(Eye(distance_mm=one.distance_mm, eye_mm=one.seated_mm + high_mm))
    return tuple(out)


def _share(rear: Eye, front: Eye) -> float:
    if front.distance_mm >= rear.distance_mm:
        raise OutOfRange("the front eye must be nearer to the screen", field="front", got=front.distance_mm)
    return front.distance_mm / rear.distance_mm
