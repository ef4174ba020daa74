"""What a seat sees: points of the room in true perspective, through a pinhole at the eye.

World: x right, y up, z out of the wall [mm], eye at z > 0 looking towards the wall. The picture plane
stands square to the line of sight, so nothing is stretched off its axis more than an eye would see it
on a flat print held at the same angle. Left out: what lies behind the eye, which is clipped away.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange

Array = NDArray[np.float64]
NEAR_MM = 50.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Pinhole:
    """An eye (3,) and the point (3,) it looks at [mm]. Raises OutOfRange if they are the same."""

    eye: Array
    target: Array

    def __post_init__(self) -> None:
        if float(np.linalg.norm(self.target - self.eye)) < 1.0:
            raise OutOfRange("the eye must be away from what it looks at", field="target")

    @property
    def axes(self) -> Array:
        """Rows right, up, forward of the picture plane (3, 3); the horizon stays level."""
        forward = self.target - self.eye
        forward = forward / np.linalg.norm(forward)
        right = np.cross(forward, np.array([0.0, 1.0, 0.0]))
        right = right / np.linalg.norm(right)
        return np.stack([right, np.cross(right, forward), forward])


def project(view: Pinhole, polygon: Array) -> Array:
    """A polygon (n, 3) on the picture plane at unit distance, (m, 2): tangents of the angles off the axis.

    Clipped to what lies in front of the eye; empty (0, 2) if nothing does.
    Source: (right . d, up . d) / (forward . d), d from the eye.
    """
    local = (polygon - view.eye) @ view.axes.T
    kept = _clip(local)
    return kept[:, :2] / kept[:, 2:3] if len(kept) else np.empty((0, 2))


def _clip(local: Array) -> Array:
    """Sutherland-Hodgman against the near plane."""
    out = []
    for here, after in zip(local, np.roll(local, -1, axis=0), strict=True):
        inside, next_inside = here[2] >= NEAR_MM, after[2] >= NEAR_MM
        if inside:
            out.append(here)
        if inside != next_inside:
            share = (NEAR_MM - here[2]) / (after[2] - here[2])
            out.append(here + share * (after - here))
    return np.array(out, dtype=float).reshape(-1, 3)
