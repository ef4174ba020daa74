"""The wall piece of a cleat on the board: its front edge between its ends."""

from collections.abc import Iterator

from gantline.drawing.marks import Line, Mark
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.size import screen
from gantline.stations.wall.cleat_line import cleat_edge
from gantline.stations.wall.way import frame_pieces


def draw(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The wall piece's front edge and the line of its screws' board, on the wall; from behind the long point of
    the frame's own piece."""
    line = at(cleat_edge)
    if line is None or face not in ("front", "back"):
        return
    if face == "back":
        whole = at(screen)
        up = whole.overall_height_mm - at.field(Hanging.cleat_point_mm)
        for number, (left, right) in enumerate(at(frame_pieces), start=1):
            points = ((whole.overall_width_mm - right, up), (whole.overall_width_mm - left, up))
            yield Line(key=f"cleat-piece-{number}", role="cleat", layer="wall", points=points)
        return
    ends = ((line.left_mm, line.edge_mm), (line.right_mm, line.edge_mm))
    yield Line(key="cleat-edge", role="cleat", layer="wall", points=ends)
