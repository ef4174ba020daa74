"""How a phone's lens bends, and the map from the panel to the straightened photo, from the corners of the markers.

Model: x_u = x_d (1 + k1 r² + k2 r⁴) + the two tangential terms p1, p2, about the photo's middle, r in half diagonals.
Source: least squares over the map's eight numbers and the four terms, which are held near none as far as phones bend.
Leaves out: a rolling shutter.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.align.cast import carried, homography
from gantline.vision.markers import Array, Marker
from gantline.vision.untrusted import Untrusted

USUAL = np.array([0.15, 0.05, 0.006, 0.006])  # how far k1, k2, p1, p2 of phones lie from none
SEEN_PX = 0.15  # how well a marker's corner is read
MOST_MARKER_PX = 1.2
WORST = 3.0  # times the others' misfit, a corner is left out


@dataclass(frozen=True, slots=True, kw_only=True)
class Lens:
    """A lens that was fitted: its four terms, the photo's middle and half diagonal [px], the map (3, 3) from panel shares to the
    straightened photo, and what the markers' corners miss it by [px]."""

    terms: Array
    middle: Array
    scale: float
    onto: Array
    misfit_px: float

    def straight(self, points: Array) -> Array:
        """Photo points as a lens that bends nothing would show them."""
        off = (points - self.middle) / self.scale
        x, y = off[..., 0], off[..., 1]
        k1, k2, p1, p2 = self.terms
        r = x * x + y * y
        grow = 1.0 + k1 * r + k2 * r * r
        made = np.stack(
            [
                x * grow + 2.0 * p1 * x * y + p2 * (r + 2.0 * x * x),
                y * grow + p1 * (r + 2.0 * y * y) + 2.0 * p2 * x * y,
            ],
            axis=-1,
        )
        out: Array = self.middle + made * self.scale
        return out

    def bent(self, points: Array) -> Array:
        """The way back, by iteration."""
        point = points.copy()
        for _ in range(15):
            point = point - (self.straight(point) - points)
        return point


def fitted(seen: Sequence[int], at: Array, shape: tuple[int, ...], there: Sequence[Marker]) -> Lens:
    """The lens and the map.

    Args: seen, numbers of the markers; at, their corners in the photo (n, 4, 2) [px]; shape of the photo; there, all markers.
    Raises: Untrusted where they do not fit one plane.
    """
    from scipy.optimize import least_squares  # slow to import, needed only here

    on_panel = {marker.number: marker.corners for marker in there}
    panel = np.array([on_panel[number] for number in seen]).reshape(-1, 2)
    points = at.reshape(-1, 2)
    middle = (np.array(shape[1::-1]) - 1.0) / 2.0
    scale = float(np.linalg.norm(middle))
    start = homography(panel[[0, 1, 2, 3]], points[[0, 1, 2, 3]]) if len(points) == 4 else _map(panel, points)
    kept = np.ones(len(points), dtype=bool)

    def lens(numbers: Array) -> Lens:
        return Lens(
            terms=numbers[8:] * USUAL,
            middle=middle,
            scale=scale,
            onto=np.append(numbers[:8], 1.0).reshape(3, 3),
            misfit_px=0.0,
        )

    def misses(numbers: Array) -> Array:
        fit = lens(numbers)
        off = (carried(fit.onto, panel) - fit.straight(points)) / SEEN_PX
        return np.concatenate([off[kept].ravel(), numbers[8:]])

    numbers = np.concatenate([(start / start[2, 2]).ravel()[:8], np.zeros(4)])
    steps = np.concatenate([np.abs(numbers[:8]) + 1e-3, np.ones(4)])
    for _ in range(2):
        numbers = least_squares(misses, numbers, x_scale=steps, method="trf").x
        off = np.hypot(*(carried(lens(numbers).onto, panel) - lens(numbers).straight(points)).T)
        usual = max(float(np.median(off)), SEEN_PX / 3.0)
        kept = off <= max(WORST * 1.5 * usual, 2.0 * SEEN_PX)
    misfit = float(np.sqrt(np.mean(off[kept] ** 2)))
    if misfit > MOST_MARKER_PX or kept.sum() < 0.75 * len(kept):
        raise Untrusted(
            "The markers do not stand as this job casts them. Does the projector show another job's picture? Cast “For a photo” "
            "from this job. Else hold the phone still, and see that the fabric is flat and nothing hides it.",
            field="photo",
        )
    fit = lens(numbers)
    return Lens(terms=fit.terms, middle=middle, scale=scale, onto=fit.onto, misfit_px=misfit)


def _map(panel: Array, points: Array) -> Array:
    import cv2

    made, _ = cv2.findHomography(panel, points, 0)
    if made is None:
        raise Untrusted(
            "The markers do not fit one plane: read the screen from nearer to its middle.", field="photo"
        )
    return np.asarray(made, dtype=np.float64)
