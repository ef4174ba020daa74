"""Order of tension: every point once, opposite pairs in step, mirrored from the back."""

from itertools import pairwise

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.frame.plates import place_plates, plate_spans_mm
from gantline.core.tension.holds import HOLDS, Hold, School
from gantline.core.tension.order import Bars, Frame, tension_order
from gantline.core.tension.own_order import own_order
from gantline.core.tension.points import (
    OPPOSITE,
    Corner,
    Layout,
    Side,
    TensionPoint,
    numbered,
    pair_numbers,
    spread,
)
from gantline.core.tension.position_lines import past_edge_mm
from gantline.core.tension.steps import TensionStep

sides = st.floats(700, 4200)


def ordered(
    width: float, height: float, hold: Hold, school: School, **more: object
) -> tuple[tuple[TensionPoint, ...], tuple[TensionStep, ...]]:
    first = 200.0 if HOLDS[hold].filled else None
    spacing = {Hold.STAPLE: 35.0, Hold.SPRING: 120.0}.get(hold, 175.0)
    points = spread(
        Layout(width_mm=width, height_mm=height, spacing_mm=spacing, inset_mm=50, first_pass_mm=first)
    )
    frame = Frame(width_mm=width, height_mm=height, corner_stop_mm=150, **more)  # type: ignore[arg-type]
    return points, tension_order(points, frame, hold, school)


@given(sides, sides, st.sampled_from(list(Hold)), st.sampled_from(list(School)))
def test_every_point_is_held_once_with_its_partner_straight_across(
    width: float, height: float, hold: Hold, school: School
) -> None:
    points, steps = ordered(width, height, hold, school)
    by_number = {point.number: point for point in points}
    tight = [step for step in steps if step.part != "Loose pass"]
    assert sorted(n for step in tight for n in step.points + step.partners) == sorted(by_number)
    for step in tight:
        for own, across in zip(step.points, step.partners, strict=False):
            a, b = by_number[own], by_number[across]
            assert b.side == OPPOSITE[a.side]
            assert a.reading_mm == pytest.approx(b.reading_mm)
    assert [step.number for step in steps] == list(range(1, len(steps) + 1))


@given(sides, sides, st.sampled_from([Hold.SNAP, Hold.LACE, Hold.STAPLE]))
def test_no_side_is_finished_before_its_opposite_is_begun(width: float, height: float, hold: Hold) -> None:
    points, steps = ordered(width, height, hold, School.MIDDLES_OUTWARD)
    side_of = {point.number: point.side for point in points}
    left = {side: sum(1 for one in points if one.side is side) for side in OPPOSITE}
    begun = set()
    for step in (one for one in steps if one.part != "Loose pass"):
        for number in step.points + step.partners:
            left[side_of[number]] -= 1
            begun.add(side_of[number])
        for side, open_points in left.items():
            assert open_points > 0 or OPPOSITE[side] in begun


def test_springs_go_corners_first_crosswise_then_short_sides_then_the_bar_then_long() -> None:
    _, steps = ordered(2400, 1400, Hold.SPRING, School.CORNERS_FIRST, centre_bars=1)
    assert [step.place for step in steps[:4]] == [
        "top left corner",
        "bottom right corner",
        "top right corner",
        "bottom left corner",
    ]
    parts = list(dict.fromkeys(step.part for step in steps))
    assert parts == ["Corners", "Short sides", "Center bar", "Long sides"]
    assert all(len(step.points) == 2 for step in steps[:4])
    long_first = ordered(2400, 1400, Hold.SPRING, School.CORNERS_FIRST, short_sides_first=False)[1]
    assert list(dict.fromkeys(step.part for step in long_first)) == ["Corners", "Long sides", "Short sides"]


def test_staples_begin_at_the_middles_and_leave_the_corners_to_the_last_of_the_first_pass() -> None:
    points, steps = ordered(3300, 1400, Hold.STAPLE, School.MIDDLES_OUTWARD)
    assert [step.place for step in steps[:4]] == ["bottom", "top", "left", "right"]
    parts = list(dict.fromkeys(step.part for step in steps))
    assert parts == ["Middles", "Outward", "Corners", "Fill"]
    reading = {
        point.number: min(
            point.reading_mm, (3300 if point.side in ("top", "bottom") else 1400) - point.reading_mm
        )
        for point in points
    }
    corner = {n for step in steps if step.part == "Corners" for n in step.points}
    assert all((reading[n] < 150) == (n in corner) for n in reading)
    walked = [
        min(step.tapes[0].readings_mm[0], 3300 - step.tapes[0].readings_mm[0])
        for step in steps
        if step.part == "Outward" and step.place == "bottom"
    ]
    assert walked == sorted(walked, reverse=True)  # outward: ever nearer the corner


