"""Readings of instruments."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from gantline.api.schemas.base import Out
from gantline.job.field import ClosedModel
from gantline.job.readings import Reading


class ReadingsIn(ClosedModel):
    """Readings to keep."""

    readings: Annotated[list[Reading], Field(min_length=1, max_length=500)]


class ReadingName(ClosedModel):
    """A reading by its source and number."""

    source: Annotated[str, Field(max_length=60)]
    seq: Annotated[int, Field(ge=1, le=2_000_000_000)]


class UseReadings(ClosedModel):
    """Readings to put into the survey."""

    readings: Annotated[list[ReadingName], Field(min_length=1, max_length=100)]


class KeptCount(Out):
    """How many readings were new among those sent."""

    new: int
    sent: int


class ReadingOut(Out):
    """One stored reading, in the job's units, and by whom it came. Of one that was removed only its number is left, and by whom
    and when that was."""

    source: str
    seq: int
    what: str
    x: str
    y: str
    value: str
    value_mm: float | None
    taken_at: datetime
    who: str
    removed_at: datetime | None
    removed_by: str
