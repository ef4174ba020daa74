"""What a turned or tilted body costs: the quadrilateral it throws and the upright picture left in it."""

import math
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import Array, Pose, panel_corners, to_panel, to_wall
from gantline.core.throw.shift import ShiftReach, left_sideways
from gantline.core.throw.window import Lens

HALVINGS = 40  # of the zoom range: past what a float tells apart


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
    *, rise_mm: float, distance_mm: float, panel_height_mm: float, reach: ShiftReach, horizontal: float
) -> float:
    """Pitch [rad], nose up +, that brings the picture's center into the reach; 0 inside it.

    Args: rise_mm, the picture's center above the lens; horizontal, the sideways shift needed (share).
    Source: atan(rise / Z) - atan(+-V H_p / Z), V what the reach leaves at that sideways shift.
    """
    full = reach.up if rise_mm >= 0.0 else reach.down
    left = full * left_sideways(reach, horizontal)
    held_mm = math.copysign(min(left * panel_height_mm, abs(rise_mm)), rise_mm)
    return math.atan2(rise_mm, distance_mm) - math.atan2(held_mm, distance_mm)


def corrected(pose: Pose, picture_mm: Array, *, lens: Lens, reach: ShiftReach) -> Pose | None:
    """The pose with zoom and shift set so that the turned panel just covers the picture (4, 2) [mm], None if none does.

    Shift aims the panel's middle at the picture's, as far as it reaches; pose's own shift is the fixed offset.
    The zoom is the longest that still covers it: searched by halving, as covering only ends when zooming in.
    """
    plain = replace(pose, ratio=1.0, shift_h=0.0, shift_v=0.0)
    rays = to_panel(plain, picture_mm)
    across, up = (float(one) for one in rays.mean(axis=0))

    def at(ratio: float) -> Pose:
        shift_h = _held(across * ratio, reach.side, reach.side)
        left = left_sideways(reach, shift_h)
        wanted = up * ratio * pose.panel_aspect - pose.shift_v
        shift_v = pose.shift_v + _held(wanted, reach.up * left, reach.down * left)
        return replace(pose, ratio=ratio, shift_h=shift_h, shift_v=shift_v)

    def covers(ratio: float) -> bool:
        here = at(ratio)
        points = rays * ratio - np.array([here.shift_h, here.shift_v / pose.panel_aspect])
        limits = np.array([0.5, 0.5 / pose.panel_aspect]) + 1e-9
        return bool((np.abs(points) <= limits).all())

    low, high = lens.ratio_low, lens.ratio_high
    if not covers(low):
        return None
    if covers(high):
        return at(high)
    for _ in range(HALVINGS):
        middle = (low + high) / 2.0
        low, high = (middle, high) if covers(middle) else (low, middle)
    return at(low)


def used_share(pose: Pose, picture_mm: Array) -> float:
    """Share of the panel, and so of its light, that lands on a picture (4, 2) [mm] inside its image."""
    return _area(to_panel(pose, picture_mm)) * pose.panel_aspect


def _held(value: float, most: float, least: float) -> float:
    return min(max(value, -least), most)


def _sides(quad: Array) -> tuple[Array, Array]:
    """Outward unit normals (4, 2) and limits (4,) of an anticlockwise quadrilateral."""
    along = np.roll(quad, -1, axis=0) - quad
    outward = np.stack([along[:, 1], -along[:, 0]], axis=1)
    outward /= np.linalg.norm(outward, axis=1)[:, None]
    return outward, np.einsum("ij,ij->i", outward, quad)


def _area(polygon: Array) -> float:
    x, y = polygon.T
    return float(abs(x @ np.roll(y, -1) - y @ np.roll(x, -1)) / 2.0)
