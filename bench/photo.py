"""Made-up photos of a 2.5 m screen from up to 35° off, bent, blurred, noisy, with a lamp's glare on a corner: how well they are read."""

import math
import os
import random
import time
from dataclasses import replace
from statistics import median

import numpy as np

from gantline.core.throw.pinhole import Pose, panel_corners, to_wall
from gantline.vision.camera import Scene, Shot, photo
from gantline.vision.markers import Array
from gantline.vision.photo import Untrusted, read_photo

PHOTOS = int(os.environ.get("GANTLINE_PHOTOS", "300"))
WIDE, PANEL = 2500.0, 16 / 9
HIGH = WIDE / PANEL
CORNERS: Array = np.array([(0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)])


def taken(rng: random.Random, seed: int) -> tuple[Scene, Shot]:
    """A projector a degree astray at most, and a phone anywhere before the screen."""
    straight = Pose(
        lens_x_mm=0, lens_y_mm=0.4 * HIGH, distance_mm=1.6 * WIDE, ratio=1.6, panel_aspect=PANEL, shift_v=-0.4
    )
    yaw, pitch, roll = (math.radians(rng.uniform(-1.0, 1.0)) for _ in range(3))
    pose = replace(straight, yaw=yaw, pitch=pitch, roll=roll, ratio=1.6 * rng.uniform(0.97, 1.0))
    lit = to_wall(pose, panel_corners(PANEL)[[3, 2, 1, 0]])
    scene = Scene(
        width_mm=WIDE,
        height_mm=HIGH,
        border_mm=rng.uniform(50.0, 90.0),
        lit=lit,
        panel=CORNERS,
        panel_aspect=PANEL,
    )
    shot = Shot(
        turn_deg=rng.uniform(-35.0, 35.0),
        tilt_deg=rng.uniform(-15.0, 15.0),
        roll_deg=rng.uniform(-6.0, 6.0),
        away_mm=rng.uniform(3300.0, 4300.0),
        bend=rng.uniform(-0.06, 0.06),
        blur_px=rng.uniform(0.5, 1.5),
        noise=rng.uniform(1.0, 5.0),
        glare=rng.choice((0.0, 0.0, 0.5)),
        glare_at=rng.randrange(4),
        room=rng.uniform(0.08, 0.3),
        seed=seed,
    )
    return scene, shot


def rows() -> list[tuple[str, str, str]]:
    """Over all photos."""
    rng, off = random.Random(21), list[float]()
    took = list[float]()
    for number in range(PHOTOS):
        scene, shot = taken(rng, number)
        image = photo(scene, shot)
        began = time.perf_counter()
        try:
            found = read_photo(image, width_mm=WIDE, height_mm=HIGH, panel=CORNERS, panel_aspect=PANEL)
            off.append(float(np.abs(found.corners_mm - scene.lit).max()))
        except Untrusted:
            pass
        took.append(time.perf_counter() - began)
    good = sum(one <= 2.0 for one in off)
    return [
        (f"{PHOTOS} photos of 12 MP: accepted", f"{100 * len(off) / PHOTOS:.1f} %", "≥ 90 %"),
        (
            "of these, corners within 2 mm",
            f"{100 * good / len(off):.1f} %, median {median(off):.2f} mm",
            "≥ 95 %",
        ),
        ("the worst that was accepted", f"{max(off):.1f} mm", "≤ 5 mm"),
        ("one photo read", f"median {median(took):.2f} s, longest {max(took):.2f} s", "≤ 1.5 s"),
    ]
