"""A photo read for a job: the numbers of the pose that was photographed, or what is missing."""

import math
from dataclasses import replace

import cv2
import numpy as np
import pytest
from tests.conftest import demo_job
from tests.made import changed
from tests.phone import Scene, Shot, photo

from gantline.core.align.corners import READINGS, outside_from
from gantline.core.throw.pinhole import to_wall
from gantline.stations import plan
from gantline.stations.align.solve import aim, panel_shares
from gantline.vision.markers import bits, markers, pattern, used_of
from gantline.vision.reading import reading, state_reading


@pytest.mark.parametrize("name", ["mill-loft", "parish-hall"])
def test_the_eight_numbers_are_those_of_the_pose_that_was_photographed(name: str) -> None:
    at = plan(demo_job(name)).ask
    there = at(aim)
    assert there is not None
    pose = replace(there.straight, yaw=math.radians(-0.4), roll=math.radians(0.2))
    lit, aspect = to_wall(pose, there.uv), there.straight.panel_aspect
    wide, high = np.ptp(there.view, axis=0)
    scene = Scene(
        width_mm=float(wide), height_mm=float(high), border_mm=70.0, lit=lit - there.view.mean(axis=0),
        panel=panel_shares(there, aspect), panel_aspect=aspect,
    )  # fmt: skip
    image = photo(
        scene, Shot(turn_deg=-18.0, tilt_deg=6.0, away_mm=1.25 * float(wide), bend=(-0.03, 0.0, 0.0, 0.0))
    )
    found = reading(at, cv2.imencode(".png", image)[1].tobytes())
    assert found.trouble == ""
    wanted = outside_from(lit, there.view)
    read = [found.outside[f"{key}_mm"] for key in READINGS]
    assert read == pytest.approx(wanted.tolist(), abs=2.0)
    assert (len(found.frame_px), len(found.picture_px), found.markers) == (4, 4, 12)


def test_without_a_lens_a_photo_says_what_is_missing() -> None:
    content = cv2.imencode(".png", np.zeros((1500, 2000), dtype=np.uint8))[1].tobytes()
    lost = reading(plan(changed("mill-loft", throw__lens_from_wall_mm=None)).ask, content)
    assert "Enter the throw ratio" in lost.trouble
    dark = reading(plan(demo_job("mill-loft")).ask, content)
    assert (dark.trouble[:22], dark.outside, dark.width_px) == ("The photo is too dark:", {}, 2000)


@pytest.mark.parametrize("used", [(1.0, 1.0), (1.0, 0.744), (0.75, 1.0)])
def test_markers_lie_in_the_picture_with_white_about_them_on_whole_pixels(used: tuple[float, float]) -> None:
    made = markers(16 / 9, used)
    assert len({one.number for one in made}) == 12
    shown = pattern(1920, 16 / 9, used)
    for one in made:
        (u, v), _, (far_u, far_v), _ = one.corners
        assert 0.5 - used[0] / 2 < u < far_u < 0.5 + used[0] / 2
        assert 0.5 - used[1] / 2 < v < far_v < 0.5 + used[1] / 2
        left, top = round(u * 1920), round(v * 1080)
        assert shown[top - 4, left - 4] == 255
        assert shown[top + 4, left + 4] == 0
        cells = bits(one.number)
        assert not any(cells[0]) and not any(row[0] for row in cells)
    square = np.array(
        [(0.5 - used[0] / 2, 0.5 - used[1] / 2), (0.5 + used[0] / 2, 0), (0, 0), (0, 0.5 + used[1] / 2)]
    )
    assert used_of(square) == pytest.approx(used)


def lit_photo(turn_deg: float, yaw_deg: float = -0.4) -> bytes:
    there = plan(demo_job("mill-loft")).ask(aim)
    assert there is not None
    lit, aspect = (
        to_wall(replace(there.straight, yaw=math.radians(yaw_deg)), there.uv),
        there.straight.panel_aspect,
    )
    wide, high = np.ptp(there.view, axis=0)
    scene = Scene(
        width_mm=float(wide), height_mm=float(high), border_mm=70.0, lit=lit - there.view.mean(axis=0),
        panel=panel_shares(there, aspect), panel_aspect=aspect,
    )  # fmt: skip
    return cv2.imencode(".png", photo(scene, Shot(turn_deg=turn_deg, away_mm=1.25 * float(wide))))[
        1
    ].tobytes()


def test_photos_of_one_state_are_one_reading_and_another_state_is_none() -> None:
    at = plan(demo_job("mill-loft")).ask
    there = at(aim)
    assert there is not None
    wanted = outside_from(to_wall(replace(there.straight, yaw=math.radians(-0.4)), there.uv), there.view)
    left, right, moved = lit_photo(-18.0), lit_photo(15.0), lit_photo(5.0, yaw_deg=0.4)
    alone = reading(at, left)
    both = state_reading(at, [(left, None), (right, None)])
    assert (both.trouble, both.photos) == ("", 2)
    assert [both.outside[f"{key}_mm"] for key in READINGS] == pytest.approx(wanted.tolist(), abs=1.5)
    assert both.sigma_mm < max(alone.sigma_mm, 0.1) * 1.5
    differs = state_reading(at, [(left, None), (moved, None)])
    assert (differs.outside, differs.trouble[:23]) == ({}, "The photos differ by up")
    named = state_reading(at, [(left, None), (moved, None), (right, None)])
    assert named.trouble.startswith("Photo 2 differs from the others by up to")
    dark = cv2.imencode(".png", np.zeros((1500, 2000), dtype=np.uint8))[1].tobytes()
    assert state_reading(at, [(left, None), (dark, None)]).trouble.startswith(
        "Photo 2: The photo is too dark"
    )
    lost = state_reading(plan(changed("mill-loft", throw__lens_from_wall_mm=None)).ask, [(left, None)])
    assert "Enter the throw ratio" in lost.trouble
