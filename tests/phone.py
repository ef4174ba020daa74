"""A phone before a lit screen, as phones are: light is added as light, then encoded; the lens bends in four terms about a middle of
its own; blur, motion, grain, sharpening and a JPEG with half the color. The border may stand before the fabric, and shines a little.

Shares nothing with what reads its photos: each pixel's ray is met with the fabric and with the border, and what lies there is lit by
its own rays from the projector. A length is in millimeters on the fabric, from its middle, y up; light is a share of the picture's
white.
"""

import io
import math
from dataclasses import dataclass, field

import cv2
import numpy as np
from numpy.typing import NDArray
from PIL import Image as Picture

from gantline.vision.markers import pattern

Array = NDArray[np.float64]
Plate = NDArray[np.float32]
FABRIC = 0.9
COARSE = 16  # pixels between rays that are followed; between them they lie on surfaces that are all but flat
TINT = (1.0, 0.98, 0.93)


@dataclass(frozen=True, slots=True, kw_only=True)
class Scene:
    """The screen as it is lit: viewable size, border; the picture's corners (4, 2) clockwise from the upper left, and the panel
    points they are of, shares; how much the border and the wall reflect; how far the border stands before the fabric; where the
    projector's lens is (x, y, out of the fabric)."""

    width_mm: float
    height_mm: float
    border_mm: float
    lit: Array
    panel: Array
    panel_aspect: float
    velvet: float = 0.01
    wall: float = 0.5
    proud_mm: float = 0.0
    lens_mm: tuple[float, float, float] = (0.0, 600.0, 4000.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Shot:
    """Where the phone is held and what it does. turn, tilt, roll about the middle of the screen; focal, of the photo's longer side;
    bend: k1, k2, p1, p2 by the tangent; off: its middle, shares of the longer side; room: light without the projector; leak: the
    projector's black; white: what the picture's white comes to, 1 clips; noise: of a white pixel; heads: (middle, width, top);
    glare, window: (x, y, size, level)."""

    turn_deg: float = 0.0
    tilt_deg: float = 0.0
    roll_deg: float = 0.0
    away_mm: float = 3600.0
    focal: float = 0.85
    bend: tuple[float, float, float, float] = (0.0, 0.0, 0.0, 0.0)
    off: tuple[float, float] = (0.0, 0.0)
    blur_px: float = 0.8
    defocus_px: float = 0.0
    motion_px: float = 0.0
    motion_deg: float = 0.0
    room: float = 0.12
    leak: float = 0.001
    white: float = 0.8
    noise: float = 0.012
    vignette: float = 0.15
    sharpen: float = 0.0
    quality: int = 88
    shade_mm: float = 0.0
    heads: tuple[tuple[float, float, float], ...] = ()
    glare: tuple[float, float, float, float] | None = None
    window: tuple[float, float, float, float] | None = None
    turned: int = 1  # as a phone writes it into the file: 1 upright, 3 upside down, 6 and 8 on its side
    width_px: int = 4000
    height_px: int = 3000
    seed: int = 1
    rng: np.random.Generator = field(init=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "rng", np.random.default_rng(self.seed))


def photo(scene: Scene, shot: Shot) -> NDArray[np.uint8]:
    """What the phone keeps, as gray levels."""
    image = cv2.imdecode(np.frombuffer(jpeg(scene, shot), dtype=np.uint8), cv2.IMREAD_GRAYSCALE)
    return np.asarray(image, dtype=np.uint8)


def jpeg(scene: Scene, shot: Shot) -> bytes:
    """The file that the phone keeps."""
    steps = (_sensor(_seen(scene, shot), shot) * 4095.0 + 0.5).astype(np.uint16)
    levels = np.stack([_encoded(tint)[steps] for tint in TINT], axis=-1)
    if shot.sharpen > 0.0:
        soft = cv2.GaussianBlur(levels, (0, 0), 1.5)
        levels = np.asarray(
            cv2.addWeighted(levels, 1.0 + shot.sharpen, soft, -shot.sharpen, 0.0), dtype=np.uint8
        )
    as_held = {1: levels, 3: levels[::-1, ::-1], 6: np.rot90(levels, 1), 8: np.rot90(levels, -1)}[shot.turned]
    out, tags = io.BytesIO(), Picture.Exif()
    tags[0x0112] = shot.turned
    Picture.fromarray(np.ascontiguousarray(as_held)).save(
        out, "JPEG", quality=shot.quality, subsampling=2, exif=tags
    )
    return out.getvalue()


def _encoded(tint: float) -> NDArray[np.uint8]:
    """The 4,096 levels of a sensor as a file writes them."""
    light = np.linspace(0.0, 1.0, 4096) * tint
    curve = np.where(light <= 0.0031308, 12.92 * light, 1.055 * np.power(light, 1.0 / 2.4) - 0.055)
    return np.asarray(curve * 255.0 + 0.5, dtype=np.uint8)


def _seen(scene: Scene, shot: Shot) -> Plate:
    """The light that comes to each pixel."""
    x, y, px = _met(shot, 0.0)
    over_x, over_y, _ = _met(shot, scene.proud_mm) if scene.proud_mm else (x, y, px)
    half = scene.width_mm / 2.0, scene.height_mm / 2.0
    outer = half[0] + scene.border_mm, half[1] + scene.border_mm
    opening, edge = _inside(over_x, over_y, half, px), _inside(over_x, over_y, outer, px)
    cloth = opening * (_inside(x, y, half, px) if scene.proud_mm else 1.0)
    room = np.float32(shot.room)
    if shot.shade_mm:  # a board over the screen: its shade falls from the top edge down
        shade = np.clip((half[1] - y) / shot.shade_mm, 0.0, 1.0)
        room = room * (0.35 + 0.65 * shade)
    thrown = _thrown(scene, shot, x, y, px)
    out = scene.lens_mm[2] / (
        scene.lens_mm[2] - scene.proud_mm
    )  # onto the border the picture falls before it is whole
    aside_x, aside_y = (
        np.float32(lens) + (at - np.float32(lens)) * np.float32(out)
        for lens, at in zip(scene.lens_mm, (over_x, over_y), strict=False)
    )
    spilled = _thrown(scene, shot, aside_x, aside_y, px) if scene.proud_mm else thrown
    light = cloth * FABRIC * (room + thrown) + (opening - cloth) * scene.velvet * room
    light += (edge - opening) * scene.velvet * (room + spilled) + (1.0 - edge) * scene.wall * (
        shot.room + thrown
    )
    if shot.window is not None:
        at_x, at_y, size, level = shot.window
        light = light + (1.0 - edge) * _inside(x - at_x, y - at_y, (size / 2.0, size / 2.0), px) * level
    if shot.glare is not None:
        at_x, at_y, size, level = shot.glare
        light = light + level * np.exp(-((x - at_x) ** 2 + (y - at_y) ** 2) / (2.0 * size**2))
    for middle, wide, top in shot.heads:
        hidden = np.clip((wide / 2.0 - np.abs(x - middle)) / px + 0.5, 0.0, 1.0) * np.clip(
            (top - y) / px + 0.5, 0.0, 1.0
        )
        light = light * (1.0 - hidden) + hidden * 0.1 * shot.room
    return np.asarray(light, dtype=np.float32)


def _thrown(scene: Scene, shot: Shot, x: Plate, y: Plate, px: Plate) -> Plate:
    """What the projector throws onto places of the fabric's plane: its pattern within the picture, its black there too."""
    shown = cv2.GaussianBlur(
        pattern(1920, scene.panel_aspect, _used(scene.panel)).astype(np.float32) / 255.0, (0, 0), 0.5
    )
    onto = cv2.getPerspectiveTransform(scene.lit.astype(np.float32), scene.panel.astype(np.float32)).astype(
        np.float32
    )
    deep = onto[2, 0] * x + onto[2, 1] * y + onto[2, 2]
    u, v = (
        (onto[0, 0] * x + onto[0, 1] * y + onto[0, 2]) / deep,
        (onto[1, 0] * x + onto[1, 1] * y + onto[1, 2]) / deep,
    )
    level = cv2.remap(
        shown,
        u * shown.shape[1] - 0.5,
        v * shown.shape[0] - 0.5,
        cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )
    (left, top), (right, low) = scene.panel.min(axis=0), scene.panel.max(axis=0)
    wide, high = (
        float(np.linalg.norm(scene.lit[1] - scene.lit[0])),
        float(np.linalg.norm(scene.lit[3] - scene.lit[0])),
    )
    across = np.minimum(u - left, right - u) * (wide / (right - left)) / px + 0.5
    down = np.minimum(v - top, low - v) * (high / (low - top)) / px + 0.5
    lit = np.clip(across, 0.0, 1.0) * np.clip(down, 0.0, 1.0)
    return np.asarray(lit * (shot.leak + (1.0 - shot.leak) * level), dtype=np.float32)


def _used(panel: Array) -> tuple[float, float]:
    wide, high = np.ptp(panel, axis=0)
    return float(wide), float(high)


def _inside(x: Plate, y: Plate, half: tuple[float, float], px: Plate) -> Plate:
    """How much of each pixel lies inside a rectangle about the middle."""
    across, down = ((far - np.abs(at)) / px + 0.5 for far, at in zip(half, (x, y), strict=True))
    return np.asarray(np.clip(across, 0.0, 1.0) * np.clip(down, 0.0, 1.0), dtype=np.float32)


def _met(shot: Shot, before_mm: float) -> tuple[Plate, Plate, Plate]:
    """Where each pixel's ray meets a plane so far before the fabric, and how much of it a pixel covers there."""
    w, h = shot.width_px, shot.height_px
    # middles of coarse cells, two more on each side: enlarged, each pixel's own lies where it belongs
    across, down = ((np.arange(-(-long // COARSE) + 4) + 0.5) * COARSE - 0.5 - 2 * COARSE for long in (w, h))
    focal = shot.focal * max(w, h)
    middle = ((w - 1) / 2.0 + shot.off[0] * max(w, h), (h - 1) / 2.0 + shot.off[1] * max(w, h))
    bent_x, bent_y = np.meshgrid((across - middle[0]) / focal, (down - middle[1]) / focal)
    at_x, at_y = bent_x.copy(), bent_y.copy()
    k1, k2, p1, p2 = shot.bend
    for _ in range(20):  # which straight ray the lens bends to this pixel
        r = at_x**2 + at_y**2
        grow = 1.0 + k1 * r + k2 * r**2
        aside_x = 2.0 * p1 * at_x * at_y + p2 * (r + 2.0 * at_x**2)
        aside_y = p1 * (r + 2.0 * at_y**2) + 2.0 * p2 * at_x * at_y
        at_x, at_y = (bent_x - aside_x) / grow, (bent_y - aside_y) / grow
    a, b, c = (math.radians(degrees) for degrees in (shot.turn_deg, shot.tilt_deg, shot.roll_deg))
    turn = np.array([[math.cos(a), 0, math.sin(a)], [0, 1, 0], [-math.sin(a), 0, math.cos(a)]])
    tilt = np.array([[1, 0, 0], [0, math.cos(b), -math.sin(b)], [0, math.sin(b), math.cos(b)]])
    roll = np.array([[math.cos(c), -math.sin(c), 0], [math.sin(c), math.cos(c), 0], [0, 0, 1]])
    held = roll @ tilt @ turn
    eye = -held.T @ np.array([0.0, 0.0, shot.away_mm])
    rays = np.stack([at_x, at_y, np.ones_like(at_x)], axis=-1) @ held
    far = (-before_mm - eye[2]) / rays[..., 2]
    x, y = eye[0] + far * rays[..., 0], -(eye[1] + far * rays[..., 1])
    cover = (
        np.sqrt(
            np.abs(
                np.gradient(x, axis=1) * np.gradient(y, axis=0)
                - np.gradient(x, axis=0) * np.gradient(y, axis=1)
            )
        )
        / COARSE
    )
    whole = (len(across) * COARSE, len(down) * COARSE)
    fine = (
        np.asarray(
            cv2.resize(each.astype(np.float32), whole, interpolation=cv2.INTER_LINEAR), dtype=np.float32
        )
        for each in (x, y, cover)
    )
    at_x_mm, at_y_mm, px = (each[2 * COARSE : 2 * COARSE + h, 2 * COARSE : 2 * COARSE + w] for each in fine)
    return at_x_mm, at_y_mm, px


def _through(light: Plate, spot: Array) -> Plate:
    """As a point becomes a spot."""
    return np.asarray(cv2.filter2D(light, -1, spot.astype(np.float32)), dtype=np.float32)


def _sensor(light: Plate, shot: Shot) -> Plate:
    """Blurred, moved, darker to the corners, exposed, grained."""
    if shot.defocus_px >= 1.0:
        reach = math.ceil(shot.defocus_px)
        j, i = np.mgrid[-reach : reach + 1, -reach : reach + 1]
        disc = np.clip(shot.defocus_px - np.hypot(i, j) + 0.5, 0.0, 1.0)
        light = _through(light, disc / disc.sum())
    if shot.motion_px >= 1.0:
        reach = math.ceil(shot.motion_px / 2.0) + 1
        line = np.zeros((2 * reach + 1, 2 * reach + 1))
        along = np.array([math.cos(math.radians(shot.motion_deg)), math.sin(math.radians(shot.motion_deg))])
        for step in np.linspace(-0.5, 0.5, 64):
            i, j = reach + step * shot.motion_px * along
            line[round(j), round(i)] += 1.0 / 64.0
        light = _through(light, line)
    light = np.asarray(cv2.GaussianBlur(light, (0, 0), shot.blur_px), dtype=np.float32)
    h, w = light.shape
    x, y = np.meshgrid(np.linspace(-1, 1, w, dtype=np.float32), np.linspace(-1, 1, h, dtype=np.float32))
    exposed = light / FABRIC * shot.white * (1.0 - shot.vignette * (x**2 + y**2) / 2.0)
    grain = shot.rng.standard_normal(exposed.shape, dtype=np.float32) * np.float32(shot.noise)
    return np.asarray(
        np.clip(exposed + grain * np.sqrt(np.maximum(exposed, 0.0) + 0.002), 0.0, 1.0), dtype=np.float32
    )
