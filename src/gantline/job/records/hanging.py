"""A pair of hanging brackets."""

from gantline.core.wall.ways import Way
from gantline.job.records.record import Record
from gantline.job.types import DistanceMm


class FixingRecord(Record):
    """A way of hanging with its brackets as on the kit sheet [mm]. row_offset_mm: absent without a lower row."""

    way: Way = Way.BRACKETS
    drop_mm: DistanceMm
    row_offset_mm: DistanceMm | None = None
    side_play_mm: DistanceMm = 0.0
    lift_on_mm: DistanceMm = 0.0
    standoff_mm: DistanceMm | None = None
