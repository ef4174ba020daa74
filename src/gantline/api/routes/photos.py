"""Photos of the lit screen: kept gray and without place, read by a worker into the eight corner readings."""

from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Query, Request, Response
from pydantic import Field, field_validator
from starlette.concurrency import run_in_threadpool

from gantline import __version__
from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.deps import DeskDep, DeskRoute, Who, body_of, desk_of
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Question, WorkFailed, pure_question, question, through
from gantline.api.schemas.base import Out
from gantline.job.field import ClosedModel
from gantline.store import jobs, photos, results
from gantline.vision.files import check_kind
from gantline.vision.reading import MOST_BYTES, PhotoReading, StateReading

router = APIRouter(prefix="/api/jobs", tags=["photos"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
PHOTO_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {
            kind: {"schema": {"type": "string", "format": "binary"}} for kind in ("image/jpeg", "image/png")
        },
    }
}
MOST_OF_A_STATE = 6
StepKey = Annotated[str | None, Query(min_length=1, max_length=200, pattern=r"^[^\x00-\x1f\x7f]+$")]
Pixel = Annotated[float, Field(ge=-100_000.0, le=100_000.0)]
Frame = Annotated[list[Pixel] | None, Query(min_length=8, max_length=8)]


class PhotoOut(Out):
    """A photo that is kept."""

    id: UUID


class StepPhotoOut(Out):
    """A photo of a step of the day: of which, by whom and when; raw: not unpacked yet, so nothing to look at."""

    id: UUID
    step: str
    who: str
    taken_at: datetime
    raw: bool
    removed_at: datetime | None
    removed_by: str | None


class PhotoIn(ClosedModel):
    """A photo of a state, and its frame's inner corners where somebody moved them, x and y by turns [px]."""

    photo: UUID
    frame: Annotated[list[Pixel], Field(min_length=8, max_length=8)] | None = None


class StateIn(ClosedModel):
    """Photos of one state of the picture, from different sides."""

    photos: Annotated[list[PhotoIn], Field(min_length=1, max_length=MOST_OF_A_STATE)]

    @field_validator("photos")
    @classmethod
    def each_once(cls, every: list[PhotoIn]) -> list[PhotoIn]:
        """The same photo twice would look like two that agree, and its spread would be told too small."""
        if len({one.photo for one in every}) < len(every):
            raise ValueError("the same photo is there twice: send each photo of the state once")
        return every


class PhotoRowOut(Out):
    """One of a job's photos."""

    id: UUID
    taken_at: datetime
    bytes: int
    removed_at: datetime | None
    removed_by: str | None


@router.post(
    "/{job_id}/photos",
    response_model=PhotoOut,
    status_code=201,
    openapi_extra=PHOTO_BODY,
    dependencies=[body_of("image/jpeg", "image/png")],
)
async def keep_photo(job_id: UUID, request: Request, who: Who, step: StepKey = None) -> Response:
    """Keep a photo, a JPEG or PNG of at most 25 MB, without what a camera writes beside it. One of the lit screen is read next,
    then kept as gray levels; one that is not read is forgotten. One of a step of the day is unpacked next, then kept in color."""
    async with request.app.state.photos_at_once:  # the others wait with their bytes still on the way
        content = await request.body()
        return await run_in_threadpool(_keep, request, job_id, content, step, who)


def _keep(request: Request, job_id: UUID, content: bytes, step: str | None, who: str) -> Response:
    check_kind(content, most=MOST_BYTES)
    with desk_of(request.app.state) as desk:
        jobs.head(desk.session, desk.shop_id, job_id)
        return answer({"id": photos.keep(desk.session, desk.shop_id, job_id, content, step, who)}, 201)


@router.get("/{job_id}/photos", response_model=list[PhotoRowOut])
def list_photos(job_id: UUID, desk: DeskDep) -> Response:
    """The photos of a job, the newest first; of those that were removed, by whom and when."""
    jobs.head(desk.session, desk.shop_id, job_id)
    keys = ("id", "taken_at", "bytes", "removed_at", "removed_by")
    return answer([dict(zip(keys, row, strict=True)) for row in photos.listed(desk.session, job_id)])


