"""The wall, the room, and everything surveyed in them, on each face."""

from collections.abc import Iterator

from gantline.core.defaults import SurveyDefaults
from gantline.core.height.profile import Profile
from gantline.core.wall.bands import band_mm
from gantline.drawing.marks import (
    Area,
    Axis,
    Dimension,
    Dot,
    Handle,
    Label,
    Line,
    Mark,
    Point,
    Side,
    rectangle,
)
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import change
from gantline.plan.station import FaceName
from gantline.stations.height import centre_x_mm
from gantline.stations.outlines import HATCH_MM, WALL_MM, ceiling_section, drawn_depth_mm, outlines
from gantline.stations.survey.solve import (
    all_boxes,
    ceiling_over,
    fitting_names,
    joist_lines_mm,
    room,
    seat_places,
)
from gantline.stations.survey.stud_marks import stud_marks, stud_read_marks

AXES = {"front": ("x_mm", "y_mm"), "side": ("z_mm", "y_mm"), "top": ("x_mm", "z_mm")}
INDEX = {"x_mm": 0, "y_mm": 1, "z_mm": 2}
JOIST_MM = 38.0  # face of a joist as it is drawn in a section
SEAT_BACK_MM, SEAT_FRONT_MM = 400.0, 500.0  # a platform as it is drawn round a seat


def room_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Wall, floor and ceiling."""
    if face == "front":
        yield from _wall(at)
    elif face == "side":
        yield from _section(at)
    elif face == "top":
        deep, wall = at(drawn_depth_mm), at(room).wall_mm
        yield Area(key="room", role="wall", layer="base", points=rectangle(0.0, 0.0, wall, deep))
        yield Area(key="wall", role="floor", layer="base", points=rectangle(0.0, -WALL_MM, wall, 0.0))


def joist_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Joists in the ceiling, cut or seen from below."""
    to_wall, centers = at(joist_lines_mm)
    if face == "side" and not to_wall:
        over, x = at(ceiling_over), at(centre_x_mm)
        for number, z in enumerate(centers, start=1):
            level = over.at(x, z)
            points = rectangle(z - JOIST_MM / 2, level, z + JOIST_MM / 2, level + WALL_MM)
            yield Area(key=f"joist-{number}", role="joist", layer="throw", points=points)
    if face == "top":
        deep, wall = at(drawn_depth_mm), at(room).wall_mm
        for number, along in enumerate(centers, start=1):
            ends = ((along, 0.0), (along, deep)) if to_wall else ((0.0, along), (wall, along))
            yield Line(key=f"joist-{number}", role="joist", layer="throw", points=ends)


def datum_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The datum line, and the room's own dimensions."""
    here, datum = at(room), at.field(Survey.datum_mm)
    if face == "front":
        wall = here.wall_mm
        floor, ceiling = at(outlines)
        yield Line(key="datum", role="datum", layer="survey", points=((0.0, datum), (wall, datum)))
        yield Label(
            key="datum-name",
            layer="datum",
            at=(0.01 * wall, datum),
            text="datum",
            anchor="start",
            role="datum",
        )
        yield _dimension(
            at,
            "wall-width",
            "x",
            0.0,
            wall,
            min(y for _, y in floor),
            (-1, 2),
            "Wall width",
            Survey.wall_width_mm,
        )
        yield _dimension(
            at, "datum-height", "y", 0.0, datum, 0.0, (-1, 1), "Datum line above floor", Survey.datum_mm
        )
        low, (x, high) = floor[-1][1], ceiling[-1]
        plain = None if at.things(Survey.ceiling_readings) else Survey.ceiling_mm
        yield _dimension(
            at, "ceiling-height", "y", low, high, x, (1, 2), "Ceiling above floor at the right end", plain
        )
    elif face == "side":
        deep = at(drawn_depth_mm)
        yield Line(key="datum", role="datum", layer="survey", points=((0.0, datum), (deep, datum)))
        yield _dimension(
            at, "depth", "x", 0.0, deep, -WALL_MM, (-1, 2), "Room, wall to back", Survey.room_depth_mm
        )
    elif face == "top":
        deep, wall = at(drawn_depth_mm), here.wall_mm
        yield _dimension(
            at, "wall-width", "x", 0.0, wall, -WALL_MM, (-1, 1), "Wall width", Survey.wall_width_mm
        )
        yield _dimension(
            at, "depth", "y", 0.0, deep, wall, (1, 1), "Room, wall to back", Survey.room_depth_mm
        )


