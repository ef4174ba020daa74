"""Casting: what the projector shows, chosen from another device and joined by a code."""

from typing import Annotated, Any, Literal
from uuid import UUID

import numpy as np
from fastapi import APIRouter, HTTPException, Path, Request, Response
from pydantic import Field

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.desk import Desk
from gantline.api.schemas.base import Out
from gantline.api.services.plans import planned
from gantline.core.align.cast_window import CastWindow
from gantline.job.field import ClosedModel
from gantline.plan.ask import Ask
from gantline.stations.align.cast import CastTable, cast_table, window_warnings
from gantline.stations.align.solve import aim, panel_shares
from gantline.stations.common import panel_aspect
from gantline.store import casts, jobs
from gantline.store.models import CastRow
from gantline.vision.markers import bits, markers, used_of

router = APIRouter(prefix="/api", tags=["cast"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
WHOLE = [(0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)]
Pattern = Literal[
    "corners", "grid", "focus", "greys", "lines", "outline", "cross", "wall", "white", "black", "markers"
]
Code = Annotated[str, Path(min_length=4, max_length=8, pattern="^[A-Za-z0-9]+$")]
Sides = Annotated[float, Field(ge=1.0, le=100_000.0, allow_inf_nan=False)]
Where = Annotated[float, Field(ge=0.0, le=1.0, allow_inf_nan=False)]


class CastIn(ClosedModel):
    """What to show, and where the cross stands: shares of the light from its upper left."""

    pattern: Pattern
    u: Where = 0.5
    v: Where = 0.5


class WindowIn(ClosedModel):
    """The window of a cast page and its screen, in the browser's own units; scaling: screen pixels in one of them."""

    wide: Sides
    high: Sides
    screen_wide: Sides
    screen_high: Sides
    scaling: Annotated[float, Field(ge=0.1, le=10.0, allow_inf_nan=False)]


class MarkerOut(Out):
    """A marker: its corners on the panel, shares from its upper left; its cells, True is white."""

    corners: list[tuple[float, float]]
    cells: list[list[bool]]


class CastOut(Out):
    """What is shown for a job: its code, pattern and cross, what its plan lights; for a photo the markers, and the
    picture's corners on the panel, shares from its upper left. joined: whether a page shows it; window: what that page's
    window spoils."""

    job_id: UUID
    job_name: str
    code: str
    pattern: Pattern
    u: float
    v: float
    table: CastTable
    markers: list[MarkerOut]
    picture: list[tuple[float, float]]
    joined: bool
    window: list[str]


@router.get("/jobs/{job_id}/cast", response_model=CastOut)
def cast_of_job(job_id: UUID, desk: DeskDep) -> Response:
    """What this job casts; its code is made when it is first asked for."""
    jobs.head(desk.session, desk.shop_id, job_id)
    return answer(_out(desk, casts.of_job(desk.session, desk.shop_id, job_id)))


@router.put("/jobs/{job_id}/cast", response_model=CastOut)
def set_cast(job_id: UUID, body: CastIn, desk: DeskDep) -> Response:
    """Show something else; the cast page hears of it at once."""
    jobs.head(desk.session, desk.shop_id, job_id)
    row = casts.of_job(desk.session, desk.shop_id, job_id)
    row.pattern, row.u, row.v = body.pattern, body.u, body.v
    desk.session.flush()
    casts.tell(desk.session, job_id)
    return answer(_out(desk, row))


@router.delete("/jobs/{job_id}/cast", status_code=204)
def end_cast(job_id: UUID, desk: DeskDep) -> None:
    """End this code. The next one who asks what the job casts gets a new one."""
    jobs.head(desk.session, desk.shop_id, job_id)
    casts.end(desk.session, job_id)


@router.get(
    "/cast/{code}", response_model=CastOut, responses={429: {"$ref": "#/components/responses/TooOften"}}
)
def cast_by_code(code: Code, request: Request, desk: DeskDep) -> Response:
    """What the page that was joined by this code shows. Guesses of one address are held back."""
    return answer(_out(desk, _joined(code, request, desk)))


@router.put(
    "/cast/{code}/window",
    response_model=CastOut,
    responses={429: {"$ref": "#/components/responses/TooOften"}},
)
def tell_window(code: Code, body: WindowIn, request: Request, desk: DeskDep) -> Response:
    """A cast page tells its window. Whoever has the code can tell a wrong one: it is warned of, and nothing is computed from
    it."""
    row = _joined(code, request, desk)
    if row.screen != (told := body.model_dump()):
        row.screen = told
        desk.session.flush()
        casts.tell(desk.session, row.job_id)
    return answer(_out(desk, row))


def _joined(code: str, request: Request, desk: Desk) -> CastRow:
    """Raises: NoSuchCast; HTTPException 429 where an address guesses."""
    try:
        return casts.by_code(desk.session, desk.shop_id, code)
    except casts.NoSuchCast:
        if request.app.state.wrong_casts.wrong(request.scope):
            raise HTTPException(
                429, "Too many wrong codes. Wait a minute.", headers={"retry-after": "60"}
            ) from None
        raise


def _out(desk: Desk, row: CastRow) -> dict[str, Any]:
    version = jobs.head(desk.session, desk.shop_id, row.job_id)
    made = planned(desk, version)
    return {
        "job_id": row.job_id,
        "job_name": made.ask.job.name,
        "code": row.code,
        "pattern": row.pattern,
        "u": row.u,
        "v": row.v,
        "table": made.ask(cast_table),
        "joined": row.screen is not None,
        "window": []
        if row.screen is None
        else window_warnings(made.ask, CastWindow(**row.screen), row.pattern),
        **(_for_a_photo(made.ask) if row.pattern == "markers" else {"markers": [], "picture": []}),
    }


def _for_a_photo(at: Ask) -> dict[str, Any]:
    aspect, aimed = float(at(panel_aspect)), at(aim)
    picture = WHOLE if aimed is None else panel_shares(aimed, aspect).tolist()
    shown = markers(aspect, used_of(np.array(picture)))
    return {
        "markers": [{"corners": marker.corners, "cells": bits(marker.number)} for marker in shown],
        "picture": picture,
    }
