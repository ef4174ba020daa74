"""The day as one value."""

from gantline.job.model.day import DayPlan
from gantline.plan.ask import Ask
from gantline.plan.station import Lit, PanelPart, Station, fields_of
from gantline.stations.day.figures import FIGURES, gist
from gantline.stations.day.findings import FINDINGS
from gantline.stations.day.solve import KEY


def begun(at: Ask) -> bool:
    """Whether the crew chose its order."""
    return at.given(DayPlan.drill) is not None or bool(at.things(DayPlan.own))


DAY = Station(
    key=KEY,
    label="Day",
    says="Go through the day step by step; every step has its numbers, its tools and its box to tick.",
    speaks=90,
    fields=fields_of(DayPlan),
    figures=FIGURES,
    findings=FINDINGS,
    panel=(
        PanelPart(weight="lead", widget="day"),
        PanelPart(title="Order", rows=("day_drill", "day_trips", "day_dry"), widget="day-own"),
    ),
    gist=gist,
    lit=Lit(layers=("tension", "wall"), dimensions=()),
    strip="day",
    tall=True,
    begun=begun,
)
