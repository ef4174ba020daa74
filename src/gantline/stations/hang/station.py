"""Hanging as one value."""

from gantline.job.model.align import Hung
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Lit, PanelPart, Station, Table, fields_of
from gantline.stations.common import from_afar
from gantline.stations.hang.figures import FIGURES, gist
from gantline.stations.hang.findings import FINDINGS
from gantline.stations.hang.marks import DRAW
from gantline.stations.hang.people import guided
from gantline.stations.hang.picture_figures import PICTURE
from gantline.stations.hang.steps import steps
from gantline.stations.hang.tables import hang_table
from gantline.stations.height import picture_first

LIFT = "Gloves, a planned path, doors shut. Nobody under it until every latch has clicked; pull-test each. Never over a seat."


def cautions(at: Ask) -> tuple[Caution, ...]:
    """Lifting."""
    who = "Two people at the frame, a third to guide. " if at(guided) else "Two people. "
    return (Caution(key="hanging", name="Lifting", text=who + LIFT),)


def begun(at: Ask) -> bool:
    """Whether it was read while it hung."""
    return bool(at.things(Hung.readings))


PANEL = (
    PanelPart(
        weight="lead",
        rows=(
            "hang_level",
            "hang_center",
            "hang_plumb_left",
            "hang_plumb_right",
            "hang_wind",
            "level_within",
        ),
    ),
    PanelPart(
        title="Picture on the bare wall",
        rows=("taped_center", "taped_top", "taped_width", "body_out"),
        widget="pictured",
        when=picture_first,
    ),
    PanelPart(widget="hang"),
    PanelPart(title="Fabric after hanging", rows=("hang_margin_across", "hang_margin_down")),
    PanelPart(title="Done and safe", rows=("order", "pulled", "locked")),
    PanelPart(title="Projector", weight="detail", widget="projector", gist=from_afar),
    PanelPart(widget="cautions"),
)

HANG = Station(
    key="hang",
    tall=True,
    label="Hang",
    says="Hang the frame, then type what the level and the tape read. What is off says how to cure it.",
    fields=fields_of(Hung),
    figures=(*FIGURES, *PICTURE),
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("size", "hang"), dimensions=("hang",), hides=("survey", "wall")),
    tables=(Table(key="hang", question=hang_table),),
    draw=DRAW,
    cautions=cautions,
    begun=begun,
    strip="acts",
    steps=steps,
)
