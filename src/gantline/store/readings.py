"""Readings: kept once, whatever is sent twice."""

from collections.abc import Sequence
from uuid import UUID

from sqlalchemy import func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.job.readings import Reading
from gantline.store.models import ReadingRow

MOST = 20_000
CHANNEL = "gantline_news"  # NOTIFY: the job's id and what is new of it


class TooMany(DesignError):
    """More rows than a job or a shop keeps."""

    code = "too-many"


def keep(session: Session, shop_id: UUID, job_id: UUID, readings: Sequence[Reading]) -> int:
    """Store readings; one whose source and number are there already is left as it was. Returns how many were new."""
    if not readings:
        return 0
    there = select(func.count()).select_from(ReadingRow).where(ReadingRow.job_id == job_id)
    if (session.scalar(there) or 0) + len(readings) > MOST:
        raise TooMany(f"A job keeps at most {MOST} readings. Start another job, or send fewer.")
    rows = [{"job_id": job_id, "shop_id": shop_id, **one.model_dump()} for one in readings]
    made = session.execute(insert(ReadingRow).values(rows).on_conflict_do_nothing().returning(ReadingRow.seq))
    new = len(made.all())
    if new:
        session.execute(select(func.pg_notify(CHANNEL, f"{job_id} readings")))  # told when it is committed
    return new


def last_seq(session: Session, job_id: UUID, source: str) -> int:
    """Highest number without a gap below it that a source has delivered, 0 before the first."""
    chosen = (
        select(ReadingRow.seq)
        .where(ReadingRow.job_id == job_id, ReadingRow.source == source)
        .order_by(ReadingRow.seq)
    )
    last = 0
    for seq in session.scalars(chosen):
        if seq != last + 1:
            break
        last = seq
    return last


def of_job(session: Session, job_id: UUID) -> Sequence[ReadingRow]:
    """All readings of a job, newest first."""
    chosen = select(ReadingRow).where(ReadingRow.job_id == job_id)
    return session.scalars(
        chosen.order_by(ReadingRow.taken_at.desc(), ReadingRow.source, ReadingRow.seq.desc()).limit(500)
    ).all()


def highest_seq(session: Session, job_id: UUID, source: str) -> int:
    """Highest number a source has used at all, 0 before the first."""
    return (
        session.scalar(
            select(func.max(ReadingRow.seq)).where(ReadingRow.job_id == job_id, ReadingRow.source == source)
        )
        or 0
    )
