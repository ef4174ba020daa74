"""The tape: each mark as a strip of real tape at reading size, hook end to the left."""

from dataclasses import dataclass

from gantline.core.units import FOOT_MM, FRACTIONAL, INCH_MM, LengthStyle, Units, read_tape

SPAN_INCH_MM = 1.75 * INCH_MM
SPAN_METRIC_MM = 46.0


Tick = tuple[float, float]  # a line on the tape: place [mm from the hook], length as a share of the tape's width


@dataclass(frozen=True, slots=True)
class Numeral:
    """A printed number: place [mm from the hook], text, and whether it counts whole feet or metres."""

    at_mm: float
    text: str
    strong: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class TapeWindow:
    """The piece of tape round one mark [mm from the hook], and where the hook goes."""

    key: str
    title: str
    hook: str
    text: str
    read_mm: float
    start_mm: float
    end_mm: float
    ticks: tuple[Tick, ...]
    numerals: tuple[Numeral, ...]


def window(key: str, title: str, hook: str, length_mm: float, units: Units) -> TapeWindow:
    """The tape round a length [mm] >= 0, read once; the mark sits on a tick of the tape's own grid."""
    read = read_tape(length_mm, units)
    metric = units.unit_mm != INCH_MM
    span = SPAN_METRIC_MM if metric else SPAN_INCH_MM
    start = max(0.0, read.read_mm - span / 2.0)
    end = start + span
    ticks, numerals = _metric(start, end) if metric else _inches(start, end, units)
    return TapeWindow(
        key=key, title=title, hook=hook, text=read.text, read_mm=read.read_mm, start_mm=start, end_mm=end, ticks=ticks,
        numerals=numerals,
    )  # fmt: skip


def _metric(start: float, end: float) -> tuple[tuple[Tick, ...], tuple[Numeral, ...]]:
    steps = range(int(start), int(end) + 1)
    ticks = tuple(
        (float(mm), 0.5 if mm % 10 == 0 else 0.36 if mm % 5 == 0 else 0.22)
        for mm in steps
        if start <= mm <= end
    )
    numerals = tuple(
        Numeral(float(mm), f"{mm // 1000} m" if mm % 1000 == 0 else str(mm // 10), mm % 1000 == 0)
        for mm in steps
        if mm % 10 == 0 and start <= mm <= end and mm > 0
    )
    return ticks, numerals


def _inches(start: float, end: float, units: Units) -> tuple[tuple[Tick, ...], tuple[Numeral, ...]]:
    parts = units.denominator if units.style in FRACTIONAL else 10
    share = {parts: 0.58, parts // 2: 0.46, parts // 4: 0.36, parts // 8: 0.28}
    step = INCH_MM / parts
    low, high = int(start / step), int(end / step) + 1
    ticks = tuple(
        (
            round(k * step, 4),
            next((share[part] for part in sorted(share, reverse=True) if part and k % part == 0), 0.2),
        )
        for k in range(low, high + 1)
        if start <= k * step <= end
    )
    inches = [
        k
        for k in range(int(start / INCH_MM), int(end / INCH_MM) + 2)
        if k > 0 and start <= k * INCH_MM <= end
    ]
    return ticks, tuple(Numeral(k * INCH_MM, _inch_text(k, units), k % 12 == 0) for k in inches)


def _inch_text(inches: int, units: Units) -> str:
    feet, rest = divmod(inches * INCH_MM + 1e-9, FOOT_MM)
    if units.style is LengthStyle.FEET_INCHES and feet:
        whole = round(rest / INCH_MM)
        return f"{int(feet)}′ {whole}″" if whole else f"{int(feet)}′"
    return str(inches)
