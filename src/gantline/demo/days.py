"""Two sample jobs on their day: one in the middle of it, one finished with its record. Made up as everything here."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any
from uuid import UUID, uuid5

from sqlalchemy import update
from sqlalchemy.orm import Session

from gantline.core.day.step import Reading, Step
from gantline.job.done import Effect, changed_by
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job_file, sparse
from gantline.job.model import Job
from gantline.job.records import RecordKind
from gantline.job.records.kinds import edits_from
from gantline.stations import plan
from gantline.stations.day.withheld import steps_to_do
from gantline.store import jobs, steps
from gantline.store.models import JobVersionRow

FOLDER = Path(__file__).parent
NAMES = UUID("5a3d0f0e-6b0c-4a55-9a57-0d0b4c1d7e11")  # rows of the sample world keep their ids
CREW = ("Ines", "Marek")


@dataclass(frozen=True, kw_only=True)
class SampleDay:
    """A job's file, the records it takes, the step that its crew has come to (empty: all are done), and how long ago it began."""

    file: str
    records: tuple[tuple[RecordKind, str], ...]
    until: str
    ago: timedelta


DAYS = (
    SampleDay(
        file="customs-house",
        records=(
            (RecordKind.KIT, "springline"),
            (RecordKind.FABRIC, "petrel-grey"),
            (RecordKind.PROJECTOR, "plover"),
        ),
        until="",
        ago=timedelta(days=40),
    ),
    SampleDay(
        file="chandlers-row",
        records=((RecordKind.KIT, "luggerline"), (RecordKind.FABRIC, "gannet-white")),
        until="tension/after-corners",
        ago=timedelta(hours=3),
    ),
)
FIXED_MM = {"margin_left": 58.0, "margin_right": 61.0, "margin_top": 60.0, "margin_bottom": 62.0}


def job_of(day: SampleDay, bodies: dict[tuple[RecordKind, str], tuple[str, dict[str, Any]]]) -> Job:
    """The job with the records that it takes."""
    job = read_job_file((FOLDER / f"{day.file}.job.json").read_bytes())
    for record in day.records:
        name, body = bodies[record]
        edits = [edit.model_copy(update={"source": name}) for edit in edits_from(record[0], name, body, job)]
        job = apply(job, edits)
    parts = [Edit(pointer=f"/frame/parts/{part.id}/found", value=part.count) for part in job.frame.parts]
    return apply(job, parts) if parts else job


def load_days(
    session: Session, shop_id: UUID, bodies: dict[tuple[RecordKind, str], tuple[str, dict[str, Any]]]
) -> int:
    """Make the jobs and tell their days; how many there are."""
    for day in DAYS:
        job = job_of(day, bodies)
        rows = list(_rows(day, job))
        saved = jobs.Save(document=sparse(job), what="surveyed and sized", who="Oda Brink")
        head = jobs.create(session, shop_id, saved)
        for _, row in rows:
            steps.add(session, {**row, "job_id": head.job_id, "shop_id": shop_id, "version": head.number})
        built = changed_by(job, [edit for edits, _ in rows for edit in edits])
        jobs.save(session, head, jobs.Save(document=sparse(built), what="day: as built", who=CREW[0]))
        theirs = update(JobVersionRow).where(JobVersionRow.job_id == head.job_id)
        session.execute(
            theirs.values(saved_at=datetime.now(UTC) - day.ago)
        )  # the yard shows what was saved last first
    return len(DAYS)


def _rows(day: SampleDay, job: Job) -> Iterator[tuple[tuple[Edit, ...], dict[str, Any]]]:
    clock = datetime.now(UTC) - day.ago
    for number, step in enumerate(steps_to_do(plan(job))):
        if step.key == day.until:
            return
        clock += timedelta(minutes=step.minutes)
        values = {reading.name: _read(step, reading, number) for reading in step.readings}
        key, who = str(uuid5(NAMES, f"{day.file} {step.key}")), CREW[number % len(CREW)]
        said: dict[str, Any] = {
            "things": [list(thing) for thing in step.acts],
            "numbers": {one.key: [one.text, one.value_mm] for one in step.numbers},
            "values": values,
        }
        effect = Effect(step=step, row=key, act="done", reason="", values=values, who=who)
        row = {
            "id": UUID(key),
            "step": step.key,
            "act": "done",
            "text": "",
            "said": said,
            "who": who,
            "at": clock,
        }
        yield effect.edits(), row


def _read(step: Step, reading: Reading, number: int) -> float | str:
    """A reading as a crew would take it: near what was planned, never just it."""
    if reading.words:
        return reading.words[0]
    off = ((number * 7 + len(reading.name) * 3) % 5 - 2) * 0.4
    if reading.planned is not None:
        return round(reading.planned + off, 1)
    return FIXED_MM.get(reading.name, round(100.0 + off, 1))
