"""Readings: kept once, whatever is sent twice."""

from collections.abc import Sequence
from typing import Any
from uuid import UUID

from sqlalchemy import func, select, tuple_, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.core.errors import DesignError
from gantline.job.readings import Reading
from gantline.store.models import ReadingRow

MOST = 20_000
CHANNEL = "gantline_news"  # NOTIFY: the job's id and what is new of it


class TooMany(DesignError):
    """More rows than a job or a shop keeps."""

    code = "too-many"


class AnotherValue(DesignError):
    """A number that a source has used for another reading."""

    code = "another-value"


def keep(session: Session, shop_id: UUID, job_id: UUID, readings: Sequence[Reading], who: str) -> int:
    """Store readings; one that is there already with the same value is left as it was. Returns how many were new.

    Raises: TooMany, AnotherValue where a number is taken by another value; then none is stored.
    """
    if not readings:
        return 0
    _check_room(session, job_id, len(readings))
    rows = [
        {"job_id": job_id, "shop_id": shop_id, "who": who, **reading.model_dump()} for reading in readings
    ]
    rows_changed = session.execute(
        insert(ReadingRow).values(rows).on_conflict_do_nothing().returning(ReadingRow.source, ReadingRow.seq)
    )
    new = {tuple(kept) for kept in rows_changed}
    for kept in readings:
        if (kept.source, kept.seq) not in new:
            _refuse_another(session, job_id, kept)
    _tell(session, job_id, bool(new))
    return len(new)


def keep_one(session: Session, shop_id: UUID, job_id: UUID, reading: Reading, who: str) -> int:
    """Store a reading of a feed and return the number it is kept under: its own, or the next free one of its source where
    that is taken by another value, as by a meter that counts from 1 again. Sent again, it is the same one.  Raises:
    TooMany.
    """
    try:
        with session.begin_nested():
            keep(session, shop_id, job_id, [reading], who)
    except AnotherValue:
        same = [getattr(ReadingRow, name) == value for name, value in _values(reading).items()]
        again = select(ReadingRow.seq).where(
            ReadingRow.job_id == job_id,
            ReadingRow.source == reading.source,
            ReadingRow.sent_as == reading.seq,
            *same,
        )
        there = session.scalar(again)
        if there is not None:
            return there
        row = {
            "job_id": job_id,
            "shop_id": shop_id,
            "who": who,
            **reading.model_dump(),
            "sent_as": reading.seq,
        }
        number = None
        while number is None:  # another meter of this name may take the free number at the same moment
            free = row | {"seq": next_seq(session, job_id, reading.source)}
            kept = insert(ReadingRow).values(free).on_conflict_do_nothing().returning(ReadingRow.seq)
            number = session.scalar(kept)
        _tell(session, job_id, True)
        return number
    return reading.seq


def _check_room(session: Session, job_id: UUID, more: int) -> None:
    counted = select(func.count()).select_from(ReadingRow).where(ReadingRow.job_id == job_id)
    if (session.scalar(counted) or 0) + more > MOST:
        raise TooMany(f"A job keeps at most {MOST} readings. Start another job, or send fewer.")


def _values(reading: Reading) -> dict[str, Any]:
    return reading.model_dump(include={"what", "x_mm", "y_mm", "value_mm"})


def _refuse_another(session: Session, job_id: UUID, reading: Reading) -> None:
    """Raises: AnotherValue where the number is taken by another value."""
    row = session.get_one(ReadingRow, (job_id, reading.source, reading.seq))
    if any(getattr(row, name) != value for name, value in _values(reading).items()):
        free = next_seq(session, job_id, reading.source)
        was = "a reading that was removed" if row.removed_at is not None else f"{row.value_mm:g} mm"
        raise AnotherValue(
            f"Reading {reading.seq} of {reading.source} is {was}, and {reading.value_mm:g} mm was sent under the same number. "
            f"The next free number is {free}.",
            field="readings",
            got=reading.seq,
        )


def _tell(session: Session, job_id: UUID, new: bool) -> None:
    if new:
        session.execute(select(func.pg_notify(CHANNEL, f"{job_id} readings")))  # told when it is committed


def last_seq(session: Session, job_id: UUID, source: str) -> int:
    """Highest number without a gap below it that a source has delivered, 0 before the first."""
    chosen = (
        select(ReadingRow.seq)
        .where(ReadingRow.job_id == job_id, ReadingRow.source == source)
        .order_by(ReadingRow.seq)
    )
    last = 0
    for seq in session.scalars(chosen):
        if seq != last + 1:
            break
        last = seq
    return last


def of_job(
    session: Session, job_id: UUID, *, after: int = 0, most: int | None = None
) -> Sequence[ReadingRow]:
    """The readings of a job, newest first. after: how many are passed over; most: how many are wanted, None for all."""
    chosen = select(ReadingRow).where(ReadingRow.job_id == job_id)
    newest = chosen.order_by(ReadingRow.taken_at.desc(), ReadingRow.source, ReadingRow.seq.desc())
    return session.scalars(newest.offset(after).limit(most)).all()


def count(session: Session, job_id: UUID) -> int:
    """How many readings a job has."""
    return (
        session.scalar(select(func.count()).select_from(ReadingRow).where(ReadingRow.job_id == job_id)) or 0
    )


def named(session: Session, job_id: UUID, names: Sequence[tuple[str, int]]) -> Sequence[ReadingRow]:
    """Readings by source and number, the oldest first.

    Raises: DesignError naming one that is not there, or was removed.
    """
    place = tuple_(ReadingRow.source, ReadingRow.seq)
    chosen = select(ReadingRow).where(ReadingRow.job_id == job_id, place.in_(names))
    rows = session.scalars(chosen.order_by(ReadingRow.taken_at, ReadingRow.source, ReadingRow.seq)).all()
    there = {(row.source, row.seq): row for row in rows}
    for source, seq in names:
        row = there.get((source, seq))
        if row is None:
            raise DesignError(f"There is no reading {seq} of {source}.", field="readings")
        if row.removed_at is not None:
            raise DesignError(
                f"Reading {seq} of {source} was removed by {row.removed_by} on {row.removed_at:%Y-%m-%d}.",
                field="readings",
            )
    return rows


def remove(session: Session, job_id: UUID, source: str, seq: int, who: str) -> None:
    """Take a reading away: its values go, its number and by whom and when that was stay.  Raises: DesignError."""
    named(session, job_id, [(source, seq)])
    gone = {"value_mm": None, "x_mm": None, "y_mm": None, "removed_at": func.now(), "removed_by": who}
    this = (ReadingRow.job_id == job_id, ReadingRow.source == source, ReadingRow.seq == seq)
    session.execute(update(ReadingRow).where(*this).values(gone))
    _tell(session, job_id, True)


def next_seq(session: Session, job_id: UUID, source: str) -> int:
    """The next number of a source that is free, after all it has used."""
    return highest_seq(session, job_id, source) + 1


def highest_seq(session: Session, job_id: UUID, source: str) -> int:
    """Highest number a source has used at all, 0 before the first."""
    return (
        session.scalar(
            select(func.max(ReadingRow.seq)).where(ReadingRow.job_id == job_id, ReadingRow.source == source)
        )
        or 0
    )
