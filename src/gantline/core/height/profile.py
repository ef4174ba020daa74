"""A ceiling or floor as it was read along a wall."""

from dataclasses import dataclass
from itertools import pairwise

from gantline.core.errors import OutOfRange


@dataclass(frozen=True, slots=True)
class Profile:
    """A ceiling or floor as read: piecewise linear between readings (x, y) [mm], level beyond them.

    Raises OutOfRange without readings or with two different ones at one x.
    """

    readings: tuple[tuple[float, float], ...]

    def __post_init__(self) -> None:
        if not self.readings:
            raise OutOfRange("a profile needs at least one reading", field="readings")
        ordered = sorted(self.readings)
        if any(a[0] == b[0] for a, b in pairwise(ordered)):
            raise OutOfRange("two readings at one place", field="readings")
        object.__setattr__(self, "readings", tuple(ordered))

    def at(self, x_mm: float) -> float:
        """Height y [mm] at x [mm]."""
        (x0, y0), *rest = self.readings
        if x_mm <= x0:
            return y0
        for x1, y1 in rest:
            if x_mm <= x1:
                return y0 + (y1 - y0) * (x_mm - x0) / (x1 - x0)
            x0, y0 = x1, y1
        return y0

    def lowest(self, left_mm: float, right_mm: float) -> float:
        """Smallest y [mm] over left_mm..right_mm; at an end or at a reading between them."""
        between = (y for x, y in self.readings if left_mm < x < right_mm)
        return min(self.at(left_mm), self.at(right_mm), *between)
