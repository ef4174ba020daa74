"""Where the fabric is, and how far it goes past the frame."""

from gantline.core.defaults import FrameDefaults
from gantline.core.tension.holds import Hold
from gantline.job.model.hanging import FrameBuild, Tensioning
from gantline.plan.ask import Ask


def fabric_plane_mm(at: Ask) -> float:
    """Bare wall to fabric [mm]: standoff + frame depth."""
    return at.field(FrameBuild.depth_mm) + at.field(FrameBuild.standoff_mm)


def overlap_mm(at: Ask) -> float:
    """Fabric past each edge of the frame [mm]: as entered, else what wrapping and stapling needs, and none for others."""
    given = at.given(Tensioning.overlap_mm)
    if given is not None:
        return given
    return at.default(FrameDefaults.blank_overlap_mm) if at.field(Tensioning.hold) == Hold.STAPLE else 0.0
