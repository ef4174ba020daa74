"""What is seen on a stretched sheet, what usually made it, and the cure that a hand can give.

Source: the trade's table of waves, rays, sags and creases; cures always go by opposite pairs, the fewest points first.
Leaves out: what the sheet does under the cure. A model of the sheet could say which point, and by how much; this says where
people look first.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Literal

from gantline.core.tension.holds import Hold


class Seen(StrEnum):
    """What a look along the face finds."""

    FLAT = "flat"
    RAY = "ray out of a corner"
    WAVES = "waves along a side"
    DIAGONAL = "diagonal across"
    SAG = "sag"
    SLACK = "slack corner"
    SCALLOPS = "scallops at points"
    CREASE = "sharp crease"
    LINE = "line from beneath"


Act = Literal["ease", "pull", "read diagonals", "wait", "open"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """The usual cause of what is seen, and its cure. act: what is done to the points there and to their opposites."""

    cause: str
    cure: str
    act: Act


FAULTS: Mapping[Seen, Fault] = {
    Seen.RAY: Fault(
        cause="the corner is too tight along one side, or was not pulled on its diagonal",
        cure="loosen the last two on the tight side, then pull the corner along its diagonal",
        act="ease",
    ),
    Seen.WAVES: Fault(
        cause="points too far apart, or the side is slack across",
        cure="tighten that side and its opposite together, or add points",
        act="pull",
    ),
    Seen.DIAGONAL: Fault(
        cause="the frame is racked, or the sheet lies askew",
        cure="read both diagonals; even the opposite corners: ease the tight pair",
        act="read diagonals",
    ),
    Seen.SAG: Fault(
        cause="the rail bows, or a hook against sag is missing",
        cure="brace or hook the rail, then tighten the middles of that side and its opposite",
        act="pull",
    ),
    Seen.SLACK: Fault(
        cause="the corner was not pulled on its diagonal",
        cure="pull the corner along its diagonal, and the one opposite",
        act="pull",
    ),
    Seen.SCALLOPS: Fault(
        cause="single points are too tight",
        cure="ease those points and the ones opposite; share with their neighbors",
        act="ease",
    ),
    Seen.CREASE: Fault(
        cause="a fold from transport",
        cure="leave it under tension for a day; low warmth on the back only where the fabric's record allows it",
        act="wait",
    ),
    Seen.LINE: Fault(
        cause="a joint, a plate or an edge prints through",
        cure="take the sheet off there, sand, round or pad what lies beneath",
        act="open",
    ),
}

# as little as a hand can do at one point, once: [mm], and in words, its length to be written as the job writes lengths
LITTLE_MM: Mapping[Hold, float] = {
    Hold.STAPLE: 3.0,
    Hold.TACK: 5.0,
    Hold.SPRING: 5.0,
    Hold.LUG: 2.0,
    Hold.SNAP: 3.0,
    Hold.LACE: 5.0,
    Hold.PIN: 0.5,
}
A_LITTLE: Mapping[Hold, str] = {
    Hold.STAPLE: "by {little}: take the staples out, move the cloth, staple again",
    Hold.TACK: "by {little}: draw the tack, pull or ease the cloth, tack again",
    Hold.SPRING: "by one hole or one hook; a spring does not move a sheet: unhook, shift, hook",
    Hold.LUG: "by pressing or freeing the lug and its neighbors",
    Hold.SNAP: "by one notch, {little}",
    Hold.LACE: "by {little} of cord",
    Hold.PIN: "by half a turn",
}
