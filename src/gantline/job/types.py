"""Field types of the job file: every length accepts a number in mm or text in any usual form."""

import math
from collections.abc import Iterable
from typing import Annotated, Any

from pydantic import (
    AfterValidator,
    BeforeValidator,
    Field,
    ValidationInfo,
)

from gantline.core.size.aspect import read_aspect
from gantline.core.typed_length import read_length
from gantline.core.units import Units, length_text
from gantline.job.text import trouble

MILLIMETERS = Units()
LONGEST_MM = 100_000.0  # 100 m; a hall, not a town


def job_units(info: ValidationInfo) -> Units:
    """Units that a bare number in a text counts in: the job's, from the validation context."""
    context = info.context or {}
    units = context.get("units", MILLIMETERS)
    return units if isinstance(units, Units) else MILLIMETERS


def _read(value: Any, info: ValidationInfo) -> Any:
    if isinstance(value, str):
        return read_length(value, job_units(info)).length_mm
    if isinstance(value, bool):
        raise ValueError("A length is a number in millimeters or a text like 8' 2 1/2\".")
    return value


def _within(low: float, *, above: bool) -> AfterValidator:
    def check(value: float, info: ValidationInfo) -> float:
        units = job_units(info)
        too_small = value <= low if above else value < low
        if too_small or value > LONGEST_MM or not math.isfinite(value):
            least = f"more than {length_text(low, units)}" if above else f"{length_text(low, units)} or more"
            most = length_text(LONGEST_MM, units)
            raise ValueError(
                f"This length must be {least} and at most {most}; it reads {length_text(value, units)}."
            )
        return value

    return AfterValidator(check)


_READ = BeforeValidator(_read, json_schema_input_type=float | str)
_MM = Field(allow_inf_nan=False, json_schema_extra={"x-unit": "mm"})
LengthMm = Annotated[float, _within(0.0, above=True), _READ, _MM]  # > 0
DistanceMm = Annotated[float, _within(0.0, above=False), _READ, _MM]  # >= 0
PositionMm = Annotated[float, _within(-LONGEST_MM, above=False), _READ, _MM]  # any sign
StudSpacingMm = Annotated[float, _within(100.0, above=False), _READ, _MM]
TensionSpacingMm = Annotated[float, _within(5.0, above=False), _READ, _MM]


def _fit(lines: bool) -> BeforeValidator:
    def check(value: Any) -> Any:
        if not isinstance(value, str):
            return value
        bare = value.strip()
        why = trouble(bare, lines=lines)
        if why:
            raise ValueError(why)
        return bare

    return BeforeValidator(check, json_schema_input_type=str)


Line = Annotated[str, _fit(False), Field(max_length=160)]
Name = Annotated[str, _fit(False), Field(min_length=1, max_length=120)]
Notes = Annotated[str, _fit(True), Field(max_length=4000)]


def _aspect(value: str) -> str:
    read_aspect(value)
    return value.strip()


AspectText = Annotated[str, Field(max_length=30), AfterValidator(_aspect)]


def _number(value: Any) -> Any:
    """A typed number may have a decimal comma."""
    return value.strip().replace(",", ".") if isinstance(value, str) else value


def _percent(value: Any) -> Any:
    """A number is a share (0.55); a text counts in percent (55, 55 %)."""
    if not isinstance(value, str):
        return value
    bare = value.strip().removesuffix("%").strip().replace(",", ".")
    try:
        return float(bare) / 100.0
    except ValueError:
        raise ValueError(f"“{value.strip()[:30]}” is no percentage: write 55 or 55 %.") from None


_TYPED_NUMBER = BeforeValidator(_number, json_schema_input_type=float | str)
_TYPED_SHARE = BeforeValidator(_percent, json_schema_input_type=float | str)
Share = Annotated[float, _TYPED_SHARE, Field(ge=0.0, le=1.0, allow_inf_nan=False)]
Ratio = Annotated[float, _TYPED_NUMBER, Field(gt=0.0, le=20.0, allow_inf_nan=False)]
Reach = Annotated[float, _TYPED_SHARE, Field(ge=0.0, le=3.0, allow_inf_nan=False)]
Turn = Annotated[float, _TYPED_NUMBER, Field(ge=-30.0, le=30.0, allow_inf_nan=False)]
Positive = Annotated[float, _TYPED_NUMBER, Field(gt=0.0, le=10_000_000.0, allow_inf_nan=False)]
Gain = Annotated[float, _TYPED_NUMBER, Field(gt=0.0, le=10.0, allow_inf_nan=False)]
HalfGain = Annotated[float, _TYPED_NUMBER, Field(gt=0.0, le=90.0, allow_inf_nan=False)]
Contrast = Annotated[float, _TYPED_NUMBER, Field(gt=1.0, le=10_000_000.0, allow_inf_nan=False)]
Lux = Annotated[float, _TYPED_NUMBER, Field(ge=0.0, le=100_000.0, allow_inf_nan=False)]
Lumens = Annotated[float, _TYPED_NUMBER, Field(gt=0.0, le=100_000.0, allow_inf_nan=False)]
Mass = Annotated[float, _TYPED_NUMBER, Field(gt=0.0, le=1000.0, allow_inf_nan=False)]
Pixels = Annotated[int, Field(ge=100, le=20_000)]
PointCount = Annotated[int, Field(ge=2, le=1000)]
BarCount = Annotated[int, Field(ge=0, le=8)]
Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]


def repeated(names: Iterable[str]) -> str:
    """The first name that is there twice; empty where each is there once."""
    seen: set[str] = set()
    for name in names:
        if name in seen:
            return name
        seen.add(name)
    return ""
