"""Jobs and their versions. Functions over a session: no commit here, None for what is absent."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from sqlalchemy import Select, and_, select, update
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.store.models import JobRow, JobVersionRow


class NoSuchJob(DesignError):
    """The job is not in this shop."""

    code = "no-such-job"


class VersionConflict(DesignError):
    """Someone saved the job in between. `current` is the newest version, `expected` the one edited."""

    code = "version-conflict"

    def __init__(self, head: JobVersionRow, expected: int) -> None:
        super().__init__(
            f"Version {expected} was edited, but version {head.number} was saved meanwhile by {head.who}."
        )
        # plain values: the row is of no use once its session is gone
        self.current = {"version": head.number, "who": head.who, "what": head.what, "document": head.document}
        self.expected = expected


class NothingToUndo(DesignError):
    """There is no earlier (or, for redo, later) version to bring back."""

    code = "nothing-to-undo"


@dataclass(frozen=True, slots=True, kw_only=True)
class Save:
    """One version to be saved."""

    document: dict[str, Any]
    what: str
    who: str


def create(session: Session, shop_id: UUID, save: Save) -> JobVersionRow:
    """A new job with its first version."""
    job = JobRow(shop_id=shop_id, head=1)
    session.add(job)
    session.flush()
    first = JobVersionRow(
        job_id=job.id,
        number=1,
        shop_id=shop_id,
        parent=None,
        stands_for=1,
        what=save.what,
        who=save.who,
        document=save.document,
    )
    session.add(first)
    session.flush()
    return first


def head(session: Session, shop_id: UUID, job_id: UUID) -> JobVersionRow:
    """The newest version. Raises: NoSuchJob."""
    found: JobVersionRow | None = session.scalar(_heads(shop_id).where(JobRow.id == job_id))
    if found is None:
        raise NoSuchJob("There is no such job.", job=str(job_id))
    return found


def heads(session: Session, shop_id: UUID) -> Sequence[JobVersionRow]:
    """The newest version of every job, the one saved last first."""
    return session.scalars(_heads(shop_id).order_by(JobVersionRow.saved_at.desc(), JobRow.id)).all()


def _heads(shop_id: UUID) -> Select[JobVersionRow]:
    join = and_(JobVersionRow.job_id == JobRow.id, JobVersionRow.number == JobRow.head)
    return select(JobVersionRow).join(JobRow, join).where(JobRow.shop_id == shop_id)


def versions(session: Session, shop_id: UUID, job_id: UUID) -> Sequence[JobVersionRow]:
    """Every version, newest first. Raises: NoSuchJob."""
    head(session, shop_id, job_id)
    chosen = select(JobVersionRow).where(JobVersionRow.job_id == job_id, JobVersionRow.shop_id == shop_id)
    return session.scalars(chosen.order_by(JobVersionRow.number.desc()).limit(500)).all()


def save(session: Session, shop_id: UUID, job_id: UUID, expected: int, save: Save) -> JobVersionRow:
    """Save the next version over version `expected`. Raises: NoSuchJob, VersionConflict."""
    before = head(session, shop_id, job_id)
    return _append(session, before, expected, save, parent=before.stands_for, stands_for=None)


def undo(session: Session, shop_id: UUID, job_id: UUID, expected: int, who: str) -> JobVersionRow:
    """Save the state before the present one again. Raises: NoSuchJob, VersionConflict, NothingToUndo."""
    now = head(session, shop_id, job_id)
    present = _version(session, now, now.stands_for)
    if present.parent is None:
        raise NothingToUndo("There is nothing to undo.")
    earlier = _version(session, now, present.parent)
    back = Save(document=earlier.document, what=f"undo: {present.what}"[:200], who=who)
    return _append(session, now, expected, back, parent=earlier.parent, stands_for=earlier.number)


def redo(session: Session, shop_id: UUID, job_id: UUID, expected: int, who: str) -> JobVersionRow:
    """Bring back what was undone last. Raises: NoSuchJob, VersionConflict, NothingToUndo."""
    now = head(session, shop_id, job_id)
    later = redoable(session, now)
    if later is None:
        raise NothingToUndo("There is nothing to redo.")
    forward = Save(document=later.document, what=f"redo: {later.what}"[:200], who=who)
    return _append(session, now, expected, forward, parent=later.parent, stands_for=later.number)


def redoable(session: Session, now: JobVersionRow) -> JobVersionRow | None:
    """The newest state made from the present one, if the present one was itself brought back."""
    if now.stands_for == now.number:
        return None
    own = (JobVersionRow.number == JobVersionRow.stands_for, JobVersionRow.parent == now.stands_for)
    chosen = select(JobVersionRow).where(JobVersionRow.job_id == now.job_id, *own)
    return session.scalar(chosen.order_by(JobVersionRow.number.desc()).limit(1))


def undoable(session: Session, now: JobVersionRow) -> bool:
    """Whether there is an earlier state."""
    return _version(session, now, now.stands_for).parent is not None


def remove(session: Session, shop_id: UUID, job_id: UUID, expected: int) -> None:
    """Delete a job with all its versions. Raises: NoSuchJob, VersionConflict."""
    now = head(session, shop_id, job_id)
    if now.number != expected:
        raise VersionConflict(now, expected)
    session.delete(session.get_one(JobRow, job_id))


def _version(session: Session, now: JobVersionRow, number: int) -> JobVersionRow:
    return now if number == now.number else session.get_one(JobVersionRow, (now.job_id, number))


def _append(
    session: Session,
    before: JobVersionRow,
    expected: int,
    save: Save,
    *,
    parent: int | None,
    stands_for: int | None,
) -> JobVersionRow:
    number = expected + 1
    moved = update(JobRow).where(JobRow.id == before.job_id, JobRow.head == expected).values(head=number)
    if session.execute(moved.returning(JobRow.id)).scalar() is None:
        session.expire_all()
        raise VersionConflict(head(session, before.shop_id, before.job_id), expected)
    made = JobVersionRow(
        job_id=before.job_id, number=number, shop_id=before.shop_id, parent=parent, stands_for=stands_for or number,
        what=save.what, who=save.who, document=save.document,
    )  # fmt: skip
    session.add(made)
    session.flush()
    session.refresh(made)
    return made
