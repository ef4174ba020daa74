"""What happened to the steps: rows that are only ever added, laid over whatever steps there are now."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from gantline.core.day.step import Number, Step, Thing

Act = Literal["done", "read", "impossible", "skipped", "undone"]
State = Literal["open", "done", "impossible", "skipped"]
ENDS: Mapping[Act, State] = {"done": "done", "read": "done", "impossible": "impossible", "skipped": "skipped"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """One row: what somebody said of a step, as it stood then.

    things: what it was about; values: readings by name, in their units; numbers: what the step wanted then, by key, as text
    and [mm]; reason: why it was not possible, or what was noted.
    """

    id: str
    step: str
    act: Act
    things: tuple[Thing, ...]
    values: Mapping[str, float | str]
    numbers: Mapping[str, tuple[str, float]]
    reason: str
    who: str
    at: datetime
    version: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """How a step stands.

    left: of its things, those that nothing was said of; last: the newest row of one of them; disagrees: what was done by a number
    that is now another one; said: every row of its things, the oldest first.
    """

    state: State
    left: tuple[Thing, ...]
    last: Told | None
    said: tuple[Told, ...]
    disagrees: tuple["Disagreement", ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Disagreement:
    """A number that a thing was done by, and the one that is wanted now; fault: whether they part by more than its play."""

    label: str
    was: str
    now: str
    fault: bool


def standings(steps: Sequence[Step], rows: Iterable[Told]) -> dict[str, Standing]:
    """How every step stands, by key.

    Args: rows, in the order they were told.
    Source: a row speaks of things, not of a step: steps that are cut otherwise by a new plan keep what was done to each thing.
        The newest row of a thing counts, and one that takes back leaves it open.
    """
    of_thing: dict[Thing, list[Told]] = {}
    for row in rows:
        for thing in row.things:
            of_thing.setdefault(thing, []).append(row)
    return {step.key: _standing(step, of_thing) for step in steps}


def _standing(step: Step, of_thing: Mapping[Thing, list[Told]]) -> Standing:
    if not any(thing in of_thing for thing in step.acts):
        return Standing(state="open", left=step.acts, last=None, said=(), disagrees=())
    newest = {thing: of_thing[thing][-1] for thing in step.acts if thing in of_thing}
    left = tuple(thing for thing in step.acts if thing not in newest or _open(step, newest[thing]))
    said = {row.id: row for thing in step.acts for row in of_thing.get(thing, ())}
    ends = {ENDS[row.act] for row in newest.values() if not _open(step, row)}
    state: State = (
        "open"
        if left
        else "impossible"
        if "impossible" in ends
        else "skipped"
        if "skipped" in ends
        else "done"
    )
    rows = tuple(sorted(said.values(), key=lambda row: row.at))
    done = [row for row in newest.values() if row.act in ("done", "read")]
    found = [gap for row in {row.id: row for row in done}.values() for gap in _gaps(step.numbers, row)]
    return Standing(state=state, left=left, last=rows[-1], said=rows, disagrees=tuple(dict.fromkeys(found)))


def _open(step: Step, row: Told) -> bool:
    """Whether a row leaves its thing open: what was not possible there may be possible where it is planned now."""
    moved = any(gap.fault for gap in _gaps(step.numbers, row))
    return row.act == "undone" or (row.act == "impossible" and moved)


def _gaps(numbers: Sequence[Number], row: Told) -> Iterable[Disagreement]:
    for number in numbers:
        was = row.numbers.get(number.key)
        if was is not None and was[0] != number.text:
            fault = abs(was[1] - number.value_mm) > number.play_mm + 1e-9
            yield Disagreement(label=number.label, was=was[0], now=number.text, fault=fault)


def next_of(steps: Sequence[Step], stand: Mapping[str, Standing]) -> Step | None:
    """The first step that is open; None where all is said."""
    return next((step for step in steps if stand[step.key].state == "open"), None)
