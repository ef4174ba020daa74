"""The way of hanging: the room it asks for above the frame, and how far below the frame's top its holes are."""

from gantline.core.defaults import WallDefaults
from gantline.core.wall.hang import HOOKED, Cleat, cleat_drop_mm, hole_drop_mm, lift_mm
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


def on_cleat(at: Ask) -> bool:
    """Whether the frame hangs on a bevel, which pulls outward as well."""
    return at(way) is Way.CLEAT


def drop_entered(at: Ask) -> bool:
    """Whether the drop was entered; while it is not, the boards of a cleat say it, and nobody need measure it."""
    return at.given(Hanging.drop_mm) is not None


def part_drop_given(at: Ask) -> bool:
    """Whether the drop was entered, so that a cleat's boards do not say where its line is; of one that is up they always do."""
    return at.given(Hanging.cleat_up_edge_mm) is None and at.aside(drop_entered)


def part_drop_mm(at: Ask) -> float:
    """From what the frame hangs by to its top [mm]: as entered, by a cleat's boards, or by the leaflet's own number."""
    leaflet = at.given(Hanging.leaflet_mm)
    if leaflet is not None and at.given(Hanging.height_by) == "less":
        return leaflet
    if at(on_cleat) and not at(part_drop_given):
        return cleat_drop_mm(
            Cleat(
                board_mm=at.field(Hanging.cleat_board_mm),
                point_mm=at.field(Hanging.cleat_point_mm),
                screw_mm=at.field(Hanging.cleat_screw_mm),
            )
        )
    return at.field(Hanging.drop_mm)


def drop_mm(at: Ask) -> float:
    """From the frame's top down to its upper holes [mm], negative above it."""
    rods = at(way) is Way.RODS
    return hole_drop_mm(at(way), at(part_drop_mm), rod_mm=at.field(Hanging.rod_mm) if rods else 0.0)
