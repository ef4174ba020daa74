"""Height: where the frame goes on the wall. What other stations ask of it."""

from gantline.stations.height.limits import centre_x_mm, place
from gantline.stations.height.solve import (
    Placement,
    asked,
    fits,
    placement,
    platforms,
    raised_mm,
    rect_of_frame,
    rect_of_picture,
)

__all__ = [
    "Placement",
    "asked",
    "centre_x_mm",
    "fits",
    "place",
    "placement",
    "platforms",
    "raised_mm",
    "rect_of_frame",
    "rect_of_picture",
]
