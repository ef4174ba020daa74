"""The markers in a photo: which are seen, their corners to a fraction of a pixel, and the light on them.

A corner is where two sides of the black square meet; a side is a line through the places where the light is half way between
black and white, in linear light, where blur moves nothing.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from gantline.vision.markers import CELLS, DICTIONARY, Array, Image, Marker
from gantline.vision.untrusted import Untrusted

Light = NDArray[np.float32]
"""A photo in linear light, 1 where it clips."""

LEAST_MARKERS = 8
DARKEST = 0.006  # of the full scale, what white must come to
ALONG = 21  # places along a side
REACH = 0.42  # of a cell, searched across a side
STEP_PX = 0.5
LEAST_SIDE_PX = 24.0
MOST_WIDE_PX = 9.0
LINEAR = np.where(
    np.arange(256) <= 10, np.arange(256) / 255.0 / 12.92, ((np.arange(256) / 255.0 + 0.055) / 1.055) ** 2.4
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen:
    """Markers in a photo: their numbers; corners (n, 4, 2) [px] as the lens shows them; light of their black cells and of the
    white about them (n,); over how far one goes to the other [px]."""

    numbers: tuple[int, ...]
    corners: Array
    black: Array
    white: Array
    wide_px: float


def linear(image: Image) -> Light:
    """Gray levels of a file as light."""
    light: Light = LINEAR.astype(np.float32)[image]
    return light


def seen(image: Image, light: Light, there: Sequence[Marker]) -> Seen:
    """The markers.  Raises: Untrusted for too few of them, or too little light."""
    bright = float(np.percentile(light[::8, ::8], 99.0))
    if bright < DARKEST:
        raise Untrusted("The photo is too dark: hold still, or let the phone expose longer.", field="photo")
    stretched = (
        image if image.max() > 120 else cv2.convertScaleAbs(image, alpha=200.0 / max(float(image.max()), 1.0))
    )
    settings = cv2.aruco.DetectorParameters()
    detector = cv2.aruco.ArucoDetector(cv2.aruco.getPredefinedDictionary(DICTIONARY), settings)
    squares, numbers, _ = detector.detectMarkers(stretched)
    wanted = {marker.number for marker in there}
    read = (
        {}
        if numbers is None
        else {
            int(number): square.reshape(4, 2)
            for number, square in zip(np.ravel(numbers), squares, strict=True)
        }
    )
    good = {number: square for number, square in read.items() if number in wanted}
    if not good:
        raise Untrusted(
            "No marker is seen: cast the pattern “For a photo”, and have the whole screen in the photo.",
            field="photo",
        )
    if len(good) < LEAST_MARKERS:
        missing = ", ".join(str(number + 1) for number in sorted(wanted - set(good)))
        raise Untrusted(
            f"Markers {missing} are not seen: hold the phone still, with the whole screen in the photo.",
            field="photo",
        )
    squares_read = [
        (number, _squared(light, np.asarray(square, dtype=float))) for number, square in sorted(good.items())
    ]
    kept = [(number, square) for number, square in squares_read if square is not None]
    wide = float(np.median([square.wide_px for _, square in kept])) if kept else 0.0
    if len(kept) < LEAST_MARKERS or wide > MOST_WIDE_PX:
        raise Untrusted(
            "The markers are not sharp: hold the phone still, and let it focus on the screen.", field="photo"
        )
    return Seen(
        numbers=tuple(number for number, _ in kept),
        corners=np.array([square.corners for _, square in kept]),
        black=np.array([square.black for _, square in kept]),
        white=np.array([square.white for _, square in kept]),
        wide_px=wide,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Square:
    """One marker's black square: its corners (4, 2) [px]; light within its rim and about it; over how far its sides go from one
    to the other, the least sharp one [px]."""

    corners: Array
    black: float
    white: float
    wide_px: float


def _squared(light: Light, square: Array) -> Square | None:
    """A square by its four sides; None where a side is not clear.  Raises: Untrusted for one that is too small."""
    side = float(np.linalg.norm(np.roll(square, -1, axis=0) - square, axis=1).mean())
    if side < LEAST_SIDE_PX:
        raise Untrusted(
            "The screen is too small in the photo: step nearer, or take it with more pixels.", field="photo"
        )
    offsets = np.arange(-REACH * side / CELLS, REACH * side / CELLS + STEP_PX / 2.0, STEP_PX)
    fitted_square: Square | None = None
    for _ in range(2):  # the second time along lines that lie better
        corners = square if fitted_square is None else fitted_square.corners
        sides = [_side(light, corners, number, offsets) for number in range(4)]
        clear = [one for one in sides if one is not None]
        if len(clear) < len(sides):
            return None
        met = np.array([np.cross(clear[number - 1][0], clear[number][0]) for number in range(4)])
        fitted_square = Square(
            corners=met[:, :2] / met[:, 2:3],
            black=float(np.median([one[1] for one in clear])),
            white=float(np.median([one[2] for one in clear])),
            wide_px=max(one[3] for one in clear),
        )
    return fitted_square


def _side(
    light: Light, corners: Array, number: int, offsets: Array
) -> tuple[Array, float, float, float] | None:
    """One side of a square: its line, the light within and without, and over how far it goes from one to the other [px]."""
    a, b = corners[number], corners[(number + 1) % 4]
    along = (b - a) / np.linalg.norm(b - a)
    outward = np.array([along[1], -along[0]])
    if outward @ ((a + b) / 2.0 - corners.mean(axis=0)) < 0.0:
        outward = -outward
    base = a + np.linspace(0.12, 0.88, ALONG)[:, None] * (b - a)
    at = (base[:, None, :] + offsets[None, :, None] * outward).astype(np.float32)
    levels = np.asarray(cv2.remap(light, at[..., 0], at[..., 1], cv2.INTER_LINEAR), dtype=np.float64)
    ends = max(2, len(offsets) // 6)
    black, white = np.median(levels[:, :ends], axis=1), np.median(levels[:, -ends:], axis=1)
    cut = _crossed(levels, (black + white) / 2.0, offsets)
    clear = ~np.isnan(cut) & (white > 1.5 * black + 1e-4)
    if clear.sum() < ALONG // 2:
        return None
    steepest = float(np.max(np.gradient(levels.mean(axis=0), STEP_PX)))
    inner, outer = float(np.median(black)), float(np.median(white))
    made = line(base[clear] + cut[clear, None] * outward)[0]
    return made, inner, outer, (outer - inner) / max(steepest, 1e-9)


def _crossed(levels: Array, half: Array, offsets: Array) -> Array:
    """Where each row first rises past its half level, between its samples; NaN where it does not."""
    above = levels >= half[:, None]
    rise = above[:, 1:] & ~above[:, :-1]
    first = rise.argmax(axis=1)
    rows = np.arange(len(levels))
    low, high = levels[rows, first], levels[rows, first + 1]
    share = (half - low) / np.maximum(high - low, 1e-9)
    out: Array = np.where(rise.any(axis=1), offsets[first] + share * (offsets[1] - offsets[0]), np.nan)
    return out


def line(points: Array) -> tuple[Array, float]:
    """A line (a, b, c) through points, those far off left out, and the others' distance from it [px]."""
    kept = points
    for _ in range(3):
        middle = kept.mean(axis=0)
        _, _, axes = np.linalg.svd(kept - middle, full_matrices=False)
        normal = axes[1]
        off = (points - middle) @ normal
        limit = max(0.4, 2.5 * 1.4826 * float(np.median(np.abs(off))))
        kept = points[np.abs(off) <= limit]
    off = (kept - middle) @ normal
    return np.array([normal[0], normal[1], -float(normal @ middle)]), float(np.sqrt(np.mean(off * off)))
