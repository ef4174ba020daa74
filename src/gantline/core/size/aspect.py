"""Aspect ratios: read from text, exact."""

import re
from collections.abc import Mapping
from fractions import Fraction

from gantline.core.errors import DesignError

ASPECTS: Mapping[str, Fraction] = {
    "4:3": Fraction(4, 3),
    "16:10": Fraction(16, 10),
    "16:9": Fraction(16, 9),
    "1.85": Fraction(185, 100),
    "2.00": Fraction(2),
    "2.35": Fraction(235, 100),
    "64:27": Fraction(64, 27),
    "2.39": Fraction(239, 100),
    "2.40": Fraction(240, 100),
}


NARROWEST, WIDEST = Fraction(1, 2), Fraction(5)
SAME_ASPECT = 0.005  # share: a leaflet rounds its sides


class BadAspect(DesignError):
    """The text is no aspect, or one no screen is made in."""

    code = "bad-aspect"


def read_aspect(text: str) -> Fraction:
    """An aspect as an exact fraction: 16/9 for "16:9", 239/100 for "2.39".

    Returns: width over height.  Raises: BadAspect unless it reads and lies from 1:2 to 5:1.
    """
    bare = text.strip()
    if bare in ASPECTS:
        return ASPECTS[bare]
    written = re.fullmatch(r"(\d{1,5}(?:\.\d{1,4})?)(?:\s*[:/x×]\s*(\d{1,5}(?:\.\d{1,4})?))?", bare)
    if written is None or not Fraction(written[2] or 1):
        raise BadAspect(f"“{bare[:30]}” is not an aspect ratio. Write 16:9, 2.39 or 12:5.", typed=bare[:30])
    aspect = Fraction(written[1]) / Fraction(written[2] or 1)
    if not NARROWEST <= aspect <= WIDEST:
        raise BadAspect(f"Use a ratio from 1:2 to 5:1, not “{bare[:30]}”.", typed=bare[:30])
    return aspect


def aspect_name(ratio: float) -> str:
    """The named aspect ratio that a ratio from a leaflet's sides stands for, within SAME_ASPECT; else the ratio itself.

    Returns: text for read_aspect().  Leaves out: which of two names that are this close was meant; the nearer one is taken.
    """
    name = min(ASPECTS, key=lambda each: abs(float(ASPECTS[each]) - ratio))
    return name if abs(float(ASPECTS[name]) / ratio - 1.0) <= SAME_ASPECT else f"{ratio:.4f}"
