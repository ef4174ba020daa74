"""The tape: each mark as a strip of real tape at reading size, hook end to the left."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cache, partial
from math import ceil, floor

from gantline.core.units import FOOT_MM, FRACTIONAL, INCH_MM, LengthStyle, Units, read_tape

SPAN_INCH_MM = 1.75 * INCH_MM
SPAN_METRIC_MM = 46.0


Tick = tuple[
    float, float
]  # a line on the tape: place [mm from the hook], length as a share of the tape's width


@dataclass(frozen=True, slots=True)
class Numeral:
    """A printed number: place [mm from the hook], text, and whether it counts whole feet or meters."""

    at_mm: float
    text: str
    strong: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class TapeWindow:
    """The piece of tape round one mark [mm from the hook], and where the hook goes.

    ticks: lengths of its lines as shares of the tape's width; the first stands at first_mm, each next step_mm on.
    """

    key: str
    title: str
    hook: str
    text: str
    read_mm: float
    start_mm: float
    end_mm: float
    first_mm: float
    step_mm: float
    ticks: tuple[float, ...]
    numerals: tuple[Numeral, ...]


def window(key: str, title: str, hook: str, length_mm: float, units: Units) -> TapeWindow:
    """The tape round a length [mm] >= 0, read once; the mark sits on a tick of the tape's own grid."""
    read = read_tape(length_mm, units)
    metric = units.unit_mm != INCH_MM
    start = max(0.0, read.read_mm - (SPAN_METRIC_MM if metric else SPAN_INCH_MM) / 2.0)
    end = start + (SPAN_METRIC_MM if metric else SPAN_INCH_MM)
    shares = METRIC if metric else _shares(units.denominator if units.style in FRACTIONAL else 10)
    step = 1.0 if metric else INCH_MM / len(shares)
    first, last = ceil(start / step - 1e-9), floor(end / step + 1e-9)
    numerals = (
        _numbered(start, end, 10.0, _centimeters)
        if metric
        else _numbered(start, end, INCH_MM, partial(_inches, units))
    )
    return TapeWindow(
        key=key, title=title, hook=hook, text=read.text, read_mm=read.read_mm, start_mm=start, end_mm=end,
        first_mm=first * step, step_mm=step, ticks=tuple(shares[at % len(shares)] for at in range(first, last + 1)),
        numerals=numerals,
    )  # fmt: skip


METRIC = (0.5, 0.22, 0.22, 0.22, 0.22, 0.36, 0.22, 0.22, 0.22, 0.22)


@cache
def _shares(parts: int) -> tuple[float, ...]:
    """Lengths of the lines of one inch."""
    known = {parts: 0.58, parts // 2: 0.46, parts // 4: 0.36, parts // 8: 0.28}
    order = sorted((part for part in known if part), reverse=True)
    return tuple(next((known[part] for part in order if at % part == 0), 0.2) for at in range(parts))


def _numbered(
    start: float, end: float, step: float, name: Callable[[int], tuple[str, bool]]
) -> tuple[Numeral, ...]:
    whole = range(max(1, ceil(start / step)), floor(end / step) + 1)
    return tuple(Numeral(at * step, *name(at)) for at in whole)


def _centimeters(count: int) -> tuple[str, bool]:
    return (f"{count // 100} m", True) if count % 100 == 0 else (str(count), False)


def _inches(units: Units, count: int) -> tuple[str, bool]:
    return _inch_text(count, units), count % 12 == 0


def _inch_text(inches: int, units: Units) -> str:
    feet, rest = divmod(inches * INCH_MM + 1e-9, FOOT_MM)
    if units.style is LengthStyle.FEET_INCHES and feet:
        whole = round(rest / INCH_MM)
        return f"{int(feet)}′ {whole}″" if whole else f"{int(feet)}′"
    return str(inches)
