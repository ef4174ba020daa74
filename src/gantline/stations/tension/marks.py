"""The numbered points on the back, and the frame's own dimensions there."""

from collections.abc import Iterator

from gantline.drawing.marks import Axis, Dimension, Dot, Line, Mark
from gantline.job.model.frame import FrameBuild
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.size import screen
from gantline.stations.tension.solve import tension_points, written_numbers

MANY = 120  # above this many points only every tenth bears its number, else every fifth


def points(at: Ask, face: FaceName) -> Iterator[Mark]:
    """A dot for every point, some with their numbers."""
    laid = at(tension_points) if face == "back" else ""
    spots = () if isinstance(laid, str) else laid
    if not spots:
        return
    trim = at.field(FrameBuild.trim_mm)
    every = 5 if len(spots) <= MANY else 10
    written = at(written_numbers)
    ends = [p.number for p, q in zip(spots, (*spots[1:], spots[0]), strict=True) if p.side != q.side]
    ends += [number % len(spots) + 1 for number in ends]
    for point in spots:
        off_end = min(abs(point.number - end) for end in ends)
        shown = off_end == 0 or (point.number % every == 0 and off_end > every // 2)
        yield Dot(
            key=f"point-{point.number}",
            role="point" if point.first_pass else "point-fill",
            layer="tension",
            at=(point.u_mm + trim, point.v_mm + trim),
            name=f"point {point.number}, {point.side}",
            number=written[point.number] if shown else None,
            written=written[point.number],
            side=point.side.value,
        )


def frame(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Center lines and overall dimensions."""
    if face != "back":
        return
    own_screen = at(screen)
    wide, high = own_screen.overall_width_mm, own_screen.overall_height_mm
    yield Line(key="center-u", role="center", layer="tension", points=((wide / 2, 0.0), (wide / 2, high)))
    yield Line(key="center-v", role="center", layer="tension", points=((0.0, high / 2), (wide, high / 2)))
    sides: tuple[tuple[str, Axis, float, str], ...] = (
        ("overall-width", "x", wide, "Overall width"),
        ("overall-height", "y", high, "Overall height"),
    )
    for key, axis, long, name in sides:
        yield Dimension(
            key=key,
            layer="tension",
            axis=axis,
            a_mm=0.0,
            b_mm=long,
            base_mm=0.0,
            side=-1,
            lane=2,
            text=at.text(long),
            name=name,
        )


DRAW = (frame, points)
