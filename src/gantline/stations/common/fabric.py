"""Where the fabric is."""

from gantline.job.model.frame import FrameBuild
from gantline.plan.ask import Ask


def fabric_plane_mm(at: Ask) -> float:
    """Bare wall to fabric [mm]: standoff + frame depth."""
    return at.field(FrameBuild.depth_mm) + at.field(FrameBuild.standoff_mm)
