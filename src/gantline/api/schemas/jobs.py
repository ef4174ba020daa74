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
from gantline.job.model.size import SizeLead
from gantline.job.records.files import KEY
from gantline.job.types import Line
from gantline.plan.finding import Severity

Typed = StrictFloat | StrictInt | StrictStr


class NewJob(ClosedModel):
    """A job from what is known of its room and its size, any of it; lengths are numbers in mm, or text in the job's units.

    start: what the size starts from; absent, a size that is told is taken (diagonal, width, height, or the picture on the wall),
    then a projector that cannot move, then the main seat, then the wall. kit, projector: keys of records in the stores.

    value: the diagonal, width, height, free wall or picture's width on the wall, by what the size starts from. Of a
    picture on the wall height and both diagonals may be given too; for a viewing angle, the angle and the main seat's
    distance; for a fixed throw, the throw ratio and the lens's distance.
    """

    name: Line = ""
    place: Line = ""
    aspect: Annotated[str, Field(max_length=30)] = "16:9"
    units: JobUnits = JobUnits()
    start: SizeLead | None = None
    value: Typed | None = None
    wall_width: Typed | None = None
    ceiling: Typed | None = None
    diagonal: Typed | None = None
    width: Typed | None = None
    height: Typed | None = None
    picture_width: Typed | None = None
    picture_height: Typed | None = None
    diagonal_rising: Typed | None = None
    diagonal_falling: Typed | None = None
    angle_deg: Typed | None = None
    seat_from_wall: Typed | None = None
    ratio_low: Typed | None = None
    ratio_high: Typed | None = None
    lens_from_wall: Typed | None = None
    kit: Annotated[str, Field(pattern=KEY)] | None = None
    projector: Annotated[str, Field(pattern=KEY)] | None = None


class Edits(ClosedModel):
    """Changes to one job, all or none."""

    edits: Annotated[list[Edit], Field(min_length=1, max_length=100)]


class KnownMark(ClosedModel):
    """How a field is known; null puts the natural kind back."""

    pointer: Pointer
    known: Literal["measured", "decided", "assumed"] | None = None


class TakeRecord(ClosedModel):
    """A record to copy into the job."""

    kind: Literal["fabric", "kit", "projector", "fixing", "board", "anchor", "tape", "strip"]
    key: Annotated[str, Field(pattern=KEY)]


class JobCard(Out):
    """One job in the yard. trouble: why it cannot be shown; its file is there all the same."""

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
    front: Face | None
    trouble: str


class JobList(Out):
    """One page of jobs, the one saved last first, of how many there are; with the first page, how many lie in the bin."""

    jobs: list[JobCard]
    total: int
    binned: int


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
    """One sheet of a job that has something to show: where it is, what it is, what leads it."""

    key: str
    label: str
    group: str
    note: str
    papers: bool
    leads: Literal["stop", "assumed", ""]


class SheetPictures(Out):
    """Pages of a sheet as pictures: how many it has, and those that were asked for as PNG in base64."""

    pages: int
    pictures: list[str]
