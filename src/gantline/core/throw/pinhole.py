"""The one exact projector model: a pinhole with zoom and shift, turned and tilted, onto a flat wall.

Axes are the wall's: x right, y up, z out of the fabric; the lens at z = distance, facing the wall. The
body turns about the lens: roll first, then pitch, then yaw. A point of the panel is (u, v): u from
-1/2 to 1/2 across, v from -1/(2p) to 1/(2p) up, p the panel's aspect. Left out: lens distortion and
the bowed edges of a cabinet-top lens.
"""

import math
from dataclasses import dataclass
from fractions import Fraction

import numpy as np
from numpy.typing import ArrayLike, NDArray

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.throw.window import PanelImage

Array = NDArray[np.float64]


@dataclass(frozen=True, slots=True, kw_only=True)
class Pose:
    """A projector in place: lens [mm], throw ratio, shift (shares of the panel's image), turns [rad].

    yaw > 0: nose to the right; pitch > 0: nose up; roll > 0: picture counter-clockwise, its right end up.
    Raises OutOfRange unless distance, ratio and panel_aspect are positive.
    """

    lens_x_mm: float
    lens_y_mm: float
    distance_mm: float
    ratio: float
    panel_aspect: float
    shift_h: float = 0.0
    shift_v: float = 0.0
    yaw: float = 0.0
    pitch: float = 0.0
    roll: float = 0.0

    def __post_init__(self) -> None:
        require_positive(distance_mm=self.distance_mm, ratio=self.ratio, panel_aspect=self.panel_aspect)

    @property
    def turn(self) -> Array:
        """Body axes to wall axes (3, 3): Y(yaw) X(pitch) Q(roll)."""
        cy, sy = math.cos(self.yaw), math.sin(self.yaw)
        cp, sp = math.cos(self.pitch), math.sin(self.pitch)
        cr, sr = math.cos(self.roll), math.sin(self.roll)
        yaw = np.array([[cy, 0.0, -sy], [0.0, 1.0, 0.0], [sy, 0.0, cy]])
        pitch = np.array([[1.0, 0.0, 0.0], [0.0, cp, -sp], [0.0, sp, cp]])
        roll = np.array([[cr, -sr, 0.0], [sr, cr, 0.0], [0.0, 0.0, 1.0]])
        turn: Array = yaw @ pitch @ roll
        return turn


def to_wall(pose: Pose, panel_uv: ArrayLike) -> Array:
    """Panel points (n, 2) to where they land on the fabric plane (n, 2) [mm].

    Source: r = ((u + s_h)/R, (v + s_v/p)/R, -1) in body axes, d = turn r, met at z = 0.
    Raises: OutOfRange where a ray does not come down on the wall.
    """
    uv = np.asarray(panel_uv, dtype=float)
    k = 1.0 / pose.ratio
    up = (uv[:, 1] + pose.shift_v / pose.panel_aspect) * k
    rays = np.stack([(uv[:, 0] + pose.shift_h) * k, up, np.full(len(uv), -1.0)], axis=1)
    out = rays @ pose.turn.T
    if bool(np.any(out[:, 2] > -1e-9)):
        raise OutOfRange("turned this far, part of the picture misses the wall", field="turn")
    reach = -pose.distance_mm / out[:, 2]
    return np.stack([pose.lens_x_mm + reach * out[:, 0], pose.lens_y_mm + reach * out[:, 1]], axis=1)


def to_panel(pose: Pose, wall_mm: ArrayLike) -> Array:
    """Points of the fabric plane (n, 2) [mm] to the panel points (n, 2) that light them: the inverse of to_wall.

    Raises: OutOfRange for points behind the turned body.
    """
    points = np.asarray(wall_mm, dtype=float)
    out = np.stack(
        [
            points[:, 0] - pose.lens_x_mm,
            points[:, 1] - pose.lens_y_mm,
            np.full(len(points), -pose.distance_mm),
        ],
        axis=1,
    )
    body = out @ pose.turn  # the turn's inverse is its transpose
    if bool(np.any(body[:, 2] > -1e-9)):
        raise OutOfRange("turned this far, part of the wall lies behind the lens", field="turn")
    rays = body[:, :2] / -body[:, 2:3]
    shift = np.array([pose.shift_h, pose.shift_v / pose.panel_aspect])
    points_uv: Array = rays * pose.ratio - shift
    return points_uv


def panel_corners(panel_aspect: float, picture_aspect: float | None = None) -> Array:
    """Corners (4, 2) of the panel, or of a picture that fills it in one direction; anticlockwise from lower left."""
    used = panel_aspect if picture_aspect is None else picture_aspect
    u = 0.5 * min(1.0, used / panel_aspect)
    v = 0.5 / panel_aspect * min(1.0, panel_aspect / used)
    return np.array([(-u, -v), (u, -v), (u, v), (-u, v)])


def straight_pose(
    *,
    picture_x_mm: float,
    picture_y_mm: float,
    panel: PanelImage,
    panel_aspect: Fraction,
    lens_x_mm: float,
    lens_y_mm: float,
    distance_mm: float,
) -> Pose:
    """The unturned pose that puts the panel's image on the picture's center: Z = R W_p, shift by the offsets."""
    return Pose(
        lens_x_mm=lens_x_mm, lens_y_mm=lens_y_mm, distance_mm=distance_mm, ratio=distance_mm / panel.width_mm,
        panel_aspect=float(panel_aspect), shift_h=(picture_x_mm - lens_x_mm) / panel.width_mm,
        shift_v=(picture_y_mm - lens_y_mm) / panel.height_mm,
    )  # fmt: skip
