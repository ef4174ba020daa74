"""Bodies in and out. What goes out is built from core values and serialised once, by orjson."""

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from pydantic import BaseModel, ConfigDict, Field, StrictFloat, StrictInt, StrictStr

from gantline.drawing.drawing import Drawing
from gantline.drawing.marks import Face
from gantline.drawing.tape import TapeWindow
from gantline.job.document import Job, JobUnits
from gantline.job.edits import Edit, Pointer
from gantline.job.fields import Closed, Line, Name
from gantline.job.readings import Reading
from gantline.plan.plan import Plan


class Out(BaseModel):
    """An answer."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)


class NewJob(Closed):
    """A job from a name and a diagonal (a number in mm, or text in the job's units)."""

    name: Name
    diagonal: StrictFloat | StrictInt | StrictStr
    aspect: Annotated[str, Field(max_length=30)] = "16:9"
    place: Line = ""
    units: JobUnits = JobUnits()


class Edits(Closed):
    """Changes to one job, all or none."""

    edits: Annotated[list[Edit], Field(min_length=1, max_length=100)]


class KnownMark(Closed):
    """How a field is known; null puts the natural kind back."""

    pointer: Pointer
    known: Literal["measured", "decided", "assumed"] | None = None


class TakeRecord(Closed):
    """A record to copy into the job."""

    kind: Literal["fabric", "kit", "projector", "fixing"]
    key: Annotated[str, Field(max_length=60)]


class Preview(Closed):
    """A re-plan of edits that are not saved. parts: what the asker draws just now."""

    document: dict[str, Any]
    edits: Annotated[list[Edit], Field(max_length=100)] = []
    parts: Literal["front", "side", "top", "all"] = "all"


class JobCard(Out):
    """One job in the yard."""

    id: UUID
    version: int
    name: str
    place: str
    size_text: str
    next_point: str
    stops: int
    minds: int
    saved_at: datetime
    who: str
    front: Face


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
    plan: Plan
    drawing: Drawing


class PreviewOut(Out):
    """An unsaved plan; only the faces that were asked for, and no steps unless all were."""

    document: Job
    plan: Plan
    front: Face | None
    side: Face | None
    top: Face | None
    back: Face | None
    tape: list[TapeWindow]


class VersionOut(Out):
    """One line of a job's history."""

    number: int
    stands_for: int
    what: str
    who: str
    saved_at: datetime


class RecordIn(Closed):
    """A record of the shop's stores. body is open JSON, checked by its kind."""

    name: Name
    body: dict[str, Any]


class RecordOut(Out):
    """A stored record."""

    kind: str
    key: str
    name: str
    body: dict[str, Any]


class DefaultOut(Out):
    """One default with the shop's own value, if it has one."""

    key: str
    value: float
    own: float | None
    low: float
    high: float
    unit: str
    meaning: str
    source: str


class SettingsIn(Closed):
    """The shop's own values over the defaults; what is left out falls back."""

    values: Annotated[dict[str, float], Field(max_length=100)]


class Health(Out):
    """The server and its database answer."""

    ok: bool
    version: str


class ReadingsIn(Closed):
    """Readings to keep."""

    readings: Annotated[list[Reading], Field(min_length=1, max_length=500)]


class ReadingName(Closed):
    """A reading by its source and number."""

    source: Annotated[str, Field(max_length=60)]
    seq: Annotated[int, Field(ge=1, le=2_000_000_000)]


class UseReadings(Closed):
    """Readings to put into the survey."""

    readings: Annotated[list[ReadingName], Field(min_length=1, max_length=100)]


class Kept(Out):
    """How many readings were new among those sent."""

    new: int
    sent: int


class ReadingOut(Out):
    """One stored reading, in the job's units."""

    source: str
    seq: int
    what: str
    x: str
    value: str
    value_mm: float
    taken_at: datetime
