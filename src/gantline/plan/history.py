"""What a list of edits changed, in the words of its labels: from what, to what."""

from collections.abc import Sequence
from dataclasses import dataclass

from gantline.job.edits import Edit, apply
from gantline.job.field import Field
from gantline.job.model import FIELDS, ITEMS, Job
from gantline.job.pointers import END
from gantline.job.problems import BadDocument
from gantline.plan.figure import field_text

LONGEST = 160
NOTHING = "empty"


def describe(before: Job, after: Job, edits: Sequence[Edit]) -> str:
    """For the version list: each change with its label and both values, each once."""
    said = dict.fromkeys(_said(before, after, edit.pointer) for edit in edits)
    return "; ".join(one for one in said if one)[:LONGEST]


@dataclass(frozen=True, slots=True, kw_only=True)
class Difference:
    """One field that an edit was to set while somebody else saved: as it was, as it is now, as it was to be."""

    label: str
    was: str
    theirs: str
    mine: str


def differences(base: Job, theirs: Job, edits: Sequence[Edit]) -> tuple[Difference, ...]:
    """What edits of `base` were to set, beside what it was and what it is now, each field once."""
    try:
        mine = apply(base, edits)
    except BadDocument:
        return ()
    found = {}
    for edit in edits:
        label, *texts = _beside(edit.pointer, base, theirs, mine)
        found[edit.pointer] = Difference(label=label, was=texts[0], theirs=texts[1], mine=texts[2])
    return tuple(found.values())


def _beside(pointer: str, *jobs: Job) -> tuple[str, ...]:
    base, _, name = pointer.rpartition("/")
    if pointer in FIELDS and FIELDS[pointer].kind not in ("list", "value"):
        field = FIELDS[pointer]
        texts = (field_text(field, field.read(job), job.units.to_core()) for job in jobs)
        return field.label, *(text or NOTHING for text in texts)
    for at in (pointer, base):
        holder, _, own = at.rpartition("/")
        if holder in ITEMS and own != END:
            things = [
                next((thing for thing in FIELDS[holder].read(job) or () if thing.id == own), None)
                for job in jobs
            ]
            called = next(
                (_called(thing, holder) for thing in things if thing is not None), FIELDS[holder].label
            )
            part = getattr(ITEMS[holder], name, None) if at == base else None
            if isinstance(part, Field):
                units = jobs[0].units.to_core()
                said = (
                    "removed" if thing is None else field_text(part, getattr(thing, name), units)
                    for thing in things
                )
                return f"{called}, {part.label}", *(text or NOTHING for text in said)
            return called, *("removed" if thing is None else "there" for thing in things)
    what = next((FIELDS[path].label for path in (pointer, base) if path in FIELDS), pointer)
    return what, "as it was", "as it is now", "changed"


def _said(before: Job, after: Job, pointer: str) -> str:
    if pointer in FIELDS:
        return _changed(FIELDS[pointer].label, FIELDS[pointer], before, after)
    base, _, rest = pointer.rpartition("/")
    while base and base not in ITEMS:
        base, _, more = base.rpartition("/")
        rest = f"{more}/{rest}"
    if base not in ITEMS:
        return pointer.strip("/").rpartition("/")[2].replace("_mm", "").replace("_", " ")
    name, _, inner = rest.partition("/")
    old, new = ({one.id: one for one in FIELDS[base].read(job) or ()} for job in (before, after))
    if name == END:
        added = [_called(new[key], base) for key in new if key not in old]
        return f"{FIELDS[base].label}: {', '.join(added)} added"
    if name not in new:
        return f"{_called(old[name], base)} removed" if name in old else ""
    if name not in old:
        return f"{_called(new[name], base)} added"
    field = getattr(ITEMS[base], inner, None) if inner in ITEMS[base].model_fields else None
    if not isinstance(field, Field):
        return f"{_called(new[name], base)} changed"
    texts = (
        field_text(field, getattr(one[name], inner), job.units.to_core())
        for one, job in ((old, before), (new, after))
    )
    return _from_to(f"{_called(new[name], base)}, {field.label}", *texts)


def _changed(label: str, field: Field, before: Job, after: Job) -> str:
    if field.kind in ("list", "value"):
        return f"{label} changed"
    old, new = (field_text(field, field.read(job), job.units.to_core()) for job in (before, after))
    return _from_to(label, old, new)


def _from_to(label: str, old: str, new: str) -> str:
    return f"{label} {old or NOTHING} → {new or NOTHING}"


def _called(thing: object, base: str) -> str:
    kind = str(getattr(thing, "kind", "") or "").replace("-", " ")
    return getattr(thing, "name", None) or kind or FIELDS[base].label.removesuffix("s").lower()
