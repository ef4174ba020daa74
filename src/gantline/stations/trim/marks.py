"""The light strip's two runs on the back of the frame, and the border's pieces on the front."""

from collections.abc import Iterator

from gantline.core.trim.backlight import Backlight as Strip
from gantline.drawing.marks import Area, Dot, Label, Line, Mark, Point
from gantline.job.model.frame import Backlight, Trim
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.frame import outer_mm
from gantline.stations.size import screen
from gantline.stations.trim.solve import strip, tape


def border(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The border tape as it lies, its corners as they are cut; seen from the back through the fabric."""
    if face != "back" or not at(tape):
        return
    own_screen = at(screen)
    w, h = own_screen.overall_width_mm, own_screen.overall_height_mm
    side, top, bottom = own_screen.border.side_mm, own_screen.border.top_mm, own_screen.border.bottom_mm
    if at.field(Trim.corner) == "miter":
        shapes: dict[str, tuple[Point, ...]] = {
            "top": ((0.0, h), (w, h), (w - side, h - top), (side, h - top)),
            "bottom": ((0.0, 0.0), (w, 0.0), (w - side, bottom), (side, bottom)),
            "left": ((0.0, 0.0), (0.0, h), (side, h - top), (side, bottom)),
            "right": ((w, 0.0), (w, h), (w - side, h - top), (w - side, bottom)),
        }
    else:
        shapes = {
            "top": ((0.0, h), (w, h), (w, h - top), (0.0, h - top)),
            "bottom": ((0.0, 0.0), (w, 0.0), (w, bottom), (0.0, bottom)),
            "left": ((0.0, bottom), (0.0, h - top), (side, h - top), (side, bottom)),
            "right": ((w, bottom), (w, h - top), (w - side, h - top), (w - side, bottom)),
        }
    for name, points in shapes.items():
        if len({x for x, _ in points}) > 1 and len({y for _, y in points}) > 1:
            yield Area(key=f"tape-{name}", role="tape", layer="trim", points=points)


def light(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Both runs, the corner they are fed from and the corner where they meet."""
    light_run = at(strip)
    if face != "back" or not isinstance(light_run, Strip):
        return
    whole, inset = at(screen), at.field(Backlight.inset_mm)
    trim = (whole.overall_width_mm - at(outer_mm)[0]) / 2.0
    left, bottom = trim + inset, trim + inset
    right, top = whole.overall_width_mm - left, whole.overall_height_mm - bottom
    fed_left = at.field(Backlight.feed) == "left"
    start, end = ((left, bottom), (right, top)) if fed_left else ((right, bottom), (left, top))
    over, under = (start[0], end[1]), (end[0], start[1])
    for key, corner in (("up", over), ("across", under)):
        yield Line(key=f"strip-{key}", role="strip", layer="trim", points=(start, corner, end))
    yield Dot(key="strip-feed", role="source", layer="trim", at=start, name="feed of the light strip")
    for key, text, (u, v) in (
        ("feed", "feed", start),
        ("meet", f"the runs meet, each {at.text(light_run.short_mm)} short of the corner", end),
    ):
        inward = 1.0 if u < whole.overall_width_mm / 2.0 else -1.0
        yield Label(
            key=f"strip-{key}-name",
            layer="trim",
            at=(u + inward * 60.0, v + (90.0 if v < whole.overall_height_mm / 2.0 else -90.0)),
            text=text,
            anchor="start" if inward > 0 else "end",
            size="text",
            role="picture",
        )


DRAW = (border, light)
