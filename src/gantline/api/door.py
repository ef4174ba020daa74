"""The one door for heavy work: answered at once where it is known, waited for a little, followed where it takes longer."""

import asyncio
import hashlib
import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any
from uuid import UUID

import orjson
from fastapi import Request, Response
from pydantic import BaseModel
from sqlalchemy import Text, func, literal, select
from sqlalchemy.dialects.postgresql import aggregate_order_by
from starlette.concurrency import run_in_threadpool

from gantline import __version__
from gantline.api.answers import answer
from gantline.api.deps import at_a_desk, desk_of
from gantline.api.desk import Desk
from gantline.core.errors import DesignError
from gantline.store import results
from gantline.store.models import RecordRow
from gantline.work.queue import Queue

PATIENCE_S = 2.5  # what is done by then comes in the same answer
LOOKS_S = (0.03, 0.05, 0.08, 0.12)


class WorkFailed(DesignError):
    """Heavy work came to nothing."""

    code = "work-failed"


class WorkGone(DesignError):
    """Nobody waited for this work, so that it was given up."""

    code = "no-such-work"


class WorkOut(BaseModel):
    """Heavy work that is under way: ask for it again by its key, or for the thing itself."""

    work: str
    state: str
    progress: float


UNDER_WAY: dict[int | str, dict[str, Any]] = {
    202: {"model": WorkOut, "description": "Under way: follow its key"}
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Question:
    """A piece of heavy work: its key is the same for the same question to the same state of things."""

    key: str
    task: str
    args: Mapping[str, Any]
    shop_id: UUID


def question(desk: Desk, task: str, args: Mapping[str, Any]) -> Question:
    """A question, with everything in its key that its answer rests on: version, settings, records, program."""
    told = RecordRow.kind + RecordRow.key + RecordRow.body.cast(Text)
    # in order: the same records read in another order would be another question
    ordered = aggregate_order_by(literal("|"), RecordRow.kind, RecordRow.key)
    records = func.md5(func.string_agg(told, ordered))
    stores = desk.session.scalar(select(records).where(RecordRow.shop_id == desk.shop_id))
    rests = [task, args, dict(desk.shop.overrides), stores, __version__]
    digest = hashlib.sha256(orjson.dumps(rests, option=orjson.OPT_SORT_KEYS)).hexdigest()
    return Question(key=digest, task=task, args=args, shop_id=desk.shop_id)


def pure_question(desk: Desk, task: str, args: Mapping[str, Any], law: str) -> Question:
    """A question that rests on nothing but its numbers and the law they are computed by: an edit elsewhere keeps its answer."""
    digest = hashlib.sha256(orjson.dumps([task, args, law], option=orjson.OPT_SORT_KEYS)).hexdigest()
    return Question(key=digest, task=task, args=args, shop_id=desk.shop_id)


Ask = Callable[[Desk], Question]
Done = Callable[[bytes], Response]


async def through(request: Request, ask: Ask, done: Done, patience_s: float = PATIENCE_S) -> Response:
    """The answer to heavy work, or 202 with the key to follow it by.  patience_s: how long it is waited for here.

    Raises: WorkFailed with the reason.  Leaves out: nothing is worked on here; without a worker it stays waiting.
    """
    asked, outcome = await run_in_threadpool(_first, request, ask)
    began, looked = time.monotonic(), 0
    while outcome is not None and outcome.state in (results.WAITING, results.WORKING):
        if time.monotonic() - began > patience_s:
            body = WorkOut(work=asked.key, state=outcome.state, progress=outcome.progress)
            return answer(body.model_dump(), 202)
        if await request.is_disconnected():
            break
        await asyncio.sleep(LOOKS_S[min(looked, len(LOOKS_S) - 1)])
        looked += 1
        outcome = await run_in_threadpool(look, request, asked.key)
        if outcome is None:  # somebody else who asked the same has stopped it
            asked, outcome = await run_in_threadpool(_first, request, ask)
    return _answered(outcome, done)


def _first(request: Request, ask: Ask) -> tuple[Question, results.Asked | None]:
    with desk_of(request.app.state) as desk:
        asked = ask(desk)
        result: results.Asked | None = results.ask(
            desk.session, asked.shop_id, asked.key, asked.task, asked.args
        )
        if result is not None and result.state == results.FAILED:  # asked anew by a person: tried anew
            results.give_up(desk.session, asked.key)
            result = results.ask(desk.session, asked.shop_id, asked.key, asked.task, asked.args)
    if result is not None and result.stuck:
        _queue(request).put(asked.key, asked.task)
    return asked, result


def look(request: Request, key: str, after: int | None = None) -> results.Asked | None:
    """How far a piece of work is; one whose worker is gone is queued again.  after: as results.look()."""
    found = at_a_desk(request.app.state, lambda desk: results.look(desk.session, key, after))
    if found is not None and found.stuck:
        _queue(request).put(key, found.task)
    return found


def _queue(request: Request) -> Queue:
    queue: Queue = request.app.state.queue
    return queue


def _answered(found: results.Asked | None, done: Done) -> Response:
    if found is None:
        raise WorkGone("Nobody waited for this, so that it was given up. Ask again.")
    if found.content is None:
        raise WorkFailed(found.trouble or "This could not be completed. Try again.")
    return done(found.content)
