"""Ways of holding the fabric, and which school of order each one calls for."""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum


class Hold(StrEnum):
    """How the fabric is held at a point."""

    STAPLE = "staple"
    TACK = "tack"
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

    pulled: a hand pulls the fabric and the fixing freezes that pull. folds: the fabric is folded at the corners.
    loose_pass: everything is threaded loosely once before it is tightened (lacing).
    filled: a first pass of wide points is filled in afterwards (staples). boards: it is driven into the boards of a timber frame.
    """

    name: str
    verb: str
    school: School
    pulled: bool = False
    folds: bool = False
    loose_pass: bool = False
    filled: bool = False
    boards: bool = False

    @property
    def action(self) -> str:
        """What a hand does at a point of a side."""
        return f"pull and {self.verb}" if self.pulled else self.verb

    @property
    def middles(self) -> str:
        """Why the middles go first in the order that ends at the corners."""
        if self.pulled:
            return "Each fixing freezes the pull of the hand: the middles hold the sheet square while the rest is walked out."
        return "The middles hold the sheet square while the rest is walked out."

    @property
    def last_corner(self) -> str:
        """What a hand does at a corner that goes last."""
        pull, fold = ("pull along the diagonal, " if self.pulled else ""), "fold once, " if self.folds else ""
        return f"{pull}{fold}{self.verb}"


# Fixed points (spring, lug, pin) center the sheet by its corners, so corners go first. Tension that
# is frozen by hand (staple, snap, lace) is walked out from the middles, so corners go last. Knits are
# tacked from their corners, stretched to the opposite end, and walked all round with hand-set tacks.
HOLDS: Mapping[Hold, HoldKind] = {
    Hold.STAPLE: HoldKind(
        name="staples",
        verb="staple",
        school=School.MIDDLES_OUTWARD,
        pulled=True,
        folds=True,
        filled=True,
        boards=True,
    ),
    Hold.TACK: HoldKind(
        name="tacks",
        verb="tack",
        school=School.CORNERS_FIRST,
        pulled=True,
        folds=True,
        boards=True,
    ),
    Hold.SPRING: HoldKind(name="springs", verb="hook", school=School.CORNERS_FIRST),
    Hold.LUG: HoldKind(name="lugs", verb="seat", school=School.CORNERS_FIRST),
    Hold.SNAP: HoldKind(name="snaps", verb="press", school=School.MIDDLES_OUTWARD, pulled=True),
    Hold.LACE: HoldKind(
        name="lacing",
        verb="tighten",
        school=School.MIDDLES_OUTWARD,
        pulled=True,
        loose_pass=True,
    ),
    Hold.PIN: HoldKind(name="pull pins", verb="set", school=School.CORNERS_FIRST),
}
