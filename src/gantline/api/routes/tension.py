"""The tension bench: orders simulated, the sheet otherwise, wrinkles read back into points.

Who can harm: a paired device may ask for work that takes long, one key at a time, and it is ended when nobody waits; every number
that is sent has both ends; a photo is unpacked by the worker's child alone; nothing is changed in the job but by an edit like any
other. A stranger has no door here.
"""

from typing import Annotated, Any, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Request, Response
from pydantic import Field
from starlette.concurrency import run_in_threadpool

from gantline import __version__
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute, at_a_desk
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Question, WorkGone, look, pure_question, through
from gantline.api.routes.sheets import Key
from gantline.api.schemas.base import Out
from gantline.api.schemas.tension import BenchOut, OrderOut
from gantline.api.services import tension as service
from gantline.compare.order_run import MODEL
from gantline.compare.what_if import WhatIf
from gantline.compare.wrinkle_bench import Found
from gantline.core.membrane.numbers import LAW
from gantline.core.tension.points import Side
from gantline.job.field import ClosedModel
from gantline.store import photos

router = APIRouter(prefix="/api", tags=["tension"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
SOON_S = 0.3  # an order is watched while it is computed
BYTES = "application/octet-stream"
Place = Annotated[float, Field(ge=-1_000.0, le=101_000.0, allow_inf_nan=False)]


Typed = Annotated[str, Field(min_length=1, max_length=60)]


class LineIn(ClosedModel):
    """A wrinkle as it was drawn, seen from the back [mm]."""

    from_mm: tuple[Place, Place]
    to_mm: tuple[Place, Place]
    bad: Annotated[float, Field(ge=1.0, le=3.0, allow_inf_nan=False)] = 2.0


class PatchIn(ClosedModel):
    """Where the cloth hangs slack, seen from the back [mm]."""

    at_mm: tuple[Place, Place]
    radius_mm: Annotated[float, Field(ge=5.0, le=5_000.0, allow_inf_nan=False)]


class SeenIn(ClosedModel):
    """What is seen; what springs are stretched by, by the place of the point in the list; how far the cloth reaches past the
    frame on each side, from the back. Lengths as they are typed."""

    lines: Annotated[list[LineIn], Field(max_length=60)] = []
    patches: Annotated[list[PatchIn], Field(max_length=20)] = []
    stretched: Annotated[
        dict[
            Annotated[str, Field(pattern="^[0-9]{1,4}$")],
            Typed,
        ],
        Field(max_length=400),
    ] = {}
    margins: dict[Side, Typed] = {}


Pixel = Annotated[float, Field(ge=-10_000.0, le=100_000.0, allow_inf_nan=False)]


class WavesIn(ClosedModel):
    """A photo of a step, taken with a lamp along the face: the frame's corners in it, x and y by turns [px], clockwise from the
    upper left; front: taken from there, else from the back."""

    photo: UUID
    corners: Annotated[list[Pixel], Field(min_length=8, max_length=8)]
    front: bool = True


class WaveOut(Out):
    """A wave as it may be drawn, from the back [mm], and how bad: 1 faint, 2 plain, 3 deep."""

    from_mm: tuple[float, float]
    to_mm: tuple[float, float]
    bad: int


class WavesOut(Out):
    """Waves that are seen in a photo, the plainest first."""

    lines: list[WaveOut]


@router.get("/jobs/{job_id}/tension/bench", response_model=BenchOut)
def read_bench(job_id: UUID, desk: DeskDep) -> Response:
    """The points with what is written beside them, the orders that can be compared, and the model's limits."""
    numbers, orders, labels = service.bench(desk, job_id)
    return answer(
        BenchOut(
            width_mm=numbers.width_mm,
            height_mm=numbers.height_mm,
            hold=numbers.hold,
            sprung=numbers.hold == "spring",
            points=[
                {"side": point.side.value, "u_mm": point.u_mm, "v_mm": point.v_mm, "label": labels[k]}
                for k, point in enumerate(numbers.spots())
            ],
            orders=[OrderOut(key=order.key, label=order.label) for order in orders],
            model=MODEL,
        ).model_dump()
    )


@router.get(
    "/jobs/{job_id}/tension/order",
    response_class=Response,
    responses={**UNDER_WAY, 200: {"content": {BYTES: {}}}},
)
async def simulate_order(
    job_id: UUID,
    request: Request,
    order: Annotated[str, Query(max_length=20, pattern="^[a-z]+$")] = "planned",
) -> Response:
    """One order simulated, in pieces: head, moments, what it came to; 202 with the key to follow while it is computed."""
    args = await run_in_threadpool(
        at_a_desk, request.app.state, lambda desk: service.order_args(desk, job_id, order)
    )

    def asked(desk: Desk) -> Question:
        return pure_question(desk, "order", args, LAW)

    return await through(request, asked, lambda content: Response(content, media_type=BYTES), SOON_S)


@router.get("/work/{key}/part", response_class=Response, responses={200: {"content": {BYTES: {}}}})
async def part_of_work(
    key: Key, request: Request, after: Annotated[int, Query(ge=0, le=2**31 - 2)] = 0
) -> Response:
    """What there is of a piece of work so far, from one byte on; x-state says whether more comes."""
    found = await run_in_threadpool(look, request, key, after)
    if found is None:
        raise WorkGone("Nobody waited for this, so that it was given up. Ask again.")
    return Response(found.content or b"", media_type=BYTES, headers={"x-state": found.state})


@router.get("/jobs/{job_id}/tension/what-if", response_model=WhatIf, responses=UNDER_WAY)
async def what_if(job_id: UUID, request: Request) -> Response:
    """The even sheet with fewer points, another cloth, a spring less, a stiffer rail, one more brace."""
    args = await run_in_threadpool(
        at_a_desk, request.app.state, lambda desk: service.what_if_args(desk, job_id)
    )
    return await _json(request, "what-if", args)


@router.post("/jobs/{job_id}/tension/wrinkles", response_model=Found, responses=UNDER_WAY)
async def read_wrinkles(job_id: UUID, body: SeenIn, request: Request) -> Response:
    """Likely causes of what is seen, what to do at which points, and the sheet after it.

    The faults of this sheet are all computed once before the first answer: then 202 with the key of that work.
    """
    known, args = await run_in_threadpool(
        at_a_desk,
        request.app.state,
        lambda desk: service.wrinkle_args(desk, job_id, body.model_dump()),
    )
    if not known:

        def library(desk: Desk) -> Question:
            return pure_question(desk, "causes", {"numbers": args["numbers"]}, LAW)

        waited = await through(request, library, lambda content: Response(b"", 204))
        if waited.status_code != 204:
            return waited
    return await _json(request, "wrinkles", args)


@router.post("/jobs/{job_id}/tension/waves", response_model=WavesOut, responses=UNDER_WAY)
async def waves_of_a_photo(job_id: UUID, body: WavesIn, request: Request) -> Response:
    """Waves in a photo of a step that was taken with a lamp along the face, as lines to be corrected by hand."""

    def asked(desk: Desk) -> Question:
        sheet, _, _ = service.bench(desk, job_id)
        photos.content(desk.session, job_id, body.photo)
        args = {
            "job": str(job_id),
            "photo": str(body.photo),
            "corners": body.corners,
            "front": body.front,
            "width": sheet.width_mm,
            "height": sheet.height_mm,
        }
        return pure_question(desk, "waves", args, __version__)

    return await through(request, asked, lambda content: Response(content, media_type="application/json"))


async def _json(request: Request, task: Literal["what-if", "wrinkles"], args: dict[str, Any]) -> Response:
    return await through(
        request,
        lambda desk: pure_question(desk, task, args, LAW),
        lambda content: Response(content, media_type="application/json"),
    )
