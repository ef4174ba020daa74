"""Lengths on a tape: exact units, rounding once, and the text a person reads.

Inside the program a length is a float in millimeters. Text is made here and nowhere else.
A fraction is written with U+2044, the fraction slash, between plain digits: a pen that can
stack fractions recognises it, any other still shows a readable text.
"""

import math
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import cache, lru_cache

from gantline.core.errors import OutOfRange

INCH_MM = 25.4  # exact, international inch
FOOT_MM = 304.8  # exact, international foot
FRACTION_SLASH = "\u2044"
NO_BREAK = "\u00a0"
TIE = 1e-9  # share of a tape step; keeps 2.5 steps, computed as 2.4999999999, a tie


class LengthStyle(StrEnum):
    """How a job writes its lengths."""

    FEET_INCHES = "ft-in"
    INCH_FRACTIONS = "in-fraction"
    INCHES = "in"
    MILLIMETERS = "mm"
    CENTIMETERS = "cm"


FRACTIONAL = (LengthStyle.FEET_INCHES, LengthStyle.INCH_FRACTIONS)
TAPE_DENOMINATORS = (8, 16, 32)


@cache
def _grid(style: LengthStyle, denominator: int) -> Fraction:
    if style in FRACTIONAL:
        return Fraction(127, 5) / denominator
    return Fraction(127, 500) if style is LengthStyle.INCHES else Fraction(1)


@cache
def _step_mm(style: LengthStyle, denominator: int) -> float:
    return float(_grid(style, denominator))


@dataclass(frozen=True, slots=True)
class Units:
    """Style of a job's lengths and, for the fractional styles, the finest tape fraction.

    Raises OutOfRange for a fraction no tape has.
    """

    style: LengthStyle = LengthStyle.MILLIMETERS
    denominator: int = 16

    def __post_init__(self) -> None:
        if self.denominator not in TAPE_DENOMINATORS:
            raise OutOfRange("tape fraction must be 8, 16 or 32", field="denominator", got=self.denominator)

    @property
    def grid(self) -> Fraction:
        """The tape's step [mm], exact: 1/denominator inch, 0.01 inch, or 1 mm."""
        return _grid(self.style, self.denominator)

    @property
    def step_mm(self) -> float:
        """The same step as a float [mm]."""
        return _step_mm(self.style, self.denominator)

    @property
    def unit_mm(self) -> float:
        """What a bare typed number counts [mm]."""
        if self.style is LengthStyle.MILLIMETERS:
            return 1.0
        return 10.0 if self.style is LengthStyle.CENTIMETERS else INCH_MM

    @property
    def unit_name(self) -> str:
        """The word for a bare typed number's unit."""
        return {1.0: "millimeters", 10.0: "centimeters"}.get(self.unit_mm, "inches")


@dataclass(frozen=True, slots=True)
class TapeReading:
    """A length as it is read on the tape. error_mm = read - exact."""

    steps: int
    read_mm: float
    error_mm: float
    text: str


def to_steps(length_mm: float, step_mm: float) -> int:
    """Nearest whole number of tape steps, halves away from zero. length_mm finite; step_mm > 0.

    Raises OutOfRange if length_mm is not finite. Source: the trade rounds a mark once, away
    from zero; TIE absorbs the rounding of binary floats at an exact half.
    """
    if not math.isfinite(length_mm):
        raise OutOfRange(f"length must be finite, got {length_mm}", field="length_mm", got=length_mm)
    steps = abs(length_mm) / step_mm
    return int(math.copysign(math.floor(steps + 0.5 + TIE), length_mm))


def read_tape(length_mm: float, units: Units) -> TapeReading:
    """Round a length [mm] to the job's tape, once, and write it. Raises OutOfRange if not finite."""
    steps = to_steps(length_mm, units.step_mm)
    read_mm = steps * units.step_mm
    return TapeReading(steps, read_mm, read_mm - length_mm, _write(steps, units.style, units.denominator))


def length_text(length_mm: float, units: Units) -> str:
    """The text of a length [mm] in the job's units, rounded to the tape."""
    return _write(to_steps(length_mm, units.step_mm), units.style, units.denominator)


def pair_text(width_mm: float, height_mm: float, units: Units) -> str:
    """Width by height, a unit word written once: 3560 × 2225 mm."""
    wide, high = length_text(width_mm, units), length_text(height_mm, units)
    if units.style not in FRACTIONAL:
        wide = wide.partition(NO_BREAK)[0]
    return f"{wide} × {high}"


