"""A ledger's boards, and the screws through it into the frame."""

from collections.abc import Iterator

from gantline.core.defaults import FrameDefaults, WallDefaults
from gantline.core.errors import OutOfRange
from gantline.core.frame.boards import nominal_of
from gantline.core.frame.pieces import Splice
from gantline.core.wall.ledger import STAGGER_MM, LedgerScrews, ledger_layers, screws_into_frame
from gantline.core.wall.ways import Way
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.finding import Finding, cure, noted
from gantline.stations.common import frame_depth_mm, ledger_mm, way
from gantline.stations.size import screen
from gantline.stations.wall.codes import Code
from gantline.stations.wall.shown import when

LEDGER_FIGURES = Figures()
ROWS = ("upper", "lower")


def on_ledger(at: Ask) -> bool:
    """Whether the frame is screwed through a ledger."""
    return at(way) is Way.LEDGER


def ledger_nominal(at: Ask) -> str:
    """The board that a ledger is cut from, by its nominal name: as thick, and as wide as the frame's where there are several."""
    return nominal_of(at.field(Hanging.ledger_board_mm), at.field(FrameBuild.board))


def layers(at: Ask) -> tuple[Splice, ...] | None:
    """The boards of one row, layer by layer; none without a ledger, None where no joint can be placed."""
    if not at(on_ledger):
        return ()
    long, longest = at(screen).overall_width_mm, at.field(FrameBuild.longest_mm)
    try:
        return ledger_layers(long, longest, at.field(Hanging.ledger_layers))
    except OutOfRange:
        return None


def ledger_rows(at: Ask) -> tuple[tuple[str, tuple[Splice, ...]], ...]:
    """Each row's layers."""
    return tuple((row, boards) for row in ROWS if (boards := at(layers)))


@noted
def joints(at: Ask) -> Iterator[Finding]:
    """Boards so short that the joints of two layers come too near each other, so that nothing can be cut."""
    if at(layers) is not None:
        return
    text = (
        f"Boards of {at.text(at.field(FrameBuild.longest_mm))} at most leave no place for the joints of this ledger, "
        f"{at.text(STAGGER_MM)} from one layer's to the other's. Take longer boards, or lay one layer."
    )
    one_layer = cure("Lay one layer", (Hanging.ledger_layers, 1))
    subject = field_of(Hanging.ledger_layers).pointer
    yield Finding(code=Code.LEDGER_JOINTS, severity="check", text=text, subject=subject, cures=(one_layer,))


LEDGER_FINDINGS = (joints,)


def ledger_parts(at: Ask) -> tuple[tuple[str, float], ...]:
    """What is cut for the ledger, by name, with its length [mm]."""
    parts = []
    for row, boards in at(ledger_rows):
        for number, layer in enumerate(boards, start=1):
            name = f"ledger {row}" if len(boards) == 1 else f"ledger {row}, layer {number}"
            if len(layer.parts_mm) == 1:
                parts.append((name, layer.parts_mm[0]))
            else:
                parts += [(f"{name}, part {n}", long) for n, long in enumerate(layer.parts_mm, start=1)]
    return tuple(parts)


def frame_screws(at: Ask) -> LedgerScrews | None:
    """Of one row; None without a ledger."""
    if not at(on_ledger):
        return None
    return screws_into_frame(
        at(screen).overall_width_mm,
        spacing_mm=at.default(WallDefaults.ledger_screw_mm),
        ledger_mm=at(ledger_mm),
        frame_depth_mm=at(frame_depth_mm),
        clear_mm=at.default(FrameDefaults.fastener_clear_mm),
    )


when(LEDGER_FIGURES, "ledger_board", "Ledger, board", Hanging.ledger_board_mm, on_ledger)
when(LEDGER_FIGURES, "ledger_layers", "Boards one on the other", Hanging.ledger_layers, on_ledger)


@LEDGER_FIGURES.other(
    "ledger_screws",
    "Screws from the ledger into the frame",
    "",
    "length of a row by their spacing; short of the cloth",
)
def screws(at: Ask) -> Display | None:
    """How many, and the longest."""
    row = at(frame_screws)
    if row is None:
        return None
    text = f"{row.count} a row, at most {at.text(at.down(row.longest_mm))} long"
    return Display(text, text=text, how="ledger and frame depth, less what keeps a point out of the cloth")
