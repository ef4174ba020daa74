"""What the crew chose of its order."""

from gantline.job.field import field_of
from gantline.job.model.day import DayPlan
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.stations.day.solve import drill_after

FIGURES = Figures()


@FIGURES.other("day_dry", "Empty frame hung first", "", "usual", DayPlan.dry)
def dry(at: Ask) -> Display | None:
    """Only where the holes are there before the fabric."""
    return None if at(drill_after) else Display(bool(at.field(DayPlan.dry)))


@FIGURES.other("day_trips", "Trips to the room", "", "usual", DayPlan.trips)
def trips(at: Ask) -> Display | None:
    """Only where the wall is not drilled last."""
    value = at.field(DayPlan.trips)
    return None if at(drill_after) else Display(value, text=field_of(DayPlan.trips).choice(value))


def gist(at: Ask) -> str:
    """Which school."""
    return "drilled last" if at(drill_after) else "drilled first"
