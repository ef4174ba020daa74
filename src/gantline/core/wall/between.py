"""Further hang parts between the outer two."""

from collections.abc import Sequence

from gantline.core.errors import require_positive
from gantline.core.tolerance import ROUNDING_MM
from gantline.core.wall.facts import is_blocked


def between_mm(
    left_mm: float,
    right_mm: float,
    count: int,
    *,
    studs_mm: Sequence[float] | None,
    blocked_mm: Sequence[float] = (),
    clear_mm: float = 0.0,
) -> tuple[float, ...]:
    """Where count parts stand between the outer two [mm], rising; fewer where the wood does not serve them.

    Even places first. On studs each goes to the free stud nearest to its even place, none twice; without studs it steps aside
    from what a drill met.  Raises: OutOfRange for a right part that is not right of the left.
    """
    require_positive(apart_mm=right_mm - left_mm)
    even = [left_mm + (right_mm - left_mm) * one / (count + 1) for one in range(1, count + 1)]
    if studs_mm is None:
        moved = [_aside(x, blocked_mm, clear_mm) for x in even]
        return tuple(sorted(x for x in moved if left_mm < x < right_mm))
    free = [x for x in studs_mm if left_mm + ROUNDING_MM < x < right_mm - ROUNDING_MM]
    found: list[float] = []
    for x in even:
        near = min((one for one in free if one not in found), key=lambda one: abs(one - x), default=None)
        if near is not None:
            found.append(near)
    return tuple(sorted(found))


def _aside(x: float, blocked: Sequence[float], clear: float) -> float:
    tries = [x + side * step * clear for step in range(1, 4) for side in (1.0, -1.0)] if clear > 0.0 else []
    return next((one for one in (x, *tries) if not is_blocked(one, blocked, clear)), x)
