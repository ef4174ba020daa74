"""What the frame is built of: timber or a kit, the board as it lies, its outside."""

from gantline.job.model.frame import FrameBuild
from gantline.plan.ask import Ask
from gantline.stations.common import board_mm, board_section, timber
from gantline.stations.size import screen

__all__ = ["board_mm", "board_section", "edge_mm", "outer_mm", "timber", "trim_fits"]
LEAST_MM = 100.0  # a frame smaller than this is none


def trim_fits(at: Ask) -> bool:
    """Whether the trim that is put on later leaves a frame to build."""
    own_screen, trim = at(screen), at.field(FrameBuild.trim_mm)
    return min(own_screen.overall_width_mm, own_screen.overall_height_mm) - 2.0 * trim >= LEAST_MM


def outer_mm(at: Ask) -> tuple[float, float]:
    """Width and height of the frame that is built, without trim that is put on later [mm]; trim that leaves nothing of it is
    a finding and does not count."""
    own_screen, trim = at(screen), at.field(FrameBuild.trim_mm) if at(trim_fits) else 0.0
    return own_screen.overall_width_mm - 2.0 * trim, own_screen.overall_height_mm - 2.0 * trim


def edge_mm(at: Ask) -> float:
    """From the overall edge to the frame that is built [mm]."""
    return (at(screen).overall_width_mm - at(outer_mm)[0]) / 2.0
