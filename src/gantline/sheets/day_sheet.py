"""The day sheet: every step with a box to tick, its numbers, room for what is read, for a name and a time."""

from dataclasses import dataclass

from gantline.compare.bag import bag
from gantline.core.day.step import PHASES, Step
from gantline.plan.plan import JobPlan
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.stations.day.solve import day_starts, day_steps
from gantline.stations.day.withheld import steps_to_do, stops_by_station


@dataclass(frozen=True, slots=True, kw_only=True)
class Stretch:
    """A stretch of the day: its steps, how long they take, and of that with two people [min]; cautions that stand before it."""

    name: str
    steps: tuple[Step, ...]
    minutes: float
    two: float
    cautions: tuple[str, ...]
    stops: tuple[str, ...]


def stretches(plan: JobPlan) -> tuple[Stretch, ...]:
    """The steps in their order, cut where one stretch ends."""
    steps, stops = steps_to_do(plan), stops_by_station(plan)
    said = {caution.key: f"{caution.name}. {caution.text}" for caution in plan.plan.cautions}
    found = []
    for phase in dict.fromkeys(step.phase for step in steps):
        own = tuple(step for step in steps if step.phase is phase)
        found.append(
            Stretch(
                name=PHASES[phase],
                steps=own,
                minutes=sum(step.minutes for step in own),
                two=sum(step.minutes for step in own if step.people > 1),
                cautions=tuple(dict.fromkeys(said[step.caution] for step in own if step.caution in said)),
                stops=tuple(dict.fromkeys(text for step in own for text in stops.get(step.station, ()))),
            )
        )
    return tuple(found)


def hours(minutes: float) -> str:
    """1 h 05, or 25 min."""
    whole, rest = divmod(round(minutes), 60)
    return f"{whole} h {rest:02d}" if whole else f"{rest} min"


def day_sheet(ready: Ready) -> bytes:
    """What leads it, then stretch by stretch."""
    parts = stretches(ready.made)
    starts = ready.made.ask(day_starts)
    values = ready.common | {
        "stretches": parts,
        "hours": hours,
        "whole": sum(part.minutes for part in parts),
        "two": sum(part.two for part in parts),
        "starts": starts,
        "bag": bag(ready.made.ask, [step for part in parts for step in part.steps]),
        "checks": [finding for finding in ready.leading(day_steps) if finding.severity == "check"],
    }
    return to_pdf(render("day.html", ready.paper, title="day sheet", **values))


SHEET = Sheet(
    key="day-sheet",
    label="Day sheet",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="day sheet.pdf",
    make=day_sheet,
    papers=True,
    about=(day_steps,),
    there=lambda made: bool(made.ask(day_steps)),
)
