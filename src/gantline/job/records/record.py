"""What every record is, and how its values come into a job."""

from collections.abc import Mapping
from typing import Any

from pydantic import BaseModel, ConfigDict

from gantline.job.edits import Edit
from gantline.job.field import Field, Part, declared
from gantline.job.types import Notes


class Record(BaseModel):
    """Open: what Gantline does not know yet stays in the record."""

    model_config = ConfigDict(extra="allow", frozen=True)

    # where its numbers are from: a leaflet and its page, who measured it and when; it stays in the stores
    sources: Notes = ""


def copied(part: type[Part], name: Field | None, called: str, body: Mapping[str, Any]) -> list[Edit]:
    """Edits for every field that a part of the job and a record share by name; the part's own name is the record's."""
    named = [] if name is None else [Edit(pointer=name.pointer, value=called)]
    own = declared(part)
    return named + [
        Edit(pointer=own[key].pointer, value=value)
        for key, value in body.items()
        if key in own and own[key] is not name and isinstance(value, str | int | float | bool | None)
    ]
