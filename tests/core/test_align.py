"""Corner readings to a pose and to moves: closed both ways, against the first-order rules, and with a slip in them."""

import math
import random
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.align.cast import cast_marks, ellipse, homography, wider
from gantline.core.align.cast_judge import About, Judged, judged
from gantline.core.align.corners import OUTWARD, READINGS, corners_from, outside_from, viewable_corners
from gantline.core.align.finish import blanking, focus_depth_mm, memories, out_of_focus_mm
from gantline.core.align.moves import Hands, moves, replayed, worst_mm
from gantline.core.align.solve import LEAN, Freedom, freedom, leans, solve, suspects
from gantline.core.errors import OutOfRange
from gantline.core.hang.read import Limits, Read, level_of_deg, turns_of, verdicts
from gantline.core.throw.pinhole import Array, Pose, panel_corners, to_wall

UV = panel_corners(16 / 9)[[3, 2, 1, 0]]
HANDS = Hands(
    rear_mm=350, across_mm=300, along_mm=250, foot_turn_mm=1.25, step_mm=0.5, foot_step=0.25,
    zoom_step=0.001, shift_step=0.001, place_step_mm=0.5,
)  # fmt: skip
WIDE, HIGH = 2400.0, 1350.0


def straight(cabinet: bool) -> Pose:
    ratio, rise = (0.25, -HIGH * 0.62) if cabinet else (1.6, HIGH * 0.4)
    return Pose(
        lens_x_mm=0,
        lens_y_mm=rise,
        distance_mm=ratio * WIDE,
        ratio=ratio,
        panel_aspect=16 / 9,
        shift_v=-rise / HIGH,
    )


def free(cabinet: bool, start: Pose, *, held: bool = True) -> Freedom:
    priors = {"turn_deg": 2.0, "ratio_share": 0.05, "shift_share": 0.05, "place_mm": 20.0}
    return freedom(
        zoom=not cabinet,
        shift_h=not cabinet,
        shift_v=not cabinet,
        ratio=start.ratio,
        **(priors if held else dict.fromkeys(priors)),
    )


def astray(start: Pose, cabinet: bool, by: list[float]) -> Pose:
    turned = replace(start, yaw=math.radians(by[0]), pitch=math.radians(by[1]), roll=math.radians(by[2]))
    if cabinet:
        return replace(
            turned,
            distance_mm=start.distance_mm * (1 + by[3]),
            lens_x_mm=by[4] * start.distance_mm,
            lens_y_mm=start.lens_y_mm + by[5] * start.distance_mm,
        )
    return replace(turned, ratio=start.ratio * (1 + by[3]), shift_h=by[4], shift_v=start.shift_v + by[5])


turns = st.floats(-3, 3)
shares = st.floats(-0.05, 0.05)
PLACES = st.tuples(turns, turns, turns, shares, shares, shares).map(list)


@given(PLACES, st.booleans())
def test_the_pose_behind_clean_readings_puts_the_corners_where_they_were_read(
    by: list[float], cabinet: bool
) -> None:
    start = straight(cabinet)
    read = to_wall(astray(start, cabinet, by), UV)
    loose = solve(start, UV, read, free=free(cabinet, start, held=False), sigma_mm=1.0)
    assert np.abs(to_wall(loose.pose, UV) - read).max() < 0.01
    held = solve(start, UV, read, free=free(cabinet, start), sigma_mm=1.0)
    assert np.abs(to_wall(held.pose, UV) - read).max() < 0.3


def test_a_small_turn_is_what_the_first_order_rule_says() -> None:
    # yaw makes the side edges unequal: psi = (Z / W) (h_right - h_left) / H
    start = straight(cabinet=False)
    read = to_wall(replace(start, yaw=math.radians(0.5)), UV)
    tl, tr, br, bl = read
    rule = start.distance_mm / WIDE * ((tr - br)[1] - (tl - bl)[1]) / HIGH
    found = solve(start, UV, read, free=free(False, start), sigma_mm=1.0)
    assert found.pose.yaw == pytest.approx(math.radians(0.5), rel=0.05)
    assert rule == pytest.approx(math.radians(0.5), rel=0.05)
    assert math.degrees(found.sigma["yaw"]) == pytest.approx(
        0.12, abs=0.04
    )  # about 0.1° a millimeter at such a throw


