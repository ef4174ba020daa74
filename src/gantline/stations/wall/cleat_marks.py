"""The wall piece of a cleat on the board: its front edge between its ends."""

from collections.abc import Iterator

from gantline.drawing.marks import Line, Mark
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.wall.cleat_line import cleat_edge


def draw(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The wall piece's front edge and the line of its screws' board, on the wall."""
    line = at(cleat_edge)
    if line is None or face != "front":
        return
    ends = ((line.left_mm, line.edge_mm), (line.right_mm, line.edge_mm))
    yield Line(key="cleat-edge", role="cleat", layer="wall", points=ends)
