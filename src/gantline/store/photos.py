"""Photos: rows of their own. What was sent stays as it is until a worker has read it; then only gray levels are left
of it."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Any
from uuid import UUID, uuid4

from sqlalchemy import Row, delete, func, select, update
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.store import results
from gantline.store.models import PhotoRow
from gantline.store.readings import TooMany

MOST = 60  # a job
UNREAD = timedelta(hours=1)  # one that was sent and never read


class NoSuchPhoto(DesignError):
    """No photo of this job bears this id."""

    code = "no-such-photo"


def keep(
    session: Session, shop_id: UUID, job_id: UUID, content: bytes, step: str | None = None, who: str = ""
) -> UUID:
    """Keep a photo as it was sent; its id. Those of the lit screen that nobody had read, or whose corners were not
    trusted, are forgotten.  step: the key of the step of the day that it is of, who: by whom.  Raises: TooMany."""
    unread = PhotoRow.raw & (func.now() - PhotoRow.taken_at > UNREAD) & PhotoRow.step.is_(None)
    old = unread | (PhotoRow.refused & PhotoRow.removed_at.is_(None))
    session.execute(delete(PhotoRow).where(PhotoRow.job_id == job_id, old))
    here = (
        select(func.count())
        .select_from(PhotoRow)
        .where(PhotoRow.job_id == job_id, PhotoRow.removed_at.is_(None))
    )
    if (session.scalar(here) or 0) >= MOST:
        raise TooMany(f"A job keeps at most {MOST} photos. Remove some first.")
    made = uuid4()
    about = {"step": step, "who": who} if step else {}
    session.add(PhotoRow(id=made, job_id=job_id, shop_id=shop_id, content=content, raw=True, **about))
    session.flush()
    return made


def content(session: Session, job_id: UUID, photo_id: UUID, *, raw: bool = False, lit: bool = False) -> bytes:
    """The JPEG. raw: also one that was not read yet, as it was sent, for whoever reads it; lit: only one of the lit screen.

    Raises: NoSuchPhoto, also for one that was removed, saying by whom and when, and for one of a step where lit is asked for.
    """
    named = select(PhotoRow).where(PhotoRow.id == photo_id, PhotoRow.job_id == job_id)
    photo = session.scalar(named)
    if photo is None or (photo.raw and not raw):
        raise NoSuchPhoto("This job has no such photo.", field="photo")
    if lit and photo.step is not None:
        raise NoSuchPhoto("This photo is of a step of the day, not of the lit screen.", field="photo")
    if photo.removed_at is not None:
        when = f"{photo.removed_at:%Y-%m-%d}"
        raise NoSuchPhoto(f"This photo was removed by {photo.removed_by} on {when}.", field="photo")
    return photo.content


def now_read(session: Session, photo_id: UUID, plain: bytes) -> None:
    """Only gray levels are left of a photo; nothing of one that was removed while it was read."""
    there = update(PhotoRow).where(PhotoRow.id == photo_id, PhotoRow.removed_at.is_(None))
    session.execute(there.values(content=plain, raw=False))


def judge(session: Session, photo_id: UUID, *, refused: bool) -> None:
    """Whether a photo's corners were trusted when it was last read."""
    session.execute(update(PhotoRow).where(PhotoRow.id == photo_id).values(refused=refused))


def refuse(session: Session, photo_id: UUID) -> None:
    """One that is no photo, or is not trusted when it is first read, is not kept."""
    session.execute(delete(PhotoRow).where(PhotoRow.id == photo_id, PhotoRow.raw))


def remove(session: Session, job_id: UUID, photo_id: UUID, who: str) -> None:
    """Take a photo away, also from sheets that were made with it; who and when stay.  Raises: NoSuchPhoto."""
    content(session, job_id, photo_id, raw=True)
    gone = {"content": b"", "raw": False, "removed_at": func.now(), "removed_by": who}
    session.execute(update(PhotoRow).where(PhotoRow.id == photo_id).values(gone))
    results.forget_of_job(session, job_id)


def listed(
    session: Session, job_id: UUID
) -> Sequence[Row[tuple[UUID, datetime, int, datetime | None, str | None]]]:
    """Id, when, size in bytes, and of a removed one when and by whom, of every photo of a job; the newest first."""
    size = func.length(PhotoRow.content)
    rows = select(PhotoRow.id, PhotoRow.taken_at, size, PhotoRow.removed_at, PhotoRow.removed_by)
    chosen = rows.where(PhotoRow.job_id == job_id, ~PhotoRow.raw, PhotoRow.step.is_(None))
    return session.execute(chosen.order_by(PhotoRow.taken_at.desc(), PhotoRow.id)).all()


def of_steps(session: Session, job_id: UUID) -> Sequence[Any]:
    """Id, step, by whom and when, whether it is still as it was sent, and when and by whom it was removed, of every photo of a
    job's day, the oldest first."""
    rows = select(
        PhotoRow.id,
        PhotoRow.step,
        PhotoRow.who,
        PhotoRow.taken_at,
        PhotoRow.raw,
        PhotoRow.removed_at,
        PhotoRow.removed_by,
    )
    chosen = rows.where(PhotoRow.job_id == job_id, PhotoRow.step.is_not(None))
    return session.execute(chosen.order_by(PhotoRow.taken_at, PhotoRow.id)).all()
