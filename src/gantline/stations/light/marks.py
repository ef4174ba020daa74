"""Lines of sight from every seat to the picture."""

from collections.abc import Iterator

from gantline.drawing.marks import Line, Mark
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import rect_of_picture
from gantline.stations.survey import seat_places


def sight(at: Ask, face: FaceName) -> Iterator[Mark]:
    """To top and bottom from the side, to left and right from above."""
    if face not in ("side", "top"):
        return
    left, bottom, right, top = at(rect_of_picture)
    z = at(fabric_plane_mm)
    edges = (("top", top), ("bottom", bottom)) if face == "side" else (("left", left), ("right", right))
    for seat in at(seat_places):
        eye = (seat.z_mm, seat.eye_mm) if face == "side" else (seat.x_mm, seat.z_mm)
        for edge, along in edges:
            end = (z, along) if face == "side" else (along, z)
            yield Line(key=f"sight-{seat.id}-{edge}", role="sight", layer="light", points=(eye, end))


DRAW = (sight,)
