"""A step of the day: one thing that one or two people do, with its number, its check and what it waits for."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from typing import Literal

from gantline.core.errors import OutOfRange

LONGEST_TEXT = 120  # a step is read from a ladder


class Phase(StrEnum):
    """A stretch of the day, in its usual order."""

    LOOK = "look"
    BOX = "box"
    FRAME = "frame"
    WALL = "wall"
    DRY = "dry"
    FABRIC = "fabric"
    TENSION = "tension"
    INSPECT = "inspect"
    TRIM = "trim"
    HANG = "hang"
    PICTURE = "picture"
    HANDOVER = "handover"
    LATER = "later"


PHASES = {
    Phase.LOOK: "look",
    Phase.BOX: "box",
    Phase.FRAME: "frame",
    Phase.WALL: "wall",
    Phase.DRY: "dry fit",
    Phase.FABRIC: "fabric",
    Phase.TENSION: "stretch",
    Phase.INSPECT: "check",
    Phase.TRIM: "trim",
    Phase.HANG: "hang",
    Phase.PICTURE: "picture",
    Phase.HANDOVER: "leave",
    Phase.LATER: "later",
}


class Milestone(StrEnum):
    """What several steps bring about together and later ones wait for, whatever station each belongs to."""

    LIKED = "outline liked"
    COUNTED = "box counted"
    TRACKS = "tracks filled"
    SQUARE = "frame square and tight"
    READY = "frame ready for fabric"
    DRILLED = "wall drilled"
    DRY = "empty frame hung and off again"
    LAID = "frame on the fabric"
    CORNERS = "corners held"
    HELD = "all points hold"
    LOOKED = "looked over"
    TRIMMED = "trim on"
    HUNG = "on the wall"
    CENTERED = "level and centered"
    WARM = "projector warm"
    ALIGNED = "picture on the frame"


Lies = Literal["", "face down", "face up", "standing"]
Kind = Literal["length", "signed", "number", "word"]
Thing = tuple[str, str]
"""An act and what it is done to, as ("drill", "upper-left"): what happened is kept by these, whatever steps they stand in."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Number:
    """A number of a step as it is read on a tape, from a figure or mark of this key.

    value_mm: as it is marked [mm]; play_mm: made within so much of it, it is no fault [mm].
    """

    key: str
    label: str
    text: str
    value_mm: float
    play_mm: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """A reading that a step asks for.

    name: what the document calls it; kind: a length, one with a sign, a plain number, a word of `words`; planned, tolerance:
    in its unit, None where there is none; told, allowed: the same as the job writes them; instrument: what it is read with;
    goes: the field it sets, empty where the item of the step takes it or it is only kept.
    """

    name: str
    label: str
    kind: Kind = "length"
    planned: float | None = None
    told: str = ""
    tolerance: float | None = None
    allowed: str = ""
    instrument: str = ""
    goes: str = ""
    words: tuple[str, ...] = ()

    def within(self, value: float) -> bool | None:
        """Whether a value is near enough to what was planned; None where nothing was."""
        if self.planned is None or self.tolerance is None:
            return None
        return abs(value - self.planned) <= self.tolerance + 1e-9


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One step.

    key: stays the same over re-plans; text: what to do, verb first, at most 120 characters; why: where the pattern changes;
    lies: which way up the frame or the sheet is; face: from which side its marks are seen; people: 1 or 2; minutes: of work,
    idle: of waiting after it; caution: key of the one that stands before it; check: what is true afterward; trouble: what
    goes wrong here most, and its cure; waits: keys or milestones that come before, wherever they are (one that this job has
    not is no wait); gives: milestones that it is part of; into: places that must still be open; closes: places that take
    nothing more afterward; parts: what it uses up; things: what is done to what; marks: keys on the board; readings: what it
    asks for; alike: pairs of its readings that agree where they part by no more [mm]; item: the list that takes its readings
    as one thing, with what stands beside them, or with blocked where it was not possible; sets: a switch that it turns on.
    """

    key: str
    station: str
    phase: Phase
    text: str
    why: str = ""
    lies: Lies = ""
    face: Literal["front", "back", ""] = ""
    numbers: tuple[Number, ...] = ()
    tools: tuple[str, ...] = ()
    people: int = 1
    minutes: float = 2.0
    idle: float = 0.0
    caution: str = ""
    check: str = ""
    trouble: str = ""
    waits: tuple[str, ...] = ()
    gives: tuple[Milestone, ...] = ()
    into: tuple[str, ...] = ()
    closes: tuple[str, ...] = ()
    parts: tuple[str, ...] = ()
    things: tuple[Thing, ...] = ()
    marks: tuple[str, ...] = ()
    readings: tuple[Reading, ...] = ()
    alike: tuple[tuple[str, str, float], ...] = ()
    item: str = ""
    beside: tuple[tuple[str, str], ...] = ()
    blocked: tuple[tuple[str, str], ...] = ()
    sets: str = ""

    def __post_init__(self) -> None:
        if not self.text or len(self.text) > LONGEST_TEXT:
            raise OutOfRange(
                f"A step says what to do in at most {LONGEST_TEXT} characters: {self.text}",
                field="text",
                got=len(self.text),
            )

    @property
    def acts(self) -> tuple[Thing, ...]:
        """What is done to what; a step that is about no thing is its own."""
        return self.things or (("do", self.key),)


def of(act: str, things: Iterable[str]) -> tuple[Thing, ...]:
    """One act on several things."""
    return tuple((act, thing) for thing in things)
