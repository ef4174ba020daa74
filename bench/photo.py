"""Photos by a phone that shares nothing with their reader, over all that befalls one: how many are read, how well, and which lie."""

import math
import os
import random
import time
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass, replace
from statistics import median
from typing import Any

import numpy as np
from tests.phone import Scene, Shot, jpeg

from gantline.vision.files import read_gray
from gantline.vision.markers import Array
from gantline.vision.photo import read_photo
from gantline.vision.untrusted import Untrusted

PHOTOS = int(os.environ.get("GANTLINE_PHOTOS", "600"))
WIDE = 2214.0
WHOLE: Array = np.array([(0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)])
SIGNS = np.array([(-1.0, 1.0), (1.0, 1.0), (1.0, -1.0), (-1.0, -1.0)])
Rng = random.Random


@dataclass(frozen=True, slots=True, kw_only=True)
class Taken:
    """One photo to be read: of what condition, whether that is a fair one, the screen, the phone."""

    name: str
    fair: bool
    scene: Scene
    shot: Shot


@dataclass(frozen=True, slots=True, kw_only=True)
class Condition:
    """What befalls photos: how many in a hundred, whether a person would call it fair, and what it changes."""

    name: str
    share: float
    fair: bool
    scene: Callable[[Rng], dict[str, Any]] = lambda rng: {}
    shot: Callable[[Rng], dict[str, Any]] = lambda rng: {}
    inside_mm: tuple[float, float] = (2.0, 60.0)
    aspect: float = 16 / 9


def _corner(rng: Rng, wide: float, high: float) -> tuple[float, float]:
    return rng.choice((-1.0, 1.0)) * wide / 2.0, -high / 2.0


def _head(rng: Rng) -> dict[str, Any]:
    x, y = _corner(rng, WIDE, WIDE * 9 / 16)
    return {"heads": ((x, rng.uniform(120.0, 440.0), y + rng.uniform(60.0, 220.0)),)}


def _glare(rng: Rng) -> dict[str, Any]:
    spot = rng.uniform(-WIDE / 2, WIDE / 2), rng.uniform(-WIDE / 4, WIDE / 4)
    return {"glare": (*spot, rng.uniform(40.0, 130.0), rng.uniform(0.2, 0.8))}


def _steep(rng: Rng) -> dict[str, Any]:
    return {"turn_deg": rng.choice((-1, 1)) * rng.uniform(35.0, 50.0), "away_mm": rng.uniform(3000.0, 4000.0)}


