"""Readings kept, listed, put into the survey."""

from collections.abc import Sequence
from typing import Any
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.schemas.readings import ReadingName
from gantline.api.services.jobs import change
from gantline.core.errors import DesignError
from gantline.core.units import length_text
from gantline.job.edits import apply
from gantline.job.file import read_stored
from gantline.job.model import Job
from gantline.job.readings import Reading, gone, read_csv, use_edits
from gantline.store import jobs, readings
from gantline.store.models import ReadingRow

CSV_SOURCE = "csv file"


def listed(desk: Desk, job_id: UUID, after: int, most: int) -> list[dict[str, Any]]:
    """Readings of a job, newest first, in its units, and whether the job holds a number that came from each."""
    job = read_stored(jobs.head(desk.session, desk.shop_id, job_id).document)
    return [_out(row, job) for row in readings.of_job(desk.session, job_id, after=after, most=most)]


def remove(desk: Desk, job_id: UUID, source: str, seq: int, who: str) -> None:
    """Take a reading away. A number of the survey that came from it stays, and the next version says so."""
    head = jobs.head(desk.session, desk.shop_id, job_id)
    job = read_stored(head.document)
    came_from = f"reading {seq} of {source}"
    readings.remove(desk.session, job_id, source, seq, who)
    used = [pointer for pointer, said in job.sources.items() if said == came_from]
    if used:
        after = job.model_copy(update={"sources": job.sources | dict.fromkeys(used, gone(came_from))})
        change(desk, job_id, head.number, who, lambda _: (after, f"{came_from} removed"))


def keep(desk: Desk, job_id: UUID, found: Sequence[Reading], who: str) -> dict[str, int]:
    """Keep readings; those already there are left as they were."""
    jobs.head(desk.session, desk.shop_id, job_id)
    return {"new": readings.keep(desk.session, desk.shop_id, job_id, found, who), "sent": len(found)}


def keep_csv(desk: Desk, job_id: UUID, content: bytes, who: str) -> dict[str, int]:
    """Keep the readings of a CSV file."""
    job = read_stored(jobs.head(desk.session, desk.shop_id, job_id).document)
    first = readings.next_seq(desk.session, job_id, CSV_SOURCE)
    return keep(desk, job_id, read_csv(content, job.units.to_core(), CSV_SOURCE, first), who)


def put_in(desk: Desk, job_id: UUID, job: Job, named: Sequence[ReadingName]) -> tuple[Job, str]:
    """The document with readings in its survey, and in words what changed. Raises: DesignError if none has a place."""
    rows = readings.named(desk.session, job_id, [(one.source, one.seq) for one in named])
    edits = use_edits([_reading(row) for row in rows], job)
    if not edits:
        raise DesignError(
            "These readings say no place in the survey: enter their lengths by hand.", field="readings"
        )
    return apply(job, edits), f"{len(edits)} readings put in"


def _reading(row: ReadingRow) -> Reading:
    return Reading.model_validate(
        {
            "source": row.source,
            "seq": row.seq,
            "what": row.what,
            "x_mm": row.x_mm,
            "y_mm": row.y_mm,
            "value_mm": row.value_mm,
        }
    )


def _out(row: ReadingRow, job: Job) -> dict[str, Any]:
    units = job.units.to_core()
    x = "" if row.x_mm is None else length_text(row.x_mm, units)
    y = "" if row.y_mm is None else length_text(row.y_mm, units)
    value = "" if row.value_mm is None else length_text(row.value_mm, units)
    return {"source": row.source, "seq": row.seq, "what": row.what, "x": x, "y": y, "value": value,
        "value_mm": row.value_mm, "taken_at": row.taken_at, "who": row.who or "",
        "removed_at": row.removed_at, "removed_by": row.removed_by or ""}  # fmt: skip
