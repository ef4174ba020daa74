"""Height: where the frame goes on the wall. What other stations ask of it."""

from gantline.stations.height.limits import lower_edge_mm, place
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
from gantline.stations.height.standing import (
    cabinet_top_mm,
    centre_x_mm,
    fixed_throw_mm,
    lens_above_base_mm,
    lens_y_mm,
    under,
)
from gantline.stations.height.taped import (
    offset_share,
    picture_first,
    read_picture,
    seen,
    sheet_offset,
    shift_reach,
    taped,
    taped_offset,
    taped_ratio,
)

__all__ = [
    "Placement",
    "asked",
    "cabinet_top_mm",
    "centre_x_mm",
    "fits",
    "fixed_throw_mm",
    "lens_above_base_mm",
    "lens_y_mm",
    "lower_edge_mm",
    "offset_share",
    "picture_first",
    "place",
    "placement",
    "platforms",
    "raised_mm",
    "read_picture",
    "rect_of_frame",
    "rect_of_picture",
    "seen",
    "sheet_offset",
    "shift_reach",
    "taped",
    "taped_offset",
    "taped_ratio",
    "under",
]
