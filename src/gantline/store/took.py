"""Which jobs took a record of the stores: its name stands in their document as the source of what was copied."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from sqlalchemy import text
from sqlalchemy.orm import Session

HEADS = """
    FROM job JOIN job_version ON job_version.job_id = job.id AND job_version.number = job.head
    WHERE job.shop_id = :shop AND job.binned_at IS NULL
"""
TOOK = (
    HEADS
    + """ AND jsonb_path_exists(
        job_version.document, '$.sources.* ? (@ == $name)', jsonb_build_object('name', CAST(:name AS text)))"""
)


@dataclass(frozen=True, slots=True)
class Took:
    """A job that took a record."""

    id: UUID
    name: str
    place: str


def count(session: Session, shop_id: UUID, name: str) -> int:
    """How many jobs took a record of this name."""
    return int(session.execute(text("SELECT count(*) " + TOOK), {"shop": shop_id, "name": name}).scalar_one())


def jobs_that_took(session: Session, shop_id: UUID, name: str, *, most: int) -> Sequence[Took]:
    """Some of them, the one saved last first."""
    asked = text(
        "SELECT job.id, job_version.document->>'name', coalesce(job_version.document->>'place', '') "
        + TOOK
        + " ORDER BY job_version.saved_at DESC LIMIT :most"
    )
    rows = session.execute(asked, {"shop": shop_id, "name": name, "most": most})
    return [Took(*row) for row in rows]


def documents(session: Session, shop_id: UUID, name: str) -> Iterator[tuple[UUID, dict[str, Any]]]:
    """Id and document of each of them, read a few at a time."""
    asked = text("SELECT job.id, job_version.document " + TOOK + " ORDER BY job_version.saved_at DESC")
    for row in session.execute(asked.execution_options(yield_per=50), {"shop": shop_id, "name": name}):
        yield row[0], row[1]


def stamp(session: Session, shop_id: UUID) -> str:
    """Changes with every version that is saved: what was found of the jobs before is not the answer any more."""
    asked = text("SELECT count(*) || '-' || coalesce(max(job_version.saved_at)::text, '') " + HEADS)
    return str(session.execute(asked, {"shop": shop_id}).scalar_one())
