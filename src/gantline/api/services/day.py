"""The day of a job: its steps made from the plan at hand, and rows added to what happened."""

from collections.abc import Callable, Sequence
from collections.abc import Set as AbstractSet
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.schemas.day import StepTold
from gantline.api.services.jobs import change
from gantline.api.services.plans import at_hand
from gantline.core.day.order import waits_of
from gantline.core.day.progress import Told, next_of, standings
from gantline.core.day.step import PHASES, Reading, Step
from gantline.core.errors import DesignError
from gantline.core.typed_length import read_length
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.job.problems import BadDocument, FieldProblem
from gantline.plan.ask import Ask
from gantline.plan.plan import JobPlan
from gantline.stations.day.record import record as recorded
from gantline.stations.day.record import told
from gantline.stations.day.solve import day_starts, day_steps
from gantline.store import jobs, steps

WRITTEN_BY = (
    "/wall/dry/-",
    "/hang/readings/-",
    "/align/rounds/-",
)  # lists whose things say who read them, and when


class NoSuchStep(DesignError):
    """No step of this key in the day of that version."""

    code = "no-such-step"


def day(desk: Desk, job_id: UUID) -> dict[str, Any]:
    """Every step of the newest version, and how each stands."""
    head = jobs.head(desk.session, desk.shop_id, job_id)
    plan = at_hand(desk, job_id, head.number).made
    at = plan.ask
    made = at(day_steps)
    names = [step.key for step in made]
    return {
        "job_id": job_id,
        "name": at.job.name,
        "size": plan.text("size"),
        "phases": [{"key": phase.value, "label": label} for phase, label in PHASES.items()],
        "steps": made,
        "waits_for": {
            key: [names[place] for place in places] for key, places in zip(names, waits_of(made), strict=True)
        },
        "starts": at(day_starts),
        "cautions": _cautions(plan),
        "unit": at.own_units.style.value,
        "denominator": at.own_units.denominator,
        **_standings(desk, job_id, head.number, at, made),
    }


def _cautions(plan: JobPlan) -> list[dict[str, str]]:
    said = {
        caution.key: caution
        for station in plan.stations
        if station.cautions is not None
        for caution in plan.ask(station.cautions)
    }
    return [{"key": one.key, "name": one.name, "text": one.text} for one in said.values()]


def _standings(
    desk: Desk,
    job_id: UUID,
    version: int,
    at: Ask,
    made: Sequence[Step],
    only: AbstractSet[str] | None = None,
) -> dict[str, Any]:
    stand = standings(made, steps.of_job(desk.session, job_id))
    first = next_of(made, stand)
    asked = [step for step in made if (stand[step.key].said if only is None else step.key in only)]
    return {
        "version": version,
        "next": first.key if first else "",
        "standings": [told(at, step, stand[step.key]) for step in asked],
    }


def record(desk: Desk, job_id: UUID) -> dict[str, Any]:
    """Everything that was told, in words."""
    head = jobs.head(desk.session, desk.shop_id, job_id)
    at = at_hand(desk, job_id, head.number).made.ask
    rows = steps.of_job(desk.session, job_id)
    return {"rows": recorded(at, at(day_steps), rows), "until": rows[-1].at if rows else None}


def tell(desk: Desk, job_id: UUID, rows: Sequence[StepTold], who: str) -> dict[str, Any]:
    """Add rows, put what the plan uses into the newest version, and say how the steps stand now.

    Raises: NoSuchStep, NoSuchJob, BadDocument or UnreadableLength where a reading cannot be; then nothing is kept.
    """
    jobs.head(desk.session, desk.shop_id, job_id)
    for number, row in enumerate(rows):
        _tell(desk, job_id, number, row, who)
    head = jobs.head(desk.session, desk.shop_id, job_id)
    at = at_hand(desk, job_id, head.number).made.ask
    return _standings(desk, job_id, head.number, at, at(day_steps), {row.step for row in rows})


