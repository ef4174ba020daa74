"""Height: the interval against a brute-force scan, what binds, and clashes."""

from dataclasses import replace

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.height.place import Place, WishKind, lower_bounds, upper_bounds, wished_top_mm
from gantline.core.height.profile import Profile
from gantline.core.height.solve import largest_fitting, solve_height
from gantline.core.size.picture import Border, Picture, Screen


def place(
    width: float = 3000, height: float = 1300, *, ceiling: Profile, gap: float = 150, low: float = 400
) -> Place:
    screen = Screen(
        picture=Picture(width_mm=width, height_mm=height), border=Border(side_mm=60, top_mm=60, bottom_mm=60)
    )
    return Place(
        screen=screen,
        centre_x_mm=2400,
        ceiling=ceiling,
        ceiling_gap_mm=gap,
        lift_on_mm=15,
        lowest_edge_mm=low,
    )


ceilings = st.lists(
    st.tuples(st.integers(0, 4800), st.floats(2100, 2900)),
    min_size=1,
    max_size=5,
    unique_by=lambda one: one[0],
).map(lambda readings: Profile(tuple((float(x), y) for x, y in readings)))


@given(ceilings, st.floats(600, 3400), st.floats(400, 1500), st.floats(0, 300), st.floats(100, 700))
def test_the_interval_equals_a_scan_of_every_millimetre(
    ceiling: Profile, width: float, height: float, gap: float, low: float
) -> None:
    room = place(width, height, ceiling=ceiling, gap=gap, low=low)
    solved = solve_height(upper_bounds(room), lower_bounds(room), 0.0)
    xs = [room.left_mm + (room.right_mm - room.left_mm) * k / 400 for k in range(401)] + [
        x for x, _ in ceiling.readings
    ]
    over = [ceiling.at(x) for x in xs if room.left_mm <= x <= room.right_mm]
    clear = max(gap, 15.0)
    fits = [
        top for top in range(3000) if top + clear <= min(over) and top - room.screen.overall_height_mm >= low
    ]
    if not fits:
        assert solved.high.y_top_mm - solved.low.y_top_mm < 1.0 + 1e-6
    else:
        assert fits[0] == pytest.approx(solved.low.y_top_mm, abs=1.0)
        assert fits[-1] == pytest.approx(solved.high.y_top_mm, abs=1.0)


@given(ceilings, st.floats(0, 3000))
def test_the_wish_is_clamped_and_what_moved_it_is_named(ceiling: Profile, wish: float) -> None:
    room = place(2000, 900, ceiling=ceiling)
    solved = solve_height(upper_bounds(room), lower_bounds(room), wish)
    assume(solved.chosen_mm is not None)
    assert solved.chosen_mm is not None
    assert solved.low.y_top_mm <= solved.chosen_mm <= solved.high.y_top_mm
    assert all(slack >= 0 for _, slack in solved.slack_mm)
    assert (solved.binds == "wish") == (solved.low.y_top_mm <= wish <= solved.high.y_top_mm)


def test_a_ceiling_out_of_level_counts_at_its_lowest_over_the_frame() -> None:
    sloping = Profile(((0.0, 2440.0), (3000.0, 2422.0)))  # 18 mm out over 3 m
    assert sloping.at(1500) == pytest.approx(2431)
    assert sloping.lowest(0, 3000) == 2422
    dipped = Profile(((0.0, 2440.0), (1500.0, 2400.0), (3000.0, 2440.0)))
    assert dipped.lowest(1000, 2000) == 2400
    with pytest.raises(OutOfRange):
        Profile(((0.0, 1.0), (0.0, 2.0)))


def test_every_wish_lands_where_it_says() -> None:
    room = place(ceiling=Profile(((0.0, 2440.0),)))  # picture 1300 high, borders 60
    assert wished_top_mm(room, WishKind.EYE_LINE, 1100, 1 / 3) == pytest.approx(1100 + 1300 * 2 / 3 + 60)
    assert wished_top_mm(room, WishKind.FRAME_BOTTOM, 500, 0) == 500 + 1420
    assert wished_top_mm(room, WishKind.CEILING_GAP, 200, 0) == 2240


def test_a_cleat_needs_its_lift_even_where_a_smaller_gap_is_wished() -> None:
    room = replace(place(ceiling=Profile(((0.0, 2440.0),)), gap=5), lift_on_mm=24)
    assert (upper_bounds(room)[0].key, upper_bounds(room)[0].y_top_mm) == ("lift-on", 2416)


def test_a_clash_is_measured_and_the_largest_that_fits_just_fits() -> None:
    room = place(height=1700, ceiling=Profile(((0.0, 2300.0),)), gap=150, low=500)
    solved = solve_height(upper_bounds(room), lower_bounds(room), 2000)
    # 500 + 1700 + 120 = 2320 against 2300 - 150 = 2150
    assert (solved.chosen_mm, solved.clash_mm) == (None, pytest.approx(170))
    largest = largest_fitting(lambda height: 2150 - (500 + height + 120), most_mm=1700)
    assert largest == pytest.approx(1530, abs=0.1)
    assert largest_fitting(lambda height: -1.0, most_mm=1700) is None


@given(st.floats(0, 4500), st.floats(0, 2500), st.floats(20, 1500), st.floats(20, 1500))
def test_the_frame_covers_a_fitting_exactly_when_their_rectangles_overlap(
    x: float, y: float, wide: float, high: float
) -> None:
    from shapely import box

    room = place(ceiling=Profile(((0.0, 2500.0),)))
    frame = box(room.left_mm, 2000.0 - room.screen.overall_height_mm, room.right_mm, 2000.0)
    overlap = frame.intersection(box(x, y, x + wide, y + high)).area
    assume(overlap == 0.0 or overlap > 1e-3)
    assert room.covers(2000.0, left_mm=x, bottom_mm=y, width_mm=wide, height_mm=high) == (overlap > 0.0)
