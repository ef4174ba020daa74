"""The back face: the frame as it lies face down, where the fabric is fixed. Mirrored, and says so."""

from collections.abc import Iterator

from gantline.core.units import Units, length_text
from gantline.drawing.marks import Area, Dimension, Dot, Face, Label, Lanes, Line, Mark, rectangle
from gantline.plan.scene import Scene

MANY = 120  # above this many points only every tenth bears its number, else every fifth


def back(scene: Scene, units: Units) -> Face:
    """All marks of the back face. Origin: lower left corner of the frame as seen from the back."""
    width = scene.frame.right_mm - scene.frame.left_mm
    height = scene.frame.top_mm - scene.frame.bottom_mm
    count = len(scene.stretch.points) if scene.stretch else 0
    return Face(
        name="back",
        summary=f"Frame seen from the back, {length_text(width, units)} by {length_text(height, units)}, {count} tension points.",
        left_mm=0.0,
        right_mm=width,
        bottom_mm=0.0,
        top_mm=height,
        lanes=Lanes(left=2, right=1, above=1, below=2),
        marks=(*_frame(scene, width, height, units), *_brackets(scene, height, units), *_points(scene)),
    )


def _frame(scene: Scene, width: float, height: float, units: Units) -> Iterator[Mark]:
    yield Area(key="frame", role="frame", layer="base", points=rectangle(0.0, 0.0, width, height))
    side, picture = scene.picture.left_mm - scene.frame.left_mm, scene.picture
    low, high = picture.bottom_mm - scene.frame.bottom_mm, picture.top_mm - scene.frame.bottom_mm
    yield Area(key="picture", role="picture", layer="base", points=rectangle(side, low, width - side, high))
    for bar in range(1, scene.centre_bars + 1):
        u = width * bar / (scene.centre_bars + 1)
        yield Line(key=f"bar-{bar}", role="bar", layer="tension", points=((u, 0.0), (u, height)))
    yield Line(key="centre-u", role="centre", layer="tension", points=((width / 2, 0.0), (width / 2, height)))
    yield Line(key="centre-v", role="centre", layer="tension", points=((0.0, height / 2), (width, height / 2)))
    yield Label(
        key="mirrored", layer="base", at=(width / 2, height * 0.56), text="seen from the back", size="text", role="picture"
    )
    yield Label(key="wall-right", layer="base", at=(width * 0.16, height * 0.46), text="wall's right", role="picture")
    yield Label(key="wall-left", layer="base", at=(width * 0.84, height * 0.46), text="wall's left", role="picture")
    yield Dimension(key="overall-width", layer="tension", axis="x", a_mm=0.0, b_mm=width, base_mm=0.0, side=-1, lane=2,
        text=length_text(width, units), name="Overall width")  # fmt: skip
    yield Dimension(key="overall-height", layer="tension", axis="y", a_mm=0.0, b_mm=height, base_mm=0.0, side=-1, lane=2,
        text=length_text(height, units), name="Overall height")  # fmt: skip


def _brackets(scene: Scene, height: float, units: Units) -> Iterator[Mark]:
    if scene.drilling is None:
        return
    for hole in scene.drilling.holes:
        u = scene.frame.right_mm - hole.x_mm
        yield Dot(key=f"bracket-{hole.key}", role="bracket", layer="wall", at=(u, hole.y_mm - scene.frame.bottom_mm),
            name=f"{hole.row} {hole.side} bracket")  # fmt: skip
    width = scene.frame.right_mm - scene.frame.left_mm
    near, far = (scene.frame.right_mm - x for x in (scene.drilling.pair.right_mm, scene.drilling.pair.left_mm))
    for key, a, b, name in (
        ("bracket-near", 0.0, near, "Frame end to bracket"),
        ("bracket-across", near, far, "Bracket to bracket"),
        ("bracket-far", far, width, "Bracket to frame end"),
    ):
        yield Dimension(
            key=key,
            layer="wall",
            axis="x",
            a_mm=a,
            b_mm=b,
            base_mm=height,
            side=1,
            lane=1,
            text=length_text(b - a, units),
            name=name,
        )


def _points(scene: Scene) -> Iterator[Mark]:
    if scene.stretch is None:
        return
    points = scene.stretch.points
    every = 5 if len(points) <= MANY else 10
    ends = [p.number for p, q in zip(points, (*points[1:], points[0]), strict=True) if p.side != q.side]
    ends += [number % len(points) + 1 for number in ends]
    for point in points:
        clear = min(abs(point.number - end) for end in ends)
        shown = clear == 0 or (point.number % every == 0 and clear > every // 2)
        yield Dot(
            key=f"point-{point.number}", role="point" if point.first_pass else "point-fill", layer="tension",
            at=(point.u_mm, point.v_mm), name=f"point {point.number}, {point.side}", number=point.number if shown else None,
        )  # fmt: skip
