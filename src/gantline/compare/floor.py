"""The floor map: where in the room the picture is good, for one chosen measure, as contours with their values."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np

from gantline.core.defaults import Default, LightDefaults, SeatsDefaults
from gantline.core.light.luminance import CONTRAST_BANDS, Array
from gantline.core.sight.angles import viewing_angle_deg
from gantline.core.sight.rows import least_clearance_mm
from gantline.drawing.contours import Line, areas, contours
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import asked, centre_x_mm, rect_of_picture
from gantline.stations.light import light_model, seat_light, state_names
from gantline.stations.size import screen
from gantline.stations.size.seats import sights
from gantline.stations.survey import depth_mm, main_seat, seats, wall_mm

NEAREST_MM = 600.0
SHORT_MM = 400.0  # a shorter line bears no value
FAR_CLEAR_MM = 2_000.0  # stands for a seat with nobody in front


class Measure(StrEnum):
    """What the floor is colored by."""

    ANGLE = "angle"
    BRIGHTNESS = "brightness"
    UNIFORMITY = "uniformity"
    CONTRAST = "contrast"
    SIGHT = "sight"


@dataclass(frozen=True, slots=True, kw_only=True)
class Band:
    """The floor with values between two lines. rings: its outlines [mm, wall axes; z from the bare wall], holes among them; rank:
    how good it is, 0 the worst: for an angle the best lies in the middle."""

    word: str
    rank: int
    rings: tuple[Line, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Level:
    """One line of equal value. at: where its value is written, None on a short one."""

    text: str
    points: Line
    at: tuple[float, float] | None


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatValue:
    """What one seat has of the measure, at its place on the floor [mm]."""

    name: str
    main: bool
    at: tuple[float, float]
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class FloorMap:
    """One measure over the floor, from near_mm off the wall to its far end; `at` says which height and light state it is for."""

    left_mm: float
    right_mm: float
    near_mm: float
    far_mm: float
    bands: tuple[Band, ...]
    levels: tuple[Level, ...]
    seats: tuple[SeatValue, ...]
    at: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Scale:
    """One measure. value: of eyes at x, distance from the fabric and height [mm], arrays of one shape; limits ascending; words
    and ranks of what lies under, between and over them; text: a value as it is written."""

    value: Callable[[Array, Array, Array], Array]
    limits: tuple[float, ...]
    words: tuple[str, ...]
    ranks: tuple[int, ...]
    text: Callable[[float], str]


def floor_map(
    at: Ask, measure: Measure, *, state: int = 0, columns: int = 61, rows: int = 61
) -> FloorMap | None:
    """Compute the map at the main seat's eye height; None where light is asked for and not known.

    Source: the same sight and light functions as the seats, on columns x rows eyes at once; between them values run straight.
    """
    z0, wall = at(fabric_plane_mm), at(wall_mm)
    far = max(at(depth_mm), z0 + NEAREST_MM + 1.0)
    x, z = np.linspace(0.0, wall, columns), np.linspace(z0 + NEAREST_MM, far, rows)
    main = at(main_seat)
    eye_mm = main.eye_mm if main else at.default(SeatsDefaults.eye_mm)
    scale = _scale(at, measure, state)
    if scale is None:
        return None
    grid_x, grid_z = np.meshgrid(x, z)
    flat = scale.value(grid_x.ravel(), grid_z.ravel() - z0, np.full(grid_x.size, eye_mm))
    values = flat.reshape(rows, columns)
    names = at(state_names)
    light = "" if measure in (Measure.ANGLE, Measure.SIGHT) else f", {names[min(state, len(names) - 1)]}"
    return FloorMap(
        left_mm=0.0,
        right_mm=wall,
        near_mm=z0 + NEAREST_MM,
        far_mm=far,
        bands=tuple(
            Band(word=word, rank=rank, rings=rings)
            for word, rank, rings in zip(
                scale.words, scale.ranks, areas(x, z, values, scale.limits), strict=True
            )
        ),
        levels=tuple(
            Level(text=scale.text(value), points=line, at=_middle(line))
            for value, line in contours(x, z, values, scale.limits)
            if measure is not Measure.SIGHT  # its bands are said in words
        ),
        seats=_seats(at, scale, measure),
        at=f"eye {at.text(eye_mm)} above the floor{light}",
    )


def _seats(at: Ask, scale: Scale, measure: Measure) -> tuple[SeatValue, ...]:
    placed, z0 = at(seats), at(fabric_plane_mm)
    if not placed:
        return ()
    if measure is Measure.SIGHT:
        texts = ["blocked" if sight.blocked else "clear" for sight in at(sights)]
    else:
        x, distance, eye = np.array([(seat.x_mm, seat.distance_mm, seat.eye_mm) for seat in placed]).T
        texts = [scale.text(float(value)) for value in scale.value(x, distance, eye)]
    return tuple(
        SeatValue(name=seat.name, main=seat.main, at=(seat.x_mm, seat.distance_mm + z0), text=text)
        for seat, text in zip(placed, texts, strict=True)
    )


def _middle(line: Line) -> tuple[float, float] | None:
    """The point half way along a line; None where the line is too short for a value."""
    steps = [math.dist(a, b) for a, b in pairwise(line)]
    whole = sum(steps)
    if whole < SHORT_MM:
        return None
    gone = 0.0
    for (a, b), step in zip(pairwise(line), steps, strict=True):
        if gone + step >= whole / 2.0 and step > 0.0:
            share = (whole / 2.0 - gone) / step
            return a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])
        gone += step
    return line[-1]


def _scale(at: Ask, measure: Measure, state: int) -> Scale | None:
    match measure:
        case Measure.ANGLE:
            return _angles(at)
        case Measure.SIGHT:
            return _sight(at)
    model = at(light_model)
    if model is None:
        return None

    def seen(x: Array, distance: Array, eye: Array) -> tuple[Array, Array]:
        return seat_light(model, np.stack([x, eye, distance], axis=1))

    match measure:
        case Measure.BRIGHTNESS:
            limits = _ascending(
                at,
                LightDefaults.bright_low_cd_m2,
                LightDefaults.bright_dark_cd_m2,
                LightDefaults.bright_lamp_cd_m2,
                LightDefaults.bright_day_cd_m2,
            )
            words = ("dull", "weak", "dark room", "lamps", "day")
            return Scale(
                value=lambda x, distance, eye: seen(x, distance, eye)[0][:, 0],
                limits=limits,
                words=_ranges(words, limits, " cd/m²"),
                ranks=(0, 1, 2, 3, 4),
                text=lambda value: f"{value:.0f}",
            )
        case Measure.UNIFORMITY:
            limits = tuple(
                100.0 * limit
                for limit in _ascending(
                    at, LightDefaults.even_poor, LightDefaults.hot_spot, LightDefaults.even_good
                )
            )

            def even(x: Array, distance: Array, eye: Array) -> Array:
                points = seen(x, distance, eye)[0]
                return np.asarray(100.0 * points.min(axis=1) / np.maximum(points.max(axis=1), 1e-9))

            return Scale(
                value=even,
                limits=limits,
                words=_ranges(("dark edges", "hot spot", "uniform", "very uniform"), limits, "\u00a0%"),
                ranks=(0, 1, 2, 3),
                text=lambda value: f"{value:.0f}\u00a0%",
            )
        case _:

            def contrast(x: Array, distance: Array, eye: Array) -> Array:
                states = seen(x, distance, eye)[1]
                return np.asarray(states[:, min(state, states.shape[1] - 1)])

            lows = tuple(low for low, _ in CONTRAST_BANDS[1:])
            return Scale(
                value=contrast,
                limits=lows,
                words=_ranges(tuple(word for _, word in CONTRAST_BANDS), lows, ""),
                ranks=tuple(range(len(CONTRAST_BANDS))),
                text=lambda value: f"{value:.0f}",
            )


def _angles(at: Ask) -> Scale:
    center, width = at(centre_x_mm), at(screen).picture.width_mm
    limits = _ascending(
        at,
        SeatsDefaults.angle_small_deg,
        SeatsDefaults.angle_far_deg,
        SeatsDefaults.angle_main_low_deg,
        SeatsDefaults.angle_main_high_deg,
        SeatsDefaults.angle_near_deg,
    )
    words = ("small", "a far row", "a far row, good", "main row", "a near row", "too close")
    return Scale(
        value=lambda x, distance, _eye: viewing_angle_deg(distance, x - center, width),
        limits=limits,
        words=_ranges(words, limits, "°"),
        ranks=(0, 1, 2, 4, 3, 0),
        text=lambda value: f"{value:.0f}°",
    )


def _sight(at: Ask) -> Scale:
    """How far the worst line of sight passes over a head [mm], at the height of the eyes that are asked for."""
    wanted, bottom = at(asked), at(rect_of_picture)[1]

    def clear(x: Array, distance: Array, eye: Array) -> Array:
        worst = least_clearance_mm(distance, x, float(eye[0]), wanted.eyes, bottom, wanted.place.edge_mm)
        return np.clip(worst, -FAR_CLEAR_MM, FAR_CLEAR_MM)

    return Scale(
        value=clear,
        limits=(0.0, max(1.0, wanted.head_clear_mm - 0.01)),
        words=("a head in the way", "between heads, tight", "clear over every head"),
        ranks=(0, 1, 2),
        text=lambda value: f"{value:.0f}",
    )


def _ascending(at: Ask, *limits: Default) -> tuple[float, ...]:
    """Limits as a shop has them, which it may set in any order."""
    return tuple(sorted(at.default(limit) for limit in limits))


def _ranges(words: Sequence[str], limits: Sequence[float], unit: str) -> tuple[str, ...]:
    """The words of a scale with the values they stand for."""
    inner = (f"{low:g} to {high:g}{unit}" for low, high in pairwise(limits))
    spans = (f"under {limits[0]:g}{unit}", *inner, f"over {limits[-1]:g}{unit}")
    return tuple(f"{word}, {span}" for word, span in zip(words, spans, strict=True))
