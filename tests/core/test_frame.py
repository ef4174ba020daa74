"""Frames against numbers worked elsewhere: pieces, bow, mass, splices, squareness, blank, tape, backlight."""

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.fabric.blank import Wrap, blank_side_mm, metres_to_order, on_roll, turned_size_mm
from gantline.core.frame.boards import DRESSED, Lies, section, sold_length
from gantline.core.frame.pieces import Joint, even_places, frame_pieces, joinery, spliced, too_long_mm
from gantline.core.frame.square import NAMES, SixReadings, check_square, pushes
from gantline.core.frame.stiffness import center_of_mass_mm, fewest_braces, sag_mm, sag_rows, wood_kg
from gantline.core.frame.straight import Board, sighted
from gantline.core.free_floor import free_place
from gantline.core.materials import Bought, Need, line_of, merged
from gantline.core.trim.backlight import backlight, half_run, most_watts_per_m
from gantline.core.trim.tape import Corner, rolls_for, tape_pieces
from gantline.core.units import LengthStyle, Units

FLAT_1X4 = section(*DRESSED["1x4"], Lies.FLAT)


@pytest.mark.parametrize(
    ("joint", "rail", "stile"),
    [(Joint.BUTT_RAILS, 3000.0, 1322.0), (Joint.BUTT_STILES, 2822.0, 1500.0), (Joint.MITER, 3000.0, 1500.0)],
)
def test_pieces_are_as_long_as_the_joint_leaves_them(joint: Joint, rail: float, stile: float) -> None:
    found = frame_pieces(
        width_mm=3000, height_mm=1500, board_mm=89, joint=joint, braces_at_mm=even_places(3000, 2)
    )
    assert [one.letter for one in found] == list("ABCDEF")
    assert [one.length_mm for one in found] == [rail, rail, stile, stile, 1322.0, 1322.0]
    assert [one.left_mm + 44.5 for one in found[4:]] == [1000.0, 2000.0]
    made = joinery(2, screws_an_end=2, screws_a_plate=8)
    assert (made.board_ends, made.screws, made.corner_plates, made.brace_plates) == (8, 16, 4, 4)
    with pytest.raises(OutOfRange, match="lies on a stile"):
        frame_pieces(width_mm=3000, height_mm=1500, board_mm=89, joint=joint, braces_at_mm=(60.0,))


def test_a_board_is_called_by_its_feet_where_the_job_counts_in_inches() -> None:
    inches, metric = Units(LengthStyle.INCH_FRACTIONS, 16), Units(LengthStyle.MILLIMETERS, 16)
    # 8 ft are 2438.4 mm, 12 ft 3657.6; boards run a few millimeters over
    assert [sold_length(long, inches) for long in (2440.0, 3660.0)] == ["8\u00a0ft", "12\u00a0ft"]
    assert (sold_length(2500.0, inches), sold_length(2440.0, metric)) == ("98\u00a07⁄16″", "2440\u00a0mm")


def test_the_bow_of_a_rail_is_that_of_the_beam_tables() -> None:
    # 60 N/m on 19 × 89 softwood: 3.6 mm over 2.6 m, 0.22 mm with one brace
    assert sag_mm(60, 2600, 9, FLAT_1X4.inertia_mm4) == pytest.approx(3.55, abs=0.05)
    assert sag_mm(60, 1300, 9, FLAT_1X4.inertia_mm4) == pytest.approx(0.222, abs=0.002)
    rows = sag_rows(2600, 60, 9, FLAT_1X4.inertia_mm4)
    assert fewest_braces(rows, 1.5, 2600, 2000) == 1
    assert fewest_braces(sag_rows(1900, 60, 9, FLAT_1X4.inertia_mm4), 1.5, 1900, 2000) == 0
    # the stile of a 165 in 16:10 edgeless: 2225 mm of 1×4 sags 1.9 mm
    assert sag_mm(60, 2222, 9, FLAT_1X4.inertia_mm4) == pytest.approx(1.9, abs=0.05)
    # numerically: the beam equation integrated twice from its bending moment
    x = np.linspace(0.0, 2600.0, 4001)
    moment = 0.06 * x * (2600.0 - x) / 2.0
    slope = np.concatenate([[0.0], np.cumsum((moment[1:] + moment[:-1]) / 2.0 * np.diff(x))]) / (
        9000.0 * FLAT_1X4.inertia_mm4
    )
    bent = np.concatenate([[0.0], np.cumsum((slope[1:] + slope[:-1]) / 2.0 * np.diff(x))])
    line = bent - x * bent[-1] / 2600.0
    assert abs(line).max() == pytest.approx(sag_mm(60, 2600, 9, FLAT_1X4.inertia_mm4), rel=1e-4)
    on_edge = section(*DRESSED["1x4"], Lies.EDGE)
    assert (on_edge.in_plane_mm, on_edge.deep_mm) == (19.0, 89.0)


