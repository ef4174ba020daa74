"""A picture as it was measured on the wall: whether its sides and diagonals agree."""

import math

from gantline.core.errors import require_positive


def lean_mm(width_mm: float, rising_mm: float, falling_mm: float) -> float:
    """How far the top edge stands sideways of the bottom edge [mm], + to the right.

    Args: width, and the diagonals that rise and fall to the right [mm], all > 0.
    Source: in a parallelogram the squares of the diagonals differ by 4 width times lean.
    Raises: OutOfRange for lengths that are not positive.  Leaves out: sides that are not straight or not parallel.
    """
    require_positive(width_mm=width_mm, rising_mm=rising_mm, falling_mm=falling_mm)
    return (rising_mm**2 - falling_mm**2) / (4.0 * width_mm)


def missing_mm(width_mm: float, height_mm: float, rising_mm: float, falling_mm: float) -> float:
    """How much longer the diagonals are than the sides allow [mm]; far from 0 something was read wrong.

    Source: the squares of a parallelogram's diagonals and of its four sides have the same sum.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm, rising_mm=rising_mm, falling_mm=falling_mm)
    mean = math.sqrt((rising_mm**2 + falling_mm**2) / 2.0)
    return mean - math.hypot(width_mm, height_mm)
