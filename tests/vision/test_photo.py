"""A made-up photo read: the picture's corners to a fraction of a millimeter, or why it is not trusted."""

import math
from dataclasses import replace

import cv2
import numpy as np
import pytest

from gantline.core.throw.pinhole import Pose, panel_corners, to_wall
from gantline.vision.camera import Scene, Shot, photo
from gantline.vision.markers import Array, Image
from gantline.vision.photo import Untrusted, read_gray, read_photo

WIDE, HIGH, PANEL = 2500.0, 1406.25, 16 / 9
CORNERS: Array = np.array([(0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)])


def lit(yaw: float = 0.8, pitch: float = -0.5, roll: float = 0.3) -> Array:
    rise = 0.4 * HIGH
    straight = Pose(
        lens_x_mm=0,
        lens_y_mm=rise,
        distance_mm=1.6 * WIDE,
        ratio=1.6,
        panel_aspect=PANEL,
        shift_v=-rise / HIGH,
    )
    turned = replace(straight, yaw=math.radians(yaw), pitch=math.radians(pitch), roll=math.radians(roll))
    return to_wall(turned, panel_corners(PANEL)[[3, 2, 1, 0]])


def seen(shot: Shot, corners: Array | None = None) -> Image:
    where = lit() if corners is None else corners
    return photo(
        Scene(width_mm=WIDE, height_mm=HIGH, border_mm=70, lit=where, panel=CORNERS, panel_aspect=PANEL), shot
    )


def read(image: Image, **more: Array) -> Array:
    return read_photo(
        image, width_mm=WIDE, height_mm=HIGH, panel=CORNERS, panel_aspect=PANEL, **more
    ).corners_mm


@pytest.mark.parametrize(
    "shot",
    [
        Shot(turn_deg=-33.0, tilt_deg=12.0, bend=0.05, blur_px=1.5),
        Shot(turn_deg=20.0, tilt_deg=-14.0, roll_deg=5.0, bend=-0.06, noise=5.0, glare=0.5, glare_at=1),
        Shot(width_px=2400, height_px=1800, room=0.1),
    ],
)
def test_from_any_side_through_any_phone_the_corners_come_out_within_two_millimeters(shot: Shot) -> None:
    assert np.abs(read(seen(shot)) - lit()).max() < 2.0


def test_corners_moved_by_hand_take_the_place_of_those_found() -> None:
    image = seen(Shot())
    found = read_photo(image, width_mm=WIDE, height_mm=HIGH, panel=CORNERS, panel_aspect=PANEL)
    again = read(image, frame_px=found.frame_px)
    assert np.abs(again - found.corners_mm).max() < 0.1
    moved = read(image, frame_px=found.frame_px + np.array([(20.0, 0.0)] + [(0.0, 0.0)] * 3))
    assert abs(moved - found.corners_mm)[0].max() > 5.0


@pytest.mark.parametrize(
    ("image", "why"),
    [
        (seen(Shot(width_px=1600, height_px=1200)) // 8, "too dark"),
        (seen(Shot(width_px=1600, height_px=1200, away_mm=2000.0)), "not seen|out of the picture"),
        (seen(Shot(width_px=1600, height_px=1200, blur_px=14.0)), "not seen"),
    ],
)
def test_a_photo_that_cannot_be_trusted_is_refused_with_the_reason(image: Image, why: str) -> None:
    with pytest.raises(Untrusted, match=why):
        read(image)


def test_only_whole_photos_of_known_formats_are_taken() -> None:
    made = cv2.imencode(".png", seen(Shot(width_px=1600, height_px=1200)))[1].tobytes()
    assert read_gray(made, most=2**24).shape == (1200, 1600)
    for content, why in (
        (made[: len(made) // 3], "broken"),
        (b"GIF89a", "JPEG or a PNG"),
        (made, "larger than"),
    ):
        with pytest.raises(Untrusted, match=why):
            read_gray(content, most=1000 if why == "larger than" else 2**24)


def test_a_small_file_that_would_unpack_to_gigabytes_is_refused_before_it_does() -> None:
    image = np.zeros((9000, 10_000), dtype=np.uint8)
    for ending in (".png", ".jpg"):
        made = cv2.imencode(ending, image)[1].tobytes()
        assert len(made) < 2**21
        with pytest.raises(Untrusted, match="more pixels than are read"):
            read_gray(made, most=2**24)
