"""What a piece of fabric pulls when it is stretched: taut, wrinkled or slack.

Strains are (x, y, shear) with the engineering shear strain; tensions are per width [N/mm], so 30 000 N/m is 30 N/mm.

Source: orthotropic plane stress for the taut sheet; where a tension would be negative the sheet wrinkles and pulls one way
only, with the direction that stores the most energy (the relaxed energy of a sheet without bending stiffness). It is convex,
and the tension is its gradient.
Leaves out: bending stiffness (so the number of wrinkles, never where they run), creep, thread slip, large turns.
"""

import math
from dataclasses import dataclass
from enum import IntEnum
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange, require_positive

Floats = NDArray[Any]  # of numbers with a point
REMNANT = 1e-3  # share of the taut stiffness that folds keep: cloth is not without any, and so a slack sheet has one answer
TURNS = 12  # of Newton's way to the direction of a wrinkle
LARGEST_TURN = 0.3  # [rad] of one such turn


class State(IntEnum):
    """What a piece of the sheet does."""

    TAUT = 0
    WRINKLED = 1
    SLACK = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Cloth:
    """Stiffness per width along x and along y [N/mm], Poisson's number from x to y, shear stiffness [N/mm].

    Without a shear stiffness it is the geometric mean of the two, as of a sheet without threads; weaves have far less.
    Raises: OutOfRange where there is no such cloth.
    """

    along: float
    across: float
    poisson: float = 0.3
    shear: float | None = None

    def __post_init__(self) -> None:
        require_positive(along=self.along, across=self.across)
        if not 0.0 <= self.poisson * math.sqrt(self.across / self.along) < 0.95:
            raise OutOfRange("no sheet has such a Poisson's number", field="poisson", got=self.poisson)
        if self.shear is not None:
            require_positive(shear=self.shear)

    @property
    def stiffness(self) -> Floats:
        """Taut law D [N/mm], 3 by 3: tension = D strain."""
        back = self.poisson * self.across / self.along
        shared = 1.0 - self.poisson * back
        shear = self.shear
        if shear is None:
            shear = math.sqrt(self.along * self.across) / (2.0 * (1.0 + math.sqrt(self.poisson * back)))
        return np.array(
            [
                [self.along / shared, back * self.along / shared, 0.0],
                [back * self.along / shared, self.across / shared, 0.0],
                [0.0, 0.0, shear],
            ]
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class Pulled:
    """Of each piece: energy [N/mm], tension (x, y, shear) [N/mm], tangent 3 by 3, State, and the direction of its larger
    tension from x [rad] (wrinkles run along it)."""

    energy: Floats
    tension: Floats
    tangent: Floats
    state: NDArray[np.int8]
    direction: Floats


def pulled(stiffness: Floats, strain: Floats, remnant: float = REMNANT) -> Pulled:
    """The law for many pieces at once.

    Args: stiffness, D 3 by 3 [N/mm]; strain (n, 3); remnant, the share of D that stays in every state.
    Returns: Pulled.  Raises: nothing.
    """
    taut = strain @ stiffness
    state = np.full(len(strain), State.TAUT, np.int8)
    slack = _principal(strain[:, 0], strain[:, 1], strain[:, 2] / 2.0)[0] <= 0.0
    wrinkled = (_principal(taut[:, 0], taut[:, 1], taut[:, 2])[1] < 0.0) & ~slack
    state[slack], state[wrinkled] = State.SLACK, State.WRINKLED
    tension, tangent = taut.copy(), np.broadcast_to(stiffness, (len(strain), 3, 3)).copy()
    direction = 0.5 * np.arctan2(2.0 * taut[:, 2], taut[:, 0] - taut[:, 1])
    tension[slack], tangent[slack] = 0.0, 0.0
    if wrinkled.any():
        tension[wrinkled], tangent[wrinkled], direction[wrinkled] = _wrinkled(stiffness, strain[wrinkled])
    energy = 0.5 * np.einsum("ni,ni->n", tension, strain)
    energy += 0.5 * remnant * np.einsum("ni,ni->n", taut, strain)
    return Pulled(
        energy=energy,
        tension=tension + remnant * taut,
        tangent=tangent + remnant * stiffness,
        state=state,
        direction=direction,
    )


def principal(tension: Floats) -> tuple[Floats, Floats]:
    """Larger and smaller tension [N/mm] of tensions (n, 3)."""
    return _principal(tension[:, 0], tension[:, 1], tension[:, 2])


def slack_across(stiffness: Floats, strain: Floats, direction: Floats) -> Floats:
    """How much longer the cloth is than its place, across the larger tension: what stands up as wrinkles. 0 where taut.

    Args: as pulled(); direction (n,) [rad].  Returns: (n,) strain, 0 or more.
    Source: the strain there less what the sideways shrink of the pull takes up.
    """
    along = _axis(direction)[0]
    across = _axis(direction + math.pi / 2.0)[0]
    compliance = np.linalg.inv(stiffness)
    pull = np.maximum(0.0, np.einsum("ni,ni->n", along, strain)) / _form(compliance, along, along)
    free = pull * _form(compliance, across, along)
    return np.asarray(np.maximum(0.0, free - np.einsum("ni,ni->n", across, strain)))


def _principal(x: Floats, y: Floats, shear: Floats) -> tuple[Floats, Floats]:
    middle, radius = (x + y) / 2.0, np.hypot((x - y) / 2.0, shear)
    return middle + radius, middle - radius


def _axis(angle: Floats) -> tuple[Floats, Floats, Floats]:
    """a(angle), its first and its second derivative; a . strain is the strain along that direction."""
    cos, sin = np.cos(angle), np.sin(angle)
    both = sin * cos
    turn = cos * cos - sin * sin
    a = np.stack((cos * cos, sin * sin, both), axis=1)
    first = np.stack((-2.0 * both, 2.0 * both, turn), axis=1)
    second = np.stack((-2.0 * turn, 2.0 * turn, -4.0 * both), axis=1)
    return a, first, second


def _form(matrix: Floats, left: Floats, right: Floats) -> Floats:
    return np.asarray(np.einsum("ni,ij,nj->n", left, matrix, right))


def _wrinkled(stiffness: Floats, strain: Floats) -> tuple[Floats, Floats, Floats]:
    """Tension, tangent and direction of pieces that pull one way only: W = (a . strain)^2 / 2q is largest there."""
    compliance = np.linalg.inv(stiffness)
    angle = 0.5 * np.arctan2(strain[:, 2], strain[:, 0] - strain[:, 1])
    slope, bend = np.zeros(len(angle)), np.zeros(len(angle))
    for _ in range(TURNS):
        slope, bend = _slopes(compliance, strain, angle)[:2]
        # uphill where Newton would go down
        turn = np.where(bend < 0.0, -slope / np.where(bend < 0.0, bend, 1.0), np.sign(slope) * LARGEST_TURN)
        turn = np.clip(turn, -LARGEST_TURN, LARGEST_TURN)
        angle = angle + turn
        if np.abs(turn).max(initial=0.0) < 1e-13:
            break
    slope, bend, a, a1, q, q1, along = _slopes(compliance, strain, angle)
    tension = (along / q)[:, None] * a
    p = a1 * (along / q)[:, None]
    p += a * (np.einsum("ni,ni->n", a1, strain) / q - along * q1 / q**2)[:, None]
    steep = np.minimum(bend, -1e-12)
    tangent = np.einsum("ni,nj->nij", a, a) / q[:, None, None]
    tangent -= np.einsum("ni,nj->nij", p, p) / steep[:, None, None]
    return tension, tangent, angle


def _slopes(compliance: Floats, strain: Floats, angle: Floats) -> tuple[Floats, ...]:
    """W's first and second derivative by the angle, and what they are made of."""
    a, a1, a2 = _axis(angle)
    q, q1 = _form(compliance, a, a), 2.0 * _form(compliance, a, a1)
    q2 = 2.0 * (_form(compliance, a1, a1) + _form(compliance, a, a2))
    s = np.einsum("ni,ni->n", a, strain)
    s1, s2 = np.einsum("ni,ni->n", a1, strain), np.einsum("ni,ni->n", a2, strain)
    slope = s * s1 / q - s * s * q1 / (2.0 * q * q)
    bend = (
        (s1 * s1 + s * s2) / q - 2.0 * s * s1 * q1 / q**2 - s * s * q2 / (2.0 * q**2) + s * s * q1**2 / q**3
    )
    return slope, bend, a, a1, q, q1, s
