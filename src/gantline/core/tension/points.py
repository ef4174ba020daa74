"""The tension points round a frame, numbered as seen from the back.

From the back, u right from the frame's left edge and v up from its bottom edge; so u mirrors the
wall's x. Numbers run clockwise from the top left. The tape hooks on the left corner along the
rails and on the top corner along the stiles, so partner points on opposite sides read the same.

      1  2  3  ->        u
    +-----------+    top, read from the left
    |           |    left and right, read from the top
    +-----------+    bottom, read from the left
"""

import math
from dataclasses import dataclass
from enum import StrEnum

from gantline.core.budget import spend
from gantline.core.errors import OutOfRange, require_positive
from gantline.core.frame.plates import Spans, kept_off

MOST_POINTS_A_SIDE = 1000
CLOSEST_MM = 10.0  # two staples nearer than this split the wood
Readings = tuple[tuple[float, bool], ...]  # along one side [mm], and whether in the first pass


class Side(StrEnum):
    """A side of the frame as seen from the back."""

    TOP = "top"
    RIGHT = "right"
    BOTTOM = "bottom"
    LEFT = "left"


OPPOSITE = {Side.TOP: Side.BOTTOM, Side.BOTTOM: Side.TOP, Side.LEFT: Side.RIGHT, Side.RIGHT: Side.LEFT}
RAILS = (Side.TOP, Side.BOTTOM)


@dataclass(frozen=True, slots=True, kw_only=True)
class Layout:
    """Frame [mm] and how its points are spread: by spacing, or by counts where given (>= 2).

    first_pass_mm, where set, is the spacing of a first pass that is filled in to spacing_mm.
    off_rails_mm, off_stiles_mm: from and to along those sides where no point may lie, as over plates.
    Raises OutOfRange if a side is too short for its insets or gets more than 1000 points.
    """

    width_mm: float
    height_mm: float
    spacing_mm: float
    inset_mm: float
    rail_count: int | None = None
    stile_count: int | None = None
    first_pass_mm: float | None = None
    off_rails_mm: Spans = ()
    off_stiles_mm: Spans = ()

    def __post_init__(self) -> None:
        require_positive(width_mm=self.width_mm, height_mm=self.height_mm)
        require_positive(spacing_mm=self.spacing_mm, inset_mm=self.inset_mm)
        for field, count in (("rail_count", self.rail_count), ("stile_count", self.stile_count)):
            if count is not None and not 2 <= count <= MOST_POINTS_A_SIDE:
                raise OutOfRange(f"{field} must be from 2 to {MOST_POINTS_A_SIDE}", field=field, got=count)
        shorter = min(self.width_mm, self.height_mm)
        if shorter <= 2.0 * self.inset_mm:
            raise OutOfRange(
                "the frame's shorter side must exceed twice the inset", field="inset_mm", got=self.inset_mm
            )


@dataclass(slots=True)  # not frozen: made by the hundred, in one place
class TensionPoint:
    """One point: its number, side, running tape reading from the hooked corner, place from the back
    [mm], and whether it belongs to the first pass."""

    number: int
    side: Side
    reading_mm: float
    u_mm: float
    v_mm: float
    first_pass: bool


def readings(
    length_mm: float, inset_mm: float, spacing_mm: float, count: int | None, first_pass_mm: float | None
) -> tuple[tuple[float, bool], ...]:
    """Evenly spread (reading [mm], first pass?) along one side, mirrored about its middle.

    With a first pass: wide points first, each gap then filled evenly to at most spacing_mm.
    Raises: OutOfRange above 1000 points.  Source: the fewest even gaps not wider than the spacing.
    """
    run = length_mm - 2.0 * inset_mm
    if count is not None:
        wide, fill = count - 1, 1
    elif first_pass_mm is None or first_pass_mm <= spacing_mm:
        wide, fill = max(1, math.ceil(run / spacing_mm - 1e-9)), 1
    else:
        wide = max(1, math.ceil(run / first_pass_mm - 1e-9))
        fill = max(1, math.ceil(run / wide / spacing_mm - 1e-9))
    total = wide * fill
    spend(total, "points on a side")
    if total >= MOST_POINTS_A_SIDE:
        raise OutOfRange(
            f"more than {MOST_POINTS_A_SIDE} points on a side", field="spacing_mm", got=spacing_mm
        )
    return tuple((inset_mm + run * k / total, k % fill == 0) for k in range(total + 1))


