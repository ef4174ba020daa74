"""A made-up photo read: the picture's corners to a fraction of a millimeter, or why it is not trusted. The phone shares nothing with its reader."""

import math
from dataclasses import replace
from typing import Any

import cv2
import numpy as np
import pytest
from tests.phone import Scene, Shot, photo

from gantline.core.throw.pinhole import Pose, panel_corners, to_wall
from gantline.vision.files import read_gray
from gantline.vision.markers import Array, Image
from gantline.vision.photo import answers, decided, guessed_px, read_photo
from gantline.vision.untrusted import Untrusted

WIDE, HIGH, PANEL = 2500.0, 1406.25, 16 / 9
FRAME = np.array([(-1.0, 1.0), (1.0, 1.0), (1.0, -1.0), (-1.0, -1.0)]) * np.array([WIDE, HIGH]) / 2.0
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


NEAR: dict[str, Any] = {"width_px": 2800, "height_px": 2100, "away_mm": 3000.0}


def screen(corners: Array | None = None, **more: Any) -> Scene:
    where = lit() if corners is None else corners
    own = {"border_mm": 70.0} | more
    return Scene(width_mm=WIDE, height_mm=HIGH, lit=where, panel=CORNERS, panel_aspect=PANEL, **own)


def seen(shot: Shot, corners: Array | None = None) -> Image:
    return photo(screen(corners), shot)


def read(image: Image, **more: Any) -> Array:
    return read_photo(
        image, width_mm=WIDE, height_mm=HIGH, panel=CORNERS, panel_aspect=PANEL, **more
    ).corners_mm


@pytest.mark.parametrize(
    "shot",
    [
        Shot(
            turn_deg=-33.0,
            tilt_deg=12.0,
            bend=(0.03, -0.01, 4e-4, -4e-4),
            blur_px=1.4,
            off=(0.006, -0.005),
            **NEAR,
        ),
        Shot(
            turn_deg=20.0, tilt_deg=-14.0, roll_deg=5.0, noise=0.03, glare=(1200.0, 680.0, 70.0, 0.5), **NEAR
        ),
        Shot(turn_deg=-8.0, room=0.03, white=0.5, heads=((-1250.0, 300.0, -600.0),), turned=8, **NEAR),
    ],
)
def test_from_any_side_through_any_phone_the_corners_come_out_within_a_millimeter(shot: Shot) -> None:
    assert np.abs(read(seen(shot)) - lit()).max() < 1.0


@pytest.mark.parametrize(
    ("out", "velvet"), [(0.5, 0.03), (2.0, 0.003), (6.0, 0.03), (20.0, 0.003), (40.0, 0.03)]
)
def test_what_spills_onto_the_border_is_read_as_such(out: float, velvet: float) -> None:
    """A border that shines in the picture's own light is no fabric: each corner is read as far outside as it is."""
    corners = FRAME * (1.0 + 2.0 * out / np.array([WIDE, HIGH]))
    image = photo(screen(corners, velvet=velvet), Shot(turn_deg=15.0, **NEAR))
    assert np.abs(read(image) - corners).max() < 0.7


def test_unlit_fabric_in_a_dark_room_is_no_border_and_a_gray_one_is_read_or_refused() -> None:
    inside = FRAME * 0.97
    with pytest.raises(Untrusted, match="too dark: outside the picture"):
        read(photo(screen(inside), Shot(room=0.003, **NEAR)))
    gray = photo(screen(inside, velvet=0.25), Shot(turn_deg=10.0, **NEAR))
    try:
        assert np.abs(read(gray) - inside).max() < 1.0
    except Untrusted as error:
        assert "border" in str(error)


def test_a_gray_border_on_a_dark_wall_is_told_from_fabric_by_the_frames_shape_or_both_answers_are_said() -> (
    None
):
    """Right and bottom are lit to their edge, and what lies beyond may be fabric in shade: the outer edge of the border is no
    answer, for a frame as wide as that would be of another shape."""
    half = np.array([WIDE, HIGH]) / 2.0
    corners = np.array([(-half[0] + 20.0, half[1] - 15.0), (half[0] - 0.5, half[1] - 15.0), (half[0] - 0.5, 0.5 - half[1]), (20.0 - half[0], 0.5 - half[1])])  # fmt: skip
    gray = screen(corners, velvet=0.28, wall=0.03)
    for turn in (24.0, -9.0):
        image = photo(gray, Shot(turn_deg=turn, tilt_deg=6.0, **NEAR))
        possible = answers(image, width_mm=WIDE, height_mm=HIGH, panel=CORNERS, panel_aspect=PANEL)
        assert len(possible) > 1
        assert np.abs(possible[0].corners_mm - corners).max() < 1.0
        assert max(np.abs(other.corners_mm - corners).max() for other in possible) > 30.0
        if decided(possible):
            assert np.abs(read(image) - corners).max() < 1.0
        else:
            with pytest.raises(Untrusted, match="Two answers are possible"):
                read(image)


@pytest.mark.parametrize("turn", [-30.0, 12.0, 33.0])
def test_a_border_before_the_fabric_hides_some_of_it_and_that_is_taken_back(turn: float) -> None:
    image = photo(screen(proud_mm=10.0), Shot(turn_deg=turn, tilt_deg=8.0, **NEAR))
    assert np.abs(read(image, proud_mm=10.0) - lit()).max() < 1.0


def test_corners_moved_by_hand_take_the_place_of_those_found_and_a_refused_photo_offers_where_to_begin() -> (
    None
):
    image = seen(Shot(**NEAR))
    found = read_photo(image, width_mm=WIDE, height_mm=HIGH, panel=CORNERS, panel_aspect=PANEL)
    again = read(image, frame_px=found.frame_px)
    assert np.abs(again - found.corners_mm).max() < 0.1
    moved = read(image, frame_px=found.frame_px + np.array([(20.0, 0.0)] + [(0.0, 0.0)] * 3))
    assert abs(moved - found.corners_mm)[0].max() > 5.0
    dark = photo(screen(), Shot(room=0.001, **NEAR))
    guess = guessed_px(dark, panel=CORNERS, panel_aspect=PANEL)
    assert guess is not None and np.abs(guess - found.picture_px).max() < 1.0


@pytest.mark.parametrize(
    ("image", "why"),
    [
        (seen(Shot(white=0.003, **NEAR)), "too dark"),
        (seen(Shot(white=2.5, **NEAR)), "too bright for the phone"),
        (seen(Shot(**NEAR | {"away_mm": 1900.0})), "out of the photo|ends before|not seen"),
        (seen(Shot(defocus_px=16.0, **NEAR)), "not seen|not sharp"),
        (seen(Shot(**NEAR | {"away_mm": 5200.0})), "too small in the photo"),
        (seen(Shot(width_px=1600, height_px=1200)), "too few pixels"),
        (photo(screen(border_mm=0.0, wall=0.85), Shot(**NEAR)), "does not stand out|too light|not seen"),
        # a picture of 2.39 on the same panel, which another job casts
        (photo(replace(screen(), panel=CORNERS * [1.0, 0.744] + [0.0, 0.128]), Shot(**NEAR)), "another job"),
    ],
)
def test_a_photo_that_cannot_be_trusted_is_refused_with_the_true_reason(image: Image, why: str) -> None:
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
