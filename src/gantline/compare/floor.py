"""The floor map: where in the room the picture is good, for one chosen measure, on a grid."""

from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from gantline.core.defaults import LightDefaults, SeatsDefaults
from gantline.core.light.luminance import CONTRAST_BANDS, Array
from gantline.core.sight.angles import viewing_angle_deg
from gantline.core.sight.rows import least_clearance_mm
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import asked, centre_x_mm, rect_of_picture
from gantline.stations.light import light_model, seat_light, state_names
from gantline.stations.size import screen
from gantline.stations.survey import depth_mm, main_seat, wall_mm

NEAREST_MM = 600.0
Classes = tuple[NDArray[np.intp], tuple[str, ...], tuple[int, ...]]


class Measure(StrEnum):
    """What the floor is colored by."""

    ANGLE = "angle"
    BRIGHTNESS = "brightness"
    UNIFORMITY = "uniformity"
    CONTRAST = "contrast"
    SIGHT = "sight"


@dataclass(frozen=True, slots=True, kw_only=True)
class FloorMap:
    """A grid over the floor [mm, wall axes; z from the bare wall]: rows from the wall back, columns from the left.

    classes index words, in the order of the measure; ranks say how good each class is, 0 the worst: for an
    angle the best lies in the middle. `at` says which height and light state it is for.
    """

    left_mm: float
    right_mm: float
    near_mm: float
    far_mm: float
    columns: int
    rows: int
    classes: tuple[int, ...]
    words: tuple[str, ...]
    ranks: tuple[int, ...]
    at: str


def floor_map(
    at: Ask, measure: Measure, *, state: int = 0, columns: int = 60, rows: int = 60
) -> FloorMap | None:
    """Compute the map at the main seat's eye height; None where light is asked for and not known.

    Source: the same sight and light functions as the seats, on columns x rows eyes at once.
    """
    z0, wall = at(fabric_plane_mm), at(wall_mm)
    far = max(at(depth_mm), z0 + NEAREST_MM + 1.0)
    x = (np.arange(columns) + 0.5) * wall / columns
    z = z0 + NEAREST_MM + (np.arange(rows) + 0.5) * (far - z0 - NEAREST_MM) / rows
    main = at(main_seat)
    eye_mm = main.eye_mm if main else at.default(SeatsDefaults.eye_mm)
    grid_x, grid_z = np.meshgrid(x, z)
    found = _classes(at, measure, state, grid_x.ravel(), grid_z.ravel() - z0, eye_mm)
    if found is None:
        return None
    classes, words, ranks = found
    names = at(state_names)
    light = "" if measure in (Measure.ANGLE, Measure.SIGHT) else f", {names[min(state, len(names) - 1)]}"
    return FloorMap(
        left_mm=0.0,
        right_mm=wall,
        near_mm=z0 + NEAREST_MM,
        far_mm=far,
        columns=columns,
        rows=rows,
        classes=tuple(int(kind) for kind in classes),
        words=words,
        ranks=ranks,
        at=f"eye {at.text(eye_mm)} above the floor{light}",
    )


def _classes(
    at: Ask, measure: Measure, state: int, x: Array, distance: Array, eye_mm: float
) -> Classes | None:
    """Classes of every cell, their words, and how good each is: 0 the worst."""
    match measure:
        case Measure.ANGLE:
            return _angles(at, x, distance)
        case Measure.SIGHT:
            least = least_clearance_mm(
                distance, x, eye_mm, at(asked).eyes, at(rect_of_picture)[1], at(asked).place.edge_mm
            )
            words = ("a head in the way", "between heads, tight", "clear over every head")
            return np.digitize(least, [0.0, at(asked).head_clear_mm - 0.01]), words, (0, 1, 2)
    model = at(light_model)
    if model is None:
        return None
    seen, contrast = seat_light(model, np.stack([x, np.full_like(x, eye_mm), distance], axis=1))
    match measure:
        case Measure.BRIGHTNESS:
            limits = (
                LightDefaults.bright_low_cd_m2,
                LightDefaults.bright_dark_cd_m2,
                LightDefaults.bright_lamp_cd_m2,
                LightDefaults.bright_day_cd_m2,
            )
            found, ranges = _between(seen[:, 0], [at.default(limit) for limit in limits], " cd/m²")
            return found, _after(ranges, ("dull", "weak", "dark room", "lamps", "day")), (0, 1, 2, 3, 4)
        case Measure.UNIFORMITY:
            share = 100.0 * seen.min(axis=1) / np.maximum(seen.max(axis=1), 1e-9)
            limits_3 = (LightDefaults.even_poor, LightDefaults.hot_spot, LightDefaults.even_good)
            found, ranges = _between(share, [100.0 * at.default(one) for one in limits_3], "\u00a0%")
            return found, _after(ranges, ("dark edges", "hot spot", "uniform", "very uniform")), (0, 1, 2, 3)
        case _:
            column = min(state, contrast.shape[1] - 1)
            bands = tuple(word for _, word in CONTRAST_BANDS)
            lows = [low for low, _ in CONTRAST_BANDS[1:]]
            return np.digitize(contrast[:, column], lows), bands, tuple(range(len(bands)))


def _angles(at: Ask, x: Array, distance: Array) -> Classes:
    angle = viewing_angle_deg(distance, x - at(centre_x_mm), at(screen).picture.width_mm)
    limits = (
        SeatsDefaults.angle_small_deg,
        SeatsDefaults.angle_far_deg,
        SeatsDefaults.angle_main_low_deg,
        SeatsDefaults.angle_main_high_deg,
        SeatsDefaults.angle_near_deg,
    )
    found, ranges = _between(angle, [at.default(limit) for limit in limits], "°")
    words = ("small", "a far row", "a far row, good", "main row", "a near row", "too close")
    return found, _after(ranges, words), (0, 1, 2, 4, 3, 0)


def _between(values: Array, limits: list[float], unit: str) -> tuple[NDArray[np.intp], tuple[str, ...]]:
    """Class of each value between limits, which a shop may set in any order, and the ranges as text."""
    limits = sorted(limits)
    inner = (f"{low:g} to {high:g}{unit}" for low, high in pairwise(limits))
    return np.digitize(values, limits), (f"under {limits[0]:g}{unit}", *inner, f"over {limits[-1]:g}{unit}")


def _after(ranges: tuple[str, ...], words: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(f"{word}, {text}" for text, word in zip(ranges, words, strict=True))
