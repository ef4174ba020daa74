"""Changing a document: a list of set operations at pointers, all or none."""

from collections.abc import Sequence
from copy import deepcopy
from secrets import token_hex
from typing import Annotated, Any, Literal, cast

from pydantic import Field, StrictBool, StrictFloat, StrictInt, StrictStr

from gantline.job.field import ClosedModel, field_of
from gantline.job.file import read_job
from gantline.job.model import ITEMS, Job
from gantline.job.model.survey import Survey, one_spot
from gantline.job.pointers import END, parent, parts
from gantline.job.problems import BadDocument, FieldProblem

KEPT_BESIDE = ("known", "sources")  # how fields are known, and from which record they come
Pointer = Annotated[str, Field(min_length=1, max_length=200, pattern=r"^(/[^/\x00-\x1f]+)+$")]
# strict: lax parsing would read 0 as false and "113" as a number of millimeters
Scalar = StrictBool | StrictInt | StrictFloat | StrictStr | None


class Edit(ClosedModel):
    """Set the field at `pointer` to `value` (null: absent again; a thing in a list goes).

    A pointer ending in "/-" appends to a list; a thing without an id gets one. `known` says how the value is
    known, of an appended thing all that it holds; without it the field's natural kind holds. `source` names the record
    the value was taken from. Lengths may be text.
    """

    pointer: Pointer
    value: Scalar | dict[str, Scalar] | list[dict[str, Scalar]] | list[StrictStr] = None
    known: Literal["measured", "decided", "assumed"] | None = None
    source: Annotated[StrictStr, Field(max_length=120)] | None = None


def apply(job: Job, edits: Sequence[Edit]) -> Job:
    """The document after all edits. Raises: BadDocument, naming each field; the job is unchanged."""
    data = job.model_dump(mode="json")
    for edit in edits:
        _set(data, edit)
    # what no edit names was checked when the job was read
    touched = {parts(edit.pointer)[0] for edit in edits} | {"known", "sources"}
    checked = {name: getattr(job, name) for name in Job.model_fields if name not in touched}
    read = read_job(data | checked, job)
    _refuse_one_spot(job, read)
    return read


def _refuse_one_spot(before: Job, after: Job) -> None:
    """Two people cannot sit on one seat: refused where an edit brings it about."""
    seats = after.survey.seats
    there = {(seat.id, seat.x_mm, seat.from_wall_mm) for seat in before.survey.seats}
    for a, b in one_spot(seats):
        if any((seats[at].id, seats[at].x_mm, seats[at].from_wall_mm) not in there for at in (a, b)):
            first, second = (seats[at].name or f"Seat {at + 1}" for at in (a, b))
            pointer = f"{field_of(Survey.seats).pointer}/{seats[b].id}/x_mm"
            raise BadDocument(
                [
                    FieldProblem(
                        pointer, f"{first} and {second} would be on the same spot: move one of them.", ""
                    )
                ]
            )


def nudged(job: Job, pointer: str, value: Scalar) -> Job:
    """The document with one value set and nothing checked: to try what it would move, never to be kept."""
    *folders, name = parts(pointer)
    chain: list[Any] = [job]
    for folder in folders:
        inner = chain[-1]
        chain.append(
            next(thing for thing in inner if thing.id == folder)
            if isinstance(inner, list)
            else getattr(inner, folder)
        )
    changed: Any = value
    for holder, key in zip(reversed(chain), [name, *reversed(folders)], strict=True):
        if isinstance(holder, list):
            changed = [changed if thing.id == key else thing for thing in holder]
        else:
            changed = holder.model_copy(update={key: changed})
    return cast(Job, changed)


def mark_known(job: Job, pointer: str, known: str | None) -> Job:
    """The document with another word on how a field is known; None puts the natural kind back."""
    data = job.model_dump(mode="json")
    parent(data, pointer)
    data["known"].pop(pointer, None)
    if known is not None:
        data["known"][pointer] = known
    return read_job(data, job)


def _set(data: dict[str, Any], edit: Edit) -> None:
    if parts(edit.pointer)[0] in KEPT_BESIDE:
        raise BadDocument(
            [
                FieldProblem(
                    edit.pointer, "This is kept beside the fields: say it with the edit of a field.", ""
                )
            ]
        )
    holder, key = parent(data, edit.pointer)
    value, place = deepcopy(edit.value), edit.pointer
    if isinstance(holder, list):
        if key == END:
            place = _append(holder, edit.pointer, value)
        elif value is None:
            del holder[key]
        else:
            holder[key] = value | {"id": parts(edit.pointer)[-1]} if isinstance(value, dict) else value
    else:
        holder[key] = _with_ids(value) if edit.pointer in ITEMS else value
    _know(data["known"], edit, place, value)
    sources = data["sources"]  # what is typed over no longer comes from the record
    for pointer in [source for source in sources if source == place or source.startswith(f"{place}/")]:
        del sources[pointer]
    if edit.source and value is not None:
        sources[place] = edit.source


def _append(holder: list[Any], pointer: str, value: Any) -> str:
    if isinstance(value, dict):
        value.setdefault("id", _fresh({one.get("id") for one in holder if isinstance(one, dict)}))
        pointer = f"{pointer.removesuffix(END)}{value['id']}"
    holder.append(value)
    return pointer


def _with_ids(things: Any) -> Any:
    """A list that is set as a whole: what has no id gets one."""
    taken: set[Any] = set()
    for one in things if isinstance(things, list) else ():
        if isinstance(one, dict):
            taken.add(one.setdefault("id", _fresh(taken)))
    return things


def _fresh(taken: set[Any]) -> str:
    name = token_hex(3)
    while name in taken:
        name = token_hex(3)
    return name


def _know(known: dict[str, str], edit: Edit, place: str, value: Any) -> None:
    """What is known of a field leaves with its old value."""
    for pointer in [one for one in known if one == place or one.startswith(f"{place}/")]:
        del known[pointer]
    if edit.known is None:
        return
    inner = (
        [f"{place}/{name}" for name in value if name not in ("id", "name", "kind")]
        if isinstance(value, dict)
        else []
    )
    known.update(dict.fromkeys(inner or [place], edit.known))
