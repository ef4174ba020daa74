"""What the crew chose of its order."""

from gantline.job.model.day import DayPlan
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.stations.day.solve import drill_after

FIGURES = Figures()


@FIGURES.other("day_dry", "Empty frame hung first", "", "usual", DayPlan.dry)
def dry(at: Ask) -> Display | None:
    """Only where the holes are there before the fabric."""
    return None if at(drill_after) else Display(bool(at.field(DayPlan.dry)))


def gist(at: Ask) -> str:
    """Which school."""
    return "drilled last" if at(drill_after) else "drilled first"
