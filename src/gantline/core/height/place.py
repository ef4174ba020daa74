"""A screen asked into a room, and what its height is wished from.

Wall axes, facing the wall: x right from the left wall end, y up from the finished floor at the
survey point, z out of the wall into the room. Every bound is put on y_top, the frame's top.
"""

from dataclasses import dataclass
from enum import StrEnum

from gantline.core.height.profile import Profile
from gantline.core.size.picture import Screen


@dataclass(frozen=True, slots=True)
class Bound:
    """One limit on the frame's top [mm]; `name` is what a person calls it."""

    key: str
    name: str
    y_top_mm: float


class WishKind(StrEnum):
    """What the height is wished from."""

    EYE_LINE = "eye-line"
    FRAME_TOP = "frame-top"
    FRAME_BOTTOM = "frame-bottom"
    CEILING_GAP = "ceiling-gap"
    ABOVE_CABINET = "above-cabinet"


def lower_edge_mm(screen: Screen, centre_x_mm: float) -> tuple[float, float]:
    """Left and right end of the lower edge of a picture about its center [mm]."""
    half = screen.picture.width_mm / 2.0
    return centre_x_mm - half, centre_x_mm + half


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

    @property
    def edge_mm(self) -> tuple[float, float]:
        """Left and right end of the picture's lower edge [mm from the left wall end]."""
        return lower_edge_mm(self.screen, self.centre_x_mm)

    def across(self, left_mm: float, right_mm: float) -> bool:
        """Whether the frame's width meets what reaches from left to right [mm]."""
        return left_mm < self.right_mm and right_mm > self.left_mm

    def covers(
        self, top_mm: float, *, left_mm: float, bottom_mm: float, width_mm: float, height_mm: float
    ) -> bool:
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
        return (Bound("lift-on", "lift-on clearance", lowest - place.lift_on_mm),)
    return (Bound("ceiling", "ceiling gap", lowest - place.ceiling_gap_mm),)


def lower_bounds(place: Place) -> tuple[Bound, ...]:
    """Limits from below: the lowest allowed bottom edge plus the frame's height."""
    return (
        Bound("lowest-edge", "lowest allowed edge", place.lowest_edge_mm + place.screen.overall_height_mm),
    )


def wished_top_mm(
    place: Place, kind: WishKind, value_mm: float, eye_share: float, above_mm: float = 0.0
) -> float:
    """The y_top [mm] a wish asks for, before any bound.

    Args: value_mm [mm], what `kind` names, above the floor (ceiling-gap: below the lowest ceiling
        over the frame; above-cabinet: of the upper holes above the cabinet); eye_share, the eye line's place in the picture
        from its bottom (0 to 1); above_mm, the frame's top with its holes level with the cabinet's top [mm above the floor].
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
        case WishKind.ABOVE_CABINET:
            return above_mm + value_mm
