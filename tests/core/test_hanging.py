"""Ways of hanging, a cleat over studs, mortar joints and the dry fit: worked numbers, and properties over random frames."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.wall.between import between_mm
from gantline.core.wall.cleat import cleat_over_studs
from gantline.core.wall.dryfit import DryFit, error_at_mm, slide_mm
from gantline.core.wall.hang import (
    Cleat,
    apart_mm,
    cleat_drop_mm,
    frame_top_mm,
    hole_drop_mm,
    lift_mm,
    parts_wanted,
)
from gantline.core.wall.joints import joint_off_mm
from gantline.core.wall.ledger import ledger_over_studs
from gantline.core.wall.marks import hole_rows_mm
from gantline.core.wall.ways import Way, has_lower_row


def test_a_cleat_takes_the_most_studs_that_leave_the_screen_its_center() -> None:
    studs = tuple(400.0 * k for k in range(1, 11))
    found = cleat_over_studs(studs, 2200.0, frame_mm=2400.0, inset_mm=60.0, beyond_mm=50.0)
    assert found is not None
    assert found.studs_mm == (1200.0, 1600.0, 2000.0, 2400.0, 2800.0, 3200.0)
    assert (found.left_mm, found.right_mm, found.play_mm) == (1150.0, 3250.0, 90.0)  # (2280 - 2100) / 2
    assert cleat_over_studs(studs, 2200.0, frame_mm=420.0, inset_mm=60.0, beyond_mm=50.0) is None


@given(st.floats(800, 4000), st.floats(500, 4000), st.floats(380, 620), st.floats(0, 400))
def test_on_a_cleat_the_screen_comes_to_its_center(
    frame: float, center: float, spacing: float, first: float
) -> None:
    studs = [first + k * spacing for k in range(12)]
    found = cleat_over_studs(studs, center, frame_mm=frame, inset_mm=60.0, beyond_mm=50.0)
    if found is None:
        return
    assert abs((found.left_mm + found.right_mm) / 2.0 - center) <= found.play_mm + 1e-6
    assert (found.studs_mm[0] - found.left_mm, found.right_mm - found.studs_mm[-1]) == pytest.approx(
        (50.0, 50.0)
    )
    assert found.right_mm - found.left_mm + 2.0 * found.play_mm == pytest.approx(frame - 120.0)


def test_a_hole_knows_how_far_the_next_mortar_joint_is() -> None:
    assert [joint_off_mm(y, 65.0, 75.0) for y in (65.0, 75.0 * 20 + 70.0, 75.0 * 20 + 60.0)] == [
        0.0,
        5.0,
        -5.0,
    ]


def test_the_error_of_the_frames_end_is_not_that_of_a_bracket_inboard() -> None:
    fit = DryFit(left_mm=3.0, right_mm=-3.0, gap_left_mm=20.0, gap_right_mm=26.0)
    assert [error_at_mm(fit, x, 0.0, 2400.0) for x in (600.0, 1800.0)] == pytest.approx([1.5, -1.5])
    assert slide_mm(fit) == 3.0  # the frame is 3 too far left


@given(st.floats(-8, 8), st.floats(-8, 8), st.floats(0.05, 0.4), st.floats(0.6, 0.95))
def test_moving_the_brackets_by_their_errors_levels_the_frame(
    left: float, right: float, a: float, b: float
) -> None:
    fit = DryFit(left_mm=left, right_mm=right)
    x1, x2 = a * 2400.0, b * 2400.0
    moved = [-error_at_mm(fit, x, 0.0, 2400.0) for x in (x1, x2)]
    slope = (moved[1] - moved[0]) / (x2 - x1)
    for x, error in ((0.0, left), (2400.0, right)):
        assert error + moved[0] + slope * (x - x1) == pytest.approx(0.0, abs=1e-9)


def test_a_cleats_boards_say_where_its_screws_are() -> None:
    # wall piece: foot of the bevel at y0, front edge 18 above it, screws 35 below that: y0 - 17; frame top 62 above y0
    assert cleat_drop_mm(Cleat(board_mm=18, point_mm=62, screw_mm=35)) == 79
    assert hole_drop_mm(Way.RODS, 14, rod_mm=150) == -136  # its hook stands above the frame
    asked = {"usual_mm": 15, "cleat_mm": 5, "board_mm": 18, "catch_mm": 20, "wire_mm": 30, "rod_mm": 150}
    lifts = [lift_mm(one, **asked) for one in (Way.BRACKETS, Way.CLEAT, Way.RODS, Way.LEDGER, Way.WIRE)]
    assert lifts == [15, 23, 150, 0, 30]
    limits = {"third": (3810.0, 25.0), "fourth": (4572.0, 45.0)}
    assert [parts_wanted(d, m, **limits) for d, m in ((3000, 20), (4000, 20), (3000, 30), (5000, None))] == [
        2,
        3,
        3,
        4,
    ]


@given(st.floats(500, 2500), st.floats(700, 4000), st.floats(0, 120), st.floats(20, 200), st.data())
def test_for_every_way_the_holes_lead_back_to_where_the_frame_hangs(
    high: float, top: float, drop: float, offset: float, data: st.DataObject
) -> None:
    way = data.draw(st.sampled_from(list(Way)))
    rod, board = data.draw(st.floats(20, 400)), data.draw(st.floats(6, 40))
    point, screw = data.draw(st.floats(0, 200)), data.draw(st.floats(5, 60))
    if way is Way.CLEAT:
        drop = cleat_drop_mm(Cleat(board_mm=board, point_mm=point, screw_mm=screw))
    hole = hole_drop_mm(way, drop, rod_mm=rod)
    fixed = data.draw(st.none() | st.floats(100, 400))
    given_offset = None if way is Way.LEDGER else offset
    apart = apart_mm(way, high, drop, given_offset, fixed)
    if apart <= 0.0:
        return
    upper, lower = hole_rows_mm(
        top_mm=top,
        frame_height_mm=high,
        drop_mm=hole,
        row_offset_mm=high - apart if has_lower_row(way) else None,
    )
    # hang the frame on those holes part by part, the other way round
    if way is Way.CLEAT:
        front = upper + screw  # the wall piece's front edge
        hangs = front - board + point  # down the bevel to its foot, where the frame piece's long point sits
    elif way is Way.RODS:
        hangs = upper - rod + drop
    else:
        hangs = upper + drop
    assert hangs == pytest.approx(top, abs=0.01)
    assert frame_top_mm(upper, hole) == pytest.approx(top, abs=0.01)
    if lower is not None and fixed is None:
        bottom = lower - (drop if way is Way.LEDGER else offset - drop)
        if way is Way.LEDGER:
            assert bottom == pytest.approx(
                top - high, abs=0.01
            )  # as far from the lower edge as from the upper
        else:
            assert bottom == pytest.approx(hangs - high + (hole - drop), abs=0.01)


@given(st.floats(0, 1000), st.floats(400, 3000), st.integers(0, 4), st.lists(st.floats(0, 4000), max_size=12))
def test_parts_between_stand_on_studs_or_evenly_and_never_twice(
    left: float, wide: float, count: int, studs: list[float]
) -> None:
    even = between_mm(left, left + wide, count, studs_mm=None)
    gaps = [b - a for a, b in zip((left, *even), (*even, left + wide), strict=True)]
    assert gaps == pytest.approx([wide / (count + 1)] * (count + 1))
    found = between_mm(left, left + wide, count, studs_mm=sorted(studs))
    assert len(set(found)) == len(found) <= count
    assert all(one in studs and left < one < left + wide for one in found)


def test_a_ledger_wants_a_stud_on_each_side_of_its_middle() -> None:
    found = ledger_over_studs([400, 800, 1200, 1600, 2000], 1300, frame_mm=1500, inset_mm=60)
    assert found is not None
    assert found.studs_mm == (800, 1200, 1600)
    assert ledger_over_studs([1400, 1800], 1300, frame_mm=1500, inset_mm=60) is None
