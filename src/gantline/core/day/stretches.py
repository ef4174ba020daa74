"""The day by its stretches: how long each takes, how much of that needs a second person, and how long it waits."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from gantline.core.day.pace import Pace
from gantline.core.day.step import PHASES, Phase, Step

A_DAY = 24.0 * 60.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Stretch:
    """One stretch. minutes: of work, as this shop's log has it where it is known; two: of that with a second person; idle: of
    waiting within the day; usual: minutes before the log; jobs: how many jobs the log knows of it; trip: 1 or 2; wide: how
    wide it is drawn, by the square root of its minutes, so that a short one is still seen."""

    phase: Phase
    name: str
    steps: tuple[Step, ...]
    minutes: float
    two: float
    idle: float
    usual: float
    jobs: int
    trip: int
    wide: float


def stretches(
    steps: Sequence[Step], *, paces: Mapping[Phase, Pace] | None = None, first_trip: Sequence[Phase] = ()
) -> tuple[Stretch, ...]:
    """Steps in their order, cut where one stretch ends.

    Args: paces, what the shop's log says of each stretch; first_trip, stretches that are done on a trip of their own.
    """
    found = []
    for phase in dict.fromkeys(step.phase for step in steps):
        own = tuple(step for step in steps if step.phase is phase)
        pace = (paces or {}).get(phase)
        times = pace.times if pace else 1.0
        usual = sum(step.minutes for step in own)
        found.append(
            Stretch(
                phase=phase,
                name=PHASES[phase],
                steps=own,
                minutes=times * usual,
                two=times * sum(step.minutes for step in own if step.people > 1),
                idle=sum(step.idle for step in own if step.idle < A_DAY),
                usual=usual,
                jobs=pace.jobs if pace else 0,
                trip=1 if not first_trip or phase in first_trip else 2,
                wide=math.sqrt(max(times * usual, 1.0)),
            )
        )
    return tuple(found)


def helper_said(cut: Sequence[Stretch], left: Sequence[Step]) -> str:
    """For what a second person is still needed, and how long, so that a helper comes once; empty where for nothing."""
    still = {step.key for step in left}
    needed = [
        (one.name, sum(step.minutes for step in one.steps if step.people > 1 and step.key in still))
        for one in cut
    ]
    named = [name for name, minutes in needed if minutes > 0.0]
    if not named:
        return ""
    whole = sum(minutes for _, minutes in needed)
    listed = named[0] if len(named) == 1 else f"{', '.join(named[:-1])} and {named[-1]}"
    return f"A second person is needed for {listed}: {hours(whole)} in all."


def hours(minutes: float) -> str:
    """1 h 05, or 25 min."""
    whole, rest = divmod(round(minutes), 60)
    return f"{whole} h {rest:02d}" if whole else f"{rest} min"


def next_trip(left: Sequence[Step], first: Sequence[Phase]) -> tuple[Step, ...]:
    """Of the open steps those of the next trip: the first one's while any of them is open."""
    now = tuple(step for step in left if step.phase in first)
    return now or tuple(left)
