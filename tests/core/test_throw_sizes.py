"""Sizes from a place: every one in the range is filled by the forward formulas, none just outside it."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.throw.shift import ReachShape, ShiftReach, shift_need
from gantline.core.throw.sizes import Aim, panel_widths_mm
from gantline.core.throw.window import Lens, PanelImage, throw_window

LENS = Lens(ratio_low=1.3, ratio_high=2.1)


def fills(width: float, aim: Aim, reach: ShiftReach) -> bool:
    panel = PanelImage(width, width * 9 / 16)
    need = shift_need(
        picture_x_mm=aim.aside_mm,
        picture_y_mm=aim.rise_mm,
        lens_x_mm=0,
        lens_y_mm=0,
        panel=panel,
        reach=reach,
        offset=aim.offset,
    )
    window = throw_window(LENS, panel, margin=0.0)
    return (
        max(abs(need.move_up_mm), abs(need.move_right_mm)) <= 1.0
        and window.near_mm <= aim.distance_mm <= window.far_mm
    )


@given(
    st.floats(2500, 9000), st.floats(-1500, 1500), st.floats(-600, 600), st.floats(0.1, 0.9), st.floats(0.05, 0.4),
    st.sampled_from(list(ReachShape)),
)  # fmt: skip
def test_the_range_of_widths_is_what_zoom_and_shift_allow(
    z: float, rise: float, aside: float, up: float, side: float, shape: ReachShape
) -> None:
    aim, reach = (
        Aim(distance_mm=z, rise_mm=rise, aside_mm=aside),
        ShiftReach(up=up, down=up, side=side, shape=shape),
    )
    found = panel_widths_mm(LENS, reach, aim, 16 / 9, slack_mm=1.0)
    widest = z / 1.3
    if found is None:
        assert not fills(widest * (1 - 1e-9), aim, reach)
        return
    low, high = found
    assert high == pytest.approx(widest)
    assert fills(high * (1 - 1e-9), aim, reach) or low > high - 10.0
    assert not fills(high + 1.0, aim, reach)
    assert not fills(low * 0.985 - 20.0, aim, reach)
    if high - low > 40.0:
        assert fills(low + 20.0, aim, reach)


def test_a_fixed_offset_fills_one_size_from_one_height() -> None:
    none = ShiftReach(up=0, down=0, side=0)
    aim = Aim(distance_mm=600.0, rise_mm=877.5, aside_mm=0.0, offset=0.65)
    low, high = panel_widths_mm(Lens(ratio_low=0.25, ratio_high=0.25), none, aim, 16 / 9, slack_mm=1.0) or (
        0.0,
        0.0,
    )
    assert low == pytest.approx(2400)
    assert high == pytest.approx(2400)
    elsewhere = Aim(distance_mm=600, rise_mm=700, aside_mm=0, offset=0.65)
    assert (
        panel_widths_mm(Lens(ratio_low=0.25, ratio_high=0.25), none, elsewhere, 16 / 9, slack_mm=1.0) is None
    )
    assert (
        panel_widths_mm(LENS, none, Aim(distance_mm=4000, rise_mm=300, aside_mm=0), 16 / 9, slack_mm=1.0)
        is None
    )
