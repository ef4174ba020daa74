"""The way of hanging as this job has it: drop, rows, hang parts, side play, trim, what holds the bottom."""

import math

from gantline.core.defaults import WallDefaults
from gantline.core.errors import OutOfRange
from gantline.core.wall.between import between_mm
from gantline.core.wall.brackets import BracketPair
from gantline.core.wall.cleat import CleatPlace, cleat_as_it_stands, cleat_over_studs, frame_pieces_mm
from gantline.core.wall.cleat import low_cleat_mm as second_cleat_mm
from gantline.core.wall.facts import blocked_xs_mm
from gantline.core.wall.hang import apart_mm, frame_top_mm, parts_wanted
from gantline.core.wall.ledger import ledger_over_studs
from gantline.core.wall.ways import KINDS, Way, has_lower_row
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.stations.common import drop_mm, on_cleat, part_drop_mm, way
from gantline.stations.frame import mass_kg
from gantline.stations.height import cabinet_top_mm, centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.survey import lattice
from gantline.stations.wall.told import facts, free_studs

NEAR = 0.3  # share of a limit within which a size or a mass may come to decide


def on_studs(at: Ask) -> bool:
    """Whether what holds is screwed into studs."""
    return at(lattice) is not None and at.field(Hanging.fix_to) == "studs"


def every_stud(at: Ask) -> bool:
    """Whether it is screwed to every stud it crosses, in place of brackets."""
    return KINDS[at(way)].every_stud and at(on_studs)


def cleat_on_studs(at: Ask) -> bool:
    """Whether that bevel is screwed to every stud it crosses."""
    return at(on_cleat) and at(on_studs)


def cleat_ends_mm(at: Ask) -> tuple[float, float] | None:
    """Both ends of a wall piece that is up already [mm from the left wall end]."""
    left, right = at.given(Hanging.cleat_up_left_mm), at.given(Hanging.cleat_up_right_mm)
    return None if left is None or right is None or left >= right else (left, right)


def cleat_stands(at: Ask) -> bool:
    """Whether the wall piece is up already, so that nothing is drilled for it."""
    return at(cleat_on_studs) and (
        at.given(Hanging.cleat_up_edge_mm) is not None and at(cleat_ends_mm) is not None
    )


def frame_pieces(at: Ask) -> tuple[tuple[float, float], ...]:
    """Where the frame's own piece, or its two blocks, go [mm from the frame's left end, seen from the front]."""
    place = at(cleat_place) if at(cleat_on_studs) else None
    if place is None:
        return ()
    return frame_pieces_mm(
        place,
        at(centre_x_mm),
        frame_mm=at(screen).overall_width_mm,
        inset_mm=at.default(WallDefaults.rail_inset_mm),
        block_mm=at.field(Hanging.cleat_block_mm) if at.field(Hanging.cleat_piece) == "blocks" else None,
    )


def cleat_place(at: Ask) -> CleatPlace | None:
    """Where a cleat over studs goes, or stands already; None without two studs that serve it."""
    ends = at(cleat_ends_mm)
    if ends is not None:
        return cleat_as_it_stands(
            at(free_studs),
            left_mm=ends[0],
            right_mm=ends[1],
            frame_mm=at(screen).overall_width_mm,
            inset_mm=at.default(WallDefaults.rail_inset_mm),
        )
    return cleat_over_studs(
        at(free_studs),
        at(centre_x_mm),
        frame_mm=at(screen).overall_width_mm,
        inset_mm=at.default(WallDefaults.rail_inset_mm),
        beyond_mm=at.default(WallDefaults.cleat_beyond_mm),
        length_mm=at.given(Hanging.cleat_length_mm),
        count=at.given(Hanging.cleat_studs),
    )


def low_cleat_mm(at: Ask) -> float | None:
    """From the upper frame piece's long point down to that of a low one that only pulls in [mm]; None without one, or where the
    frame is too low for two."""
    if at(bottom) != "cleat" or not at(on_cleat):
        return None
    return second_cleat_mm(
        at(screen).overall_height_mm,
        point_mm=at.field(Hanging.cleat_point_mm),
        board_mm=at.field(Hanging.cleat_board_mm),
    )


def stud_piece(at: Ask) -> CleatPlace | None:
    """The piece that is screwed to every stud: a cleat's wall piece, or the ledger frame itself."""
    if at(on_cleat):
        return at(cleat_place)
    return ledger_over_studs(
        at(free_studs),
        at(centre_x_mm),
        frame_mm=at(screen).overall_width_mm,
        inset_mm=at.default(WallDefaults.rail_inset_mm),
        count=at.given(Hanging.ledger_studs),
    )


