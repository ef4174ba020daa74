"""The day: steps, and what happened to each."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field, StrictFloat, StrictInt, StrictStr

from gantline.api.schemas.base import Out
from gantline.compare.bag import BagLine
from gantline.core.day.step import Step
from gantline.drawing.marks import Face
from gantline.job.field import ClosedModel
from gantline.job.types import Line
from gantline.stations.day.record import RecordRow, StandingTold

Typed = StrictFloat | StrictInt | Annotated[StrictStr, Field(max_length=60)]


class StepTold(ClosedModel):
    """What somebody says of a step. id: the page's own, so that what is sent twice counts once; version: of the job that was
    looked at; values: readings by name, as typed in the job's units, or in mm."""

    id: UUID
    step: Annotated[Line, Field(min_length=1, max_length=200)]
    act: Literal["done", "read", "impossible", "skipped", "undone"]
    version: Annotated[int, Field(ge=1, le=2**31 - 1)]
    values: Annotated[dict[Annotated[str, Field(max_length=60)], Typed], Field(max_length=40)] = {}
    reason: Line = ""


class StepsTold(ClosedModel):
    """Rows, in the order they were tapped."""

    rows: Annotated[list[StepTold], Field(min_length=1, max_length=50)]


class PhaseOut(Out):
    """A stretch of the day."""

    key: str
    label: str


class StretchOut(Out):
    """How long a stretch takes [min]: work, of that with two people, waiting; what is left of both; which trip it is on; how
    wide it is drawn; learnt: where the shop's own log says so, in words."""

    key: str
    minutes: float
    two: float
    idle: float
    left: float
    left_two: float
    trip: int
    wide: float
    learnt: str


class CautionOut(Out):
    """What can hurt someone or ruin the fabric."""

    key: str
    name: str
    text: str


class StandingsOut(Out):
    """How steps stand that something was said of: all of a day, or those that were told just now; next: the first that is open,
    empty where none is; version: the newest of the job; count: how many steps there are now."""

    version: int
    next: str
    count: int
    standings: list[StandingTold]


class DayOut(StandingsOut):
    """The whole day of a job. waits_for: of each step the steps before it, by key; helper: what a second person is needed for, in
    words; unit: how its lengths are typed; denominator: the smallest part of an inch. front, back: wall and frame's back, bare of
    labels. stops: of each station the Stops that stand before its steps; bag: what to bring on the next trip."""

    job_id: UUID
    name: str
    size: str
    front: Face
    back: Face
    phases: list[PhaseOut]
    stretches: list[StretchOut]
    helper: str
    steps: list[Step]
    waits_for: dict[str, list[str]]
    cautions: list[CautionOut]
    stops: dict[str, list[str]]
    bag: list[BagLine]
    unit: str
    denominator: int


class RecordOut(Out):
    """Everything that was told."""

    rows: list[RecordRow]
    until: datetime | None
