"""Where the top of the frame goes, and why there.

Wall axes, facing the wall: x right from the left wall end, y up from the finished floor at the
survey point, z out of the wall into the room. Every bound is put on y_top, the frame's top.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

from gantline.core.errors import OutOfRange
from gantline.core.size import Screen


@dataclass(frozen=True, slots=True)
class Profile:
    """A ceiling or floor as read: piecewise linear between readings (x, y) [mm], level beyond them.

    Raises OutOfRange without readings or with two different ones at one x.
    """

    readings: tuple[tuple[float, float], ...]

    def __post_init__(self) -> None:
        if not self.readings:
            raise OutOfRange("a profile needs at least one reading", field="readings")
        ordered = sorted(self.readings)
        if any(a[0] == b[0] for a, b in pairwise(ordered)):
            raise OutOfRange("two readings at one place", field="readings")
        object.__setattr__(self, "readings", tuple(ordered))

    def at(self, x_mm: float) -> float:
        """Height y [mm] at x [mm]."""
        (x0, y0), *rest = self.readings
        if x_mm <= x0:
            return y0
        for x1, y1 in rest:
            if x_mm <= x1:
                return y0 + (y1 - y0) * (x_mm - x0) / (x1 - x0)
            x0, y0 = x1, y1
        return y0

    def lowest(self, left_mm: float, right_mm: float) -> float:
        """Smallest y [mm] over left_mm..right_mm; at an end or at a reading between them."""
        between = (y for x, y in self.readings if left_mm < x < right_mm)
        return min(self.at(left_mm), self.at(right_mm), *between)


@dataclass(frozen=True, slots=True)
class Bound:
    """One limit on the frame's top [mm]; `name` is what a person calls it."""

    key: str
    name: str
    y_top_mm: float


SCAN = 0.98


class WishKind(StrEnum):
    """What the height is wished from."""

    EYE_LINE = "eye-line"
    FRAME_TOP = "frame-top"
    FRAME_BOTTOM = "frame-bottom"
    CEILING_GAP = "ceiling-gap"


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """A screen asked into a room: what the height is solved from. Lengths [mm]."""

    screen: Screen
    centre_x_mm: float
    ceiling: Profile
    ceiling_gap_mm: float
    lift_on_mm: float
    lowest_edge_mm: float

    @property
    def left_mm(self) -> float:
        """Left edge of the frame [mm from the left wall end]."""
        return self.centre_x_mm - self.screen.overall_width_mm / 2.0

    @property
    def right_mm(self) -> float:
        """Right edge of the frame [mm from the left wall end]."""
        return self.centre_x_mm + self.screen.overall_width_mm / 2.0

    def across(self, left_mm: float, right_mm: float) -> bool:
        """Whether the frame's width meets what reaches from left to right [mm]."""
        return left_mm < self.right_mm and right_mm > self.left_mm

    def covers(self, top_mm: float, *, left_mm: float, bottom_mm: float, width_mm: float, height_mm: float) -> bool:
        """Whether the frame, its top at top_mm, lies over any part of a rectangle on the wall [mm]; touching is clear."""
        frame_bottom_mm = top_mm - self.screen.overall_height_mm
        level = bottom_mm < top_mm and bottom_mm + height_mm > frame_bottom_mm
        return level and self.across(left_mm, left_mm + width_mm)

    @property
    def clear_mm(self) -> float:
        """Gap kept under the ceiling [mm]: the wished one or what lifting the frame on needs."""
        return max(self.ceiling_gap_mm, self.lift_on_mm)


def upper_bounds(place: Place) -> tuple[Bound, ...]:
    """Limits from above: min of ceiling(x) over the frame's width less the larger of gap and lift."""
    lowest = place.ceiling.lowest(place.left_mm, place.right_mm)
    if place.lift_on_mm > place.ceiling_gap_mm:
        return (Bound("lift-on", "room to lift it on", lowest - place.lift_on_mm),)
    return (Bound("ceiling", "ceiling gap", lowest - place.ceiling_gap_mm),)


