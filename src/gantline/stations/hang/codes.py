"""The codes of what stands between the hung screen and done."""

from enum import StrEnum


class Code(StrEnum):
    """Every finding of this station."""

    OFF = "hung-off"
    PULL = "not-pull-tested"
    LOCK = "not-locked"
    UNREAD = "picture-unread"
    CROOKED = "picture-crooked"
    ELSEWHERE = "picture-elsewhere"
