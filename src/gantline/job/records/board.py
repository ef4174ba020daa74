"""A board as the yard sells it."""

from typing import Annotated, Literal

from gantline.job.ends import Ends
from gantline.job.records.record import Record
from gantline.job.types import LengthMm


class BoardRecord(Record):
    """A board: nominal name, length [mm], price, and how many there are (absent: any number)."""

    nominal: Literal["1x2", "1x3", "1x4", "2x2", "2x4"]
    length_mm: LengthMm
    price: Annotated[float, Ends(0.0, 100_000.0)] | None = None
    count: Annotated[int, Ends(0, 10_000)] | None = None
