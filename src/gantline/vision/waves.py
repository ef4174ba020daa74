"""Wrinkles in a photo that was taken with a lamp along the face: proposed as lines, for somebody to correct.

Light along a face makes each wave bright on the side that faces the lamp and dark on the other. So the photo is laid flat by the
frame's four corners, slow changes of brightness are taken out, and the edges between bright and dark are read as segments; those
that run along each other within a hand's breadth are one wave.
Source: OpenCV's line segment detector on brightness relative to its surroundings.
Leaves out: waves that run straight toward the lamp, which throw no shade; how high a wave is; anything printed on the cloth.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from gantline.vision.markers import Image
from gantline.vision.untrusted import Untrusted

Array = NDArray[np.float64]
PX_MM = 2.5  # of the flat picture
SLOW_MM, FINE_MM = 90.0, 7.0  # brightness that changes more slowly is the lamp's, more quickly the weave's
LEAST_MM = 110.0  # a shorter segment is no wave
BESIDE_MM, TURNED_DEG, APART_MM = 110.0, 14.0, 160.0  # segments so near are of one wave: both its flanks
EDGE_MM = 30.0  # along the frame's edge lies its own shade
LEAST_SHADE = 0.04  # from bright to dark: a wave of half a millimeter, lit from 8°, has three times that
TIMES_NOISE = 4.0
MOST = 12
FAINT, DEEP = 0.35, 0.75  # of the plainest wave
LEAST_SIDE_PX = 200.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Wave:
    """A wave as it may be drawn: from one end to the other [mm from the frame's lower left corner as the photo has it, y up], and
    how bad: 1 faint, 2 plain, 3 deep; shade: from bright to dark, a share of the brightness around."""

    from_mm: tuple[float, float]
    to_mm: tuple[float, float]
    bad: int
    shade: float


def waves(image: Image, corners_px: Array, width_mm: float, height_mm: float) -> tuple[Wave, ...]:
    """The waves that are seen, the plainest first, at most twelve.

    Args: image, gray (height, width); corners_px (4, 2), its frame's corners, clockwise from the upper left; size of the frame.
    Raises: Untrusted where the corners span no frame.
    """
    shade = _shade(_flat(image, corners_px, width_mm, height_mm))
    noise = 1.4826 * float(np.median(np.abs(shade - np.median(shade))))
    scaled = np.clip(128.0 + shade * (100.0 / max(6.0 * noise, LEAST_SHADE)), 0.0, 255.0).astype(np.uint8)
    found = cv2.createLineSegmentDetector(cv2.LSD_REFINE_STD, scale=0.5).detect(scaled)[0]
    segments = np.zeros((0, 4)) if found is None else np.asarray(found, dtype=float).reshape(-1, 4) * PX_MM
    size = np.array([width_mm, height_mm])
    kept = [one.reshape(2, 2) for one in segments if _counts(one.reshape(2, 2), size)]
    lines = [_joined(group) for group in _grouped(kept)]
    lines = [_joined(group) for group in _grouped(lines)]  # both flanks of a wave, now that each is one line
    told = [(line, _contrast(shade, line)) for line in lines if np.hypot(*(line[1] - line[0])) >= LEAST_MM]
    seen = [(line, deep) for line, deep in told if deep >= max(LEAST_SHADE, TIMES_NOISE * noise)]
    seen.sort(key=lambda pair: -pair[1] * math.sqrt(float(np.hypot(*(pair[0][1] - pair[0][0])))))
    plainest = max((deep for _, deep in seen), default=1.0)
    return tuple(
        Wave(
            from_mm=(float(line[0, 0]), height_mm - float(line[0, 1])),
            to_mm=(float(line[1, 0]), height_mm - float(line[1, 1])),
            bad=1 if deep < FAINT * plainest else 3 if deep > DEEP * plainest else 2,
            shade=deep,
        )
        for line, deep in seen[:MOST]
    )


def _flat(image: Image, corners_px: Array, width_mm: float, height_mm: float) -> NDArray[np.float32]:
    """The sheet as seen straight on, PX_MM a pixel.  Raises: Untrusted."""
    sides = np.hypot(*(np.roll(corners_px, -1, axis=0) - corners_px).T)
    turns = [_turn(corners_px[at - 1], corners_px[at], corners_px[(at + 1) % 4]) for at in range(4)]
    if min(sides) < LEAST_SIDE_PX or min(turns) <= 0.0:
        raise Untrusted(
            "The four corners span no frame: put each on its own corner, from the upper left clockwise.",
            field="corners",
        )
    wide, high = round(width_mm / PX_MM), round(height_mm / PX_MM)
    square = np.array([(0, 0), (wide, 0), (wide, high), (0, high)], dtype=np.float32)
    onto = cv2.getPerspectiveTransform(corners_px.astype(np.float32), square)
    flat = cv2.warpPerspective(
        image, onto, (wide, high), flags=cv2.INTER_AREA, borderMode=cv2.BORDER_REPLICATE
    )
    return np.asarray(flat, dtype=np.float32)


def _turn(before: Array, at: Array, after: Array) -> float:
    """Above 0 where a way turns right, with y down."""
    (ax, ay), (bx, by) = at - before, after - at
    return float(ax * by - ay * bx)


def _shade(flat: NDArray[np.float32]) -> Array:
    """How much brighter than its surroundings, a share; the weave smoothed away."""
    slow = cv2.GaussianBlur(flat, (0, 0), SLOW_MM / PX_MM)
    fine = cv2.GaussianBlur(flat, (0, 0), FINE_MM / PX_MM)
    shade: Array = np.asarray((fine - slow) / np.maximum(slow, 4.0), dtype=float)
    return shade


def _counts(segment: Array, size: Array) -> bool:
    """Whether a segment may be of a wave: long enough, and not along the frame's own edge."""
    if np.hypot(*(segment[1] - segment[0])) < LEAST_MM / 3.0:
        return False
    near = np.minimum(segment, size - segment).min(axis=1)
    return bool(near.max() > EDGE_MM)


def _way(segment: Array) -> float:
    """Its direction, from 0 to pi."""
    along = segment[1] - segment[0]
    return float(math.atan2(along[1], along[0]) % math.pi)


def _near(one: Array, other: Array) -> bool:
    """Whether two segments may be of one wave: alike in direction, beside each other, with a small gap along."""
    turned = abs(_way(one) - _way(other))
    if math.degrees(min(turned, math.pi - turned)) > TURNED_DEG:
        return False
    along = one[1] - one[0]
    along = along / np.hypot(*along)
    off = other - one.mean(axis=0)
    if float(np.abs(off @ np.array([-along[1], along[0]])).min()) > BESIDE_MM:
        return False
    half, places = float(np.hypot(*(one[1] - one[0]))) / 2.0, np.sort(off @ along)
    return bool(places[0] - half <= APART_MM and -half - places[1] <= APART_MM)


def _grouped(segments: Sequence[Array]) -> list[list[Array]]:
    """Segments of one wave together: whoever is near to one of a group belongs to it, the longest begin."""
    left = sorted(segments, key=lambda one: -float(np.hypot(*(one[1] - one[0]))))
    groups = []
    while left:
        group, left = [left[0]], left[1:]
        lead = group[0]
        group += [one for one in left if _near(lead, one)]
        left = [one for one in left if not _near(lead, one)]
        groups.append(group)
    return groups


def _joined(group: Sequence[Array]) -> Array:
    """One line for a group (2, 2): along its longest segment, as far as any of them reaches."""
    points = np.concatenate(list(group))
    weights = np.repeat([np.hypot(*(one[1] - one[0])) for one in group], 2)
    middle = np.average(points, axis=0, weights=weights)
    spread = ((points - middle) * weights[:, None]).T @ (points - middle)
    along = np.linalg.eigh(spread)[1][:, -1]
    places = (points - middle) @ along
    return np.array([middle + places.min() * along, middle + places.max() * along])


def _contrast(shade: Array, line: Array) -> float:
    """From bright to dark across a line, along its middle half, a share."""
    along = (line[1] - line[0]) / np.hypot(*(line[1] - line[0]))
    across = np.array([-along[1], along[0]])
    at = line[0] + np.linspace(0.25, 0.75, 25)[:, None] * (line[1] - line[0])
    off = np.arange(-BESIDE_MM, BESIDE_MM + 1.0, 5.0)
    places = (at[:, None, :] + off[None, :, None] * across) / PX_MM
    levels = cv2.remap(
        shade.astype(np.float32), places[..., 0].astype(np.float32), places[..., 1].astype(np.float32), cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )  # fmt: skip
    return float(np.ptp(levels.mean(axis=0)))
