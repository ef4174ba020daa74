"""Size: worked examples of the trade, inverse round trips, tidy sizes."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.size.aspect import ASPECTS, BadAspect, aspect_name, read_aspect
from gantline.core.size.picture import Border, Lead, Picture, Screen, picture_from, with_overspill
from gantline.core.size.tidy import tidy_sizes

INCH = 25.4
EIGHTH = Fraction(127, 40)
aspects = st.sampled_from(sorted(ASPECTS.values()))
diagonals = st.floats(500.0, 9000.0)


# worked by hand: 113 in 16:9, 138 in 2.39, 165 in 16:10
@pytest.mark.parametrize(
    ("inches", "aspect", "width", "height"),
    [(113, "16:9", 98.488, 55.400), (138, "2.39", 127.306, 53.266), (165, "16:10", 139.920, 87.450)],
)
def test_width_and_height_of_known_diagonals(inches: float, aspect: str, width: float, height: float) -> None:
    picture = picture_from(Lead.DIAGONAL, inches * INCH, read_aspect(aspect))
    assert (picture.width_mm / INCH, picture.height_mm / INCH) == pytest.approx((width, height), abs=6e-4)


@given(diagonals, aspects)
def test_each_of_the_three_numbers_gives_back_the_other_two(diagonal: float, aspect: Fraction) -> None:
    first = picture_from(Lead.DIAGONAL, diagonal, aspect)
    for lead, value in ((Lead.WIDTH, first.width_mm), (Lead.HEIGHT, first.height_mm)):
        again = picture_from(lead, value, aspect)
        assert again.diagonal_mm == pytest.approx(diagonal, rel=1e-12)
        assert again.width_mm / again.height_mm == pytest.approx(float(aspect), rel=1e-12)


def test_labels_are_exact_fractions_and_nonsense_is_refused() -> None:
    assert read_aspect("16:9") == Fraction(16, 9)
    assert read_aspect("2.39") / read_aspect("2.35") == Fraction(239, 235)  # 1.7 % wider at one height
    assert read_aspect("12:5") == Fraction(12, 5)
    for text in ("", "16:0", "wide", "0.1", "9:1", "1e3"):
        with pytest.raises(BadAspect):
            read_aspect(text)


def test_a_leaflet_s_rounded_sides_name_their_aspect() -> None:
    # 92 in: 80.2 by 45.1; 4:3 of 1220 by 914; 3:2 has no name here
    for width, height, name in ((80.2, 45.1, "16:9"), (1220.0, 914.0, "4:3"), (3000.0, 2000.0, "1.5000")):
        assert aspect_name(width / height) == name


def test_the_tidy_sizes_around_113_inches_on_the_eighth() -> None:
    wished = picture_from(Lead.DIAGONAL, 113 * INCH, Fraction(16, 9))
    found = tidy_sizes(wished, Fraction(16, 9), EIGHTH, span_share=0.02, ratio_error=0.001)
    inches = [(one.width_mm / INCH, one.height_mm / INCH) for one in found]
    assert inches[:2] == [pytest.approx((98.0, 55.125)), pytest.approx((100.0, 56.25))]
    assert [one.exact for one in found[:3]] == [True, True, False]
    off = next(
        one
        for one in found
        if one.width_mm == pytest.approx(98.5 * INCH) and one.height_mm == pytest.approx(55.375 * INCH)
    )
    assert abs(off.aspect_error) == pytest.approx(0.0006, abs=5e-5)


@given(
    diagonals,
    aspects,
    st.sampled_from([Fraction(127, 80), EIGHTH, Fraction(127, 20), Fraction(1), Fraction(5)]),
)
def test_every_tidy_size_is_on_the_grid_in_the_span_and_nearly_in_ratio(
    diagonal: float, aspect: Fraction, grid: Fraction
) -> None:
    wished = picture_from(Lead.DIAGONAL, diagonal, aspect)
    found = tidy_sizes(wished, aspect, grid, span_share=0.02, ratio_error=0.001)
    for one in found:
        assert Fraction(one.width_steps) * grid == pytest.approx(one.width_mm)
        assert abs(one.height_mm - wished.height_mm) <= 0.02 * wished.height_mm * (1 + 1e-9)
        assert abs(one.aspect_error) <= 0.001
        assert one.exact == (Fraction(one.width_steps, one.height_steps) == aspect)
    # brute force over all pairs near the ratio finds no other
    heights = range(1, int(wished.height_mm * 1.03 / grid) + 2)
    pairs = {
        (m, n)
        for n in heights
        if abs(n * float(grid) - wished.height_mm) <= 0.02 * wished.height_mm * (1 + 1e-9)
        for m in range(int(aspect * n) - 1, int(aspect * n) + 3)
        if abs(Fraction(m, n) / aspect - 1) <= Fraction(1, 1000) and abs(m - aspect * n) <= Fraction(1, 2)
    }
    assert {(one.width_steps, one.height_steps) for one in found} == pairs


def test_a_border_grows_the_frame_and_never_the_diagonal() -> None:
    screen = Screen(
        picture=Picture(width_mm=3000, height_mm=1600), border=Border(side_mm=60, top_mm=60, bottom_mm=90)
    )
    assert (screen.overall_width_mm, screen.overall_height_mm) == (3120, 1750)
    assert screen.picture.diagonal_mm == pytest.approx(3400)


def test_overspill_by_zoom_keeps_the_shape() -> None:
    # 3 mm at top and bottom of a 16:9 picture comes with 5.33 mm at the sides
    grown = with_overspill(Picture(width_mm=1600, height_mm=900), 16 / 3)
    assert grown.height_mm - 900 == pytest.approx(6.0)


@pytest.mark.parametrize("value", [0.0, -1.0, float("nan"), float("inf")])
def test_an_impossible_number_is_refused_by_name(value: float) -> None:
    with pytest.raises(OutOfRange, match="value_mm"):
        picture_from(Lead.WIDTH, value, Fraction(16, 9))
