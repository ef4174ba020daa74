"""Gain is a lobe, not a number: how bright each point of a fabric looks from each place.

Model: g(t) = g0 exp(-ln 2 (t / alpha)^2), t the angle between the lobe's axis and the view, alpha the
half-gain angle. Frame: fabric plane z = 0, z towards the seats, x right, y up, all [mm]. The flux per
area is taken as uniform over the picture. What is modelled: the axis by kind of fabric, and for
lenticular fabrics the acceptance of light from below. Left out: polarization, color, sparkle, a
lobe that differs sideways and upwards.
"""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange, require_not_negative, require_positive

Array = NDArray[np.float64]
ACCEPT_NONE_DEG, ACCEPT_ALL_DEG = 0.0, 15.0  # acceptance of a lenticular fabric, by the angle from below
ANGLES = np.linspace(0.0, math.pi / 2.0, 1801)
SQUARES_DEG = np.degrees(ANGLES) ** 2
# 2 cos t sin t dt of every step: 0 at both ends of the half space, so the trapezoid is the plain sum
PASSED = np.sin(2.0 * ANGLES) * ANGLES[1]


class FabricKind(StrEnum):
    """Where a fabric's lobe points."""

    DIFFUSE = "diffuse"
    MIRROR = "mirror-like"
    RETRO = "retro-reflective"
    LENTICULAR = "lenticular-from-below"


@dataclass(frozen=True, slots=True, kw_only=True)
class Lobe:
    """A fabric's gain: kind, on-axis gain, half-gain angle [deg] (None: constant, lambertian).

    layer: what a diffuse layer behind adds to it, the same in every direction.
    Raises OutOfRange for a gain above 1 without an angle, and where more light would come out than
    goes in: 2 times the integral of g cos sin over the half space must not exceed 1.
    """

    kind: FabricKind
    gain: float
    half_gain_deg: float | None = None
    layer: float = 0.0

    @property
    def on_axis(self) -> float:
        """Gain on the lobe's axis, both layers together."""
        return self.gain + self.layer

    def __post_init__(self) -> None:
        require_positive(gain=self.gain)
        require_not_negative(layer=self.layer)
        if self.half_gain_deg is None:
            if self.gain > 1.0:
                raise OutOfRange(
                    "a gain above 1 needs a half-gain angle", field="half_gain_deg", got=self.gain
                )
            return
        require_positive(half_gain_deg=self.half_gain_deg)
        out = reflected_share(self.gain, self.half_gain_deg)
        if out > 1.0:
            raise OutOfRange(
                "a lobe gives out more light than it gets",
                field="gain",
                got=self.gain,
                half_gain_deg=self.half_gain_deg,
                out=out,
            )


def gain_at(lobe: Lobe, angle_deg: Array) -> Array:
    """Gain at an angle from the lobe's axis [deg], broadcast shape. Half of g0 at the half-gain angle."""
    if lobe.half_gain_deg is None:
        return np.full_like(np.asarray(angle_deg, dtype=float), lobe.on_axis)
    return np.asarray(lobe.gain * np.exp(-math.log(2.0) * (angle_deg / lobe.half_gain_deg) ** 2) + lobe.layer)


def reflected_share(gain: float, half_gain_deg: float) -> float:
    """Share of the light that comes back: 2 * integral of g(t) cos t sin t from 0 to 90 degrees.

    Source: flux of a lobe of luminance L = E g / pi over the half space. Trapezoid on 0.05 degree steps.
    """
    lobe = np.exp(SQUARES_DEG * (-math.log(2.0) / half_gain_deg**2))
    return float(gain * (lobe @ PASSED))


@dataclass(frozen=True, slots=True, kw_only=True)
class Layers:
    """A light, open fabric in front of a dark one: what each gives back and lets through (shares).

    Raises OutOfRange where a layer would give out more than it gets.
    """

    front_back: float
    front_through: float
    behind_back: float
    behind_through: float

    def __post_init__(self) -> None:
        for name, back, through in (
            ("front", self.front_back, self.front_through),
            ("dark", self.behind_back, self.behind_through),
        ):
            require_not_negative(back=back, through=through)
            if back + through > 1.0 + 1e-9:
                raise OutOfRange(
                    "a layer gives more light than it gets",
                    field="front_transmission" if name == "front" else "back_transmission",
                    got=back + through,
                    back=back,
                    through=through,
                )

    @property
    def added(self) -> float:
        """What the layer behind adds to the front's gain, and to its reflectance for room light: T1² g2.

        Source: light passes the front twice and the back gives it back evenly.  Leaves out: light that goes to and
        fro between the layers more than once.
        """
        return self.front_through**2 * self.behind_back

    @property
    def lost(self) -> float:
        """Share of the light that goes through both and lights what stands behind: T1 T2."""
        return self.front_through * self.behind_through


Axis = Callable[[Array, Array], Array]


def _normal(points: Array, lens: Array) -> Array:
    return np.array([[0.0, 0.0, 1.0]])


def _mirrored(points: Array, lens: Array) -> Array:
    incoming = points - lens
    return np.asarray(incoming * np.array([1.0, 1.0, -1.0]))


def _back(points: Array, lens: Array) -> Array:
    return lens - points


AXES: Mapping[FabricKind, Axis] = {
    FabricKind.DIFFUSE: _normal,
    FabricKind.LENTICULAR: _normal,
    FabricKind.MIRROR: _mirrored,
    FabricKind.RETRO: _back,
}


def acceptance(kind: FabricKind, points: Array, lens: Array) -> Array:
    """Share of the lens's light a fabric takes at each point, 1 for all kinds but lenticular.

    Args: points (..., 3), lens (3,) [mm].  Returns: (...) in 0 to 1.
    Source: clamp((beta - beta0) / (beta1 - beta0)), beta = atan2(y_P - y_l, Z), light from below.
    """
    if kind is not FabricKind.LENTICULAR:
        return np.ones(points.shape[:-1])
    from_below = np.degrees(np.arctan2(points[..., 1] - lens[1], lens[2]))
    return np.asarray(np.clip((from_below - ACCEPT_NONE_DEG) / (ACCEPT_ALL_DEG - ACCEPT_NONE_DEG), 0.0, 1.0))


def seen_gain(lobe: Lobe, points: Array, lens: Array, eyes: Array) -> Array:
    """Gain of every screen point as every eye sees it.

    Args: points (p, 3) on the fabric, lens (3,), eyes (e, 3), all [mm], z > 0 for lens and eyes.
    Returns: (e, p).
    Source: angle between axis and view, atan2(|axis x view|, axis . view), which keeps its digits
    near 0 where acos loses them.
    """
    taken = acceptance(lobe.kind, points, lens)[None, :]
    if lobe.half_gain_deg is None:  # the same from everywhere
        return np.asarray(np.full((len(eyes), 1), lobe.on_axis) * taken)
    axis = AXES[lobe.kind](points, lens)
    view = eyes[:, None, :] - points[None, :, :]
    dot = np.einsum("pi,epi->ep", axis, view)
    lengths = np.einsum("pi,pi->p", axis, axis) * np.einsum("epi,epi->ep", view, view)
    across = np.sqrt(np.maximum(lengths - dot**2, 0.0))
    return np.asarray(gain_at(lobe, np.degrees(np.arctan2(across, dot))) * taken)
