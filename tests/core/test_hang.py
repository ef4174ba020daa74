"""The hung screen: each move, made as it is told, brings the next reading within tolerance."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.hang.picture import pictured
from gantline.core.hang.read import Limits, Read, level_of_deg, turns_of, verdicts

LIMITS = Limits(level_mm=1.2, center_mm=3.0, plumb_mm=2.0, wind_mm=3.0, margin_mm=5.0)
off = st.floats(-40, 40)
WIDE = st.floats(800, 4500)


@given(off, off, WIDE, st.floats(0.3, 0.9))
def test_the_right_bracket_moved_as_told_levels_the_rail(
    level: float, rise: float, wide: float, share: float
) -> None:
    read = Read(level_mm=level)
    (one,) = verdicts(read, LIMITS, width_mm=wide, apart_mm=share * wide)
    left_x, right_x = wide * (0.5 - share / 2.0), wide * (0.5 + share / 2.0)
    heights = [rise + level * x / wide for x in (left_x, right_x)]  # of the rail over its brackets
    moved = (heights[0], heights[1] + one.move_mm)
    slope = (moved[1] - moved[0]) / (right_x - left_x)
    assert slope * wide == pytest.approx(0.0, abs=1e-6)
    assert one.within == (abs(level) <= 1.2 + 1e-9)


@given(st.floats(0, 500), st.floats(0, 500))
def test_the_frame_slid_as_told_stands_in_the_middle(left: float, right: float) -> None:
    read = Read(gap_left_mm=left, gap_right_mm=right)
    (one,) = verdicts(read, LIMITS, width_mm=2000, apart_mm=1400)
    after = replace(read, gap_left_mm=left + one.move_mm, gap_right_mm=right - one.move_mm)
    (again,) = verdicts(after, LIMITS, width_mm=2000, apart_mm=1400)
    assert again.off_mm == pytest.approx(0.0, abs=1e-9)
    assert again.within


@given(off, off, off)
def test_shims_as_told_make_it_plumb_and_take_the_wind_out(
    left: float, right: float, crossing: float
) -> None:
    read = Read(plumb_left_mm=left, plumb_right_mm=right, crossing_mm=crossing)
    found = {one.check: one for one in verdicts(read, LIMITS, width_mm=2000, apart_mm=1400)}
    # what leans in by so much stands plumb once its bottom is brought out by that
    assert left - found["plumb-left"].move_mm == 0.0
    assert right - found["plumb-right"].move_mm == 0.0
    # four corners off one plane: wind = (TL + BR - TR - BL) / 2; lower left out by the move
    corners = {"tl": crossing, "br": crossing, "tr": 0.0, "bl": 0.0}
    wind = (corners["tl"] + corners["br"] - corners["tr"] - corners["bl"]) / 2.0
    assert wind == pytest.approx(crossing)
    corners["bl"] += found["wind"].move_mm
    assert (corners["tl"] + corners["br"] - corners["tr"] - corners["bl"]) / 2.0 == pytest.approx(
        0.0, abs=1e-9
    )


@given(st.floats(0, 80), st.floats(0, 80), st.floats(0, 80), st.floats(0, 80))
def test_the_fabric_brought_over_as_told_has_even_margins(a: float, b: float, c: float, d: float) -> None:
    read = Read(margin_left_mm=a, margin_right_mm=b, margin_top_mm=c, margin_bottom_mm=d)
    found = {one.check: one for one in verdicts(read, LIMITS, width_mm=2000, apart_mm=1400)}
    across, down = found["margin-across"].move_mm, found["margin-down"].move_mm
    assert (a + across) - (b - across) == pytest.approx(0.0, abs=1e-9)  # + is to the right
    assert (c - down) - (d + down) == pytest.approx(0.0, abs=1e-9)  # + is up


def test_nothing_is_said_of_what_was_not_read_and_only_one_gap_says_nothing() -> None:
    assert verdicts(Read(gap_left_mm=3.0, margin_top_mm=1.0), LIMITS, width_mm=2000, apart_mm=1400) == ()
    order = [
        one.check
        for one in verdicts(
            Read(crossing_mm=9, level_mm=9, gap_left_mm=0, gap_right_mm=9, plumb_left_mm=9),
            LIMITS,
            width_mm=2000,
            apart_mm=1400,
        )
    ]
    assert order == ["level", "center", "plumb-left", "wind"]  # what moves the rest comes first
    with pytest.raises(OutOfRange):
        verdicts(Read(level_mm=1), LIMITS, width_mm=0, apart_mm=1)


@given(st.floats(-2, 2), WIDE)
def test_a_digital_levels_degrees_are_a_height_over_the_width(deg: float, wide: float) -> None:
    assert math.degrees(math.atan2(level_of_deg(deg, wide), wide)) == pytest.approx(deg, abs=1e-9)


@given(st.floats(-30, 30), st.floats(0.5, 5))
def test_turns_of_a_turnbuckle_come_within_an_eighth_of_a_turn(move: float, each: float) -> None:
    turns = turns_of(move, each)
    assert abs(turns * each - move) <= each / 8 + 1e-9
    assert (turns * 4).is_integer()


@given(off, off, st.floats(-0.02, 0.02), WIDE)
def test_a_picture_moved_and_turned_is_read_back_by_its_corners(
    aside: float, up: float, turn: float, wide: float
) -> None:
    high = wide * 9 / 16
    half = [(-wide / 2, high / 2), (wide / 2, high / 2), (wide / 2, -high / 2), (-wide / 2, -high / 2)]
    cos, sin = math.cos(turn), math.sin(turn)
    corners = [(3000 + aside + x * cos - y * sin, 1500 + up + x * sin + y * cos) for x, y in half]
    found = pictured(corners, width_mm=wide, height_mm=high)
    assert found.center_mm == pytest.approx((3000 + aside, 1500 + up))
    assert found.tilt_mm == pytest.approx(wide * sin)
    assert found.width_mm == pytest.approx(wide * cos)
    # every corner of a turned rectangle swings as far: its half diagonal times twice the sine of half the turn
    assert found.farthest[1] == pytest.approx(
        2 * math.sin(abs(turn) / 2) * math.hypot(wide, high) / 2, abs=1e-6
    )
    with pytest.raises(OutOfRange, match="in the order top left"):
        pictured([corners[1], corners[0], *corners[2:]], width_mm=wide, height_mm=high)
