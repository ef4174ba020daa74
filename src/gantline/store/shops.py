"""The shop, its settings and its records."""

from collections.abc import Mapping, Sequence
from typing import Any
from uuid import UUID

from sqlalchemy import delete, func, select, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.core.defaults import Shop
from gantline.core.errors import DesignError
from gantline.job.records import RecordKind
from gantline.store.models import RecordRow, SettingRow, ShopRow

FIRST_SHOP = "Ninefold Rooms"
SEED_LOCK = 0x6A9
OWN = "own"  # the key of the shop that everybody works in
FIRST = select(ShopRow.id).where(ShopRow.key == OWN)


MOST_RECORDS = 2000  # of one kind


class TooManyRecords(DesignError):
    """More records of a kind than the stores keep."""

    code = "too-many-records"


class NoSuchRecord(DesignError):
    """The shop has no record of this kind under this key."""

    code = "no-such-record"


def the_shop(session: Session) -> UUID:
    """The one shop's id; seeded at the first call, also when several servers start at once."""
    shop_id = session.scalar(FIRST)
    if shop_id is not None:
        return shop_id
    # in a transaction of its own: the lock is held to its end, and one that only reads has none
    connection = session.connection().engine.connect().execution_options(isolation_level="READ COMMITTED")
    with connection, Session(connection) as own, own.begin():
        own.execute(select(func.pg_advisory_xact_lock(SEED_LOCK)))
        shop_id = own.scalar(FIRST)
        if shop_id is None:
            shop = ShopRow(key=OWN, name=FIRST_SHOP)
            own.add(shop)
            own.flush()
            shop_id = shop.id
    return shop_id


# as text: every request begins with it, and building it anew took longer than asking
SETTINGS = """
    SELECT shop.id, (SELECT json_object_agg(key, value) FROM setting WHERE setting.shop_id = shop.id) FROM shop WHERE key = 'own'
"""


def the_settings(session: Session) -> tuple[UUID, Shop]:
    """The one shop's id and its own defaults, asked for at once."""
    row = session.connection().exec_driver_sql(SETTINGS).first()
    return (row[0], Shop(row[1] or {})) if row else (the_shop(session), Shop({}))


def put_settings(session: Session, shop_id: UUID, values: Mapping[str, float]) -> Shop:
    """Replace the shop's own defaults. Raises: UnknownDefault, OutOfRange."""
    shop = Shop(dict(values))
    # of two that save at once the later one holds, whole
    session.execute(select(ShopRow.id).where(ShopRow.id == shop_id).with_for_update())
    session.execute(delete(SettingRow).where(SettingRow.shop_id == shop_id))
    session.add_all(SettingRow(shop_id=shop_id, key=key, value=value) for key, value in values.items())
    session.flush()
    return shop


def paper(session: Session, shop_id: UUID) -> str:
    """What the shop prints on: a4 or letter."""
    return session.scalars(select(ShopRow.paper).where(ShopRow.id == shop_id)).one()


def put_paper(session: Session, shop_id: UUID, paper: str) -> None:
    """Print on this paper from now on."""
    session.execute(update(ShopRow).where(ShopRow.id == shop_id).values(paper=paper))


def records(session: Session, shop_id: UUID, kind: RecordKind) -> Sequence[RecordRow]:
    """All records of a kind, by name."""
    chosen = select(RecordRow).where(RecordRow.shop_id == shop_id, RecordRow.kind == kind)
    return session.scalars(chosen.order_by(RecordRow.name, RecordRow.key)).all()


def named_records(session: Session, shop_id: UUID, kind: RecordKind) -> list[tuple[str, str, dict[str, Any]]]:
    """All records of a kind as (key, name, body)."""
    return [(row.key, row.name, row.body) for row in records(session, shop_id, kind)]


def find_record(session: Session, shop_id: UUID, kind: RecordKind, key: str) -> RecordRow | None:
    """One record; None where there is none."""
    return session.get(RecordRow, (shop_id, kind, key))


def record(session: Session, shop_id: UUID, kind: RecordKind, key: str) -> RecordRow:
    """One record. Raises: NoSuchRecord."""
    found = find_record(session, shop_id, kind, key)
    if found is None:
        raise _no_record(kind, key)
    return found


def _no_record(kind: RecordKind, key: str) -> NoSuchRecord:
    return NoSuchRecord(f"There is no {kind} record under “{key}”.", kind=kind, key=key)


def put_record(
    session: Session, shop_id: UUID, kind: RecordKind, key: str, name: str, body: dict[str, Any]
) -> RecordRow:
    """Insert or replace a record.  Raises: TooManyRecords."""
    others = select(func.count()).where(
        RecordRow.shop_id == shop_id, RecordRow.kind == kind, RecordRow.key != key
    )
    if (session.scalar(others) or 0) >= MOST_RECORDS:
        raise TooManyRecords(f"The stores keep at most {MOST_RECORDS} {kind} records. Delete some first.")
    values = {"shop_id": shop_id, "kind": str(kind), "key": key, "name": name, "body": body}
    put = insert(RecordRow).values(values)
    put = put.on_conflict_do_update(
        index_elements=["shop_id", "kind", "key"], set_={"name": name, "body": body}
    )
    return session.scalars(put.returning(RecordRow), execution_options={"populate_existing": True}).one()


def remove_record(session: Session, shop_id: UUID, kind: RecordKind, key: str) -> None:
    """Delete a record. Raises: NoSuchRecord."""
    this = (RecordRow.shop_id == shop_id, RecordRow.kind == kind, RecordRow.key == key)
    gone = delete(RecordRow).where(*this).returning(RecordRow.key)
    if session.scalar(gone) is None:
        raise _no_record(kind, key)
