"""The wall as one value."""

from gantline.core.defaults import SizeDefaults
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.station import Caution, Drilled, Lit, Station, Table, fields_of
from gantline.stations.size import screen
from gantline.stations.wall.cleat_figures import CLEAT_FIGURES
from gantline.stations.wall.figures import FIGURES, gist
from gantline.stations.wall.findings import FINDINGS
from gantline.stations.wall.flat_figures import FLAT_FIGURES
from gantline.stations.wall.ledger import LEDGER_FIGURES
from gantline.stations.wall.load_figures import LOAD_FIGURES
from gantline.stations.wall.marks import DRAW
from gantline.stations.wall.pads import PAD_FIGURES
from gantline.stations.wall.panel import PANEL
from gantline.stations.wall.solve import drilling
from gantline.stations.wall.steps import steps
from gantline.stations.wall.tables import flat_table, marks, tape, ways
from gantline.stations.wall.way_figures import WAY_FIGURES

DRILLING = Caution(
    key="drilling",
    name="Drilling",
    text="Cable and pipe may run straight above, below and beside every outlet, switch and valve. Use a detector, "
    "switch the circuit off if unsure, stop at the first odd resistance. Old walls may hold asbestos or lead paint: "
    "test, don't drill.",
)
LADDERS = Caution(
    key="ladders",
    name="Ladders",
    text="Two hands for the screen means no hand for the ladder: two platforms, not two ladders.",
)

LIFTING = "Two people, gloves, a planned path, doors shut. Nobody under it until every latch has clicked; pull-test each."


def cautions(at: Ask) -> tuple[Caution, ...]:
    """Lifting is needed for any stretched screen; above the two-person width its name says why."""
    wide = at(screen).overall_width_mm > at.default(SizeDefaults.two_people_width_mm)
    lifting = Caution(key="lifting", name="Lifting, wide screen" if wide else "Lifting", text=LIFTING)
    return (DRILLING, LADDERS, lifting)


def drilled(at: Ask) -> tuple[Drilled, ...]:
    """Every hole, with what leads to it."""
    drill_plan = at(drilling)
    return tuple(
        Drilled(
            key=hole.key,
            name=hole.name,
            shown=(
                f"hole_{hole.side}",
                f"{hole.row}_row",
                f"hole-{hole.side}",
                f"row-{hole.row}",
                "bracket-near" if hole.side == "right" else "bracket-far",
            ),
            spans=("across", "bracket-across", "check_across", "check_down", "check_diagonal"),
        )
        for hole in (drill_plan.holes if drill_plan else ())
    )


def begun(at: Ask) -> bool:
    """Whether there is anything to drill."""
    return at(drilling) is not None


WALL = Station(
    key="wall",
    home=True,
    lights=("front", "side", "top", "back"),
    owns=("front",),
    speaks=50,
    label="Wall",
    says="Read every hole off the tape below. A hole that must not be drilled says so instead of a number.",
    fields=fields_of(Hanging),
    figures=[
        *FIGURES,
        *WAY_FIGURES,
        *LOAD_FIGURES,
        *CLEAT_FIGURES,
        *LEDGER_FIGURES,
        *PAD_FIGURES,
        *FLAT_FIGURES,
    ],
    findings=FINDINGS,
    panel=PANEL,
    gist=gist,
    lit=Lit(layers=("survey", "readings", "size", "wall"), dimensions=("wall", "datum"), handles=("height",)),
    tables=(
        Table(key="marks", question=marks),
        Table(key="tape", question=tape),
        Table(key="flat", question=flat_table),
        Table(key="ways", question=ways),
    ),
    draw=DRAW,
    cautions=cautions,
    drilled=drilled,
    begun=begun,
    targets=("hole_left", "hole_right", "upper_row", "lower_row", "screw_step"),
    steps=steps,
)
