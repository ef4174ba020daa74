"""Figures: a computed one is a small function of Ask; an entered one is made from its field."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from typing import Any, Literal

from gantline.core.units import Units, length_text
from gantline.job.field import Field, FieldKind
from gantline.plan.ask import Ask
from gantline.plan.working import Expr, WorkingDraft

Known = Literal["measured", "decided", "computed", "assumed"]
Value = float | int | str | bool | None


@dataclass(slots=True)  # not frozen: made by the hundred, as are figures
class Display:
    """What a figure's function gives: the value from the core, and the working that gives it again.

    text: for anything but a length. how: in words, where there is no formula, or after it. label: where it
    differs from the usual one. forced: computed even where the field it stands for was entered. typed: what is typed
    over it stands.
    """

    value: Value
    working: Expr | None = None
    text: str = ""
    how: str = ""
    label: str = ""
    forced: bool = False
    typed: bool = False


Make = Callable[[Ask], Display | None]


@dataclass(frozen=True, slots=True)
class FigureDef:
    """A figure that is computed. field: the field it stands for while that is absent."""

    key: str
    label: str
    unit: str
    source: str
    make: Make
    field: Field | None = None


class Figures(list[FigureDef]):
    """The computed figures of a station, in order; each is added by decorating its function."""

    def length(self, key: str, label: str, source: str, field: object = None) -> Callable[[Make], Make]:
        """A length [mm], rounded to the tape once."""
        return self.other(key, label, "mm", source, field)

    def other(
        self, key: str, label: str, unit: str, source: str, field: object = None
    ) -> Callable[[Make], Make]:
        """Anything else; its function makes the text."""

        def add(make: Make) -> Make:
            self.append(
                FigureDef(key, label, unit, source, make, field if isinstance(field, Field) else None)
            )
            return make

        return add


@dataclass(frozen=True, slots=True)
class Choice:
    """One choice of a field: what is stored and what is read."""

    value: str
    label: str


@dataclass(frozen=True, slots=True)
class Entry:
    """How a figure is entered: the pointer that sets it, the kind of field, its choices; given: it was entered; source: the
    record it was taken from."""

    pointer: str
    kind: FieldKind
    choices: tuple[Choice, ...]
    given: bool
    fact: bool
    source: str = ""


@dataclass(slots=True, kw_only=True)
class Figure:
    """One number or choice of the plan.

    rests_on: what nobody entered or measured yet and it depends on, by key (of a field) or pointer (of a thing's
    field). usual: the shop defaults it depends on besides.
    """

    key: str
    station: str
    label: str
    value: Value
    unit: str
    text: str
    known: Known
    working: WorkingDraft
    rests_on: tuple[str, ...]
    usual: tuple[str, ...]
    entry: Entry | None

    @property
    def given(self) -> bool:
        """Whether it was entered for this job."""
        return self.entry is not None and self.entry.given


def field_text(field: Field, value: Any, units: Units) -> str:
    """A field's value as it is read; empty where there is none."""
    if value is None:
        return ""
    match field.kind:
        case "length":
            return length_text(value, units)
        case "share":
            return f"{100 * value:.3g}\u00a0%"
        case "number" | "count":
            return f"{value:g}{field.unit}".replace("-", "−")
        case "choice":
            return field.choice(value)
        case "switch":
            return "yes" if value else "no"
        case _:
            return str(value)


@lru_cache(maxsize=4096)  # two for every field of the model, and one for every record it is taken from
def entry_of(field: Field, given: bool, source: str = "") -> Entry:
    """How a field is entered."""
    choices = tuple(Choice(*choice) for choice in field.choices)
    return Entry(field.pointer, field.kind, choices, given, field.fact, source)


@lru_cache(maxsize=4096)  # most fields of a job read as they did a moment ago
def entered_figure(
    station: str,
    field: Field,
    value: Any,
    given: bool,
    known: Known,
    source: str,
    label: str,
    units: Units,
    record: str,
) -> Figure:
    """The figure of a field as entered, or of what stands in; source: who stands behind a default; record: what the value was
    taken from."""
    text = field_text(field, value, units)
    if given:
        how, source = ("taken", f"the sheet of {record}") if record else ("entered", "entered for this job")
    elif source:
        how = "default; nothing entered"
    elif field.default is not None:
        how, source = "usual; nothing entered", "usual unless it is set"
    else:
        how = "nothing entered"
    return Figure(
        key=field.key,
        station=station,
        label=label or field.label,
        value=value if isinstance(value, float | int | str | bool | None) else str(value),
        unit="mm" if field.kind == "length" else "",
        text=text,
        known=known,
        working=WorkingDraft(value, "" if field.kind == "length" else text, None, how, source, units),
        rests_on=(field.key,) if known == "assumed" and value is not None else (),
        usual=(),
        entry=entry_of(field, given, record),
    )
