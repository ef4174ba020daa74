"""A frame kit, and a pair of hanging brackets."""

from gantline.core.tension.holds import Hold
from gantline.core.wall.ways import Way
from gantline.job.records.record import Record
from gantline.job.types import BarCount, DistanceMm, LengthMm


class KitRecord(Record):
    """A frame kit: its depth, its border and how it holds the fabric."""

    depth_mm: LengthMm | None = None
    border_mm: DistanceMm = 0.0
    centre_bars: BarCount = 0
    trim_mm: DistanceMm | None = None
    hold: Hold = Hold.SPRING
    spacing_mm: LengthMm | None = None
    inset_mm: LengthMm | None = None
    overlap_mm: DistanceMm | None = None


class FixingRecord(Record):
    """A way of hanging with its brackets as on the kit sheet [mm]. row_offset_mm: absent without a lower row."""

    way: Way = Way.BRACKETS
    drop_mm: DistanceMm
    row_offset_mm: DistanceMm | None = None
    side_play_mm: DistanceMm = 0.0
    lift_on_mm: DistanceMm = 0.0
    standoff_mm: DistanceMm | None = None
