"""A ceiling as it was read, along the wall and out into the room."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from gantline.core.errors import OutOfRange
from gantline.core.height.profile import Profile
from gantline.core.space import Solid

ONE_ROW_MM = 300.0  # readings no farther apart than this, out from the wall, are one row
MOST_CELLS = 48


@dataclass(frozen=True, slots=True)
class Ceiling:
    """Rows of readings (z from the bare wall [mm], profile along the wall), near first.

    Between rows the ceiling runs straight, beyond the first and the last it stays level: a ceiling read at the
    wall only is the same all the way back. Raises OutOfRange without a row.
    """

    rows: tuple[tuple[float, Profile], ...]

    def __post_init__(self) -> None:
        if not self.rows:
            raise OutOfRange("a ceiling needs at least one reading", field="rows")

    def at(self, x_mm: float, z_mm: float) -> float:
        """Height y [mm] over a place: x from the left wall end, z from the bare wall."""
        (z0, near), *rest = self.rows
        for z1, far in rest:
            if z_mm <= z1:
                share = min(1.0, max(0.0, (z_mm - z0) / (z1 - z0)))
                return (1.0 - share) * near.at(x_mm) + share * far.at(x_mm)
            z0, near = z1, far
        return near.at(x_mm)

    def along(self, z_mm: float) -> Profile:
        """The ceiling along the wall at a distance from it; at the wall z is 0."""
        places = {x for _, row in self.rows for x, _ in row.readings}
        return Profile(tuple((x, self.at(x, z_mm)) for x in sorted(places)))

    def highest(self) -> float:
        """The highest reading [mm]."""
        return max(y for _, row in self.rows for _, y in row.readings)

    def dips(self, wall_mm: float, depth_mm: float, *, step_mm: float) -> tuple[Solid, ...]:
        """The ceiling below its highest reading, as boxes over a room wall_mm wide and depth_mm deep.

        Each box is as low as the ceiling gets over it, at most step_mm lower than the ceiling anywhere over it unless
        more than MOST_CELLS boxes an axis would be needed. Source: straight pieces between readings.
        """
        top = self.highest()
        if all(y == top for _, row in self.rows for _, y in row.readings):
            return ()
        xs = _ends({x for _, row in self.rows for x, _ in row.readings}, wall_mm)
        zs = _ends({z for z, _ in self.rows}, depth_mm)
        across = _cells(xs, [max(self._drop(a, b, z, z) for z in zs) for a, b in pairwise(xs)], step_mm)
        out = _cells(zs, [max(self._drop(x, x, a, b) for x in xs) for a, b in pairwise(zs)], step_mm)
        found = []
        for x0, x1 in pairwise(across):
            for z0, z1 in pairwise(out):
                low = min(self.at(x, z) for x in (x0, x1) for z in (z0, z1))
                if low < top:
                    found.append(Solid(name="ceiling", low=(x0, low, z0), high=(x1, top, z1)))
        return tuple(found)

    def _drop(self, x0: float, x1: float, z0: float, z1: float) -> float:
        return abs(self.at(x1, z1) - self.at(x0, z0))


def ceiling_of(readings: Sequence[tuple[float, float, float]]) -> Ceiling:
    """A ceiling from readings (x, z, y) [mm]: those within 300 mm of each other from the wall make one row, at the
    mean of their distances.  Raises: OutOfRange without readings, or with two different ones at one place."""
    rows: list[list[tuple[float, float, float]]] = []
    for reading in sorted(readings, key=lambda reading: reading[1]):
        if rows and reading[1] - rows[-1][0][1] <= ONE_ROW_MM:
            rows[-1].append(reading)
        else:
            rows.append([reading])
    return Ceiling(
        tuple(
            (math.fsum(z for _, z, _ in row) / len(row), Profile(tuple((x, y) for x, _, y in row)))
            for row in rows
        )
    )


def _ends(inner: set[float], end: float) -> list[float]:
    """Where straight pieces begin and end, from 0 to the end."""
    return sorted({0.0, end, *(place for place in inner if 0.0 < place < end)})


def _cells(ends: Sequence[float], drops: Sequence[float], step: float) -> list[float]:
    """The pieces cut so that none drops by more than a step, at most MOST_CELLS of them in all."""
    coarse = max(step, math.fsum(drops) / MOST_CELLS)
    found = [ends[0]]
    for (a, b), drop in zip(pairwise(ends), drops, strict=True):
        parts = max(1, math.ceil(drop / coarse - 1e-9))
        found += [a + (b - a) * k / parts for k in range(1, parts + 1)]
    return found
