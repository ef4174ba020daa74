"""Orders of the same points that are worth comparing with the planned one."""

from dataclasses import dataclass
from typing import Any

from gantline.core.tension.holds import School
from gantline.job.edits import nudged
from gantline.job.field import field_of
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, change
from gantline.stations.tension import sheet_numbers


@dataclass(frozen=True, slots=True, kw_only=True)
class Order:
    """One order: its name, the edits that make it the job's, and the job asked with them."""

    key: str
    label: str
    changes: tuple[Change, ...]
    ask: Ask


# each as (key, name, what it sets)
OTHERS: tuple[tuple[str, str, tuple[tuple[Any, Any], ...]], ...] = (
    ("corners", "Corners first", ((Tensioning.school, School.CORNERS_FIRST),)),
    ("middles", "Middles outward", ((Tensioning.school, School.MIDDLES_OUTWARD),)),
    ("long", "Long sides first", ((Tensioning.short_sides_first, False),)),
    ("short", "Short sides first", ((Tensioning.short_sides_first, True),)),
    ("sides", "A side, then its opposite", ((Tensioning.in_step, False),)),
    ("step", "Opposite sides in step", ((Tensioning.in_step, True),)),
    ("one", "One person", ((Tensioning.people, "one"),)),
    ("two", "Two people", ((Tensioning.people, "two"),)),
)


def orders(at: Ask) -> tuple[Order, ...]:
    """The planned order first, then those that differ from it."""
    out = [Order(key="planned", label="As planned", changes=(), ask=at)]
    numbers = at(sheet_numbers)
    if isinstance(numbers, str):
        return tuple(out)
    known = {numbers.key}
    for key, label, sets in OTHERS:
        job = at.job
        for named, value in sets:
            job = nudged(job, field_of(named).pointer, value)
        other = at.with_job(job)
        its = other(sheet_numbers)
        if not isinstance(its, str) and its.key not in known:
            known.add(its.key)
            changes = tuple(change(named, value) for named, value in sets)
            out.append(Order(key=key, label=label, changes=changes, ask=other))
    return tuple(out)
