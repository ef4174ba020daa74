"""Where the top of the frame goes, and what holds it there."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from gantline.core.height.place import Bound
from gantline.core.tolerance import at_most

SCAN = 0.98
LEAST_MM = 100.0  # no screen is smaller


@dataclass(frozen=True, slots=True, kw_only=True)
class Height:
    """The answer: the interval of y_top [mm], the chosen value, what binds, the slack to each bound.

    chosen_mm is None where the interval is empty; clash_mm then says by how much (> 0).
    """

    low: Bound
    high: Bound
    wished_mm: float
    chosen_mm: float | None
    binds: str
    slack_mm: tuple[tuple[Bound, float], ...]

    @property
    def clash_mm(self) -> float:
        """Highest lower bound less lowest upper bound [mm], 0 where they leave room."""
        return max(0.0, self.low.y_top_mm - self.high.y_top_mm)


def solve_height(upper: Sequence[Bound], lower: Sequence[Bound], wished_mm: float) -> Height:
    """Clamp the wish into the interval all bounds leave, and name what binds.

    Args: upper, lower: at least one bound each; wished_mm [mm].
    Returns: Height; `binds` is "wish" or the key of the bound that moved it.  Raises: nothing.
    """
    high = min(upper, key=lambda bound: bound.y_top_mm)
    low = max(lower, key=lambda bound: bound.y_top_mm)
    if not at_most(low.y_top_mm, high.y_top_mm):
        return Height(low=low, high=high, wished_mm=wished_mm, chosen_mm=None, binds="clash", slack_mm=())
    chosen = min(max(wished_mm, low.y_top_mm), high.y_top_mm)
    binds = "wish" if chosen == wished_mm else (high if wished_mm > chosen else low).key
    slack = [(bound, bound.y_top_mm - chosen) for bound in upper] + [
        (bound, chosen - bound.y_top_mm) for bound in lower
    ]
    return Height(
        low=low, high=high, wished_mm=wished_mm, chosen_mm=chosen, binds=binds, slack_mm=tuple(slack)
    )


def largest_fitting(
    room_mm: Callable[[float], float], *, most_mm: float, step_mm: float = 0.1
) -> float | None:
    """Largest diagonal [mm] up to most_mm for which room_mm(diagonal) >= 0.

    Args: room_mm(diagonal) [mm], upper less lower bound of y_top at that diagonal. It usually falls as
        the diagonal grows, but a lens's reach shrinks with the picture: so the largest is looked for from
        above in steps of 2 %, then closed in on.
    Returns: the diagonal, within step_mm below the true one, or None if none of the steps fits.
    Source: scan, then bisection.  Leaves out: an interval of diagonals narrower than 2 %.  Raises: nothing.
    """
    if at_most(0.0, room_mm(most_mm)):
        return most_mm
    large = most_mm
    while large > LEAST_MM:
        small = large * SCAN
        if at_most(0.0, room_mm(small)):
            break
        large = small
    else:
        return None
    while large - small > step_mm:
        middle = (small + large) / 2.0
        small, large = (middle, large) if at_most(0.0, room_mm(middle)) else (small, middle)
    return small
