"""Jobs and their versions. Functions over a session: no commit here, None for what is absent."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from sqlalchemy import Select, and_, func, null, select, update
from sqlalchemy.orm import Session, defer

from gantline.core.errors import DesignError
from gantline.store.models import JobRow, JobVersionRow

PLAINLY = {"synchronize_session": False}  # no job is in the session that would have to follow
THERE = (
    "SELECT 1 FROM job WHERE id = %s AND shop_id = %s AND binned_at IS NULL"  # as text: every drag asks it
)


class NoSuchJob(DesignError):
    """The job is not in this shop."""

    code = "no-such-job"


class VersionConflict(DesignError):
    """Someone saved the job in between. `current` is the newest version, `expected` the one edited; `differences`
    what both changed, said by whoever knows what the edits were."""

    code = "version-conflict"

    def __init__(self, head: JobVersionRow, expected: int) -> None:
        super().__init__(
            f"Version {expected} was edited, but version {head.number} was saved meanwhile by {head.who}."
        )
        # plain values: the row is of no use once its session is gone
        self.current = {"version": head.number, "who": head.who, "what": head.what, "document": head.document}
        self.expected = expected
        self.differences: list[dict[str, str]] = []


class AnotherEdit(DesignError):
    """A key that names an edit was used for another one."""

    code = "another-edit"


class NothingToUndo(DesignError):
    """There is no earlier (or, for redo, later) version to bring back."""

    code = "nothing-to-undo"


@dataclass(frozen=True, slots=True, kw_only=True)
class Save:
    """One version to be saved. card: what the yard shows of it, made with its plan; key: names the edit, digest: what it was.
    as_built: whether it says something that was built or read."""

    document: dict[str, Any]
    what: str
    who: str
    card: dict[str, Any] | None = None
    key: str | None = None
    digest: str | None = None
    as_built: bool | None = None


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
        card=save.card,
        as_built=save.as_built,
    )
    session.add(first)
    session.flush()
    return first


def head(session: Session, shop_id: UUID, job_id: UUID) -> JobVersionRow:
    """The newest version. Raises: NoSuchJob."""
    chosen = _heads(shop_id).where(JobRow.id == job_id).options(defer(JobVersionRow.card))
    found: JobVersionRow | None = session.scalar(chosen)
    if found is None:
        raise NoSuchJob("There is no such job.", job=str(job_id))
    return found


def head_number(session: Session, shop_id: UUID, job_id: UUID) -> int:
    """The number of the newest version, without its document. Raises: NoSuchJob."""
    here = (JobRow.id == job_id, JobRow.shop_id == shop_id, JobRow.binned_at.is_(None))
    number: int | None = session.execute(select(JobRow.head).where(*here)).scalar()
    if number is None:
        raise NoSuchJob("There is no such job.", job=str(job_id))
    return number


def edited(session: Session, shop_id: UUID, job_id: UUID, expected: int) -> JobVersionRow:
    """The newest version, if it is the one that was edited. Raises: NoSuchJob, VersionConflict."""
    now = head(session, shop_id, job_id)
    if now.number != expected:
        raise VersionConflict(now, expected)
    return now


def saved_by(session: Session, shop_id: UUID, job_id: UUID, key: str) -> JobVersionRow | None:
    """The version that an edit made, by the edit's key."""
    chosen = select(JobVersionRow).where(
        JobVersionRow.job_id == job_id, JobVersionRow.shop_id == shop_id, JobVersionRow.edit_key == key
    )
    return session.scalar(chosen)


def version(session: Session, shop_id: UUID, job_id: UUID, number: int) -> JobVersionRow:
    """One version. Raises: NoSuchJob."""
    row = session.get(JobVersionRow, (job_id, number))
    if row is None or row.shop_id != shop_id:
        raise NoSuchJob("There is no such version of a job.", job=str(job_id))
    return row


def check_there(session: Session, shop_id: UUID, job_id: UUID) -> None:
    """Raises: NoSuchJob."""
    present = session.connection().exec_driver_sql(THERE, (job_id, shop_id))
    if present.first() is None:
        raise NoSuchJob("There is no such job.", job=str(job_id))


def heads(
    session: Session, shop_id: UUID, *, search: str = "", after: int = 0, most: int | None = None
) -> Sequence[JobVersionRow]:
    """The newest version of every job, the one saved last first; its document is loaded when it is asked for.

    Args: search, part of a name or a place.
    """
    chosen = _found(_heads(shop_id), search).options(defer(JobVersionRow.document))
    chosen = chosen.order_by(JobVersionRow.saved_at.desc(), JobRow.id)
    return session.scalars(chosen.offset(after).limit(most)).all()


