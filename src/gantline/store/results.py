"""Results of heavy work: who asks, who works, what it came to. Functions over a session: no commit here."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import timedelta
from typing import Any
from uuid import UUID

from sqlalchemy import ColumnElement, Connection, case, delete, func, or_, select, text, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from gantline.store.models import ResultRow

WAITING, WORKING, DONE, FAILED = "waiting", "working", "done", "failed"
SILENT = timedelta(seconds=6)  # a worker that says nothing for so long is gone
AHEAD = timedelta(seconds=2)  # how far two clocks are apart
UNASKED = timedelta(seconds=12)  # nobody waits any more
KEPT = timedelta(days=2)
MOST_KEPT = 500


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked:
    """A result as somebody who waits sees it. stuck: nobody has worked on it for a while: queue it. content: of what is
    done, or the part that was asked for."""

    key: str
    task: str
    state: str
    progress: float
    trouble: str
    content: bytes | None
    stuck: bool


def ask(session: Session, shop_id: UUID, key: str, task: str, args: Mapping[str, Any]) -> Asked:
    """The result of a question, asked for from now on if it was not."""
    row = {
        "key": key,
        "shop_id": shop_id,
        "task": task,
        "args": dict(args),
        "state": WAITING,
        "progress": 0.0,
        "trouble": "",
    }
    put = insert(ResultRow).values(row).on_conflict_do_nothing().returning(ResultRow.key)
    fresh = session.scalar(put) is not None
    result = look(session, key)
    assert result is not None  # noqa: S101 - it was put there in this transaction
    return replace(result, stuck=True) if fresh else result


def look(session: Session, key: str, after: int | None = None) -> Asked | None:
    """The result again, and that somebody still waits for it; None where it was given up.

    Args: after, a byte: what there is from there on, also of work under way. Without it the content comes when it is done.
    """
    silent = is_silent()
    if after is None:
        content: Any = case((ResultRow.state == DONE, ResultRow.content))
    else:
        content = func.substring(ResultRow.content, after + 1)
    asked = (
        update(ResultRow)
        .where(ResultRow.key == key)
        .values(asked_at=func.now())
        .returning(
            ResultRow.state,
            ResultRow.progress,
            ResultRow.trouble,
            content,
            silent.label("silent"),
            ResultRow.task,
        )
    )
    found = session.execute(asked).first()
    if found is None:
        return None
    state, progress, trouble, kept, gone, task = found
    stuck = gone and state in (
        WAITING,
        WORKING,
    )  # a worker that had to stop puts it back, and it is in no queue
    return Asked(
        key=key, task=task, state=state, progress=progress, trouble=trouble, content=kept, stuck=stuck
    )


def is_silent() -> ColumnElement[bool]:
    """Whether nobody works on a result: its worker said nothing for a while, or its last word is from a time to come, as when the
    clock was put back."""
    return or_(func.now() - ResultRow.beat_at > SILENT, ResultRow.beat_at - func.now() > AHEAD)


def claim(session: Session, key: str) -> tuple[str, dict[str, Any]] | None:
    """Task and arguments for the worker that takes it; None where another has it or nobody wants it."""
    free = or_(ResultRow.state == WAITING, is_silent())
    taken = (
        update(ResultRow)
        .where(ResultRow.key == key, ResultRow.state.in_((WAITING, WORKING)), free)
        .values(state=WORKING, beat_at=func.now(), progress=0.0, content=None)
        .returning(ResultRow.task, ResultRow.args)
    )
    row = session.execute(taken).first()
    return None if row is None else (row[0], row[1])


def beat(session: Session, key: str, progress: float, part: bytes | None = None) -> bool:
    """A worker is on it, and has come so far.  part: what there is of it, where there is more.

    Returns: whether anybody still waits.
    """
    more = {} if part is None else {"content": part}
    said = (
        update(ResultRow)
        .where(ResultRow.key == key, ResultRow.state == WORKING)
        .values(beat_at=func.now(), progress=progress, **more)
        .returning((func.now() - ResultRow.asked_at < UNASKED).label("asked"))
    )
    return bool(session.execute(said).scalar())


def finish(session: Session, key: str, content: bytes | None, trouble: str = "") -> None:
    """The work is done, or failed for a reason; what nobody asked for lately makes room."""
    state = FAILED if content is None else DONE  # a part of what failed is nothing
    values = {"state": state, "content": content, "trouble": trouble, "progress": 1.0}
    at_work = ResultRow.state == WORKING  # else it was forgotten meanwhile, and perhaps asked for anew
    session.execute(update(ResultRow).where(ResultRow.key == key, at_work).values(values))
    newest = select(ResultRow.key).order_by(ResultRow.asked_at.desc()).limit(MOST_KEPT)
    old = func.now() - ResultRow.asked_at > KEPT
    session.execute(delete(ResultRow).where(or_(old, ResultRow.key.not_in(newest)), ResultRow.key != key))


def done(session: Session, key: str) -> bytes | None:
    """What a question came to, where it is known already; asking keeps it."""
    known = (
        update(ResultRow)
        .where(ResultRow.key == key, ResultRow.state == DONE)
        .values(asked_at=func.now())
        .returning(ResultRow.content)
    )
    content: bytes | None = session.scalar(known)
    return content


def give_up(session: Session, key: str) -> None:
    """Nobody wants it: what is not done is forgotten, and its worker ends it."""
    session.execute(
        delete(ResultRow).where(ResultRow.key == key, ResultRow.state.in_((WAITING, WORKING, FAILED)))
    )


def forget_of_job(session: Session, *job_ids: UUID) -> None:
    """What was made of a job is gone, as a sheet with a photo that was removed, or all of a job that is deleted for good."""
    session.execute(delete(ResultRow).where(ResultRow.args["job"].astext.in_([str(key) for key in job_ids])))


def put_back(session: Session, key: str) -> None:
    """A worker that has to stop leaves it for another."""
    session.execute(
        update(ResultRow).where(ResultRow.key == key, ResultRow.state == WORKING).values(state=WAITING)
    )


def has_worker(connection: Connection) -> bool:
    """Whether a worker has said lately that it is there."""
    lately = "now() - last_heartbeat BETWEEN interval '-5 seconds' AND interval '30 seconds'"
    there = f"SELECT EXISTS (SELECT 1 FROM procrastinate_workers WHERE {lately})"  # noqa: S608 - nothing of it is given
    return bool(connection.scalar(text(there)))