def test_mass_and_center_of_mass() -> None:
    found = frame_pieces(
        width_mm=2000, height_mm=1000, board_mm=64, joint=Joint.BUTT_RAILS, braces_at_mm=(1000.0,)
    )
    meters = (2 * 2000 + 3 * 872) / 1000.0
    assert wood_kg(found, 64, 19, 500) == pytest.approx(meters * 0.064 * 0.019 * 500)
    mitered = frame_pieces(width_mm=2000, height_mm=1000, board_mm=64, joint=Joint.MITER, braces_at_mm=())
    assert wood_kg(mitered, 64, 19, 500) == pytest.approx(2 * (1936 + 936) * 64 * 19 * 500e-9)
    assert center_of_mass_mm(found) == pytest.approx((1000.0, 500.0))


@given(st.floats(800, 9000), st.floats(700, 4000), st.lists(st.floats(100, 8000), max_size=3))
def test_a_splice_leaves_no_part_too_long_and_keeps_off_the_braces(
    length: float, longest: float, supports: list[float]
) -> None:
    try:
        made = spliced(length, longest, tuple(supports), 200.0)
    except OutOfRange:
        return
    if made is None:
        assert length <= longest
        return
    assert sum(made.parts_mm) == pytest.approx(length)
    assert all(0.0 < part <= longest + 1e-6 for part in made.parts_mm)
    assert all(abs(joint - one) >= 200.0 - 1e-6 for joint in made.joints_mm for one in supports)


def test_a_leg_that_is_too_long_is_told_by_how_much() -> None:
    assert too_long_mm(17.0, 19.0, 3.0) == 1.0
    assert too_long_mm(16.0, 19.0, 3.0) == 0.0


def frame_of(width: float, height: float, lean_mm: float = 0.0, **off: float) -> SixReadings:
    """What a tape reads on a frame whose top is pushed to the right by lean."""
    v = math.sqrt(height**2 - lean_mm**2)
    read = {
        "top": width, "bottom": width, "left": height, "right": height,
        "rising": math.hypot(width + lean_mm, v), "falling": math.hypot(width - lean_mm, v),
    }  # fmt: skip
    return SixReadings(**{f"{name}_mm": value + off.get(name, 0.0) for name, value in read.items()})


SPREADS = {"sigma_mm": 1.0, "side_spread_mm": 1.5, "diagonal_spread_mm": 6.0}


def judged(read: SixReadings, width: float, height: float, **more: float):  # type: ignore[no-untyped-def]
    return check_square(read, plan_width_mm=width, plan_height_mm=height, **SPREADS | more)


def test_a_leaning_frame_says_which_way_to_push_and_how_far() -> None:
    check = judged(frame_of(2800, 1575, 10.0), 2800, 1575)
    assert check.agrees
    assert check.lean_mm == pytest.approx(10.0, abs=0.01)
    assert (pushes(check, 3.0), pushes(judged(frame_of(2800, 1575, -10.0), 2800, 1575), 3.0)) == (
        "left",
        "right",
    )
    # an isosceles trapezium has equal diagonals and is not square
    wide, narrow, high = 2810.0, 2790.0, 1575.0
    diagonal = math.sqrt(high**2 + wide * narrow)
    trapezium = SixReadings(
        top_mm=narrow, bottom_mm=wide, left_mm=high, right_mm=high, rising_mm=diagonal, falling_mm=diagonal
    )
    told = judged(trapezium, 2800, 1575)
    assert told.agrees
    assert told.sides_differ_mm[0] == pytest.approx(-20.0)