def fitting_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Fittings with their bands, each to be dragged."""
    if face != "front":
        return
    floor, ceiling = at(outlines)
    top, bottom, step = max(y for _, y in ceiling), min(y for _, y in floor), at.step_mm
    usual, names = at.default(SurveyDefaults.no_drill_band_mm), at(fitting_names)
    for fitting in at.things(Survey.fittings):
        left, low, right, high = (
            fitting.x_mm,
            fitting.y_mm,
            fitting.x_mm + fitting.width_mm,
            fitting.y_mm + fitting.height_mm,
        )
        wide = band_mm(fitting.kind, fitting.band_mm, usual)
        if wide > 0.0:
            points = rectangle(left - wide, bottom, right + wide, top)
            yield Area(key=f"band-{fitting.id}", role="band", layer="wall", points=points)
        name, handle = names[fitting.id], f"fitting-handle-{fitting.id}"
        points, middle = rectangle(left, low, right, high), ((left + right) / 2.0, (low + high) / 2.0)
        yield Area(key=f"fitting-{fitting.id}", role="fitting", layer="survey", points=points, moves=handle)
        size = (fitting.width_mm, fitting.height_mm)
        yield Label(
            key=f"fitting-name-{fitting.id}", layer="survey", at=middle, text=name, room_mm=size, moves=handle
        )
        base = f"/survey/fittings/{fitting.id}"
        yield _handle(handle, "survey", name, points, (left, low), step, (f"{base}/x_mm", f"{base}/y_mm"))


def box_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Boxes, each to be dragged along the face's two axes."""
    if face not in AXES:
        return
    across, up = AXES[face]
    a, b = INDEX[across], INDEX[up]
    for name, _, box in at(all_boxes):
        points = rectangle(box.low[a], box.low[b], box.high[a], box.high[b])
        handle, origin = f"box-handle-{name}", (box.low[a], box.low[b])
        yield Area(key=f"box-{name}", role="box", layer="survey", points=points, moves=handle)
        middle = ((box.low[a] + box.high[a]) / 2.0, (box.low[b] + box.high[b]) / 2.0)
        size = (box.high[a] - box.low[a], box.high[b] - box.low[b])
        yield Label(
            key=f"box-name-{name}",
            layer="survey",
            at=middle,
            text=box.name,
            role="box",
            room_mm=size,
            moves=handle,
        )
        base = f"/survey/boxes/{name}"
        yield _handle(
            handle, "survey", box.name, points, origin, at.step_mm, (f"{base}/{across}", f"{base}/{up}")
        )


def lamp_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Lamps, each to be dragged along the face's two axes."""
    if face not in AXES:
        return
    across, up = AXES[face]
    for lamp in at.things(Survey.lamps):
        place = (getattr(lamp, across), getattr(lamp, up))
        handle = f"lamp-handle-{lamp.id}"
        yield Dot(key=f"lamp-{lamp.id}", role="lamp", layer="lamps", at=place, name=lamp.name, moves=handle)
        yield Label(
            key=f"lamp-name-{lamp.id}", layer="lamps", at=place, text=lamp.name, role="box", moves=handle
        )
        base = f"/survey/lamps/{lamp.id}"
        yield _handle(
            handle, "lamps", lamp.name, (place,), place, at.step_mm, (f"{base}/{across}", f"{base}/{up}")
        )


