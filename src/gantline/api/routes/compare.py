"""Comparisons of one saved job: sizes, fabrics, projectors, the floor, a seat's view."""

from collections.abc import Mapping
from typing import Annotated, Any, Literal
from uuid import UUID

import orjson
from fastapi import APIRouter, Path, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute, at_a_desk
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Done, Question, question, through
from gantline.api.services.plans import planned
from gantline.compare.by_name import compared
from gantline.compare.fabrics import FabricTable
from gantline.compare.floor import FloorMap, Measure
from gantline.compare.materials import Bench
from gantline.compare.payoff import Payoff
from gantline.compare.projectors import ProjectorTable
from gantline.compare.seat_view import SeatView, seat_view
from gantline.compare.sizes import SizeTable
from gantline.store import jobs, shops

BULKY = 50  # things in a job; the sample jobs have 10 to 25 and compare in 20 to 100 ms
HEAVY = ("bench",)  # whatever the job's size
router = APIRouter(prefix="/api/jobs", tags=["compare"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
State = Annotated[int, Query(ge=0, le=5)]
SideBySide = Literal["sizes", "fabrics", "projectors"]
CandidateKey = Annotated[str, Query(min_length=1, max_length=60)]


async def _compared(
    request: Request, job_id: UUID, what: str, done: Done | None = None, **more: str | int
) -> Response:
    """A comparison: at once for a job of usual size, through the door for one that would hold up everybody else.

    done: makes the answer of its JSON.
    """

    def at_once(desk: Desk) -> Response | None:
        version = jobs.head(desk.session, desk.shop_id, job_id)
        if bulk(version.document) > BULKY:
            return None
        made = planned(desk, version)
        plain = answer(
            compared(what, made, more, lambda kind: shops.named_records(desk.session, desk.shop_id, kind))
        )
        return done(bytes(plain.body)) if done else plain

    def asked(desk: Desk) -> Question:
        version = jobs.head(desk.session, desk.shop_id, job_id)
        args = {"job": str(job_id), "version": version.number, "what": what, "more": more}
        return question(desk, "compare", args)

    found = await run_in_threadpool(at_a_desk, request.app.state, at_once) if what not in HEAVY else None
    return found or await through(
        request, asked, done or (lambda content: Response(content, media_type="application/json"))
    )


def bulk(document: Mapping[str, Any]) -> int:
    """How much there is in a stored document: the things of all its lists."""
    return sum(
        len(value) if isinstance(value, list) else bulk(value)
        for value in document.values()
        if isinstance(value, list | dict)
    )


@router.get("/{job_id}/sizes", response_model=SizeTable, responses=UNDER_WAY)
async def compare_sizes(job_id: UUID, request: Request) -> Response:
    """Sizes round the present one, each planned in full."""
    return await _compared(request, job_id, "sizes")


@router.get("/{job_id}/fabrics", response_model=FabricTable, responses=UNDER_WAY)
async def compare_fabrics(job_id: UUID, request: Request) -> Response:
    """The shop's fabrics in this room, best first."""
    return await _compared(request, job_id, "fabrics")


@router.get("/{job_id}/projectors", response_model=ProjectorTable, responses=UNDER_WAY)
async def compare_projectors(job_id: UUID, request: Request) -> Response:
    """The shop's projectors from this place and anywhere in the room; those that fit first."""
    return await _compared(request, job_id, "projectors")


@router.get("/{job_id}/{what}/words", response_model=list[str], responses=UNDER_WAY)
async def compare_in_words(
    job_id: UUID, what: SideBySide, request: Request, first: CandidateKey, second: CandidateKey
) -> Response:
    """Two candidates of a comparison in words: what differs, what is the same, what stands against each."""
    return await _compared(request, job_id, what, form="words", first=first, second=second)


@router.get("/{job_id}/{what}/file", response_class=Response, responses=UNDER_WAY)
async def compare_as_file(job_id: UUID, what: SideBySide, request: Request) -> Response:
    """A comparison as CSV: a line a measure, a column a candidate."""

    def done(content: bytes) -> Response:
        return attachment(orjson.loads(content).encode(), "text/csv; charset=utf-8", f"{what} compared.csv")

    return await _compared(request, job_id, what, done, form="file")


@router.get("/{job_id}/payoff", response_model=Payoff, responses=UNDER_WAY)
async def what_to_measure(job_id: UUID, request: Request) -> Response:
    """What to measure first, how far off each mark may be, and the chance that one trip is enough."""
    return await _compared(request, job_id, "payoff")


@router.get("/{job_id}/bench", response_model=Bench, responses=UNDER_WAY)
async def cut_and_buy(job_id: UUID, request: Request) -> Response:
    """The boards to buy with every cut on them, and the materials list."""
    return await _compared(request, job_id, "bench")


@router.get("/{job_id}/floor", response_model=FloorMap | None, responses=UNDER_WAY)
async def map_floor(
    job_id: UUID, request: Request, measure: Measure = Measure.ANGLE, state: State = 0
) -> Response:
    """Where in the room the picture is good, for one measure; null where light is not known yet."""
    return await _compared(request, job_id, "floor", measure=str(measure), state=state)


@router.get("/{job_id}/seats/{seat}/view", response_model=SeatView)
def view_from_seat(
    job_id: UUID, seat: Annotated[str, Path(max_length=40)], desk: DeskDep, state: State = 0
) -> Response:
    """What one seat sees, by the seat's id."""
    made = planned(desk, jobs.head(desk.session, desk.shop_id, job_id))
    return answer(seat_view(made.ask, seat, state))
