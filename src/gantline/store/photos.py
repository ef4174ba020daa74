"""Photos: rows of their own, never changed."""

from uuid import UUID, uuid4

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.store.models import PhotoRow
from gantline.store.readings import TooMany

MOST = 60  # a job


class NoSuchPhoto(DesignError):
    """No photo of this job bears this id."""

    code = "no-such-photo"


def keep(session: Session, shop_id: UUID, job_id: UUID, content: bytes) -> UUID:
    """Keep a photo; its id.  Raises: TooMany."""
    there = session.scalar(select(func.count()).select_from(PhotoRow).where(PhotoRow.job_id == job_id)) or 0
    if there >= MOST:
        raise TooMany(f"A job keeps at most {MOST} photos.")
    made = uuid4()
    session.add(PhotoRow(id=made, job_id=job_id, shop_id=shop_id, content=content))
    session.flush()
    return made


def content(session: Session, job_id: UUID, photo_id: UUID) -> bytes:
    """The JPEG.  Raises: NoSuchPhoto."""
    found = session.scalar(select(PhotoRow.content).where(PhotoRow.id == photo_id, PhotoRow.job_id == job_id))
    if found is None:
        raise NoSuchPhoto("This job has no such photo.", field="photo")
    return found
