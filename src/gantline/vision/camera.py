"""A made-up camera: the screen on its wall, lit by a projector in any pose, photographed from any side.

Light on a surface is its reflectance times (room light + projector); the lens bends by x_u = x_d (1 + k r²), r in half diagonals.
Leaves out: perspective blur, color, rolling shutter.
"""

import math
from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from gantline.core.align.cast import homography
from gantline.vision.markers import Array, Image, pattern, used_of

WALL, VELVET, FABRIC = 0.55, 0.03, 0.9
MARGIN_MM = 350.0
PX_PER_MM = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Shot:
    """Where the camera is and what it does to the picture. turn, tilt, roll [deg] about the middle of the screen; away [mm];
    bend k; blur [px]; noise of 255; glare, strength of a lamp's reflection at a corner; room, light without the projector."""

    turn_deg: float = 0.0
    tilt_deg: float = 0.0
    roll_deg: float = 0.0
    away_mm: float = 3600.0
    bend: float = 0.0
    blur_px: float = 1.0
    noise: float = 3.0
    glare: float = 0.0
    glare_at: int = 0
    room: float = 0.18
    width_px: int = 4000
    height_px: int = 3000
    seed: int = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class Scene:
    """The screen: viewable width and height, border [mm]; the picture's corners as lit (4, 2) [mm] about the middle, y up,
    clockwise from the upper left; the panel points (4, 2) they are of, shares from the upper left; the panel's aspect."""

    width_mm: float
    height_mm: float
    border_mm: float
    lit: Array
    panel: Array
    panel_aspect: float


def photo(scene: Scene, shot: Shot) -> Image:
    """What the camera sees (height, width), gray."""
    wide, high = scene.width_mm + 2.0 * MARGIN_MM, scene.height_mm + 2.0 * MARGIN_MM
    texture = _surface(scene, wide, high, shot.room)
    onto = _camera(shot)
    middle = np.array([shot.width_px / 2.0, shot.height_px / 2.0])
    scale = math.hypot(*middle)
    x, y = np.meshgrid(
        np.arange(shot.width_px, dtype=np.float32), np.arange(shot.height_px, dtype=np.float32)
    )
    dx, dy = (x - middle[0]) / scale, (y - middle[1]) / scale
    grow = 1.0 + shot.bend * (dx * dx + dy * dy)
    back = np.linalg.inv(onto)
    px, py = dx * grow * scale + middle[0], dy * grow * scale + middle[1]
    depth = back[2, 0] * px + back[2, 1] * py + back[2, 2]
    at_x = ((back[0, 0] * px + back[0, 1] * py + back[0, 2]) / depth + wide / 2.0) * PX_PER_MM - 0.5
    at_y = (
        high / 2.0 - (back[1, 0] * px + back[1, 1] * py + back[1, 2]) / depth
    ) * PX_PER_MM - 0.5  # a pixel's middle
    seen = cv2.remap(
        texture,
        at_x.astype(np.float32),
        at_y.astype(np.float32),
        cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )
    if shot.glare > 0.0:
        corner = np.array([(-1, 1), (1, 1), (1, -1), (-1, -1)])[shot.glare_at] * [
            scene.width_mm / 2,
            scene.height_mm / 2,
        ]
        where = onto @ np.array([*corner, 1.0])
        spot = where[:2] / where[2]
        far = (x - spot[0]) ** 2 + (y - spot[1]) ** 2
        seen = seen + (shot.glare * np.exp(-far / (2.0 * (0.03 * shot.width_px) ** 2))).astype(np.float32)
    if shot.blur_px > 0.0:
        seen = cv2.GaussianBlur(seen, (0, 0), shot.blur_px)
    noise = np.asarray(
        np.random.default_rng(shot.seed).normal(0.0, shot.noise, (shot.height_px, shot.width_px))
    )
    image: Image = np.clip(seen * 255.0 + noise, 0.0, 255.0).astype(np.uint8)
    return image


def _surface(scene: Scene, wide: float, high: float, room: float) -> NDArray[np.float32]:
    """The wall as it is lit, a pixel a millimeter, upper left first."""
    size = (round(wide * PX_PER_MM), round(high * PX_PER_MM))
    reflect = np.full((size[1], size[0]), WALL, dtype=np.float32)

    def fill(half_w: float, half_h: float, value: float) -> None:
        left, right = (round((wide / 2.0 + side * half_w) * PX_PER_MM) for side in (-1.0, 1.0))
        top, low = (round((high / 2.0 + side * half_h) * PX_PER_MM) for side in (-1.0, 1.0))
        reflect[top:low, left:right] = value

    fill(scene.width_mm / 2.0 + scene.border_mm, scene.height_mm / 2.0 + scene.border_mm, VELVET)
    fill(scene.width_mm / 2.0, scene.height_mm / 2.0, FABRIC)
    used = used_of(scene.panel)
    shown = pattern(1920, scene.panel_aspect, used)
    at = np.column_stack([scene.panel[:, 0] * shown.shape[1], scene.panel[:, 1] * shown.shape[0]]) - 0.5
    to = (
        np.column_stack(
            [(scene.lit[:, 0] + wide / 2.0) * PX_PER_MM, (high / 2.0 - scene.lit[:, 1]) * PX_PER_MM]
        )
        - 0.5
    )
    lit = cv2.warpPerspective(shown, homography(at, to), size, flags=cv2.INTER_LINEAR)
    made: NDArray[np.float32] = reflect * (room + (1.0 - room) * lit.astype(np.float32) / 255.0)
    return made


def _camera(shot: Shot) -> Array:
    """The map (3, 3) from the screen's plane [mm], y up, to undistorted pixels."""
    a, b, c = (math.radians(one) for one in (shot.turn_deg, shot.tilt_deg, shot.roll_deg))
    turn = np.array([[math.cos(a), 0, math.sin(a)], [0, 1, 0], [-math.sin(a), 0, math.cos(a)]])
    tilt = np.array([[1, 0, 0], [0, math.cos(b), -math.sin(b)], [0, math.sin(b), math.cos(b)]])
    roll = np.array([[math.cos(c), -math.sin(c), 0], [math.sin(c), math.cos(c), 0], [0, 0, 1]])
    body = roll @ tilt @ turn  # the wall as the camera sees it
    focal = 0.95 * shot.width_px
    inner = np.array([[focal, 0, shot.width_px / 2.0], [0, -focal, shot.height_px / 2.0], [0, 0, 1]])
    outer = np.column_stack([body[:, 0], body[:, 1], np.array([0.0, 0.0, shot.away_mm])])
    made: Array = inner @ outer
    return made
