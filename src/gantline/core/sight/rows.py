"""Heads in the way: who sees the picture's lower edge past whom, and which platform or sideways move cures it. Lengths [mm].

A head is an upright cylinder up to its eye and a clearance. It hides the picture from an eye behind it only where it stands in
the sight triangle, in plan between that eye and the two ends of the picture's lower edge, and far enough forward.
Source: rays from the eye to every point of the lower edge; on one at a share t of its way to the fabric the height is
E + (y_b - E) t, so that a head of height h asks for y_b >= E + (h - E) / t.
Leaves out: shoulders and the backs of seats, and what of the picture lies above its lower edge.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import require_positive
from gantline.core.sight.angles import Array

ROUNDING_MM = 0.01  # a height held by this very bound misses it only by binary rounding
HEAD_MM = 100.0  # half the width of a head
COMFORT_MM = 200.0  # as far from the line of sight a head is not noticed
POINTS = 1001  # of the lower edge, where a seat may lose a share of it
FARTHER_MM = 600.0  # a head less than this farther forward sits beside, not in front

Edge = tuple[float, float]
"""The ends of the picture's lower edge across the room [mm], left and right."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Eye:
    """One seat's eye: distance from the fabric [mm] > 0, height above the finished floor [mm], place across the room [mm]."""

    distance_mm: float
    eye_mm: float
    x_mm: float = 0.0

    def __post_init__(self) -> None:
        require_positive(distance_mm=self.distance_mm)


def in_triangle(
    distance_mm: Array, x_mm: Array, fronts: Sequence[Eye], edge: Edge, half_mm: float = HEAD_MM
) -> tuple[Array, Array]:
    """Where heads stand in sight triangles, as shares of the way from the eye to the fabric.

    Args: distance_mm, x_mm (n,) of the eyes; fronts (m), whose heads may be in the way; half_mm, half the width of a head.
    Returns: least and greatest share (n, m); NaN where the head stands outside of the triangle, or is not far enough forward.
    """
    deep, across = np.asarray(distance_mm)[:, None], np.asarray(x_mm)[:, None]
    head_deep = np.array([front.distance_mm for front in fronts])
    head_across = np.array([front.x_mm for front in fronts])
    run = np.array(edge)[:, None, None] - across  # to both ends at once
    off_x, off_d = across - head_across, deep - head_deep
    # where a side of the triangle enters and leaves the head
    square = run**2 + deep**2
    half = run * off_x - deep * off_d
    under = half**2 - square * (off_x**2 + off_d**2 - half_mm**2)
    under[under < 0.0] = np.nan  # that side passes the head
    root = np.sqrt(under)
    sides = (-half - root) / square, (-half + root) / square
    # the head's own nearest and farthest point, where it lies between the sides
    own = (off_d - np.array([half_mm, -half_mm])[:, None, None]) / deep
    left, right = across + own * run[0], across + own * run[1]
    own[(left > head_across) | (head_across > right)] = np.nan
    shares = np.concatenate([*sides, own])
    shares[:, off_d < FARTHER_MM] = np.nan
    return np.fmin.reduce(shares), np.minimum(np.fmax.reduce(shares), 1.0)


def _shares(eyes: Sequence[Eye], edge: Edge, half_mm: float) -> tuple[Array, Array]:
    distance = np.array([eye.distance_mm for eye in eyes])
    return in_triangle(distance, np.array([eye.x_mm for eye in eyes]), eyes, edge, half_mm)


def bottoms_mm(
    eyes: Sequence[Eye], edge: Edge, *, clear_mm: float, half_mm: float = HEAD_MM, lose: float = 0.0
) -> dict[tuple[int, int], float]:
    """For every pair (rear, front) whose head stands in the triangle, by their places in `eyes`: the lowest bottom of the
    picture of which the rear eye sees every point past the front head, or all but the share that it may lose [mm].

    Args: eyes in any order; clear_mm, from an eye to the top of its head; lose, the share of the lower edge's width that an eye
        may lose behind all heads before it together.
    """
    if len(eyes) < 2:
        return {}
    near, far = _shares(eyes, edge, half_mm)
    bottoms = {}
    for i, j in np.argwhere(~np.isnan(near)).tolist():
        rise = eyes[j].eye_mm + clear_mm - eyes[i].eye_mm
        bottoms[i, j] = eyes[i].eye_mm + rise / float(near[i, j] if rise > 0.0 else far[i, j])
    return bottoms if lose <= 0.0 else _losing(eyes, edge, bottoms, clear_mm, half_mm, lose)


