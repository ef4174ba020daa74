"""The seat view: what one seat sees, in true perspective, with the light state's wash over the picture."""

from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.light.lobe import seen_gain
from gantline.core.light.luminance import Array, ambient_cd_m2, luminance_cd_m2
from gantline.core.sight.view import Pinhole, project
from gantline.plan.plan import Planned
from gantline.plan.scene import Rect

ACROSS, UP = 8, 4  # patches of the test picture: white and black squares in turn
DISPLAY_GAMMA = 2.2


@dataclass(frozen=True, slots=True, kw_only=True)
class ViewShape:
    """A polygon on the picture plane (tangents off the axis), by role; level 0 to 1 for patches of the picture."""

    role: str
    points: tuple[tuple[float, float], ...]
    level: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatView:
    """Everything one seat sees; half_width and half_height bound the picture plane shown."""

    name: str
    state: str
    half_width: float
    half_height: float
    shapes: tuple[ViewShape, ...]
    said: str


def seat_view(planned: Planned, index: int, state: int) -> SeatView:
    """Project room and screen from a seat's eye, looking at the picture's centre.

    The picture is a field of white and black squares; level is the luminance of a square, light of the room
    included, over the brightest white in this state, raised to 1/2.2 for a display.
    Raises: OutOfRange for a seat or state that is not there.
    """
    seat = next((one for one in planned.seats if one.index == index), None)
    states = planned.plan.light_states
    if seat is None or not 0 <= state < len(states):
        raise OutOfRange("there is no such seat or light state", field="seat", got=index)
    scene, z0 = planned.scene, planned.scene.fabric_z_mm
    centre = np.array([planned.hung.place.centre_x_mm, planned.hung.picture_centre_mm, z0])
    view = Pinhole(eye=np.array([seat.x_mm, seat.eye_mm, seat.distance_mm + z0]), target=centre)
    shapes = [
        *_room(planned, view),
        _shape(view, "frame", _upright(scene.frame, z0)),
        *_patches(planned, view, seat.index, state),
    ]
    half = (
        max(
            0.62,
            1.15 * scene.picture.right_mm / max(seat.distance_mm, 1.0)
            - 1.15 * scene.picture.left_mm / max(seat.distance_mm, 1.0),
        )
        * 0.62
    )
    row = next((one for one in planned.plan.seats if one.index == index), None)
    lit = next((one for one in planned.plan.seat_light if one.index == index), None)
    said = f"{row.angle} wide" if row else ""
    if lit:
        said += f", {lit.luminance} cd/m² at the centre, contrast {lit.contrasts[state]}: {lit.bands[state]}"
    return SeatView(
        name=seat.name,
        state=states[state],
        half_width=half,
        half_height=half * 0.6,
        shapes=tuple(s for s in shapes if s.points),
        said=said,
    )


def _shape(view: Pinhole, role: str, polygon: Array, level: float | None = None) -> ViewShape:
    seen = project(view, polygon)
    return ViewShape(role=role, points=tuple((round(float(x), 5), round(float(y), 5)) for x, y in seen), level=level)


def _upright(rect: Rect, z: float) -> Array:
    return np.array(
        [
            (rect.left_mm, rect.bottom_mm, z),
            (rect.right_mm, rect.bottom_mm, z),
            (rect.right_mm, rect.top_mm, z),
            (rect.left_mm, rect.top_mm, z),
        ]
    )


def _room(planned: Planned, view: Pinhole) -> list[ViewShape]:
    scene = planned.scene
    floor, ceiling = [(x, y, 0.0) for x, y in scene.floor], [(x, y, 0.0) for x, y in scene.ceiling]
    far = scene.room_depth_mm
    low, high = min(y for _, y, _ in floor), max(y for _, y, _ in ceiling)
    wall = scene.wall_mm
    out = [
        _shape(view, "side-wall", np.array([(0, low, 0), (0, low, far), (0, high, far), (0, high, 0)], dtype=float)),
        _shape(view, "side-wall", np.array([(wall, low, 0), (wall, low, far), (wall, high, far), (wall, high, 0)], dtype=float)),
        _shape(view, "floor", np.array([(0, low, 0), (wall, low, 0), (wall, low, far), (0, low, far)], dtype=float)),
        _shape(view, "ceiling", np.array([(0, high, 0), (wall, high, 0), (wall, high, far), (0, high, far)], dtype=float)),
        _shape(view, "wall", np.array([*floor, *reversed(ceiling)], dtype=float)),
    ]
    out += [_shape(view, "fitting", _upright(one.rect, 1.0)) for one in scene.fittings]
    for one in scene.boxes:
        r, back, front = one.rect, one.back_mm, one.front_mm
        top = np.array(
            [
                (r.left_mm, r.top_mm, back),
                (r.right_mm, r.top_mm, back),
                (r.right_mm, r.top_mm, front),
                (r.left_mm, r.top_mm, front),
            ]
        )
        out += [_shape(view, "box-top", top), _shape(view, "box", _upright(r, front))]
    return out


def _patches(planned: Planned, view: Pinhole, index: int, state: int) -> list[ViewShape]:
    picture, z0, model = planned.scene.picture, planned.scene.fabric_z_mm, planned.model
    xs, ys = np.linspace(picture.left_mm, picture.right_mm, ACROSS + 1), np.linspace(picture.bottom_mm, picture.top_mm, UP + 1)
    middles = np.array([((xs[i] + xs[i + 1]) / 2, (ys[j] + ys[j + 1]) / 2, 0.0) for j in range(UP) for i in range(ACROSS)])
    white, black = np.ones(len(middles)), np.zeros(len(middles))
    if model is not None:
        seat = next(one for one in planned.seats if one.index == index)
        eye = np.array([[seat.x_mm, seat.eye_mm, seat.distance_mm]])
        light = luminance_cd_m2(model.flux_lm, model.area_m2, seen_gain(model.lobe, middles, model.lens, eye))[0]
        ambient = float(ambient_cd_m2(model.states[state][1] + model.bounce_lux, model.ambient_reflectance))
        white, black = light + ambient, light / model.own_contrast + ambient
    most = max(float(white.max()), 1e-9)
    out = []
    for k in range(len(middles)):
        j, i = divmod(k, ACROSS)
        value = white[k] if (i + j) % 2 == 0 else black[k]
        rect = Rect(left_mm=float(xs[i]), right_mm=float(xs[i + 1]), bottom_mm=float(ys[j]), top_mm=float(ys[j + 1]))
        out.append(_shape(view, "patch", _upright(rect, z0), round(float(value / most) ** (1.0 / DISPLAY_GAMMA), 4)))
    return out
