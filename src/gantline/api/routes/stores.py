"""The shop's stores: records by kind and key."""

from typing import Annotated, Any, Literal
from uuid import UUID

import orjson
from fastapi import APIRouter, Path, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute, body_of, desk_of
from gantline.api.schemas.stores import RecordIn, RecordName, RecordOut
from gantline.job.file import read_stored
from gantline.job.records import RecordKind, read_record, record_from
from gantline.job.records.files import KEY, key_of, read_json_records, read_records, write_records
from gantline.store import jobs, shops
from gantline.store.models import RecordRow

router = APIRouter(prefix="/api/stores", tags=["stores"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
Key = Annotated[str, Path(pattern=KEY, max_length=60)]
Form = Literal["csv", "json"]
FILE_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"text/csv": {"schema": {"type": "string"}}, "application/json": {"schema": {}}},
    }
}


@router.get("/{kind}", response_model=list[RecordOut])
def list_records(kind: RecordKind, desk: DeskDep) -> Response:
    """All records of a kind."""
    return answer([_out(row) for row in shops.records(desk.session, desk.shop_id, kind)])


@router.get("/{kind}/file/{form}", response_class=Response)
def export_records(kind: RecordKind, form: Form, desk: DeskDep) -> Response:
    """All records of a kind as one file, CSV or JSON."""
    rows = shops.named_records(desk.session, desk.shop_id, kind)
    if form == "csv":
        return attachment(write_records(kind, rows), "text/csv; charset=utf-8", f"{kind} records.csv")
    content = orjson.dumps(
        [{"key": key, "name": name, "body": body} for key, name, body in rows], option=orjson.OPT_INDENT_2
    )
    return attachment(content, "application/json", f"{kind} records.json")


@router.post(
    "/{kind}/file/{form}",
    response_model=list[RecordOut],
    openapi_extra=FILE_BODY,
    dependencies=[body_of("text/csv", "application/json")],
)
async def import_records(kind: RecordKind, form: Form, request: Request) -> Response:
    """Take in a file of records, all or none; a record with a known key is replaced."""
    content = await request.body()
    return await run_in_threadpool(_import, request, kind, form, content)


def _import(request: Request, kind: RecordKind, form: str, content: bytes) -> Response:
    read = read_records(kind, content) if form == "csv" else read_json_records(kind, content)
    with desk_of(request.app.state) as desk:
        return answer(
            [
                _out(shops.put_record(desk.session, desk.shop_id, kind, key, name, body))
                for key, name, body in read
            ]
        )


@router.post("/{kind}/from/{job_id}", response_model=RecordOut)
def keep_from_job(kind: RecordKind, job_id: UUID, body: RecordName, desk: DeskDep) -> Response:
    """Keep what a job holds of a kind as a record of the stores; one of the same name is replaced."""
    job = read_stored(jobs.head(desk.session, desk.shop_id, job_id).document)
    record = record_from(kind, job)
    return answer(
        _out(shops.put_record(desk.session, desk.shop_id, kind, key_of(body.name), body.name, record))
    )


@router.get("/{kind}/{key}", response_model=RecordOut)
def get_record(kind: RecordKind, key: Key, desk: DeskDep) -> Response:
    """One record."""
    return answer(_out(shops.record(desk.session, desk.shop_id, kind, key)))


@router.put("/{kind}/{key}", response_model=RecordOut)
def put_record(kind: RecordKind, key: Key, body: RecordIn, desk: DeskDep) -> Response:
    """Make or replace a record; unknown fields of its body are kept."""
    checked = read_record(kind, body.body)
    return answer(_out(shops.put_record(desk.session, desk.shop_id, kind, key, body.name, checked)))


@router.delete("/{kind}/{key}", status_code=204)
def delete_record(kind: RecordKind, key: Key, desk: DeskDep) -> None:
    """Delete a record; jobs that took it keep their copy."""
    shops.remove_record(desk.session, desk.shop_id, kind, key)


def _out(row: RecordRow) -> dict[str, object]:
    return {"kind": row.kind, "key": row.key, "name": row.name, "body": row.body}
