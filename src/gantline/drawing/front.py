"""The front face: the wall as it is seen, with everything on it."""

from collections.abc import Iterator

from gantline.core.height.profile import Profile
from gantline.core.units import Units, length_text
from gantline.drawing.marks import (
    Area,
    Dimension,
    Dot,
    Face,
    Handle,
    Label,
    Lanes,
    Line,
    Mark,
    Stop,
    rectangle,
)
from gantline.drawing.things import boxes, fittings, lamps
from gantline.drawing.throw import LENS, throw_front
from gantline.plan.figures import Change
from gantline.plan.scene import Rect, Scene

HATCH_MM = 70.0  # depth of the hatched strip that stands for ceiling and floor
FRAME = "frame-handle"


def front(scene: Scene, units: Units, size_text: str, aspect_text: str) -> Face:
    """All marks of the front face. Origin: left wall end, floor at the survey point."""
    marks = (
        *_wall(scene, units),
        *fittings(scene, float(units.grid)),
        *_screen(scene, units, size_text, aspect_text),
        *_height(scene, units),
        *throw_front(scene, units, _top(scene), FRAME),
        *_drilling(scene, units),
        *_masks(scene),
        *boxes(scene, float(units.grid), "front"),
        *lamps(scene, float(units.grid), "front"),
        *_handles(scene, float(units.grid)),
    )
    tops, floors = [y for _, y in scene.ceiling], [y for _, y in scene.floor]
    where = f"top {length_text(scene.frame.top_mm, units)} above the floor" if scene.possible else "no height fits"
    return Face(
        name="front",
        summary=f"Wall {length_text(scene.wall_mm, units)} wide, seen from the front, screen {size_text}, {where}.",
        left_mm=min(0.0, scene.frame.left_mm),
        right_mm=max(scene.wall_mm, scene.frame.right_mm),
        bottom_mm=min(*floors, scene.frame.bottom_mm) - HATCH_MM,
        top_mm=max(*tops, scene.frame.top_mm) + HATCH_MM,
        lanes=Lanes(left=2, right=2, above=2, below=2),
        marks=marks,
    )


def _wall(scene: Scene, units: Units) -> Iterator[Mark]:
    floor, ceiling = scene.floor, scene.ceiling
    yield Area(key="wall", role="wall", layer="base", points=(*floor, *reversed(ceiling)))
    yield Area(key="ceiling", role="ceiling", layer="base",
        points=(*ceiling, *((x, y + HATCH_MM) for x, y in reversed(ceiling))))  # fmt: skip
    yield Area(key="floor", role="floor", layer="base", points=(*floor, *((x, y - HATCH_MM) for x, y in reversed(floor))))
    role = "stud" if scene.studs_known else "stud-predicted"
    bottom, top = max(y for _, y in floor), min(y for _, y in ceiling)
    for number, x in enumerate(scene.studs, start=1):
        half = scene.stud_mm / 2.0
        yield Area(key=f"stud-{number}", role=role, layer="wall", points=rectangle(x - half, bottom, x + half, top))  # type: ignore[arg-type]
    yield Line(key="datum", role="datum", layer="survey", points=((0.0, scene.datum_mm), (scene.wall_mm, scene.datum_mm)))
    yield Label(
        key="datum-name", layer="survey", at=(0.01 * scene.wall_mm, scene.datum_mm), text="datum", anchor="start", role="datum"
    )
    yield Dimension(key="wall-width", layer="survey", axis="x", a_mm=0.0, b_mm=scene.wall_mm, base_mm=min(y for _, y in floor),
        side=-1, lane=2, text=length_text(scene.wall_mm, units), name="Wall width",
        changes=(Change(pointer="/survey/wall_width_mm", value=None),))  # fmt: skip
    yield Dimension(key="datum-height", layer="survey", axis="y", a_mm=0.0, b_mm=scene.datum_mm, base_mm=0.0, side=-1, lane=1,
        text=length_text(scene.datum_mm, units), name="Datum line above floor",
        changes=(Change(pointer="/survey/datum_mm", value=None),))  # fmt: skip
    (_, left), (right_x, right) = ceiling[0], ceiling[-1]
    flat = all(y == left for _, y in ceiling)
    yield Dimension(key="ceiling-height", layer="survey", axis="y", a_mm=floor[-1][1], b_mm=right, base_mm=right_x, side=1,
        lane=2, text=length_text(right - floor[-1][1], units), name="Ceiling above floor at the right end",
        changes=(Change(pointer="/survey/ceiling_mm", value=None),) if flat and len(ceiling) == 2 else ())  # fmt: skip


