"""The trim as one value."""

from gantline.job.model.frame import Backlight, Trim
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Lit, Station, Table, fields_of
from gantline.stations.trim.edge_marks import EDGE
from gantline.stations.trim.figures import FIGURES, gist
from gantline.stations.trim.findings import FINDINGS
from gantline.stations.trim.marks import DRAW
from gantline.stations.trim.panel import PANEL
from gantline.stations.trim.solve import border_kind
from gantline.stations.trim.steps import steps
from gantline.stations.trim.tables import border_table

BLADE = Caution(
    key="trimming",
    name="Blade",
    text="Cut away from the face of the fabric, blade guard on, the frame held down. A knife through the fabric ends the job.",
)
MAINS = Caution(
    key="backlight",
    name="Backlight",
    text="Light every color on the bench before anything is stuck down. Fix the supply where air reaches it, fused. Mains work "
    "and new outlets by those licensed for it; a connector so that the screen comes off the wall.",
)


def cautions(at: Ask) -> tuple[Caution, ...]:
    """The blade where there is a border, the mains where there is light."""
    own = (BLADE,) if at(border_kind) != "none" else ()
    return (*own, MAINS) if at.field(Backlight.there) else own


def begun(at: Ask) -> bool:
    """Whether anybody said what the border is, or that there is light."""
    return at.given(Trim.border) is not None or bool(at.given(Backlight.there))


TRIM = Station(
    key="trim",
    faces=("edge",),
    lights=("front", "side", "top", "back"),
    label="Trim",
    says="Finish the edge: felt tape, a mask, a light behind it.",
    fields=fields_of(Trim, Backlight),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("trim",), dimensions=("trim", "tension")),
    tables=(Table(key="border", question=border_table),),
    draw=DRAW,
    edge=EDGE,
    cautions=cautions,
    targets=("tape_rails", "tape_stiles", "strip_cut"),
    face="back",
    strip="border",
    begun=begun,
    steps=steps,
)
