"""The codes of what stands against drilling."""

from enum import StrEnum


class Code(StrEnum):
    """Every finding of this station."""

    SPACING_OFF_RAIL = "spacing-off-rail"
    BACKER = "backer"
    NO_STUD_PAIR = "no-stud-pair"
    KIT_SPACING = "kit-spacing"
    ROWS_CROSS = "rows-cross"
    HOLE_IN_BAND = "hole-in-band"
    OVERLOADED = "fixing-overloaded"
    BOARD = "board-too-heavy"
    IN_JOINT = "hole-in-joint"
    NO_MASS = "mass-unknown"
    DRILLED_HEIGHT = "drilled-height"
    DRILLED_ROWS = "drilled-rows"
    DRILLED_LEVEL = "drilled-level"
    DRILLED_PAIR = "drilled-brackets"
    SLIP = "drilled-slip"
    BLOCKED = "hole-refused"
    GAPS = "gap-readings"
    GAPS_CLASH = "gap-readings-contradict"
    LEAN = "wall-leans"
    WIND = "wall-winds"
    OTHER_WAY = "other-way-serves"
    DRY_FIT = "dry-fit"
