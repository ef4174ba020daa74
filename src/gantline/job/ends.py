"""The two ends of every number of the job file, and what a stored job holds past them.

What a person types or sends is refused past an end. What is already stored stays as it is and opens: the plan counts with the
nearest number that is allowed, says which number is past its end, and offers that one.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from typing import Any, get_args

from pydantic import BaseModel, GetCoreSchemaHandler, GetJsonSchemaHandler, ValidationInfo
from pydantic_core import core_schema

from gantline.core.units import Units, exact_text, length_text

STORED = "stored"  # validation context: this was accepted once, so let it through


@dataclass(frozen=True, slots=True)
class Ends:
    """The least and the most of a number. length: it is in mm, and is said as the job writes lengths."""

    low: float
    high: float
    length: bool = False

    def __get_pydantic_core_schema__(
        self, source: Any, handler: GetCoreSchemaHandler
    ) -> core_schema.CoreSchema:
        """Checked after the number is read."""
        return core_schema.with_info_after_validator_function(self.check, handler(source))

    def __get_pydantic_json_schema__(
        self, schema: core_schema.CoreSchema, handler: GetJsonSchemaHandler
    ) -> dict[str, Any]:
        """Both ends, for whoever writes job files."""
        described = handler(schema)
        if described.get("type") in ("number", "integer"):
            described |= {"minimum": self.low, "maximum": self.high}
        return described

    def check(self, value: Any, info: ValidationInfo) -> Any:
        """The value.  Raises: ValueError where it is past an end, and is not only read back."""
        if value is None:
            return None
        context = info.context or {}
        if not math.isfinite(value):
            raise ValueError("Enter a finite number.")
        if not self.low <= value <= self.high and not context.get(STORED):
            units = context.get("units")
            raise ValueError(self.refusal(value, units if isinstance(units, Units) else Units()))
        return value

    def refusal(self, value: float, units: Units) -> str:
        """What is allowed, and what was read."""
        low, high = (self.text(end, units) for end in self.on_tape(units))
        if self.length:
            return (
                f"This length must be {low} or more and at most {high}; it reads {self.text(value, units)}."
            )
        return f"Must be at least {low} and at most {high}; it reads {self.text(value, units)}."

    def on_tape(self, units: Units) -> tuple[float, float]:
        """The least and the most that a tape of the job shows; of a plain number its ends."""
        if not self.length:
            return self.low, self.high
        step = units.step_mm
        return math.ceil(self.low / step - 1e-9) * step, math.floor(self.high / step + 1e-9) * step

    def text(self, value: float, units: Units) -> str:
        """A number of this kind in words; a length that is finer than the tape by its decimals."""
        if not self.length:
            return f"{value:.6g}"
        return exact_text(value, units) if 0.0 < abs(value) < units.step_mm else length_text(value, units)

    def nearest(self, value: float, low: float | None = None, high: float | None = None) -> float:
        """The allowed number nearest to one, between the ends, or nearer ones."""
        low, high = self.low if low is None else low, self.high if high is None else high
        return type(value)(min(max(value, low), high))


@dataclass(frozen=True, slots=True)
class Stray:
    """A stored number past its end. pointer: where it is; label: what it is called; nearest: what is allowed."""

    pointer: str
    label: str
    value: float
    nearest: float
    ends: Ends


def mm(low: float, high: float) -> Ends:
    """The two ends of a length [mm]."""
    return Ends(low, high, length=True)


def strays(root: BaseModel, base: str = "") -> Iterator[Stray]:
    """Every number of a document that is past an end of its field."""
    own = vars(root)
    for name, ends, label in numbers_of(type(root)):
        value = own[name]
        if value is not None and not ends.low <= value <= ends.high:
            yield Stray(f"{base}/{name}", label, value, ends.nearest(value), ends)
    for name in _inner(type(root)):
        value = own[name]
        if isinstance(value, BaseModel):
            yield from strays(value, f"{base}/{name}")
        elif isinstance(value, list):
            for thing in value:
                if isinstance(thing, BaseModel):
                    yield from strays(thing, f"{base}/{name}/{getattr(thing, 'id', '')}")


@cache
def numbers_of(part: type[BaseModel]) -> tuple[tuple[str, Ends, str], ...]:
    """Name, ends and label of every number of a part of the document: the field's own ends, else its kind's."""
    found = []
    for name, info in part.model_fields.items():
        said = [*info.metadata, *_metadata(info.annotation)]
        ends = [one for one in said if isinstance(one, Ends)]
        ends += [one.ends for one in said if isinstance(getattr(one, "ends", None), Ends)]
        label = next((one.label for one in said if hasattr(one, "label")), name)
        if ends:
            low, high = max(end.low for end in ends), min(one.high for one in ends)
            found.append((name, Ends(low, high, ends[0].length), label))
    return tuple(found)


@cache
def _inner(part: type[BaseModel]) -> tuple[str, ...]:
    return tuple(
        name
        for name, info in part.model_fields.items()
        if any(isinstance(kind, type) and issubclass(kind, BaseModel) for kind in _kinds(info.annotation))
    )


def _metadata(annotation: Any) -> Iterator[Any]:
    """What is said of the number inside `X | None` or Annotated[X, …]; not of what a list holds."""
    yield from getattr(annotation, "__metadata__", ())
    if getattr(annotation, "__origin__", None) not in (list, dict):
        for inner in get_args(annotation):
            if not isinstance(inner, Ends):
                yield from _metadata(inner)


def _kinds(annotation: Any) -> Iterator[Any]:
    yield annotation
    for inner in get_args(annotation):
        yield from _kinds(inner)
