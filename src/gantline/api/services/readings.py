"""Readings kept, listed, put into the survey."""

from collections.abc import Sequence
from typing import Any
from uuid import UUID

from gantline.api.desk import Desk
from gantline.api.schemas.readings import ReadingName
from gantline.core.errors import DesignError
from gantline.core.units import length_text
from gantline.job.edits import apply
from gantline.job.file import read_stored
from gantline.job.model import Job
from gantline.job.readings import Reading, read_csv, use_edits
from gantline.store import jobs, readings
from gantline.store.models import ReadingRow

CSV_SOURCE = "csv file"


def listed(desk: Desk, job_id: UUID) -> list[dict[str, Any]]:
    """All readings of a job, newest first, in its units."""
    job = read_stored(jobs.head(desk.session, desk.shop_id, job_id).document)
    return [_out(row, job) for row in readings.of_job(desk.session, job_id)]


def keep(desk: Desk, job_id: UUID, found: Sequence[Reading]) -> dict[str, int]:
    """Keep readings; those already there are left as they were."""
    jobs.head(desk.session, desk.shop_id, job_id)
    return {"new": readings.keep(desk.session, desk.shop_id, job_id, found), "sent": len(found)}


def keep_csv(desk: Desk, job_id: UUID, content: bytes) -> dict[str, int]:
    """Keep the readings of a CSV file."""
    job = read_stored(jobs.head(desk.session, desk.shop_id, job_id).document)
    first = readings.highest_seq(desk.session, job_id, CSV_SOURCE) + 1
    return keep(desk, job_id, read_csv(content, job.units.to_core(), CSV_SOURCE, first))


def put_in(desk: Desk, job_id: UUID, job: Job, named: Sequence[ReadingName]) -> tuple[Job, str]:
    """The document with readings in its survey, and in words what changed. Raises: DesignError if none has a place."""
    wanted = {(one.source, one.seq) for one in named}
    rows = [row for row in reversed(readings.of_job(desk.session, job_id)) if (row.source, row.seq) in wanted]
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
    value = length_text(row.value_mm, units)
    return {"source": row.source, "seq": row.seq, "what": row.what, "x": x, "y": y, "value": value,
        "value_mm": row.value_mm, "taken_at": row.taken_at}  # fmt: skip
