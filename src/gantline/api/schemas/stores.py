"""Records of the shop's stores."""

from typing import Any

from gantline.api.schemas.base import Out
from gantline.job.field import ClosedModel
from gantline.job.types import Name


class RecordIn(ClosedModel):
    """A record of the shop's stores. body is open JSON, checked by its kind."""

    name: Name
    body: dict[str, Any]


class RecordName(ClosedModel):
    """What a record is to be called."""

    name: Name


class RecordOut(Out):
    """A stored record."""

    kind: str
    key: str
    name: str
    body: dict[str, Any]
