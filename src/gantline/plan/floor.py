"""The floor map: where in the room the picture is good, for one chosen measure, on a grid."""

from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from gantline.core.defaults import Shop
from gantline.core.light.luminance import CONTRAST_BANDS, Array
from gantline.core.sight.angles import viewing_angle_deg
from gantline.core.sight.rows import least_clearance_mm
from gantline.core.units import Units, length_text
from gantline.plan.light import seat_light
from gantline.plan.plan import Planned
from gantline.plan.seats_at import main_seat

NEAREST_MM = 600.0


class Measure(StrEnum):
    """What the floor is coloured by."""

    ANGLE = "angle"
    BRIGHTNESS = "brightness"
    EVENNESS = "evenness"
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
    planned: Planned, shop: Shop, units: Units, measure: Measure, *, state: int = 0, columns: int = 60, rows: int = 60
) -> FloorMap | None:
    """Compute the map at the main seat's eye height; None where light is asked for and not known.

    Source: the same sight and light functions as the seats, on columns x rows eyes at once.
    """
    scene = planned.scene
    z0 = scene.fabric_z_mm
    far = max(scene.room_depth_mm, z0 + NEAREST_MM + 1.0)
    x = (np.arange(columns) + 0.5) * scene.wall_mm / columns
    z = z0 + NEAREST_MM + (np.arange(rows) + 0.5) * (far - z0 - NEAREST_MM) / rows
    main = main_seat(planned.seats)
    eye_mm = main.eye_mm if main else shop["eye_mm"]
    grid_x, grid_z = np.meshgrid(x, z)
    classes, words, ranks = _classes(planned, shop, measure, state, grid_x.ravel(), grid_z.ravel() - z0, eye_mm)
    if classes is None:
        return None
    light = (
        ""
        if measure in (Measure.ANGLE, Measure.SIGHT)
        else f", {planned.plan.light_states[min(state, len(planned.plan.light_states) - 1)]}"
    )
    return FloorMap(
        left_mm=0.0, right_mm=scene.wall_mm, near_mm=z0 + NEAREST_MM, far_mm=far, columns=columns, rows=rows,
        classes=tuple(int(one) for one in classes), words=words, ranks=ranks,
        at=f"eye {length_text(eye_mm, units)} above the floor{light}",
    )  # fmt: skip


def _classes(
    planned: Planned, shop: Shop, measure: Measure, state: int, x: Array, distance: Array, eye_mm: float
) -> tuple[NDArray[np.intp] | None, tuple[str, ...], tuple[int, ...]]:
    """Classes of every cell, their words, and how good each is: 0 the worst."""
    if measure is Measure.ANGLE:
        angle = viewing_angle_deg(distance, x - planned.hung.place.centre_x_mm, planned.hung.place.screen.picture.width_mm)
        names = ("angle_small_deg", "angle_far_deg", "angle_main_low_deg", "angle_main_high_deg", "angle_near_deg")
        found, ranges = _between(angle, [shop[name] for name in names], "°")
        return (
            found,
            _after(ranges, ("small", "a far row", "a far row, good", "main row", "a near row", "too near")),
            (0, 1, 2, 4, 3, 0),
        )
    if measure is Measure.SIGHT:
        bottom = planned.hung.picture_centre_mm - planned.hung.place.screen.picture.height_mm / 2.0
        least = least_clearance_mm(distance, eye_mm, planned.hung.asked.eyes, bottom)
        clear = planned.hung.asked.head_clear_mm
        sight = ("a head in the way", "between heads, tight", "clear over every head")
        return np.digitize(least, [0.0, clear - 0.01]), sight, (0, 1, 2)
    if planned.model is None:
        return None, (), ()
    eyes = np.stack([x, np.full_like(x, eye_mm), distance], axis=1)
    seen, contrast = seat_light(planned.model, eyes)
    if measure is Measure.BRIGHTNESS:
        steps = ("bright_low_cd_m2", "bright_dark_cd_m2", "bright_lamp_cd_m2", "bright_day_cd_m2")
        found, ranges = _between(seen[:, 0], [shop[name] for name in steps], " cd/m²")
        return found, _after(ranges, ("dull", "weak", "dark room", "lamps", "day")), (0, 1, 2, 3, 4)
    if measure is Measure.EVENNESS:
        share = 100.0 * seen.min(axis=1) / np.maximum(seen.max(axis=1), 1e-9)
        found, ranges = _between(share, [100.0 * shop[name] for name in ("even_poor", "hot_spot", "even_good")], " %")
        return found, _after(ranges, ("dark edges", "hot spot", "even", "very even")), (0, 1, 2, 3)
    at = min(state, contrast.shape[1] - 1)
    bands = tuple(word for _, word in CONTRAST_BANDS)
    return np.digitize(contrast[:, at], [low for low, _ in CONTRAST_BANDS[1:]]), bands, tuple(range(len(bands)))


def _between(values: Array, limits: list[float], unit: str) -> tuple[NDArray[np.intp], tuple[str, ...]]:
    """Class of each value between limits, which a shop may set in any order, and the ranges as text."""
    limits = sorted(limits)
    inner = (f"{low:g} to {high:g}{unit}" for low, high in pairwise(limits))
    return np.digitize(values, limits), (f"under {limits[0]:g}{unit}", *inner, f"over {limits[-1]:g}{unit}")


def _after(ranges: tuple[str, ...], words: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(f"{word}, {text}" for text, word in zip(ranges, words, strict=True))
