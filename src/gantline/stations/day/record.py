"""What happened, in the job's words: each reading with what was planned, its error and its verdict."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import datetime

from gantline.core.day.progress import Disagreement, Standing, State, Told
from gantline.core.day.step import Reading, Step
from gantline.job.model import FIELDS
from gantline.plan.ask import Ask


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadingTold:
    """A reading of a step as it was read: planned and error as texts, empty where nothing was planned; within: None where
    nothing says."""

    name: str
    label: str
    read: str
    planned: str
    error: str
    within: bool | None


@dataclass(frozen=True, slots=True, kw_only=True)
class StandingTold:
    """How a step stands, for a page. left: how many of its things are open; apart: readings that do not agree, with each
    other or with what the plan has, in words;
    before: of its readings what was read last, as typed again."""

    key: str
    state: State
    left: int
    who: str
    at: datetime | None
    reason: str
    readings: tuple[ReadingTold, ...]
    apart: tuple[str, ...]
    disagrees: tuple[Disagreement, ...]
    version: int | None


def told(at: Ask, step: Step, standing: Standing) -> StandingTold:
    """One step's standing in words."""
    last, values = standing.last, dict[str, float | str]()
    for row in standing.said:
        values = {} if row.act == "undone" else values | dict(row.values)
    return StandingTold(
        key=step.key,
        state=standing.state,
        left=len(standing.left),
        who=last.who if last else "",
        at=last.at if last else None,
        reason=last.reason if last and last.act != "undone" else "",
        readings=tuple(
            _reading(at, reading, values[reading.name]) for reading in step.readings if reading.name in values
        ),
        apart=(*_apart(at, step, values), *_twice(at, step, standing)),
        disagrees=standing.disagrees,
        version=last.version if last else None,
    )


def shown(at: Ask, reading: Reading, value: float | str) -> str:
    """A value as the job writes it."""
    if isinstance(value, str):
        return value
    if reading.kind == "number":
        return f"{value:g}"
    return f"{'−' if value < 0.0 else ''}{at.text(abs(value))}"


def _reading(at: Ask, reading: Reading, value: float | str) -> ReadingTold:
    error, within = "", None
    if isinstance(value, float) and reading.planned is not None:
        off, within = value - reading.planned, reading.within(value)
        error = "0" if abs(off) < at.step_mm / 2.0 else f"{'−' if off < 0.0 else '+'}{at.fine(abs(off))}"
    return ReadingTold(
        name=reading.name,
        label=reading.label,
        read=shown(at, reading, value),
        planned=reading.told,
        error=error,
        within=within,
    )


def _apart(at: Ask, step: Step, values: Mapping[str, float | str]) -> Iterator[str]:
    labels = {reading.name: reading.label for reading in step.readings}
    for one, other, most in step.alike:
        a, b = values.get(one), values.get(other)
        if isinstance(a, float) and isinstance(b, float) and abs(a - b) > most + 1e-9:
            yield f"{labels[one]} and {labels[other]} part by {at.fine(abs(a - b))}; {at.allowed(most)} is allowed"


def _twice(at: Ask, step: Step, standing: Standing) -> Iterator[str]:
    """A field of the job that was read more than once, or typed otherwise since: both values, whose each is, and which one holds.
    Readings that are taken again after a move belong to no field, and are no contradiction."""
    for reading in (reading for reading in step.readings if reading.goes):
        read = dict[str, str]()  # by what was read, as it is written; whoever read it last
        for row in standing.said:
            if row.act == "undone":
                read = {}
            elif reading.name in row.values:
                text = shown(at, reading, row.values[reading.name])
                read.pop(text, None)
                read[text] = row.who
        value = FIELDS[reading.goes].read(at.job)
        holds = shown(at, reading, value) if isinstance(value, int | float) else ""
        if read and (len(read) > 1 or (holds and holds not in read)):
            said = ", then ".join(f"{text} by {who}" for text, who in read.items())
            yield f"{reading.label}: read {said}; the plan has {holds or 'none'}"


@dataclass(frozen=True, slots=True, kw_only=True)
class RecordRow:
    """One line of the record: what was done or read of a thing, planned against read, verdict, who, when."""

    at: datetime
    who: str
    step: str
    act: str
    planned: str
    read: str
    error: str
    within: bool | None
    reason: str


def record(at: Ask, steps: tuple[Step, ...], rows: tuple[Told, ...]) -> tuple[RecordRow, ...]:
    """Everything that was told, in its order; a reading a line."""
    by_key = {step.key: step for step in steps}
    out = []
    for row in rows:
        step = by_key.get(row.step)
        text = step.text if step else row.step.replace("/", ", ").replace("-", " ")
        asked = [reading for reading in (step.readings if step else ()) if reading.name in row.values]
        lines = [_reading(at, reading, row.values[reading.name]) for reading in asked]
        wanted = "; ".join(said for said, _ in row.numbers.values())
        if not lines:
            out.append(_line(row, text, wanted, "", "", None))
        out += [
            _line(row, f"{text}: {line.label}", line.planned, line.read, line.error, line.within)
            for line in lines
        ]
    return tuple(out)


def _line(row: Told, step: str, planned: str, read: str, error: str, within: bool | None) -> RecordRow:
    return RecordRow(
        at=row.at,
        who=row.who,
        step=step,
        act=row.act,
        planned=planned,
        read=read,
        error=error,
        within=within,
        reason=row.reason,
    )
