"""Ways of holding the fabric, and which school of order each one calls for."""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum


class Hold(StrEnum):
    """How the fabric is held at a point."""

    STAPLE = "staple"
    SPRING = "spring"
    LUG = "lug"
    SNAP = "snap"
    LACE = "lace"
    PIN = "pin"


class School(StrEnum):
    """The two families of tension order."""

    CORNERS_FIRST = "corners-first"
    MIDDLES_OUTWARD = "middles-outward"


@dataclass(frozen=True, slots=True, kw_only=True)
class HoldKind:
    """What sets a hold apart.

    loose_pass: everything is threaded loosely once before it is tightened (lacing).
    filled: a first pass of wide points is filled in afterwards (staples).
    """

    name: str
    verb: str
    school: School
    loose_pass: bool = False
    filled: bool = False


# Fixed points (spring, lug, pin) center the sheet by its corners, so corners go first. Tension that
# is frozen by hand (staple, snap, lace) is walked out from the middles, so corners go last.
HOLDS: Mapping[Hold, HoldKind] = {
    Hold.STAPLE: HoldKind(
        name="staples",
        verb="staple",
        school=School.MIDDLES_OUTWARD,
        filled=True,
    ),
    Hold.SPRING: HoldKind(name="springs", verb="hook", school=School.CORNERS_FIRST),
    Hold.LUG: HoldKind(name="lugs", verb="seat", school=School.CORNERS_FIRST),
    Hold.SNAP: HoldKind(name="snaps", verb="press", school=School.MIDDLES_OUTWARD),
    Hold.LACE: HoldKind(
        name="lacing",
        verb="tighten",
        school=School.MIDDLES_OUTWARD,
        loose_pass=True,
    ),
    Hold.PIN: HoldKind(name="pull pins", verb="set", school=School.CORNERS_FIRST),
}
