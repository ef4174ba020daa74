"""Lengths that read as one thing and probably meant another: asked back instead of taken."""

import re
from collections.abc import Sequence

from gantline.core.errors import DesignError
from gantline.core.typed_length import read_length
from gantline.core.units import INCH_MM, Units

UNITS = ("mm", "cm", "m", "in", "ft")
BARE = re.compile(r"[\d\s.,/½¼¾⅛⅜⅝⅞⁄-]+")
FRACTION = re.compile(r"[/½¼¾⅛⅜⅝⅞⁄]")
THOUSANDS = re.compile(r"\d{1,3}\.\d{3}")


def other_readings(text: str, units: Units, usual_mm: tuple[float, float] | None = None) -> tuple[str, ...]:
    """How else a typed length can be read, the way it would be taken first; empty where there is no doubt.

    Args: text, as typed; units of the job; usual_mm, the lengths this field usually has [mm].
    Doubtful are only texts without a unit: a fraction where the job is metric, three digits after a point, and a number
    that is out of the usual range while another unit would bring it into it.
    Returns: texts that name their unit, so that each can be taken without a doubt.  Raises: nothing.
    """
    bare = text.strip()
    if not bare or not BARE.fullmatch(bare):
        return ()
    try:
        read_length(bare, units)
    except DesignError:
        return ()
    own = {1.0: "mm", 10.0: "cm", INCH_MM: "in"}[units.unit_mm]
    if FRACTION.search(bare) and own != "in":
        return _distinct((f"{bare} {own}", f"{bare} in"), units)
    if THOUSANDS.fullmatch(bare) and own != "in":
        return _distinct((f"{bare} {own}", f"{bare.replace('.', '')} {own}"), units)
    if usual_mm is None or _within(f"{bare} {own}", units, usual_mm):
        return ()
    others = [
        f"{bare} {unit}" for unit in UNITS if unit != own and _within(f"{bare} {unit}", units, usual_mm)
    ]
    return _distinct((f"{bare} {own}", *others), units) if others else ()


def _within(text: str, units: Units, usual_mm: tuple[float, float]) -> bool:
    return usual_mm[0] <= read_length(text, units).length_mm <= usual_mm[1]


def _distinct(texts: Sequence[str], units: Units) -> tuple[str, ...]:
    """Each length once, and only what can be read."""
    found: dict[float, str] = {}
    for text in texts:
        try:
            found.setdefault(read_length(text, units).length_mm, text)
        except DesignError:
            continue
    return tuple(found.values()) if len(found) > 1 else ()
