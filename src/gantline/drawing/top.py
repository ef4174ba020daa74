"""The top face: the room from above, the wall at the top, the seats below."""

from collections.abc import Iterator

from gantline.core.units import Units, length_text
from gantline.drawing.marks import Area, Dimension, Face, Lanes, Line, Mark, rectangle
from gantline.drawing.side import WALL_MM, depth_mm
from gantline.drawing.things import boxes, lamps, seats
from gantline.drawing.throw import lens_dimensions, throw_cut
from gantline.plan.scene import Scene


def top(scene: Scene, units: Units) -> Face:
    """All marks of the top face. Origin: left wall end at the bare wall; x to the right, z downwards."""
    deep = depth_mm(scene)
    marks = (
        *_room(scene, deep),
        *boxes(scene, float(units.grid), "top"),
        *lamps(scene, float(units.grid), "top"),
        *_sight(scene),
        *seats(scene, float(units.grid), "top"),
        *throw_cut(scene, units, "top", 0.0),
        *lens_dimensions(scene, units, "top", -WALL_MM, deep),
        *_dimensions(scene, units, deep),
    )
    return Face(
        name="top",
        summary=f"Room from above, {length_text(scene.wall_mm, units)} by {length_text(deep, units)}, {len(scene.seats)} seats.",
        left_mm=0.0, right_mm=scene.wall_mm, bottom_mm=-WALL_MM, top_mm=deep, lanes=Lanes(left=1, right=1, above=1, below=1),
        marks=marks, y_down=True,
    )  # fmt: skip


def _room(scene: Scene, deep: float) -> Iterator[Mark]:
    yield Area(key="room", role="wall", layer="base", points=rectangle(0.0, 0.0, scene.wall_mm, deep))
    yield Area(key="wall", role="floor", layer="base", points=rectangle(0.0, -WALL_MM, scene.wall_mm, 0.0))
    for number, at in enumerate(scene.joists, start=1):
        line = ((at, 0.0), (at, deep)) if scene.joists_to_wall else ((0.0, at), (scene.wall_mm, at))
        yield Line(key=f"joist-{number}", role="joist", layer="throw", points=line)
    frame, picture, z = scene.frame, scene.picture, scene.fabric_z_mm
    yield Area(key="frame", role="frame", layer="base", points=rectangle(frame.left_mm, 0.0, frame.right_mm, z))
    yield Area(
        key="picture", role="picture", layer="base", points=rectangle(picture.left_mm, z - 12.0, picture.right_mm, z + 12.0)
    )


def _sight(scene: Scene) -> Iterator[Mark]:
    picture, z = scene.picture, scene.fabric_z_mm
    for seat in scene.seats:
        for edge, x in (("left", picture.left_mm), ("right", picture.right_mm)):
            yield Line(key=f"sight-{seat.index}-{edge}", role="sight", layer="light", points=((seat.x_mm, seat.z_mm), (x, z)))


def _dimensions(scene: Scene, units: Units, deep: float) -> Iterator[Mark]:
    yield Dimension(key="wall-width", layer="survey", axis="x", a_mm=0.0, b_mm=scene.wall_mm, base_mm=-WALL_MM, side=-1, lane=1,
        text=length_text(scene.wall_mm, units), name="Wall width")  # fmt: skip
    yield Dimension(key="depth", layer="survey", axis="y", a_mm=0.0, b_mm=deep, base_mm=scene.wall_mm, side=1, lane=1,
        text=length_text(deep, units), name="Room, wall to back")  # fmt: skip
    for seat in scene.seats:
        if seat.main:
            yield Dimension(key="main-seat", layer="survey", axis="y", a_mm=0.0, b_mm=seat.z_mm, base_mm=0.0, side=-1, lane=1,
                text=length_text(seat.z_mm, units), name=f"{seat.name} from the wall")  # fmt: skip
