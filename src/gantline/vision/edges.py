"""The frame's inner edges in a photo, told from the edges of the light.

Light on fabric is the room's, and the projector's too where the picture lies; on a dark border it is a small part of that,
inside the picture and outside. So the frame begins where the light falls far below what fabric would show there, whether the
picture ends inside the frame or runs past it; the picture's own edge is where the markers say it is. Where what lies beyond the
light may be a gray border or fabric in shade, and something darker follows farther out, both edges are answers.
Leaves out: borders more than 0.4 as bright as the fabric, which are refused.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product

import cv2
import numpy as np

from gantline.vision.lens import Lens
from gantline.vision.markers import Array, used_of
from gantline.vision.seen import Light, Seen, line
from gantline.vision.untrusted import Untrusted

SIDES = ("top", "right", "bottom", "left")
WAYS, ALONG = 48, 520
INSIDE, OUTSIDE = 0.06, 0.2  # of the picture: from within the markers' white rim outward
ZONE_PX = 5.0  # about the picture's edge, where light ends and markers may be a little off
DARK = 0.5  # of what fabric shows there: below it begins the border
SURE = (
    0.2,
    0.42,
)  # of unlit fabric, next to the picture: below is border, above fabric, between nobody knows
DEEP = 0.25
LEAST_ROOM = 0.008  # of white, that unlit fabric must show
CHUNKS, TOGETHER = 36, 8
REACH_PX = 14.0
STEP_PX = 0.5
FAR_PX = 6.5  # two edges nearer than this are fitted together
LEAST_SHARE = 0.4  # of an edge's chunks must be clear
MOST_OFF_PX = 1.0
ENDS = 0.05
NEAR_RIM = 0.004


@dataclass(frozen=True, slots=True, kw_only=True)
class Edges:
    """The frame's inner corners in the straightened photo (4, 2), clockwise from the upper left, and how far the places that were
    read lie off their lines [px]. outer: of each side, whether this is the outer one of two edges that may be the frame's."""

    corners: Array
    off_px: float
    outer: tuple[bool, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Edge:
    """One edge that may be the frame's, fitted: its line, and how far the places that were read lie off it [px]."""

    line: Array
    off_px: float
    outer: bool


def frame_edges(light: Light, lens: Lens, panel: Array, marks: Seen) -> tuple[Edges, ...]:
    """The frame's inner edges; several answers where a side has two that may be the frame's.

    Raises: Untrusted, by what is to be done.
    """
    white, black = float(np.median(marks.white)), float(np.median(marks.black))
    if black < LEAST_ROOM * white:
        raise Untrusted(
            "The room is too dark: outside the picture, fabric and border look the same. Switch some light on.",
            field="photo",
        )
    rough = [_rough(light, lens, panel, side, white, black) for side in range(4)]
    first = [lines[0] for lines in rough]
    _within(_met(first), lens, light.shape)
    fitted = []
    for side, lines in enumerate(rough):
        ends = [_met([*first[:side], one, *first[side + 1 :]]) for one in lines]
        profiles = [_chunks(light, lens, panel, corners, side, white, black) for corners in ends]
        fitted.append(_clear([_fine(points) for points in profiles], side))
    answers, trouble = [], None
    for edges in product(*fitted):
        corners = _met([edge.line for edge in edges])
        try:
            _within(corners, lens, light.shape)
        except Untrusted as error:
            trouble = error
            continue
        off = float(np.mean([edge.off_px for edge in edges]))
        answers.append(Edges(corners=corners, off_px=off, outer=tuple(edge.outer for edge in edges)))
    if trouble is not None and not answers:
        raise trouble
    return tuple(answers)


def _fine(points: Array) -> tuple[Array, float] | None:
    """The line through the places of an edge, and how far they lie off it [px]; None where too few are clear."""
    kept = voted(points, 1.2) if len(points) >= CHUNKS * LEAST_SHARE else points[:0]
    return line(kept) if len(kept) >= CHUNKS * LEAST_SHARE else None


def _clear(fits: Sequence[tuple[Array, float] | None], side: int) -> list[Edge]:
    """Those edges of a side that are clear and straight, from the inside outward.  Raises: Untrusted where none is."""
    edges = [
        Edge(line=fit[0], off_px=fit[1], outer=number > 0)
        for number, fit in enumerate(fits)
        if fit is not None and fit[1] <= MOST_OFF_PX
    ]
    if not edges:
        bent = any(fit is not None for fit in fits)
        what = "is not straight in the photo" if bent else "is not seen well"
        raise Untrusted(
            f"The {SIDES[side]} edge of the frame {what}: take away what glares or hides it.", field="photo"
        )
    return edges


def _met(lines: Sequence[Array]) -> Array:
    met = np.array([np.cross(lines[side - 1], lines[side]) for side in range(4)])
    corners: Array = met[:, :2] / met[:, 2:3]
    return corners


def _within(corners: Array, lens: Lens, shape: tuple[int, ...]) -> None:
    shown, rim = lens.bent(corners), NEAR_RIM * max(shape)
    if bool(np.any(shown < rim)) or bool(np.any(shown > np.array(shape[1::-1]) - rim)):
        raise Untrusted("A corner of the screen is out of the photo: step back.", field="photo")


def _on_panel(side: int, along: Array, out: Array, panel: Array) -> Array:
    """Panel points so far along a side of the picture, and so far within it (- beyond it), shares of the picture."""
    u, v = along, out
    there = (u, v) if side == 0 else (1.0 - v, u) if side == 1 else (u, 1.0 - v) if side == 2 else (v, u)
    at: Array = panel[0] + np.stack(there, axis=-1) * np.array(used_of(panel))
    return at


def _sampled(light: Light, at: Array) -> Array:
    """Light at places; NaN beyond the photo."""
    h, w = light.shape
    levels = cv2.remap(light, at[..., 0].astype(np.float32), at[..., 1].astype(np.float32), cv2.INTER_LINEAR)
    inside = (at[..., 0] >= 0) & (at[..., 0] <= w - 1) & (at[..., 1] >= 0) & (at[..., 1] <= h - 1)
    out: Array = np.where(inside, levels, np.nan)
    return out


def _rough(
    light: Light, lens: Lens, panel: Array, side: int, white: float, black: float
) -> tuple[Array, ...]:
    """The line of one inner edge, roughly, in the straightened photo; two where either of two may be it, from the inside out."""
    share = np.linspace(0.08, 0.92, WAYS)
    out = np.linspace(INSIDE, -OUTSIDE, ALONG)
    u, v = np.meshgrid(share, out, indexing="ij")
    straight = _carried(lens.onto, _on_panel(side, u, v, panel))
    levels = _sampled(light, lens.bent(straight))
    px = float(np.linalg.norm(np.diff(straight, axis=1), axis=2).mean())
    zone = max(2, round(ZONE_PX / px))
    edge = int(np.argmin(np.abs(out)))
    ways = [_begins(profile, edge, zone, white, black) for profile in levels]
    if ways.count("beyond") > WAYS // 3:
        raise Untrusted("The photo ends before the frame does: step back.", field="photo")
    if ways.count("unsure") > WAYS // 3:
        raise Untrusted(
            f"The border at the {SIDES[side]} is too light to be told from fabric in shade: set the corners by hand.",
            field="photo",
        )
    doubtful = sum(isinstance(at, tuple) and len(at) > 1 for at in ways) > WAYS // 3
    return tuple(
        _through(
            np.array([straight[way, at[which]] for way, at in enumerate(ways) if isinstance(at, tuple)]), side
        )
        for which in ((0, -1) if doubtful else (-1,))
    )


def _through(points: Array, side: int) -> Array:
    """The line through the places where the border begins.  Raises: Untrusted."""
    if len(points) < WAYS // 2:
        raise Untrusted(
            f"The {SIDES[side]} edge of the frame is not found: the border does not stand out from the fabric.",
            field="photo",
        )
    kept = voted(points, 6.0)
    if len(kept) < WAYS // 3:
        raise Untrusted(
            f"The {SIDES[side]} edge of the frame is not seen well: take away what glares or hides it.",
            field="photo",
        )
    return line(kept)[0]


def _begins(profile: Array, edge: int, zone: int, white: float, black: float) -> tuple[int, ...] | str:
    """At which place of a way, from inside the light outward, the border begins; two places where either may be it.

    Args: edge, the place where the light ends; zone, places about it that say nothing; white, black, light of the picture's white
        and of unlit fabric. Returns: why not, in a word.
    """
    lit = profile[: edge - zone]
    if not np.isfinite(lit).any():
        return "beyond"
    here = float(np.nanmedian(lit[: max(4, len(lit) // 2)]))
    if not here > 0.3 * white:
        return "hidden"
    dark = np.nonzero(lit < DARK * here)[0]
    if len(dark) > 2:
        return (int(dark[0]),)
    past = profile[edge + zone :]
    if not np.isfinite(past[:zone]).all():
        return "beyond"
    first = float(np.median(past[:zone]))
    if first < SURE[0] * black:
        return (edge,)  # the frame is where the light ends
    level = first
    fall = (
        DARK if first >= SURE[1] * black else DEEP
    )  # what may be a gray border is fabric only where a far darker one follows
    for number in range(len(past) - 3):
        if math.isnan(past[number + 2]):
            return "beyond"
        if float(np.median(past[number : number + 3])) < fall * level:
            place = edge + zone + number
            return (place,) if first >= SURE[1] * black else (edge, place)
        level = 0.9 * level + 0.1 * float(past[number])
    return "unsure" if first < SURE[1] * black else "none"


def _carried(onto: Array, at: Array) -> Array:
    flat = np.concatenate([at.reshape(-1, 2), np.ones((at.size // 2, 1))], axis=1) @ onto.T
    out: Array = (flat[:, :2] / flat[:, 2:3]).reshape(at.shape)
    return out


def voted(points: Array, within: float) -> Array:
    """The points near the line through two of them that has most points near it."""
    best = points[:0]
    count = len(points)
    for a in range(0, count, max(1, count // 16)):
        for b in range(a + max(1, count // 3), count, max(1, count // 16)):
            along = points[b] - points[a]
            length = float(np.hypot(*along))
            if length < 1.0:
                continue
            off = np.abs((points - points[a]) @ np.array([-along[1], along[0]])) / length
            near = points[off <= within]
            if len(near) > len(best):
                best = near
    return best


def _chunks(
    light: Light, lens: Lens, panel: Array, rough: Array, side: int, white: float, black: float
) -> Array:
    """Places of one inner edge to a fraction of a pixel, in the straightened photo (n, 2)."""
    a, b = rough[side], rough[(side + 1) % 4]
    along = (b - a) / np.linalg.norm(b - a)
    inward = np.array([-along[1], along[0]])  # clockwise with y down: the inside is on the right of the way
    share = np.linspace(ENDS, 1.0 - ENDS, CHUNKS * TOGETHER)
    base = a + share[:, None] * (b - a)
    offsets = np.arange(-REACH_PX, REACH_PX + STEP_PX / 2.0, STEP_PX)
    levels = _sampled(light, lens.bent(base[:, None, :] + offsets[None, :, None] * inward))
    together = levels.reshape(CHUNKS, TOGETHER, -1).mean(axis=1)
    middles = base.reshape(CHUNKS, TOGETHER, 2).mean(axis=1)
    # how far inside of the rough line the picture ends, there
    ends = _carried(lens.onto, panel[[side, (side + 1) % 4]])
    normal = np.array([-(ends[1] - ends[0])[1], (ends[1] - ends[0])[0]]) / np.linalg.norm(ends[1] - ends[0])
    picture = ((ends[0] - middles) @ normal) / (inward @ normal)
    found = []
    for middle, profile, light_ends in zip(middles, together, picture, strict=True):
        if np.isnan(profile).any():
            continue
        place = _edge(offsets, profile, float(light_ends), white, black)
        if place is not None:
            found.append(middle + place * inward)
    return np.array(found).reshape(-1, 2)


def _edge(offsets: Array, profile: Array, light_ends: float, white: float, black: float) -> float | None:
    """Where border meets fabric on one profile, from outside inward [px]; None where it is not clear."""
    outer = float(np.median(profile[:10]))
    if abs(light_ends) > FAR_PX:
        reach = min(abs(light_ends) - 2.5, 9.0)
        near = (
            (offsets >= 3.0) & (offsets <= reach + 0.5)
            if light_ends > 0.0
            else (offsets >= 3.0) & (offsets <= 9.0)
        )
        outside = (
            (offsets <= -3.0) & (offsets >= -min(9.0, REACH_PX))
            if light_ends > 0.0
            else (offsets <= -2.5) & (offsets >= -reach)
        )
        inner, outer = float(np.median(profile[near])), float(np.median(profile[outside]))
        wanted = black if light_ends > 0.0 else white
        if not (inner > 0.15 * wanted and outer < 0.6 * inner):
            return None
        return _half(offsets, profile, (inner + outer) / 2.0)
    return _both(offsets, profile, light_ends, outer, black)


def _half(offsets: Array, profile: Array, level: float) -> float | None:
    """Where it rises past a level, nearest to the rough line."""
    above = profile >= level
    rises = np.nonzero(above[1:] & ~above[:-1])[0]
    if len(rises) == 0:
        return None
    at = rises[np.argmin(np.abs(offsets[rises]))]
    low, high = profile[at], profile[at + 1]
    return float(offsets[at] + (level - low) / (high - low) * STEP_PX)


def _both(offsets: Array, profile: Array, light_ends: float, outer: float, black: float) -> float | None:
    """The frame's edge and the light's, so near that each blurs into the other: both are fitted, in either order."""
    from scipy.optimize import least_squares
    from scipy.special import ndtr

    inner = float(np.median(profile[-6:]))
    if outer > 0.5 * inner:
        return None
    dark = min(outer / max(black, 1e-6), 1.0)  # of the border, against fabric
    held = 0.6  # how well the markers say where the light ends [px]
    best: tuple[float, float] | None = None
    for start in (light_ends - 2.0, light_ends, light_ends + 2.0):

        def misses(numbers: Array) -> Array:
            frame, ends, wide = numbers
            wide = abs(wide) + 0.2
            low, high = (frame, ends) if frame <= ends else (ends, frame)
            between = black if frame <= ends else dark * inner
            made = (
                outer
                + (between - outer) * ndtr((offsets - low) / wide)
                + (inner - between) * ndtr((offsets - high) / wide)
            )
            noise = 0.01 * inner + 0.03 * profile
            return np.concatenate(
                [(made - profile) / noise, [(ends - light_ends) / held, (wide - 1.0) / 0.6]]
            )

        fit = least_squares(misses, [start, light_ends, 1.0], method="lm", max_nfev=60)
        if best is None or fit.cost < best[0]:
            best = (float(fit.cost), float(fit.x[0]))
    return best[1] if best is not None and best[0] < 6.0 * len(offsets) else None
