"""Whether four corners in a photo can be those of a rectangle of a known size, seen by a phone.

Where a frame's edge has been taken for another, the corners are of another rectangle, whose sides are in another proportion; a
phone, whose focal length is about known and whose pixels are square, would show it otherwise.
Source: pinhole, least squares over the phone's place, its turn, its focal length and the middle of its lens.
Leaves out: a frame that is out of square by itself; a wrong edge on all sides that keeps the proportion.
"""

import cv2
import numpy as np

from gantline.vision.markers import Array

FOCAL, SPREAD = 0.83, 0.15  # of a photo's longer side, as phones have it, and how far they differ
OFF = 0.006  # how far a lens's middle lies off the photo's, shares of the longer side
CORNER_PX = 1.0  # how well a corner is known
DECIDES = 9.0  # how much odder an answer must be than another to be none: three standard deviations


def oddness(corners: Array, size: Array, middle: Array) -> float:
    """How far such corners are from what a phone would show of that rectangle: a sum of squares, each of one standard deviation.

    Args: corners (4, 2) in the straightened photo [px]; size, the rectangle's corners (4, 2) about its middle, y up; middle of
    the photo [px].
    """
    from scipy.optimize import least_squares  # slow to import, needed only here

    longer = 2.0 * float(max(middle))
    plane = np.column_stack([size[:, 0], -size[:, 1], np.zeros(4)]) / float(np.abs(size).max())
    inner = np.array([[FOCAL * longer, 0.0, middle[0]], [0.0, FOCAL * longer, middle[1]], [0.0, 0.0, 1.0]])
    _, turn, shift = cv2.solvePnP(plane, corners, inner, None, flags=cv2.SOLVEPNP_ITERATIVE)

    def misses(numbers: Array) -> Array:
        at = plane @ cv2.Rodrigues(numbers[:3])[0].T + numbers[3:6]
        focal = FOCAL * longer * np.exp(SPREAD * numbers[6])
        shown = middle + OFF * longer * numbers[7:] + focal * at[:, :2] / at[:, 2:]
        return np.concatenate([((shown - corners) / CORNER_PX).ravel(), numbers[6:]])

    start = np.concatenate([turn.ravel(), shift.ravel(), np.zeros(3)])
    return 2.0 * float(least_squares(misses, start, method="lm", max_nfev=200).cost)
