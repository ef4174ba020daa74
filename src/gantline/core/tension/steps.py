"""A step of tension: which points, where the tape reads, what their partners are."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from gantline.core.tension.points import RAILS, Corner, Side, TensionPoint, numbered

CORNERS, CENTER_BAR = "Corners", "Center bar"  # parts of an order that are more than a name


@dataclass(frozen=True, slots=True)
class OnTape:
    """Points of one side in the order they are done, and what a tape along that side reads at each [mm]."""

    side: Side
    points: tuple[int, ...]
    readings_mm: tuple[float, ...]

    @property
    def edge(self) -> str:
        """The piece of the frame the tape lies along: top rail, left stile."""
        return f"{self.side} {'rail' if self.side in RAILS else 'stile'}"


@dataclass(slots=True)  # not frozen: numbered once all are there
class TensionStep:
    """One step: which points on which side, where the tape reads, and what their partners are.

    held: the points on `place` (a side or a corner, from the back) in the order they are done; partners lie opposite at
    the same readings, done at the same time by two people, straight after by one. `reason` is set where the pattern
    changes. loose: threaded only, it holds nothing yet.
    """

    number: int
    part: str
    place: str
    action: str
    held: tuple[TensionPoint, ...]
    partners: tuple[int, ...]
    partner_place: str
    reason: str
    loose: bool = False

    @property
    def points(self) -> tuple[int, ...]:
        """Their numbers."""
        return tuple(held_point.number for held_point in self.held)

    @property
    def tapes(self) -> tuple[OnTape, ...]:
        """The points by side, each with its own readings from its own hooked corner."""
        return tuple(
            tape_of(side, self.held) for side in dict.fromkeys(held_point.side for held_point in self.held)
        )


def renumbered(
    steps: Sequence[TensionStep], points: Sequence[TensionPoint], start: Corner, *, clockwise: bool
) -> tuple[TensionStep, ...]:
    """The same steps with a maker's own numbers; points as from spread()."""
    own = {
        (numbered_point.u_mm, numbered_point.v_mm, numbered_point.side): numbered_point
        for numbered_point in numbered(tuple(points), start, clockwise=clockwise)
    }
    by_number = {point.number: own[point.u_mm, point.v_mm, point.side] for point in points}
    return tuple(
        replace(
            step,
            held=tuple(by_number[held_point.number] for held_point in step.held),
            partners=tuple(by_number[number].number for number in step.partners),
        )
        for step in steps
    )


def made_step(
    part: str,
    place: str,
    action: str,
    held: tuple[TensionPoint, ...],
    partners: tuple[int, ...],
    partner_place: str,
    reason: str,
) -> TensionStep:
    """A step that is numbered later."""
    return TensionStep(0, part, place, action, held, partners, partner_place, reason)


def tape_of(side: Side, held: tuple[TensionPoint, ...]) -> OnTape:
    """The points of one side on its own tape."""
    there = [p for p in held if p.side == side]
    return OnTape(side, tuple(p.number for p in there), tuple(p.reading_mm for p in there))
