"""The codes of what stands between the hung screen and done."""

from gantline.plan.code import Coded


class Code(Coded):
    """Every finding of this station."""

    OFF = "hung-off", "hung off plan"
    PULL = "not-pull-tested", "not pull tested"
    LOCK = "not-locked", "not locked"
    UNREAD = "picture-unread", "picture not read"
    CROOKED = "picture-crooked", "picture crooked"
    ELSEWHERE = "picture-elsewhere", "picture elsewhere"
