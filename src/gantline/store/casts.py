"""What projectors show: one row a job, found by its code."""

import secrets
from uuid import UUID

from sqlalchemy import delete, func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.store.models import CastRow
from gantline.store.readings import CHANNEL

LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789"  # none that reads as another
LONG = 6


class NoSuchCast(DesignError):
    """No projector is joined by this code."""

    code = "no-such-cast"


def of_job(session: Session, shop_id: UUID, job_id: UUID) -> CastRow:
    """The row of a job, made when it is first asked for."""
    named = select(CastRow).where(CastRow.job_id == job_id)
    while (cast := session.scalar(named)) is None:  # two pages may ask at once, and a third end the code
        code = "".join(secrets.choice(LETTERS) for _ in range(LONG))
        row = {"job_id": job_id, "shop_id": shop_id, "code": code, "pattern": "corners", "u": 0.5, "v": 0.5}
        session.execute(insert(CastRow).values(row).on_conflict_do_nothing())
    return cast


def end(session: Session, job_id: UUID) -> None:
    """End a job's code: the page it joined goes dark, and nothing is found by it again."""
    session.execute(delete(CastRow).where(CastRow.job_id == job_id))
    tell(session, job_id)


def by_code(session: Session, shop_id: UUID, code: str) -> CastRow:
    """The row that a code joins.  Raises: NoSuchCast."""
    wanted = code.strip().upper()
    found = session.scalar(select(CastRow).where(CastRow.code == wanted, CastRow.shop_id == shop_id))
    if found is None:
        raise NoSuchCast(
            "No job casts under this code. It stands at Align, under Cast.", field="code", got=wanted
        )
    return found


def tell(session: Session, job_id: UUID) -> None:
    """Say it to the page that casts, by whichever server it is open."""
    session.execute(select(func.pg_notify(CHANNEL, f"{job_id} cast")))
