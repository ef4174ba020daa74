"""Where a lens can be: throw window x shift reach, less what its body would stand in.

The picture is fixed, so the reach is one outline in x and y, the same at every distance; the room takes
boxes out of it. Axes: x from the left wall end, y above the floor, z out of the bare wall [mm].
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from typing import Literal

import numpy as np
from numpy.typing import ArrayLike, NDArray
from shapely import Geometry, LineString, Polygon, union_all
from shapely import box as rectangle

from gantline.core.space import Solid
from gantline.core.throw.shift import ROUNDING, ReachShape, ShiftReach, lens_region
from gantline.core.throw.window import PanelImage

Bools = NDArray[np.bool_]
Floats = NDArray[np.float64]
FARTHEST_MM = 100_000.0  # no room is longer


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """How far a body and the space its vents need reach from the lens [mm], as it stands in the room."""

    left_mm: float = 0.0
    right_mm: float = 0.0
    below_mm: float = 0.0
    above_mm: float = 0.0
    wallward_mm: float = 0.0
    roomward_mm: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Lines:
    """Structure a mount can be fixed to: joist centers along x or z, and how far off a center still holds [mm].

    plate_mm: where the mount plate's center lies from the lens, along the same axis.
    """

    axis: Literal["x", "z"]
    centres_mm: tuple[float, ...]
    half_mm: float
    plate_mm: float = 0.0


@dataclass(frozen=True, kw_only=True)
class LensCase:
    """Everything that says where one lens can be [mm]. near and far count from the bare wall.

    zone: where the lens alone, not its body, may be; its ends may be infinite.
    """

    picture_x_mm: float
    picture_y_mm: float
    panel: PanelImage
    reach: ShiftReach
    offset: float
    near_mm: float
    far_mm: float
    room: Solid
    body: Body = Body()
    solids: tuple[Solid, ...] = ()
    lines: Lines | None = None
    slack_mm: float = 0.0
    zone: Solid | None = None

    @cached_property
    def grown(self) -> tuple[Solid, ...]:
        """Every solid grown by the body, in their order."""
        return tuple(grown(self, solid) for solid in self.solids)


def grown(wanted: LensCase, solid: Solid) -> Solid:
    """A box grown by the body: the lens must stay out of it for the body to stay out of the box."""
    body = wanted.body
    low = (solid.low[0] - body.right_mm, solid.low[1] - body.above_mm, solid.low[2] - body.roomward_mm)
    high = (solid.high[0] + body.left_mm, solid.high[1] + body.below_mm, solid.high[2] + body.wallward_mm)
    return Solid(name=solid.name, low=low, high=high)


def inner_room(wanted: LensCase) -> Solid:
    """Where the lens may be for its body to stay in the room, in its throw window and in its zone."""
    body, room = wanted.body, wanted.room
    near, far = wanted.near_mm - wanted.slack_mm, wanted.far_mm + wanted.slack_mm
    low = (room.low[0] + body.left_mm, room.low[1] + body.below_mm, max(near, room.low[2] + body.wallward_mm))
    high = (
        room.high[0] - body.right_mm,
        room.high[1] - body.above_mm,
        min(far, room.high[2] - body.roomward_mm),
    )
    inner = Solid(name=room.name, low=low, high=high)
    return inner if wanted.zone is None else inner.within(wanted.zone)


def reached(wanted: LensCase, x: ArrayLike, y: ArrayLike) -> Bools:
    """Whether the shift reaches the picture from x, y [mm]; broadcasts.

    Source: s_v = (y_c - y)/H_p - offset, s_h = (x_c - x)/W_p; rectangle or diamond of the reach.
    """
    slack_v, slack_h = wanted.slack_mm / wanted.panel.height_mm, wanted.slack_mm / wanted.panel.width_mm
    vertical = (wanted.picture_y_mm - np.asarray(y, dtype=float)) / wanted.panel.height_mm - wanted.offset
    sideways = np.abs(wanted.picture_x_mm - np.asarray(x, dtype=float)) / wanted.panel.width_mm
    reach = wanted.reach
    left: Floats | float = 1.0
    if reach.shape is ReachShape.DIAMOND and reach.side > 0.0:
        left = np.maximum(0.0, 1.0 - sideways / reach.side)
    up, down = reach.up * left + slack_v + ROUNDING, -reach.down * left - slack_v - ROUNDING
    return np.asarray((vertical <= up) & (vertical >= down) & (sideways <= reach.side + slack_h + ROUNDING))


def held(lines: Lines | None, x: ArrayLike, z: ArrayLike) -> Bools:
    """Whether a joist is over the mount plate; True everywhere without lines. Broadcasts."""
    if lines is None:
        return np.asarray(np.ones(np.broadcast(x, z).shape, dtype=bool))
    plate = np.asarray(x if lines.axis == "x" else z, dtype=float) + lines.plate_mm
    centers = np.asarray(lines.centres_mm, dtype=float)
    found = (np.abs(plate[..., None] - centers) <= lines.half_mm + 1e-9).any(axis=-1)
    return np.asarray(np.broadcast_to(found, np.broadcast(x, z).shape))


def possible(wanted: LensCase, x: ArrayLike, y: ArrayLike, z: ArrayLike) -> Bools:
    """Whether the lens can be at each place [mm]; broadcasts. The region, asked point by point."""
    x, y, z = (np.asarray(one, dtype=float) for one in (x, y, z))
    room = inner_room(wanted)
    free = reached(wanted, x, y)
    for value, low, high in zip((x, y, z), room.low, room.high, strict=True):
        free = free & (value >= low - 1e-9) & (value <= high + 1e-9)
    for out in wanted.grown:
        inside = (x > out.low[0]) & (x < out.high[0]) & (y > out.low[1]) & (y < out.high[1])
        free = free & ~(inside & (z > out.low[2]) & (z < out.high[2]))
    return np.asarray(free & held(wanted.lines, x, z))


def body_hits(wanted: LensCase, place: tuple[float, float, float]) -> tuple[Solid, ...]:
    """The boxes that the body or its air would stand in with the lens at one place (x, y, z) [mm]."""
    return tuple(
        solid
        for solid, out in zip(wanted.solids, wanted.grown, strict=True)
        if all(low < at < high for low, at, high in zip(out.low, place, out.high, strict=True))
    )


def section(
    wanted: LensCase, face: Literal["side", "top"], at_mm: float
) -> tuple[tuple[tuple[float, float], ...], ...]:
    """Outlines of the region cut at x = at (side: z across, y up) or y = at (top: x across, z up) [mm].

    Exact: the reach's chord at that cut, times the window, less the grown boxes and what no joist holds.
    Each outline is an outer ring; a hole is cut open into its ring. Empty where the lens can be nowhere.
    """
    chord = _chord(wanted, face, at_mm)
    if chord is None:
        return ()
    room = inner_room(wanted)
    low_z, high_z = room.low[2], room.high[2]
    axis = 1 if face == "side" else 0
    low, high = max(chord[0], room.low[axis]), min(chord[1], room.high[axis])
    cut = 0 if face == "side" else 1
    if low >= high or low_z >= high_z or not room.low[cut] <= at_mm <= room.high[cut]:
        return ()
    area: Geometry = _rect(face, low_z, low, high_z, high)
    for out in wanted.grown:
        beside = (
            out.low[axis] >= high or out.high[axis] <= low or out.low[2] >= high_z or out.high[2] <= low_z
        )
        if out.low[cut] < at_mm < out.high[cut] and not beside:
            area = area.difference(_rect(face, out.low[2], out.low[axis], out.high[2], out.high[axis]))
    if wanted.lines is not None:
        area = area.intersection(_bands(wanted.lines, face, at_mm, low_z, low, high_z, high))
    return tuple(
        ring for part in getattr(area, "geoms", [area]) if isinstance(part, Polygon) for ring in _rings(part)
    )


def _chord(wanted: LensCase, face: str, at_mm: float) -> tuple[float, float] | None:
    """Ends of the reach's outline along y at x = at, or along x at y = at; None outside it."""
    corners = lens_region(
        picture_x_mm=wanted.picture_x_mm, picture_y_mm=wanted.picture_y_mm, panel=wanted.panel, reach=wanted.reach,
        offset=wanted.offset,
    )  # fmt: skip
    across, along = (0, 1) if face == "side" else (1, 0)
    ends = [corner[across] for corner in corners]
    if min(ends) - wanted.slack_mm <= at_mm <= max(ends) + wanted.slack_mm:
        at_mm = min(max(at_mm, min(ends)), max(ends))
    chords = []
    for a, b in zip(corners, (*corners[1:], corners[0]), strict=True):
        low, high = sorted((a[across], b[across]))
        if low - 1e-9 <= at_mm <= high + 1e-9:
            if high - low < 1e-9:
                chords += [a[along], b[along]]
            else:
                chords.append(
                    a[along] + (b[along] - a[along]) * (at_mm - a[across]) / (b[across] - a[across])
                )
    if not chords:
        return None
    return min(chords) - wanted.slack_mm, max(chords) + wanted.slack_mm


