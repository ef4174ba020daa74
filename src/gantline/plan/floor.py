"""The floor map: where in the room the picture is good, for one chosen measure, on a grid."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from gantline.core.light.luminance import CONTRAST_BANDS, Array
from gantline.core.sight import least_clearance_mm, viewing_angle_deg
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

    classes count from 0 (poor) up; words name them. `at` says which height and light state it is for.
    """

    left_mm: float
    right_mm: float
    near_mm: float
    far_mm: float
    columns: int
    rows: int
    classes: tuple[int, ...]
    words: tuple[str, ...]
    at: str


def floor_map(
    planned: Planned, units: Units, measure: Measure, *, state: int = 0, columns: int = 60, rows: int = 60
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
    eye_mm = main.eye_mm if main else 1100.0
    grid_x, grid_z = np.meshgrid(x, z)
    classes, words = _classes(planned, measure, state, grid_x.ravel(), grid_z.ravel() - z0, eye_mm)
    if classes is None:
        return None
    light = (
        ""
        if measure in (Measure.ANGLE, Measure.SIGHT)
        else f", {planned.plan.light_states[min(state, len(planned.plan.light_states) - 1)]}"
    )
    return FloorMap(
        left_mm=0.0, right_mm=scene.wall_mm, near_mm=z0 + NEAREST_MM, far_mm=far, columns=columns, rows=rows,
        classes=tuple(int(one) for one in classes), words=words, at=f"eye {length_text(eye_mm, units)} above the floor{light}",
    )  # fmt: skip


def _classes(
    planned: Planned, measure: Measure, state: int, x: Array, distance: Array, eye_mm: float
) -> tuple[NDArray[np.intp] | None, tuple[str, ...]]:
    if measure is Measure.ANGLE:
        angle = viewing_angle_deg(distance, x - planned.hung.place.centre_x_mm, planned.hung.place.screen.picture.width_mm)
        return np.digitize(angle, [25.0, 30.0, 36.0, 45.0, 60.0]), (
            "small, under 25°", "25 to 30°", "30 to 36°", "36 to 45°, main row", "45 to 60°, near", "over 60°, too near",
        )  # fmt: skip
    if measure is Measure.SIGHT:
        bottom = planned.hung.picture_centre_mm - planned.hung.place.screen.picture.height_mm / 2.0
        least = least_clearance_mm(distance, eye_mm, planned.hung.asked.eyes, bottom)
        clear = planned.hung.asked.head_clear_mm
        return np.digitize(least, [0.0, clear - 0.01]), ("a head in the way", "between heads, tight", "clear over every head")
    if planned.model is None:
        return None, ()
    eyes = np.stack([x, np.full_like(x, eye_mm), distance], axis=1)
    seen, contrast = seat_light(planned.model, eyes)
    if measure is Measure.BRIGHTNESS:
        return np.digitize(seen[:, 0], [25.0, 48.0, 100.0, 200.0]), (
            "under 25 cd/m²", "25 to 48", "48 to 100, dark room", "100 to 200, lamps", "over 200, day",
        )  # fmt: skip
    if measure is Measure.EVENNESS:
        brightest = np.maximum(seen.max(axis=1), 1e-9)
        return np.digitize(seen.min(axis=1) / brightest, [0.4, 0.6, 0.8]), (
            "under 40 %",
            "40 to 60 %, hot spot",
            "60 to 80 %",
            "over 80 %",
        )
    limits = [low for low, _ in CONTRAST_BANDS[1:]]
    at = min(state, contrast.shape[1] - 1)
    return np.digitize(contrast[:, at], limits), tuple(word for _, word in CONTRAST_BANDS)
