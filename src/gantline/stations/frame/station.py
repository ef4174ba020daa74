"""The frame as one value."""

from gantline.job.model.frame import Blank, FrameBuild, Materials, SquareReadings
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Lit, Station, Table, fields_of
from gantline.stations.frame.board import timber
from gantline.stations.frame.edge_marks import EDGE
from gantline.stations.frame.figures import FIGURES, gist
from gantline.stations.frame.findings import FINDINGS
from gantline.stations.frame.marks import DRAW
from gantline.stations.frame.panel import PANEL
from gantline.stations.frame.steps import steps
from gantline.stations.frame.tables import bought_boards, bow_table, box_check, cut_list, roll_drawing

SAWS = Caution(
    key="saws",
    name="Saws and nailers",
    text="Eye and ear protection, blade guard on, the piece held down. Air and a mask for sanding and glue.",
)
FABRIC = Caution(
    key="fabric-cut",
    name="Fabric",
    text="Clean gloves, two people to unroll, never folded, nothing laid on it. Look over the whole face in side light "
    "before the first cut: what is cut does not go back.",
)
KIT = Caution(
    key="kit-caps",
    name="Kit",
    text="Count the parts against the sheet before the fabric is opened. Screws loose until every joint is closed, then "
    "tighten by hand: plastic caps break.",
)


def cautions(at: Ask) -> tuple[Caution, ...]:
    """The saw for boards, the caps for a kit, the fabric always."""
    return (SAWS if at(timber) else KIT, FABRIC)


def begun(at: Ask) -> bool:
    """Whether anybody said what it is built of."""
    return at.given(FrameBuild.build) is not None or at.given(FrameBuild.name) is not None


FRAME = Station(
    key="frame",
    faces=("edge",),
    lights=("front", "side", "top", "back", "edge"),
    owns=("edge",),
    tall=True,
    label="Frame",
    says="Choose a kit or a frame that is built, and see every piece to cut with its length.",
    fields=fields_of(FrameBuild, SquareReadings, Blank, Materials),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("frame",), dimensions=("frame",)),
    tables=(
        Table(key="cut_list", question=cut_list),
        Table(key="bow", question=bow_table),
        Table(key="roll", question=roll_drawing),
        Table(key="sighted", question=bought_boards),
        Table(key="box", question=box_check),
    ),
    draw=DRAW,
    edge=EDGE,
    cautions=cautions,
    targets=("rail_length", "stile_length", "brace_length"),
    face="back",
    strip="cutting",
    begun=begun,
    steps=steps,
)
