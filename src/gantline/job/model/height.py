"""Where on the wall the screen goes."""

from typing import Annotated

from gantline.core.defaults import HeightDefaults
from gantline.core.height.place import WishKind
from gantline.job.ends import mm
from gantline.job.field import Field, Part
from gantline.job.types import DistanceMm, Share

TARGETS = (
    (WishKind.EYE_LINE, "eye line"),
    (WishKind.FRAME_TOP, "top of frame"),
    (WishKind.FRAME_BOTTOM, "bottom of frame"),
    (WishKind.CEILING_GAP, "gap to ceiling"),
    (WishKind.ABOVE_CABINET, "holes above the cabinet"),
)


class HeightTarget(Part):
    """Where on the wall. wish_mm is what `wish` names [mm]."""

    centre_x_mm: Annotated[
        DistanceMm | None, Field("centre_x", "Screen center from left", derived=True, ends=mm(0.0, 60_000.0))
    ] = None
    ceiling_gap_mm: Annotated[
        DistanceMm | None,
        Field(
            "ceiling_gap",
            "Smallest gap to ceiling",
            default=HeightDefaults.ceiling_gap_mm,
            ends=mm(0.0, 10_000.0),
        ),
    ] = None
    lowest_edge_mm: Annotated[
        DistanceMm | None,
        Field(
            "lowest_edge",
            "Lowest allowed edge",
            default=HeightDefaults.lowest_edge_mm,
            moves="how low the frame may hang; furniture decides it",
            ends=mm(0.0, 20_000.0),
        ),
    ] = None
    wish: Annotated[WishKind | None, Field("wish", "Height from", "choice", "eye-line", TARGETS)] = None
    wish_mm: Annotated[
        DistanceMm | None, Field("wish_value", "Target", derived=True, ends=mm(0.0, 30_000.0))
    ] = None
    eye_share: Annotated[
        Share | None, Field("eye_share", "Eye line, up the picture", "share", HeightDefaults.eye_share)
    ] = None
    skirting_mm: Annotated[
        DistanceMm | None,
        Field("skirting", "Baseboard", default=HeightDefaults.skirting_mm, fact=True, ends=mm(0.0, 1_000.0)),
    ] = None
