"""Hanging a projector: pole, plate, joist and cable, from where the lens must be. Lengths [mm]."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from gantline.core.budget import bounded

MOST_JOISTS = 2000  # 100 m of ceiling at the least spacing has 1,000
STANDS_ON = ("cabinet", "furniture")  # what a cabinet-top projector can stand on
Point = tuple[float, float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Plate:
    """Where the mount plate's center sits from the lens: right + and roomward + [mm], and lens axis below the plate."""

    right_mm: float = 0.0
    roomward_mm: float = 0.0
    to_axis_mm: float = 0.0


def pole_mm(ceiling_mm: float, lens_y_mm: float, plate: Plate) -> float:
    """Pole to cut: ceiling - lens height - (mount plate + plate to lens axis); below 0 there is no room for the mount."""
    return ceiling_mm - lens_y_mm - plate.to_axis_mm


def usual_mount(*, hung: bool, has_shift: bool, ratio_high: float | None, cabinet_ratio: float) -> str:
    """How a projector is usually held: a joist where it hangs, a cabinet under the screen where its lens has no shift
    and throws shorter than cabinet_ratio, a shelf else.  Source: such lenses stand in front of the screen."""
    if hung:
        return "joist"
    return "cabinet" if not has_shift and ratio_high is not None and ratio_high < cabinet_ratio else "shelf"


@dataclass(frozen=True, slots=True, kw_only=True)
class JoistChoice:
    """One joist: its center, the lens place with the plate on it, and how far the lens moves for that [mm]."""

    number: int
    centre_mm: float
    lens_mm: float
    move_mm: float


def joist_choices(centres_mm: Sequence[float], lens_mm: float, plate_mm: float) -> tuple[JoistChoice, ...]:
    """Every joist, nearest first: along the axis the joists are counted on, plate_mm from lens to plate."""
    found = [
        JoistChoice(
            number=number, centre_mm=center, lens_mm=center - plate_mm, move_mm=center - plate_mm - lens_mm
        )
        for number, center in enumerate(centres_mm, start=1)
    ]
    return tuple(sorted(found, key=lambda one: abs(one.move_mm)))


def joist_centres(first_mm: float, spacing_mm: float, end_mm: float) -> tuple[float, ...]:
    """Centers of the joists up to the end of the room, along the axis they are counted on [mm]."""
    count = bounded(int(max(0.0, end_mm - first_mm) // spacing_mm) + 1, MOST_JOISTS, "joists", "spacing_mm")
    centers = (first_mm + k * spacing_mm for k in range(count))
    return tuple(center for center in centers if center <= end_mm)


def cable_path(start: Point, end: Point, *, level_mm: float) -> tuple[Point, ...]:
    """Corners (x, y, z) of a cable from start to level_mm, along the wall, square out into the room, to end.

    level_mm: the height it runs at, a ceiling's or the floor's. Source: cable runs square to the building.
    """
    (x0, y0, z0), (x1, y1, z1) = start, end
    return (x0, y0, z0), (x0, level_mm, z0), (x1, level_mm, z0), (x1, level_mm, z1), (x1, y1, z1)


def path_mm(corners: Sequence[Point]) -> float:
    """Length of a path through its corners [mm]."""
    return math.fsum(math.dist(one, after) for one, after in pairwise(corners))
