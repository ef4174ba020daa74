"""A way of hanging with its parts, and a fixing with what it may carry."""

from typing import Annotated

from gantline.core.wall.loads import MOST_A_BRACKET, Base
from gantline.core.wall.marks import ScrewLay
from gantline.core.wall.ways import Way
from gantline.job.ends import Ends
from gantline.job.model.hanging import Lengths
from gantline.job.records.record import Record
from gantline.job.types import DistanceMm, LengthMm, Line, Positive

Count = Annotated[int, Ends(2, 12)]


class FixingRecord(Record):
    """A way of hanging with its parts as on the kit sheet [mm]; what is absent follows from the way.

    row_offset_mm: frame height less the distance of the rows; row_fixed_mm: that distance itself. cleat_*: its boards.
    per_bracket, screws_lie, screws_apart_mm: the screws of an upper bracket; proud_mm: how far heads stay out of the wall.
    rod_mm: hook to eye. compress_mm: bottom mounts pressed in. hang_parts, lower_parts: on the top and the bottom rail.
    """

    way: Way = Way.BRACKETS
    drop_mm: DistanceMm | None = None
    row_offset_mm: DistanceMm | None = None
    row_fixed_mm: LengthMm | None = None
    side_play_mm: DistanceMm | None = None
    trim_mm: DistanceMm | None = None
    lift_on_mm: DistanceMm | None = None
    standoff_mm: DistanceMm | None = None
    cleat_board_mm: LengthMm | None = None
    cleat_point_mm: DistanceMm | None = None
    cleat_screw_mm: DistanceMm | None = None
    rod_mm: LengthMm | None = None
    compress_mm: DistanceMm | None = None
    hang_parts: Count | None = None
    lower_parts: Count | None = None
    per_bracket: Annotated[int, Ends(1, MOST_A_BRACKET)] | None = None
    screws_lie: ScrewLay | None = None
    screws_apart_mm: LengthMm | None = None
    proud_mm: DistanceMm | None = None
    plate_mm: DistanceMm | None = None
    plate_height_mm: LengthMm | None = None


class AnchorRecord(Record):
    """A screw, plug or anchor: what it holds in, how deep [mm], its drill [mm], the lengths it is sold in, as 70, 90, 120 [mm],
    and what it may carry there by its packet [N]."""

    anchor_base: Base
    anchor_depth_mm: DistanceMm
    anchor_drill_mm: DistanceMm
    anchor_plugged: bool = False
    anchor_lengths: Lengths | None = None
    anchor_shear_n: Positive
    anchor_pull_n: Positive
    torque: Line | None = None
