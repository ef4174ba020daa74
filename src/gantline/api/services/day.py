"""The day of a job: its steps made from the plan at hand, and rows added to what happened."""

from collections.abc import Sequence
from collections.abc import Set as AbstractSet
from dataclasses import replace
from typing import Any
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.schemas.day import StepTold
from gantline.api.services.jobs import change
from gantline.api.services.plans import at_hand
from gantline.compare.bag import bag
from gantline.core.day.order import waits_of
from gantline.core.day.pace import paces
from gantline.core.day.progress import Told, next_of, standings
from gantline.core.day.step import PHASES, Reading, Step
from gantline.core.day.stretches import Stretch, helper_said, next_trip, stretches
from gantline.core.errors import DesignError
from gantline.core.typed_length import read_length
from gantline.drawing.marks import Area, Dot, Face, Lanes, Line
from gantline.drawing.tape import TapeWindow, window
from gantline.job.done import Effect, changed_by
from gantline.job.edits import Edit
from gantline.job.model import Job
from gantline.job.problems import BadDocument, FieldProblem
from gantline.plan.ask import Ask
from gantline.plan.plan import JobPlan
from gantline.stations import face
from gantline.stations.day.record import record as recorded
from gantline.stations.day.record import told
from gantline.stations.day.solve import first_trip
from gantline.stations.day.withheld import steps_to_do, stops_by_station
from gantline.store import jobs, steps

FRONT = frozenset(
    ("wall", "floor", "frame", "frame-clash", "picture", "datum", "hole", "hole-drilled", "hole-refused")
)
BACK = frozenset(("frame", "picture", "center", "board", "brace", "point", "point-fill"))


MOST = 1e8  # of a reading, in its own unit: past all that any field of a job may hold


class NoSuchStep(DesignError):
    """No step of this key in the day of that version."""

    code = "no-such-step"


def day(desk: Desk, job_id: UUID) -> dict[str, Any]:
    """Every step of the newest version, and how each stands."""
    version = jobs.head_number(desk.session, desk.shop_id, job_id)
    plan, rows = at_hand(desk, job_id, version).made, steps.of_job(desk.session, job_id)
    at, made = plan.ask, steps_to_do(plan, rows)
    names = [step.key for step in made]
    left = _open(made, rows)
    trip = at(first_trip)
    cut = stretches(made, paces=paces(steps.ticks(desk.session, desk.shop_id)), first_trip=trip)
    return {
        "job_id": job_id,
        "name": at.job.name,
        "size": plan.text("size"),
        "front": _bare(face(plan, "front"), FRONT),
        "back": _bare(face(plan, "back"), BACK),
        "phases": [{"key": phase.value, "label": label} for phase, label in PHASES.items()],
        "stretches": [_stretch(at, one, left) for one in cut],
        "helper": helper_said(cut, left),
        "steps": made,
        "waits_for": {
            key: [names[place] for place in places] for key, places in zip(names, waits_of(made), strict=True)
        },
        "cautions": _cautions(plan),
        "stops": {key: texts for key, texts in stops_by_station(plan).items() if texts},
        "bag": bag(at, next_trip(left, trip)),
        "unit": at.own_units.style.value,
        "denominator": at.own_units.denominator,
        **_standings(version, at, made, rows),
    }


def _stretch(at: Ask, one: Stretch, left: Sequence[Step]) -> dict[str, Any]:
    still = {step.key for step in left}
    open_minutes = sum(step.minutes for step in one.steps if step.key in still)
    times = one.minutes / one.usual if one.usual else 1.0
    return {
        "key": one.phase.value,
        "minutes": one.minutes,
        "two": one.two,
        "idle": one.idle,
        "left": times * open_minutes,
        "left_two": times * sum(step.minutes for step in one.steps if step.key in still and step.people > 1),
        "trip": one.trip,
        "wide": one.wide,
        "learnt": f"by {one.jobs} of your jobs; {one.usual:.0f} min is usual" if one.jobs else "",
    }


def _open(made: Sequence[Step], rows: Sequence[Told]) -> list[Step]:
    stand = standings(made, rows)
    return [step for step in made if stand[step.key].state == "open"]


def _bare(whole: Face, roles: AbstractSet[str]) -> Face:
    """What a phone shows of a face: shapes and dots, no words."""
    marks = tuple(mark for mark in whole.marks if isinstance(mark, Area | Line | Dot) and mark.role in roles)
    return replace(whole, marks=marks, rests=(), lanes=Lanes())


def tapes(desk: Desk, job_id: UUID, key: str) -> tuple[TapeWindow, ...]:
    """The numbers of a step of the newest version as they are read on a tape.  Raises: NoSuchStep."""
    version = jobs.head_number(desk.session, desk.shop_id, job_id)
    plan, rows = at_hand(desk, job_id, version).made, steps.of_job(desk.session, job_id)
    at, step = plan.ask, next((one for one in steps_to_do(plan, rows) if one.key == key), None)
    if step is None:
        raise NoSuchStep(f"There is no step {key} in version {version}.", field="step", got=key)
    return tuple(
        window(number.key, number.label, number.label, abs(number.value_mm), at.own_units)
        for number in step.numbers
    )


def _cautions(plan: JobPlan) -> list[dict[str, str]]:
    said = {
        caution.key: caution
        for station in plan.stations
        if station.cautions is not None
        for caution in plan.ask(station.cautions)
    }
    return [{"key": one.key, "name": one.name, "text": one.text} for one in said.values()]


