"""Errors add as roots of squares; chances are those of the normal curve; the best measurement is the one that helps."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.trip import DOUBT, Trip, move_of


def trip(
    moves: list[list[float]], spreads: list[float], tolerances: list[float], measured: float = 0.1
) -> Trip:
    return Trip(
        moves=np.array(moves),
        spreads=np.array(spreads),
        measured=np.full(len(spreads), measured),
        tolerances=np.array(tolerances),
    )


def test_two_facts_add_as_the_root_of_their_squares() -> None:
    assert trip([[1.0], [0.5]], [3.0, 8.0], [5.0]).off_mm() == pytest.approx([5.0])


@given(st.floats(0.5, 4.0), st.floats(0.3, 3.0))
def test_the_chance_of_one_fact_is_the_area_under_the_normal_curve(spread: float, tolerance: float) -> None:
    expected = math.erf(tolerance / spread / math.sqrt(2.0))
    assert trip([[1.0]], [spread], [tolerance]).chance() == pytest.approx(expected, abs=0.02)


def test_the_two_measurements_that_raise_the_chance_most_are_found_in_order() -> None:
    # the second fact is the worst, the third harmless, the first in between
    found = trip([[1.0], [1.0], [0.01]], [4.0, 20.0, 4.0], [5.0])
    chosen, then = found.best(2)
    assert chosen == (1, 0)
    assert found.chance() < 0.25
    assert then > 0.99


def test_a_move_is_the_steeper_side_and_what_vanishes_counts_as_ten_tolerances() -> None:
    now, allowed = np.array([100.0, 50.0]), np.array([2.0, 3.0])
    moves = move_of(now, np.array([104.0, 50.0]), np.array([90.0, np.nan]), 2.0, allowed)
    assert moves == pytest.approx([5.0, -DOUBT * 3.0 / 2.0])
    assert move_of(now, None, None, 2.0, allowed) == pytest.approx([0.0, 0.0])
