"""The survey as one value."""

from gantline.job.model import Job
from gantline.job.model.survey import Joists, Survey
from gantline.plan.ask import Ask
from gantline.plan.station import Lit, Station, Table, fields_of
from gantline.stations.survey.figures import FIGURES, gist
from gantline.stations.survey.findings import FINDINGS
from gantline.stations.survey.marks import DRAW
from gantline.stations.survey.panel import PANEL
from gantline.stations.survey.tables import (
    box_list,
    ceiling_list,
    fitting_list,
    floor_list,
    lamp_list,
    seat_list,
    stud_list,
)

LISTS = (seat_list, box_list, fitting_list, lamp_list, ceiling_list, floor_list, stud_list)


def begun(at: Ask) -> bool:
    """Whether the wall has been measured."""
    return at.given(Survey.wall_width_mm) is not None


SURVEY = Station(
    key="survey",
    speaks=10,
    label="Survey",
    says="Measure the wall, the ceiling and the studs. A dashed ring is assumed: type what the tape says over it.",
    fields=fields_of(Job, Survey, Joists),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(
        layers=("survey", "readings", "lamps"),
        dimensions=("survey", "readings", "lamps", "datum"),
        handles=("survey", "lamps", "height"),
    ),
    tables=tuple(Table(key=one.__name__, question=one) for one in LISTS),
    draw=DRAW,
    stops_all=True,
    begun=begun,
)
