"""What is bought by the roll for the frame's edge: felt tape for the border, a strip of light behind it."""

from typing import Annotated

from gantline.job.ends import Ends
from gantline.job.records.record import Record
from gantline.job.types import DistanceMm, LengthMm, Positive

Price = Annotated[float, Ends(0.0, 100_000.0)]


class TapeRecord(Record):
    """A felt tape: how wide it is, how long a roll [mm], how far it is wrapped round the edge, the price of a roll."""

    tape_wide_mm: LengthMm | None = None
    roll_mm: LengthMm | None = None
    wrap_mm: DistanceMm | None = None
    price: Price | None = None


class StripRecord(Record):
    """A strip of light: where it can be cut and how long a reel [mm], its power [W/m], the price of a reel."""

    pitch_mm: LengthMm | None = None
    reel_mm: LengthMm | None = None
    watts_per_m: Positive | None = None
    price: Price | None = None
