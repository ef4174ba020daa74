"""Wood screws and their bits as they are sold: by gauge and fractions of an inch, or by millimeters.

Source: the usual assortments of the trade; a bit for softwood is about 0.65 of the screw's diameter.
Leaves out: head and drive, and hardwood, which wants a wider bit.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from gantline.core.errors import require_positive
from gantline.core.units import INCH_MM

SOLD_MM = (
    25.0,
    30.0,
    35.0,
    40.0,
    45.0,
    50.0,
    60.0,
    70.0,
    80.0,
    90.0,
    100.0,
    120.0,
    140.0,
    160.0,
    180.0,
    200.0,
)
SOLD_IN = (1.0, 1.25, 1.5, 1.75, 2.0, 2.5, 3.0, 3.5, 4.0, 5.0, 6.0, 8.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class WoodScrew:
    """A size of screw as it is called in either system, and the bit for it where it is sold by the inch. The bit in millimeters
    is the fixing's own."""

    metric: str
    gauge: str
    bit_inch: str


WOOD_SCREWS: Mapping[str, WoodScrew] = {
    "screw-4": WoodScrew(metric="4", gauge="#8", bit_inch="7⁄64″"),
    "screw-5": WoodScrew(metric="5", gauge="#10", bit_inch="1⁄8″"),
    "screw-6": WoodScrew(metric="6", gauge="#14", bit_inch="5⁄32″"),
}


def sold_lengths_mm(*, inches: bool) -> tuple[float, ...]:
    """Lengths of wood screws as the yards have them, rising [mm].  inches: sold by the inch."""
    return tuple(length * INCH_MM for length in SOLD_IN) if inches else SOLD_MM


def lengths_in(text: str) -> tuple[float, ...]:
    """Lengths that a record gives one after the other, as 70, 90, 120 [mm]."""
    return tuple(float(number) for number in re.findall(r"\d+(?:\.\d+)?", text))


def sold_length_mm(least_mm: float, longest_mm: float | None, lengths_mm: Sequence[float]) -> float | None:
    """The shortest screw that is sold and long enough [mm]; None where there is none, or each would come out behind.

    Args: least, what it must have [mm]; longest, what it may have before it comes out where it must not [mm], None for no limit;
        lengths, that are sold, in any order [mm].  Raises: OutOfRange.
    """
    require_positive(least_mm=least_mm)
    length = next((length for length in sorted(lengths_mm) if length >= least_mm - 1e-6), None)
    return None if length is None or (longest_mm is not None and length > longest_mm + 1e-6) else length