def count(session: Session, shop_id: UUID, search: str = "") -> int:
    """How many jobs there are."""
    return session.scalar(select(func.count()).select_from(_found(_heads(shop_id), search).subquery())) or 0


def forget_cards(session: Session, shop_id: UUID) -> None:
    """Cards no longer hold, as when the shop's defaults change; each is made anew when it is shown."""
    session.execute(update(JobVersionRow).where(JobVersionRow.shop_id == shop_id).values(card=null()))


def _found(chosen: Select[JobVersionRow], search: str) -> Select[JobVersionRow]:
    if not search.strip():
        return chosen
    return chosen.where(JobVersionRow.found_by.icontains(search.strip(), autoescape=True))


def _heads(shop_id: UUID) -> Select[JobVersionRow]:
    join = and_(JobVersionRow.job_id == JobRow.id, JobVersionRow.number == JobRow.head)
    here = (JobRow.shop_id == shop_id, JobRow.binned_at.is_(None))
    return select(JobVersionRow).join(JobRow, join).where(*here)


def versions(
    session: Session, shop_id: UUID, job_id: UUID, before: int | None = None, most: int = 100
) -> Sequence[JobVersionRow]:
    """The versions of a job, newest first, their documents loaded when they are asked for.

    Args: before, only those older than this one.  Raises: NoSuchJob.
    """
    head(session, shop_id, job_id)
    chosen = select(JobVersionRow).where(JobVersionRow.job_id == job_id, JobVersionRow.shop_id == shop_id)
    chosen = chosen.options(defer(JobVersionRow.document), defer(JobVersionRow.card))
    if before is not None:
        chosen = chosen.where(JobVersionRow.number < before)
    return session.scalars(chosen.order_by(JobVersionRow.number.desc()).limit(most)).all()


def save(session: Session, before: JobVersionRow, save: Save) -> JobVersionRow:
    """Save the next version over one that was the newest when it was read. Raises: NoSuchJob, VersionConflict."""
    return _append(session, before, before.number, save, parent=before.stands_for, stands_for=None)


def undo(session: Session, shop_id: UUID, job_id: UUID, expected: int, who: str) -> JobVersionRow:
    """Save the state before the present one again. Raises: NoSuchJob, VersionConflict, NothingToUndo."""
    now = edited(session, shop_id, job_id, expected)
    present = _version(session, now, now.stands_for)
    earlier = _version(session, now, present.parent) if present else None
    if present is None or earlier is None:
        raise NothingToUndo("There is nothing to undo.")
    back = Save(document=earlier.document, card=earlier.card, what=f"undo: {present.what}"[:200], who=who)
    return _append(session, now, expected, back, parent=earlier.parent, stands_for=earlier.number)


def redo(session: Session, shop_id: UUID, job_id: UUID, expected: int, who: str) -> JobVersionRow:
    """Bring back what was undone last. Raises: NoSuchJob, VersionConflict, NothingToUndo."""
    now = edited(session, shop_id, job_id, expected)
    later = redoable(session, now)
    if later is None:
        raise NothingToUndo("There is nothing to redo.")
    forward = Save(document=later.document, card=later.card, what=f"redo: {later.what}"[:200], who=who)
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
    present = _version(session, now, now.stands_for)
    return present is not None and present.parent is not None


def _version(session: Session, now: JobVersionRow, number: int | None) -> JobVersionRow | None:
    """A version of the same job; None where there is none, as of one thinned out at the moment it was brought back."""
    if number is None or number == now.number:
        return now if number else None
    return session.get(JobVersionRow, (now.job_id, number))


def _append(
    session: Session,
    before: JobVersionRow,
    expected: int,
    save: Save,
    *,
    parent: int | None,
    stands_for: int | None,
) -> JobVersionRow:
    number, job_id, shop_id = expected + 1, before.job_id, before.shop_id
    here = (JobRow.id == job_id, JobRow.head == expected, JobRow.binned_at.is_(None))
    moved = update(JobRow).where(*here).values(head=number)
    if session.execute(moved.returning(JobRow.id), execution_options=PLAINLY).scalar() is None:
        session.expire_all()  # what was read before may be gone by now
        raise VersionConflict(head(session, shop_id, job_id), expected)
    made = JobVersionRow(
        job_id=job_id, number=number, shop_id=shop_id, parent=parent, stands_for=stands_for or number,
        what=save.what, who=save.who, document=save.document, card=save.card, edit_key=save.key,
        edit_digest=save.digest, as_built=save.as_built,
    )  # fmt: skip
    session.add(made)
    session.flush()  # the time of saving comes back with the row
    return made
