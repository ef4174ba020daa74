"""What the frame is built of, how deep it is, and how far its back stands off the wall."""

from typing import Any

from gantline.core.frame.boards import DRESSED, Lies, Section, section
from gantline.core.wall.ways import Way
from gantline.job.field import field_of
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import STANDS_IN, Ask
from gantline.stations.common.hanging import way


def timber(at: Ask) -> bool:
    """Whether the frame is built of boards."""
    return at.field(FrameBuild.build) == "timber"


def board_mm(at: Ask) -> tuple[float, float]:
    """Thickness and width of the board [mm]: as measured, else dressed."""
    thick, wide = DRESSED[at.field(FrameBuild.board)]
    own_thick, own_wide = at.given(FrameBuild.thick_mm), at.given(FrameBuild.wide_mm)
    return (thick if own_thick is None else own_thick, wide if own_wide is None else own_wide)


def board_section(at: Ask) -> Section:
    """The board as it stands in the frame."""
    return section(*at(board_mm), Lies(at.field(FrameBuild.lies)))


def frame_depth_mm(at: Ask) -> float:
    """Depth of the frame [mm]: as entered, else the board's as it lies, and of a kit what the shop usually has."""
    given = at.given(FrameBuild.depth_mm)
    if given is not None:
        return given
    return at(board_section).deep_mm if at(timber) else at.field(FrameBuild.depth_mm)


def standoff_mm(at: Ask) -> float:
    """From the bare wall to the frame's back [mm]: as entered, else the board that carries it. Both pieces of a cleat lie in one
    layer, and a ledger is its boards one on the other."""
    given, board = at.given(FrameBuild.standoff_mm), at(carrier_mm)
    if given is not None:
        return given
    return at.field(FrameBuild.standoff_mm) if board is None else board


def carrier_mm(at: Ask) -> float | None:
    """The board between the wall and the frame's back [mm]; None where brackets, rods or a wire carry it."""
    if at(way) is Way.LEDGER:
        return at(ledger_mm)
    return at.field(Hanging.cleat_board_mm) if at(way) is Way.CLEAT else None


def ledger_mm(at: Ask) -> float:
    """The boards of a ledger, one on the other [mm]."""
    return at.field(Hanging.ledger_board_mm) * at.field(Hanging.ledger_layers)


def depth_default(at: Ask) -> Any:
    """What stands in for the frame's depth: timber is as deep as its board, which is no guess."""
    return None if at(timber) else field_of(FrameBuild.depth_mm).default


def standoff_default(at: Ask) -> Any:
    """What stands in for the standoff: a cleat or a ledger gives it."""
    return field_of(FrameBuild.standoff_mm).default if at(carrier_mm) is None else None


STANDS_IN[field_of(FrameBuild.depth_mm).pointer] = depth_default
STANDS_IN[field_of(FrameBuild.standoff_mm).pointer] = standoff_default