def leaflet_off_mm(at: Ask) -> float | None:
    """How much higher the frame would hang by holes at the leaflet's height above the cabinet than it is planned [mm]; None where
    the leaflet gives none."""
    leaflet = at.given(Hanging.leaflet_mm)
    if leaflet is None or at.given(Hanging.height_by) != "cabinet":
        return None
    top, hung = at(cabinet_top_mm), at(placement)
    if top is None or not hung.possible:
        return None
    return frame_top_mm(top + leaflet, at(drop_mm)) - hung.top_mm


def lower_holes(at: Ask) -> bool:
    """Whether there is a lower row: as entered, else as the way of hanging has it."""
    given = at.given(Hanging.lower_holes)
    return has_lower_row(at(way)) if given is None else given


def row_offset_mm(at: Ask) -> float | None:
    """Frame height less the distance of the rows [mm]; None without a lower row."""
    if not at(lower_holes):
        return None
    frame = at(screen).overall_height_mm
    fixed, hung_by = at.given(Hanging.row_fixed_mm), at(way)
    entered = at.given(Hanging.row_offset_mm) if hung_by is Way.LEDGER else at.field(Hanging.row_offset_mm)
    if fixed is None and entered is not None:
        return entered  # whatever the frame's height
    return frame - apart_mm(hung_by, frame, at(part_drop_mm), entered, fixed)


def side_play_mm(at: Ask) -> float:
    """How far the frame slides, each way [mm]: as entered, else as its way has it."""
    given = at.given(Hanging.side_play_mm)
    if given is None and at(way) is Way.RODS:
        return at.default(WallDefaults.rod_play_mm)
    return at.field(Hanging.side_play_mm)


def trim_mm(at: Ask) -> float:
    """How far its height can be trimmed while it hangs, each way [mm]."""
    given, kind = at.given(Hanging.trim_mm), KINDS[at(way)].trim
    if given is not None:
        return given
    if kind == "slot":
        return at.default(WallDefaults.slot_trim_mm)
    return at.default(WallDefaults.rod_trim_mm) if kind == "turnbuckle" else 0.0


def bottom(at: Ask) -> str:
    """What holds the frame's bottom."""
    given = at.given(Hanging.bottom)
    if given is not None:
        return given
    if at(lower_holes):
        return "latches"
    return "pads" if at(way) in (Way.CLEAT, Way.WIRE, Way.RODS) else "free"


def parts_by_size(at: Ask) -> int:
    """How many hang parts the top rail wants by the screen's diagonal and mass; the mass weighs only where it may decide."""
    frame, mass = at(screen), at.aside(mass_kg)
    third = (at.default(WallDefaults.third_size_mm), at.default(WallDefaults.third_mass_kg))
    fourth = (at.default(WallDefaults.fourth_size_mm), at.default(WallDefaults.fourth_mass_kg))
    diagonal = math.hypot(frame.overall_width_mm, frame.overall_height_mm)
    if mass is not None and mass > NEAR * third[1]:
        at(mass_kg)
    return parts_wanted(diagonal, mass, third=third, fourth=fourth)


def hang_parts(at: Ask) -> int:
    """Hang parts on the top rail."""
    given = at.given(Hanging.hang_parts)
    if given is not None:
        return given
    return 2 if at(way) is Way.WIRE else at(parts_by_size)


def lower_parts(at: Ask) -> int:
    """Hang parts on the bottom rail, where it has a row: as many as above on proud screws, else two."""
    given = at.given(Hanging.lower_parts)
    if given is not None:
        return given
    return at(hang_parts) if at(way) is Way.PROUD_SCREWS else 2


def further(at: Ask, two: BracketPair, count: int) -> tuple[float, ...]:
    """Where the hang parts between the outer two stand [mm]."""
    refused = blocked_xs_mm(at(facts))
    studs = at(free_studs) if at(on_studs) else None
    clear = at.default(WallDefaults.refused_clear_mm) if refused else 0.0
    try:
        return between_mm(
            two.left_mm, two.right_mm, count - 2, studs_mm=studs, blocked_mm=refused, clear_mm=clear
        )
    except OutOfRange:
        return ()


def rows_fixed_apart_mm(at: Ask) -> float | None:
    """How much a fixed distance of the rows reaches below the frame's bottom [mm]; None where it is not fixed."""
    fixed = at.given(Hanging.row_fixed_mm)
    if fixed is None or not at(lower_holes):
        return None
    return at(part_drop_mm) + fixed - at(screen).overall_height_mm
