"""The tension as one value."""

from gantline.core.defaults import FrameDefaults
from gantline.core.tension.holds import Hold
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Lit, Station, Table, fields_of
from gantline.stations.tension.figures import FIGURES, gist
from gantline.stations.tension.findings import FINDINGS
from gantline.stations.tension.marks import DRAW
from gantline.stations.tension.panel import PANEL
from gantline.stations.tension.solve import hold
from gantline.stations.tension.steps import steps as day_steps
from gantline.stations.tension.tables import steps

FABRIC = Caution(
    key="fabric",
    name="Fabric",
    text="Look over the whole face in side light before the first point is held. Face down on a clean covered floor, clean "
    "gloves, nothing laid on it, never folded, never turned without support.",
)
SPRINGS = Caution(
    key="springs", name="Springs", text="Eye protection, and a hook tool instead of fingers: springs fly."
)
STAPLES = (
    "Eye and ear protection. Legs at least {} shorter than the board is thick; never a staple in the viewable area, none on a "
    "plate or a screw of the frame: staple beside it."
)
TACKS = (
    "Eye protection, and the tack held with pliers or a magnet, not with fingers. Tacks at least {} shorter than the board is "
    "thick, never in the viewable area, never between the lips."
)


def cautions(at: Ask) -> tuple[Caution, ...]:
    """The fabric always; springs and staples where they are used."""
    held = at(hold)
    if held == Hold.STAPLE:
        shorter = at.text(at.default(FrameDefaults.fastener_clear_mm))
        return (FABRIC, Caution(key="staples", name="Stapler", text=STAPLES.format(shorter)))
    if held == Hold.TACK:
        shorter = at.text(at.default(FrameDefaults.fastener_clear_mm))
        return (FABRIC, Caution(key="tacks", name="Tacks", text=TACKS.format(shorter)))
    return (FABRIC, SPRINGS) if held == Hold.SPRING else (FABRIC,)


def begun(at: Ask) -> bool:
    """Whether anybody said how the fabric is held."""
    return at.given(Tensioning.hold) is not None


TENSION = Station(
    key="tension",
    lights=("back", "side", "top"),
    owns=("back",),
    speaks=60,
    label="Tension",
    says="Go round the frame in this order, point by point, from the back.",
    fields=fields_of(Tensioning),
    figures=FIGURES,
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("tension",), dimensions=("tension",)),
    tables=(Table(key="steps", question=steps),),
    draw=DRAW,
    cautions=cautions,
    targets=("rail_gap", "stile_gap"),
    face="back",
    strip="steps",
    begun=begun,
    steps=day_steps,
)
