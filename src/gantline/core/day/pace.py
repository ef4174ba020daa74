"""How fast a shop's crews are, from the times at which they ticked their steps.

Source: between two ticks of one job by the same person lies the work of the later step; a stretch's pace in one job is the sum of
those times over the sum of the minutes that were planned, and the shop's is the median over its jobs.
Leaves out: ticks that came in one go afterward, pauses, and steps that nobody ticked.
"""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from itertools import groupby
from statistics import median

from gantline.core.day.step import Phase

PAUSE_S = 45.0 * 60.0  # longer than that nobody worked on one step
AT_ONCE_S = 10.0  # quicker than that somebody ticks what was done before
LEAST_STEPS = 4  # of a stretch in a job
SLOWEST, FASTEST = 4.0, 0.25  # times the plan: beyond it the ticks tell of something else


@dataclass(frozen=True, slots=True, kw_only=True)
class Ticked:
    """One tick: of which job, by whom, when; its stretch of the day and the minutes that were planned for it."""

    job: str
    who: str
    at: datetime
    phase: Phase
    minutes: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Pace:
    """How many times the planned minutes a stretch takes, and how many jobs say so."""

    times: float
    jobs: int


def paces(ticks: Sequence[Ticked]) -> Mapping[Phase, Pace]:
    """What the log says of each stretch; nothing of one that no job has enough steps of."""
    by_job: dict[tuple[Phase, str], list[tuple[float, float]]] = defaultdict(list)
    ordered = sorted(ticks, key=lambda tick: (tick.job, tick.who, tick.at))
    for (job, _), group in groupby(ordered, key=lambda tick: (tick.job, tick.who)):
        before: datetime | None = None
        for tick in group:
            took = (tick.at - before).total_seconds() if before else 0.0
            before = tick.at
            if AT_ONCE_S <= took <= PAUSE_S and tick.minutes > 0.0:
                by_job[tick.phase, job].append((took / 60.0, tick.minutes))
    of_phase: dict[Phase, list[float]] = defaultdict(list)
    for (phase, _), pairs in by_job.items():
        times = sum(took for took, _ in pairs) / sum(planned for _, planned in pairs)
        if len(pairs) >= LEAST_STEPS and FASTEST <= times <= SLOWEST:
            of_phase[phase].append(times)
    return {phase: Pace(times=median(times), jobs=len(times)) for phase, times in of_phase.items()}