CONDITIONS = (
    Condition(name="usual", share=22, fair=True),
    Condition(name="some corners out, velvet 0.8–2.5 %", share=7, fair=True, inside_mm=(-40.0, 40.0), scene=lambda r: {"velvet": r.uniform(0.008, 0.025)}),
    Condition(name="all corners 5–35 mm out", share=6, fair=True, inside_mm=(-35.0, -5.0), scene=lambda r: {"velvet": r.uniform(0.008, 0.025)}),
    Condition(name="all corners 0.5–4 mm out", share=4, fair=True, inside_mm=(-4.0, -0.5)),
    Condition(name="out, velvet 0.2–0.4 %", share=4, fair=True, inside_mm=(-35.0, 20.0), scene=lambda r: {"velvet": r.uniform(0.002, 0.004)}),
    Condition(name="no room light", share=6, fair=False, shot=lambda r: {"room": r.uniform(0.0, 0.006)}),
    Condition(name="border 3–12 mm proud", share=5, fair=True, scene=lambda r: {"proud_mm": r.uniform(3.0, 12.0)}, shot=lambda r: {"turn_deg": r.choice((-1, 1)) * r.uniform(10.0, 33.0)}),
    Condition(name="thin border, 8–12 mm", share=4, fair=True, scene=lambda r: {"border_mm": r.uniform(8.0, 12.0)}, inside_mm=(2.0, 30.0)),
    Condition(name="wide border, 150 mm", share=2, fair=True, scene=lambda r: {"border_mm": 150.0}),
    Condition(name="gray border", share=4, fair=False, scene=lambda r: {"velvet": r.uniform(0.1, 0.35)}),
    Condition(name="no border", share=3, fair=False, scene=lambda r: {"border_mm": 0.0}),
    Condition(name="35–50° off", share=4, fair=False, shot=_steep),
    Condition(name="3 MP", share=3, fair=False, shot=lambda r: {"width_px": 2048, "height_px": 1536, "quality": r.randint(60, 85)}),
    Condition(name="24 to 48 MP", share=1.5, fair=True, shot=lambda r: {"width_px": r.choice((5660, 8000)), "height_px": 4245}),
    Condition(name="strong bend", share=3, fair=True, shot=lambda r: {"bend": (r.uniform(-0.12, 0.09), r.uniform(-0.03, 0.03), r.uniform(-0.002, 0.002), r.uniform(-0.002, 0.002))}),
    Condition(name="head over a corner", share=3, fair=False, shot=_head),
    Condition(name="lamp's glare", share=3, fair=False, shot=_glare),
    Condition(name="bright window", share=2, fair=False, shot=lambda r: {"window": (r.choice((-1, 1)) * 1700.0, 300.0, 700.0, r.uniform(0.8, 3.0))}),
    Condition(name="turned by its file", share=2, fair=True, shot=lambda r: {"turned": r.choice((3, 6, 8))}),
    Condition(name="clipped", share=2, fair=False, shot=lambda r: {"white": r.uniform(1.5, 4.0)}),
    Condition(name="dim", share=2, fair=False, shot=lambda r: {"white": r.uniform(0.02, 0.16)}),
    Condition(name="defocus", share=2, fair=False, shot=lambda r: {"defocus_px": r.uniform(2.0, 7.0)}),
    Condition(name="motion", share=2, fair=False, shot=lambda r: {"motion_px": r.uniform(4.0, 20.0), "motion_deg": r.uniform(0.0, 180.0)}),
    Condition(name="noise", share=2, fair=False, shot=lambda r: {"noise": r.uniform(0.04, 0.1), "quality": 65}),
    Condition(name="sharpened", share=1.5, fair=True, shot=lambda r: {"sharpen": r.uniform(0.4, 1.2)}),
    Condition(name="shade along the top", share=1.5, fair=True, shot=lambda r: {"shade_mm": r.uniform(80.0, 400.0)}),
    Condition(name="black wall", share=2, fair=True, scene=lambda r: {"wall": 0.04}),
    Condition(name="2.39 on a 16:9 panel", share=3, fair=True, aspect=2.39),
    Condition(name="4:3", share=1.5, fair=True, aspect=4 / 3),
    Condition(name="photo ends close to the frame", share=2.5, fair=True, shot=lambda r: {"away_mm": WIDE * 0.85 * 1.13, "turn_deg": r.uniform(-8.0, 8.0), "tilt_deg": r.uniform(-4.0, 4.0)}),
)  # fmt: skip


