"""One line in which anything is found."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.schemas.base import Out
from gantline.api.services.find import Match, find
from gantline.job.explained import explained


class FieldSaid(Out):
    """A field and what it is, for who meets it for the first time."""

    key: str
    label: str
    says: str


router = APIRouter(prefix="/api/find", tags=["find"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)


@router.get("/fields", response_model=list[FieldSaid])
def what_fields_are() -> Response:
    """What every field is, how it is measured, what a leaflet calls it."""
    return answer([{"key": key, "label": label, "says": says} for key, label, says in explained()])


@router.get("", response_model=list[Match])
def find_anything(
    desk: DeskDep,
    q: Annotated[str, Query(max_length=80, pattern=r"^[^\x00]*$")] = "",
    job: UUID | None = None,
) -> Response:
    """A figure, station or sheet of a job, any job, any record, best first; nothing for an empty line."""
    return answer(find(desk, q, job))
