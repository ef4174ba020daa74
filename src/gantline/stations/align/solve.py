"""The pose behind the last round of corner readings, and the moves to the target."""

import math
from dataclasses import dataclass

import numpy as np

from gantline.core.align.corners import (
    READINGS,
    allowed_mm,
    corners_from,
    farthest_mm,
    outside_from,
    viewable_corners,
)
from gantline.core.align.moves import Hands, Move, moves
from gantline.core.align.solve import LEAN, Alignment, Freedom, freedom, leans, solve, suspects
from gantline.core.defaults import AlignDefaults
from gantline.core.errors import OutOfRange
from gantline.core.frame.square import SquareCheck
from gantline.core.size.picture import with_overspill
from gantline.core.throw.body import lens_to_rear_mm
from gantline.core.throw.keystone import keystone
from gantline.core.throw.pinhole import Array, Pose, panel_corners, straight_pose, to_wall
from gantline.job.model.align import Aligned, CornerRound
from gantline.job.model.throw import ProjectorBody as B
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.stations.common import has_shift, hung, overspill_mm, panel_aspect, ratios, worded
from gantline.stations.frame import square
from gantline.stations.height import centre_x_mm, placement
from gantline.stations.size import screen
from gantline.stations.throw import in_front, projected

LEAST_LEVER_MM = 20.0  # a lens at the very rear turns the body under a finger
LEAST = 4  # readings
# panel corners go anticlockwise from lower left; readings clockwise from upper left
TOP_TO_BOTTOM = (3, 2, 1, 0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Aim:
    """The straight pose; panel points (4, 2) of the picture; corners of the viewable area and of the picture (4, 2) [mm]."""

    straight: Pose
    uv: Array
    view: Array
    target: Array


def frame_lean_mm(at: Ask) -> float:
    """How far the viewable area's top stands to the right of its bottom [mm], by the diagonals of the built frame; 0
    while they are not read, or do not close."""
    built, own = at(built_square), at(screen)
    return 0.0 if built is None else built.lean_mm * own.picture.height_mm / own.overall_height_mm


def built_square(at: Ask) -> SquareCheck | None:
    """What the readings of the built frame say; None while they are not there, or do not close."""
    built = at(square)
    return built if isinstance(built, SquareCheck) and built.agrees else None


def straight(at: Ask) -> Pose | None:
    """The pose of a body that stands straight; None without a lens in front of the fabric, or a place for the frame."""
    lens, here = at(in_front), at(placement)
    if lens is None or not here.possible:
        return None
    return straight_pose(
        picture_x_mm=at(centre_x_mm),
        picture_y_mm=here.picture_centre_mm,
        panel=at(projected),
        panel_aspect=at(panel_aspect),
        lens_x_mm=lens.x_mm,
        lens_y_mm=lens.y_mm,
        distance_mm=lens.distance_mm,
    )


def aim(at: Ask) -> Aim | None:
    """What the picture should be; None without a pose. Asked only once there is something to hold against it."""
    pose, here = at(straight), at(placement)
    if pose is None:
        return None
    picture, spill = at(screen).picture, at(overspill_mm)
    thrown, aspect = with_overspill(picture, spill), float(at(panel_aspect))
    uv = panel_corners(aspect, thrown.width_mm / thrown.height_mm)[list(TOP_TO_BOTTOM)]
    view = viewable_corners(picture.width_mm, picture.height_mm) + np.array(
        [at(centre_x_mm), here.picture_centre_mm]
    )
    view += at(frame_lean_mm) * LEAN.reshape(4, 2)
    return Aim(straight=pose, uv=uv, view=view, target=to_wall(pose, uv))


def panel_shares(there: Aim, aspect: float) -> Array:
    """The picture's corners on the panel (4, 2), shares from its upper left."""
    points_uv: Array = np.column_stack([there.uv[:, 0] + 0.5, 0.5 - there.uv[:, 1] * aspect])
    return points_uv


def free(at: Ask) -> Freedom | None:
    """What this projector can change."""
    pose, both = at(straight), at(ratios)
    if pose is None or both is None:
        return None
    shift = at(has_shift)
    return freedom(
        zoom=both[0] < both[1],
        shift_h=shift and at.field(P.shift_side) > 0.0,
        shift_v=shift and at.field(P.shift_up) + at.field(P.shift_down) > 0.0,
        turn_deg=at.default(AlignDefaults.turn_sigma_deg),
        ratio_share=at.default(AlignDefaults.zoom_sigma),
        shift_share=at.default(AlignDefaults.shift_sigma),
        place_mm=at.default(AlignDefaults.place_sigma_mm),
        ratio=pose.ratio,
    )


def hands(at: Ask) -> Hands:
    """What a hand can set on this projector; one that hangs turns about the bolt over its plate. A lens that stands past its
    body's rear is said at Throw; the least lever is then what a finger can turn."""
    feet = at.given(B.foot_spacing_mm)
    rear = max(lens_to_rear_mm(at.field(B.depth_mm), at.field(B.lens_to_wall_face_mm)), LEAST_LEVER_MM)
    return Hands(
        rear_mm=rear,
        bolt_mm=min(max(at.field(B.plate_roomward_mm), 0.0), rear - LEAST_LEVER_MM) if at(hung) else 0.0,
        across_mm=feet or at.field(B.width_mm),
        along_mm=feet or at.field(B.depth_mm),
        foot_turn_mm=None if at(hung) else at.given(B.foot_turn_mm),
        step_mm=at.default(AlignDefaults.push_mm),
        foot_step=at.default(AlignDefaults.foot_step),
        zoom_step=at.default(AlignDefaults.zoom_step),
        shift_step=at.default(AlignDefaults.shift_step),
        place_step_mm=at.default(AlignDefaults.push_mm),
    )


def last_round(at: Ask) -> CornerRound | None:
    """The round that was read last; None before the first. Called, not asked: a thing of a list belongs to one Ask."""
    rounds = at.things(Aligned.rounds)
    return rounds[-1] if rounds else None


def read_mm(at: Ask) -> tuple[float | None, ...]:
    """Its eight readings, + outside [mm]; empty before the first round."""
    newest = last_round(at)
    return () if newest is None else tuple(getattr(newest, f"{name}_mm") for name in READINGS)


def aligned(at: Ask) -> Alignment | str | None:
    """The pose behind them; why there is none; None before the first round."""
    read = at(read_mm)
    if not read:
        return None
    aimed, able = at(aim), at(free)
    if aimed is None or able is None:
        return "Enter the throw ratio and the place of the lens at Throw first."
    if sum(one is not None for one in read) < LEAST:
        return f"Read at least {LEAST} of the eight numbers, better all."
    try:
        return solve(
            aimed.straight,
            aimed.uv,
            corners_from(read, aimed.view),
            free=able,
            sigma_mm=at.field(Aligned.corner_sigma_mm),
        )
    except OutOfRange as error:
        return worded(
            error,
            {"": "These readings fix no pose of this projector. Read more corners, or read these again."},
        )


def doubted(at: Ask) -> tuple[str, ...]:
    """Readings that alone explain a misfit that is no chance, by key; none once all are within tolerance."""
    found = None if at(done) else at(aligned)
    alarm = at.default(AlignDefaults.corner_alarm)
    return suspects(found, alarm=alarm, settled=alarm) if isinstance(found, Alignment) else ()


def misfits(at: Ask) -> bool:
    """Whether the corners fit no pose of this projector, and are not within tolerance all the same."""
    found = None if at(done) else at(aligned)
    return isinstance(found, Alignment) and found.sum_of_squares > at.default(AlignDefaults.corner_alarm)


def leaning(at: Ask) -> Alignment | None:
    """The pose whose misfit a frame out of square explains; None where its diagonals were read: that is taken in
    already."""
    alignment, alarm = at(aligned), at.default(AlignDefaults.corner_alarm)
    if not isinstance(alignment, Alignment) or at(built_square) is not None:
        return None
    return alignment if leans(alignment, alarm=alarm, settled=alarm) else None


def wanted_mm(at: Ask) -> float:
    """How far outside each corner should stand [mm]."""
    return at(overspill_mm)


def within_mm(at: Ask) -> float:
    """How far from there it may [mm]: the overspill, or the usual tolerance where there is less."""
    return allowed_mm(at(overspill_mm), at.default(AlignDefaults.corner_within_mm))


def worst_mm(at: Ask) -> float | None:
    """The largest miss of a reading [mm]; None before the first round."""
    return farthest_mm(at(read_mm), at(wanted_mm))


def done(at: Ask) -> bool:
    """Whether every reading of the last round is within tolerance, all eight read."""
    worst = at(worst_mm)
    return worst is not None and None not in at(read_mm) and worst <= at(within_mm) + 1e-9


def made_moves(at: Ask) -> tuple[Move, ...]:
    """The moves to the target; none when it is done, or while the pose is not known."""
    alignment = at(aligned)
    if not isinstance(alignment, Alignment) or at(done):
        return ()
    aimed, able = at(aim), at(free)
    if aimed is None or able is None:
        return ()
    try:
        return moves(alignment.pose, aimed.straight, aimed.uv, aimed.target, free=able, hands=at(hands))
    except OutOfRange:
        return ()


def after_mm(at: Ask, pose: Pose) -> tuple[float, ...]:
    """What the eight readings should be with a pose [mm]."""
    aimed = at(aim)
    return () if aimed is None else tuple(outside_from(to_wall(pose, aimed.uv), aimed.view).tolist())


def weak(at: Ask) -> bool:
    """Whether turn and shift cannot be told apart."""
    alignment = at(aligned)
    if not isinstance(alignment, Alignment):
        return False
    limit = math.radians(at.default(AlignDefaults.weak_turn_deg))
    return max(alignment.sigma["yaw"], alignment.sigma["pitch"]) > limit


def digital_share(at: Ask) -> float | None:
    """Share of the pixels, and of the light, that is left if the projector squares this pose up; None without one."""
    alignment = at(aligned)
    here = at(aim) if isinstance(alignment, Alignment) else None
    if not isinstance(alignment, Alignment) or here is None:
        return None
    wide, high = np.ptp(here.target, axis=0)
    try:
        return keystone(alignment.pose, float(wide / high)).kept
    except OutOfRange:
        return None