def _losing(
    eyes: Sequence[Eye],
    edge: Edge,
    whole: dict[tuple[int, int], float],
    clear_mm: float,
    half_mm: float,
    lose: float,
) -> dict[tuple[int, int], float]:
    """The bottoms that leave every eye all but its share, no pair's above what the whole edge asks for."""
    bottoms: dict[tuple[int, int], float] = {}
    for rear in {rear for rear, _ in whole}:
        fronts = [front for behind, front in whole if behind == rear]
        enters, leaves = along_edge(eyes[rear], [eyes[front] for front in fronts], edge, half_mm)
        rise = np.array([eyes[front].eye_mm for front in fronts])[:, None] + clear_mm - eyes[rear].eye_mm
        asked = eyes[rear].eye_mm + rise / np.where(rise > 0.0, enters, leaves)
        least = _all_but(np.fmax.reduce(np.where(np.isnan(asked), -np.inf, asked)), lose)
        if least > -math.inf:
            bottoms |= {(rear, front): min(whole[rear, front], least) for front in fronts}
    return bottoms


def along_edge(rear: Eye, fronts: Sequence[Eye], edge: Edge, half_mm: float = HEAD_MM) -> tuple[Array, Array]:
    """Where the rays from an eye to points of the lower edge enter and leave heads, as shares of the way to the fabric.

    Returns: both (fronts, POINTS), from the left end of the edge to its right; NaN where a ray meets no head.
    Source: the ray's two crossings with a circle in plan.
    """
    run = np.linspace(*edge, POINTS)[None, :] - rear.x_mm
    across = rear.x_mm - np.array([front.x_mm for front in fronts])[:, None]
    deep = rear.distance_mm - np.array([front.distance_mm for front in fronts])[:, None]
    square = run**2 + rear.distance_mm**2
    half = run * across - rear.distance_mm * deep
    with np.errstate(invalid="ignore"):
        root = np.sqrt(half**2 - square * (across**2 + deep**2 - half_mm**2))
    return (-half - root) / square, np.minimum((-half + root) / square, 1.0)


def _all_but(asked: Array, lose: float) -> float:
    """The least value that all but a share of the points ask for no more than."""
    return float(np.sort(asked)[::-1][min(int(lose * len(asked)), len(asked) - 1)])


def own_bottoms_mm(
    eyes: Sequence[Eye], edge: Edge, *, clear_mm: float, lose: float = 0.0
) -> tuple[float, ...]:
    """For every eye, the lowest bottom of the picture that it sees past all heads, or loses no more of than its share [mm]; minus
    infinity where none is in its triangle. Args: as above."""
    lowest = [-math.inf] * len(eyes)
    for (rear, _), bottom in bottoms_mm(eyes, edge, clear_mm=clear_mm, lose=lose).items():
        lowest[rear] = max(lowest[rear], bottom)
    return tuple(lowest)


def lowest_bottom_mm(eyes: Sequence[Eye], edge: Edge, *, clear_mm: float, lose: float = 0.0) -> float | None:
    """Lowest bottom of the picture that every eye sees past every head [mm]; None where no head is in the way. Args: as above."""
    return max(bottoms_mm(eyes, edge, clear_mm=clear_mm, lose=lose).values(), default=None)


