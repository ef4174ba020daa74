"""Cutting: every piece once, every board's cuts, kerfs and off-cut come to its length, and nothing is cheaper."""

from dataclasses import replace
from itertools import product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.frame.cutting import CannotCut, Stock, Wanted, cut_plan
from gantline.core.frame.least_price import least_price

STOCKS = [
    Stock(key="a", length_mm=2440, price=6.2),
    Stock(key="b", length_mm=3050, price=7.9),
    Stock(key="c", length_mm=3660, price=9.8),
]
lengths = st.lists(st.integers(3000, 33_000).map(lambda tenth: tenth / 10.0), min_size=1, max_size=9)


def wanted(found: list[float]) -> list[Wanted]:
    return [Wanted(name=f"p{at}", length_mm=one) for at, one in enumerate(found)]


@given(lengths, st.sampled_from([0.0, 3.0, 3.2]), st.sampled_from([0.0, 10.0]))
def test_cuts_kerfs_and_the_off_cut_are_the_board(found: list[float], kerf: float, trim: float) -> None:
    made = cut_plan(wanted(found), STOCKS, kerf_mm=kerf, trim_mm=trim)
    assert made.proven
    assert sorted(cut.name for one in made.boards for cut in one.cuts) == sorted(
        f"p{at}" for at in range(len(found))
    )
    for board in made.boards:
        ends = trim
        for cut in board.cuts:
            assert cut.from_mm == pytest.approx(ends, abs=1e-6)
            assert cut.to_mm - cut.from_mm == pytest.approx(found[int(cut.name[1:])], abs=0.05)
            ends = cut.to_mm + kerf
        assert board.cuts[-1].to_mm <= board.length_mm - trim + 1e-3
        assert ends + board.offcut_mm == pytest.approx(board.length_mm, abs=0.1) or ends > board.length_mm


def cheapest(found: list[float], kerf: float, trim: float) -> float:
    """By trying every way of sharing a few pieces out, and the cheapest board for each share."""
    best = float("inf")
    for shares in product(range(len(found)), repeat=len(found)):
        price = 0.0
        for share in set(shares):
            own = [one for one, at in zip(found, shares, strict=True) if at == share]
            long = sum(own) + (len(own) - 1) * kerf + 2 * trim
            fit = [one.price for one in STOCKS if one.length_mm >= long - 1e-6]
            price += min(fit, default=float("inf"))
        best = min(best, price)
    return best


@given(st.lists(st.integers(40, 320).map(lambda cm: cm * 10.0), min_size=1, max_size=5))
def test_nothing_is_cheaper(found: list[float]) -> None:
    made = cut_plan(wanted(found), STOCKS, kerf_mm=3, trim_mm=10)
    assert made.price == pytest.approx(cheapest(found, 3, 10))
    assert least_price(wanted(found), STOCKS, kerf_mm=3, trim_mm=10) == pytest.approx(made.price)
    one_long = [*STOCKS[:2], replace(STOCKS[2], count=1)]
    try:
        few = cut_plan(wanted(found), one_long, kerf_mm=3, trim_mm=10).price
    except CannotCut:
        few = None
    assert least_price(wanted(found), one_long, kerf_mm=3, trim_mm=10) == pytest.approx(few)


def test_of_the_cheapest_the_fewest_boards_and_the_longest_off_cut() -> None:
    pieces = wanted([1000, 1000, 1000, 600])
    made = cut_plan(pieces, [Stock(key="x", length_mm=2400, price=5.0)], kerf_mm=0, trim_mm=0)
    # 2 boards either way: 1000 + 1000 and 1000 + 600 leave 800, two thousands and a long rest would leave less
    assert len(made.boards) == 2
    assert made.longest_offcut_mm == pytest.approx(800.0)
    two = cut_plan(wanted([2000, 2000]), [Stock(key="s", length_mm=2100, price=5), Stock(key="l", length_mm=4100, price=10)], kerf_mm=3, trim_mm=0)  # fmt: skip
    assert [one.stock for one in two.boards] == ["l"]  # the same price: one board rather than two


def test_counted_boards_are_not_taken_twice_and_what_no_board_holds_is_named() -> None:
    counted = [Stock(key="on hand", length_mm=3050, price=0.0, count=1), *STOCKS]
    made = cut_plan(wanted([1400, 1400, 1400, 1400]), counted, kerf_mm=3, trim_mm=10)
    assert [one.stock for one in made.boards].count("on hand") == 1
    with pytest.raises(CannotCut) as refused:
        cut_plan(wanted([3700]), STOCKS, kerf_mm=3, trim_mm=10)
    assert refused.value.context["piece"] == "p0"
    with pytest.raises(CannotCut, match="too few boards"):
        cut_plan(wanted([1400, 1400, 1400]), counted[:1], kerf_mm=3, trim_mm=10)
