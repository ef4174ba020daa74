"""How flat, plumb and square a wall is, from gaps to a plumb reference plane, and the shims that make the supports plane.

z of the wall counts toward the room: z = -gap, but for a constant that nothing here depends on.
Source: least-squares plane through z; dz/dy is out of plumb, dz/dx out of square to the room, what is left is the belly. Shims
plumb: largest z less own z; parallel to the wall: largest belly less own belly, which keeps the wall's lean.
Leaves out: what lies between the readings; it is interpolated by a thin plate, through the mean of those taken at one place.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np
import numpy.typing as npt

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.tolerance import ROUNDING_MM

Array = npt.NDArray[np.float64]
FEWEST = 4
THIN_MM = 0.5  # shims thinner than this are none
SPREAD_MM = 50.0  # readings must span this much both ways


@dataclass(frozen=True, kw_only=True)  # no slots: the thin plate is kept once it is solved
class Flatness:
    """A wall's plane [mm]: z = level + plumb·y + square·x, belly what each reading stands proud of it; places (n, 2), z (n,).

    apart: places (m, 2) and z (m,) with those of one place as one, which is what the plate goes through.
    """

    places_mm: Array
    z_mm: Array
    level_mm: float
    square: float
    plumb: float
    apart: tuple[Array, Array]

    @property
    def belly_mm(self) -> Array:
        """What each reading stands proud of the plane, - where it is hollow [mm]."""
        return self._belly(self.places_mm, self.z_mm)

    @property
    def plumb_mm_m(self) -> float:
        """Out of plumb [mm per m], + where the top leans into the room."""
        return 1000.0 * self.plumb

    @property
    def square_mm_m(self) -> float:
        """Out of square to the room [mm per m], + where the right end is nearer the room."""
        return 1000.0 * self.square

    def belly_at(self, places_mm: Array) -> Array:
        """The belly at places (m, 2), as a thin plate through the readings [mm]."""
        plate: Array = self._plate(places_mm)
        return plate

    @cached_property
    def _plate(self) -> Any:
        from scipy.interpolate import RBFInterpolator

        places, z = self.apart
        return RBFInterpolator(places, self._belly(places, z), kernel="thin_plate_spline")

    def _belly(self, places_mm: Array, z_mm: Array) -> Array:
        residual: Array = z_mm - self.level_mm - places_mm @ np.array([self.square, self.plumb])
        return residual

    def z_at(self, places_mm: Array) -> Array:
        """The wall toward the room at places (m, 2) [mm]."""
        plane = self.level_mm + places_mm @ np.array([self.square, self.plumb])
        at: Array = plane + self.belly_at(places_mm)
        return at


def of_one_place(places_mm: Array, values_mm: Array, within_mm: float) -> tuple[Array, Array]:
    """Places (n, 2) and values (n,) [mm], those that are within_mm of each other both ways replaced by their mean, nearest
    first, until no two are: two values at one place have no plate through them, and a hair apart a wild one."""
    places, values, count = places_mm.copy(), values_mm.copy(), np.ones(len(values_mm))
    x, y = places.T
    apart = np.maximum(np.abs(x[:, None] - x), np.abs(y[:, None] - y))
    np.fill_diagonal(apart, np.inf)
    while len(values):
        a, b = np.unravel_index(apart.argmin(), apart.shape)
        if apart[a, b] > within_mm:
            break
        share = count[[a, b]] / count[[a, b]].sum()
        places[a], values[a] = share @ places[[a, b]], share @ values[[a, b]]
        count[a], count[b] = count[a] + count[b], 0.0
        near = np.maximum(np.abs(x - x[a]), np.abs(y - y[a]))
        near[a] = np.inf
        near[count == 0.0] = np.inf
        apart[a], apart[:, a], apart[b], apart[:, b] = near, near, np.inf, np.inf
    return places[count > 0.0], values[count > 0.0]


def flatness(readings: Sequence[tuple[float, float, float]], place_mm: float) -> Flatness:
    """The plane through readings (x, y, gap) [mm]; those within place_mm of each other are of one place.

    Raises: OutOfRange with fewer than four places, or where all lie on one line.
    """
    places = np.array([(x, y) for x, y, _ in readings], dtype=float).reshape(-1, 2)
    z = -np.array([gap for _, _, gap in readings], dtype=float)
    apart = of_one_place(places, z, place_mm)
    count = len(apart[1])
    if count < FEWEST:
        raise OutOfRange("too few gaps", field="gaps", got=count, fewest=FEWEST)
    narrow = np.linalg.svd(apart[0] - apart[0].mean(axis=0), compute_uv=False)[1] / np.sqrt(count)
    if narrow < SPREAD_MM / 2.0:
        raise OutOfRange("the gaps lie on one line", field="spread", got=float(narrow))
    ones = np.column_stack([np.ones(len(z)), places])
    level, square, plumb = np.linalg.lstsq(ones, z, rcond=None)[0]
    return Flatness(
        places_mm=places, z_mm=z, level_mm=float(level), square=float(square), plumb=float(plumb), apart=apart,
    )  # fmt: skip


def shims_mm(
    found: Flatness, supports_mm: Sequence[tuple[float, float]], *, parallel: bool
) -> tuple[float, ...]:
    """The shim behind each support [mm], so that all lie in one plane: plumb, or parallel to the wall.

    Source: largest z (or belly) of the supports less own.  Raises: nothing.
    """
    if not supports_mm:
        return ()
    places = np.array(supports_mm, dtype=float)
    z = found.belly_at(places) if parallel else found.z_at(places)
    return tuple(float(one) for one in z.max() - z)


def pads_mm(
    flat: Flatness,
    supports_mm: Sequence[tuple[float, float]],
    corners_mm: Sequence[tuple[float, float]],
    *,
    standoff_mm: float,
    parallel: bool,
) -> tuple[float, ...]:
    """How thick a pad is wanted behind each lower corner [mm], so that the frame hangs plumb, or parallel to the wall: what
    stands off above, and the shim that this place of the wall would need.

    Args: supports, the places above that are shimmed [mm]; corners, those of the pads [mm].
    Source: all of them in one plane, largest z less own.  Raises: nothing.
    """
    thick = shims_mm(flat, [*supports_mm, *corners_mm], parallel=parallel)
    return tuple(standoff_mm + shim for shim in thick[len(supports_mm) :])


def turns_out(thick_mm: float, turn_mm: float) -> float:
    """Turns that an adjustable standoff is screwed out from flat, to a quarter of a turn.

    Args: thick, how far it is to stand out [mm]; turn, what one turn moves it [mm].
    Raises: OutOfRange for a turn that moves nothing.
    """
    require_positive(turn_mm=turn_mm)
    return round(4.0 * thick_mm / turn_mm) / 4.0


def wind_mm(top_left: float, top_right: float, bottom_left: float, bottom_right: float) -> float:
    """Distance of the two diagonals at their crossing, from the z of four corners [mm]."""
    return (top_left + bottom_right - top_right - bottom_left) / 2.0


def shim_pack(shims: Sequence[float], sizes_mm: Sequence[float]) -> dict[float, int]:
    """Shims to bring, by thickness [mm]: each support to the nearest of the thinnest, filled with the thickest first.

    Source: greedy filling.  Leaves out: tapered shims.
    """
    pack: dict[float, int] = {}
    thinnest = min(sizes_mm)
    for shim in shims:
        left = round(shim / thinnest) * thinnest
        for size in sorted(sizes_mm, reverse=True):
            count = int((left + ROUNDING_MM) // size)
            if count > 0:
                pack[size] = pack.get(size, 0) + count
                left -= count * size
    return dict(sorted(pack.items(), reverse=True))


def lands_lower_mm(rise_mm: float, depth_mm: float, forward_mm: float) -> float:
    """How much lower a ray lands where the surface stands forward of its plane [mm].

    rise: from the lens up to where it would land; depth: from the lens to that plane; forward: + toward the lens. A ray that
    climbs rise over depth hits at y_lens + rise (depth - forward) / depth: it lands nearer to the height of the lens.
    Raises: OutOfRange for a depth that is not positive.
    """
    require_positive(depth_mm=depth_mm)
    return rise_mm * forward_mm / depth_mm
