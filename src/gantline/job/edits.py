"""Changing a document: a list of set operations at JSON pointers, all or none."""

from collections.abc import Sequence
from copy import deepcopy
from typing import Annotated, Any, Literal

from pydantic import Field, StrictBool, StrictFloat, StrictInt, StrictStr

from gantline.job.document import Job
from gantline.job.fields import Closed
from gantline.job.file import read_job
from gantline.job.problems import BadDocument, FieldProblem

Pointer = Annotated[str, Field(min_length=1, max_length=200, pattern=r"^(/[^/\x00-\x1f]+)+$")]
# strict: lax parsing would read 0 as false and "113" as a number of millimetres
Scalar = StrictBool | StrictInt | StrictFloat | StrictStr | None


class Edit(Closed):
    """Set the field at `pointer` to `value` (null: back to the shop default).

    A pointer ending in "/-" appends to a list. `known` says how the value is known; without it the
    field's natural kind holds. Lengths may be text.
    """

    pointer: Pointer
    value: Scalar | dict[str, Scalar] | list[dict[str, Scalar]] = None
    known: Literal["measured", "decided", "assumed"] | None = None


def apply(job: Job, edits: Sequence[Edit]) -> Job:
    """The document after all edits. Raises: BadDocument, naming each field; the job is unchanged."""
    data = job.model_dump(mode="json")
    for edit in edits:
        _set(data, edit)
        if edit.known is not None:
            data["known"][edit.pointer] = edit.known
        elif edit.value is None or edit.pointer in data["known"]:
            data["known"].pop(edit.pointer, None)
    return read_job(data)


def mark_known(job: Job, pointer: str, known: str | None) -> Job:
    """The document with another word on how a field is known; None puts the natural kind back."""
    data = job.model_dump(mode="json")
    _parent(data, pointer)
    data["known"].pop(pointer, None)
    if known is not None:
        data["known"][pointer] = known
    return read_job(data)


def describe(edits: Sequence[Edit]) -> str:
    """A few words for the version list."""
    names = dict.fromkeys(edit.pointer.lstrip("/").replace("_mm", "").replace("_", " ").replace("/", " · ") for edit in edits)
    return ", ".join(names)[:160]


def _set(data: dict[str, Any], edit: Edit) -> None:
    parent, last = _parent(data, edit.pointer)
    value = deepcopy(edit.value)
    if isinstance(parent, list):
        if last == len(parent):
            parent.append(value)
        elif value is None:
            del parent[last]
        else:
            parent[last] = value
    else:
        parent[last] = value


def _parent(data: dict[str, Any], pointer: str) -> tuple[Any, Any]:
    parts = [part.replace("~1", "/").replace("~0", "~") for part in pointer.split("/")[1:]]
    here: Any = data
    for depth, part in enumerate(parts):
        key: Any = part
        if isinstance(here, list):
            key = len(here) if part == "-" else int(part) if part.isdigit() and len(part) < 6 else -1
            known = 0 <= key <= len(here) if depth == len(parts) - 1 else 0 <= key < len(here)
        else:
            known = isinstance(here, dict) and key in here
        if not known:
            raise BadDocument([FieldProblem(pointer, "No field has this name.", "")])
        if depth == len(parts) - 1:
            return here, key
        here = here[key]
    raise BadDocument([FieldProblem(pointer, "No field has this name.", "")])
