"""Lines of equal height through a grid of values, and the areas between them."""

from collections.abc import Sequence
from itertools import pairwise
from typing import Any

import numpy as np
import numpy.typing as npt

Line = tuple[tuple[float, float], ...]
Grid = npt.NDArray[np.float64]


def contours(xs: Grid, ys: Grid, values: Grid, levels: Sequence[float]) -> list[tuple[float, Line]]:
    """Each line with its level.  xs (n,), ys (m,) [mm]; values (m, n)."""
    from contourpy import contour_generator

    lines_of = contour_generator(xs, ys, values)
    found: list[tuple[float, Line]] = []
    for level in levels:
        lines: Any = lines_of.lines(level)
        found += [(level, tuple((float(x), float(y)) for x, y in line)) for line in lines]
    return found


def areas(xs: Grid, ys: Grid, values: Grid, levels: Sequence[float]) -> list[tuple[Line, ...]]:
    """The areas under the lowest level, between each two and over the highest: of each all its rings, holes among them, to be
    filled by the even-odd rule.  xs (n,), ys (m,) [mm]; values (m, n); levels ascending."""
    from contourpy import contour_generator

    filled = contour_generator(xs, ys, values, fill_type="ChunkCombinedOffset")
    found = []
    for low, high in pairwise((-np.inf, *levels, np.inf)):
        filling: Any = filled.filled(low, high)
        points, offsets = filling
        rings = []
        for ring, ends in zip(points, offsets, strict=True):
            if ring is not None and ends is not None:
                rings += [tuple((float(x), float(y)) for x, y in ring[a:b]) for a, b in pairwise(ends)]
        found.append(tuple(rings))
    return found
