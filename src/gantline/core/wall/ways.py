"""Ways of hanging a fixed frame: what each has, how it goes on, and how much it forgives."""

from collections.abc import Mapping
from dataclasses import dataclass
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


@dataclass(frozen=True, slots=True, kw_only=True)
class WayKind:
    """What is the same for every frame hung this way.

    lower_row: whether the bottom is fixed to the wall as well; every_stud: screwed to every stud behind the frame, not at
    brackets; shared: stiff enough that all fixings bear; trim: what cures its height once it hangs; goes_on: the order of
    going on, one act each; comes_off: how it is taken down, two people at it; caution: said at that step.
    """

    name: str
    lower_row: bool = False
    every_stud: bool = False
    shared: bool = False
    trim: str = ""
    goes_on: tuple[str, ...] = ()
    comes_off: str = "two lift it, straight up, and carry it by its frame"
    caution: str = ""


LATCHED = "Push the bottom up and in until each latch clicks"
KINDS: Mapping[Way, WayKind] = {
    Way.BRACKETS: WayKind(
        name="brackets with bottom latches",
        lower_row=True,
        trim="slot",
        comes_off="bottom latches first, one pulls each, the other holds; then lift the top off",
        goes_on=(
            "Tip the top toward the wall and hook the top rail over every upper bracket",
            "Let the weight down: both ends sit before anyone lets go",
            LATCHED,
        ),
    ),
    Way.PROUD_SCREWS: WayKind(
        name="sliding brackets on proud screws",
        lower_row=True,
        comes_off="loosen by a quarter turn; bottom brackets off one side at a time, then lift off the top",
        goes_on=(
            "Slide the frame's brackets to the screws' spacing; tighten no screw yet",
            "Drop the top brackets over their screws together",
            "Lift one side, drop each bottom bracket over its screw, then the other side",
            "Tighten each screw by a quarter turn only",
        ),
    ),
    Way.BOTTOM_CATCH: WayKind(
        name="spring-loaded bottom catch",
        lower_row=True,
        comes_off="push it up against the springs, free the top, tilt it out, lower it",
        goes_on=(
            "Press every bottom mount in by the same amount",
            "Set the frame into the bottom mounts first",
            "Push it up against the springs, evenly at both ends",
            "Bring the top to the wall until it snaps in at every bracket",
        ),
    ),
    Way.TOP_BRACKETS: WayKind(
        name="brackets at the top only",
        trim="slot",
        comes_off="lift straight up, both ends at once",
        goes_on=(
            "Hook the top rail over every bracket",
            "Let the weight down: both ends sit before anyone lets go",
        ),
        caution="Nothing holds the bottom: anyone who lifts it unhooks the screen.",
    ),
    Way.CLEAT: WayKind(
        name="45° cleat",
        every_stud=True,
        shared=True,
        comes_off="lift it by its board's thickness and a little, then away from the wall",
        goes_on=(
            "Lift the frame above the wall piece by its board's thickness and a little",
            "Bring it flat to the wall and lower it until the bevels seat along their whole length",
            "Slide it sideways to its center",
        ),
        caution="The wall piece decides the level of the screen: level it before the second screw.",
    ),
    Way.RODS: WayKind(
        name="hanging rods",
        trim="turnbuckle",
        comes_off="one holds, the other unhooks rod by rod; turnbuckles back to the middle",
        goes_on=(
            "Set every turnbuckle to the middle of its thread",
            "Hook the frame on rod by rod, held up by the second person until the last",
            "Turn clockwise to shorten, equally, until the top is level",
        ),
        caution="Lock each turnbuckle: a free one unwinds.",
    ),
    Way.LEDGER: WayKind(
        name="ledger, screwed through",
        lower_row=True,
        every_stud=True,
        shared=True,
        comes_off="two hold it while the screws come out, bottom first, the middle of the top last",
        goes_on=(
            "Hold the ledger frame to its line, two people",
            "One screw at the middle of the top, level it, then outward",
            "Screw the bottom last, at every stud",
        ),
        caution="Screwed once, it neither slides nor trims: read level and center before the second screw.",
    ),
    Way.WIRE: WayKind(
        name="wire and hooks",
        trim="wire",
        comes_off="lift it, free the wire from both hooks, lower it",
        goes_on=(
            "Hang the wire over both hooks, never over one",
            "Let the weight down and slide the frame level on its wire",
            "Put pads on the bottom corners so that it stands off the wall evenly",
        ),
        caution="For light frames only. The top tilts forward: the picture will lean with it.",
    ),
}
NAMES: Mapping[Way, str] = {one: kind.name for one, kind in KINDS.items()}


def has_lower_row(way: Way) -> bool:
    """Whether this way fixes the frame's bottom to the wall as well. Source: the trade's ways of hanging."""
    return KINDS[way].lower_row