@pytest.mark.parametrize("cabinet", [False, True])
def test_moves_as_a_hand_makes_them_bring_the_picture_home_in_three_rounds(cabinet: bool) -> None:
    rng, home = random.Random(5), 0
    start = straight(cabinet)
    target = to_wall(start, UV)
    for _ in range(40):
        now = astray(
            start,
            cabinet,
            [rng.uniform(-3, 3) for _ in range(3)] + [rng.uniform(-0.05, 0.05) for _ in range(3)],
        )
        for _ in range(3):
            noise: Array = np.array([[rng.gauss(0, 1), rng.gauss(0, 1)] for _ in range(4)])
            found = solve(start, UV, to_wall(now, UV) + noise, free=free(cabinet, start), sigma_mm=1.0)
            made = moves(found.pose, start, UV, target, free=free(cabinet, start), hands=HANDS)
            now = [now, *replayed(now, made, HANDS)][-1]
        home += worst_mm(now, UV, target) <= (8.0 if cabinet else 3.0)
    assert home >= (36 if cabinet else 38)


@given(PLACES, st.booleans(), st.sampled_from(READINGS), st.sampled_from([-25.0, 25.0]))
def test_a_reading_that_slipped_is_among_those_named_and_clean_ones_name_none(
    by: list[float], cabinet: bool, slipped: str, size: float
) -> None:
    start = straight(cabinet)
    read = to_wall(astray(start, cabinet, by), UV)
    clean = solve(start, UV, read, free=free(cabinet, start), sigma_mm=1.0)
    assert suspects(clean, alarm=9.21, settled=9.21) == ()
    read.reshape(-1)[READINGS.index(slipped)] += size
    found = solve(start, UV, read, free=free(cabinet, start), sigma_mm=1.0)
    assert slipped in suspects(found, alarm=9.21, settled=9.21)


def test_readings_are_outside_the_viewable_area_and_missing_ones_are_left_out() -> None:
    view = viewable_corners(WIDE, HIGH)
    outside = [3.0, -2.0, None, 0.0, 1.0, 1.0, 2.0, 4.0]
    read = corners_from(outside, view)
    assert read[0].tolist() == [-WIDE / 2 - 3.0, HIGH / 2 - 2.0]
    assert np.isnan(read[1, 0])
    assert outside_from(view + OUTWARD * 5.0, view).tolist() == [5.0] * 8
    start = straight(cabinet=False)
    partly = solve(start, UV, read, free=free(False, start), sigma_mm=1.0)
    assert np.isnan(partly.residual_mm[2])
    with pytest.raises(OutOfRange, match="at least 6"):
        solve(start, UV, read * np.nan, free=free(False, start, held=False), sigma_mm=1.0)


def test_the_hung_screens_readings_ask_for_the_moves_worked_by_hand() -> None:
    limits = Limits(level_mm=1.2, center_mm=3.0, plumb_mm=2.0, wind_mm=3.0, margin_mm=5.0)
    read = Read(
        level_mm=3.0,
        gap_left_mm=30.0,
        gap_right_mm=42.0,
        plumb_left_mm=-4.0,
        crossing_mm=2.0,
        margin_top_mm=12.0,
        margin_bottom_mm=4.0,
    )
    found = {one.check: one for one in verdicts(read, limits, width_mm=2400.0, apart_mm=1600.0)}
    assert (found["level"].move_mm, found["level"].within) == (
        pytest.approx(-2.0),
        False,
    )  # 3 over 2400 is 2 over 1600
    assert (found["center"].off_mm, found["center"].move_mm) == (-6.0, 6.0)
    assert found["plumb-left"].move_mm == -4.0  # behind the top: it leans back
    assert found["wind"].within
    assert found["margin-down"].move_mm == 4.0
    assert level_of_deg(0.1, 2400.0) == pytest.approx(4.19, abs=0.01)
    assert [turns_of(mm, 1.5) for mm in (1.5, -3.1, 0.1)] == [1.0, -2.0, 0.0]


