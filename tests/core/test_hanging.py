"""A cleat over studs, mortar joints and the dry fit: worked numbers, and properties over random frames."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.wall.cleat import cleat_over_studs
from gantline.core.wall.dryfit import DryFit, error_at_mm, slide_mm
from gantline.core.wall.joints import joint_off_mm


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
