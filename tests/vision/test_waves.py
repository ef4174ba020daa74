"""Photos of made-up waves in light along the face: each is proposed where it lies, and a flat sheet has none."""

import math

import cv2
import numpy as np
import pytest
from numpy.typing import NDArray

from gantline.vision.untrusted import Untrusted
from gantline.vision.waves import Wave, waves

WIDE, HIGH, PX = 2214.0, 1245.0, 2.0
CORNERS = np.array([(310.0, 250.0), (2020.0, 120.0), (2080.0, 1390.0), (240.0, 1210.0)])
Line = tuple[tuple[float, float], tuple[float, float]]  # [mm], y up


def taken(lines: list[tuple[Line, float]], seed: int = 1, weave: float = 0.0) -> NDArray[np.uint8]:
    """A photo of the sheet: each wave a ridge of so many millimeters and 45 wide, lit by a lamp 8° above the face from the left,
    brighter near it; seen from one side, grainy. Shares nothing with what reads it: the light follows from the slope."""
    x, y = np.meshgrid(np.arange(0.0, WIDE, PX), HIGH - np.arange(0.0, HIGH, PX))
    up = np.zeros_like(x)
    for ((ax, ay), (bx, by)), high in lines:
        long = math.hypot(bx - ax, by - ay)
        along = ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / long
        off = ((x - ax) * (ay - by) + (y - ay) * (bx - ax)) / long
        ends = np.clip(np.minimum(along, long - along) / 80.0, 0.0, 1.0)
        up += high * np.exp(-((off / 45.0) ** 2) * 2.0) * ends
    slope_y, slope_x = np.gradient(up, -PX, PX)
    lamp = np.array(
        [-math.cos(math.radians(8.0)) * 0.94, math.cos(math.radians(8.0)) * 0.34, math.sin(math.radians(8.0))]
    )
    facing = (-slope_x * lamp[0] - slope_y * lamp[1] + lamp[2]) / np.sqrt(1.0 + slope_x**2 + slope_y**2)
    light = np.clip(facing, 0.0, None) / lamp[2] * (1.25 - 0.6 * x / WIDE)
    light += weave * np.sin(2.0 * math.pi * x / 5.0)
    sheet = np.clip(light * 110.0, 0.0, 255.0).astype(np.float32)
    high, wide = sheet.shape
    square = np.array([(0, 0), (wide, 0), (wide, high), (0, high)], dtype=np.float32)
    onto = cv2.getPerspectiveTransform(square, CORNERS.astype(np.float32))
    photo = cv2.warpPerspective(sheet, onto, (2300, 1500), flags=cv2.INTER_AREA, borderValue=30.0)
    photo = photo + np.random.default_rng(seed).normal(0.0, 2.5, photo.shape)
    packed = cv2.imencode(".jpg", np.clip(photo, 0, 255).astype(np.uint8), [cv2.IMWRITE_JPEG_QUALITY, 85])[1]
    return np.asarray(cv2.imdecode(packed, cv2.IMREAD_GRAYSCALE), dtype=np.uint8)


def told(image: NDArray[np.uint8]) -> tuple[Wave, ...]:
    return waves(image, CORNERS, WIDE, HIGH)


def off(wave: Wave, line: Line) -> tuple[float, float]:
    """How far a wave's middle lies from a line [mm], and how far it is turned [deg]."""
    (ax, ay), (bx, by) = line
    middle = np.mean([wave.from_mm, wave.to_mm], axis=0)
    away = abs((middle[0] - ax) * (ay - by) + (middle[1] - ay) * (bx - ax)) / math.hypot(bx - ax, by - ay)
    turned = math.atan2(by - ay, bx - ax) - math.atan2(
        wave.to_mm[1] - wave.from_mm[1], wave.to_mm[0] - wave.from_mm[0]
    )
    return float(away), math.degrees(min(turned % math.pi, -turned % math.pi))


RAY: Line = ((150.0, 1100.0), (700.0, 600.0))
UPRIGHT: Line = ((1500.0, 150.0), (1540.0, 1050.0))
LEANING: Line = ((1000.0, 200.0), (1250.0, 800.0))


@pytest.mark.parametrize("seed", range(3))
def test_waves_are_proposed_within_a_hand_of_where_they_lie_and_the_deeper_one_leads(seed: int) -> None:
    seen = told(taken([(RAY, 0.8), (UPRIGHT, 2.0), (LEANING, 0.5)], seed))
    for line in (RAY, UPRIGHT, LEANING):
        assert any(away < 80.0 and turned < 10.0 for away, turned in (off(wave, line) for wave in seen)), line
    assert off(seen[0], UPRIGHT)[0] < 80.0
    assert seen[0].bad == 3
    assert len(seen) == 3  # both flanks of a wave are one


def test_a_flat_sheet_in_uneven_light_has_none_whatever_its_weave() -> None:
    assert told(taken([])) == ()
    assert told(taken([], weave=0.05)) == ()


def test_corners_that_span_no_frame_are_refused_by_name() -> None:
    image = taken([])
    for corners in (CORNERS[[0, 2, 1, 3]], CORNERS[::-1], CORNERS / 20.0):
        with pytest.raises(Untrusted, match="span no frame"):
            waves(image, corners, WIDE, HIGH)
