"""Throw window and shift: worked examples, and the region of the lens against the forward need."""

from fractions import Fraction

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.size.picture import Lead, Picture, picture_from
from gantline.core.throw.shift import ReachShape, ShiftReach, fixed_offset, lens_region, shift_need
from gantline.core.throw.window import Lens, PanelImage, panel_image, throw_window

HD = Fraction(16, 9)


# worked by hand: 113 in 16:9 with R 1.35-2.20, 138 in 2.39 on a 16:9 panel with R 1.30-2.10
@pytest.mark.parametrize(
    ("inches", "aspect", "low", "high", "near", "far"),
    [(113, HD, 1.35, 2.20, 3377, 5504), (138, Fraction(239, 100), 1.30, 2.10, 4204, 6791)],
)
def test_windows_of_known_screens(
    inches: float, aspect: Fraction, low: float, high: float, near: float, far: float
) -> None:
    panel = panel_image(picture_from(Lead.DIAGONAL, inches * 25.4, aspect), HD)
    window = throw_window(Lens(ratio_low=low, ratio_high=high), panel, margin=0.03)
    assert (window.near_mm, window.far_mm) == pytest.approx((near, far), abs=1.0)
    assert (window.safe_near_mm, window.safe_far_mm) == pytest.approx((1.03 * near, 0.97 * far), abs=1.5)


@given(st.floats(500, 6000), st.floats(0.5, 4), st.floats(0.5, 4))
def test_the_panels_image_just_holds_the_picture(height: float, aspect: float, panel_aspect: float) -> None:
    picture = Picture(width_mm=aspect * height, height_mm=height)
    panel = panel_image(picture, Fraction(panel_aspect))
    spare_w, spare_h = panel.width_mm - picture.width_mm, panel.height_mm - picture.height_mm
    assert min(spare_w, spare_h) == pytest.approx(0.0, abs=1e-6)
    assert max(spare_w, spare_h) >= -1e-6


def test_the_shortfall_says_which_way_and_a_fixed_lens_has_no_margin() -> None:
    window = throw_window(Lens(ratio_low=2.0, ratio_high=2.0), PanelImage(2000, 1125), margin=0.03)
    assert (window.safe_near_mm, window.safe_far_mm) == (4000, 4000)
    assert (window.shortfall_mm(3900), window.shortfall_mm(4000), window.shortfall_mm(4150)) == (100, 0, -150)
    with pytest.raises(OutOfRange, match="wide end"):
        Lens(ratio_low=2.0, ratio_high=1.5)


def test_a_diamond_leaves_less_height_the_more_it_goes_sideways() -> None:
    reach = ShiftReach(up=0.6, down=0.6, side=0.24, shape=ReachShape.DIAMOND)
    panel = PanelImage(3000, 1500)
    need = shift_need(
        picture_x_mm=2000, picture_y_mm=1200, lens_x_mm=2360, lens_y_mm=1900, panel=panel, reach=reach
    )
    # sideways -360/3000 = -0.12, half of the reach, so half of 0.6 is left; -700/1500 = -0.467 needed
    assert (need.horizontal, need.vertical_left) == pytest.approx((-0.12, 0.30))
    assert need.excess_vertical == pytest.approx(-(700 / 1500 - 0.30))
    assert need.move_up_mm == pytest.approx(-250)  # the lens must come down by 250 mm


shares = st.just(0.0) | st.floats(0.001, 1.0)  # no lens shifts by a thousandth of a thousandth


@given(
    shares,
    shares,
    shares,
    st.sampled_from(list(ReachShape)),
    st.floats(-0.7, 0.7),
    st.floats(-2500, 2500),
    st.floats(-2500, 2500),
)
def test_a_lens_is_in_its_region_exactly_when_its_shift_reaches(
    up: float, down: float, side: float, shape: ReachShape, offset: float, dx: float, dy: float
) -> None:
    from shapely import Point, Polygon  # an independent judge of inside

    panel, reach = PanelImage(2000, 1125), ShiftReach(up=up, down=down, side=side, shape=shape)
    region = Polygon(lens_region(picture_x_mm=0, picture_y_mm=0, panel=panel, reach=reach, offset=offset))
    need = shift_need(
        picture_x_mm=0, picture_y_mm=0, lens_x_mm=dx, lens_y_mm=dy, panel=panel, reach=reach, offset=offset
    )
    assume(region.area > 0)  # a reach in one direction only is a line: a polygon has no inside to ask for
    if region.exterior.distance(Point(dx, dy)) > 1e-3:
        assert region.contains(Point(dx, dy)) == need.reached


def test_the_move_that_is_named_brings_the_lens_just_inside() -> None:
    reach, panel = ShiftReach(up=0.5, down=0.5, side=0.1), PanelImage(2000, 1125)
    out = shift_need(picture_x_mm=0, picture_y_mm=0, lens_x_mm=400, lens_y_mm=900, panel=panel, reach=reach)
    inside = shift_need(
        picture_x_mm=0,
        picture_y_mm=0,
        lens_x_mm=400 + out.move_right_mm,
        lens_y_mm=900 + out.move_up_mm,
        panel=panel,
        reach=reach,
    )
    assert not out.reached
    assert inside.reached


def test_a_fixed_offset_puts_the_picture_above_or_below_the_lens() -> None:
    assert fixed_offset(0.16, from_ceiling=False) == pytest.approx(0.66)
    assert fixed_offset(0.16, from_ceiling=True) == pytest.approx(-0.66)