def _tell(desk: Desk, job_id: UUID, number: int, row: StepTold, who: str) -> None:
    at = at_hand(desk, job_id, row.version).made.ask
    step = next((one for one in at(day_steps) if one.key == row.step), None)
    if step is None:
        raise NoSuchStep(f"There is no step {row.step} in version {row.version}.", field="step", got=row.step)
    values = _values(at, step, number, row)
    said = {
        "things": [list(thing) for thing in step.acts],
        "numbers": {one.key: [one.text, one.value_mm] for one in step.numbers},
        "values": values,
    }
    before = steps.of_job(desk.session, job_id) if row.act == "undone" else ()
    new = steps.add(
        desk.session,
        {"id": row.id, "job_id": job_id, "shop_id": desk.shop_id, "step": row.step, "act": row.act, "text": row.reason,
         "said": said, "version": row.version, "who": who},
    )  # fmt: skip
    if not new:
        return
    effect = Effect(step, row, values, who).edits(before)
    if effect:
        _put_in(desk, job_id, number, effect, f"{step.text}"[:160], who)


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
    if not isinstance(value, str):
        return float(value)
    if reading.kind == "number":
        try:
            return float(value)
        except ValueError as error:
            raise BadDocument([FieldProblem(pointer, "Write a number.", value)]) from error
    try:
        return read_length(value, at.own_units).length_mm
    except DesignError as error:
        raise BadDocument([FieldProblem(pointer, str(error), value)]) from error


@dataclass(frozen=True)
class Effect:
    """What a row changes of the document: the plan uses what was built before what was planned."""

    step: Step
    row: StepTold
    values: dict[str, float | str]
    who: str

    def edits(self, before: Sequence[Told]) -> tuple[Callable[[Job], Edit | None], ...]:
        """Edits, each made for the newest document: one that does not apply to it is left out."""
        if self.row.act == "undone":
            return tuple(self._taken_back(before))
        if self.row.act == "impossible":
            return (self._item(self.step.blocked),) if self.step.blocked else ()
        if self.row.act == "skipped":
            return ()
        out: list[Callable[[Job], Edit | None]] = []
        if self.step.item and (self.step.beside or self.values):
            out.append(self._item(self.step.beside))
        for reading in self.step.readings:
            if reading.goes and reading.name in self.values:
                edit = Edit(pointer=reading.goes, value=self.values[reading.name], known="measured")
                out.append(lambda _, edit=edit: edit)  # type: ignore[misc]
        if self.step.sets:
            switch = Edit(pointer=self.step.sets, value=True)
            out.append(lambda _: switch)
        return tuple(out)

    def _item(self, beside: tuple[tuple[str, str], ...]) -> Callable[[Job], Edit | None]:
        planned = {
            one.name: one.planned
            for one in self.step.readings
            if self.step.beside and one.planned is not None
        }
        thing: dict[str, Any] = {**planned, **self.values, **dict(beside), "id": item_id(str(self.row.id))}
        if self.row.act == "impossible":
            thing["why"] = self.row.reason or None
        if self.step.item in WRITTEN_BY:
            thing["who"] = self.who
        edit = Edit(pointer=self.step.item, value=thing)
        return lambda _: edit

    def _taken_back(self, before: Sequence[Told]) -> list[Callable[[Job], Edit | None]]:
        out: list[Callable[[Job], Edit | None]] = []
        if self.step.item:
            mine = [told for told in before if told.step == self.step.key and told.act != "undone"]
            for told_ in mine:
                pointer = f"{self.step.item.removesuffix('-')}{item_id(told_.id)}"
                gone = Edit(pointer=pointer, value=None)
                out.append(lambda job, gone=gone: gone if _there(job, gone.pointer) else None)  # type: ignore[misc]
        if self.step.sets:
            switch = Edit(pointer=self.step.sets, value=None)
            out.append(lambda _: switch)
        return out


def item_id(row: str) -> str:
    """The id of the thing that a row put into the document."""
    return f"d{row.replace('-', '')[:15]}"


def _there(job: Job, pointer: str) -> bool:
    *folders, name = pointer.strip("/").split("/")
    held: Any = job
    for folder in folders:
        held = getattr(held, folder)
    return any(thing.id == name for thing in held)


def _put_in(
    desk: Desk, job_id: UUID, number: int, effect: Sequence[Callable[[Job], Edit | None]], what: str, who: str
) -> None:
    """Whatever was saved meanwhile: the newest version is held until this one is."""
    steps.hold(desk.session, job_id)
    desk.session.expire_all()
    head = jobs.head(desk.session, desk.shop_id, job_id)

    def changed(job: Job) -> tuple[Job, str]:
        edits = [edit for make in effect if (edit := make(job)) is not None]
        return (apply(job, edits) if edits else job), f"day: {what}"

    try:
        change(desk, job_id, head.number, who, changed)
    except BadDocument as error:
        place = f"/rows/{number}/values/"
        problems = [
            FieldProblem(place + problem.pointer.rpartition("/")[2], problem.text, problem.typed)
            for problem in error.problems
        ]
        raise BadDocument(problems) from error