def least_clearance_mm(
    distance_mm: Array,
    x_mm: Array,
    eye_mm: float,
    fronts: Sequence[Eye],
    picture_bottom_mm: float,
    edge: Edge,
) -> Array:
    """Least height of the rays to the picture's bottom over all eyes in the triangle [mm], for many places at once.

    Args: distance_mm, x_mm (n,) of places with their eye at eye_mm; fronts, whose heads may be in the way.
    Returns: (n,), infinite where no head is in the triangle.
    """
    if not fronts:
        return np.full(distance_mm.shape, np.inf)
    heights = np.array([front.eye_mm for front in fronts])[None, :]
    fall = picture_bottom_mm - eye_mm
    over = [eye_mm + fall * share - heights for share in in_triangle(distance_mm, x_mm, fronts, edge)]
    least: Array = np.nanmin(np.where(np.isnan(over), np.inf, over), axis=(0, 2))
    return least


def move_aside_mm(rear: Eye, front: Eye, edge: Edge, half_mm: float = HEAD_MM) -> tuple[float, float]:
    """How far the front head moves to leave the rear eye's triangle [mm]: to the left (negative) and to the right.

    Source: its middle comes to lie half a head outside of a side of the triangle, measured square to that side.
    """
    share = (rear.distance_mm - front.distance_mm) / rear.distance_mm
    moves = []
    for end, sign in zip(edge, (-1.0, 1.0), strict=True):
        side = rear.x_mm + share * (end - rear.x_mm)
        slant = math.hypot(rear.distance_mm, end - rear.x_mm) / rear.distance_mm
        moves.append(side + sign * half_mm * slant - front.x_mm)
    return moves[0], moves[1]


@dataclass(frozen=True, slots=True, kw_only=True)
class Occupant:
    """A seat: distance from the fabric, place across the room, seated eye above its platform, the platform there is [mm]."""

    distance_mm: float
    seated_mm: float
    platform_mm: float = 0.0
    x_mm: float = 0.0


def _eyes_wanted(heads_mm: Array, bottom_mm: float, enters: Array, leaves: Array) -> Array:
    """How high an eye must be to see the bottom over heads at both ends of their shares [mm]: the highest over the first axis
    where there are two."""
    wanted = [(heads_mm - bottom_mm * share) / np.maximum(1.0 - share, 1e-9) for share in (enters, leaves)]
    over = np.fmax(*wanted)
    high: Array = over if over.ndim == 1 else np.fmax.reduce(np.where(np.isnan(over), -np.inf, over))
    return high


def platforms_mm(
    seats: Sequence[Occupant],
    bottom_mm: float,
    edge: Edge,
    *,
    clear_mm: float,
    step_mm: float,
    lose: float = 0.0,
) -> tuple[float, ...]:
    """The platform each seat needs to see the picture's bottom past every head in its triangle, from the front back [mm].

    Never lower than the platform there is; raised to whole steps. In the order of the seats.
    Source: E >= (h - y_b t) / (1 - t) at either end of the head's share t of the way.
    """
    if not seats:
        return ()
    eyes = [Eye(distance_mm=seat.distance_mm, eye_mm=0.0, x_mm=seat.x_mm) for seat in seats]
    near, far = _shares(eyes, edge, HEAD_MM)
    out = [0.0] * len(seats)
    for rear in sorted(range(len(seats)), key=lambda place: seats[place].distance_mm):
        seat = seats[rear]
        fronts = np.flatnonzero(~np.isnan(near[rear])).tolist()
        heads = np.array([seats[front].seated_mm + out[front] + clear_mm for front in fronts])
        if lose > 0.0 and fronts:
            shares = along_edge(eyes[rear], [eyes[front] for front in fronts], edge)
            needed = _all_but(_eyes_wanted(heads[:, None], bottom_mm, *shares), lose)
        else:
            needed = float(
                np.max(_eyes_wanted(heads, bottom_mm, near[rear, fronts], far[rear, fronts]), initial=-np.inf)
            )
        missing = needed - seat.seated_mm - seat.platform_mm
        out[rear] = seat.platform_mm
        if missing > ROUNDING_MM:
            out[rear] = math.ceil((seat.platform_mm + missing) / step_mm - 1e-9) * step_mm
    return tuple(out)