def _rect(face: str, z0: float, a0: float, z1: float, a1: float) -> Polygon:
    return rectangle(z0, a0, z1, a1) if face == "side" else rectangle(a0, z0, a1, z1)


def _bands(lines: Lines, face: str, at_mm: float, z0: float, a0: float, z1: float, a1: float) -> Geometry:
    """The strips of a section in which a joist is over the plate."""
    spans = [
        (center - lines.plate_mm - lines.half_mm, center - lines.plate_mm + lines.half_mm)
        for center in lines.centres_mm
    ]
    if lines.axis == "z":
        return union_all([_rect(face, low, a0, high, a1) for low, high in spans])
    if face == "top":
        return union_all([_rect(face, z0, low, z1, high) for low, high in spans])
    return rectangle(z0, a0, z1, a1) if any(low <= at_mm <= high for low, high in spans) else Polygon()


def _rings(part: Polygon) -> list[tuple[tuple[float, float], ...]]:
    """A polygon as outer rings: with holes it is split at the middle of each hole."""
    if not part.interiors:
        return [tuple((float(x), float(y)) for x, y in part.exterior.coords[:-1])]
    x0, y0, x1, y1 = part.bounds
    middle = Polygon(part.interiors[0]).centroid.x
    halves = (
        part.intersection(rectangle(x0, y0, middle, y1)),
        part.intersection(rectangle(middle, y0, x1, y1)),
    )
    return [
        ring
        for half in halves
        for one in getattr(half, "geoms", [half])
        if isinstance(one, Polygon)
        for ring in _rings(one)
    ]


