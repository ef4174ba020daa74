"""What the routes do: read, plan, draw, save. No HTTP here; the command line uses some of it too."""

from dataclasses import replace
from typing import Any
from uuid import UUID

from sqlalchemy.orm import Session

from gantline.api.schemas import NewJob
from gantline.core.defaults import Shop
from gantline.drawing.drawing import Drawing, draw, draw_some
from gantline.drawing.front import front
from gantline.job.document import Job
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job
from gantline.plan.plan import Planned, plan
from gantline.store import jobs, shops
from gantline.store.models import JobVersionRow


def new_job(body: NewJob) -> Job:
    """The document of a job that has only a name, a place and a diagonal."""
    return read_job(
        {
            "name": body.name,
            "place": body.place,
            "units": body.units.model_dump(mode="json"),
            "size": {"aspect": body.aspect, "lead": "diagonal", "value_mm": body.diagonal},
        }
    )


def stored(job: Job) -> dict[str, Any]:
    """The document as it is stored and sent."""
    return job.model_dump(mode="json")


def planned(job: Job, shop: Shop) -> tuple[Planned, Drawing]:
    """Plan and drawing of a job."""
    made = plan(job, shop)
    return made, draw(job, made)


def job_out(session: Session, version: JobVersionRow) -> dict[str, Any]:
    """A saved version with everything a page shows of it."""
    job = read_job(version.document)
    made, drawing = planned(job, shops.settings_of(session, version.shop_id))
    return {
        "id": version.job_id,
        "version": version.number,
        "who": version.who,
        "what": version.what,
        "saved_at": version.saved_at,
        "can_undo": jobs.undoable(session, version),
        "can_redo": jobs.redoable(session, version) is not None,
        "document": version.document,
        "plan": made.plan,
        "drawing": drawing,
    }


def job_card(version: JobVersionRow, shop: Shop) -> dict[str, Any]:
    """A job in the yard: its little wall, its size and what comes next."""
    job = read_job(version.document)
    made = plan(job, shop)
    severities = [one.severity for one in made.plan.findings]
    wall = front(made.scene, job.units.to_core(), made.plan.size_text, job.size.aspect)
    return {
        "id": version.job_id,
        "version": version.number,
        "name": job.name,
        "place": job.place,
        "size_text": made.plan.size_text,
        "next_point": made.plan.next_point,
        "stops": severities.count("stop"),
        "minds": severities.count("mind"),
        "saved_at": version.saved_at,
        "who": version.who,
        "front": replace(wall, marks=tuple(one for one in wall.marks if one.kind in ("area", "line"))),
    }


def preview(document: dict[str, Any], edits: list[Edit], shop: Shop, parts: str) -> dict[str, Any]:
    """A plan of edits that are not saved; one face alone is enough for a drag on it."""
    job = read_job(document)
    if edits:
        job = apply(job, edits)
    made = plan(job, shop)
    faces = draw(job, made) if parts == "all" else draw_some(job, made, parts)
    return {
        "document": stored(job),
        "plan": made.plan if parts == "all" else replace(made.plan, steps=()),
        "front": faces.front,
        "side": faces.side,
        "top": faces.top,
        "back": faces.back,
        "tape": faces.tape,
    }


def save_edits(
    session: Session, shop_id: UUID, job_id: UUID, expected: int, job: Job, what: str, who: str
) -> JobVersionRow:
    """Save a changed document as the next version."""
    saved = jobs.Save(document=stored(job), what=what, who=who)
    return jobs.save(session, shop_id, job_id, expected, saved)
