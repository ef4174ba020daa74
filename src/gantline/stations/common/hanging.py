"""What the way of hanging asks of the room above the frame."""

from gantline.core.defaults import WallDefaults
from gantline.core.wall.hang import HOOKED, lift_mm
from gantline.core.wall.ways import Way
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask


def way(at: Ask) -> Way:
    """How the frame is held."""
    return Way(at.field(Hanging.way))


def lift_on_mm(at: Ask) -> float:
    """Room above the frame to put it on [mm]: as entered, else as its way has it."""
    given, hung_by = at.given(Hanging.lift_on_mm), at(way)
    if given is not None:
        return given
    return lift_mm(
        hung_by,
        usual_mm=at.field(Hanging.lift_on_mm) if hung_by in HOOKED else 0.0,
        cleat_mm=at.default(WallDefaults.cleat_lift_mm) if hung_by is Way.CLEAT else 0.0,
        board_mm=at.field(Hanging.cleat_board_mm) if hung_by is Way.CLEAT else 0.0,
        catch_mm=at.default(WallDefaults.catch_lift_mm) if hung_by is Way.BOTTOM_CATCH else 0.0,
        wire_mm=at.default(WallDefaults.wire_lift_mm) if hung_by is Way.WIRE else 0.0,
        rod_mm=at.field(Hanging.rod_mm) if hung_by is Way.RODS else 0.0,
    )
