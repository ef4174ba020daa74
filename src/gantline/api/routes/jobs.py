"""Jobs: list, make, read, change, undo, redo, take a record, delete, versions, the job file."""

from typing import Any
from uuid import UUID

from fastapi import APIRouter, Request, Response

from gantline.api import services
from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import ExpectedVersion, SessionDep, ShopId, Who
from gantline.api.schemas import Edits, JobCard, JobOut, KnownMark, NewJob, TakeRecord, VersionOut
from gantline.job.edits import apply, describe, mark_known
from gantline.job.file import read_job, read_job_file, write_job_file
from gantline.job.records import RecordKind, edits_from
from gantline.store import jobs, shops

router = APIRouter(prefix="/api/jobs", tags=["jobs"], responses=PROBLEM_ANSWERS)
FILE_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"application/json": {"schema": {"type": "object"}}}}
}


@router.get("", response_model=list[JobCard])
def list_jobs(session: SessionDep, shop_id: ShopId) -> Response:
    """Every job of the shop, the one saved last first."""
    shop = shops.settings_of(session, shop_id)
    return answer([services.job_card(version, shop) for version in jobs.heads(session, shop_id)])


@router.post("", response_model=JobOut, status_code=201)
def create_job(body: NewJob, session: SessionDep, shop_id: ShopId, who: Who) -> Response:
    """Make a job from a name and a diagonal."""
    saved = jobs.Save(document=services.stored(services.new_job(body)), what="made", who=who)
    return answer(services.job_out(session, jobs.create(session, shop_id, saved)), 201)


@router.post("/file", response_model=JobOut, status_code=201, openapi_extra=FILE_BODY)
async def import_job_file(request: Request) -> Response:
    """Make a job from a job file."""
    from starlette.concurrency import run_in_threadpool

    content = await request.body()
    return await run_in_threadpool(_import, request, content)


def _import(request: Request, content: bytes) -> Response:
    job = read_job_file(content)
    with request.app.state.sessions.begin() as session:
        saved = jobs.Save(document=services.stored(job), what="read from a file", who="office")
        return answer(services.job_out(session, jobs.create(session, shops.the_shop(session), saved)), 201)


@router.get("/{job_id}", response_model=JobOut)
def read_job_by_id(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """A job with its plan and drawing."""
    return answer(services.job_out(session, jobs.head(session, shop_id, job_id)))


@router.delete("/{job_id}", status_code=204)
def delete_job(job_id: UUID, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion) -> None:
    """Delete a job with all its versions."""
    jobs.remove(session, shop_id, job_id, expected)


@router.post("/{job_id}/edits", response_model=JobOut)
def edit_job(
    job_id: UUID, body: Edits, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion, who: Who
) -> Response:
    """Change fields of version If-Match and save the next one."""
    before = read_job(jobs.head(session, shop_id, job_id).document)
    job = apply(before, body.edits)
    saved = services.save_edits(session, shop_id, job_id, expected, job, describe(body.edits), who)
    return answer(services.job_out(session, saved))


@router.post("/{job_id}/known", response_model=JobOut)
def mark_field(
    job_id: UUID, body: KnownMark, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion, who: Who
) -> Response:
    """Say how a field is known."""
    job = mark_known(read_job(jobs.head(session, shop_id, job_id).document), body.pointer, body.known)
    saved = services.save_edits(
        session,
        shop_id,
        job_id,
        expected,
        job,
        f"{body.pointer.lstrip('/')} {body.known or 'as is'}"[:160],
        who,
    )
    return answer(services.job_out(session, saved))


@router.post("/{job_id}/take", response_model=JobOut)
def take_record(
    job_id: UUID, body: TakeRecord, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion, who: Who
) -> Response:
    """Copy a record of the stores into the job."""
    kind = RecordKind(body.kind)
    record = shops.record(session, shop_id, kind, body.key)
    job = apply(
        read_job(jobs.head(session, shop_id, job_id).document), edits_from(kind, record.name, record.body)
    )
    saved = services.save_edits(session, shop_id, job_id, expected, job, f"{kind} {record.name}", who)
    return answer(services.job_out(session, saved))


@router.post("/{job_id}/undo", response_model=JobOut)
def undo_job(
    job_id: UUID, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion, who: Who
) -> Response:
    """Bring the state before the present one back, as a new version."""
    return answer(services.job_out(session, jobs.undo(session, shop_id, job_id, expected, who)))


@router.post("/{job_id}/redo", response_model=JobOut)
def redo_job(
    job_id: UUID, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion, who: Who
) -> Response:
    """Bring back what was undone last, as a new version."""
    return answer(services.job_out(session, jobs.redo(session, shop_id, job_id, expected, who)))


@router.get("/{job_id}/versions", response_model=list[VersionOut])
def list_versions(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """The history, newest first."""
    keys = ("number", "stands_for", "what", "who", "saved_at")
    return answer(
        [{key: getattr(one, key) for key in keys} for one in jobs.versions(session, shop_id, job_id)]
    )


@router.get("/{job_id}/file", response_class=Response)
def export_job_file(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """The open job file."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    return attachment(write_job_file(job), "application/json", f"{job.name}.job.json")