def test_lacing_is_threaded_loosely_all_round_before_it_is_tightened() -> None:
    points, steps = ordered(3500, 2200, Hold.LACE, School.MIDDLES_OUTWARD)
    loose = [step for step in steps if step.part == "Loose pass"]
    assert sorted(n for step in loose for n in (*step.points, *step.partners)) == [
        one.number for one in points
    ]
    assert [step.place for step in loose[:4]] == [
        "bottom",
        "top",
        "left",
        "right",
    ]  # at the middles of all four
    middle = {point.number: abs(point.reading_mm - 1750) for point in points if point.side == "bottom"}
    assert max(middle[n] for n in loose[0].points) <= 175
    walked = [middle[n] for n in loose[4].points]
    assert walked == sorted(walked)  # then outward
    assert steps[len(loose)].part == "Middles"


@given(sides, sides, st.sampled_from(list(Hold)), st.sampled_from(list(School)))
def test_every_reading_is_named_with_its_point_and_its_own_tape(
    width: float, height: float, hold: Hold, school: School
) -> None:
    points, steps = ordered(width, height, hold, school)
    by_number = {point.number: point for point in points}
    for step in steps:
        assert [n for tape in step.tapes for n in tape.points] == list(step.points)
        assert len({tape.side for tape in step.tapes}) == len(step.tapes)
        for tape in step.tapes:
            assert tape.edge.split()[1] == ("rail" if tape.side in ("top", "bottom") else "stile")
            for number, reading in zip(tape.points, tape.readings_mm, strict=True):
                assert (by_number[number].side, by_number[number].reading_mm) == (tape.side, reading)


def test_the_words_of_an_order_fit_its_hold() -> None:
    for hold in Hold:
        said = " ".join(
            f"{one.action} {one.reason}" for one in ordered(2400, 1400, hold, School.MIDDLES_OUTWARD)[1]
        )
        by_hand = hold in (Hold.STAPLE, Hold.TACK, Hold.SNAP, Hold.LACE)
        assert ("the pull of the hand" in said) == by_hand, hold
        assert ("pull along the diagonal" in said) == by_hand, hold
        assert ("fold" in said) == (hold in (Hold.STAPLE, Hold.TACK)), hold


@given(sides, sides)
def test_points_are_mirrored_about_both_middles_and_run_clockwise_from_the_back(
    width: float, height: float
) -> None:
    points = spread(Layout(width_mm=width, height_mm=height, spacing_mm=130, inset_mm=45))
    tops = [p.u_mm for p in points if p.side == "top"]
    lefts = [p.v_mm for p in points if p.side == "left"]
    # from the front u becomes width - u: the same places, so a sheet drawn for the back fits the wall
    assert [width - u for u in reversed(tops)] == pytest.approx(tops)
    assert [height - v for v in reversed(lefts)] == pytest.approx(lefts)
    assert (points[0].u_mm, points[0].v_mm) == (45, height)
    assert points[1].u_mm > points[0].u_mm


def test_gaps_never_exceed_the_spacing_and_counts_take_its_place() -> None:
    points = spread(Layout(width_mm=2400, height_mm=1400, spacing_mm=120, inset_mm=50, rail_count=9))
    assert sum(1 for p in points if p.side == "top") == 9
    left = sorted(p.reading_mm for p in points if p.side == "left")
    assert max(b - a for a, b in pairwise(left)) <= 120
    for bad in ({"rail_count": 1}, {"inset_mm": 700.0}, {"spacing_mm": 0.5}):
        with pytest.raises(OutOfRange):
            spread(Layout(**{"width_mm": 2400, "height_mm": 1400, "spacing_mm": 120, "inset_mm": 50, **bad}))  # type: ignore[arg-type]


wishes = st.fixed_dictionaries(
    {
        "first_side": st.none() | st.sampled_from(list(Side)),
        "in_step": st.booleans(),
        "batch": st.integers(1, 5),
        "corner_pass": st.integers(1, 2),
        "cluster": st.integers(1, 5),
        "from_end": st.booleans(),
        "bars": st.sampled_from(list(Bars)),
        "rods_last": st.booleans(),
        "trim_after": st.booleans(),
        "centre_bars": st.integers(0, 2),
    }
)


