"""What a turned or tilted body costs: the quadrilateral it throws and the upright picture left in it."""

import math
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import Array, Pose, panel_corners, to_panel, to_wall
from gantline.core.throw.shift import ReachShape, ShiftReach, left_sideways
from gantline.core.throw.window import Lens

COVER = 1e-9  # share of the panel by which a corner may stand out: binary rounding


@dataclass(frozen=True, slots=True, kw_only=True)
class Keystone:
    """The panel's image (4, 2) and the largest upright picture inside it, corners (4, 2) [mm].

    share: of the panel's pixels, and of its light, that the picture keeps; straight_share what a straight
    body would use. Anticlockwise from lower left.
    """

    quad: Array
    picture: Array
    share: float
    straight_share: float

    @property
    def kept(self) -> float:
        """Pixels and light left of what a straight body uses."""
        return self.share / self.straight_share


def keystone(pose: Pose, picture_aspect: float) -> Keystone:
    """The price of digital correction for a pose.

    Source: the largest h with n_x x + n_y y + h (|n_x| s + |n_y|)/2 <= m for each side n.X <= m of the
    quadrilateral: a linear programme in (x, y, h). Share: area of the picture's pre-image on the panel.
    Leaves out: light fall-off over the panel, and pixels that are blended rather than lost.
    Raises: OutOfRange where part of the image misses the wall.
    """
    from scipy.optimize import linprog  # slow to import, needed only here

    quad = to_wall(pose, panel_corners(pose.panel_aspect))
    normals, limits = _sides(quad)
    middle = quad.mean(axis=0)  # centred and scaled: the solver works in lengths about 1
    scale = float(np.ptp(quad, axis=0).max())
    rows = np.column_stack([normals, (np.abs(normals[:, 0]) * picture_aspect + np.abs(normals[:, 1])) / 2.0])
    right = (limits - normals @ middle) / scale
    found = linprog(
        c=[0.0, 0.0, -1.0], A_ub=rows, b_ub=right, bounds=[(None, None), (None, None), (0.0, None)]
    )
    if not found.success:
        raise OutOfRange("no upright picture fits into what this pose throws", field="turn")
    x, y, high = found.x * scale + np.array([middle[0], middle[1], 0.0])
    half = np.array([picture_aspect, 1.0]) * high / 2.0
    picture = np.array([x, y]) + half * np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)])
    share = used_share(pose, picture)
    straight = min(pose.panel_aspect / picture_aspect, picture_aspect / pose.panel_aspect)
    return Keystone(quad=quad, picture=picture, share=share, straight_share=straight)


def tilt_needed(
    *,
    rise_mm: float,
    distance_mm: float,
    panel_height_mm: float,
    reach: ShiftReach,
    horizontal: float,
    offset: float = 0.0,
) -> float:
    """Pitch [rad], nose up +, that brings the picture's center into the reach; 0 inside it.

    Args: rise_mm, the picture's center above the lens; horizontal, the sideways shift needed (share); offset, the
        fixed share of H_p by which the picture's center lies above the axis with the shift at rest.
    Source: atan(rise / Z) - atan(held / Z); held, as far as offset and reach lift the picture without a tilt: the
        offset, and V H_p beyond it, V what the reach leaves at that sideways shift.
    """
    rest_mm = offset * panel_height_mm
    beyond_mm = rise_mm - rest_mm
    full = reach.up if beyond_mm >= 0.0 else reach.down
    left = full * left_sideways(reach, horizontal)
    held_mm = rest_mm + math.copysign(min(left * panel_height_mm, abs(beyond_mm)), beyond_mm)
    return math.atan2(rise_mm, distance_mm) - math.atan2(held_mm, distance_mm)


