"""One line in which anything is found."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.services.find import Match, find

router = APIRouter(prefix="/api/find", tags=["find"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)


@router.get("", response_model=list[Match])
def find_anything(
    desk: DeskDep,
    q: Annotated[str, Query(max_length=80, pattern=r"^[^\x00]*$")] = "",
    job: UUID | None = None,
) -> Response:
    """A figure, station or sheet of a job, any job, any record, best first; nothing for an empty line."""
    return answer(find(desk, q, job))
