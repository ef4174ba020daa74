"""The steps as they may be done: a hole that is refused has no number to drill by, and a Stop stands before what rests on it."""

from collections.abc import Sequence
from dataclasses import replace

from gantline.core.day.progress import Told
from gantline.core.day.step import LONGEST_TEXT, Step
from gantline.plan.leading import led_by
from gantline.plan.plan import JobPlan
from gantline.plan.refused import Refused
from gantline.stations.day.looks import with_looks
from gantline.stations.day.solve import day_steps

AT_HOLES = ("drill", "fix")


def steps_to_do(plan: JobPlan, rows: Sequence[Told] = ()) -> tuple[Step, ...]:
    """Every step in order, with what comes of the rows; one that makes a refused hole says so instead of its numbers."""
    refused = {hole.key: hole for hole in plan.refused[0]}
    steps = with_looks(plan.ask, plan.ask(day_steps), rows)
    if not refused:
        return steps
    return tuple(_withheld(step, refused) for step in steps)


def _withheld(step: Step, refused: dict[str, Refused]) -> Step:
    holes = [refused[thing] for act, thing in step.things if act in AT_HOLES and thing in refused]
    if not holes:
        return step
    names = ", ".join(hole.name for hole in holes)
    why = " ".join(dict.fromkeys(text for hole in holes for text in hole.why))
    return replace(
        step,
        text=f"Do not drill: {names}"[:LONGEST_TEXT],
        why=why,
        numbers=(),
        readings=(),
        check="",
        trouble=why,
        item="",
        beside=(),
        blocked=(),
    )


def stops_by_station(plan: JobPlan) -> dict[str, tuple[str, ...]]:
    """The Stops that stand before each station's steps: its own, and those of others that its figures rest on."""
    led = led_by(plan.stations, plan.ask, plan.findings)
    own = {
        station.key: [
            finding.text
            for finding in plan.findings
            if finding.severity == "stop" and finding.station == station.key
        ]
        for station in plan.stations
    }
    return {
        key: tuple(dict.fromkeys([*texts, *(plan.findings[place].text for place in led.get(key, ()))]))
        for key, texts in own.items()
    }
