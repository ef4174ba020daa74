"""Whether the server is there, whether it can do its work, and what it has done."""

from dataclasses import asdict
from datetime import UTC, datetime
from typing import Literal

from fastapi import APIRouter, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline import __version__
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.schemas.base import Out
from gantline.store.migrate import is_current
from gantline.store.results import has_worker
from gantline.store.upkeep import last_backup

router = APIRouter(prefix="/api", tags=["health"], responses=PROBLEM_ANSWERS)


class Health(Out):
    """The process answers."""

    ok: Literal[True]
    version: str


class Ready(Out):
    """What the work needs: the database, at this program's schema, and a worker for what is heavy."""

    database: bool
    migrated: bool
    worker: bool


@router.get("/health", response_model=Health)
async def health() -> Response:
    """Alive; asks nobody, so that it answers whatever else is going on."""
    return answer({"ok": True, "version": __version__})


@router.get("/ready", response_model=Ready, responses={503: {"model": Ready}})
async def ready(request: Request) -> Response:
    """200 when jobs can be opened and saved, 503 while they cannot; without a worker only sheets wait."""
    found = await run_in_threadpool(_ready, request)
    return answer(found, 200 if found["database"] and found["migrated"] else 503)


def _ready(request: Request) -> dict[str, bool]:
    try:
        current = is_current(request.app.state.engine)
        with request.app.state.engine.connect() as connection:
            return {"database": True, "migrated": current, "worker": current and has_worker(connection)}
    except Exception:  # whatever keeps the database from answering is the answer
        return {"database": False, "migrated": False, "worker": False}


class Backups(Out):
    """Backups that are made by themselves: whether they are, the last good one and how it was tested, what went wrong
    since; late: none is younger than a week."""

    nightly: bool
    at: datetime | None
    tested: str
    trouble: str
    late: bool


@router.get("/backups", response_model=Backups)
def backups(request: Request) -> Response:
    """How old the last backup is that was made at night, and whether it came back when it was tried."""
    with request.app.state.sessions() as session:
        backup = last_backup(session, datetime.now(UTC))
    return answer({"nightly": request.app.state.nightly, **asdict(backup)})


@router.get("/metrics", response_class=Response)
async def metrics(request: Request) -> Response:
    """Counts and times of this process in the Prometheus text format."""
    return Response(request.app.state.numbers.text(), media_type="text/plain; version=0.0.4; charset=utf-8")
