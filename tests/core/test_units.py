"""The tape: reading what people type, writing what a tape shows, rounding once."""

from contextlib import suppress
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.doubt import other_readings
from gantline.core.typed_length import UnreadableLength, read_length
from gantline.core.units import LengthStyle, Units, length_text, off_text, plain, read_tape, tolerance_text

FEET = Units(LengthStyle.FEET_INCHES, 16)
ALL_UNITS = [Units(style, fraction) for style in LengthStyle for fraction in (8, 16, 32)]
lengths = st.floats(0.0, 30_000.0)


# millimetres by the definition of the inch, 25.4 mm, worked by hand
@pytest.mark.parametrize(
    ("typed", "mm"),
    [
        ("8' 2 1/2\"", 98.5 * 25.4), ("8-2 1/2", 98.5 * 25.4), ("8-2-1/2", 98.5 * 25.4), ("98 1/2", 98.5 * 25.4),
        ("98-1/2", 98.5 * 25.4), ("98½", 98.5 * 25.4), ("8′ 2½″", 98.5 * 25.4), ("98.5''", 98.5 * 25.4),
        ("8 ft 2.5 in.", 98.5 * 25.4), ("2.5m", 2500.0), ("2,5 m", 2500.0), ("250 cm", 2500.0), ("2500mm", 2500.0),
        ("2500", 2500 * 25.4), ("½", 12.7), ("-3 1/2", -88.9), ("8'", 2438.4),
    ],
)  # fmt: skip
def test_every_usual_way_of_writing_a_length_is_understood(typed: str, mm: float) -> None:
    assert read_length(typed, FEET).length_mm == pytest.approx(mm, abs=1e-9)


def test_a_bare_number_counts_in_the_jobs_unit() -> None:
    read = {style: read_length("12", Units(style)).length_mm for style in LengthStyle}
    assert read == {"ft-in": 304.8, "in-fraction": 304.8, "in": 304.8, "mm": 12.0, "cm": 120.0}


@pytest.mark.parametrize(
    ("typed", "said"),
    [
        ("", "missing"), ("about 8", "not a unit"), ("12 parsecs", "read “12”"), ("2,500", "thousands or decimals"),
        ("8' 14\"", "under 12"), ("5 2⅞", "do not make one length"), ("1/0", "no fraction"), ("98 3/2", "no fraction"),
        ("8.5' 2\"", "feet with a fraction"), ("9" * 80, "missing"), ("7 +", "not part of a length"),
    ],
)  # fmt: skip
def test_nonsense_is_refused_with_what_was_understood(typed: str, said: str) -> None:
    with pytest.raises(UnreadableLength, match=said):
        read_length(typed, FEET)


@given(st.text(max_size=70))
def test_any_text_is_a_length_or_refused_never_a_crash(typed: str) -> None:
    with suppress(UnreadableLength):
        assert read_length(typed, FEET).understood


@given(lengths, st.sampled_from(ALL_UNITS))
def test_text_to_length_to_text_is_stable_and_off_by_half_a_step_at_most(mm: float, units: Units) -> None:
    text = length_text(mm, units)
    for shown in (text, plain(text)):
        again = read_length(shown, units).length_mm
        assert length_text(again, units) == text
        assert abs(again - mm) <= float(units.grid) / 2 * (1 + 1e-6)


def test_a_mark_rounds_once_and_half_away_from_zero() -> None:
    sixteenths = Units(LengthStyle.INCH_FRACTIONS, 16)
    half_a_step = 25.4 / 32
    assert plain(length_text(10 * 25.4 + half_a_step, sixteenths)) == '10 1/16"'
    assert plain(length_text(-10 * 25.4 - half_a_step, sixteenths)) == '-10 1/16"'
    assert read_tape(2.5, Units()).read_mm == 3.0
    # 1/16 in errs by up to 0.79 mm, 1/32 by up to 0.40
    for denominator, worst in ((16, 0.79375), (32, 0.396875)):
        assert float(Fraction(127, 5) / denominator) / 2 == pytest.approx(worst)


def test_feet_carry_and_fractions_are_reduced() -> None:
    assert length_text(11.99 * 25.4, FEET) == "1′\u00a00″"
    assert length_text(98.25 * 25.4, FEET) == "8′\u00a02\u00a01\u20444″"


@given(st.integers(1, 5000), st.sampled_from(["", " 3/8", ".580", ".5"]), st.sampled_from(list(LengthStyle)))
def test_every_reading_of_a_doubtful_length_can_be_taken_without_a_doubt(
    whole: int, rest: str, style: LengthStyle
) -> None:
    units, text = Units(style), f"{whole}{rest}"
    choices = other_readings(text, units, (1200.0, 15_000.0))
    lengths = [read_length(one, units).length_mm for one in choices]
    assert len(set(lengths)) == len(choices) != 1
    assert all(other_readings(one, units, (1200.0, 15_000.0)) == () for one in choices)
    if "/" in rest and style in (LengthStyle.MILLIMETERS, LengthStyle.CENTIMETERS):
        assert len(choices) == 2  # a fraction in a metric job


def test_inches_under_one_after_feet_show_their_zero_and_an_allowed_error_is_no_finer_than_the_tape() -> None:
    feet = Units(LengthStyle.FEET_INCHES)
    assert length_text(8 * 304.8 + 12.7, feet) == "8′\u00a00\u00a01\u20442″"
    assert length_text(12.7, feet) == "1\u20442″"
    assert tolerance_text(2.0, feet) == "1\u204416″"  # 2 mm is 1.26 of 16ths
    assert tolerance_text(1.0, feet) == "no difference you can see at 1\u204416″"
    assert off_text(1.0, feet) == "1\u204416″"
    assert off_text(4.5, Units()) == "5\u00a0mm"
