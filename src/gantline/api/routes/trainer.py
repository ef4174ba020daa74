"""The trainer: rooms to practise aligning in. Nothing is kept: a room, a seed and all touches give the picture."""

from typing import Annotated

from fastapi import APIRouter, Response
from pydantic import Field

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.schemas.base import Out
from gantline.core.align.practice import Touch
from gantline.demo.practice import ROOMS, Practice, practice
from gantline.job.field import ClosedModel
from gantline.job.types import Line

router = APIRouter(prefix="/api/trainer", tags=["trainer"], responses=PROBLEM_ANSWERS)


class RoomOut(Out):
    """A room by its key."""

    key: str
    name: str


class TouchIn(ClosedModel):
    """One touch: what, and by how many of its smallest steps."""

    kind: Annotated[Line, Field(max_length=20)]
    steps: Annotated[int, Field(ge=-400, le=400)]


class PracticeIn(ClosedModel):
    """A room, the seed of what was done to it, and every touch since."""

    room: Annotated[Line, Field(max_length=20)]
    seed: Annotated[int, Field(ge=0, le=2**31)]
    touches: Annotated[list[TouchIn], Field(max_length=2000)] = []


@router.get("", response_model=list[RoomOut])
def rooms() -> Response:
    """The rooms, the easiest first."""
    return answer([{"key": key, "name": one.name} for key, one in ROOMS.items()])


@router.post("", response_model=Practice)
def answered(body: PracticeIn) -> Response:
    """The picture after all touches, and what the solver would do next."""
    touches = [Touch(kind=touch.kind, steps=touch.steps) for touch in body.touches]
    return answer(practice(body.room, body.seed, touches))
