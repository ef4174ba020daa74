"""The seat view: what one seat sees, in true perspective, with the light state's wash over the picture."""

from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.light.lobe import seen_gain
from gantline.core.light.luminance import Array, ambient_cd_m2, luminance_cd_m2
from gantline.core.sight.view import Pinhole, project
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import centre_x_mm, placement, rect_of_frame, rect_of_picture
from gantline.stations.light import light_model, state_names
from gantline.stations.light.tables import seat_lights
from gantline.stations.outlines import outlines
from gantline.stations.size.seats import seat_table
from gantline.stations.survey import SeatPlace, box_solids, depth_mm, seats, wall_mm

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


def seat_view(at: Ask, name: str, state: int) -> SeatView:
    """Project room and screen from a seat's eye, looking at the picture's center.

    The picture is a field of white and black squares; level is the luminance of a square, light of the room
    included, over the brightest white in this state, raised to 1/2.2 for a display.
    Raises: OutOfRange for a seat or state that is not there.
    """
    seat, states = next((one for one in at(seats) if one.id == name), None), at(state_names)
    if seat is None or not 0 <= state < len(states):
        raise OutOfRange("there is no such seat or light state", field="seat", got=name)
    z0, picture = at(fabric_plane_mm), at(rect_of_picture)
    target = np.array([at(centre_x_mm), at(placement).picture_centre_mm, z0])
    view = Pinhole(eye=np.array([seat.x_mm, seat.eye_mm, seat.z_mm]), target=target)
    frame = _shape(view, "frame", _upright(at(rect_of_frame), z0))
    shapes = [*_room(at, view), frame, *_patches(at, view, seat, state)]
    half = max(0.62, 1.15 * (picture[2] - picture[0]) / max(seat.distance_mm, 1.0)) * 0.62
    return SeatView(
        name=seat.name,
        state=states[state],
        half_width=half,
        half_height=half * 0.6,
        shapes=tuple(shape for shape in shapes if shape.points),
        said=_said(at, name, state),
    )


def _said(at: Ask, name: str, state: int) -> str:
    row = next(one for one in at(seat_table).rows if one.id == name)
    lit = next((one for one in at(seat_lights).rows if one.id == name), None)
    said = f"{row.angle} wide"
    if lit is None:
        return said
    return f"{said}, {lit.luminance} cd/m² at the center, contrast {lit.contrasts[state]}: {lit.bands[state]}"


def _shape(view: Pinhole, role: str, polygon: Array, level: float | None = None) -> ViewShape:
    seen = project(view, polygon)
    return ViewShape(
        role=role, points=tuple((round(float(x), 5), round(float(y), 5)) for x, y in seen), level=level
    )


def _upright(rect: tuple[float, float, float, float], z: float) -> Array:
    left, bottom, right, top = rect
    return np.array([(left, bottom, z), (right, bottom, z), (right, top, z), (left, top, z)])


def _room(at: Ask, view: Pinhole) -> list[ViewShape]:
    floor, ceiling = ([(x, y, 0.0) for x, y in line] for line in at(outlines))
    far, wall = at(depth_mm), at(wall_mm)
    low, high = min(y for _, y, _ in floor), max(y for _, y, _ in ceiling)
    planes = (
        ("side-wall", [(0, low, 0), (0, low, far), (0, high, far), (0, high, 0)]),
        ("side-wall", [(wall, low, 0), (wall, low, far), (wall, high, far), (wall, high, 0)]),
        ("floor", [(0, low, 0), (wall, low, 0), (wall, low, far), (0, low, far)]),
        ("ceiling", [(0, high, 0), (wall, high, 0), (wall, high, far), (0, high, far)]),
        ("wall", [*floor, *reversed(ceiling)]),
    )
    out = [_shape(view, role, np.array(points, dtype=float)) for role, points in planes]
    for fitting in at.things(Survey.fittings):
        rect = (fitting.x_mm, fitting.y_mm, fitting.x_mm + fitting.width_mm, fitting.y_mm + fitting.height_mm)
        out.append(_shape(view, "fitting", _upright(rect, 1.0)))
    for _, _, box in at(box_solids):
        (x0, y0, z0), (x1, y1, z1) = box.low, box.high
        top = np.array([(x0, y1, z0), (x1, y1, z0), (x1, y1, z1), (x0, y1, z1)])
        out += [_shape(view, "box-top", top), _shape(view, "box", _upright((x0, y0, x1, y1), z1))]
    return out


def _patches(at: Ask, view: Pinhole, seat: SeatPlace, state: int) -> list[ViewShape]:
    (left, bottom, right, top), z0, model = at(rect_of_picture), at(fabric_plane_mm), at(light_model)
    xs, ys = np.linspace(left, right, ACROSS + 1), np.linspace(bottom, top, UP + 1)
    cells = [(i, j) for j in range(UP) for i in range(ACROSS)]
    middles = np.array([((xs[i] + xs[i + 1]) / 2, (ys[j] + ys[j + 1]) / 2, 0.0) for i, j in cells])
    white, black = np.ones(len(middles)), np.zeros(len(middles))
    if model is not None:
        eye = np.array([[seat.x_mm, seat.eye_mm, seat.distance_mm]])
        gain = seen_gain(model.lobe, middles, model.lens, eye)
        light = luminance_cd_m2(model.flux_lm, model.area_m2, gain)[0]
        lux = model.states[state].lux + model.bounce_lux
        ambient = float(ambient_cd_m2(lux, model.ambient_reflectance))
        white, black = light + ambient, light / model.own_contrast + ambient
    most = max(float(white.max()), 1e-9)
    out = []
    for k, (i, j) in enumerate(cells):
        value = float(white[k] if (i + j) % 2 == 0 else black[k])
        rect = (float(xs[i]), float(ys[j]), float(xs[i + 1]), float(ys[j + 1]))
        level = round((value / most) ** (1.0 / DISPLAY_GAMMA), 4)
        out.append(_shape(view, "patch", _upright(rect, z0), level))
    return out
