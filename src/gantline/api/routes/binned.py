"""The bin: what was deleted, brought back or deleted for good."""

from datetime import datetime
from uuid import UUID

from fastapi import APIRouter, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.schemas.base import Out
from gantline.store import binned

router = APIRouter(prefix="/api/bin", tags=["bin"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)


class BinnedOut(Out):
    """A job in the bin: who put it there and when, and until when it waits."""

    id: UUID
    name: str
    place: str
    versions: int
    binned_at: datetime
    binned_by: str
    until: datetime


@router.get("", response_model=list[BinnedOut])
def list_bin(desk: DeskDep) -> Response:
    """What lies in the bin, what was put there last first."""
    return answer(list(binned.listed(desk.session, desk.shop_id)))


@router.post("/{job_id}/back", status_code=204)
def bring_job_back(job_id: UUID, desk: DeskDep) -> None:
    """Put a job back into the yard, as it was."""
    binned.bring_back(desk.session, desk.shop_id, job_id)


@router.delete("/{job_id}", status_code=204)
def delete_for_good(job_id: UUID, desk: DeskDep) -> None:
    """Delete a job in the bin with all that belongs to it; only a backup still has it."""
    binned.empty(desk.session, desk.shop_id, job_id)


@router.delete("", status_code=204)
def empty_bin(desk: DeskDep) -> None:
    """Delete everything in the bin for good."""
    binned.empty(desk.session, desk.shop_id)
