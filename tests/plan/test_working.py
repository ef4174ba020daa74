"""Workings: the formula reads as a person writes it, and gives the number again."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.units import LengthStyle, Units
from gantline.plan.working import Expr, WorkingDraft, as_plain, least, most, root, size, square, term

IN = Units(LengthStyle.INCH_FRACTIONS)


def test_a_formula_keeps_its_parentheses_and_no_more() -> None:
    a, b, c = term("frame top", 10.0), term("drop", 2.0), term("datum line", 3.0)
    assert (a - b - c).formula() == "frame top − drop − datum line"
    assert (a - (b - c)).formula() == "frame top − (drop − datum line)"
    assert ((a + b) / 2.0).formula() == "(frame top + drop) / 2"
    assert (2.0 * a + b).formula() == "2 × frame top + drop"
    assert root(square(a) + square(b)).formula() == "root of (frame top² + drop²)"
    assert square(square(a)).formula() == "frame top⁴"
    assert most(a, least(b, c)).formula() == "largest of (frame top, smallest of (drop, datum line))"


def test_a_working_puts_its_numbers_in_and_says_what_the_tape_does_to_them() -> None:
    made = term("frame top", 2130.425) - term("drop", 38.1)
    written = WorkingDraft(made.value, "", made, "", "marked from the datum", IN).written()
    assert written.substituted == "83.875\u00a0in − 1.500\u00a0in"
    assert written.result == "82.375\u00a0in"
    assert written.rounding == "on the tape 82\u00a03⁄8″, exact"
    assert [(one.name, one.text) for one in written.terms] == [
        ("frame top", "83.875\u00a0in"),
        ("drop", "1.500\u00a0in"),
    ]
    assert (
        as_plain(WorkingDraft(1.0, "x", None, "usual", "", IN))
        == WorkingDraft(1.0, "x", None, "usual", "", IN).written()
    )
    with pytest.raises(TypeError):
        as_plain(object())


numbers = st.floats(-5000, 5000).filter(lambda value: abs(value) > 1e-3)
terms = st.builds(lambda name, value: term(f"t{name}", value), st.integers(0, 3), numbers)


def joined(inner: st.SearchStrategy[Expr]) -> st.SearchStrategy[Expr]:
    two = st.tuples(inner, inner)
    return st.one_of(
        two.map(lambda ab: ab[0] + ab[1]),
        two.map(lambda ab: ab[0] - ab[1]),
        two.map(lambda ab: ab[0] * ab[1]),
        two.filter(lambda ab: abs(ab[1].value) > 1e-6).map(lambda ab: ab[0] / ab[1]),
        two.map(lambda ab: least(*ab)),
        two.map(lambda ab: most(*ab)),
        inner.map(size),
        inner.map(square),
        inner.map(lambda one: root(size(one))),
    )


@given(st.recursive(terms, joined, max_leaves=6))
def test_any_working_gives_its_number_again_from_its_terms(expr: Expr) -> None:
    values: dict[str, float] = {}
    consistent = all(values.setdefault(one.name, one.value) == one.value for one in expr._leaves())
    if consistent and math.isfinite(expr.value):
        assert expr.evaluate({one.name: one.value for one in expr.terms()}) == pytest.approx(
            expr.value, rel=1e-12
        )
    assert expr.formula()
    assert expr.put_in(IN)
