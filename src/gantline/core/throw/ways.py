"""Moves of a lens: past the room, out of a box, into its zone, out of a shadow, and the best place of many."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gantline.core.space import Point3, Solid
from gantline.core.throw.mount import joist_choices
from gantline.core.throw.places import LensCase, grown, possible

Floats = NDArray[np.float64]
STEP_MM = 12.0
FARTHEST_MM = 1500.0  # a lens or a lamp is not moved farther than this to clear a shadow
COLUMNS, ROWS = 49, 121  # the search's grid over the room's width and height
ENOUGH_MM = 500.0  # a longer clear stretch makes a place no better
STANDING_MM = 800.0  # a lens on a usual shelf, where nothing is said of its height
SIDES = ("left wall", "right wall", "floor", "ceiling", "screen wall", "back of the room")


@dataclass(frozen=True, slots=True, kw_only=True)
class Move:
    """A move along one axis (0 x, 1 y, 2 z) [mm], and the coordinate it leads to."""

    axis: int
    by_mm: float
    to_mm: float


def past_room(wanted: LensCase, place: Point3) -> tuple[str, float] | None:
    """Which end of the room body and air reach past, and how far [mm]; None where they do not."""
    body, room = wanted.body, wanted.room
    over = (
        body.left_mm - (place[0] - room.low[0]),
        place[0] + body.right_mm - room.high[0],
        body.below_mm - place[1],
        place[1] + body.above_mm - room.high[1],
        body.wallward_mm - place[2],
        place[2] + body.roomward_mm - room.high[2],
    )
    at = max(range(len(over)), key=over.__getitem__)
    return (SIDES[at], over[at]) if over[at] > 1e-9 else None


def ways_out(wanted: LensCase, solid: Solid, place: Point3) -> tuple[Move, ...]:
    """The shortest moves along one axis after which the lens can be there, at most three."""
    out = grown(wanted, solid)
    found = []
    for axis in range(3):
        for edge in (out.low[axis], out.high[axis]):
            to = (*place[:axis], edge, *place[axis + 1 :])
            if bool(possible(wanted, *to)):
                found.append(Move(axis=axis, by_mm=edge - place[axis], to_mm=edge))
    return tuple(sorted(found, key=lambda one: abs(one.by_mm))[:3])


def into_zone(zone: Solid, place: Point3, *, tolerance_mm: float) -> tuple[Move, ...]:
    """The moves that bring a lens into its zone, one an axis; none where it is inside by the tolerance."""
    into = tuple(min(max(at, low), high) for at, low, high in zip(place, zone.low, zone.high, strict=True))
    moves = (Move(axis=axis, by_mm=into[axis] - place[axis], to_mm=into[axis]) for axis in range(3))
    return tuple(move for move in moves if abs(move.by_mm) > tolerance_mm)


def clearing_moves(
    wanted: LensCase, lens: Point3, fabric_mm: float, dark: Callable[[Point3], bool], *, step_mm: float
) -> tuple[Move, ...]:
    """The least move of the lens along each axis that leaves no shadow, in whole steps; up and down first.

    Args: lens (x, y, Z from the fabric) [mm]; dark(lens) says whether anything is in the light from there;
        step_mm, the tape's step.  Leaves out: the joists.
    """
    step = step_mm * math.ceil(STEP_MM / step_mm)
    free = replace(wanted, lines=None)
    moves = np.array([sign * step * k for k in range(1, int(FARTHEST_MM / step)) for sign in (-1.0, 1.0)])
    found = []
    for axis in (1, 0, 2):
        places = np.tile(np.array(lens), (len(moves), 1))
        places[:, axis] += moves
        for k in np.flatnonzero(possible(free, places[:, 0], places[:, 1], places[:, 2] + fabric_mm)):
            x, y, z = (float(value) for value in places[k])
            if not dark((x, y, z)):
                found.append(Move(axis=axis, by_mm=float(moves[k]), to_mm=(x, y, z)[axis]))
                break
    return tuple(found)


def clearing_rise_mm(solid: Solid, dark: Callable[[Solid], bool], *, step_mm: float) -> float | None:
    """How much higher a box would have to hang to leave no shadow, in whole steps [mm]; None within 1.5 m."""
    step = step_mm * math.ceil(STEP_MM / step_mm)
    rises = (k * step for k in range(1, int(FARTHEST_MM / step)))
    return next((rise for rise in rises if not dark(solid.moved((0.0, rise, 0.0)))), None)


def search_grid(wanted: Sequence[LensCase], own_height_mm: float | None) -> tuple[Floats, Floats]:
    """Where lens places are looked for [mm]: x the joists' lens places, or across the room with the picture's
    center; y up the room, with the lens's own height and those that need no shift: a fixed offset has no other."""
    first = wanted[0]
    room = first.room if first.zone is None else first.room.within(first.zone)
    if first.lines is not None and first.lines.axis == "x":
        choices = joist_choices(first.lines.centres_mm, first.picture_x_mm, first.lines.plate_mm)
        x = np.array(sorted(choice.lens_mm for choice in choices))
    else:
        x = np.append(np.linspace(room.low[0], room.high[0], COLUMNS), first.picture_x_mm)
    own = [] if own_height_mm is None else [own_height_mm]
    rest = [one.picture_y_mm - one.offset * one.panel.height_mm for one in wanted]
    return x, np.array([*np.linspace(room.low[1], room.high[1], ROWS), *own, *rest])


def best_place(
    wanted: LensCase,
    free: Floats,
    middle: Floats,
    x: Floats,
    y: Floats,
    *,
    height_mm: float,
    near_mm: float | None,
) -> Point3 | None:
    """The place near the picture's center line and near the height it would stand or hang at.

    Args: free and middle (len(x), len(y)) as from search(); height_mm, where it would stand or hang; near_mm, the
        distance from the wall that is kept if it is clear.  Returns: (x, y, z of the pupil), None without any.
    """
    if not (free > 0.0).any():
        return None
    score = (
        np.minimum(free, ENOUGH_MM)
        - np.abs(x - wanted.picture_x_mm)[:, None]
        - np.abs(y - height_mm)[None, :]
    )
    column, row = np.unravel_index(np.argmax(np.where(free > 0.0, score, -np.inf)), free.shape)
    z, half = float(middle[column, row]), float(free[column, row]) / 2.0
    if near_mm is not None:
        z = min(max(near_mm, z - half), z + half)
    return float(x[column]), float(y[row]), z
