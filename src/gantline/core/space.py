"""Upright boxes in a room: the one shape that furniture, beams, bodies, rooms and zones share."""

from dataclasses import dataclass

Point3 = tuple[float, float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Solid:
    """An upright box, its low and high corner (x, y, z) [mm], z out of the fabric."""

    name: str
    low: tuple[float, float, float]
    high: tuple[float, float, float]

    def within(self, other: "Solid") -> "Solid":
        """The part of this box that lies in another; a low end past its high end where they do not meet."""
        (x0, y0, z0), (x1, y1, z1) = self.low, self.high
        (a0, b0, c0), (a1, b1, c1) = other.low, other.high
        return Solid(name=self.name, low=(max(x0, a0), max(y0, b0), max(z0, c0)), high=(min(x1, a1), min(y1, b1), min(z1, c1)))