def lower_bounds(place: Place) -> tuple[Bound, ...]:
    """Limits from below: the lowest allowed bottom edge plus the frame's height."""
    return (Bound("lowest-edge", "lowest allowed edge", place.lowest_edge_mm + place.screen.overall_height_mm),)


def wished_top_mm(place: Place, kind: WishKind, value_mm: float, eye_share: float) -> float:
    """The y_top [mm] a wish asks for, before any bound.

    Args: value_mm [mm], what `kind` names, above the floor (ceiling-gap: below the lowest ceiling
        over the frame); eye_share, the eye line's place in the picture from its bottom (0 to 1).
    Source: y_b = y_top - b_top - H; eye line at y_b + share H.
    """
    screen = place.screen
    match kind:
        case WishKind.EYE_LINE:
            return value_mm + screen.picture.height_mm * (1.0 - eye_share) + screen.border.top_mm
        case WishKind.FRAME_TOP:
            return value_mm
        case WishKind.FRAME_BOTTOM:
            return value_mm + screen.overall_height_mm
        case WishKind.CEILING_GAP:
            return place.ceiling.lowest(place.left_mm, place.right_mm) - value_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class Height:
    """The answer: the interval of y_top [mm], the chosen value, what binds, the slack to each bound.

    chosen_mm is None where the interval is empty; clash_mm then says by how much (> 0).
    """

    low: Bound
    high: Bound
    wished_mm: float
    chosen_mm: float | None
    binds: str
    slack_mm: tuple[tuple[Bound, float], ...]

    @property
    def clash_mm(self) -> float:
        """Highest lower bound less lowest upper bound [mm], 0 where they leave room."""
        return max(0.0, self.low.y_top_mm - self.high.y_top_mm)


def solve_height(upper: Sequence[Bound], lower: Sequence[Bound], wished_mm: float) -> Height:
    """Clamp the wish into the interval all bounds leave, and name what binds.

    Args: upper, lower: at least one bound each; wished_mm [mm].
    Returns: Height; `binds` is "wish" or the key of the bound that moved it.  Raises: nothing.
    """
    high = min(upper, key=lambda bound: bound.y_top_mm)
    low = max(lower, key=lambda bound: bound.y_top_mm)
    if low.y_top_mm > high.y_top_mm:
        return Height(low=low, high=high, wished_mm=wished_mm, chosen_mm=None, binds="clash", slack_mm=())
    chosen = min(max(wished_mm, low.y_top_mm), high.y_top_mm)
    binds = "wish" if chosen == wished_mm else (high if wished_mm > chosen else low).key
    slack = [(bound, bound.y_top_mm - chosen) for bound in upper] + [(bound, chosen - bound.y_top_mm) for bound in lower]
    return Height(low=low, high=high, wished_mm=wished_mm, chosen_mm=chosen, binds=binds, slack_mm=tuple(slack))


def largest_fitting(room_mm: Callable[[float], float], *, most_mm: float, step_mm: float = 0.1) -> float | None:
    """Largest diagonal [mm] up to most_mm for which room_mm(diagonal) >= 0.

    Args: room_mm(diagonal) [mm], upper less lower bound of y_top at that diagonal. It usually falls as
        the diagonal grows, but a lens's reach shrinks with the picture: so the largest is looked for from
        above in steps of 2 %, then closed in on.
    Returns: the diagonal, within step_mm below the true one, or None if none of the steps fits.
    Source: scan, then bisection.  Leaves out: an interval of diagonals narrower than 2 %.  Raises: nothing.
    """
    if room_mm(most_mm) >= 0.0:
        return most_mm
    large = most_mm
    while large > 1.0:
        small = large * SCAN
        if room_mm(small) >= 0.0:
            break
        large = small
    else:
        return None
    while large - small > step_mm:
        middle = (small + large) / 2.0
        small, large = (middle, large) if room_mm(middle) >= 0.0 else (small, middle)
    return small
