"""Field types of the job file: every length accepts a number in mm or text in any usual form, and every number has both ends.

The ends here are those of the kind; a field of the job may have nearer ones of its own.
"""

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
from gantline.core.units import Units
from gantline.job.ends import Ends
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


_READ = BeforeValidator(_read, json_schema_input_type=float | str)
_MM = Field(json_schema_extra={"x-unit": "mm"})
LengthMm = Annotated[float, Ends(0.1, LONGEST_MM, length=True), _READ, _MM]  # something that has an extent
DistanceMm = Annotated[float, Ends(0.0, LONGEST_MM, length=True), _READ, _MM]
PositionMm = Annotated[float, Ends(-LONGEST_MM, LONGEST_MM, length=True), _READ, _MM]  # any sign
StudSpacingMm = Annotated[float, Ends(100.0, 3000.0, length=True), _READ, _MM]
TensionSpacingMm = Annotated[float, Ends(5.0, 2000.0, length=True), _READ, _MM]


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
        said = value.strip()[:30].encode("utf-8", "replace").decode()
        raise ValueError(f"“{said}” is no percentage: write 55 or 55 %.") from None


_TYPED_NUMBER = BeforeValidator(_number, json_schema_input_type=float | str)
_TYPED_SHARE = BeforeValidator(_percent, json_schema_input_type=float | str)
Share = Annotated[float, Ends(0.0, 1.0), _TYPED_SHARE]
Ratio = Annotated[float, Ends(0.1, 20.0), _TYPED_NUMBER]
Reach = Annotated[float, Ends(0.0, 3.0), _TYPED_SHARE]
Turn = Annotated[float, Ends(-30.0, 30.0), _TYPED_NUMBER]
Positive = Annotated[float, Ends(0.001, 10_000_000.0), _TYPED_NUMBER]
Gain = Annotated[float, Ends(0.01, 10.0), _TYPED_NUMBER]
HalfGain = Annotated[float, Ends(1.0, 90.0), _TYPED_NUMBER]
Contrast = Annotated[float, Ends(1.1, 10_000_000.0), _TYPED_NUMBER]
Lux = Annotated[float, Ends(0.0, 100_000.0), _TYPED_NUMBER]
Lumens = Annotated[float, Ends(1.0, 100_000.0), _TYPED_NUMBER]
Mass = Annotated[float, Ends(0.01, 1_000.0), _TYPED_NUMBER]
Pixels = Annotated[int, Ends(100, 20000)]
PointCount = Annotated[int, Ends(2, 1000)]
BarCount = Annotated[int, Ends(0, 8)]
Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]


def repeated(names: Iterable[str]) -> str:
    """The first name that is there twice; empty where each is there once."""
    seen: set[str] = set()
    for name in names:
        if name in seen:
            return name
        seen.add(name)
    return ""
