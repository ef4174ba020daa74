"""The built frame on the floor: whether it is square, and which reading does not belong."""

from gantline.core.defaults import FrameDefaults
from gantline.core.errors import OutOfRange
from gantline.core.frame.square import SixReadings, SquareCheck, check_square
from gantline.job.model.frame import FrameBuild, SquareReadings
from gantline.plan.ask import Ask
from gantline.stations.common import worded
from gantline.stations.size import planned_screen

READ = (
    SquareReadings.top_mm,
    SquareReadings.bottom_mm,
    SquareReadings.left_mm,
    SquareReadings.right_mm,
    SquareReadings.rising_mm,
    SquareReadings.falling_mm,
)


def readings(at: Ask) -> SixReadings | None:
    """All six readings; None while one is missing."""
    found = [at.given(one) for one in READ]
    top, bottom, left, right, rising, falling = found
    if top is None or bottom is None or left is None or right is None or rising is None or falling is None:
        return None
    return SixReadings(
        top_mm=top, bottom_mm=bottom, left_mm=left, right_mm=right, rising_mm=rising, falling_mm=falling
    )


def planned_mm(at: Ask) -> tuple[float, float]:
    """The frame as it was planned, whatever was built, without trim that is put on later [mm]."""
    screen, trim = at(planned_screen), at.field(FrameBuild.trim_mm)
    return screen.overall_width_mm - 2.0 * trim, screen.overall_height_mm - 2.0 * trim


def square(at: Ask) -> SquareCheck | str | None:
    """What the six readings say, or why they make no frame; None while one is missing."""
    read = at(readings)
    if read is None:
        return None
    wide, high = at(planned_mm)
    try:
        return check_square(
            read,
            plan_width_mm=wide,
            plan_height_mm=high,
            sigma_mm=at.default(FrameDefaults.reading_sigma_mm),
            side_spread_mm=at.default(FrameDefaults.side_spread_mm),
            diagonal_spread_mm=at.default(FrameDefaults.diagonal_spread_mm),
        )
    except OutOfRange as error:
        return worded(error, {"": "these readings make no frame: a diagonal is longer than its sides reach"})