@pytest.mark.parametrize(("width", "height", "short_mm"), [(2800.0, 1575.0, 12.0), (3350.0, 1400.0, 16.0)])
def test_a_wrong_reading_is_noticed_and_named_a_good_set_is_not_accused(
    width: float, height: float, short_mm: float
) -> None:
    """Readings good to half a millimeter, 300 seeded sets of each kind."""
    rng = np.random.default_rng(7)
    errors = {"top": 7.0, "bottom": 7.0, "left": short_mm, "right": short_mm, "rising": 6.0, "falling": 6.0}
    noticed = named = accused = 0
    for _ in range(300):
        lean = float(rng.normal(0.0, 1.5))
        noise = {name: float(rng.normal(0.0, 0.5)) for name in NAMES}
        accused += not judged(frame_of(width, height, lean, **noise), width, height, sigma_mm=0.5).agrees
        wrong = str(rng.choice(NAMES))
        noise[wrong] += errors[wrong] * (1 if rng.random() < 0.5 else -1)
        check = judged(frame_of(width, height, lean, **noise), width, height, sigma_mm=0.5)
        noticed += not check.agrees
        if not check.agrees:
            first = check.suspects[0].name
            named += first == wrong or {first, wrong} <= {"rising", "falling"}
    assert accused <= 3
    assert noticed >= 297
    assert named >= 270


def test_the_blank_is_face_edge_return_and_grip_and_never_under_the_least() -> None:
    for board, overlap in (("1x2", 81.8), ("1x3", 97.4), ("2x4", 131.4)):
        thick, wide = DRESSED[board]
        wrap = Wrap(edge_mm=thick, back_mm=0.6 * wide, grip_mm=40, least_mm=0)
        assert wrap.overlap_mm == pytest.approx(overlap)
    wrap = Wrap(edge_mm=19, back_mm=38.4, grip_mm=40, least_mm=100)
    assert blank_side_mm(2600, wrap, 0.0) == 2800.0
    knit = (2600 + 2 * 57.4) / 1.02 + 2 * 42.6  # only the path on the frame is stretched
    assert blank_side_mm(2600, wrap, 0.02) == pytest.approx(knit)
    assert metres_to_order(2801, 100) == 2.9


def test_fabric_with_a_direction_is_not_turned_on_the_roll() -> None:
    free = on_roll(2800, 1700, 1800, along=None)
    assert (free.across_mm, free.along_mm, free.fits, free.turned) == (1700, 2800, True, False)
    assert not on_roll(2800, 1900, 1800, along="width").fits
    assert on_roll(1700, 2800, 1800, along="height").turned
    assert turned_size_mm(1000, 500, 90) == pytest.approx((500, 1000))
    assert turned_size_mm(1000, 500, 15) == pytest.approx(
        (1000 * 0.9659 + 500 * 0.2588, 1000 * 0.2588 + 500 * 0.9659), rel=1e-3
    )


