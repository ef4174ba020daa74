"""The survey as one value."""

from gantline.job.model import Job
from gantline.job.model.survey import Joists, Survey
from gantline.plan.station import Lit, Station, Table, fields_of
from gantline.stations.survey.figures import FIGURES, gist
from gantline.stations.survey.findings import FINDINGS
from gantline.stations.survey.marks import DRAW
from gantline.stations.survey.panel import PANEL
from gantline.stations.survey.tables import things

SURVEY = Station(
    key="survey",
    label="Survey",
    fields=fields_of(Job, Survey, Joists),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(
        layers=("survey", "lamps"),
        dimensions=("survey", "lamps", "datum"),
        handles=("survey", "lamps", "height"),
    ),
    tables=(Table(key="things", question=things),),
    draw=DRAW,
)
