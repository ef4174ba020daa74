"""Ways of hanging a fixed frame, and which of them have a lower row of holes."""

from enum import StrEnum


class Way(StrEnum):
    """How the frame is held on the wall."""

    BRACKETS = "brackets"
    PROUD_SCREWS = "proud-screws"
    BOTTOM_CATCH = "bottom-catch"
    TOP_BRACKETS = "top-brackets"
    CLEAT = "cleat"
    RODS = "rods"
    LEDGER = "ledger"
    WIRE = "wire"


NAMES: dict[Way, str] = {
    Way.BRACKETS: "brackets with bottom latches",
    Way.PROUD_SCREWS: "sliding brackets on proud screws",
    Way.BOTTOM_CATCH: "spring-loaded bottom catch",
    Way.TOP_BRACKETS: "brackets at the top only",
    Way.CLEAT: "45° cleat",
    Way.RODS: "hanging rods",
    Way.LEDGER: "ledger, screwed through",
    Way.WIRE: "wire and hooks",
}
WITH_LOWER_ROW = frozenset({Way.BRACKETS, Way.PROUD_SCREWS, Way.BOTTOM_CATCH})


def has_lower_row(way: Way) -> bool:
    """Whether this way fixes the frame's bottom to the wall as well. Source: the trade's ways of hanging."""
    return way in WITH_LOWER_ROW
