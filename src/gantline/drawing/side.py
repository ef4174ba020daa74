"""The side face: the section through the screen's centre, the wall at the left, the room to the right."""

from collections.abc import Iterator

from gantline.core.height.profile import Profile
from gantline.core.units import Units, length_text
from gantline.drawing.marks import Area, Dimension, Face, Lanes, Line, Mark, rectangle
from gantline.drawing.things import boxes, lamps, seats
from gantline.drawing.throw import lens_dimensions, throw_cut
from gantline.plan.figures import Change
from gantline.plan.scene import Scene

WALL_MM = 120.0  # drawn thickness of wall, floor and ceiling


def side(scene: Scene, units: Units) -> Face:
    """All marks of the side face. Origin: bare wall at the floor's survey point; z to the right, y up."""
    x = scene.frame.centre_x_mm
    floor, ceiling = Profile(scene.floor).at(x), Profile(scene.ceiling).at(x)
    deep = depth_mm(scene)
    marks = (
        *_room(scene, floor, ceiling, deep),
        *_screen(scene, units, deep),
        *boxes(scene, float(units.grid), "side"),
        *lamps(scene, float(units.grid), "side"),
        *_sight(scene),
        *seats(scene, float(units.grid), "side"),
        *throw_cut(scene, units, "side", ceiling),
        *lens_dimensions(scene, units, "side", ceiling + WALL_MM, deep),
    )
    return Face(
        name="side",
        summary=f"Section of the room, {length_text(deep, units)} deep, {len(scene.seats)} seats.",
        left_mm=-WALL_MM, right_mm=deep, bottom_mm=floor - WALL_MM, top_mm=max(ceiling, scene.frame.top_mm) + WALL_MM,
        lanes=Lanes(left=2, right=1, above=1, below=2), marks=marks,
    )  # fmt: skip


def depth_mm(scene: Scene) -> float:
    """How deep the room is drawn [mm]: as surveyed, and at least to the farthest seat and the lens."""
    lens = scene.beam.distance_mm + scene.fabric_z_mm + 300.0 if scene.beam else 0.0
    return max(scene.room_depth_mm, lens, *(seat.z_mm + 500.0 for seat in scene.seats), 1500.0)


def _room(scene: Scene, floor: float, ceiling: float, deep: float) -> Iterator[Mark]:
    yield Area(key="room", role="wall", layer="base", points=rectangle(0.0, floor, deep, ceiling))
    yield Area(key="section", role="floor", layer="base", points=rectangle(-WALL_MM, floor - WALL_MM, 0.0, ceiling + WALL_MM))
    yield Area(key="floor", role="floor", layer="base", points=rectangle(0.0, floor - WALL_MM, deep, floor))
    yield Area(key="ceiling", role="ceiling", layer="base", points=rectangle(0.0, ceiling, deep, ceiling + WALL_MM))
    yield Line(key="datum", role="datum", layer="survey", points=((0.0, scene.datum_mm), (deep, scene.datum_mm)))
    yield Line(key="back", role="back-wall", layer="base", points=((deep, floor), (deep, ceiling)))
    for number, z in enumerate(scene.joists if not scene.joists_to_wall else (), start=1):
        yield Area(
            key=f"joist-{number}", role="joist", layer="throw", points=rectangle(z - 19.0, ceiling, z + 19.0, ceiling + WALL_MM)
        )


def _screen(scene: Scene, units: Units, deep: float) -> Iterator[Mark]:
    frame, picture, z = scene.frame, scene.picture, scene.fabric_z_mm
    role = "frame" if scene.possible else "frame-clash"
    yield Area(key="frame", role=role, layer="base", points=rectangle(0.0, frame.bottom_mm, z, frame.top_mm))  # type: ignore[arg-type]
    yield Area(key="picture", role="picture", layer="base", points=rectangle(z - 8.0, picture.bottom_mm, z + 8.0, picture.top_mm))
    for key, a, b, lane, name, wish in (
        ("frame-bottom", 0.0, frame.bottom_mm, 1, "Bottom of frame above floor", "frame-bottom"),
        ("frame-top", 0.0, frame.top_mm, 2, "Top of frame above floor", "frame-top"),
    ):
        changes = (Change(pointer="/height/wish", value=wish), Change(pointer="/height/wish_mm", value=None))
        yield Dimension(key=key, layer="height", axis="y", a_mm=a, b_mm=b, base_mm=-WALL_MM, side=-1, lane=lane,
            text=length_text(b - a, units), name=name, changes=changes)  # fmt: skip
    for seat in scene.seats:
        if seat.main:
            yield Dimension(key="main-seat", layer="survey", axis="x", a_mm=0.0, b_mm=seat.z_mm, base_mm=-WALL_MM, side=-1, lane=1,
                text=length_text(seat.z_mm, units), name=f"{seat.name} from the wall")  # fmt: skip
    yield Dimension(key="depth", layer="survey", axis="x", a_mm=0.0, b_mm=deep, base_mm=-WALL_MM, side=-1, lane=2,
        text=length_text(deep, units), name="Room, wall to back")  # fmt: skip


def _sight(scene: Scene) -> Iterator[Mark]:
    picture, z = scene.picture, scene.fabric_z_mm
    for seat in scene.seats:
        eye = (seat.z_mm, seat.eye_mm)
        for edge, y in (("top", picture.top_mm), ("bottom", picture.bottom_mm)):
            yield Line(key=f"sight-{seat.index}-{edge}", role="sight", layer="light", points=(eye, (z, y)))
        if seat.platform_mm > 0.0:
            yield Area(key=f"platform-{seat.index}", role="box-cut", layer="survey",
                points=rectangle(seat.z_mm - 500.0, 0.0, seat.z_mm + 400.0, seat.platform_mm))  # fmt: skip
