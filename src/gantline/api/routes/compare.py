"""Comparisons of one saved job: sizes, fabrics, projectors, the floor, a seat's view."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Path, Query, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.desk import Desk
from gantline.api.services.plans import planned
from gantline.compare.fabrics import FabricTable, fabric_table
from gantline.compare.floor import FloorMap, Measure, floor_map
from gantline.compare.payoff import Payoff, payoff
from gantline.compare.projectors import ProjectorTable, projector_table
from gantline.compare.seat_view import SeatView, seat_view
from gantline.compare.sizes import SizeTable, size_table
from gantline.job.records import RecordKind
from gantline.plan.ask import Ask
from gantline.store import jobs, shops

router = APIRouter(prefix="/api/jobs", tags=["compare"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
State = Annotated[int, Query(ge=0, le=5)]


def _asked(desk: Desk, job_id: UUID) -> Ask:
    return planned(desk, jobs.head(desk.session, desk.shop_id, job_id)).ask


@router.get("/{job_id}/sizes", response_model=SizeTable)
def compare_sizes(job_id: UUID, desk: DeskDep) -> Response:
    """Sizes round the present one, each planned in full."""
    return answer(size_table(_asked(desk, job_id)))


@router.get("/{job_id}/fabrics", response_model=FabricTable)
def compare_fabrics(job_id: UUID, desk: DeskDep) -> Response:
    """The shop's fabrics in this room, best first."""
    records = shops.named_records(desk.session, desk.shop_id, RecordKind.FABRIC)
    return answer(fabric_table(_asked(desk, job_id), records))


@router.get("/{job_id}/projectors", response_model=ProjectorTable)
def compare_projectors(job_id: UUID, desk: DeskDep) -> Response:
    """The shop's projectors from this place and anywhere in the room; those that fit first."""
    records = shops.named_records(desk.session, desk.shop_id, RecordKind.PROJECTOR)
    return answer(projector_table(_asked(desk, job_id), records))


@router.get("/{job_id}/payoff", response_model=Payoff)
def what_to_measure(job_id: UUID, desk: DeskDep) -> Response:
    """What to measure first, how far off each mark may be, and the chance that one trip is enough."""
    return answer(payoff(planned(desk, jobs.head(desk.session, desk.shop_id, job_id))))


@router.get("/{job_id}/floor", response_model=FloorMap | None)
def map_floor(job_id: UUID, desk: DeskDep, measure: Measure = Measure.ANGLE, state: State = 0) -> Response:
    """Where in the room the picture is good, for one measure; null where light is not known yet."""
    return answer(floor_map(_asked(desk, job_id), measure, state=state))


@router.get("/{job_id}/seats/{seat}/view", response_model=SeatView)
def view_from_seat(
    job_id: UUID, seat: Annotated[str, Path(max_length=40)], desk: DeskDep, state: State = 0
) -> Response:
    """What one seat sees, by the seat's id."""
    return answer(seat_view(_asked(desk, job_id), seat, state))
