"""Boards by their nominal name, and what they are made of.

Source: dressed softwood sizes; a shop measures its own boards.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from gantline.core.units import FOOT_MM, INCH_MM, NO_BREAK, Units, length_text


class Material(StrEnum):
    """What a frame is made of."""

    SOFTWOOD = "softwood"
    POPLAR = "poplar"
    PLYWOOD = "plywood"
    ALUMINUM = "aluminum"


# nominal name: dressed thickness and width [mm]
DRESSED: Mapping[str, tuple[float, float]] = {
    "1x2": (19.0, 38.0),
    "1x3": (19.0, 64.0),
    "1x4": (19.0, 89.0),
    "2x2": (38.0, 38.0),
    "2x4": (38.0, 89.0),
}

# thicknesses of sheet and board that yards sell for a backer
SOLD_BACKERS_MM = (18.0, 21.0, 24.0, 28.0, 38.0)
CALLED_MM = 5.0  # a board is called by its feet: one of 8 ft is sold 2440 mm long
ALIKE_MM = 2.0  # a dressed board is taken for the one of a name


def nominal_of(thick_mm: float, wished: str) -> str:
    """The nominal name of a board as thick [mm] as that: the wished one where it is, else the widest; a 2x4 where none is.

    Source: the dressed sizes above.
    """
    alike = [name for name, size in DRESSED.items() if abs(size[0] - thick_mm) <= ALIKE_MM]
    return wished if wished in alike else alike[-1] if alike else "2x4"


def sold_length(length_mm: float, units: Units) -> str:
    """A board's length as it is asked for: by whole feet where the job counts in inches, “8 ft” for one of 2440 mm.

    Source: the trade; boards run a few millimeters over the feet they are called by.  Leaves out: any other length, which is
    said as it reads.
    """
    feet = round(length_mm / FOOT_MM)
    whole = units.unit_mm == INCH_MM and feet > 0 and abs(length_mm - feet * FOOT_MM) <= CALLED_MM
    return f"{feet}{NO_BREAK}ft" if whole else length_text(length_mm, units)


class Lies(StrEnum):
    """How the board stands in the frame: flat, its width in the plane of the fabric, or on edge."""

    FLAT = "flat"
    EDGE = "edge"


@dataclass(frozen=True, slots=True, kw_only=True)
class Section:
    """A board's section [mm]: in_plane across the fabric's plane, deep from the wall to the fabric."""

    in_plane_mm: float
    deep_mm: float

    @property
    def inertia_mm4(self) -> float:
        """Second moment of area against bowing in the plane of the fabric [mm⁴]: deep · in_plane³ / 12."""
        return self.deep_mm * self.in_plane_mm**3 / 12.0

    @property
    def flat_inertia_mm4(self) -> float:
        """Second moment of area against bowing out of the plane of the fabric [mm⁴]: in_plane · deep³ / 12."""
        return self.in_plane_mm * self.deep_mm**3 / 12.0


def section(thick_mm: float, wide_mm: float, lies: Lies) -> Section:
    """A board's section as it stands in the frame."""
    if lies is Lies.FLAT:
        return Section(in_plane_mm=wide_mm, deep_mm=thick_mm)
    return Section(in_plane_mm=thick_mm, deep_mm=wide_mm)
