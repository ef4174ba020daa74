"""The size a fabric is cut to, and how it is cut from the roll.

Source: geometry of the wrap: edge, return on the back, and what the hand grips; never under a least overlap.
Leaves out: selvedges, shrinkage, and fabric that is out of square on the roll.
"""

import math
from dataclasses import dataclass
from typing import Literal

from gantline.core.errors import OutOfRange, require_not_negative, require_positive

Axis = Literal["width", "height"]

YARD_MM = 914.4  # exact, 36 international inches


@dataclass(frozen=True, slots=True, kw_only=True)
class Wrap:
    """What a side needs past the face of the frame [mm]: the edge, the return on the back, the grip."""

    edge_mm: float
    back_mm: float
    grip_mm: float
    least_mm: float

    def __post_init__(self) -> None:
        require_not_negative(
            edge_mm=self.edge_mm, back_mm=self.back_mm, grip_mm=self.grip_mm, least_mm=self.least_mm
        )

    @property
    def overlap_mm(self) -> float:
        """Past the face on each side, before anything is stretched."""
        return max(self.edge_mm + self.back_mm + self.grip_mm, self.least_mm)


def blank_side_mm(outer_mm: float, wrap: Wrap, strain: float) -> float:
    """One side of the blank [mm].

    Only the path on the frame is stretched, not the grip. strain: how much longer the fabric is on the frame, as a share.
    Raises: OutOfRange.
    """
    require_positive(outer_mm=outer_mm)
    if not 0.0 <= strain < 1.0:
        raise OutOfRange("the stretch lies from 0 to 100 %", field="strain", got=strain)
    path = wrap.edge_mm + wrap.back_mm
    loose = wrap.overlap_mm - path
    return (outer_mm + 2.0 * path) / (1.0 + strain) + 2.0 * loose


@dataclass(frozen=True, slots=True, kw_only=True)
class RollCut:
    """A blank on the roll [mm]: across it, along it, what is left beside it; fits: the roll is wide enough.

    turned: the picture's height runs along the roll.
    """

    across_mm: float
    along_mm: float
    spare_mm: float
    fits: bool
    turned: bool


def turned_size_mm(width_mm: float, height_mm: float, turn_deg: float) -> tuple[float, float]:
    """The box a blank needs that is cut at an angle to the roll, against moiré [mm].  Raises: OutOfRange."""
    if not 0.0 <= turn_deg <= 90.0:
        raise OutOfRange("the turn lies from 0 to 90 degrees", field="turn_deg", got=turn_deg)
    cos, sin = math.cos(math.radians(turn_deg)), math.sin(math.radians(turn_deg))
    return width_mm * cos + height_mm * sin, width_mm * sin + height_mm * cos


def on_roll(
    width_mm: float, height_mm: float, roll_mm: float, *, along: Axis | None, turn_deg: float = 0.0
) -> RollCut:
    """How a blank is cut from a roll.

    Args: along, the picture's axis that runs along the roll; None for fabric without direction, which is turned so that
        its smaller side lies across.
    Raises: OutOfRange.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm, roll_mm=roll_mm)
    w, h = turned_size_mm(width_mm, height_mm, turn_deg)
    turned = along == "height" if along else h > w
    across, run = (w, h) if turned else (h, w)
    return RollCut(
        across_mm=across, along_mm=run, spare_mm=roll_mm - across, fits=across <= roll_mm, turned=turned
    )


def metres_to_order(along_mm: float, step_mm: float) -> float:
    """Metres of roll, up to the step it is sold by [m].  Raises: OutOfRange."""
    require_positive(along_mm=along_mm, step_mm=step_mm)
    return math.ceil(along_mm / step_mm - 1e-9) * step_mm / 1000.0


def yards_to_order(along_mm: float) -> float:
    """Yards of roll, up to the tenth it is sold by [yd].  Raises: OutOfRange."""
    require_positive(along_mm=along_mm)
    return math.ceil(along_mm / YARD_MM * 10.0 - 1e-9) / 10.0


def fabric_kg(width_mm: float, height_mm: float, mass_g_m2: float, layers: int) -> float:
    """Mass of a fabric blank in so many layers [kg]."""
    return width_mm * height_mm * 1e-6 * mass_g_m2 / 1000.0 * layers
