"""Height: where the frame goes on the wall. What other stations ask of it."""

from gantline.stations.height.limits import centre_x_mm, lower_edge_mm, place
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
from gantline.stations.height.standing import CABINET, fixed_throw_mm, lens_above_base_mm, lens_y_mm, under

__all__ = [
    "CABINET",
    "Placement",
    "asked",
    "centre_x_mm",
    "fits",
    "fixed_throw_mm",
    "lens_above_base_mm",
    "lens_y_mm",
    "lower_edge_mm",
    "place",
    "placement",
    "platforms",
    "raised_mm",
    "rect_of_frame",
    "rect_of_picture",
    "under",
]
