"""Jobs: list, create, read, change, preview, undo, redo, take a record, delete, versions, the job file."""

from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute, EditKey, ExpectedVersion, Who, body_of, desk_of
from gantline.api.schemas.jobs import (
    Edits,
    JobList,
    JobOut,
    KnownMark,
    NewJob,
    TakeRecord,
    VersionOut,
)
from gantline.api.schemas.plans import Preview, PreviewOut
from gantline.api.services import jobs as service
from gantline.api.services.examples import ExampleKey, example
from gantline.api.services.new_job import Draft, draft, new_job
from gantline.api.services.plans import job_out, preview
from gantline.job.edits import apply, mark_known
from gantline.job.file import read_job_file
from gantline.job.model import Job
from gantline.job.records import RecordKind, edits_from
from gantline.store import binned, jobs, shops

router = APIRouter(prefix="/api/jobs", tags=["jobs"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
FILE_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"application/json": {"schema": {"type": "object"}}}}
}


@router.get("", response_model=JobList)
def list_jobs(
    desk: DeskDep,
    search: Annotated[str, Query(max_length=120, pattern=r"^[^\x00]*$")] = "",
    after: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
    most: Annotated[int, Query(ge=1, le=100)] = 24,
) -> Response:
    """A page of the shop's jobs, the one saved last first; search: part of a name or a place."""
    rows = jobs.heads(desk.session, desk.shop_id, search=search, after=after, most=most)
    total = jobs.count(desk.session, desk.shop_id, search)
    in_bin = binned.count(desk.session, desk.shop_id) if after == 0 else 0
    return answer({"jobs": service.cards(desk, rows), "total": total, "binned": in_bin})


@router.post("", response_model=JobOut, status_code=201)
def create_job(body: NewJob, desk: DeskDep, who: Who) -> Response:
    """Create a job from what is known of its room and its size."""
    return answer(service.create(desk, new_job(body, desk), "created", who), 201)


@router.post("/draft", response_model=Draft)
def draft_job(body: NewJob, desk: DeskDep) -> Response:
    """What is said of a job before it is made: its size, whether it fits, what is missing. Nothing is saved."""
    return answer(draft(desk, body))


@router.post("/example/{key}", response_model=JobOut, status_code=201)
def create_example(key: ExampleKey, desk: DeskDep, who: Who) -> Response:
    """A job made from one of the example rooms."""
    return answer(service.create(desk, example(key), "created from an example", who), 201)


@router.post(
    "/file",
    response_model=JobOut,
    status_code=201,
    openapi_extra=FILE_BODY,
    dependencies=[body_of("application/json")],
)
async def import_job_file(request: Request, who: Who) -> Response:
    """Create a job from a job file."""
    content = await request.body()
    return await run_in_threadpool(_import, request, content, who)


def _import(request: Request, content: bytes, who: str) -> Response:
    job = read_job_file(content)
    with desk_of(request.app.state) as desk:
        return answer(service.create(desk, job, "imported from a file", who), 201)


@router.get("/{job_id}", response_model=JobOut)
def read_job_by_id(job_id: UUID, desk: DeskDep) -> Response:
    """A job with its plan and drawing."""
    return answer(job_out(desk, jobs.head(desk.session, desk.shop_id, job_id)))


@router.delete("/{job_id}", status_code=204)
def delete_job(job_id: UUID, desk: DeskDep, expected: ExpectedVersion, who: Who) -> None:
    """Put a job into the bin, where it waits 30 days with all its versions."""
    binned.put(desk.session, desk.shop_id, job_id, expected, who)


@router.post("/{job_id}/edits", response_model=JobOut)
def edit_job(
    job_id: UUID, body: Edits, desk: DeskDep, expected: ExpectedVersion, who: Who, key: EditKey = None
) -> Response:
    """Change fields of version If-Match and save the next one; sent again with its key, it is saved once."""
    return answer(service.edit(desk, job_id, expected, who, body.edits, key))


@router.post("/{job_id}/preview", response_model=PreviewOut)
def preview_edits(job_id: UUID, body: Preview, desk: DeskDep) -> Response:
    """What edits would change of a version's plan; nothing is saved."""
    return answer(preview(desk, job_id, body))


@router.post("/{job_id}/known", response_model=JobOut)
def mark_field_known(
    job_id: UUID, body: KnownMark, desk: DeskDep, expected: ExpectedVersion, who: Who
) -> Response:
    """Say how a field is known."""
    what = f"{body.pointer.strip('/')} {body.known or 'as usual'}"
    return answer(
        service.change(
            desk, job_id, expected, who, lambda job: (mark_known(job, body.pointer, body.known), what)
        )
    )


@router.post("/{job_id}/take", response_model=JobOut)
def take_record(
    job_id: UUID, body: TakeRecord, desk: DeskDep, expected: ExpectedVersion, who: Who
) -> Response:
    """Copy a record of the stores into the job."""
    kind = RecordKind(body.kind)
    record = shops.record(desk.session, desk.shop_id, kind, body.key)
    what = f"{kind} {record.name}"

    def taken(job: Job) -> tuple[Job, str]:
        edits = [
            one.model_copy(update={"source": record.name})
            for one in edits_from(kind, record.name, record.body, job)
        ]
        return apply(job, edits), what

    return answer(service.change(desk, job_id, expected, who, taken))


@router.post("/{job_id}/undo", response_model=JobOut)
def undo_job(job_id: UUID, desk: DeskDep, expected: ExpectedVersion, who: Who) -> Response:
    """Bring the state before the present one back, as a new version."""
    return answer(job_out(desk, jobs.undo(desk.session, desk.shop_id, job_id, expected, who)))


@router.post("/{job_id}/redo", response_model=JobOut)
def redo_job(job_id: UUID, desk: DeskDep, expected: ExpectedVersion, who: Who) -> Response:
    """Bring back what was undone last, as a new version."""
    return answer(job_out(desk, jobs.redo(desk.session, desk.shop_id, job_id, expected, who)))


@router.get("/{job_id}/versions", response_model=list[VersionOut])
def list_versions(
    job_id: UUID,
    desk: DeskDep,
    before: Annotated[int | None, Query(ge=1, le=2**31 - 1)] = None,
    most: Annotated[int, Query(ge=1, le=100)] = 40,
) -> Response:
    """The history, newest first, a page at a time.  before: versions older than this one."""
    rows = jobs.versions(desk.session, desk.shop_id, job_id, before, most)
    keys = ("number", "stands_for", "what", "who", "saved_at")
    return answer([{key: getattr(row, key) for key in keys} for row in rows])


@router.get("/{job_id}/file", response_class=Response)
def export_job_file(job_id: UUID, desk: DeskDep) -> Response:
    """The open job file."""
    name, content = service.job_file(desk, job_id)
    return attachment(content, "application/json", f"{name}.job.json")
