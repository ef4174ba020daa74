"""The shop's stores: records by kind and key."""

from typing import Annotated

from fastapi import APIRouter, Path, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import SessionDep, ShopId
from gantline.api.schemas import RecordIn, RecordOut
from gantline.job.records import RecordKind, read_record
from gantline.store import shops
from gantline.store.models import RecordRow

router = APIRouter(prefix="/api/stores", tags=["stores"], responses=PROBLEM_ANSWERS)
Key = Annotated[str, Path(pattern=r"^[a-z0-9][a-z0-9-]{0,59}$", max_length=60)]


@router.get("/{kind}", response_model=list[RecordOut])
def list_records(kind: RecordKind, session: SessionDep, shop_id: ShopId) -> Response:
    """All records of a kind."""
    return answer([_out(row) for row in shops.records(session, shop_id, kind)])


@router.get("/{kind}/{key}", response_model=RecordOut)
def get_record(kind: RecordKind, key: Key, session: SessionDep, shop_id: ShopId) -> Response:
    """One record."""
    return answer(_out(shops.record(session, shop_id, kind, key)))


@router.put("/{kind}/{key}", response_model=RecordOut)
def put_record(kind: RecordKind, key: Key, body: RecordIn, session: SessionDep, shop_id: ShopId) -> Response:
    """Make or replace a record; unknown fields of its body are kept."""
    checked = read_record(kind, body.body)
    return answer(_out(shops.put_record(session, shop_id, kind, key, body.name, checked)))


@router.delete("/{kind}/{key}", status_code=204)
def delete_record(kind: RecordKind, key: Key, session: SessionDep, shop_id: ShopId) -> None:
    """Delete a record; jobs that took it keep their copy."""
    shops.remove_record(session, shop_id, kind, key)


def _out(row: RecordRow) -> dict[str, object]:
    return {"kind": row.kind, "key": row.key, "name": row.name, "body": row.body}
