"""Marks cast onto the bare wall: from four points clicked with the cast cross and read with a tape to any place on the wall.

Source: the projective map of a plane from four pairs of points (direct linear transformation). The spread of a mark is that of
the four readings carried through the map, to first order. Leaves out: a wall that is not flat, and lens distortion.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.throw.pinhole import Array

POINTS = 4
CHI2_90 = 4.605170185988092  # two degrees of freedom
NUDGE_MM = 1e-3
FLAT = 1e-9  # of the spread of the points, squared: below it three of them lie on a line


@dataclass(frozen=True, slots=True, kw_only=True)
class CastMark:
    """A mark: where it is lit, shares of the panel from its upper left; half axes [mm] of the 90 % ellipse on the wall, the long
    one first, its angle [rad] from along the wall; the spread of its worse axis [mm]; whether it lies in the light."""

    u: float
    v: float
    long_mm: float
    short_mm: float
    angle: float
    sigma_mm: float
    lit: bool


def homography(panel: Array, wall: Array) -> Array:
    """The map (3, 3) that takes panel points (4, 2) to wall points (4, 2).

    Raises: OutOfRange where three of four points lie on a line.
    """
    for points in (panel, wall):
        if points.shape != (POINTS, 2):
            raise OutOfRange("four points are needed", field="references")
        _spread_out(points)
    rows = []
    for (u, v), (x, y) in zip(panel, wall, strict=True):
        rows.append([u, v, 1.0, 0.0, 0.0, 0.0, -u * x, -v * x])
        rows.append([0.0, 0.0, 0.0, u, v, 1.0, -u * y, -v * y])
    solution = np.linalg.solve(np.array(rows), wall.reshape(-1))
    matrix: Array = np.append(solution, 1.0).reshape(3, 3)
    return matrix


def inverted(map_: Array) -> Array:
    """The map back (3, 3)."""
    back: Array = np.asarray(np.linalg.inv(map_), dtype=np.float64)
    return back


def carried(map_: Array, points: Array) -> Array:
    """Points (n, 2) through a map (3, 3).  Raises: OutOfRange for a point on the map's horizon."""
    found = np.column_stack([points, np.ones(len(points))]) @ map_.T
    if bool(np.any(np.abs(found[:, 2]) < 1e-12)):
        raise OutOfRange("this place cannot be lit from here", field="references")
    out: Array = found[:, :2] / found[:, 2:3]
    return out


def cast_marks(
    panel: Array, wall: Array, places_mm: Sequence[tuple[float, float]], *, sigma_mm: float
) -> tuple[CastMark, ...]:
    """Every place [mm] as a mark.

    Args: panel, where the cross was lit (4, 2), shares from the upper left; wall, what the tape read there (4, 2) [mm]; sigma, of
        one such reading, each way.
    Raises: OutOfRange.
    """
    require_positive(sigma_mm=sigma_mm)
    onto = homography(panel, wall)
    back = inverted(onto)
    lit_at = carried(back, np.array(places_mm, dtype=float).reshape(-1, 2))
    moved = []
    for number in range(POINTS):
        for axis in range(2):
            other = wall.copy()
            other[number, axis] += NUDGE_MM
            moved.append((carried(homography(panel, other), lit_at) - carried(onto, lit_at)) / NUDGE_MM)
    slopes = np.stack(moved)  # (8, n, 2)
    marks = []
    for number, (u, v) in enumerate(lit_at):
        spread = sigma_mm**2 * slopes[:, number].T @ slopes[:, number]
        values, axes = np.linalg.eigh(spread)
        short, long = (float(one) for one in np.sqrt(np.maximum(values, 0.0) * CHI2_90))
        marks.append(
            CastMark(
                u=float(u),
                v=float(v),
                long_mm=long,
                short_mm=short,
                angle=float(np.arctan2(axes[1, 1], axes[0, 1])),
                sigma_mm=float(np.sqrt(max(values[1], 0.0))),
                lit=bool(0.0 <= u <= 1.0 and 0.0 <= v <= 1.0),
            )
        )
    return tuple(marks)


def wider(marks: Sequence[CastMark]) -> float:
    """How much wider the picture must be for every mark to be lit, as a factor about its middle; 1 where all are."""
    return (
        max((2.0 * abs(each - 0.5) for mark in marks for each in (mark.u, mark.v)), default=1.0)
        if marks
        else 1.0
    )


def ellipse(
    mark: CastMark, place_mm: tuple[float, float], panel: Array, wall: Array, *, steps: int = 24
) -> Array:
    """The 90 % ellipse of a mark as panel points (steps, 2)."""
    turn = np.linspace(0.0, 2.0 * np.pi, steps, endpoint=False)
    along = np.array([np.cos(mark.angle), np.sin(mark.angle)])
    across = np.array([-along[1], along[0]])
    ring = np.outer(np.cos(turn) * mark.long_mm, along) + np.outer(np.sin(turn) * mark.short_mm, across)
    back = inverted(homography(panel, wall))
    return carried(back, np.array(place_mm) + ring)


def _spread_out(points: Array) -> None:
    size = float(np.ptp(points, axis=0).max()) or 1.0
    for left in range(POINTS):
        a, b, c = np.delete(points, left, axis=0) / size
        if abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) < FLAT**0.5:
            raise OutOfRange("three of the four points lie on a line", field="references")
