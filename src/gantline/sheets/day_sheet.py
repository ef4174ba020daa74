"""The day sheet: every step with a box to tick, its numbers, room for what is read, for a name and a time."""

from dataclasses import dataclass

from gantline.compare.bag import bag
from gantline.core.day.stretches import Stretch, hours, stretches
from gantline.plan.plan import JobPlan
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.stations.day.solve import day_steps, first_trip
from gantline.stations.day.withheld import steps_to_do, stops_by_station


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """A stretch of the day as it is printed, with the cautions and Stops that stand before it."""

    stretch: Stretch
    cautions: tuple[str, ...]
    stops: tuple[str, ...]


def parts_of(plan: JobPlan) -> tuple[Part, ...]:
    """The steps in their order, cut where one stretch ends."""
    stops = stops_by_station(plan)
    said = {caution.key: f"{caution.name}. {caution.text}" for caution in plan.plan.cautions}
    return tuple(
        Part(
            stretch=stretch,
            cautions=tuple(
                dict.fromkeys(said[step.caution] for step in stretch.steps if step.caution in said)
            ),
            stops=tuple(
                dict.fromkeys(text for step in stretch.steps for text in stops.get(step.station, ()))
            ),
        )
        for stretch in stretches(steps_to_do(plan), first_trip=plan.ask(first_trip))
    )


def day_sheet(ready: Ready) -> bytes:
    """What leads it, then stretch by stretch."""
    parts = parts_of(ready.made)
    values = ready.common | {
        "parts": parts,
        "hours": hours,
        "whole": sum(part.stretch.minutes for part in parts),
        "two": sum(part.stretch.two for part in parts),
        "bag": bag(ready.made.ask, [step for part in parts for step in part.stretch.steps]),
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
