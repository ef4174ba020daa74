"""The screws of one bracket: how many, how they lie, how far apart."""

from gantline.core.wall.marks import ScrewLay, carrying_screws, first_off_mm
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask


def lay(at: Ask) -> ScrewLay:
    """How the screws of a bracket lie; of a single one nothing is asked."""
    return ScrewLay.OVER if at.field(Hanging.per_bracket) < 2 else ScrewLay(at.field(Hanging.screws_lie))


def screw_step_mm(at: Ask) -> float:
    """From one screw of a bracket to the next [mm]; 0 for a single one."""
    return 0.0 if at.field(Hanging.per_bracket) < 2 else at.field(Hanging.screws_apart_mm)


def first_screw_off_mm(at: Ask) -> float:
    """From a bracket's middle to its first screw along the wall [mm]."""
    if at.aside(lay) is not ScrewLay.BESIDE:
        return 0.0
    return first_off_mm(at.field(Hanging.per_bracket), at(screw_step_mm), at(lay))


def carrying(at: Ask) -> int:
    """Screws of a bracket that bear the weight."""
    return carrying_screws(at.field(Hanging.per_bracket), at(lay))
