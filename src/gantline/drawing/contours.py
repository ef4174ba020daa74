"""Lines of equal height through a grid of values."""

from collections.abc import Sequence
from typing import Any

import numpy as np
import numpy.typing as npt

Line = tuple[tuple[float, float], ...]


def contours(
    xs: npt.NDArray[np.float64],
    ys: npt.NDArray[np.float64],
    values: npt.NDArray[np.float64],
    levels: Sequence[float],
) -> list[tuple[float, Line]]:
    """Each line with its level.  xs (n,), ys (m,) [mm]; values (m, n)."""
    from contourpy import contour_generator

    lines_of = contour_generator(xs, ys, values)
    found: list[tuple[float, Line]] = []
    for level in levels:
        lines: Any = lines_of.lines(level)
        found += [(level, tuple((float(x), float(y)) for x, y in line)) for line in lines]
    return found
