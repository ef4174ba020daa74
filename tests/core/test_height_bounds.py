"""All bounds on the height: against a scan in which every rule is checked on its own terms."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.height.bounds import HeightCase, LensReach, bounds, centre_guidance_mm, room_left_mm
from gantline.core.height.place import Place
from gantline.core.height.profile import Profile
from gantline.core.height.solve import largest_fitting
from gantline.core.sight.angles import neck_angle_deg
from gantline.core.sight.rows import Eye
from gantline.core.size.picture import Border, Picture, Screen
from gantline.core.throw.shift import ReachShape, ShiftReach, shift_need
from gantline.core.throw.window import panel_image
from gantline.core.wall.bands import Band, crosses, stud_is_free
from tests.heads import lowest_seen_mm

HD = Fraction(16, 9)


@st.composite
def rooms(draw: st.DrawFn) -> HeightCase:
    width = draw(st.floats(1200, 3400))
    screen = Screen(
        picture=Picture(width_mm=width, height_mm=width * 9 / 16),
        border=Border(
            side_mm=draw(st.floats(0, 80)), top_mm=draw(st.floats(0, 80)), bottom_mm=draw(st.floats(0, 80))
        ),
    )
    place = Place(
        screen=screen, centre_x_mm=2400, ceiling=Profile(((0.0, draw(st.floats(2200, 3200))), (4800.0, draw(st.floats(2200, 3200))))),
        ceiling_gap_mm=draw(st.floats(0, 300)), lift_on_mm=15, lowest_edge_mm=draw(st.floats(100, 700)),
    )  # fmt: skip
    eyes = draw(
        st.lists(
            st.builds(
                Eye,
                distance_mm=st.sampled_from([2500.0, 3600.0, 4700.0]),
                eye_mm=st.floats(1000, 1700),
                x_mm=st.floats(1200, 3600),
            ),
            max_size=3,
        )
    )
    lens = None
    if draw(st.booleans()):
        reach = ShiftReach(
            up=draw(st.floats(0, 0.7)),
            down=draw(st.floats(0, 0.7)),
            side=0.2,
            shape=draw(st.sampled_from(list(ReachShape))),
        )
        lens = LensReach(x_mm=draw(st.floats(2100, 2700)), y_mm=draw(st.floats(300, 2500)), reach=reach, offset=draw(st.sampled_from([0.0, 0.6, -0.6])),
            panel_aspect=HD, overspill_mm=0.0, slack_mm=1.0)  # fmt: skip
    return HeightCase(
        place=place, eyes=tuple(eyes), overhead=((0.0, 1800.0, draw(st.floats(2000, 3000))),) if draw(st.booleans()) else (),
        under=((2000.0, 3000.0, draw(st.floats(300, 900))),) if draw(st.booleans()) else (), skirting_mm=100.0, lens=lens,
    )  # fmt: skip


def allowed(asked: HeightCase, top: float) -> bool:
    """Every rule on its own terms, not through a bound."""
    place, screen = asked.place, asked.place.screen
    bottom, low = top - screen.border.top_mm - screen.picture.height_mm, top - screen.overall_height_mm
    xs = [place.left_mm + (place.right_mm - place.left_mm) * k / 40 for k in range(41)]
    ok = (
        all(top + place.clear_mm <= place.ceiling.at(x) + 1e-6 for x in xs)
        and low >= max(place.lowest_edge_mm, 100.0) - 1e-6
    )
    for eye in asked.eyes:
        ok &= (
            float(neck_angle_deg(top - screen.border.top_mm, eye.eye_mm, eye.distance_mm))
            <= asked.neck_deg + 1e-6
        )
        half = screen.picture.width_mm / 2
        ends = place.centre_x_mm - half, place.centre_x_mm + half
        seated = [(one.distance_mm, one.eye_mm, one.x_mm) for one in asked.eyes]
        mine = (eye.distance_mm, eye.eye_mm, eye.x_mm)
        ok &= bottom >= lowest_seen_mm(mine, seated, ends, asked.head_clear_mm) - 1e-6
    for left, right, edge in asked.overhead:
        ok &= not (left < place.right_mm and right > place.left_mm) or top + place.clear_mm <= edge + 1e-6
    for left, right, edge in asked.under:
        ok &= (
            not (left < place.right_mm and right > place.left_mm)
            or low >= edge + asked.furniture_gap_mm - 1e-6
        )
    if asked.lens:
        panel = panel_image(screen.picture, HD)
        need = shift_need(picture_x_mm=place.centre_x_mm, picture_y_mm=bottom + screen.picture.height_mm / 2, lens_x_mm=asked.lens.x_mm,
            lens_y_mm=asked.lens.y_mm, panel=panel, reach=asked.lens.reach, offset=asked.lens.offset)  # fmt: skip
        ok &= need.excess_horizontal != 0.0 or abs(need.move_up_mm) <= asked.lens.slack_mm + 1e-6
    return bool(ok)


@given(rooms())
def test_the_interval_of_all_bounds_equals_a_scan_to_a_millimetre(asked: HeightCase) -> None:
    upper, lower = bounds(asked)
    high, low = min(one.y_top_mm for one in upper), max(one.y_top_mm for one in lower)
    # every 40 mm over the whole wall, every millimetre where an end is claimed to be
    ends = {round(edge) + step for edge in (low, high) for step in range(-20, 21)}
    fits = [top for top in sorted({*range(200, 3400, 40), *ends}) if allowed(asked, float(top))]
    if fits:
        assert (fits[0], fits[-1]) == (pytest.approx(low, abs=1.0), pytest.approx(high, abs=1.0))
    else:
        assert room_left_mm(asked) < 1.0 + 1e-6


def test_the_centre_guidance_is_fifteen_degrees_over_the_lowest_eye_line() -> None:
    screen = Screen(picture=Picture(width_mm=1600, height_mm=900), border=Border(top_mm=50))
    top = centre_guidance_mm(screen, (Eye(distance_mm=3000, eye_mm=1100),), 15.0)
    assert top == pytest.approx(1100 + 3000 * 0.267949 + 450 + 50, abs=0.01)
    assert centre_guidance_mm(screen, (), 15.0) is None


def test_the_largest_that_fits_is_found_even_where_a_smaller_one_does_not() -> None:
    # a lens's reach shrinks with the picture: too small is as wrong as too large
    assert largest_fitting(lambda d: 100.0 - abs(d - 2000.0), most_mm=3000.0) == pytest.approx(2100, abs=0.2)
    assert largest_fitting(lambda d: 1.0, most_mm=1234.0) == 1234.0
    assert largest_fitting(lambda d: -1.0, most_mm=1234.0) is None


def test_no_drill_bands_run_up_down_and_sideways_from_a_fitting() -> None:
    band = Band(name="outlet", left_mm=1000, right_mm=1380, bottom_mm=150, top_mm=530)
    assert crosses(band, 1200, 2000)
    assert crosses(band, 4000, 300)
    assert not crosses(band, 1500, 900)
    assert [stud_is_free(x, [band]) for x in (900, 1100, 1380, 1500)] == [True, False, False, True]