def taken(number: int) -> Taken:
    """The photo of that number, always the same."""
    rng = Rng(f"photo {number}")
    which = rng.choices(CONDITIONS, [condition.share for condition in CONDITIONS])[0]
    high = WIDE / which.aspect
    inside = np.array([[rng.uniform(*which.inside_mm) for _ in range(2)] for _ in range(4)])
    lit = SIGNS * (np.array([WIDE, high]) / 2.0 - inside)
    panel_aspect = min(16 / 9, which.aspect)
    used = panel_aspect / which.aspect  # of the panel's height
    panel = WHOLE if used >= 1.0 else WHOLE * [1.0, used] + [0.0, (1.0 - used) / 2.0]
    scene = Scene(
        width_mm=WIDE,
        height_mm=high,
        border_mm=rng.uniform(25.0, 80.0),
        lit=lit,
        panel=panel,
        panel_aspect=panel_aspect,
        velvet=rng.uniform(0.002, 0.03),
        wall=rng.uniform(0.25, 0.7),
        lens_mm=(0.0, 0.4 * high, rng.uniform(1.4, 2.2) * WIDE),
    )
    wide_px, high_px = rng.choice(((4000, 3000), (4000, 3000), (3264, 2448), (3840, 2160)))
    shot = Shot(
        turn_deg=rng.uniform(-33.0, 33.0),
        tilt_deg=rng.uniform(-12.0, 12.0),
        roll_deg=rng.uniform(-5.0, 5.0),
        away_mm=rng.uniform(1.2, 1.5) * WIDE,
        focal=rng.uniform(0.72, 0.95),
        bend=(
            rng.uniform(-0.05, 0.04),
            rng.uniform(-0.01, 0.01),
            rng.uniform(-5e-4, 5e-4),
            rng.uniform(-5e-4, 5e-4),
        ),
        off=(rng.uniform(-0.008, 0.008), rng.uniform(-0.008, 0.008)),
        blur_px=rng.uniform(0.5, 1.2),
        room=math.exp(rng.uniform(math.log(0.02), math.log(0.4))),
        leak=rng.uniform(0.0003, 0.002),
        white=rng.uniform(0.55, 1.0),
        noise=rng.uniform(0.005, 0.025),
        quality=rng.randint(80, 95),
        width_px=wide_px,
        height_px=high_px,
        seed=number,
    )
    return Taken(
        name=which.name,
        fair=which.fair,
        scene=replace(scene, **which.scene(rng)),
        shot=replace(shot, **which.shot(rng)),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Outcome:
    """What came of one: why it was refused, or how far its eight readings are off [mm] and how far each was said to be; seconds."""

    name: str
    fair: bool
    refused: str
    off_mm: tuple[float, ...]
    sigma_mm: tuple[float, ...]
    seconds: float


def outcome(number: int) -> Outcome:
    """Take it, and read it."""
    one = taken(number)
    return judged(one, jpeg(one.scene, one.shot))


def judged(one: Taken, content: bytes) -> Outcome:
    """What the reader makes of a file."""
    off: tuple[float, ...] = ()
    sigma: tuple[float, ...] = ()
    began, refused = time.perf_counter(), ""
    try:
        photo = read_photo(
            read_gray(content, most=2**25),
            width_mm=one.scene.width_mm,
            height_mm=one.scene.height_mm,
            panel=one.scene.panel,
            panel_aspect=one.scene.panel_aspect,
            proud_mm=one.scene.proud_mm,
        )
        off = tuple(float(each) for each in ((photo.corners_mm - one.scene.lit) * SIGNS).ravel())
        sigma = tuple(float(each) for each in photo.sigma_mm.ravel())
    except Untrusted as error:
        refused = str(error)
    return Outcome(
        name=one.name,
        fair=one.fair,
        refused=refused,
        off_mm=off,
        sigma_mm=sigma,
        seconds=time.perf_counter() - began,
    )


def rows() -> list[tuple[str, str, str]]:
    """Over all photos."""
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        return told(list(pool.map(outcome, range(PHOTOS), chunksize=4)))


def told(outcomes: list[Outcome]) -> list[tuple[str, str, str]]:
    """The figures that count."""
    read = [one for one in outcomes if not one.refused]
    fair = [one for one in outcomes if one.fair]
    worst = [max(map(abs, one.off_mm)) for one in read]
    single = [pair for one in read for pair in zip(one.off_mm, one.sigma_mm, strict=True)]
    lies = [one for one, far in zip(read, worst, strict=True) if far > 5.0]

    def share(count: int, of: int) -> str:
        return f"{100.0 * count / max(of, 1):.1f} %"

    return [
        (f"{len(outcomes)} photos by another camera: accepted", share(len(read), len(outcomes)), "≥ 75 %"),
        ("of fair ones", share(sum(not one.refused for one in fair), len(fair)), "≥ 92 %"),
        (
            "of those read, all eight within 2 mm",
            share(sum(far <= 2.0 for far in worst), len(read)),
            "≥ 92 %",
        ),
        ("within 5 mm", share(sum(far <= 5.0 for far in worst), len(read)), "≥ 99.5 %"),
        ("more than 5 mm off without a word", f"{len(lies)}, worst {max(worst):.1f} mm", "≤ 2 of 600"),
        (
            "readings within the ± that is said",
            share(sum(abs(off) <= sigma for off, sigma in single), len(single)),
            "68 ± 5 %",
        ),
        (
            "within twice that",
            share(sum(abs(off) <= 2.0 * sigma for off, sigma in single), len(single)),
            "95 ± 2 %",
        ),
        ("bias, outward +", f"{np.mean([off for off, _ in single]):+.2f} mm", "≤ 0.2 mm"),
        ("one photo read", f"median {median(one.seconds for one in outcomes):.2f} s", "≤ 1.5 s"),
    ]
