"""Texts of one drawing at its own scale, each by its real size: none runs into another, and none is left out.

A text stands where it was meant to, else near by and off the dots, else farther off and led to its place by a line, else as a
number that stands in a key. Lengths are the pen's own, y growing downwards.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from functools import cache

LIFTS = (0, -1, 1, -2, 2, -3, 3, -4, 4, -5, 5, -6, 6)  # lines of text over and under
ASIDE = (0.0, 0.5, -0.5, 1.0, -1.0, 1.6, -1.6)  # widths of the text to either side
LED_LINES = 1.4  # farther from its place than so many lines a text is led to it


@dataclass(frozen=True, slots=True)
class Box:
    """A text's room: its middle, its width and its height."""

    x: float
    y: float
    wide: float
    high: float

    def meets(self, other: "Box", air: float = 0.0) -> bool:
        """Whether two rooms cover each other, or come nearer than the air wanted between texts on one line."""
        return (
            abs(self.x - other.x) < (self.wide + other.wide) / 2.0 + air
            and abs(self.y - other.y) < (self.high + other.high) / 2.0
        )

    def within(self, left: float, top: float, right: float, bottom: float) -> bool:
        """Whether it lies inside some bounds."""
        half, tall = self.wide / 2.0, self.high / 2.0
        return (
            self.x - half >= left
            and self.x + half <= right
            and self.y - tall >= top
            and self.y + tall <= bottom
        )


@dataclass(frozen=True, slots=True)
class Wanted:
    """A text to be placed: the room it was meant to have, the place it belongs to, how soon it is served, the lowest first."""

    text: str
    box: Box
    place: tuple[float, float]
    rank: int = 1


@dataclass(frozen=True, slots=True)
class Spot:
    """Where a text stands. led: from its place to it; number: it has in the key, and None where it stands itself."""

    wanted: Wanted
    box: Box
    led: bool
    number: int | None


def place(
    texts: Sequence[Wanted],
    fixed: Iterable[Box],
    dots: Sequence[Box],
    bounds: tuple[float, float, float, float],
    line: float,
) -> tuple[Spot, ...]:
    """A spot for every text, in their own order.

    Args: fixed, rooms that are taken, as of numbers on dimension lines; dots, what is better not covered; bounds, left, top,
        right and bottom of the drawing; line, the height of a line of text.
    """
    taken = list(fixed)
    air = line / 6.0
    spots: dict[int, Spot] = {}
    numbers = 0

    def free(box: Box) -> Box | None:
        able = [
            spot
            for spot in _near(box)
            if spot.within(*bounds) and not any(spot.meets(other, air) for other in taken)
        ]
        off = next((spot for spot in able if not any(spot.meets(dot) for dot in dots)), None)
        return off or (able[0] if able else None)

    for number in sorted(range(len(texts)), key=lambda number: texts[number].rank):
        wanted = texts[number]
        at = _inside(wanted.place, bounds, line)  # what lies off the drawing is told at its edge
        off = (at[0] - wanted.place[0], at[1] - wanted.place[1])
        meant = replace(wanted.box, x=wanted.box.x + off[0], y=wanted.box.y + off[1])
        box = free(meant)
        if box is not None:
            far = math.hypot(box.x - meant.x, box.y - meant.y) > LED_LINES * line
            spots[number] = Spot(wanted, box, far or off != (0.0, 0.0), None)
        else:
            numbers += 1
            round_ = Box(*at, line, line)
            box = free(round_) or round_
            spots[number] = Spot(wanted, box, False, numbers)
        taken.append(box)
    return tuple(spots[number] for number in range(len(texts)))


def _inside(
    place: tuple[float, float], bounds: tuple[float, float, float, float], line: float
) -> tuple[float, float]:
    """The nearest place on the drawing, half a line from its edge; the same one where it is on it."""
    left, top, right, bottom = bounds
    half = line / 2.0
    x = min(max(place[0], left + half), max(left + half, right - half))
    y = min(max(place[1], top + half), max(top + half, bottom - half))
    return (x, y) if not (left <= place[0] <= right and top <= place[1] <= bottom) else place


def _near(box: Box) -> list[Box]:
    """Rooms of the same size round one, the nearest first."""
    steps = sorted(_steps(), key=lambda step: math.hypot(step[0] * box.wide, step[1] * box.high))
    return [replace(box, x=box.x + aside * box.wide, y=box.y + lift * box.high) for aside, lift in steps]


@cache
def _steps() -> tuple[tuple[float, int], ...]:
    return tuple((aside, lift) for aside in ASIDE for lift in LIFTS)
