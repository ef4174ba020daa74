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
        return Solid(
            name=self.name,
            low=(max(x0, a0), max(y0, b0), max(z0, c0)),
            high=(min(x1, a1), min(y1, b1), min(z1, c1)),
        )

    def shrunk(self, by_mm: float) -> "Solid":
        """The box without a skin of by_mm on every side."""
        (x0, y0, z0), (x1, y1, z1) = self.low, self.high
        low, high = (x0 + by_mm, y0 + by_mm, z0 + by_mm), (x1 - by_mm, y1 - by_mm, z1 - by_mm)
        return Solid(name=self.name, low=low, high=high)

    def moved(self, by_mm: Point3) -> "Solid":
        """The box somewhere else."""
        (x0, y0, z0), (x1, y1, z1), (dx, dy, dz) = self.low, self.high, by_mm
        return Solid(name=self.name, low=(x0 + dx, y0 + dy, z0 + dz), high=(x1 + dx, y1 + dy, z1 + dz))


def box_area_m2(width_mm: float, height_mm: float, depth_mm: float) -> float:
    """All six faces of a room taken as a box [m2]."""
    w, h, d = width_mm / 1000.0, height_mm / 1000.0, depth_mm / 1000.0
    return 2.0 * (w * d + w * h + d * h)
