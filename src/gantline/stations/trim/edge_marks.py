"""What the trim adds to the section through the edge: the border round its edge, and the light strip."""

from collections.abc import Iterator

from gantline.core.trim.backlight import Backlight as Strip
from gantline.drawing.marks import Dot, Line, Mark
from gantline.job.model.frame import Backlight, Trim
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.common import frame_depth_mm, standoff_mm
from gantline.stations.size import screen
from gantline.stations.trim.solve import strip, tape

OVER_CLOTH_MM = 2.6


def border(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Down the front over the border's face, and round the edge by the wrap."""
    if not at(tape):
        return
    plane = at(standoff_mm) + at(frame_depth_mm)
    front = plane + OVER_CLOTH_MM
    points = (
        (front, -at(screen).border.top_mm),
        (front, OVER_CLOTH_MM),
        (plane - at.field(Trim.wrap_mm), OVER_CLOTH_MM),
    )
    yield Line(key="edge-border-tape", role="tape-edge", layer="frame", points=points)


def light(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The strip on the back of the frame."""
    if isinstance(at(strip), Strip):
        place = (at(standoff_mm) - 3.0, -at.field(Backlight.inset_mm))
        yield Dot(key="edge-strip", role="source", layer="frame", at=place, name="light strip")


EDGE = (border, light)