@router.get("/{job_id}/day/photos", response_model=list[StepPhotoOut])
def step_photos(job_id: UUID, desk: DeskDep) -> Response:
    """The photos of a job's day, the oldest first; of those that were removed, by whom and when."""
    jobs.head(desk.session, desk.shop_id, job_id)
    keys = ("id", "step", "who", "taken_at", "raw", "removed_at", "removed_by")
    return answer([dict(zip(keys, row, strict=True)) for row in photos.of_steps(desk.session, job_id)])


@router.get("/{job_id}/photos/{photo_id}/shown", response_model=PhotoOut, responses=UNDER_WAY)
async def shown(job_id: UUID, photo_id: UUID, request: Request) -> Response:
    """Have the photo of a step unpacked, so that it can be looked at."""

    def asked(desk: Desk) -> Question:
        jobs.head(desk.session, desk.shop_id, job_id)
        photos.content(desk.session, job_id, photo_id, raw=True)
        return pure_question(desk, "step-photo", {"job": str(job_id), "photo": str(photo_id)}, __version__)

    return await through(request, asked, lambda content: Response(content, media_type="application/json"))


@router.delete("/{job_id}/photos/{photo_id}", status_code=204)
def remove_photo(job_id: UUID, photo_id: UUID, desk: DeskDep, who: Who) -> None:
    """Take a photo away; by whom and when stays. Backups forget it when they are rotated away."""
    jobs.head(desk.session, desk.shop_id, job_id)
    photos.remove(desk.session, job_id, photo_id, who)


@router.get(
    "/{job_id}/photos/{photo_id}",
    response_class=Response,
    responses={200: {"content": {"image/jpeg": {"schema": {"type": "string", "format": "binary"}}}}},
)
def get_photo(job_id: UUID, photo_id: UUID, desk: DeskDep) -> Response:
    """The photo."""
    jobs.head(desk.session, desk.shop_id, job_id)
    return Response(photos.content(desk.session, job_id, photo_id), media_type="image/jpeg")


@router.get("/{job_id}/photos/{photo_id}/reading", response_model=PhotoReading, responses=UNDER_WAY)
async def read(job_id: UUID, photo_id: UUID, request: Request, frame: Frame = None) -> Response:
    """The eight readings in it, or why it is not trusted. frame: its inner corners moved by hand, x and y by turns [px]."""

    def asked(desk: Desk) -> Question:
        version = jobs.head(desk.session, desk.shop_id, job_id)
        args = {"job": str(job_id), "version": version.number, "photo": str(photo_id), "frame": frame}
        wanted = question(desk, "photo", args)
        try:
            photos.content(desk.session, job_id, photo_id, raw=True, lit=True)
        except photos.NoSuchPhoto:
            refused = results.look(desk.session, wanted.key)
            if (
                refused is not None and refused.trouble
            ):  # why it was not kept, to whoever asks after it is gone
                raise WorkFailed(refused.trouble) from None
            raise
        return wanted

    return await through(request, asked, lambda content: Response(content, media_type="application/json"))


@router.post("/{job_id}/photos/together", response_model=StateReading, responses=UNDER_WAY)
async def read_together(job_id: UUID, body: StateIn, request: Request) -> Response:
    """The eight readings of several photos of one state, each read before: their mean, or which of them does not agree."""

    def asked(desk: Desk) -> Question:
        version = jobs.head(desk.session, desk.shop_id, job_id)
        for one in body.photos:
            photos.content(desk.session, job_id, one.photo, lit=True)
        chosen = [one.model_dump(mode="json") for one in body.photos]
        return question(desk, "photos", {"job": str(job_id), "version": version.number, "photos": chosen})

    return await through(request, asked, lambda content: Response(content, media_type="application/json"))
