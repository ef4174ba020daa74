"""Everything luminance and contrast are computed from."""

from dataclasses import dataclass

import numpy as np

from gantline.core.defaults import Default, LightDefaults
from gantline.core.errors import OutOfRange
from gantline.core.light.lamp import lit_lux
from gantline.core.light.lobe import FabricKind, Layers, Lobe, reflected_share, seen_gain
from gantline.core.light.luminance import (
    Array,
    Output,
    ambient_cd_m2,
    bounce_lux,
    flux_lm,
    luminance_cd_m2,
    panel_share,
    seen_contrast,
    zoom_share,
)
from gantline.core.space import Point3, box_area_m2
from gantline.job.model.light import STATE_DEFAULTS, USUAL_STATES, FabricChoice, Lighting, LightState
from gantline.job.model.survey import Lamp, Survey
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm, is_turned, ratios, worded
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.survey import SeatPlace, depth_mm, room, seats
from gantline.stations.throw import lens_place, projected, turned

POINTS = ("center", "left", "right", "top", "bottom")
REFLECT: dict[str, Default] = {
    "white": LightDefaults.reflect_white,
    "mid": LightDefaults.reflect_mid,
    "dark": LightDefaults.reflect_dark,
    "velvet": LightDefaults.reflect_velvet,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class State:
    """A light state: illuminance on the screen [lux]; how: measured, from lamps, or what stands in."""

    id: str
    name: str
    lux: float
    how: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Light:
    """The light on the picture: lumens, and the shares they come from."""

    flux_lm: float
    output: Output
    zoom: float
    panel: float


@dataclass(frozen=True, slots=True, kw_only=True)
class LightModel:
    """Everything luminance is computed from. points (5, 3), lens (3,) [mm, z from the fabric]."""

    lobe: Lobe
    points: Array
    lens: Array
    flux_lm: float
    area_m2: float
    ambient_reflectance: float
    own_contrast: float
    bounce_lux: float
    states: tuple[State, ...]


def given_states(at: Ask) -> tuple[LightState, ...]:
    """The job's light states, or the usual four."""
    return tuple(at.things(Lighting.states or [])) or USUAL_STATES


def reflectance(at: Ask) -> float:
    """Mean reflectance of walls and ceiling."""
    return at.default(REFLECT[at.field(Lighting.surfaces)])


def room_m2(at: Ask) -> float:
    """All surfaces of the room taken as a box [m2]."""
    here = at(room)
    high = max(here.ceiling.at(here.wall_mm / 2.0), 1000.0)
    return box_area_m2(here.wall_mm, high, at(depth_mm))


def state(at: Ask, number: int) -> State:
    """One light state, from 0, and its illuminance on the screen: as measured, from its lamps, or the default."""
    light_state = given_states(at)[number]
    if light_state.lux is not None:
        return State(id=light_state.id, name=light_state.name, lux=light_state.lux, how="measured")
    lit = (
        [lamp for lamp in at.things(Survey.lamps) if lamp.id in light_state.lamps]
        if light_state.lamps
        else []
    )
    if not lit:
        default = STATE_DEFAULTS.get(light_state.name, LightDefaults.lux_evening)
        return State(id=light_state.id, name=light_state.name, lux=at.default(default), how="")
    how = ", ".join(f"{lamp.name} {at.of(lamp, Lamp.lumens):g} lm" for lamp in lit)
    return State(id=light_state.id, name=light_state.name, lux=_lit(at, lit), how=how)


def states(at: Ask) -> tuple[State, ...]:
    """Every light state."""
    return tuple(at(state, number) for number in range(len(given_states(at))))


def state_names(at: Ask) -> tuple[str, ...]:
    """What the light states are called."""
    return tuple(one.name for one in at(states))


def _lit(at: Ask, lit: list[Lamp]) -> float:
    middle: Point3 = (at(centre_x_mm), at(placement).picture_centre_mm, at(fabric_plane_mm))
    return lit_lux(
        [(at.of(lamp, Lamp.lumens), (lamp.x_mm, lamp.y_mm, lamp.z_mm)) for lamp in lit],
        middle,
        dark_lux=at.default(LightDefaults.lux_dark),
        room_m2=at(room_m2),
        room_reflectance=at(reflectance),
    )


NO_FABRIC = {
    "half_gain_deg": "a gain above 1 needs a half-gain angle",
    "gain": "a gain of {got:g} at a half-gain angle of {half_gain_deg:g}° gives out {out:.2f} of the light, and no fabric gives "
    "more than it gets",
    "front_transmission": "the front layer gives back {back:.2f} and lets through {through:.2f} of the light: together more than "
    "it gets",
    "back_transmission": "the dark layer gives back {back:.2f} and lets through {through:.2f} of the light: together more than "
    "it gets",
    "": "its gain and its angle must be above 0",
}


def layers(at: Ask) -> Layers | str:
    """Front and dark layer, or why no fabric is like that; a single one lets nothing through."""
    front, half = at.field(FabricChoice.gain), at.given(FabricChoice.half_gain_deg)
    through = at.field(FabricChoice.front_transmission)
    if through == 0.0:
        return Layers(front_back=0.0, front_through=0.0, behind_back=0.0, behind_through=0.0)
    try:
        return Layers(
            front_back=front if half is None else reflected_share(front, half),
            front_through=through,
            behind_back=at.field(FabricChoice.back_gain),
            behind_through=at.field(FabricChoice.back_transmission),
        )
    except OutOfRange as error:
        return worded(error, NO_FABRIC)


def lobe(at: Ask) -> Lobe | str:
    """The fabric's gain, both layers of it, or why no fabric is like that."""
    both = at(layers)
    if isinstance(both, str):
        return both
    try:
        return Lobe(
            layer=both.added,
            kind=FabricKind(at.field(FabricChoice.kind)),
            gain=at.field(FabricChoice.gain),
            half_gain_deg=at.given(FabricChoice.half_gain_deg),
        )
    except OutOfRange as error:
        return worded(error, NO_FABRIC)


def output(at: Ask) -> Output | None:
    """The projector's light; None until its lumens are entered."""
    rated = at.given(Lighting.rated_lm)
    shares = at.field(Lighting.mode_share), at.field(Lighting.age_share), at.field(Lighting.zoom_long_share)
    if rated is None or not min(shares) > 0.0:
        return None
    mode, age, zoom = shares
    contrast = at.field(Lighting.contrast)
    return Output(rated_lm=rated, mode_share=mode, age_share=age, zoom_long_share=zoom, contrast=contrast)


def light(at: Ask) -> Light | None:
    """Lumens on the picture; None without output or a lens place."""
    own_output, place, both = at.aside(output), at.aside(lens_place), at(ratios)
    at.given(Lighting.rated_lm)
    at.field(Lighting.mode_share)
    at.field(Lighting.age_share)
    if own_output is None or place is None or both is None:
        return None
    panel, picture = at(projected), at(screen).picture
    low, high = both
    if low < high:  # a lens without zoom loses nothing at its long end, wherever it stands
        at.field(Lighting.zoom_long_share)
        at(lens_place)
    correction = at(turned) if at(is_turned) else None
    if correction is not None:
        zoom = zoom_share(correction.pose.ratio, low, high, own_output.zoom_long_share)
        share = correction.share
    else:
        zoom = zoom_share(place.distance_mm / panel.width_mm, low, high, own_output.zoom_long_share)
        share = panel_share((picture.width_mm, picture.height_mm), (panel.width_mm, panel.height_mm))
    return Light(
        flux_lm=flux_lm(own_output, zoom=zoom, panel=share), output=own_output, zoom=zoom, panel=share
    )


def area_m2(at: Ask) -> float:
    """Viewable area [m2]."""
    picture = at(screen).picture
    return picture.width_mm * picture.height_mm / 1e6


def on_axis_cd_m2(at: Ask) -> float | None:
    """What the middle of the screen shows straight on; None without light or gain."""
    light_now, gain = at(light), at(lobe)
    if light_now is None or isinstance(gain, str):
        return None
    return float(luminance_cd_m2(light_now.flux_lm, at(area_m2), gain.on_axis))


def bounce(at: Ask) -> float | None:
    """Light the room reflects back onto the picture [lux]; None without light."""
    light_now, gain = at(light), at(lobe)
    if light_now is None or isinstance(gain, str):
        return None
    return bounce_lux(
        light_now.flux_lm,
        mean_level=at.default(LightDefaults.mean_level),
        screen_reflectance=gain.on_axis,
        room_m2=at(room_m2),
        room_reflectance=at(reflectance),
    )


def screen_points(at: Ask) -> Array:
    """Center and the four edge middles of the viewable area (5, 3), in the order of POINTS."""
    picture, x, y = at(screen).picture, at(centre_x_mm), at(placement).picture_centre_mm
    half_w, half_h = picture.width_mm / 2.0, picture.height_mm / 2.0
    places = [(x, y), (x - half_w, y), (x + half_w, y), (x, y + half_h), (x, y - half_h)]
    return np.array([(a, b, 0.0) for a, b in places])


def light_model(at: Ask) -> LightModel | None:
    """The whole model; None until fabric, light and lens place are there."""
    light_now, gain, place, back = at(light), at(lobe), at(lens_place), at(bounce)
    if light_now is None or isinstance(gain, str) or place is None or back is None:
        return None
    return LightModel(
        lobe=gain,
        points=at(screen_points),
        lens=np.array([place.x_mm, place.y_mm, max(place.distance_mm, 1.0)]),
        flux_lm=light_now.flux_lm,
        area_m2=at(area_m2),
        ambient_reflectance=at.field(FabricChoice.ambient_reflectance) + gain.layer,
        own_contrast=at.field(Lighting.contrast),
        bounce_lux=back,
        states=at(states),
    )


def seat_light(model: LightModel, eyes: Array) -> tuple[Array, Array]:
    """Luminance (e, p) [cd/m2] of the model's points at eyes (e, 3), and contrast at the center (e, states)."""
    gains = seen_gain(model.lobe, model.points, model.lens, eyes)
    seen = luminance_cd_m2(model.flux_lm, model.area_m2, gains)
    lux = np.array([one.lux for one in model.states]) + model.bounce_lux
    ambient = ambient_cd_m2(lux, model.ambient_reflectance)
    return seen, seen_contrast(seen[:, :1], ambient[None, :], model.own_contrast)


def eyes_of(placed: tuple[SeatPlace, ...]) -> Array:
    """(e, 3) eyes in wall axes, z from the fabric [mm]."""
    return np.array([[seat.x_mm, seat.eye_mm, seat.distance_mm] for seat in placed], dtype=float).reshape(
        -1, 3
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class LightAtSeats:
    """What every seat sees: luminance (e, 5) [cd/m2] of POINTS, contrast (e, states)."""

    luminance: Array
    contrast: Array


def seen(at: Ask) -> LightAtSeats | None:
    """Light at the seats, in their order; None without a model or without seats."""
    model, placed = at(light_model), at(seats)
    if model is None or not placed:
        return None
    luminance, contrast = seat_light(model, eyes_of(placed))
    return LightAtSeats(luminance=luminance, contrast=contrast)
