"""The steps of all stations in one order: by the stretch of the day they belong to, and never before what they wait for."""

import heapq
from collections.abc import Mapping, Sequence

from gantline.core.day.step import Phase, Step
from gantline.core.errors import OutOfRange

DRILLED_AFTER = (Phase.WALL,)  # what moves behind the fabric where a crew drills last


def phases(*, drill_after: bool) -> tuple[Phase, ...]:
    """The stretches of the day in the order of a crew's school.

    Args: drill_after, whether the wall is drilled with the screen held up; then no empty frame is hung first.
    Source: holes before the fabric leaves its tube, because of dust; some crews find their holes by the finished screen.
    """
    usual = list(Phase)
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


def starts_min(steps: Sequence[Step]) -> Mapping[str, float]:
    """When each step may begin [min from the start], one after the other; glue and paint set beside other work.

    Args: steps as ordered() gives them.
    Source: one crew works in order; what idles only holds up the steps that wait for it.
    """
    clock, free, starts = 0.0, list[float](), dict[str, float]()
    for step, befores in zip(steps, waits_of(steps), strict=True):
        begin = max([clock, *(free[before] for before in befores if before < len(free))])
        starts[step.key] = begin
        clock = begin + step.minutes
        free.append(clock + step.idle)
    return starts
