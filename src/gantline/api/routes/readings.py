"""Readings of instruments: listed, sent over HTTP or a WebSocket, read from CSV, put into the survey.

The feed, for any program that can send: open the WebSocket, send {"source": ..., "hello": true}, get
{"last": n}, the highest number received without a gap; send readings {"source", "seq", "what", "x_mm",
"value_mm"} from n + 1 on, each answered by {"ack": seq} once it is stored. After any break: the same again.
A reading sent twice is stored once. What is wrong is answered by {"refused": seq, "text": ...}.
"""

from typing import Any
from uuid import UUID

from fastapi import APIRouter, Request, Response, WebSocket, WebSocketDisconnect
from pydantic import ValidationError
from sqlalchemy.exc import SQLAlchemyError
from starlette.concurrency import run_in_threadpool

from gantline.api import services
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import ExpectedVersion, SessionDep, ShopId, Who
from gantline.api.schemas import JobOut, Kept, ReadingOut, ReadingsIn, UseReadings
from gantline.core.errors import DesignError
from gantline.job.document import Job
from gantline.job.edits import apply
from gantline.job.file import read_job
from gantline.job.problems import from_validation
from gantline.job.readings import Reading, read_csv, use_edits
from gantline.store import jobs, readings, shops
from gantline.store.models import ReadingRow

router = APIRouter(prefix="/api/jobs", tags=["readings"], responses=PROBLEM_ANSWERS)
CSV_SOURCE = "csv file"
CSV_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"text/csv": {"schema": {"type": "string"}}}}
}


@router.get("/{job_id}/readings", response_model=list[ReadingOut])
def list_readings(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """All readings of a job, newest first, in the job's units."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    return answer([_out(row, job) for row in readings.of_job(session, job_id)])


@router.post("/{job_id}/readings", response_model=Kept)
def send_readings(job_id: UUID, body: ReadingsIn, session: SessionDep, shop_id: ShopId) -> Response:
    """Keep readings; those already there are left as they were."""
    jobs.head(session, shop_id, job_id)
    return answer({"new": readings.keep(session, shop_id, job_id, body.readings), "sent": len(body.readings)})


@router.post("/{job_id}/readings/csv", response_model=Kept, openapi_extra=CSV_BODY)
async def send_csv(job_id: UUID, request: Request) -> Response:
    """Keep the readings of a CSV file with the columns what, x, value."""
    content = await request.body()
    return await run_in_threadpool(_keep_csv, request, job_id, content)


def _keep_csv(request: Request, job_id: UUID, content: bytes) -> Response:
    with request.app.state.sessions.begin() as session:
        shop_id = shops.the_shop(session)
        job = read_job(jobs.head(session, shop_id, job_id).document)
        first = readings.highest_seq(session, job_id, CSV_SOURCE) + 1
        found = read_csv(content, job.units.to_core(), CSV_SOURCE, first)
        return answer({"new": readings.keep(session, shop_id, job_id, found), "sent": len(found)})


@router.post("/{job_id}/readings/use", response_model=JobOut)
def use_readings(
    job_id: UUID, body: UseReadings, session: SessionDep, shop_id: ShopId, expected: ExpectedVersion, who: Who
) -> Response:
    """Put readings into the survey, as measured, and save the next version."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    wanted = {(one.source, one.seq) for one in body.readings}
    chosen = [
        _reading(row) for row in reversed(readings.of_job(session, job_id)) if (row.source, row.seq) in wanted
    ]
    survey = job.survey
    places = {
        "ceiling_readings": [one.x_mm for one in survey.ceiling_readings],
        "floor_readings": [one.x_mm for one in survey.floor_readings],
    }
    edits = use_edits(chosen, places)
    if not edits:
        raise DesignError(
            "These readings say no place in the survey: use their lengths by hand.", field="readings"
        )
    saved = services.save_edits(
        session, shop_id, job_id, expected, apply(job, edits), f"{len(edits)} readings put in", who
    )
    return answer(services.job_out(session, saved))


@router.websocket("/{job_id}/feed")
async def feed(socket: WebSocket, job_id: UUID) -> None:
    """Readings as they are taken; acknowledged only when they are stored."""
    await socket.accept()
    try:
        while True:
            message = await socket.receive_json()
            await socket.send_json(await run_in_threadpool(_take, socket, job_id, message))
    except WebSocketDisconnect:
        return
    except SQLAlchemyError:
        await socket.close(code=1013, reason="the database is out of reach, try again")


def _take(socket: WebSocket, job_id: UUID, message: Any) -> dict[str, Any]:
    given = message if isinstance(message, dict) else {}
    with socket.app.state.sessions.begin() as session:
        shop_id = shops.the_shop(session)
        try:
            jobs.head(session, shop_id, job_id)
            if given.get("hello"):
                return {"last": readings.last_seq(session, job_id, str(given.get("source", ""))[:60])}
            reading = Reading.model_validate(given)
        except ValidationError as error:
            return {"refused": given.get("seq"), "text": str(from_validation(error))}
        except DesignError as error:
            return {"refused": given.get("seq"), "text": str(error)}
        readings.keep(session, shop_id, job_id, [reading])
    return {"ack": reading.seq}  # after the commit: an acknowledged reading is never lost


def _reading(row: ReadingRow) -> Reading:
    return Reading.model_validate(
        {"source": row.source, "seq": row.seq, "what": row.what, "x_mm": row.x_mm, "value_mm": row.value_mm}
    )


def _out(row: ReadingRow, job: Job) -> dict[str, Any]:
    from gantline.core.units import length_text

    units = job.units.to_core()
    return {
        "source": row.source, "seq": row.seq, "what": row.what, "x": "" if row.x_mm is None else length_text(row.x_mm, units),
        "value": length_text(row.value_mm, units), "value_mm": row.value_mm, "taken_at": row.taken_at,
    }  # fmt: skip