def sides(layout: Layout) -> tuple[Readings, Readings]:
    """The readings along the rails and along the stiles [mm], off what they must stay off.

    Raises: OutOfRange where a side takes too many, or its plates leave no room.
    """
    w, h = layout.width_mm, layout.height_mm
    rail = readings(w, layout.inset_mm, layout.spacing_mm, layout.rail_count, layout.first_pass_mm)
    stile = readings(h, layout.inset_mm, layout.spacing_mm, layout.stile_count, layout.first_pass_mm)
    return _free(rail, layout.off_rails_mm), _free(stile, layout.off_stiles_mm)


def spread(layout: Layout, along: tuple[Readings, Readings] | None = None) -> tuple[TensionPoint, ...]:
    """Every point of the frame, clockwise from the top left as seen from the back.

    Args: along, the sides of this layout where they are at hand.  Raises: as sides().
    """
    w, h = layout.width_mm, layout.height_mm
    rail, stile = along or sides(layout)
    right, bottom = len(rail) + 1, len(rail) + len(stile) + 1
    left = bottom + len(rail)
    points = [TensionPoint(n, Side.TOP, r, r, h, first) for n, (r, first) in enumerate(rail, 1)]
    points += [TensionPoint(n, Side.RIGHT, r, w, h - r, first) for n, (r, first) in enumerate(stile, right)]
    back = enumerate(reversed(rail), bottom)
    points += [TensionPoint(n, Side.BOTTOM, r, r, 0.0, first) for n, (r, first) in back]
    up = enumerate(reversed(stile), left)
    points += [TensionPoint(n, Side.LEFT, r, 0.0, h - r, first) for n, (r, first) in up]
    return tuple(points)


def _free(side: Readings, spans: Spans) -> Readings:
    """A side's readings moved off the spans; of points that are dropped for it the first pass goes on at the next."""
    if not spans:
        return side
    moved = kept_off([reading for reading, _ in side], spans, CLOSEST_MM)
    found: dict[float, bool] = {}
    for (_, first), new in zip(side, moved, strict=True):
        if new is not None:
            found[new] = first
    if len(found) < 2:
        raise OutOfRange("the plates leave no room for points on a side", field="plate_mm", got=len(found))
    for (reading, first), new in zip(side, moved, strict=True):
        if new is None and first:
            found[min(found, key=lambda there: abs(there - reading))] = True
    return tuple(sorted(found.items()))


def pair_numbers(points: tuple[TensionPoint, ...]) -> dict[int, int]:
    """By number of a point the number that it shares with its partner straight across: the lower of their two.

    points numbered once round, by spread() or numbered(). So pairs count from 1 along two neighboring sides.
    """
    place = {(point.side, point.reading_mm): point.number for point in points}
    return {one.number: min(one.number, place[OPPOSITE[one.side], one.reading_mm]) for one in points}


class Corner(StrEnum):
    """A corner of the frame as seen from the back."""

    TOP_LEFT = "top-left"
    TOP_RIGHT = "top-right"
    BOTTOM_RIGHT = "bottom-right"
    BOTTOM_LEFT = "bottom-left"


def numbered(
    points: tuple[TensionPoint, ...], start: Corner, *, clockwise: bool = True
) -> tuple[TensionPoint, ...]:
    """The same points with a maker's own numbers: from another corner, or the other way round, seen from the back.

    points as from spread(), which numbers clockwise from the top left.
    """
    if start is Corner.TOP_LEFT and clockwise:
        return points
    sides = [Side.TOP, Side.RIGHT, Side.BOTTOM, Side.LEFT]
    begin = list(Corner).index(start)
    before = 0
    for side in sides[:begin]:
        before += sum(1 for point in points if point.side is side)
    ring = [*points[before:], *points[:before]]
    if not clockwise:
        ring.reverse()
    return tuple(
        TensionPoint(number, spot.side, spot.reading_mm, spot.u_mm, spot.v_mm, spot.first_pass)
        for number, spot in enumerate(ring, start=1)
    )
