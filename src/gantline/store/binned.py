"""The bin: a deleted job waits there for 30 days with all that belongs to it. Functions over a session: no commit here."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from sqlalchemy import ColumnElement, and_, delete, func, select, update
from sqlalchemy.orm import Session

from gantline.store import results
from gantline.store.jobs import NoSuchJob, VersionConflict, head
from gantline.store.models import JobRow, JobVersionRow

WAITS = timedelta(days=30)
PLAINLY = {"synchronize_session": False}


@dataclass(frozen=True, slots=True, kw_only=True)
class Binned:
    """A job in the bin: since when and by whom, and until when it waits."""

    id: UUID
    name: str
    place: str
    versions: int
    binned_at: datetime
    binned_by: str
    until: datetime


def put(session: Session, shop_id: UUID, job_id: UUID, expected: int, who: str) -> None:
    """Put a job into the bin. Raises: NoSuchJob, VersionConflict."""
    here = (
        JobRow.id == job_id,
        JobRow.shop_id == shop_id,
        JobRow.head == expected,
        JobRow.binned_at.is_(None),
    )
    gone = update(JobRow).where(*here).values(binned_at=func.now(), binned_by=who)
    if session.execute(gone.returning(JobRow.id), execution_options=PLAINLY).scalar() is None:
        raise VersionConflict(head(session, shop_id, job_id), expected)


def listed(session: Session, shop_id: UUID) -> Sequence[Binned]:
    """What lies in the bin, what was put there last first."""
    join = and_(JobVersionRow.job_id == JobRow.id, JobVersionRow.number == JobRow.head)
    name, place = JobVersionRow.document["name"].astext, JobVersionRow.document["place"].astext
    columns = select(JobRow.id, name, place, JobRow.head, JobRow.binned_at, JobRow.binned_by).join(
        JobVersionRow, join
    )
    there = columns.where(JobRow.shop_id == shop_id, JobRow.binned_at.is_not(None))
    return [
        Binned(
            id=key, name=called or "", place=where or "", versions=number, binned_at=at, binned_by=by or "", until=at + WAITS
        )
        for key, called, where, number, at, by in session.execute(there.order_by(JobRow.binned_at.desc(), JobRow.id))
    ]  # fmt: skip


def count(session: Session, shop_id: UUID) -> int:
    """How many jobs lie in the bin."""
    there = (JobRow.shop_id == shop_id, JobRow.binned_at.is_not(None))
    return session.scalar(select(func.count()).select_from(JobRow).where(*there)) or 0


def bring_back(session: Session, shop_id: UUID, job_id: UUID) -> None:
    """Put a job back into the yard. Raises: NoSuchJob."""
    there = (JobRow.id == job_id, JobRow.shop_id == shop_id, JobRow.binned_at.is_not(None))
    back = update(JobRow).where(*there).values(binned_at=None, binned_by=None)
    if session.execute(back.returning(JobRow.id), execution_options=PLAINLY).scalar() is None:
        raise NoSuchJob("This job is not in the bin.", job=str(job_id))


def empty(session: Session, shop_id: UUID, job_id: UUID | None = None) -> int:
    """Delete what lies in the bin for good, one job or all; returns how many. Raises: NoSuchJob."""
    there = [JobRow.shop_id == shop_id, JobRow.binned_at.is_not(None)]
    if job_id is not None:
        there.append(JobRow.id == job_id)
    gone = _delete(session, *there)
    if job_id is not None and not gone:
        raise NoSuchJob("This job is not in the bin.", job=str(job_id))
    return gone


def forget_old(session: Session) -> int:
    """Delete for good what has waited its time, of every shop; returns how many."""
    return _delete(session, JobRow.binned_at < func.now() - WAITS)


def _delete(session: Session, *which: ColumnElement[bool]) -> int:
    """Jobs, all that belongs to them, and what was made of them."""
    jobs = delete(JobRow).where(*which).returning(JobRow.id)
    gone = session.scalars(jobs, execution_options=PLAINLY).all()
    results.forget_of_job(session, *gone)
    return len(gone)