def beside_text(offset_mm: float, units: Units) -> str:
    """How far right (+) or left (-) of a line [mm], as a person says it on the tape's grid; "on the center line"
    below half a step."""
    if abs(offset_mm) < float(units.grid) / 2.0:
        return "on the center line"
    return f"{length_text(abs(offset_mm), units)} {'right' if offset_mm > 0.0 else 'left'}"


def exact_text(length_mm: float, units: Units) -> str:
    """The same length to a tenth of a step finer than a tape shows: for workings, not for marks."""
    if units.unit_mm == INCH_MM:
        return f"{length_mm / INCH_MM:.3f}{NO_BREAK}in".replace("-", "−")
    return f"{length_mm / units.unit_mm:.{1 if units.unit_mm == 1.0 else 2}f}{NO_BREAK}{units.style}".replace(
        "-", "−"
    )


def off_text(length_mm: float, units: Units) -> str:
    """How far off a length may be [mm >= 0] in the job's units, rounded up to what its tape shows: never less than it is,
    and never finer than anybody can read."""
    return length_text(math.ceil(length_mm / units.step_mm - TIE) * units.step_mm, units)


def fine_text(length_mm: float, units: Units) -> str:
    """A small length [mm >= 0], as how far a rail bows: to a tenth where the job counts in millimeters, else as its tape
    shows it, or under the half of a step that no tape shows."""
    if units.style is LengthStyle.MILLIMETERS:
        return f"{length_mm:.1f}{NO_BREAK}mm" if length_mm < 100.0 else length_text(length_mm, units)
    if 0.0 < length_mm < units.step_mm / 2.0:
        return f"under {length_text(units.step_mm, units)}"
    return length_text(length_mm, units)


def slope_text(mm_per_m: float, units: Units) -> str:
    """A small slope [mm per m >= 0]: over a meter, or over eight feet where the job counts in inches."""
    if units.unit_mm == INCH_MM:
        return f"{fine_text(mm_per_m * 8.0 * FOOT_MM / 1000.0, units)} in 8 feet"
    return f"{mm_per_m:.1f}{NO_BREAK}mm/m"


def bit_text(drill_mm: float, units: Units) -> str:
    """A drill bit as it is sold: to the nearest 32nd of an inch, or in millimeters."""
    if units.unit_mm == INCH_MM:
        return f"{_inches(round(drill_mm / INCH_MM * 32.0), 32)}″"
    return f"{drill_mm:g}{NO_BREAK}mm"


UNSEEN = "no difference you can see"


def tolerance_text(length_mm: float, units: Units) -> str:
    """An allowed error [mm >= 0] in the job's units, never finer than its tape and never rounded up."""
    steps = math.floor(length_mm / units.step_mm + TIE)
    if steps == 0:
        return f"{UNSEEN} at {length_text(units.step_mm, units)}"
    return length_text(steps * units.step_mm, units)


@lru_cache(maxsize=8192)  # a plan writes the same few hundred lengths again at every step of a drag
def _write(steps: int, style: LengthStyle, denominator: int) -> str:
    sign = "−" if steps < 0 else ""
    steps = abs(steps)
    match style:
        case LengthStyle.MILLIMETERS:
            return f"{sign}{steps}{NO_BREAK}mm"
        case LengthStyle.CENTIMETERS:
            return f"{sign}{steps // 10}.{steps % 10}{NO_BREAK}cm"
        case LengthStyle.INCHES:
            return f"{sign}{steps // 100}.{steps % 100:02d}{NO_BREAK}in"
        case LengthStyle.INCH_FRACTIONS:
            return f"{sign}{_inches(steps, denominator)}″"
        case LengthStyle.FEET_INCHES:
            feet, rest = divmod(steps, 12 * denominator)
            inches = f"{_inches(rest, denominator)}″"
            if not feet:
                return f"{sign}{inches}"
            naught = f"0{NO_BREAK}" if 0 < rest < denominator else ""  # 8′ 1/2″ is misread as 8 1/2″
            return f"{sign}{feet}′{NO_BREAK}{naught}{inches}"


def _inches(steps: int, denominator: int) -> str:
    whole, part = divmod(steps, denominator)
    if not part:
        return str(whole)
    shared = math.gcd(part, denominator)
    fraction = f"{part // shared}{FRACTION_SLASH}{denominator // shared}"
    return f"{whole}{NO_BREAK}{fraction}" if whole else fraction


def plain(text: str) -> str:
    """The same text with ASCII fractions, spaces and signs, for files that other programs read.

    On one line whatever it held: in a file made of lines, a line end in a name could forge what is read as a hole.
    """
    table: dict[str, str | int | None] = {FRACTION_SLASH: "/", NO_BREAK: " ", "−": "-", "″": '"', "′": "'"}
    return "".join(letter if letter.isprintable() else " " for letter in text.translate(str.maketrans(table)))
