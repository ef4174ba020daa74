"""Studs as a lattice of centers: any one known stud and the spacing."""

import math
from dataclasses import dataclass

from gantline.core.budget import bounded
from gantline.core.errors import require_not_negative, require_positive

MOST_STUDS = 2000  # 100 m of wall at the least spacing has 1,000


@dataclass(frozen=True, slots=True, kw_only=True)
class StudLattice:
    """Stud centers x_k = known + k spacing, k any whole number [mm from the left wall end], on a wall wall_mm wide.

    known_mm: any stud that was found; there are studs on both sides of it. Raises OutOfRange unless spacing, stud
    width and wall width are > 0 and known >= 0.  Leaves out: openings and doubled studs.
    """

    known_mm: float
    spacing_mm: float
    stud_mm: float
    wall_mm: float

    def __post_init__(self) -> None:
        require_positive(spacing_mm=self.spacing_mm, stud_mm=self.stud_mm, wall_mm=self.wall_mm)
        require_not_negative(known_mm=self.known_mm)

    @property
    def centres_mm(self) -> tuple[float, ...]:
        """Every stud center on the wall, from the left."""
        low = math.ceil(-self.known_mm / self.spacing_mm - 1e-9)
        high = math.floor((self.wall_mm - self.known_mm) / self.spacing_mm + 1e-9)
        bounded(high - low + 1, MOST_STUDS, "studs", "stud_spacing_mm")
        return tuple(self.known_mm + k * self.spacing_mm for k in range(low, high + 1))

    def steps(self, x_mm: float) -> int:
        """How many spacings a stud's center lies right of the known one."""
        return round((x_mm - self.known_mm) / self.spacing_mm)

    def off_mm(self, x_mm: float) -> float:
        """From the nearest stud of the lattice to x, + to the right [mm]."""
        return (x_mm - self.known_mm + self.spacing_mm / 2.0) % self.spacing_mm - self.spacing_mm / 2.0


def off_center_mm(stud_mm: float, edge_mm: float) -> float:
    """How far off a stud's center a screw may stand and keep its distance from the edge [mm]; 0 where a stud is too narrow.

    Args: stud, the face width; edge, the least distance of a screw's center from the edge.
    """
    return max(0.0, stud_mm / 2.0 - edge_mm)