def test_a_mark_is_cast_where_a_turned_projector_lights_it_and_its_ellipse_holds_nine_in_ten() -> None:
    rng = np.random.default_rng(3)
    start = astray(straight(cabinet=False), False, [2.0, -1.5, 1.0, 0.02, 0.01, -0.02])
    uv: Array = np.array([(0.1, 0.12), (0.88, 0.1), (0.9, 0.9), (0.12, 0.88)])
    high = 1.0 / start.panel_aspect

    def lands(points: Array) -> Array:  # shares from the upper left to the panel's own points
        return to_wall(start, np.column_stack([points[:, 0] - 0.5, (0.5 - points[:, 1]) * high]))

    true, place = lands(uv), (-300.0, 420.0)
    (mark,) = cast_marks(uv, true, [place], sigma_mm=1.0)
    assert lands(np.array([(mark.u, mark.v)]))[0] == pytest.approx(place, abs=1e-6)
    assert mark.lit
    inside = 0
    for _ in range(1500):
        read = true + rng.normal(0.0, 1.0, true.shape)
        (one,) = cast_marks(uv, read, [place], sigma_mm=1.0)
        dx, dy = lands(np.array([(one.u, one.v)]))[0] - place
        along = dx * math.cos(one.angle) + dy * math.sin(one.angle)
        across = dy * math.cos(one.angle) - dx * math.sin(one.angle)
        inside += (along / one.long_mm) ** 2 + (across / one.short_mm) ** 2 <= 1.0
    assert inside / 1500 == pytest.approx(0.90, abs=0.03)
    (far,) = cast_marks(uv, true, [(4000.0, 0.0)], sigma_mm=1.0)
    assert (far.lit, wider([far]) > 1.0) == (False, True)
    ring = ellipse(mark, place, uv, true)
    radii = np.linalg.norm(lands(ring) - place, axis=1)
    assert (radii.max(), radii.min()) == pytest.approx((mark.long_mm, mark.short_mm), rel=0.02)
    with pytest.raises(OutOfRange, match="on a line"):
        homography(uv, np.array([(0.0, 0.0), (1.0, 0.0), (2.0, 0.0), (0.0, 1.0)]))


@given(PLACES, st.booleans(), st.floats(8, 20), st.sampled_from([-1, 1]))
def test_a_frame_out_of_square_is_told_from_a_turned_body(
    by: list[float], cabinet: bool, size: float, side: int
) -> None:
    start = straight(cabinet)
    picture = to_wall(astray(start, cabinet, by), UV)
    # the readings are from the corners of a frame that leans, and are taken for those of one that does not
    read = picture - side * size * LEAN.reshape(4, 2)
    found = solve(start, UV, read, free=free(cabinet, start), sigma_mm=1.0)
    assert leans(found, alarm=9.21, settled=9.21)
    assert found.lean_mm == pytest.approx(side * size, abs=0.05 * size + 0.3)
    assert found.lean_falls_by >= 0.9 * max(found.falls_by)
    # its diagonals read, the corners are those of the frame as it stands, and nothing is left to explain
    known = solve(start, UV, read + side * size * LEAN.reshape(4, 2), free=free(cabinet, start), sigma_mm=1.0)
    assert not leans(known, alarm=9.21, settled=9.21)


def test_blanking_leaves_no_gap_and_counts_what_an_edge_bows_in() -> None:
    # 3840 pixels over 2500 mm: 0.651 mm each; 5 mm over is 7 lines (4.56 mm), 0.5 mm over none, and a gap is no line
    over = {
        "tl_x": 5.0,
        "tl_y": 6.0,
        "tr_x": 0.5,
        "tr_y": 7.0,
        "br_x": 4.0,
        "br_y": -2.0,
        "bl_x": 9.0,
        "bl_y": 3.0,
    }
    found = blanking([over[name] for name in READINGS], pitch_mm=2500 / 3840, bow_mm={"top": -4.0})
    assert {side: one.lines for side, one in found.items()} == {"left": 7, "right": 0, "top": 3, "bottom": 0}
    assert found["top"].over_mm == pytest.approx(6.5 - 4.0)  # at its middle
    assert found["bottom"].over_mm == -2.0
    assert "left" not in blanking([None, *list(over.values())[1:]], pitch_mm=0.65)