@given(sides, sides, st.sampled_from(list(Hold)), st.sampled_from(list(School)), wishes)
def test_whatever_the_crew_wishes_every_point_is_held_once(
    width: float, height: float, hold: Hold, school: School, wished: dict[str, object]
) -> None:
    points, steps = ordered(width, height, hold, school, **wished)
    held = [number for step in steps if not step.loose for number in step.points + step.partners]
    assert sorted(held) == [one.number for one in points]
    assert [step.number for step in steps] == list(range(1, len(steps) + 1))
    parts = [step.part for step in steps]
    assert parts.count("Center bar") == (1 if wished["centre_bars"] else 0)
    last = [part for part in parts if part in ("Adjusting rods", "Trim")]
    assert last == ["Adjusting rods"] * bool(wished["rods_last"]) + ["Trim"] * bool(wished["trim_after"])
    assert not last or parts[-len(last) :] == last
    inner = [step for step in steps if step.part in ("Short sides", "Long sides", "Outward")]
    assert all(len(step.points) <= int(str(wished["batch"])) for step in inner)
    if wished["in_step"]:
        assert all(len(step.points) == len(step.partners) for step in inner)
    # three at a time go to one side of the middle and then to the other; an even number is halved
    batch = int(str(wished["batch"]))
    if not wished["from_end"] and batch > 1:
        by_number = {point.number: point for point in points}
        ahead: dict[Side, int] = {}
        for step in inner:
            for number in step.points:
                point = by_number[number]
                middle = (width if point.side in (Side.TOP, Side.BOTTOM) else height) / 2.0
                off = point.reading_mm - middle
                ahead[point.side] = ahead.get(point.side, 0) + (
                    0 if abs(off) < 1e-6 else 1 if off > 0 else -1
                )
            assert abs(ahead[Side(step.place)]) <= (batch if batch % 2 else 1)
    first = wished["first_side"]
    begun = [step for step in steps if step.part == "Middles"] or inner
    if any(step.place == first for step in begun):
        assert begun[0].place == first
    if school is School.MIDDLES_OUTWARD and not wished["in_step"]:
        order = list(
            dict.fromkeys(step.place for step in inner)
        )  # a whole side, its opposite, then the other pair
        assert [step.place for step in inner] == sorted((step.place for step in inner), key=order.index)
        assert all(OPPOSITE[Side(a)] == b for a, b in zip(order[::2], order[1::2], strict=True))


@given(sides, sides, st.sampled_from(list(Corner)), st.booleans())
def test_a_makers_own_numbers_go_once_round_from_their_corner(
    width: float, height: float, corner: Corner, clockwise: bool
) -> None:
    points = spread(Layout(width_mm=width, height_mm=height, spacing_mm=150, inset_mm=50))
    own = numbered(points, corner, clockwise=clockwise)
    assert sorted(one.number for one in own) == [one.number for one in points]
    assert {(one.u_mm, one.v_mm, one.side) for one in own} == {
        (one.u_mm, one.v_mm, one.side) for one in points
    }
    first = min(own, key=lambda one: one.number)
    left, low = "left" in corner.value, "bottom" in corner.value
    assert (first.u_mm < width / 2) == left
    assert (first.v_mm < height / 2) == low


