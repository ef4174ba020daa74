"""Where the fabric is."""

from gantline.plan.ask import Ask
from gantline.stations.common.board import frame_depth_mm, standoff_mm


def fabric_plane_mm(at: Ask) -> float:
    """Bare wall to fabric [mm]: standoff + frame depth."""
    return at(frame_depth_mm) + at(standoff_mm)