def _screen(scene: Scene, units: Units, size_text: str, aspect_text: str) -> Iterator[Mark]:
    frame, picture = scene.frame, scene.picture
    role = "frame" if scene.possible else "frame-clash"
    yield Area(key="frame", role=role, layer="size", points=_corners(frame), moves=FRAME)  # type: ignore[arg-type]
    yield Area(key="picture", role="picture", layer="size", points=_corners(picture), moves=FRAME)
    middle = (picture.bottom_mm + picture.top_mm) / 2.0
    high = picture.top_mm - picture.bottom_mm
    yield Label(key="size", layer="base", at=(picture.centre_x_mm, middle + 0.1 * high), text=size_text, size="large",
        role="picture", moves=FRAME)  # fmt: skip
    yield Label(key="aspect", layer="base", at=(picture.centre_x_mm, middle - 0.08 * high), text=aspect_text, size="text",
        role="picture", moves=FRAME)  # fmt: skip
    floor = min(y for _, y in scene.floor)
    yield Dimension(key="overall-width", layer="size", axis="x", a_mm=frame.left_mm, b_mm=frame.right_mm, base_mm=floor, side=-1,
        lane=1, text=length_text(frame.right_mm - frame.left_mm, units), name="Overall width")  # fmt: skip
    for key, name, axis, a, b, base in (
        ("width", "Viewable width", "x", picture.left_mm, picture.right_mm, picture.bottom_mm),
        ("height", "Viewable height", "y", picture.bottom_mm, picture.top_mm, picture.left_mm),
    ):
        changes = (Change(pointer="/size/lead", value=key), Change(pointer="/size/value_mm", value=None))
        yield Dimension(key=f"viewable-{key}", layer="size", axis=axis, a_mm=a, b_mm=b, base_mm=base, side=1, lane=1,  # type: ignore[arg-type]
            text=length_text(b - a, units), name=name, changes=changes, moves=FRAME)  # fmt: skip


def _masks(scene: Scene) -> Iterator[Mark]:
    """Per content shape what is masked at its two sides or at top and bottom; a pen shows one shape at a time."""
    picture = scene.picture
    for at, (aspect, rect) in enumerate(scene.shapes):
        sides = [
            rectangle(picture.left_mm, picture.bottom_mm, rect.left_mm, picture.top_mm),
            rectangle(rect.right_mm, picture.bottom_mm, picture.right_mm, picture.top_mm),
            rectangle(picture.left_mm, picture.bottom_mm, picture.right_mm, rect.bottom_mm),
            rectangle(picture.left_mm, rect.top_mm, picture.right_mm, picture.top_mm),
        ]
        for side, points in enumerate(sides):
            if points[0][0] < points[2][0] and points[0][1] < points[2][1]:
                yield Area(key=f"mask-{at}-{side}", role="mask", layer="content", points=points, moves=FRAME)
        yield Area(key=f"mask-{at}-edge", role="mask-edge", layer="content", points=_corners(rect), moves=FRAME)
        yield Label(key=f"mask-{at}-name", layer="content", at=(rect.centre_x_mm, rect.top_mm - 0.07 * (picture.top_mm - picture.bottom_mm)), text=aspect, role="picture",
            size="text", moves=FRAME)  # fmt: skip


def _height(scene: Scene, units: Units) -> Iterator[Mark]:
    frame = scene.frame
    yield Line(key="lowest-edge", role="limit", layer="height",
        points=((0.0, scene.lowest_edge_mm), (scene.wall_mm, scene.lowest_edge_mm)))  # fmt: skip
    yield Label(key="lowest-edge-name", layer="height", at=(scene.wall_mm, scene.lowest_edge_mm), text=scene.low_name,
        anchor="end", role="limit")  # fmt: skip
    if scene.eye_mm is not None:
        yield Line(key="eye", role="eye", layer="height", points=((0.0, scene.eye_mm), (scene.wall_mm, scene.eye_mm)))
        yield Label(key="eye-name", layer="height", at=(scene.wall_mm, scene.eye_mm), text="eye line", anchor="end", role="eye")
    x = frame.right_mm + 0.25 * max(scene.wall_mm - frame.right_mm, 0.0)
    if scene.possible:
        yield Line(key="interval", role="interval", layer="height", points=((x, scene.top_low_mm), (x, scene.top_high_mm)))
        yield Label(key="interval-name", layer="height", at=(x, scene.top_high_mm), text=scene.high_name, role="eye")
    ceiling = _ceiling_over(scene, frame)
    for key, name, a, b, base, side, lane, sets in (
        ("frame-bottom", "Bottom of frame above floor", 0.0, frame.bottom_mm, 0.0, -1, 1, "frame-bottom"),
        ("frame-top", "Top of frame above floor", 0.0, frame.top_mm, 0.0, -1, 2, "frame-top"),
        ("ceiling-gap", "Gap to ceiling", frame.top_mm, ceiling, scene.wall_mm, 1, 1, "ceiling-gap"),
    ):
        changes = (Change(pointer="/height/wish", value=sets), Change(pointer="/height/wish_mm", value=None))
        yield Dimension(key=key, layer="height", axis="y", a_mm=a, b_mm=b, base_mm=base, side=side, lane=lane,  # type: ignore[arg-type]
            text=length_text(b - a, units), name=name, changes=changes, moves=FRAME)  # fmt: skip


