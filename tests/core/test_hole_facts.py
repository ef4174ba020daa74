"""Drilled holes stay; the rest is planned round them, round refused places, and a slip is named by how far a hole is off."""

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from gantline.core.wall.brackets import BracketRule
from gantline.core.wall.facts import (
    HoleFact,
    clear_pair,
    drilled_x_mm,
    is_blocked,
    pairs_with_drilled,
    rows_from_facts_mm,
    serves,
)
from gantline.core.wall.slips import Around, slip_across, slip_up

RULE = BracketRule(frame_mm=2400, wished_mm=1600, play_mm=150, centre_share=0.2, inset_mm=60)
CLEAR_MM = 25.0
STUDS = tuple(300.0 + 406.4 * k for k in range(11))


@given(st.floats(1500, 3000), st.floats(300, 4300), st.booleans())
def test_the_other_bracket_goes_to_a_stud_that_serves_and_the_drilled_one_never_moves(
    center: float, held: float, left: bool
) -> None:
    found = pairs_with_drilled(RULE, center, held if left else None, None if left else held, STUDS)
    for one in found:
        assert (one.left_mm if left else one.right_mm) == held
        assert (one.right_mm if left else one.left_mm) in STUDS
        assert serves(RULE, one)
    every = [x for x in STUDS if (x > held if left else x < held) and abs((x + held) / 2 - center) <= 150.0]
    reach = [x for x in every if max(abs(x - center), abs(held - center)) <= 1140.0 and min(abs(x - center), abs(held - center)) >= 480.0]  # fmt: skip
    sides = [x for x in reach if (x - center) * (held - center) < 0]
    assert sorted(one.right_mm if left else one.left_mm for one in found) == pytest.approx(sorted(sides))


@given(st.floats(1500, 3000), st.lists(st.floats(0, 4500), min_size=1, max_size=4))
def test_a_plain_rule_keeps_clear_of_refused_places_with_the_least_change(
    center: float, blocked: list[float]
) -> None:
    found = clear_pair(RULE, center, blocked, CLEAR_MM)
    assert found is not None
    assert serves(RULE, found)
    assert not any(is_blocked(x, blocked, CLEAR_MM) for x in (found.left_mm, found.right_mm))
    if not any(is_blocked(x, blocked, CLEAR_MM) for x in (center - 800, center + 800)):
        assert (found.spacing_mm, found.offset_mm) == pytest.approx((1600, 0))
    assert abs(found.spacing_mm - 1600) <= 8 * CLEAR_MM * len(blocked)


def test_rows_are_where_they_are_drilled_and_keep_their_distance() -> None:
    def fact(key: str, y: float, x: float = 0.0) -> HoleFact:
        return HoleFact(key=key, drilled=True, x_mm=x, y_mm=y)

    assert rows_from_facts_mm((), (2100, 800)) == (2100, 800)
    assert rows_from_facts_mm((fact("upper-left", 2110),), (2100, 800)) == (2110, 810)
    assert rows_from_facts_mm((fact("lower-left", 790), fact("lower-right", 794)), (2100, 800)) == (2092, 792)
    assert rows_from_facts_mm((fact("upper-left", 2110), fact("lower-left", 795)), (2100, 800)) == (2110, 795)
    both = (fact("lower-left", 795, 710), fact("upper-left", 2110, 700))
    assert (drilled_x_mm(both, "left"), drilled_x_mm(both, "right")) == (700, None)


AROUND = Around(wall_mm=4700, center_mm=2350, drop_mm=44.45, border_mm=80, datum_mm=1100, spacing_mm=406.4, inches=True)  # fmt: skip


@pytest.mark.parametrize(
    ("planned", "drilled", "words"),
    [
        (
            336.55,
            247.65 + 2 * 88.9,
            "the drop added",
        ),  # 9 3/4 becomes 13 1/4 with a drop of 1 3/4 added twice
        (2000.0, 2044.45, "the drop left out"),
        (2000.0, 1955.0, "the drop taken off twice"),
        (1250.0, 950.0, "down from the datum"),
        (2000.0, 2025.4, "an inch misread"),
        (2000.0, 2304.0, "a foot misread"),
    ],
)
def test_a_height_that_is_off_by_a_usual_slip_is_named(planned: float, drilled: float, words: str) -> None:
    found = slip_up(planned, planned + 88.9 if "added" in words else drilled, AROUND, 4.0)
    assert found is not None
    assert words in found.name


@given(st.floats(400, 4300), st.floats(-3, 3))
def test_a_place_along_the_wall_is_named_by_its_slip_or_not_at_all(planned: float, off: float) -> None:
    assert slip_across(planned, planned + off, AROUND, 4.0) is None  # at its mark
    assume(min(abs(planned - 2350), abs(planned - 4700 / 2)) > 300)
    found = slip_across(planned, 4700 - planned + off, AROUND, 4.0)
    assert found is not None
    assert found.left_mm <= 4.0
    assert slip_across(planned, planned + 190.0, AROUND, 2.0) is None or abs(4700 - 2 * planned - 190) < 10
