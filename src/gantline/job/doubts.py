"""Typed lengths of an edit that are asked back."""

from collections.abc import Iterator, Sequence
from typing import Any

from gantline.core.doubt import other_readings
from gantline.core.units import Units
from gantline.job.edits import Edit
from gantline.job.field import Field
from gantline.job.model import FIELDS, ITEMS
from gantline.job.problems import BadDocument, FieldProblem


class DoubtfulLength(BadDocument):
    """A length that may mean another; each problem carries the texts it could be."""

    code = "doubtful-length"


def ask_back(units: Units, edits: Sequence[Edit]) -> None:
    """Refuse what is doubtful before anything is changed.  Raises: DoubtfulLength with the ways to read each."""
    found = [one for edit in edits for one in _doubts(edit.pointer, edit.value, units)]
    if found:
        raise DoubtfulLength(found)


def _doubts(pointer: str, value: Any, units: Units) -> Iterator[FieldProblem]:
    if isinstance(value, dict):
        for name, inner in value.items():
            yield from _doubts(f"{pointer}/{name}", inner, units)
        return
    field = _field(pointer)
    if not isinstance(value, str) or field is None or field.kind != "length":
        return
    choices = other_readings(value, units, field.usual_mm)
    if choices:
        text = f"“{value.strip()}” can be read in two ways. Which is it?"
        yield FieldProblem(pointer, text, value.strip()[:80], choices)


def _field(pointer: str) -> Field | None:
    if pointer in FIELDS:
        return FIELDS[pointer]
    base, _, name = pointer.rpartition("/")
    kind = ITEMS.get(base.rpartition("/")[0])
    return None if kind is None or name not in kind.model_fields else getattr(kind, name, None)