def _ceiling_over(scene: Scene, frame: Rect) -> float:
    """Lowest ceiling over the frame [mm], as the bound above it takes it."""
    return Profile(scene.ceiling).lowest(frame.left_mm, frame.right_mm)


def _drilling(scene: Scene, units: Units) -> Iterator[Mark]:
    if scene.drilling is None:
        return
    for one in scene.drilling.marks:
        hole = one.hole
        yield Dot(key=f"hole-{hole.key}", role="hole", layer="wall", at=(hole.x_mm, hole.y_mm), name=f"{hole.row} {hole.side} hole",
            moves=FRAME)  # fmt: skip
    upper_left, upper_right, lower_left, _ = scene.drilling.marks
    for lane, mark in ((1, upper_left), (2, upper_right)):
        yield Dimension(key=f"hole-{mark.hole.side}", layer="wall", axis="x", a_mm=0.0, b_mm=mark.from_left_mm, base_mm=_top(scene),
            side=1, lane=lane, text=length_text(mark.from_left_mm, units),
            name=f"{mark.hole.side.capitalize()} holes from left wall end")  # fmt: skip
    for mark in (upper_left, lower_left):
        low, high = sorted((scene.datum_mm, mark.hole.y_mm))
        way = "above" if mark.from_datum_mm >= 0 else "below"
        yield Dimension(key=f"row-{mark.hole.row}", layer="wall", axis="y", a_mm=low, b_mm=high, base_mm=0.0, side=-1, lane=1,
            text=length_text(high - low, units), name=f"{mark.hole.row.capitalize()} holes {way} datum", moves=FRAME)  # fmt: skip
    check = scene.drilling.check
    yield Dimension(key="across", layer="wall", axis="x", a_mm=upper_left.hole.x_mm, b_mm=upper_right.hole.x_mm,
        base_mm=min(y for _, y in scene.floor), side=-1, lane=1, text=length_text(check.across_mm, units),
        name="Hole to hole")  # fmt: skip


def _handles(scene: Scene, step_mm: float) -> Iterator[Mark]:
    if scene.possible:
        stops = (Stop(at_mm=scene.top_low_mm, name=scene.low_name), Stop(at_mm=scene.top_high_mm, name=scene.high_name))
        yield Handle(
            key=FRAME, layer="height", name="Frame, up and down", points=_corners(scene.frame),
            origin=(scene.frame.centre_x_mm, scene.frame.top_mm), step_mm=step_mm, y_pointer="/height/wish_mm", y_stops=stops,
            also=(Change(pointer="/height/wish", value="frame-top"),),
        )  # fmt: skip
    if scene.beam is not None:
        x, y = scene.beam.lens_x_mm, scene.beam.lens_y_mm
        yield Handle(
            key=LENS, layer="throw", name="Lens", points=((x, y),), origin=(x, y), step_mm=step_mm, x_pointer="/throw/lens_x_mm",
            y_pointer="/throw/lens_y_mm", x_stops=(Stop(at_mm=0.0, name="left wall end"), Stop(at_mm=scene.wall_mm, name="right wall end")),
            y_stops=(Stop(at_mm=0.0, name="floor"), Stop(at_mm=max(y for _, y in scene.ceiling), name="ceiling")),
        )  # fmt: skip


def _top(scene: Scene) -> float:
    return max(*(y for _, y in scene.ceiling), scene.frame.top_mm) + HATCH_MM


def _corners(rect: Rect) -> tuple[tuple[float, float], ...]:
    return rectangle(rect.left_mm, rect.bottom_mm, rect.right_mm, rect.top_mm)
