"""Studs as a lattice of centers: first stud and spacing."""

import math
from dataclasses import dataclass

from gantline.core.errors import require_not_negative, require_positive


@dataclass(frozen=True, slots=True, kw_only=True)
class StudLattice:
    """Stud centers x_k = first + k spacing [mm from the left wall end] on a wall width_mm wide.

    Raises OutOfRange unless spacing, stud width and wall width are > 0 and first >= 0.
    Leaves out: openings and doubled studs.
    """

    first_mm: float
    spacing_mm: float
    stud_mm: float
    wall_mm: float

    def __post_init__(self) -> None:
        require_positive(spacing_mm=self.spacing_mm, stud_mm=self.stud_mm, wall_mm=self.wall_mm)
        require_not_negative(first_mm=self.first_mm)

    @property
    def centres_mm(self) -> tuple[float, ...]:
        """Every stud center on the wall, from the left."""
        count = math.floor((self.wall_mm - self.first_mm) / self.spacing_mm + 1e-9)
        return tuple(self.first_mm + k * self.spacing_mm for k in range(count + 1))

    def nearest(self, x_mm: float) -> int | None:
        """Index of the stud nearest to x [mm], None on a wall without studs."""
        centers = self.centres_mm
        return min(range(len(centers)), key=lambda k: abs(centers[k] - x_mm)) if centers else None
