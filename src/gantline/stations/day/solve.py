"""All steps in one order, made only when the day is asked for: no plan of any job makes them."""

from gantline.core.day.order import FIRST_TRIP, ordered, phases
from gantline.core.day.step import LONGEST_TEXT, Phase, Step
from gantline.job.model.day import DayPlan, OwnStep
from gantline.plan.ask import Ask

KEY = "day"


def drill_after(at: Ask) -> bool:
    """Whether the wall is drilled with the finished screen held up."""
    return at.field(DayPlan.drill) == "after"


def first_trip(at: Ask) -> tuple[Phase, ...]:
    """The stretches that are done on a trip of their own; none where there is one trip."""
    return FIRST_TRIP if at.field(DayPlan.trips) == "two" and not at(drill_after) else ()


def own_steps(at: Ask) -> tuple[Step, ...]:
    """What the crew added, each before the stretch of the day it was put to."""
    return tuple(
        Step(
            key=f"{KEY}/own-{own.id}",
            station=KEY,
            phase=own.stretch,
            text=own.text[:LONGEST_TEXT],
            people=2 if at.of(own, OwnStep.people) == "two" else 1,
            minutes=float(at.of(own, OwnStep.minutes)),
            check=f"on {own.date}" if own.date else "",
        )
        for own in at.things(DayPlan.own)
    )


def day_steps(at: Ask) -> tuple[Step, ...]:
    """Every step of the day, each after what it waits for."""
    from gantline.stations.registry import STATIONS

    made = [step for station in STATIONS if station.steps is not None for step in station.steps(at)]
    return ordered(
        (*at(own_steps), *made), phases(drill_after=at(drill_after), two_trips=bool(at(first_trip)))
    )
