"""Records of the shop's stores."""

from typing import Any
from uuid import UUID

from gantline.api.schemas.base import Out
from gantline.job.field import ClosedModel
from gantline.job.model.job import JobUnits
from gantline.job.records.form import RecordEntry
from gantline.job.types import Name


class RecordIn(ClosedModel):
    """A record of the shop's stores. body is open JSON, checked by its kind."""

    name: Name
    body: dict[str, Any]


class RecordTyped(ClosedModel):
    """A record as it was typed into its form, lengths in some units; what the form does not show is kept as it was."""

    name: Name
    said: dict[str, Any]
    units: JobUnits = JobUnits()


class RecordName(ClosedModel):
    """What a record is to be called."""

    name: Name


class RecordOut(Out):
    """A stored record."""

    kind: str
    key: str
    name: str
    body: dict[str, Any]


class RecordShown(Out):
    """A record as it is shown: its values in words by field, what else it holds, its drawing."""

    key: str
    name: str
    texts: dict[str, Any]
    further: dict[str, str]
    drawn: list[list[tuple[float, float]]]


class RecordTable(Out):
    """All records of a kind with the fields they are made of. telling: keys of those that tell most of one among many."""

    telling: list[str]
    entries: list[RecordEntry]
    records: list[RecordShown]


class RecordUses(Out):
    """The jobs that took a record: how many, and some of them, the one saved last first."""

    count: int
    jobs: list["UsedIn"]


class UsedIn(Out):
    """A job that took a record."""

    id: UUID
    name: str
    place: str


class Otherwise(Out):
    """A job that would plan otherwise with a changed record, and what of it. stops: what would stop it then."""

    id: UUID
    name: str
    said: list[str]
    stops: list[str]


class ChangeOut(Out):
    """What a changed record would do: to how many jobs that took it, and those of them that would plan otherwise."""

    took: int
    jobs: list[Otherwise]
