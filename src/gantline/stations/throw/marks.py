"""The projector on every face: where its lens can be, the light, what stands in it, the body and its mount."""

from collections.abc import Iterator

from gantline.core.space import Solid
from gantline.core.throw.light_path import Shadow
from gantline.core.throw.places import section
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
    Stop,
    rectangle,
)
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.finding import change
from gantline.plan.station import FaceName
from gantline.stations.common import fabric_plane_mm, is_turned, percent
from gantline.stations.height import rect_of_picture
from gantline.stations.outlines import HATCH_MM, WALL_MM, ceiling_section, drawn_depth_mm, outlines
from gantline.stations.survey import depth_mm, joist_lines_mm, wall_mm
from gantline.stations.throw.body import body_shape
from gantline.stations.throw.lens import LensPlace, in_front, lens_place, region
from gantline.stations.throw.mount import cable, mounted
from gantline.stations.throw.places import fits, wanted
from gantline.stations.throw.shadows import shadows
from gantline.stations.throw.turned import turned
from gantline.stations.throw.zoom import zoom_stops

LENS, FRAME = "lens-handle", "frame-handle"
JOIST_NEAR_MM = 20.0  # a joist under the plate is named
CUTS = ("side", "top")


def light(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The light from the lens to the picture."""
    place = at(lens_place)
    if place is None:
        return
    left, bottom, right, top = at(rect_of_picture)
    if face == "front":
        lens = (place.x_mm, place.y_mm)
        for number, corner in enumerate(rectangle(left, bottom, right, top)):
            yield Line(key=f"beam-{number}", role="beam", layer="throw", points=(lens, corner))
    elif face in CUTS:
        low, high = (bottom, top) if face == "side" else (left, right)
        z0 = at(fabric_plane_mm)
        points = (_pupil(face, place), _point(face, low, z0), _point(face, high, z0))
        yield Area(key="light", role="light", layer="throw", points=points)


def lens_places(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Where the lens can be: seen against the wall, or cut at the lens."""
    place, asked = at(lens_place), at(wanted)
    if place is None or asked is None or at(is_turned):
        return
    if face == "front":
        yield Area(key="reach", role="reach", layer="throw", points=at(region), moves=FRAME)
        return
    if face not in CUTS or at(in_front) is None:
        return
    out = place.measured_z_mm - place.from_wall[2]
    if asked.zone is not None:
        area, up = asked.room.within(asked.zone), 1 if face == "side" else 0
        if area.low[up] > area.high[up] or area.low[2] > area.high[2]:
            return
        z0, z1, a0, a1 = area.low[2] + out, area.high[2] + out, area.low[up], area.high[up]
        corners = rectangle(z0, a0, z1, a1) if face == "side" else rectangle(a0, z0, a1, z1)
        yield Area(key="zone", role="zone", layer="throw", points=corners)
        yield Label(key="zone-name", layer="throw", at=corners[0], text="zone", role="eye", anchor="start")
    cut = place.x_mm if face == "side" else place.y_mm
    for number, ring in enumerate(section(asked, "side" if face == "side" else "top", cut)):
        points = tuple((a + out, b) if face == "side" else (a, b + out) for a, b in ring)
        yield Area(key=f"window-{number}", role="window", layer="throw", points=points)


def shade(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Shadows on the picture, and the dark part of the light."""
    place = at(in_front)
    if place is None:
        return
    for name, _, shadow in at(shadows):
        if face in CUTS:
            points = _cone(shadow, face, _pupil(face, place), at(fabric_plane_mm))
            yield Area(key=f"shadow-{name}", role="shadow", layer="throw", points=points)
        elif face == "front":
            yield Area(key=f"shadow-{name}", role="shadow", layer="throw", points=shadow.outline)
            (x0, x1), (y0, y1) = ((min(side), max(side)) for side in zip(*shadow.outline, strict=True))
            share = percent(shadow.share) if shadow.share >= 0.01 else "under 1 %"
            yield Label(
                key=f"shadow-name-{name}",
                layer="throw",
                at=((x0 + x1) / 2.0, (y0 + y1) / 2.0),
                text=f"{shadow.name}, {share} dark",
                role="shadow",
                size="text",
                room_mm=(x1 - x0, y1 - y0),
            )


def squared(at: Ask, face: FaceName) -> Iterator[Mark]:
    """What a turned body throws, and the largest straight picture in it."""
    correction = at(turned) if face == "front" else None
    if correction is None:
        return
    left = f"largest straight picture, {percent(correction.thrown.share)} of the panel"
    for key, corners, named, text in (
        ("quad", correction.thrown.quad, 2, "projected outline"),
        ("kept", correction.thrown.picture, 1, left),
    ):
        points = tuple((float(x), float(y)) for x, y in corners)
        yield Area(key=key, role=key, layer="throw", points=points)
        yield Label(key=f"{key}-name", layer="throw", at=points[named], text=text, role="eye", anchor="end")


def spill(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The panel's image of every aspect ratio; a pen shows one at a time."""
    stops, asked = at(zoom_stops), at(wanted)
    if face != "front" or stops is None or asked is None:
        return
    for key, _, stop, _ in stops.stops:
        w, h = stop.panel.width_mm / 2.0, stop.panel.height_mm / 2.0
        x, y = asked.picture_x_mm, asked.picture_y_mm
        points = rectangle(x - w, y - h, x + w, y + h)
        yield Area(key=f"spill-{key}", role="spill", layer="content", points=points, of=key)


def body(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The body, its pole, plate and cable."""
    place = at(in_front)
    if place is None or at(wanted) is None or face not in CUTS:
        return
    shape = at(body_shape).at(place.from_wall)
    yield Area(key="body", role="body", layer="throw", points=_outline(shape, face), moves=LENS)
    run, plate = at(cable), at(mounted)
    if run:
        corners = tuple((z, y) if face == "side" else (x, z) for x, y, z in run)
        yield Line(key="cable", role="cable", layer="throw", points=corners)
        yield Dot(key="source", role="source", layer="throw", at=corners[0], name="signal and power")
        yield Label(
            key="source-name", layer="throw", at=corners[0], text="source", role="eye", anchor="start"
        )
    if plate is None:
        return
    there = (plate.z_mm, plate.ceiling_mm) if face == "side" else (plate.x_mm, plate.z_mm)
    if face == "side":
        ends = (there, (plate.z_mm, place.y_mm))
        yield Line(key="pole", role="pole", layer="throw", points=ends, moves=LENS)
    yield Dot(key="plate", role="plate", layer="throw", at=there, name="mount plate", moves=LENS)
    if face == "top":
        yield from _named_joist(at, plate.x_mm, plate.z_mm)


def lens(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The lens as a dot, a handle, and its dimensions."""
    place = at(lens_place)
    if place is None or face == "back":
        return
    x, y, z = place.x_mm, place.y_mm, place.measured_z_mm
    dot = {"front": (x, y), "side": (z, y), "top": (x, z)}[face]
    role = "lens" if at(fits) else "lens-out"
    yield Dot(key="lens", role=role, layer="throw", at=dot, name="lens", moves=LENS)
    if face != "front":
        yield Label(key="lens-name", layer="throw", at=dot, text="lens", role="eye", anchor="end", moves=LENS)
    yield _grip(at, face, dot)
    yield from _dimensions(at, face, place)


def _grip(at: Ask, face: FaceName, dot: Point) -> Handle:
    pointers = {
        "front": ("/throw/lens_x_mm", "/throw/lens_y_mm"),
        "side": ("/throw/lens_from_wall_mm", "/throw/lens_y_mm"),
        "top": ("/throw/lens_x_mm", "/throw/lens_from_wall_mm"),
    }[face]
    x_stops = y_stops = None
    if face == "front":
        over = max(y for _, y in at(outlines)[1])
        ends = (Stop(at_mm=0.0, name="left wall end"), Stop(at_mm=at(wall_mm), name="right wall end"))
        x_stops, y_stops = ends, (Stop(at_mm=0.0, name="floor"), Stop(at_mm=over, name="ceiling"))
    return Handle(
        key=LENS,
        layer="throw",
        name="Lens",
        points=(dot,),
        origin=dot,
        step_mm=at.step_mm,
        x_pointer=pointers[0],
        y_pointer=pointers[1],
        x_stops=x_stops,
        y_stops=y_stops,
    )


def _dimensions(at: Ask, face: FaceName, place: LensPlace) -> Iterator[Mark]:
    x, y, z = place.x_mm, place.y_mm, place.measured_z_mm
    across = (x, "Lens from left wall end", P.lens_x_mm)
    high, out = (y, "Lens above floor", P.lens_y_mm), (z, "Lens from bare wall", P.lens_from_wall_mm)
    _floor, ceiling = at(outlines)
    rows: tuple[tuple[str, Axis, float, Side, float, str, object], ...]
    match face:
        case "front":
            top = max(*(one for _, one in ceiling), at(rect_of_picture)[3]) + HATCH_MM
            rows = (("lens-height", "y", at(wall_mm), 1, *high), ("lens-across", "x", top, 1, *across))
        case "side":
            level = max(y for _, y in at(ceiling_section)) + WALL_MM
            rows = (("lens-z", "x", level, 1, *out), ("lens-y", "y", at(drawn_depth_mm), 1, *high))
        case _:
            rows = (("lens-z", "y", 0.0, -1, *out), ("lens-x", "x", -WALL_MM, -1, *across))
    for key, axis, base, side, b, name, field in rows:
        yield Dimension(
            key=key,
            layer="throw",
            axis=axis,
            a_mm=0.0,
            b_mm=b,
            base_mm=base,
            side=side,
            lane=1,
            text=at.text(b),
            name=name,
            changes=(change(field, None),),
            moves=LENS,
        )


def _named_joist(at: Ask, x: float, z: float) -> Iterator[Mark]:
    to_wall, centers = at(joist_lines_mm)
    for number, along in enumerate(centers, start=1):
        if abs(along - (x if to_wall else z)) < JOIST_NEAR_MM:
            end = (along, at(depth_mm) * 0.98) if to_wall else (at(wall_mm) * 0.02, along)
            text = f"joist {number}"
            yield Label(
                key=f"joist-name-{number}", layer="throw", at=end, text=text, role="eye", anchor="start"
            )


def _point(face: str, along: float, z: float) -> Point:
    return (z, along) if face == "side" else (along, z)


def _pupil(face: str, place: LensPlace) -> Point:
    return _point(face, place.y_mm if face == "side" else place.x_mm, place.from_wall[2])


def _outline(shape: Solid, face: str) -> tuple[Point, ...]:
    across, up = (2, 1) if face == "side" else (0, 2)
    return rectangle(shape.low[across], shape.low[up], shape.high[across], shape.high[up])


def _cone(shadow: Shadow, face: str, pupil: Point, z0: float) -> tuple[Point, ...]:
    """From the lens to the two ends of a shadow, as the cut shows them."""
    ends = [y if face == "side" else x for x, y in shadow.outline]
    return (pupil, _point(face, min(ends), z0), _point(face, max(ends), z0))


DRAW = (light, lens_places, shade, body, squared, spill, lens)
