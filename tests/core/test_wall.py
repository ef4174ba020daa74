"""Brackets and marks: the right studs, and marks from two datums that agree."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.height.profile import Profile
from gantline.core.units import LengthStyle, Units, read_tape
from gantline.core.wall.brackets import BracketPair, BracketRule, place_by_rule, place_on_studs
from gantline.core.wall.loads import (
    FIXINGS,
    drill_depth_mm,
    in_backer,
    load_of,
    row_shares,
    screw_length_mm,
    utilization,
)
from gantline.core.wall.marks import hole_rows_mm, holes, level_tolerance_mm, mark
from gantline.core.wall.screws import SOLD_MM, sold_length_mm, sold_lengths_mm
from gantline.core.wall.studs import StudLattice

INCH = 25.4


def rule(play: float = 4 * INCH) -> BracketRule:
    return BracketRule(frame_mm=132 * INCH, wished_mm=88 * INCH, play_mm=play, centre_share=0.2, inset_mm=60)


def test_the_studs_of_a_known_wall() -> None:
    # studs every 16 in from 6 5/16; a 132 in frame about 93 in wishes 88: 54 5/16 and 134 5/16, 80 apart
    studs = StudLattice(
        known_mm=6.3125 * INCH, spacing_mm=16 * INCH, stud_mm=38, wall_mm=186 * INCH
    ).centres_mm
    choice = place_on_studs(rule(), 93 * INCH, studs)
    assert choice.best is not None
    assert (choice.best.left_mm / INCH, choice.best.right_mm / INCH) == pytest.approx((54.3125, 134.3125))
    assert choice.best.offset_mm / INCH == pytest.approx(1.3125)


@given(
    st.floats(0, 600),
    st.sampled_from([400.0, 406.4, 450.0, 600.0, 609.6]),
    st.floats(1500, 3500),
    st.floats(0, 200),
)
def test_no_other_pair_serves_better_and_a_miss_names_a_move_that_helps(
    first: float, spacing: float, centre: float, play: float
) -> None:
    studs = StudLattice(known_mm=first, spacing_mm=spacing, stud_mm=38, wall_mm=5000).centres_mm
    asked = BracketRule(frame_mm=2400, wished_mm=1600, play_mm=play, centre_share=0.2, inset_mm=60)
    choice = place_on_studs(asked, centre, studs)

    def serves(a: float, b: float, about: float) -> bool:
        even = abs((a + b) / 2 - about) <= max(play, 1.0) + 1e-6
        return (
            even
            and about - a >= 480 - 1e-6
            and b - about >= 480 - 1e-6
            and max(about - a, b - about) <= 1140 + 1e-6
        )

    serving = [(a, b) for a in studs for b in studs if a < b and serves(a, b, centre)]
    if choice.best is None:
        assert serving == []
        if choice.move_screen_mm is not None:
            moved = centre + choice.move_screen_mm
            assert place_on_studs(asked, moved, studs).best is not None
    else:
        assert (choice.best.left_mm, choice.best.right_mm) in serving
        closest = min(abs(b - a - 1600) for a, b in serving)
        assert abs(choice.best.spacing_mm - 1600) == pytest.approx(closest, abs=1e-5)


def test_four_holes_hang_below_the_top_by_the_drop() -> None:
    rows = hole_rows_mm(top_mm=2200, frame_height_mm=1400, drop_mm=30, row_offset_mm=60)
    four = holes(BracketPair(left_mm=1000, right_mm=3000, offset_mm=0), *rows)
    assert [(one.key, one.x_mm, one.y_mm) for one in four] == [
        ("upper-left", 1000, 2170), ("upper-right", 3000, 2170), ("lower-left", 1000, 830), ("lower-right", 3000, 830),
    ]  # fmt: skip
    assert len(holes(BracketPair(left_mm=1000, right_mm=3000, offset_mm=0), 2170, None)) == 2
    with pytest.raises(OutOfRange):
        hole_rows_mm(top_mm=100, frame_height_mm=50, drop_mm=5, row_offset_mm=60)


@given(st.floats(500, 2400), st.floats(300, 4500), st.floats(-20, 20), st.sampled_from([8, 16, 32]))
def test_marks_from_two_datums_agree_to_the_rounding(
    y: float, x: float, tilt: float, denominator: int
) -> None:
    floor, ceiling = Profile(((0.0, 0.0), (4800.0, tilt))), Profile(((0.0, 2440.0), (4800.0, 2440.0 - tilt)))
    hole = holes(BracketPair(left_mm=x, right_mm=x + 1, offset_mm=0), y, y - 180)[0]
    one = mark(hole, datum_mm=1200, centre_mm=2400, stud_mm=None, floor=floor, ceiling=ceiling)
    units = Units(LengthStyle.INCH_FRACTIONS, denominator)
    step = float(units.grid)
    from_datum = 1200 + read_tape(one.from_datum_mm, units).read_mm
    from_floor = floor.at(x) + read_tape(one.to_floor_mm, units).read_mm
    from_ceiling = ceiling.at(x) - read_tape(one.to_ceiling_mm, units).read_mm
    assert max(from_datum, from_floor, from_ceiling) - min(from_datum, from_floor, from_ceiling) <= step * (
        1 + 1e-9
    )


def test_masonry_takes_the_rule_and_level_tightens_with_a_short_span() -> None:
    pair = place_by_rule(rule(), 2000)
    assert (pair.spacing_mm, pair.offset_mm) == (pytest.approx(88 * INCH), 0)
    assert level_tolerance_mm(1200, most_mm=1.0) == pytest.approx(0.6)
    assert level_tolerance_mm(3000, most_mm=1.0) == 1.0


def test_loads_are_those_worked_by_hand() -> None:
    # 20 kg, factor 4: 784.8 N; on two brackets 392.4 N each; 40 mm out over 1300 mm down: 24.1 N, 12.1 N each
    shears, pulls = row_shares([1000, 2000], 1500, shared=False)
    each = load_of(
        20, factor=4, shear_share=shears[0], pull_share=pulls[0], out_mm=40, down_mm=1300, cleat=False
    )
    assert each.shear_n == pytest.approx(392.4)
    assert each.pull_n == pytest.approx(784.8 * 40 / 1300 / 2)
    assert utilization(each, 700, 600) == pytest.approx(392.4 / 700 + 12.07 / 600, abs=1e-4)
    cleat = load_of(20, factor=4, shear_share=0.25, pull_share=0.25, out_mm=40, down_mm=1300, cleat=True)
    assert cleat.pull_n == pytest.approx(784.8 / 4)  # the bevel pulls out as hard as the weight pulls down
    # a center 300 mm from the left one of two a meter apart: seven tenths and three tenths, by the lever
    assert row_shares([1000, 2000], 1300, shared=False)[0] == pytest.approx((0.7, 0.3))
    # of four any two may have to bear; what pulls outward goes over all, and its moment balances
    shears, pulls = row_shares([0, 1000, 2000, 3000], 1200, shared=False)
    assert shears == pytest.approx((0.5, 0.5, 0.5, 0.5))
    assert sum(pulls) == pytest.approx(1)
    assert sum(x * one for x, one in zip([0, 1000, 2000, 3000], pulls, strict=True)) == pytest.approx(1200)
    screw = FIXINGS["screw-6"]
    # every layer counts: a bracket's plate; a cleat's board; a ledger's; and a backer holds with its own 18 mm, drywall behind it
    assert screw_length_mm(screw, through_mm=(3, 12.5)) == 55.5
    assert screw_length_mm(screw, through_mm=(18, 12.5)) == 70.5
    assert screw_length_mm(screw, through_mm=(38, 12.5)) == 90.5
    assert screw_length_mm(in_backer(screw, 18), through_mm=(3,)) == 21
    assert (sold_length_mm(70.5, None, SOLD_MM), sold_length_mm(21, 33.5, SOLD_MM)) == (80, 25)
    assert sold_length_mm(55.5, None, sold_lengths_mm(inches=True)) == pytest.approx(2.5 * 25.4)
    assert sold_length_mm(34, 33.5, SOLD_MM) is None
    assert (drill_depth_mm(screw, cover_mm=12.5), drill_depth_mm(FIXINGS["plug-brick"], cover_mm=10)) == (
        52.5,
        70.0,
    )
