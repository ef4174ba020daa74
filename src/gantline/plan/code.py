"""A finding's code: one of a closed set, and what it says where there is room for four words."""

from enum import StrEnum
from typing import Self

MOST_WORDS = 4
_SHORT: dict[str, str] = {}


class Coded(StrEnum):
    """A station's codes. short: at most four words, for the foot of a column or a list."""

    short: str

    def __new__(cls, code: str, short: str) -> Self:
        """A member with its few words."""
        member = str.__new__(cls, code)
        member._value_, member.short = code, short
        _SHORT[code] = short
        return member


def in_short(code: str) -> str:
    """What a code says in a few words; the code itself with its dashes gone where it has none."""
    return _SHORT.get(str(code), str(code).replace("-", " "))
