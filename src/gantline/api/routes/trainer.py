"""The trainer: rooms to practise aligning in. Nothing is kept: a room, a seed and all touches give the picture."""

from typing import Annotated

from fastapi import APIRouter, Request, Response
from pydantic import Field

from gantline.api.answers import PROBLEM_ANSWERS, answer
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Question, pure_question, through
from gantline.api.schemas.base import Out
from gantline.api.schemas.tension import PointOut
from gantline.core.align.practice import Touch
from gantline.core.membrane.numbers import LAW
from gantline.demo.practice import ROOMS, Practice, practice
from gantline.job.field import ClosedModel
from gantline.job.types import Line

SOON_S = 0.6  # a sheet takes less; without a worker nobody is kept waiting
router = APIRouter(prefix="/api/trainer", tags=["trainer"], responses=PROBLEM_ANSWERS)


class RoomOut(Out):
    """A room by its key."""

    key: str
    name: str


class ChoiceOut(Out):
    """What may be wrong."""

    key: str
    label: str


class AnswerOut(Out):
    """What it was: the point's place in the list, -1 for the whole sheet."""

    right: bool
    text: str
    point: int
    why: str


class ClothOut(Out):
    """A sheet with something wrong, from the back; picture: base64 of four layers of cells."""

    number: int
    of: int
    hold: str
    width_mm: float
    height_mm: float
    points: list[PointOut]
    cells: tuple[int, int]
    picture: str
    full_n_m: float
    texts: dict[str, str]
    choices: list[ChoiceOut]
    answer: AnswerOut | None
    model: str


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


class GuessIn(ClosedModel):
    """What is thought to be wrong: a kind, and the place of a point in the list (-1: the whole sheet)."""

    kind: Annotated[Line, Field(max_length=20)]
    point: Annotated[int, Field(ge=-1, le=4000)] = -1


class ClothIn(ClosedModel):
    """A sheet by its number, and the guess."""

    number: Annotated[int, Field(ge=1, le=50)]
    guess: GuessIn | None = None


@router.post("/cloth", responses=UNDER_WAY, response_model=ClothOut)
async def cloth(body: ClothIn, request: Request) -> Response:
    """A sheet with something wrong; what it was, once there is a guess."""
    args = body.model_dump() | {"style": "mm", "denominator": 16}

    def asked(desk: Desk) -> Question:
        return pure_question(desk, "cloth", args, LAW)

    return await through(
        request, asked, lambda content: Response(content, media_type="application/json"), SOON_S
    )