@given(sides, sides, st.sampled_from(list(Corner)), st.booleans())
def test_partners_share_the_number_of_their_pair(
    width: float, height: float, corner: Corner, clockwise: bool
) -> None:
    points = numbered(
        spread(Layout(width_mm=width, height_mm=height, spacing_mm=150, inset_mm=50)),
        corner,
        clockwise=clockwise,
    )
    pairs = pair_numbers(points)
    by_pair: dict[int, list[TensionPoint]] = {}
    for one in points:
        by_pair.setdefault(pairs[one.number], []).append(one)
    assert sorted(by_pair) == list(range(1, len(points) // 2 + 1))
    for one, other in by_pair.values():
        assert (OPPOSITE[one.side], one.reading_mm) == (other.side, other.reading_mm)


def test_plates_lie_past_the_return_where_the_board_is_wide_enough() -> None:
    usual = {"wide_mm": 16.0, "leg_mm": 75.0, "clear_mm": 3.0}
    wide = place_plates(64.0, 38.4, **usual)
    assert (wide.past_return, wide.inset_mm) == (True, pytest.approx(41.4))
    assert plate_spans_mm(wide, 2000.0, (1000.0,), 3.0) == ()
    narrow = place_plates(38.0, 22.8, **usual)
    assert (narrow.past_return, narrow.inset_mm) == (False, 22.0)
    assert plate_spans_mm(narrow, 2000.0, (1000.0,), 3.0) == (
        (0.0, 100.0),
        (959.5, 1040.5),
        (1900.0, 2000.0),
    )


@given(sides, sides, st.lists(st.floats(300, 3000), max_size=3))
@example(2125.0, 911.0, [533.5, 576.4])  # two plates that overlap: off one is not off the other
def test_no_staple_lies_on_a_plate_or_nearer_to_its_neighbor_than_wood_bears(
    width: float, height: float, braces: list[float]
) -> None:
    plates = place_plates(38.0, 22.8, wide_mm=16.0, leg_mm=75.0, clear_mm=3.0)
    there = tuple(one for one in braces if 200.0 < one < width - 200.0)
    rails, stiles = plate_spans_mm(plates, width, there, 3.0), plate_spans_mm(plates, height, (), 3.0)
    layout = Layout(
        width_mm=width, height_mm=height, spacing_mm=35, inset_mm=50, first_pass_mm=200,
        off_rails_mm=rails, off_stiles_mm=stiles,
    )  # fmt: skip
    points = spread(layout)
    for one in points:
        spans = rails if one.side in ("top", "bottom") else stiles
        assert not any(low < one.reading_mm < high for low, high in spans), one
    for side in Side:
        at = sorted(one.reading_mm for one in points if one.side is side)
        assert all(b - a >= 10.0 - 1e-6 for a, b in pairwise(at))
    frame = Frame(width_mm=width, height_mm=height, corner_stop_mm=150)
    steps = tension_order(points, frame, Hold.STAPLE, School.MIDDLES_OUTWARD)
    held = [number for step in steps for number in step.points + step.partners]
    assert sorted(held) == [one.number for one in points]


def test_the_other_pair_of_sides_begins_where_the_crew_wants_it() -> None:
    """A whole side and then its opposite: left, right, top, and the bottom last of all."""
    _, steps = ordered(
        2400, 1400, Hold.LUG, School.CORNERS_FIRST, first_side=Side.LEFT, second_side=Side.TOP, in_step=False
    )
    sides_in_turn = list(
        dict.fromkeys(step.place for step in steps if step.part in ("Short sides", "Long sides"))
    )
    assert sides_in_turn == ["left", "right", "top", "bottom"]
    _, steps = ordered(2400, 1400, Hold.SNAP, School.MIDDLES_OUTWARD, second_side=Side.TOP)
    assert [step.place for step in steps[:4]] == ["left", "right", "top", "bottom"]
    with pytest.raises(OutOfRange, match="not across"):
        Frame(width_mm=2400, height_mm=1400, corner_stop_mm=150, first_side=Side.LEFT, second_side=Side.RIGHT)


def test_a_list_of_points_is_followed_as_written_and_what_it_lacks_is_named() -> None:
    """Six points a side of 24: 1 to 6 along the top, so 13 to 18 along the bottom from the right; 1 is across from 18."""
    points = spread(
        Layout(width_mm=1200, height_mm=900, spacing_mm=300, inset_mm=50, rail_count=6, stile_count=6)
    )
    numbered_points = {point.number: point for point in points}
    every = (
        ", ".join(f"{number}+{19 - number}" for number in range(1, 7))
        + "\n"
        + "; ".join(f"{number} {31 - number}" for number in range(7, 13))
    )
    whole = own_order(every, numbered_points, "hook")
    assert [sorted(step.points) for step in whole.steps[:2]] == [[1, 18], [2, 17]]
    assert [step.points for step in whole.steps[6:8]] == [(7,), (24,)]
    assert (len(whole.steps), whole.troubles, whole.left_out, whole.apart) == (18, (), (), 1)
    round_it = own_order(" ".join(map(str, range(1, 25))), numbered_points, "hook")
    assert (round_it.apart, round_it.farthest) == (17, 1)  # 7 to its partner 24 is as far; 1 comes first
    short = own_order("1+18 2+17", numbered_points, "hook")
    assert short.left_out == (*range(3, 17), *range(19, 25))
    assert sum(len(step.points) for step in short.steps) == 24
    wrong = own_order("1, 1, 25, 3a", numbered_points, "hook")
    assert wrong.steps == ()
    assert [text.split(":")[0] for text in wrong.troubles] == [
        "“3a” is no number of a point", "1 is in the list twice", "25 is no point of this frame",
    ]  # fmt: skip


def test_a_line_on_the_cloth_goes_past_the_edge_by_half_the_stretch() -> None:
    """2500 mm of cloth of 15 kN/m at 60 N/m strain by 0.4 %: 10 mm in all, 5 mm at either side."""
    assert past_edge_mm(2500.0, 60.0, 15_000.0) == pytest.approx(5.0)
    with pytest.raises(OutOfRange, match="stiff_n_m"):
        past_edge_mm(2500.0, 60.0, 0.0)