def seat_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Eyes; seen from above a seat is dragged both ways, from the side closer and back."""
    if face not in ("side", "top"):
        return
    side = face == "side"
    for seat in at(seat_places):
        place = (seat.z_mm, seat.eye_mm) if side else (seat.x_mm, seat.z_mm)
        handle, base = f"seat-handle-{seat.id}", f"/survey/seats/{seat.id}"
        if side and seat.platform_mm > 0.0:
            points = rectangle(seat.z_mm - SEAT_FRONT_MM, 0.0, seat.z_mm + SEAT_BACK_MM, seat.platform_mm)
            yield Area(key=f"platform-{seat.id}", role="box-cut", layer="survey", points=points)
        role = "seat-main" if seat.main else "seat"
        yield Dot(key=f"seat-{seat.id}", role=role, layer="survey", at=place, name=seat.name, moves=handle)
        if seat.main:
            yield from _main_seat(at, face, seat.name, seat.z_mm, place, handle)
        pointers = (f"{base}/from_wall_mm", None) if side else (f"{base}/x_mm", f"{base}/from_wall_mm")
        yield _handle(handle, "survey", seat.name, (place,), place, at.step_mm, pointers)


def _main_seat(at: Ask, face: FaceName, name: str, z: float, place: Point, handle: str) -> Iterator[Mark]:
    if face == "top":  # a row of names would run together
        yield Label(key="main-seat-name", layer="survey", at=place, text=name, role="seat", moves=handle)
    axis: Axis = "x" if face == "side" else "y"
    base = -WALL_MM if face == "side" else 0.0
    yield _dimension(at, "main-seat", axis, 0.0, z, base, (-1, 1), f"{name} from the wall", None)


def _wall(at: Ask) -> Iterator[Mark]:
    floor, ceiling = at(outlines)
    yield Area(key="wall", role="wall", layer="base", points=(*floor, *reversed(ceiling)))
    over = tuple((x, y + HATCH_MM) for x, y in reversed(ceiling))
    yield Area(key="ceiling", role="ceiling", layer="base", points=(*ceiling, *over))
    under = tuple((x, y - HATCH_MM) for x, y in reversed(floor))
    yield Area(key="floor", role="floor", layer="base", points=(*floor, *under))


def _section(at: Ask) -> Iterator[Mark]:
    x, deep = at(centre_x_mm), at(drawn_depth_mm)
    low, over = Profile(at(outlines)[0]).at(x), at(ceiling_section)
    top = max(y for _, y in over) + WALL_MM
    for key, role, points in (
        ("room", "wall", ((0.0, low), (deep, low), *reversed(over))),
        ("section", "floor", rectangle(-WALL_MM, low - WALL_MM, 0.0, top)),
        ("floor", "floor", rectangle(0.0, low - WALL_MM, deep, low)),
        ("ceiling", "ceiling", (*over, (deep, top), (0.0, top))),
    ):
        yield Area(key=key, role=role, layer="base", points=points)
    yield Line(key="back", role="back-wall", layer="base", points=((deep, low), over[-1]))


def _dimension(
    at: Ask,
    key: str,
    axis: Axis,
    a: float,
    b: float,
    base: float,
    lane: tuple[Side, int],
    name: str,
    field: object,
) -> Dimension:
    return Dimension(
        key=key,
        layer="survey",
        axis=axis,
        a_mm=a,
        b_mm=b,
        base_mm=base,
        side=lane[0],
        lane=lane[1],
        text=at.text(b - a),
        name=name,
        changes=() if field is None else (change(field, None),),
    )


def _handle(
    key: str,
    layer: str,
    name: str,
    points: tuple[Point, ...],
    origin: Point,
    step_mm: float,
    pointers: tuple[str | None, str | None],
) -> Handle:
    x, y = pointers
    return Handle(
        key=key,
        layer=layer,
        name=name,
        points=points,
        origin=origin,
        step_mm=step_mm,
        x_pointer=x,
        y_pointer=y,
    )


DRAW = (
    room_marks,
    stud_marks,
    stud_read_marks,
    joist_marks,
    datum_marks,
    fitting_marks,
    box_marks,
    lamp_marks,
    seat_marks,
)
