"""Jobs made, changed, listed: a saved version always carries its card."""

from collections.abc import Callable, Sequence
from typing import Any
from uuid import UUID

import orjson

from gantline.api.desk import Desk
from gantline.api.schemas.jobs import NewJob
from gantline.api.services.plans import card, job_out, planned
from gantline.job.file import read_job, sparse
from gantline.job.model import Job
from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.stations import plan
from gantline.store import jobs
from gantline.store.models import JobVersionRow

Change = Callable[[Job], tuple[Job, str]]


def new_job(body: NewJob) -> Job:
    """The document of a job that has only a name, a place and a diagonal."""
    return read_job(
        {
            "name": body.name,
            "place": body.place or None,
            "units": body.units.model_dump(mode="json"),
            "size": {"aspect": body.aspect, "lead": "diagonal", "value_mm": body.diagonal},
        }
    )


def saving(made: JobPlan, what: str, who: str) -> jobs.Save:
    """A version to be saved, with its card."""
    return jobs.Save(document=sparse(made.ask.job), what=what, who=who, card=stored_card(made))


def stored_card(made: JobPlan) -> dict[str, Any]:
    """The yard's card as plain JSON."""
    found: dict[str, Any] = orjson.loads(orjson.dumps(card(made), default=as_plain))
    return found


def create(desk: Desk, job: Job, what: str, who: str) -> dict[str, Any]:
    """A new job with its first version."""
    made = plan(job, desk.shop)
    return job_out(desk, jobs.create(desk.session, desk.shop_id, saving(made, what, who)), made)


def change(desk: Desk, job_id: UUID, expected: int, who: str, make: Change) -> dict[str, Any]:
    """Change version `expected` and save the next one. make: the changed document, and in words what changed."""
    head = jobs.head(desk.session, desk.shop_id, job_id)
    job, what = make(read_job(head.document))
    made = plan(job, desk.shop, desk.memo.near(job_id, head.number))
    saved = jobs.save(desk.session, desk.shop_id, job_id, expected, saving(made, what, who))
    return job_out(desk, saved, made)


def cards(desk: Desk, rows: Sequence[JobVersionRow]) -> list[dict[str, Any]]:
    """The yard's cards; one that is missing is made and kept."""
    out = []
    for row in rows:
        if row.card is None:
            row.card = stored_card(planned(desk, row))
        own = {"id": row.job_id, "version": row.number, "saved_at": row.saved_at, "who": row.who}
        out.append(own | row.card)
    return out
