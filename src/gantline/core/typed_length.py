"""Reading a length the way people write it: 8' 2 1/2", 8-2 1/2, 98½, 2.5 m, 250 cm, 2500."""

import re
from dataclasses import dataclass
from fractions import Fraction

from gantline.core.errors import DesignError
from gantline.core.units import INCH_MM, Units

VULGAR = {
    "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
    "⅓": "1/3", "⅔": "2/3", "⅕": "1/5", "⅙": "1/6",
}  # fmt: skip
SAME = {
    "’": "'", "‘": "'", "′": "'", "`": "'", "”": '"', "“": '"', "″": '"', "\u2044": "/", "∕": "/",
    "−": "-", "–": "-", "—": "-", "\u00a0": " ", "\u202f": " ", "\u2009": " ",
}  # fmt: skip
INCH = Fraction(str(INCH_MM))
METRIC_MM = {"mm": 1, "cm": 10, "m": 1000}
WORDS = {
    "millimetres": "mm", "millimetre": "mm", "millimeters": "mm", "millimeter": "mm", "mm": "mm",
    "centimetres": "cm", "centimetre": "cm", "centimeters": "cm", "centimeter": "cm", "cm": "cm",
    "metres": "m", "metre": "m", "meters": "m", "meter": "m", "m": "m",
    "inches": '"', "inch": '"', "in": '"', "feet": "'", "foot": "'", "ft": "'",
}  # fmt: skip
TOKEN = re.compile(
    r"\s*(?:(?P<frac>\d+\s*/\s*\d+)|(?P<num>\d+(?:[.,]\d+)?|[.,]\d+)|(?P<word>[a-zA-Z]+)\.?"
    r"|(?P<two>'')|(?P<mark>['\"])|(?P<dash>-))"
)
# one letter per token: n number, f fraction, ' feet, " inches, k metric, - dash
MIXED = r"n-?f|n|f"
FEET_INCHES = re.compile(
    rf"(?P<feet>{MIXED})'(?:-?(?P<inches>{MIXED})\"?)?|(?P<short>n)-(?P<after>n-?f|n)\"?"
)
INCHES = re.compile(rf'(?P<inches>{MIXED})"')
METRIC = re.compile(rf"(?P<amount>{MIXED})k")
BARE = re.compile(rf"(?P<amount>{MIXED})")
LONGEST_TEXT = 60


class UnreadableLength(DesignError):
    """The text is no length. `understood` in the context says how far it could be read."""

    code = "unreadable-length"


@dataclass(frozen=True, slots=True)
class TypedLength:
    """A length read from text: its value [mm] and a sentence of what was understood."""

    length_mm: float
    understood: str


def read_length(text: str, units: Units) -> TypedLength:
    """Read a typed length; a bare number counts in the job's unit.

    Args: text, as typed, at most 60 characters; units of the job.
    Returns: TypedLength [mm], any sign.  Raises: UnreadableLength, saying what was understood.
    Leaves out: arithmetic ("8' + 3"), and thousands separators, which it refuses as ambiguous.
    """
    shown = (
        text.strip()[:LONGEST_TEXT].encode("utf-8", "replace").decode()
    )  # a half character cannot be quoted back
    if not shown or len(text) > LONGEST_TEXT:
        raise UnreadableLength(
            "A length is missing here: write 98 1/2, 8' 2 1/2\", 2.5 m or 2500.", typed=shown
        )
    negative, body = _sign(shown)
    tokens = _tokens(body, shown)
    mm, understood = _measure(tokens, units, shown)
    return TypedLength(-mm if negative else mm, ("minus " if negative else "") + understood)


def _sign(shown: str) -> tuple[bool, str]:
    table: dict[str, str | int | None] = {**SAME, **{key: f" {value}" for key, value in VULGAR.items()}}
    body = shown.translate(str.maketrans(table)).strip()
    if body[:1] in "+-":
        return body[0] == "-", body[1:]
    return False, body


def _tokens(body: str, shown: str) -> list[tuple[str, str]]:
    tokens: list[tuple[str, str]] = []
    at = 0
    while body[at:].strip():
        match = TOKEN.match(body, at)
        if match is None:
            raise _refuse(shown, tokens, f"“{body[at:].strip()}” is not part of a length")
        at = match.end()
        tokens.append(_token(match, shown, tokens))
    return tokens


def _token(found: re.Match[str], shown: str, before: list[tuple[str, str]]) -> tuple[str, str]:
    kind, raw = found.lastgroup, found.group().strip()
    if kind == "frac":
        return "f", raw.replace(" ", "")
    if kind == "num":
        if re.fullmatch(r"\d{1,3},\d{3}", raw):
            raise _refuse(shown, before, f"“{raw}” may be thousands or decimals: write it without the comma")
        return "n", raw.replace(",", ".")
    if kind == "word":
        unit = WORDS.get(raw.rstrip(".").lower())
        if unit is None:
            raise _refuse(shown, before, f"“{raw}” is not a unit of length known here (mm, cm, m, in, ft)")
        return (unit, unit) if unit in "'\"" else ("k", unit)
    if kind == "two":
        return '"', '"'
    return (raw, raw)


def _measure(tokens: list[tuple[str, str]], units: Units, shown: str) -> tuple[float, str]:
    codes = "".join(code for code, _ in tokens)
    values = [value for _, value in tokens]

    def amount(found: re.Match[str], group: str) -> Fraction:
        return _amount(values[slice(*found.span(group))], shown)

    if found := FEET_INCHES.fullmatch(codes):
        feet = amount(found, "feet" if found["feet"] else "short")
        rest = "inches" if found["inches"] else "after"
        inches = amount(found, rest) if found[rest] else Fraction(0)
        if found[rest] and feet.denominator != 1:
            raise _refuse(shown, tokens, "feet with a fraction cannot be followed by inches")
        if inches >= 12:
            raise _refuse(shown, tokens, "the inches after feet must be under 12")
        return float((feet * 12 + inches) * INCH), f"{_say(feet)} ft {_say(inches)} in"
    if found := INCHES.fullmatch(codes):
        inches = amount(found, "inches")
        return float(inches * INCH), f"{_say(inches)} in"
    if found := METRIC.fullmatch(codes):
        number, unit = amount(found, "amount"), values[-1]
        return float(number * METRIC_MM[unit]), f"{_say(number)} {unit}"
    if found := BARE.fullmatch(codes):
        number = amount(found, "amount")
        return float(number * Fraction(str(units.unit_mm))), f"{_say(number)} {units.unit_name}"
    raise _refuse(shown, tokens, "these parts do not make one length")


def _amount(values: list[str], shown: str) -> Fraction:
    total = Fraction(0)
    parts = [value for value in values if value != "-"]
    for value in parts:
        top, slash, bottom = value.partition("/")
        if slash and not (int(bottom) > 0 and (len(parts) == 1 or int(top) < int(bottom))):
            raise UnreadableLength(f"“{shown}”: {value} is no fraction of a tape.", typed=shown)
        if not slash and len(parts) == 2 and "." in value:
            raise UnreadableLength(f"“{shown}”: a decimal and a fraction together are unclear.", typed=shown)
        total += Fraction(value)
    return total


def _say(number: Fraction) -> str:
    return f"{float(number):.10g}"


def _refuse(shown: str, tokens: list[tuple[str, str]], why: str) -> UnreadableLength:
    read = " ".join(value for _, value in tokens)
    heard = f"read “{read}”, but " if read else ""
    return UnreadableLength(f"“{shown}”: {heard}{why}.", typed=shown, understood=read)
