"""Four readings of a cast cross held against the projector that casts it: which of them slipped, or which two were swapped.

A map from panel to wall takes any four readings as they are. A pinhole whose place, zoom and shift are known about is not so
free: it is fitted to all readings, each of its numbers held near what is known, and what it cannot take up is a slip.
Source: least squares; the reading without which the fit falls most is named where no other comes near it.
Leaves out: a bowed wall.
"""

from dataclasses import dataclass, replace
from itertools import combinations

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import Array, Pose, to_wall

FREE = ("yaw", "pitch", "roll", "ratio", "shift_h", "shift_v", "lens_x_mm", "lens_y_mm", "distance_mm")
ROUNDS = 8
FALLS = 0.3  # what is left of a misfit where its cause is taken away
CLEAR = 0.8  # of the next best explanation


@dataclass(frozen=True, slots=True, kw_only=True)
class About:
    """How far a projector may be from what is known of it: turns [rad], zoom and shift [shares], its lens [mm], and how well a
    reading is taken [mm]."""

    turn: float
    ratio: float
    shift: float
    place_mm: float
    reading_mm: float

    def spreads(self, pose: Pose) -> Array:
        """Of each free number."""
        return np.array([self.turn] * 3 + [self.ratio * pose.ratio] + [self.shift] * 2 + [self.place_mm] * 3)


@dataclass(frozen=True, slots=True, kw_only=True)
class Judged:
    """misfit: what the fit leaves, in spreads of a reading, 1 or so where all are right; slipped: the one that is off; swapped:
    the two that were written in each other's place; neither where it cannot be told."""

    misfit: float
    slipped: int | None = None
    swapped: tuple[int, int] | None = None


def judged(pose: Pose, uv: Array, wall_mm: Array, about: About, *, most: float) -> Judged:
    """What is wrong with readings.

    Args: pose, the projector as it should stand; uv (n, 2), panel points about its middle, as `to_wall` takes them; wall (n, 2),
        what was read there [mm]; most, misfit up to which nothing is wrong.
    Raises: nothing.
    """
    whole = _cost(pose, uv, wall_mm, about)
    misfit = float(np.sqrt(whole / max(len(uv), 1)))
    if misfit <= most:
        return Judged(misfit=misfit)
    swaps = {}
    for a, b in combinations(range(len(uv)), 2):
        other = wall_mm.copy()
        other[[a, b]] = wall_mm[[b, a]]
        swaps[a, b] = _cost(pose, uv, other, about)
    best = min(swaps, key=lambda pair: swaps[pair])
    if swaps[best] < max(most**2 * len(uv), FALLS**2 * whole):
        return Judged(misfit=misfit, swapped=best)
    without = [
        _cost(pose, np.delete(uv, k, axis=0), np.delete(wall_mm, k, axis=0), about) for k in range(len(uv))
    ]
    least, second = sorted(without)[:2]
    if least < CLEAR * second:
        return Judged(misfit=misfit, slipped=int(np.argmin(without)))
    return Judged(misfit=misfit)


def _cost(pose: Pose, uv: Array, wall_mm: Array, about: About) -> float:
    """What the best pose leaves: squares of misses and of how far it is from what is known, each in its spread."""
    spreads = about.spreads(pose)
    start = np.array([getattr(pose, name) for name in FREE])

    def misses(off: Array) -> Array | None:
        numbers = start + off * spreads
        try:
            there = to_wall(replace(pose, **dict(zip(FREE, map(float, numbers), strict=True))), uv)
        except OutOfRange:
            return None
        return np.concatenate([((there - wall_mm) / about.reading_mm).ravel(), off])

    off = np.zeros(len(FREE))
    now = misses(off)
    if now is None:
        return float("inf")
    for _ in range(ROUNDS):
        slopes = []
        for k in range(len(FREE)):
            step = np.zeros(len(FREE))
            step[k] = 1e-4
            moved = misses(off + step)
            slopes.append(np.zeros_like(now) if moved is None else (moved - now) / 1e-4)
        by = np.linalg.lstsq(np.array(slopes).T, -now, rcond=None)[0]
        share, better = 1.0, None
        while share > 0.05:
            better = misses(off + share * by)
            if better is not None and better @ better < now @ now:
                break
            share, better = share / 2.0, None
        if better is None:
            break
        done = float(now @ now) - float(better @ better) < 1e-6 * float(now @ now)
        off, now = off + share * by, better
        if done:
            break
    return float(now @ now)
