"""The shop's stores: records by kind and key.

Who can harm: a paired device may ask what a change would do to ten thousand jobs; that is worked on behind the one door, within
its time and memory, and ended when nobody waits. Nothing typed here reaches a job by itself.
"""

from typing import Annotated, Any, Literal
from uuid import UUID

import orjson
from fastapi import APIRouter, Path, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute, body_of, desk_of
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Question, question, through
from gantline.api.schemas.stores import (
    ChangeOut,
    RecordIn,
    RecordName,
    RecordOut,
    RecordTable,
    RecordTyped,
    RecordUses,
)
from gantline.core.units import LengthStyle, Units
from gantline.job.file import read_stored
from gantline.job.records import RecordKind, read_record, record_from
from gantline.job.records.drawing import drawn
from gantline.job.records.files import KEY, key_of, read_json_records, read_records, write_records
from gantline.job.records.form import TELLING, entries, texts, typed
from gantline.store import jobs, shops, took
from gantline.store.models import RecordRow

router = APIRouter(prefix="/api/stores", tags=["stores"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
Key = Annotated[str, Path(pattern=KEY, max_length=60)]
Form = Literal["csv", "json"]
USES_NAMED = 12
FURTHER = 300  # letters of a value that the form does not know
SOON_S = 0.3
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
        # by key, so that of two files at once one waits for the other, and not each for the other
        ordered = sorted(read, key=lambda record: record[0])
        rows = {
            key: _out(shops.put_record(desk.session, desk.shop_id, kind, key, name, body))
            for key, name, body in ordered
        }
        return answer([rows[key] for key, _, _ in read])


@router.post("/{kind}/from/{job_id}", response_model=RecordOut)
def keep_from_job(kind: RecordKind, job_id: UUID, body: RecordName, desk: DeskDep) -> Response:
    """Keep what a job holds of a kind as a record of the stores; one of the same name is replaced."""
    job = read_stored(jobs.head(desk.session, desk.shop_id, job_id).document)
    record = record_from(kind, job)
    return answer(
        _out(shops.put_record(desk.session, desk.shop_id, kind, key_of(body.name), body.name, record))
    )


@router.get("/{kind}/table", response_model=RecordTable)
def show_records(
    kind: RecordKind,
    desk: DeskDep,
    style: LengthStyle = LengthStyle.MILLIMETERS,
    denominator: Literal[8, 16, 32] = 16,
) -> Response:
    """All records of a kind as they are shown and typed, lengths in some units."""
    units = Units(style, denominator)
    return answer(
        {
            "telling": TELLING[kind],
            "entries": entries(kind),
            "records": [_shown(kind, row, units) for row in shops.records(desk.session, desk.shop_id, kind)],
        }
    )


@router.put("/{kind}/{key}/form", response_model=RecordOut)
def type_record(kind: RecordKind, key: Key, body: RecordTyped, desk: DeskDep) -> Response:
    """Make or replace a record as it was typed; what its form does not show is kept."""
    kept = shops.find_record(desk.session, desk.shop_id, kind, key)
    units = body.units.to_core()
    said = typed(kind, body.said, kept.body if kept else {}, units)
    checked = read_record(kind, said, units)
    return answer(_out(shops.put_record(desk.session, desk.shop_id, kind, key, body.name, checked)))


@router.get("/{kind}/{key}/uses", response_model=RecordUses)
def record_uses(kind: RecordKind, key: Key, desk: DeskDep) -> Response:
    """Which jobs took a record: counted, and the first of them named."""
    record = shops.record(desk.session, desk.shop_id, kind, key)
    rows = took.jobs_that_took(desk.session, desk.shop_id, record.name, most=USES_NAMED)
    return answer(
        {
            "count": took.count(desk.session, desk.shop_id, record.name),
            "jobs": [{"id": row.id, "name": row.name, "place": row.place} for row in rows],
        }
    )


@router.post("/{kind}/{key}/change", response_model=ChangeOut, responses=UNDER_WAY)
async def what_would_change(kind: RecordKind, key: Key, body: RecordTyped, request: Request) -> Response:
    """Which jobs would plan otherwise if they took the record as it is typed; nothing is saved and none is changed.

    While it is worked on each comes as a part of the work, the count of those that took it first.
    """

    def asked(desk: Desk) -> Question:
        kept = shops.record(desk.session, desk.shop_id, kind, key)
        units = body.units.to_core()
        checked = read_record(kind, typed(kind, body.said, kept.body, units), units)
        args = {
            "kind": kind.value,
            "name": kept.name,
            "body": checked,
            "jobs": took.stamp(desk.session, desk.shop_id),
        }
        return question(desk, "otherwise", args)

    return await through(
        request, asked, lambda content: Response(content, media_type="application/json"), SOON_S
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


def _shown(kind: RecordKind, row: RecordRow, units: Units) -> dict[str, object]:
    known = {entry.key for entry in entries(kind)}
    return {
        "key": row.key,
        "name": row.name,
        "texts": texts(kind, row.body, units),
        "further": {key: str(value)[:FURTHER] for key, value in row.body.items() if key not in known},
        "drawn": drawn(kind, row.body),
    }


def _out(row: RecordRow) -> dict[str, object]:
    return {"kind": row.kind, "key": row.key, "name": row.name, "body": row.body}
