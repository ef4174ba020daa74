"""Readings of instruments: listed, sent over HTTP or a WebSocket, read from CSV, put into the survey.

The feed, for any program that can send: open the WebSocket, send {"source": ..., "hello": true}, get
{"last": n}, the highest number received without a gap; send readings {"source", "seq", "what", "x_mm",
"value_mm"} from n + 1 on, each answered by {"ack": seq} once it is stored. After any break: the same again.
A reading sent twice is stored once; another value under a known number, as from a meter that counts from 1 again, is kept
under the next free number, and the answer says which: {"ack": seq, "kept_as": n}. What is wrong is answered by
{"refused": seq, "text": ...}.
"""

import asyncio
import json
from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request, Response, WebSocket, WebSocketDisconnect
from pydantic import ValidationError
from sqlalchemy.exc import SQLAlchemyError
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute, ExpectedVersion, Who, body_of, desk_of
from gantline.api.schemas.jobs import JobOut
from gantline.api.schemas.readings import KeptCount, ReadingOut, ReadingsIn, UseReadings
from gantline.api.services import readings as service
from gantline.api.services.jobs import change
from gantline.core.errors import DesignError
from gantline.job.problems import from_validation
from gantline.job.readings import Hello, Reading, Source
from gantline.store import jobs, readings

router = APIRouter(prefix="/api/jobs", tags=["readings"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
CSV_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"text/csv": {"schema": {"type": "string"}}}}
}


@router.get("/{job_id}/readings", response_model=list[ReadingOut])
def list_readings(
    job_id: UUID,
    desk: DeskDep,
    after: Annotated[int, Query(ge=0, le=100_000)] = 0,
    most: Annotated[int, Query(ge=1, le=500)] = 500,
) -> Response:
    """Readings of a job, newest first, in the job's units, `most` of them past the first `after`."""
    return answer(service.listed(desk, job_id, after, most))


@router.delete("/{job_id}/readings/{source}/{seq}", status_code=204)
def remove_reading(
    job_id: UUID, source: Source, seq: Annotated[int, Path(ge=1, le=2_000_000_000)], desk: DeskDep, who: Who
) -> None:
    """Take a reading away; its number stays, and by whom and when that was. Numbers that came from it stay in the survey."""
    service.remove(desk, job_id, source, seq, who)


@router.post("/{job_id}/readings", response_model=KeptCount)
def send_readings(job_id: UUID, body: ReadingsIn, desk: DeskDep, who: Who) -> Response:
    """Keep readings; those already there are left as they were. Another value under a known number is refused."""
    return answer(service.keep(desk, job_id, body.readings, who))


@router.post(
    "/{job_id}/readings/csv",
    response_model=KeptCount,
    openapi_extra=CSV_BODY,
    dependencies=[body_of("text/csv")],
)
async def send_csv(job_id: UUID, request: Request, who: Who) -> Response:
    """Keep the readings of a CSV file with the columns what, x, value."""
    content = await request.body()
    return await run_in_threadpool(_keep_csv, request, job_id, content, who)


def _keep_csv(request: Request, job_id: UUID, content: bytes, who: str) -> Response:
    with desk_of(request.app.state) as desk:
        return answer(service.keep_csv(desk, job_id, content, who))


@router.post("/{job_id}/readings/use", response_model=JobOut)
def use_readings(
    job_id: UUID, body: UseReadings, desk: DeskDep, expected: ExpectedVersion, who: Who
) -> Response:
    """Put readings into the survey, as measured, and save the next version."""
    named = body.readings
    return answer(change(desk, job_id, expected, who, lambda job: service.put_in(desk, job_id, job, named)))


@router.websocket("/{job_id}/feed")
async def feed(socket: WebSocket, job_id: UUID) -> None:
    """Readings as they are taken; acknowledged only when they are stored."""
    await socket.accept()
    try:
        while True:
            message = await socket.receive()
            if message["type"] == "websocket.disconnect":
                return
            try:
                given = json.loads(message.get("text") or "", parse_constant=_no_constant)
            except (ValueError, RecursionError):
                await _say(socket, {"refused": None, "text": "This is not a message in JSON."})
                continue
            await _say(socket, await run_in_threadpool(_take, socket, job_id, given))
    except WebSocketDisconnect:
        return
    except SQLAlchemyError:
        await socket.close(code=1013, reason="the database is out of reach, try again")


def _no_constant(name: str) -> None:
    raise ValueError(f"{name} is no number")


async def _say(socket: WebSocket, said: dict[str, Any]) -> None:
    await socket.send_text(
        json.dumps(said)
    )  # in ASCII: what was sent is quoted, and may hold half characters


def _who(socket: WebSocket) -> str:
    device: tuple[UUID, str] | None = socket.scope.get("state", {}).get("device")
    return device[1] if device else "office"


@router.websocket("/{job_id}/news")
async def news(socket: WebSocket, job_id: UUID) -> None:
    """Says {"new": "readings"} to a page when readings of this job have come, by whichever server."""
    await socket.accept()
    leaving = asyncio.create_task(socket.receive())  # a page sends nothing here: what comes is that it leaves
    with socket.app.state.news.of(job_id) as queue:
        while True:
            told = asyncio.create_task(queue.get())
            await asyncio.wait({leaving, told}, return_when=asyncio.FIRST_COMPLETED)
            if leaving.done():
                told.cancel()
                return
            await socket.send_json({"new": told.result()})


def _take(socket: WebSocket, job_id: UUID, message: Any) -> dict[str, Any]:
    given = message if isinstance(message, dict) else {}
    seq = given.get("seq") if isinstance(given.get("seq"), int) else None
    with desk_of(socket.app.state) as desk:
        session, shop_id = desk.session, desk.shop_id
        try:
            jobs.head(session, shop_id, job_id)
            if given.get("hello"):
                return {"last": readings.last_seq(session, job_id, Hello.model_validate(given).source)}
            reading = Reading.model_validate(given)
            kept = readings.keep_one(session, shop_id, job_id, reading, _who(socket))
        except ValidationError as error:
            return {"refused": seq, "text": str(from_validation(error))}
        except DesignError as error:
            return {"refused": seq, "text": str(error)}
    if kept != reading.seq:
        return {"ack": reading.seq, "kept_as": kept}
    return {"ack": reading.seq}  # after the commit: an acknowledged reading is never lost
