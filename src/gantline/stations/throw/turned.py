"""A turned or tilted body: what it throws, and the price of squaring it up digitally."""

import math
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.throw.keystone import Keystone, corrected, keystone, used_share
from gantline.core.throw.pinhole import Array, Pose
from gantline.core.throw.shift import ShiftReach
from gantline.core.throw.window import Lens
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.stations.common import is_turned, panel_aspect
from gantline.stations.height import Placement, placement, shift_reach
from gantline.stations.throw.lens import in_front, throw_lens


@dataclass(frozen=True, slots=True, kw_only=True)
class Correction:
    """The pose that covers the picture, what it throws, and the share of the panel that lands on the picture."""

    pose: Pose
    thrown: Keystone
    share: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """Lens, reach and place of the lens that a turned body keeps; place (x, y, Z) [mm]."""

    lens: Lens
    reach: ShiftReach
    offset: float
    panel_aspect: float
    place: tuple[float, float, float]

    def pose(self, *, yaw: float = 0.0, pitch: float = 0.0, roll: float = 0.0) -> Pose:
        """The pose at the wide end, its fixed offset as the shift at rest; turns [rad]."""
        x, y, z = self.place
        return Pose(
            lens_x_mm=x,
            lens_y_mm=y,
            distance_mm=z,
            ratio=self.lens.ratio_low,
            panel_aspect=self.panel_aspect,
            shift_v=self.offset,
            yaw=yaw,
            pitch=pitch,
            roll=roll,
        )


def setting(at: Ask) -> Setting | None:
    """What a turn would keep; None without a lens in front of the fabric."""
    lens, place = at(throw_lens), at(in_front)
    if not isinstance(lens, Lens) or place is None:
        return None
    reach, offset = at(shift_reach)
    return Setting(
        lens=lens, reach=reach, offset=offset, panel_aspect=float(at(panel_aspect)), place=place.from_fabric
    )


def turned(at: Ask) -> Correction | None:
    """What the turned body throws, squared up; None where it is straight or the picture cannot be covered."""
    kept, hung = at(setting), at(placement)
    if kept is None or not at(is_turned) or not hung.possible:
        return None
    turns = [
        math.radians(value) for value in (at.field(P.yaw_deg), at.field(P.pitch_deg), at.field(P.roll_deg))
    ]
    picture = picture_corners(hung)
    try:
        start = kept.pose(yaw=turns[0], pitch=turns[1], roll=turns[2])
        pose = corrected(start, picture, lens=kept.lens, reach=kept.reach)
        if pose is None:
            return None
        return Correction(pose=pose, thrown=keystone(pose, _aspect(hung)), share=used_share(pose, picture))
    except OutOfRange:
        return None


def price_of_tilt(hung: Placement, kept: Setting, pitch: float) -> float | None:
    """Share of a straight body's pixels that is left when tilted by pitch [rad]; None where it covers nothing."""
    picture = picture_corners(hung)
    try:
        pose = corrected(kept.pose(pitch=pitch), picture, lens=kept.lens, reach=kept.reach)
        if pose is None:
            return None
        aspect = _aspect(hung)
        straight = min(kept.panel_aspect / aspect, aspect / kept.panel_aspect)
        return used_share(pose, picture) / straight
    except OutOfRange:
        return None


def picture_corners(hung: Placement) -> Array:
    """Corners of the viewable area (4, 2) [mm], anticlockwise from lower left."""
    picture = hung.place.screen.picture
    half = np.array([picture.width_mm, picture.height_mm]) / 2.0
    middle = np.array([hung.place.centre_x_mm, hung.picture_centre_mm])
    corners: Array = middle + half * np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)], dtype=float)
    return corners


def _aspect(hung: Placement) -> float:
    picture = hung.place.screen.picture
    return picture.width_mm / picture.height_mm