def search(wanted: Sequence[LensCase], x: ArrayLike, y: ArrayLike) -> tuple[Floats, Floats]:
    """Longest clear stretch of z for every projector, x and y: (n, len(x), len(y)) [mm], and its middle z.

    0 where there is none. Lines along x are heeded; lines along z are not, a stretch then says only what is clear.
    Cost: one pass over the stretches between box ends, each as a whole plane.
    """
    x, y = np.asarray(x, dtype=float), np.asarray(y, dtype=float)
    free, middle = np.zeros((len(wanted), len(x), len(y))), np.zeros((len(wanted), len(x), len(y)))
    for at, one in enumerate(wanted):
        free[at], middle[at] = _stretches(one, x, y)
    return free, middle


def _stretches(wanted: LensCase, x: Floats, y: Floats) -> tuple[Floats, Floats]:
    room = inner_room(wanted)
    plane = reached(wanted, x[:, None], y[None, :]) & ((x >= room.low[0]) & (x <= room.high[0]))[:, None]
    plane &= ((y >= room.low[1]) & (y <= room.high[1]))[None, :]
    if wanted.lines is not None and wanted.lines.axis == "x":
        plane &= held(wanted.lines, x, 0.0)[:, None]
    low, high = room.low[2], room.high[2]
    best, middle = np.zeros(plane.shape), np.zeros(plane.shape)
    if low >= high or not plane.any():
        return best, middle
    boxes = [solid for solid in wanted.grown if solid.low[2] < high and solid.high[2] > low]
    shades = [
        ((x > box.low[0]) & (x < box.high[0]))[:, None] & ((y > box.low[1]) & (y < box.high[1]))[None, :]
        for box in boxes
    ]
    inner = [end for solid in boxes for end in (solid.low[2], solid.high[2]) if low < end < high]
    ends = sorted({low, high, *inner})
    run = np.zeros(plane.shape)
    for start, end in pairwise(ends):
        clear = plane
        for solid, shade in zip(boxes, shades, strict=True):
            if solid.low[2] < end and solid.high[2] > start:
                clear = clear & ~shade
        run = (run + (end - start)) * clear
        longer = run > best
        best = np.where(longer, run, best)
        middle = np.where(longer, end - run / 2.0, middle)
    return best, middle


def freedom(wanted: LensCase, place: tuple[float, float, float]) -> tuple[tuple[float, float], ...] | None:
    """How far the lens may still go from a place along x, y and z, the other two kept: low and high ends [mm].

    None where it cannot be there. Source: the sections through the place, cut by its three lines.
    """
    x, y, z = place
    if not bool(possible(wanted, *place)):
        return None
    side = union_all([Polygon(ring) for ring in section(wanted, "side", x)])
    top = union_all([Polygon(ring) for ring in section(wanted, "top", y)])
    far = 10.0 * FARTHEST_MM
    return (
        _span(top, LineString([(-far, z), (far, z)]), x, 0),
        _span(side, LineString([(z, -far), (z, far)]), y, 1),
        _span(side, LineString([(-far, y), (far, y)]), z, 0),
    )


def _span(area: Geometry, line: LineString, at: float, axis: int) -> tuple[float, float]:
    """The piece of a line inside an area that holds a point; the point alone where the area has no width there."""
    cut = area.intersection(line)
    for piece in getattr(cut, "geoms", [cut]):
        if isinstance(piece, LineString) and not piece.is_empty:
            ends = sorted(point[axis] for point in piece.coords)
            if ends[0] - 1e-6 <= at <= ends[-1] + 1e-6:
                return float(ends[0]), float(ends[-1])
    return at, at
