"""How far the fabric goes past the frame, its blank, and how it lies on the roll."""

from gantline.core.defaults import BlankDefaults
from gantline.core.fabric.blank import Axis, RollCut, Wrap, blank_side_mm, on_roll, turned_size_mm
from gantline.core.free_floor import Foot, free_place
from gantline.core.tension.holds import HOLDS, Hold
from gantline.job.model.frame import Blank
from gantline.job.model.light import FabricChoice
from gantline.job.model.survey import Survey
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.common import frame_depth_mm
from gantline.stations.frame.board import board_section, outer_mm, timber
from gantline.stations.survey import box_solids, seat_places, wall_mm


def return_mm(at: Ask) -> float:
    """Fabric on the back of the frame [mm]: as entered, else a share of the board's width."""
    given = at.given(Blank.back_mm)
    return at.default(BlankDefaults.return_share) * at(board_section).in_plane_mm if given is None else given


def wrapped(at: Ask) -> bool:
    """Whether the fabric is wrapped round boards and stapled or tacked on their back."""
    return at(timber) and at(driven)


def driven(at: Ask) -> bool:
    """Whether what holds the fabric is driven into boards."""
    return HOLDS[Hold(at.field(Tensioning.hold))].boards


def wrap(at: Ask) -> Wrap | None:
    """Edge, return and grip of fabric that is wrapped round boards and stapled; None where it is not."""
    if not at(wrapped):
        return None
    return Wrap(
        edge_mm=at(frame_depth_mm),
        back_mm=at(return_mm),
        grip_mm=at.field(Blank.grip_mm),
        least_mm=at.default(BlankDefaults.blank_overlap_mm),
    )


def wrap_mm(at: Ask) -> float:
    """Cloth from the front edge round to the middle of the staples on the back [mm]; never under 20."""
    return max(20.0, at(frame_depth_mm) + at(return_mm) / 2.0)


def overlap_mm(at: Ask) -> float:
    """Fabric past each edge of the frame [mm]: as entered, else what wrapping and stapling needs, and none for others."""
    given = at.given(Tensioning.overlap_mm)
    if given is not None:
        return given
    wrapping = at(wrap)
    if wrapping is not None:
        return wrapping.overlap_mm
    return at.default(BlankDefaults.blank_overlap_mm) if at(driven) else 0.0


def blank(at: Ask) -> tuple[float, float]:
    """Width and height of the fabric that is cut [mm]; a kit's comes to size."""
    outer, over, strain = at(outer_mm), at(overlap_mm), at.field(Blank.stretch)
    wrapping = at(wrap)
    if wrapping is not None and at.given(Tensioning.overlap_mm) is None:
        return (blank_side_mm(outer[0], wrapping, strain), blank_side_mm(outer[1], wrapping, strain))
    plain = Wrap(edge_mm=0.0, back_mm=0.0, grip_mm=over, least_mm=0.0)
    return (blank_side_mm(outer[0], plain, strain), blank_side_mm(outer[1], plain, strain))


def roll_cut(at: Ask) -> RollCut | None:
    """How the blank lies on the roll; None while its width is not known."""
    roll = at.given(FabricChoice.roll_mm)
    if roll is None:
        return None
    along: Axis | None = {"width": "width", "height": "height"}.get(at.field(Blank.along))  # type: ignore[assignment]
    return on_roll(*at(blank), roll, along=along, turn_deg=at.field(Blank.turn_deg))


def work_area_mm(at: Ask) -> tuple[float, float]:
    """Clean floor that laying out the blank takes as it is cut from the roll, turned or not [mm], longer side first."""
    more = 2.0 * at.default(BlankDefaults.work_around_mm)
    sides = turned_size_mm(*at(blank), at.field(Blank.turn_deg))
    long, short = sorted((side + more for side in sides), reverse=True)
    return long, short


def laid_out(at: Ask) -> Foot | None:
    """Where in the surveyed room the blank can be laid out; None where it cannot: seats and furniture stand in the way."""
    feet: list[Foot] = [
        (solid.low[0], solid.low[2], solid.high[0], solid.high[2])
        for _, _, solid in at(box_solids)
        if solid.low[1] < at.default(BlankDefaults.over_floor_mm)
    ]
    half = at.default(BlankDefaults.seat_floor_mm) / 2.0
    feet += [
        (place.x_mm - half, place.z_mm - half, place.x_mm + half, place.z_mm + half)
        for place in at(seat_places)
    ]
    return free_place(*at(work_area_mm), at(wall_mm), at.field(Survey.room_depth_mm), feet)
