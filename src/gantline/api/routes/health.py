"""Whether the server is there, whether it can do its work, and what it has done."""

from typing import Literal

from fastapi import APIRouter, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline import __version__
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.schemas.base import Out
from gantline.store.migrate import is_current

router = APIRouter(prefix="/api", tags=["health"], responses=PROBLEM_ANSWERS)


class Health(Out):
    """The process answers."""

    ok: Literal[True]
    version: str


class Ready(Out):
    """What the work needs: the database, at this program's schema."""

    database: bool
    migrated: bool


@router.get("/health", response_model=Health)
async def health() -> Response:
    """Alive; asks nobody, so that it answers whatever else is going on."""
    return answer({"ok": True, "version": __version__})


@router.get("/ready", response_model=Ready, responses={503: {"model": Ready}})
async def ready(request: Request) -> Response:
    """200 when everything the work needs is there, 503 while it is not."""
    found = await run_in_threadpool(_ready, request)
    return answer(found, 200 if all(found.values()) else 503)


def _ready(request: Request) -> dict[str, bool]:
    try:
        return {"database": True, "migrated": is_current(request.app.state.engine)}
    except Exception:  # whatever keeps the database from answering is the answer
        return {"database": False, "migrated": False}


@router.get("/metrics", response_class=Response)
async def metrics(request: Request) -> Response:
    """Counts and times of this process in the Prometheus text format."""
    return Response(request.app.state.numbers.text(), media_type="text/plain; version=0.0.4; charset=utf-8")