def corrected(pose: Pose, picture_mm: Array, *, lens: Lens, reach: ShiftReach) -> Pose | None:
    """The pose with zoom and shift set so that the turned panel just covers the picture (4, 2) [mm], None if none does.

    The zoom is the longest that covers it with any shift of the reach; the shift then aims the panel's middle at the
    picture's, as far as reach and covering let it. pose's own shift is the fixed offset.
    Source: the rays to the picture's corners scale with the throw ratio R, so covering is linear in R and shift:
        |x_i R - s_h| <= 1/2, |y_i p R - s_v| <= 1/2; with the reach's own sides a linear program for the largest R.
    """
    from scipy.optimize import linprog  # slow to import, needed only here

    plain = replace(pose, ratio=1.0, shift_h=0.0, shift_v=0.0)
    rays = to_panel(plain, picture_mm) * np.array([1.0, pose.panel_aspect])
    sides, limits = _covering(rays, pose.shift_v)
    shape, held = _reach_sides(reach)
    found = linprog(
        c=[-1.0, 0.0, 0.0],
        A_ub=np.vstack([sides, shape]),
        b_ub=np.concatenate([limits, held]) + COVER,
        bounds=[(lens.ratio_low, lens.ratio_high), (None, None), (None, None)],
    )
    if not found.success:
        return None
    ratio, at = float(found.x[0]), found.x[1:]
    middle = rays.mean(axis=0) * ratio - np.array([0.0, pose.shift_v])
    rows, most = (
        np.vstack([sides, shape]),
        np.concatenate([limits, held]) + COVER - ratio * np.concatenate([sides[:, 0], np.zeros(len(shape))]),
    )
    # as far from the program's corner toward the middle as every side lets it
    toward = rows[:, 1:] @ (middle - at)
    room = most - rows[:, 1:] @ at
    part = min((float(r / t) for r, t in zip(room, toward, strict=True) if t > 1e-15), default=1.0)
    shift_h, shift_v = at + max(0.0, min(1.0, part)) * (middle - at)
    return replace(pose, ratio=ratio, shift_h=float(shift_h), shift_v=pose.shift_v + float(shift_v))


def _covering(rays: Array, offset: float) -> tuple[Array, Array]:
    """Rows (16, 3) in (R, s_h, s_v) and their limits: every corner inside the panel, s_v beyond the fixed offset."""
    rows, limits = [], []
    for x, y in rays:
        for sign in (1.0, -1.0):
            rows += [(sign * x, -sign, 0.0), (sign * y, 0.0, -sign)]
            limits += [0.5, 0.5 + sign * offset]
    return np.array(rows), np.array(limits)


def _reach_sides(reach: ShiftReach) -> tuple[Array, Array]:
    """Rows (n, 3) in (R, s_h, s_v) and their limits: the shift inside its range."""
    if reach.shape is ReachShape.DIAMOND and reach.side > 0.0 and reach.up + reach.down > 0.0:
        rows = [
            (0.0, sign * end, way * reach.side)
            for sign in (1.0, -1.0)
            for way, end in ((1.0, reach.up), (-1.0, reach.down))
        ]
        limits = [reach.side * end for _ in range(2) for end in (reach.up, reach.down)]
        return np.array(rows), np.array(limits)
    rows = [(0.0, 1.0, 0.0), (0.0, -1.0, 0.0), (0.0, 0.0, 1.0), (0.0, 0.0, -1.0)]
    return np.array(rows), np.array([reach.side, reach.side, reach.up, reach.down])


def used_share(pose: Pose, picture_mm: Array) -> float:
    """Share of the panel, and so of its light, that lands on a picture (4, 2) [mm] inside its image."""
    return _area(to_panel(pose, picture_mm)) * pose.panel_aspect


def _sides(quad: Array) -> tuple[Array, Array]:
    """Outward unit normals (4, 2) and limits (4,) of an anticlockwise quadrilateral."""
    along = np.roll(quad, -1, axis=0) - quad
    outward = np.stack([along[:, 1], -along[:, 0]], axis=1)
    outward /= np.linalg.norm(outward, axis=1)[:, None]
    return outward, np.einsum("ij,ij->i", outward, quad)


def _area(polygon: Array) -> float:
    x, y = polygon.T
    return float(abs(x @ np.roll(y, -1) - y @ np.roll(x, -1)) / 2.0)
