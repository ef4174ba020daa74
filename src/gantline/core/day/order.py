"""The steps of all stations in one order: by the stretch of the day they belong to, and never before what they wait for."""

import heapq
from collections.abc import Sequence

from gantline.core.day.step import Phase, Step
from gantline.core.errors import OutOfRange

FIRST_TRIP = (Phase.LOOK, Phase.WALL)  # where there are two: what is done at the wall alone
DRILLED_AFTER = (Phase.WALL,)  # what moves behind the fabric where a crew drills last


def phases(*, drill_after: bool, two_trips: bool = False) -> tuple[Phase, ...]:
    """The stretches of the day in the order of a crew's school.

    Args: drill_after, whether the wall is drilled with the screen held up; then no empty frame is hung first. two_trips: whether
        the wall is drilled on a trip of its own, before the frame is built; not where it is drilled last.
    Source: holes before the fabric leaves its tube, because of dust; some crews find their holes by the finished screen.
    """
    usual = list(Phase)
    if two_trips and not drill_after:
        return (*FIRST_TRIP, *(phase for phase in usual if phase not in FIRST_TRIP))
    if not drill_after:
        return tuple(usual)
    moved = [phase for phase in usual if phase not in DRILLED_AFTER]
    at = moved.index(Phase.HANG)
    return (*moved[:at], *DRILLED_AFTER, *moved[at:])


def ordered(steps: Sequence[Step], order: Sequence[Phase]) -> tuple[Step, ...]:
    """All steps, each after everything that it waits for.

    Args: steps, in each stretch of the day in the order they are meant; order, the stretches.
    Returns: of the steps that wait for nothing more, always the one that is meant first.  Source: Kahn's way of sorting.
    Raises: OutOfRange where two have one key, or wait for each other.
    """
    rank = {phase: place for place, phase in enumerate(order)}
    by_key = {step.key: place for place, step in enumerate(steps)}
    if len(by_key) < len(steps):
        twice = next(step.key for place, step in enumerate(steps) if by_key[step.key] != place)
        raise OutOfRange(f"two steps are called {twice}", field="key", got=twice)
    follow: list[list[int]] = [[] for _ in steps]
    missing = [0] * len(steps)
    for place, befores in enumerate(waits_of(steps)):
        missing[place] = len(befores)
        for before in befores:
            follow[before].append(place)
    ready = [(rank[steps[place].phase], place) for place, count in enumerate(missing) if not count]
    heapq.heapify(ready)
    out: list[Step] = []
    while ready:
        _, place = heapq.heappop(ready)
        out.append(steps[place])
        for after in follow[place]:
            missing[after] -= 1
            if not missing[after]:
                heapq.heappush(ready, (rank[steps[after].phase], after))
    if len(out) < len(steps):
        stuck = next(step.key for place, step in enumerate(steps) if missing[place])
        raise OutOfRange(f"{stuck} waits for a step that waits for it", field="waits", got=stuck)
    return tuple(out)


def waits_of(steps: Sequence[Step]) -> tuple[tuple[int, ...], ...]:
    """For each step the places of the steps that it waits for: those of a key, and all that bring a milestone about."""
    named: dict[str, list[int]] = {}
    for place, step in enumerate(steps):
        for name in (step.key, *step.gives):
            named.setdefault(name, []).append(place)
    return tuple(
        tuple(
            dict.fromkeys(before for wait in step.waits for before in named.get(wait, ()) if before != place)
        )
        for place, step in enumerate(steps)
    )
