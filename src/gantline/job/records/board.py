"""A board as the yard sells it."""

from typing import Annotated, Literal

from pydantic import Field

from gantline.job.records.record import Record
from gantline.job.types import LengthMm


class BoardRecord(Record):
    """A board: nominal name, length [mm], price, and how many there are (absent: any number)."""

    nominal: Literal["1x2", "1x3", "1x4", "2x2", "2x4"]
    length_mm: LengthMm
    price: Annotated[float, Field(ge=0.0, le=100_000.0, allow_inf_nan=False)] | None = None
    count: Annotated[int, Field(ge=0, le=10_000)] | None = None
