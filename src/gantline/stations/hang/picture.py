"""Picture first: what was taped onto the bare wall, and where that puts the frame."""

from gantline.core.align.corners import allowed_mm
from gantline.core.defaults import AlignDefaults
from gantline.plan.ask import Ask
from gantline.stations.common import overspill_mm
from gantline.stations.height import taped
from gantline.stations.size import screen


def frame_top_mm(at: Ask) -> float | None:
    """Where the picture puts the frame's top [mm above the floor]."""
    taped_picture = at(taped)
    if taped_picture is None:
        return None
    own = at(screen)
    return taped_picture.center_mm[1] + own.picture.height_mm / 2.0 + own.border.top_mm


def straight_within_mm(at: Ask) -> float:
    """How far a corner of the picture may stand from its place before the frame is hung to it [mm]."""
    return allowed_mm(at(overspill_mm), at.default(AlignDefaults.corner_within_mm))