def test_a_turned_body_is_sharp_at_the_center_and_not_in_its_corners() -> None:
    # a lens of 19.2 mm at f/2 opens 9.6 mm: its cone to 4 m is a pixel wide 0.651 x 4000 / 9.6 mm from its point
    deep = focus_depth_mm(pitch_mm=2500 / 3840, distance_mm=4000, ratio=1.6, panel_mm=12, f_number=2)
    assert deep == pytest.approx(271.3, abs=0.1)
    start = replace(straight(cabinet=False), lens_y_mm=0.0, shift_v=0.0)
    for yaw in (0.0, 1.0, -2.5):
        pose = replace(start, yaw=math.radians(yaw))
        corners, center = to_wall(pose, UV), to_wall(pose, np.zeros((1, 2)))
        off = out_of_focus_mm(pose, corners, center)
        # the axis leans by the turn: what lies to its side lies that much nearer or farther along it
        assert off == pytest.approx((corners[:, 0] - center[0, 0]) * math.sin(math.radians(yaw)))


def test_settings_no_hand_can_tell_apart_share_a_lens_memory() -> None:
    stops = [(1.6, 0.0, 0.12), (1.2, 0.0, 0.16), (1.6008, 0.0, 0.1205), (1.6, 0.002, 0.12)]
    assert memories(stops, zoom_step=0.001, shift_step=0.001) == (1, 2, 1, 3)


def test_of_four_cast_readings_the_one_that_slipped_is_named_and_two_that_were_swapped() -> None:
    """A pinhole of its own place, turn, zoom and shift casts them; the judge knows only about where it should stand."""
    rng = np.random.default_rng(4)
    known = Pose(
        lens_x_mm=2000, lens_y_mm=2100, distance_mm=3600, ratio=1.6, panel_aspect=16 / 9, shift_v=-0.35
    )
    about = About(turn=math.radians(2.0), ratio=0.05, shift=0.05, place_mm=20.0, reading_mm=1.5)
    cross = np.array([(-0.4, 0.225), (0.4, 0.225), (0.4, -0.225), (-0.4, -0.225)])
    named = swapped = wrongly = 0
    for _ in range(30):
        yaw, pitch, roll = rng.normal(0.0, math.radians(1.0), 3)
        stands = replace(
            known, yaw=yaw, pitch=pitch, roll=roll, ratio=1.6 * (1.0 + rng.normal(0.0, 0.03)), shift_h=rng.normal(0.0, 0.03),
            lens_x_mm=2000 + rng.normal(0.0, 15.0), distance_mm=3600 + rng.normal(0.0, 15.0),
        )  # fmt: skip
        uv = cross + rng.uniform(-0.06, 0.06, (4, 2))
        read = to_wall(stands, uv) + rng.normal(0.0, 1.0, (4, 2))
        wrongly += judged(known, uv, read, about, most=1.45) != Judged(
            misfit=judged(known, uv, read, about, most=1.45).misfit
        )
        off, turn = int(rng.integers(4)), rng.uniform(0.0, 2.0 * math.pi)
        slip = read.copy()
        slip[off] += 25.0 * np.array([math.cos(turn), math.sin(turn)])
        named += judged(known, uv, slip, about, most=1.45).slipped == off
        a, b = sorted(int(each) for each in rng.choice(4, 2, replace=False))
        other = read.copy()
        other[[a, b]] = read[[b, a]]
        swapped += judged(known, uv, other, about, most=1.45).swapped == (a, b)
    assert (swapped, wrongly) == (30, 0) and named >= 27