def _standings(
    version: int, at: Ask, made: Sequence[Step], rows: Sequence[Told], only: AbstractSet[str] | None = None
) -> dict[str, Any]:
    stand = standings(made, rows)
    first = next_of(made, stand)
    asked = [step for step in made if (stand[step.key].said if only is None else step.key in only)]
    return {
        "version": version,
        "next": first.key if first else "",
        "count": len(made),
        "standings": [told(at, step, stand[step.key]) for step in asked],
    }


def record(desk: Desk, job_id: UUID) -> dict[str, Any]:
    """Everything that was told, in words."""
    version = jobs.head_number(desk.session, desk.shop_id, job_id)
    plan, rows = at_hand(desk, job_id, version).made, steps.of_job(desk.session, job_id)
    return {"rows": recorded(plan.ask, steps_to_do(plan, rows), rows), "until": rows[-1].at if rows else None}


def tell(desk: Desk, job_id: UUID, rows: Sequence[StepTold], who: str) -> dict[str, Any]:
    """Add rows, put what the plan uses into the newest version, and say how the steps stand now.

    Raises: NoSuchStep, NoSuchJob, BadDocument or UnreadableLength where a reading cannot be; then nothing is kept.
    """
    jobs.head_number(desk.session, desk.shop_id, job_id)
    before = list(steps.of_job(desk.session, job_id))
    for number, row in enumerate(rows):
        _tell(desk, job_id, number, row, who, before)
    version = jobs.head_number(desk.session, desk.shop_id, job_id)
    plan = at_hand(desk, job_id, version).made
    return _standings(version, plan.ask, steps_to_do(plan, before), before, {row.step for row in rows})


def _tell(desk: Desk, job_id: UUID, number: int, row: StepTold, who: str, before: list[Told]) -> None:
    """One more row, put to those before it."""
    plan = at_hand(desk, job_id, row.version).made
    at, step = plan.ask, next((one for one in steps_to_do(plan, before) if one.key == row.step), None)
    if step is None:
        raise NoSuchStep(f"There is no step {row.step} in version {row.version}.", field="step", got=row.step)
    values = _values(at, step, number, row)
    said = {
        "things": [list(thing) for thing in step.acts],
        "numbers": {one.key: [one.text, one.value_mm] for one in step.numbers},
        "values": values,
        "phase": step.phase.value,
        "minutes": step.minutes,
    }
    entry = {
        "id": row.id, "job_id": job_id, "shop_id": desk.shop_id, "step": row.step, "act": row.act, "text": row.reason,
        "said": said, "version": row.version, "who": who,
    }  # fmt: skip
    new = steps.add(desk.session, entry, len(before))
    if new is None:
        return
    effect = Effect(step=step, row=str(row.id), act=row.act, reason=row.reason, values=values, who=who)
    edits = effect.edits(before)
    before.append(new)
    if edits:
        _put_in(desk, job_id, number, edits, f"{step.text}"[:160], who)


def _values(at: Ask, step: Step, number: int, row: StepTold) -> dict[str, float | str]:
    by_name = {reading.name: reading for reading in step.readings}
    out: dict[str, float | str] = {}
    for name, value in row.values.items():
        reading = by_name.get(name)
        if reading is None:
            names = ", ".join(by_name) or "none"
            raise BadDocument(
                [FieldProblem(f"/rows/{number}/values/{name}", f"This step reads {names}.", name)]
            )
        out[name] = _value(at, reading, value, f"/rows/{number}/values/{name}")
    return out


def _value(at: Ask, reading: Reading, value: float | str, pointer: str) -> float | str:
    if reading.kind == "word":
        if value not in reading.words:
            raise BadDocument([FieldProblem(pointer, f"Say one of: {', '.join(reading.words)}.", str(value))])
        return str(value)
    number = _number(at, reading, value, pointer)
    if not abs(number) <= MOST:  # a number that is none is refused, too
        raise BadDocument(
            [FieldProblem(pointer, f"A reading is at most {MOST:g}, and a number.", str(value))]
        )
    return number


def _number(at: Ask, reading: Reading, value: float | str, pointer: str) -> float:
    if not isinstance(value, str):
        return float(value)
    try:
        return float(value) if reading.kind == "number" else read_length(value, at.own_units).length_mm
    except DesignError as error:
        raise BadDocument([FieldProblem(pointer, str(error), value)]) from error
    except ValueError as error:
        raise BadDocument([FieldProblem(pointer, "Write a number.", value)]) from error


def _put_in(desk: Desk, job_id: UUID, number: int, effect: Sequence[Edit], what: str, who: str) -> None:
    """Whatever was saved meanwhile: the newest version is held until this one is."""
    steps.hold(desk.session, job_id)
    desk.session.expire_all()
    head = jobs.head(desk.session, desk.shop_id, job_id)

    def changed(job: Job) -> tuple[Job, str]:
        return changed_by(job, effect), f"day: {what}"

    try:
        change(desk, job_id, head.number, who, changed)
    except BadDocument as error:
        place = f"/rows/{number}/values/"
        problems = [
            FieldProblem(place + problem.pointer.rpartition("/")[2], problem.text, problem.typed)
            for problem in error.problems
        ]
        raise BadDocument(problems) from error