def test_tape_backlight_boards_and_buying() -> None:
    mitered = tape_pieces(2600, 1500, wrap_mm=10, corner=Corner.MITER, allowance_mm=50)
    wrapped = tape_pieces(2600, 1500, wrap_mm=10, corner=Corner.WRAP, allowance_mm=50)
    assert [one.length_mm for one in mitered] == [2650, 2650, 1550, 1550]
    assert [(one.length_mm, one.notch_mm) for one in wrapped] == [
        (2670, 10),
        (2670, 10),
        (1550, 0),
        (1550, 0),
    ]
    assert (rolls_for(mitered, 5000).count, rolls_for(mitered, 2700).count) == (2, 4)
    assert rolls_for(mitered, 2000).joined == ("top", "bottom")
    lit = backlight(
        2600, 1500, inset_mm=40, pitch_mm=100, reel_mm=5000, watts_per_m=14.4, fix_spacing_mm=175, spare=1.25,
        supplies_w=(60, 100, 150, 200, 240),
    )  # fmt: skip
    # 2 × (2520 + 1420) = 7880 round; runs of 3940 cut to 3900; 7.8 m × 14.4 = 112.3 W, × 1.25 = 140.4 → 150
    assert (lit.path_mm, lit.cut_mm, lit.reels, lit.supply_w, lit.fix_points) == (7880, 3900, 2, 150, 46)
    assert lit.load_w == pytest.approx(112.32)
    # 240 W / 1.25 over 7.8 m: what a supply feeds, and not a tenth more
    most = most_watts_per_m(half_run(2600, 1500, 40, 100)[1], 1.25, (60, 240))
    assert most == pytest.approx(24.615, abs=1e-3)
    rest: dict[str, Any] = {
        "inset_mm": 40,
        "pitch_mm": 100,
        "reel_mm": 5000,
        "fix_spacing_mm": 175,
        "spare": 1.25,
        "supplies_w": (60, 240),
    }
    assert backlight(2600, 1500, watts_per_m=most - 0.01, **rest).supply_w == 240
    with pytest.raises(OutOfRange):
        backlight(2600, 1500, watts_per_m=most + 0.1, **rest)
    boards = [
        Board(key=k, length_mm=3000, crook_mm=c, bow_mm=1, twist_mm=t)
        for k, c, t in (("a", 1.5, 0), ("b", 0.5, 0), ("c", 3, 0), ("d", 0, 5))
    ]
    found = sighted(boards, crook_mm=2, bow_mm=4, twist_mm=4)
    assert [(one.board.key, one.rank, one.why) for one in found] == [
        ("b", 1, ""),
        ("a", 2, ""),
        ("c", None, "crook"),
        ("d", None, "twist"),
    ]
    needs = merged(
        [
            Need(key="s", name="screws", amount=16, pack=50, why="frame"),
            Need(key="s", name="x", amount=40, why="wall"),
        ]
    )
    line = line_of(needs[0], Bought(on_hand=3, price=4.5))
    assert (needs[0].amount, needs[0].why, line.missing, line.packs, line.cost) == (
        56,
        "frame, wall",
        53,
        2,
        9.0,
    )


def test_a_blank_is_laid_out_between_what_stands_on_the_floor() -> None:
    # a sofa 2 m long in the middle of a 4 × 5 m room: 2.6 × 1.5 m fits before it, 3 × 2.2 m nowhere, turned or not
    sofa = (1000.0, 2000.0, 3000.0, 3000.0)
    assert free_place(2600, 1500, 4000, 5000, [sofa]) == (0.0, 0.0, 2600.0, 1500.0)
    assert free_place(3000, 2200, 4000, 5000, [sofa]) is None
    assert free_place(3000, 2200, 4000, 5000, []) is not None
    assert free_place(4500, 900, 4000, 5000, [sofa]) == (0.0, 0.0, 900.0, 4500.0)


@given(
    st.floats(300, 3000), st.floats(300, 3000),
    st.lists(st.tuples(st.floats(0, 3500), st.floats(0, 4500), st.floats(100, 1500), st.floats(100, 1500)), max_size=5),
)  # fmt: skip
def test_where_a_place_is_found_nothing_stands_and_a_grid_finds_no_place_where_none_is(
    wide: float, deep: float, found: list[tuple[float, float, float, float]]
) -> None:
    feet = [(x, z, x + w, z + d) for x, z, w, d in found]
    place = free_place(wide, deep, 4000, 5000, feet)

    def clear(left: float, near: float, right: float, far: float) -> bool:
        inside = left >= 0.0 and near >= 0.0 and right <= 4000.0 and far <= 5000.0
        return inside and not any(a < right and c > left and b < far and d > near for a, b, c, d in feet)

    if place is not None:
        assert clear(*place)
        return
    for w, d in ((wide, deep), (deep, wide)):
        assert not any(clear(x, z, x + w, z + d) for x in range(0, 4000, 130) for z in range(0, 5000, 130))
