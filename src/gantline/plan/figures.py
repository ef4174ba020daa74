"""What a plan is made of: figures with their working, findings with their cures."""

from dataclasses import dataclass, field
from typing import Literal

Known = Literal["measured", "decided", "computed", "assumed"]
Severity = Literal["stop", "mind", "note"]
StationKey = Literal["survey", "size", "light", "height", "throw", "wall", "tension"]
FieldKind = Literal["length", "number", "count", "share", "choice", "switch", "text"]
Value = float | int | str | bool | dict[str, float | str | bool] | None

STATIONS: dict[StationKey, str] = {
    "survey": "Survey",
    "size": "Size",
    "light": "Light",
    "height": "Height",
    "throw": "Throw",
    "wall": "Wall",
    "tension": "Tension",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Working:
    """How a figure came about: formula in words, values put in, result, rounding, source."""

    formula: str
    substituted: str
    result: str
    rounding: str
    source: str


@dataclass(frozen=True, slots=True)
class Choice:
    """One choice of a field: what is stored and what is read."""

    value: str
    label: str


@dataclass(frozen=True, slots=True)
class Entry:
    """How a figure is entered: the pointer that sets it, the kind of field, its choices."""

    pointer: str
    kind: FieldKind
    choices: tuple[Choice, ...] = ()
    optional: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Figure:
    """One number or choice of the plan. rests_on names the assumed figures it depends on."""

    key: str
    station: StationKey
    label: str
    value: Value
    unit: str
    text: str
    known: Known
    working: Working
    rests_on: tuple[str, ...] = ()
    entry: Entry | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Change:
    """One set operation a cure or a dimension carries, for the API's edits."""

    pointer: str
    value: Value


@dataclass(frozen=True, slots=True, kw_only=True)
class Cure:
    """A way out: what to do, how much it gives, and the changes that do it (empty: by hand)."""

    text: str
    changes: tuple[Change, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Finding:
    """Something to know: stop (cannot be), mind (look again), note."""

    code: str
    station: StationKey
    severity: Severity
    text: str
    numbers: dict[str, float] = field(default_factory=dict)
    cures: tuple[Cure, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class StationState:
    """A station on the rope: its gist and the worst of its findings."""

    key: StationKey
    label: str
    gist: str
    worst: Severity | None
    assumed: int


@dataclass(frozen=True, slots=True, kw_only=True)
class ToMeasure:
    """One thing to measure before drilling: what is assumed now, and what moves with it."""

    label: str
    text: str
    effect: str
    pointer: str
