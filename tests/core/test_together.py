"""Photos of one state taken together: worked by hand, and what chance does to them."""

import numpy as np
import pytest
from numpy.typing import NDArray

from gantline.core.align.together import Answer, likeliest, together
from gantline.core.errors import OutOfRange


def eight(first: float, rest: float = 0.0) -> NDArray[np.float64]:
    return np.array([first, *[rest] * 7])


def known(spread: float) -> NDArray[np.float64]:
    return np.full(8, spread)


def test_the_finer_photo_weighs_more_and_photos_that_disagree_are_named() -> None:
    """Spreads of 0.5 and 1 mm weigh 4 to 1: 3.0 and 4.0 make 3.2, known to 1/sqrt(4 + 1) = 0.447 mm."""
    state = together([(eight(3.0), known(0.5)), (eight(4.0), known(1.0))])
    assert (state.outside_mm[0], state.outside_mm[1]) == (pytest.approx(3.2), 0.0)
    assert (state.sigma_mm[0], state.agree, state.reading) == (pytest.approx(0.4472, abs=1e-4), True, 0)
    two = together(
        [(eight(3.0), known(0.5)), (eight(9.0), known(0.5))]
    )  # 6 mm apart; 4 × 0.5 × sqrt 2 = 2.83 allowed
    assert (two.agree, two.off, two.apart_mm) == (False, None, 6.0)
    three = together([(eight(3.0), known(0.5)), (eight(9.0), known(0.5)), (eight(3.4), known(0.5))])
    assert (three.agree, three.off) == (False, 1)
    with pytest.raises(OutOfRange, match="spreads above 0"):
        together([])


def test_the_spread_that_is_said_holds_what_chance_does() -> None:
    """Of 4,000 states read by one to five photos of unlike spreads, 68 % of the readings lie within the ± of their mean."""
    rng = np.random.default_rng(7)
    held = []
    for _ in range(500):
        sigmas = rng.uniform(0.1, 1.5, rng.integers(1, 6))
        state = together([(rng.normal(0.0, sigma, 8), known(float(sigma))) for sigma in sigmas])
        held += list(np.abs(state.outside_mm) <= state.sigma_mm)
    assert np.mean(held) == pytest.approx(
        0.70, abs=0.03
    )  # a little more: a spread grows by chance, and never shrinks


def test_a_second_photo_decides_between_two_answers() -> None:
    """By itself the first photo may say 0 or 30 mm; the second says 0.2 or 24: only the edge that is the frame's agrees."""
    first = [
        Answer(outside_mm=eight(30.0, 30.0), sigma_mm=known(0.4), odd=0.3),
        Answer(outside_mm=eight(0.0), sigma_mm=known(0.4), odd=1.0),
    ]
    second = [
        Answer(outside_mm=eight(0.2), sigma_mm=known(0.4), odd=0.8),
        Answer(outside_mm=eight(24.0, 24.0), sigma_mm=known(0.4), odd=0.5),
    ]
    assert likeliest([first])[1] is False
    chosen, clear = likeliest([first, second])
    assert (clear, [answer.outside_mm[0] for answer in chosen]) == (True, [0.0, 0.2])
