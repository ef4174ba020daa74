"""What the height's panel shows, in order and by weight."""

from gantline.plan.station import PanelPart
from gantline.stations.height.figures import SLACKS

PANEL = (
    PanelPart(weight="lead", rows=("frame_top", "frame_bottom", "bottom_from_datum", "binds")),
    PanelPart(
        title="Target", rows=("wish", "wish_value", "eye_share", "centre_x", "ceiling_gap", "lowest_edge")
    ),
    PanelPart(
        title="Limits and slack",
        weight="detail",
        rows=(
            "top_highest",
            "top_lowest",
            "skirting",
            "picture_centre",
            *(f"slack_{key.replace('-', '_')}" for key, _ in SLACKS),
        ),
    ),
)
