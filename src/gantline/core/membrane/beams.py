"""Rails that bow under the pull and rods that stiffen a hem, as bending stiffness between places along a side."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
NEAR_MM = 1e-3


def bending(at_mm: Sequence[float], stiffness: float) -> Floats:
    """K (n, n) [N/mm] of a beam through places that may move sideways; its ends turn freely.

    Args: at_mm, ascending places [mm]; stiffness, E times I [N mm2].
    Returns: K with energy = w K w / 2.  Raises: nothing; fewer than three places do not bend.
    Source: curvature from three neighbors each, times the length that belongs to the middle one.
    Leaves out: shear of the beam, twist.
    """
    at = np.asarray(at_mm, float)
    stiff = np.zeros((len(at), len(at)))
    for k in range(1, len(at) - 1):
        before, after = at[k] - at[k - 1], at[k + 1] - at[k]
        own = (before + after) / 2.0
        curve = np.zeros(len(at))
        curve[k - 1], curve[k + 1] = 1.0 / (before * own), 1.0 / (after * own)
        curve[k] = -curve[k - 1] - curve[k + 1]
        stiff += stiffness * own * np.outer(curve, curve)
    return stiff


def rail(at_mm: Sequence[float], length_mm: float, supports_mm: Sequence[float], stiffness: float) -> Floats:
    """K (n, n) [N/mm] for the inward bow of a rail at its points, held at both ends and at its supports.

    Args: at_mm, the points, ascending, anywhere from 0 to length_mm; supports_mm, braces and bars; stiffness, E times I.
    Returns: K; a point that lies on a support hardly moves.  Source: bending(), the places that cannot move left out.
    Leaves out: how far a brace is pressed together; the rail is one piece through all its supports.
    """
    fixed = [0.0, *supports_mm, length_mm]
    between = [place for place in at_mm if min(abs(place - stop) for stop in fixed) > NEAR_MM]
    places = sorted([*fixed, *between])
    whole = bending(places, stiffness)
    free = [places.index(place) for place in between]
    firm = 1e3 * max(1.0, float(np.abs(whole).max(initial=0.0)))
    out = np.diag(np.full(len(at_mm), firm))
    own = [k for k, place in enumerate(at_mm) if place in set(between)]
    out[np.ix_(own, own)] = whole[np.ix_(free, free)]
    return out
