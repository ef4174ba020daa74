"""How far off what is marked and cut may end, and the chance that one trip is enough.

Errors of facts are taken as independent and normal, and their effect as straight lines (secants over one usual
spread): good near the plan, and rough where a mark jumps from one stud to the next.
"""

from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
DRAWS, SEED = 8_000, 7  # fixed, so that the same job always reads the same
DOUBT = 10.0  # in tolerances: what a result that vanishes with a fact counts as


@dataclass(frozen=True, slots=True, kw_only=True)
class Trip:
    """Facts (f) and results (r): how far each result moves for one unit of each fact, and what is allowed.

    moves (f, r) [mm per unit]; spreads (f,) usual spread of each fact as it is known now [unit]; measured (f,) its
    spread once it is measured [unit]; tolerances (r,) [mm].
    """

    moves: Array
    spreads: Array
    measured: Array
    tolerances: Array

    def off_mm(self) -> Array:
        """Usual error of each result (r,) [mm]: root of the squares of what each fact adds."""
        off: Array = np.sqrt(np.sum((self.moves * self.spreads[:, None]) ** 2, axis=0))
        return off

    def chance(self, spreads: Array | None = None) -> float:
        """Chance that every result ends within its tolerance, by drawing facts. spreads (f,): others than now."""
        used = self.spreads if spreads is None else spreads
        off = np.abs(drawn(len(used)) @ (self.moves * used[:, None]))
        return float(np.mean(np.all(off <= self.tolerances, axis=1)))

    def best(self, most: int) -> tuple[tuple[int, ...], float]:
        """The facts whose measurement raises the chance most, one after the other, at most so many; and the chance then."""
        spreads, chosen, now = self.spreads.copy(), [], self.chance()
        for _ in range(most):
            tried = []
            for at in range(len(spreads)):
                if spreads[at] > self.measured[at]:
                    with_it = spreads.copy()
                    with_it[at] = self.measured[at]
                    tried.append((self.chance(with_it), at))
            if not tried or max(tried)[0] <= now:
                break
            now, at = max(tried)
            spreads[at] = self.measured[at]
            chosen.append(at)
        return tuple(chosen), now


@cache
def drawn(facts: int) -> Array:
    """Standard normal draws (DRAWS, facts), always the same."""
    return np.random.default_rng(SEED).standard_normal((DRAWS, facts))


def move_of(now: Array, up: Array | None, down: Array | None, spread: float, tolerances: Array) -> Array:
    """How far results (r,) move for one unit of a fact [mm per unit]: secants over one spread up and down.

    Where the two sides differ, the steeper one counts. None, or nan in a result: it vanishes there, which counts as
    ten tolerances.
    """
    sides = []
    for sign, other in ((1.0, up), (-1.0, down)):
        if other is not None:
            lost = np.isnan(other) != np.isnan(now)
            step = np.where(lost, DOUBT * tolerances, np.nan_to_num(other - now))
            sides.append(sign * step / spread)
    if not sides:
        return np.zeros_like(now)
    return np.where(np.abs(sides[0]) >= np.abs(sides[-1]), sides[0], sides[-1])
