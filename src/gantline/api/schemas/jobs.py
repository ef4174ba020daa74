"""Jobs: made, listed, changed."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field, StrictFloat, StrictInt, StrictStr

from gantline.api.schemas.base import Out
from gantline.api.schemas.plans import Drawing, PlanOut
from gantline.drawing.marks import Face
from gantline.job.edits import Edit, Pointer
from gantline.job.field import ClosedModel
from gantline.job.model import Job, JobUnits
from gantline.job.types import Line, Name
from gantline.plan.finding import Severity


class NewJob(ClosedModel):
    """A job from a name and a diagonal (a number in mm, or text in the job's units)."""

    name: Name
    diagonal: StrictFloat | StrictInt | StrictStr
    aspect: Annotated[str, Field(max_length=30)] = "16:9"
    place: Line = ""
    units: JobUnits = JobUnits()


class Edits(ClosedModel):
    """Changes to one job, all or none."""

    edits: Annotated[list[Edit], Field(min_length=1, max_length=100)]


class KnownMark(ClosedModel):
    """How a field is known; null puts the natural kind back."""

    pointer: Pointer
    known: Literal["measured", "decided", "assumed"] | None = None


class TakeRecord(ClosedModel):
    """A record to copy into the job."""

    kind: Literal["fabric", "kit", "projector", "fixing"]
    key: Annotated[str, Field(max_length=60)]


class JobCard(Out):
    """One job in the yard."""

    id: UUID
    version: int
    name: str
    place: str
    size_text: str
    next_point: str
    worst: Severity | None
    station: str
    saved_at: datetime
    who: str
    front: Face


class JobList(Out):
    """One page of jobs, the one saved last first, of how many there are."""

    jobs: list[JobCard]
    total: int


class JobOut(Out):
    """A job as saved, with its plan and its drawing."""

    id: UUID
    version: int
    who: str
    what: str
    saved_at: datetime
    can_undo: bool
    can_redo: bool
    document: Job
    plan: PlanOut
    drawing: Drawing


class VersionOut(Out):
    """One line of a job's history."""

    number: int
    stands_for: int
    what: str
    who: str
    saved_at: datetime


class SheetOut(Out):
    """A line of the menu of sheets: where it is, what it is."""

    key: str
    label: str
    group: str
    note: str
    papers: bool
