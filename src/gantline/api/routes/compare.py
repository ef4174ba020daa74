"""Comparisons of one saved job: sizes, fabrics, the floor, a seat's view."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import SessionDep, ShopId
from gantline.job.file import read_job
from gantline.job.records import RecordKind
from gantline.plan.floor import FloorMap, Measure, floor_map
from gantline.plan.plan import plan
from gantline.plan.projectors import ProjectorTable, projector_table
from gantline.plan.seat_view import SeatView, seat_view
from gantline.plan.tables import FabricTable, SizeTable, fabric_table, size_table
from gantline.store import jobs, shops

router = APIRouter(prefix="/api/jobs", tags=["compare"], responses=PROBLEM_ANSWERS)
State = Annotated[int, Query(ge=0, le=5)]


@router.get("/{job_id}/sizes", response_model=SizeTable)
def compare_sizes(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """Sizes round the present one, each planned in full."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    return answer(size_table(job, shops.settings_of(session, shop_id)))


@router.get("/{job_id}/fabrics", response_model=FabricTable)
def compare_fabrics(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """The shop's fabrics in this room, best first."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    records = [(row.key, row.name, row.body) for row in shops.records(session, shop_id, RecordKind.FABRIC)]
    return answer(fabric_table(job, shops.settings_of(session, shop_id), records))


@router.get("/{job_id}/projectors", response_model=ProjectorTable)
def compare_projectors(job_id: UUID, session: SessionDep, shop_id: ShopId) -> Response:
    """The shop's projectors from this place and anywhere in the room; those that fit first."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    records = [(row.key, row.name, row.body) for row in shops.records(session, shop_id, RecordKind.PROJECTOR)]
    return answer(projector_table(job, shops.settings_of(session, shop_id), records))


@router.get("/{job_id}/floor", response_model=FloorMap | None)
def map_floor(
    job_id: UUID, session: SessionDep, shop_id: ShopId, measure: Measure = Measure.ANGLE, state: State = 0
) -> Response:
    """Where in the room the picture is good, for one measure; null where light is not known yet."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    shop = shops.settings_of(session, shop_id)
    return answer(floor_map(plan(job, shop), shop, job.units.to_core(), measure, state=state))


@router.get("/{job_id}/seats/{seat}/view", response_model=SeatView)
def view_from_seat(
    job_id: UUID, seat: int, session: SessionDep, shop_id: ShopId, state: State = 0
) -> Response:
    """What one seat sees."""
    job = read_job(jobs.head(session, shop_id, job_id).document)
    return answer(seat_view(plan(job, shops.settings_of(session, shop_id)), seat, state))
