"""The day of a job: its steps, what happened to them, and the record that comes of it.

Who can harm: a paired device may tick what was not done (every row says who, when, on which version, and none is ever changed); a
stranger has no door here; a broken client that sends a row again finds it counted once, and the rows of a job are bounded.
"""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute, Who
from gantline.api.schemas.day import DayOut, RecordOut, StandingsOut, StepsTold
from gantline.api.services import day as service
from gantline.drawing.tape import TapeWindow

router = APIRouter(prefix="/api/jobs", tags=["day"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)


@router.get("/{job_id}/day", response_model=DayOut)
def read_day(job_id: UUID, desk: DeskDep) -> Response:
    """Every step in the crew's order, and how each stands."""
    return answer(service.day(desk, job_id))


@router.post("/{job_id}/day/rows", response_model=StandingsOut)
def tell_steps(job_id: UUID, body: StepsTold, desk: DeskDep, who: Who) -> Response:
    """Say what happened to steps; rows that came before are left as they were."""
    return answer(service.tell(desk, job_id, body.rows, who))


@router.get("/{job_id}/day/tape", response_model=list[TapeWindow])
def read_tape(
    job_id: UUID, desk: DeskDep, step: Annotated[str, Query(min_length=1, max_length=200)]
) -> Response:
    """The numbers of one step as they are read on a tape."""
    return answer(service.tapes(desk, job_id, step))


@router.get("/{job_id}/day/record", response_model=RecordOut)
def read_record(job_id: UUID, desk: DeskDep) -> Response:
    """Everything that was told, planned against read."""
    return answer(service.record(desk, job_id))
