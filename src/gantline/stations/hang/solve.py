"""The readings of the hung screen, and what each asks for."""

from gantline.core.defaults import AlignDefaults, WallDefaults
from gantline.core.hang.read import Limits, Read, Verdict, level_of_deg, level_of_heights, verdicts
from gantline.job.model.align import HangReading, Hung
from gantline.plan.ask import Ask
from gantline.stations.common import CABINET, mount_kind
from gantline.stations.size import screen
from gantline.stations.wall import pair

READ = (
    "gap_left_mm", "gap_right_mm", "plumb_left_mm", "plumb_right_mm", "crossing_mm",
    "margin_left_mm", "margin_right_mm", "margin_top_mm", "margin_bottom_mm",
)  # fmt: skip


def limits(at: Ask) -> Limits:
    """Tolerances of the hung screen."""
    wide = at(screen).overall_width_mm
    wind = WallDefaults.wind_cabinet_mm if at(mount_kind) == CABINET else WallDefaults.wind_mm
    return Limits(
        level_mm=at.default(AlignDefaults.hang_level_mm_m) * wide / 1000.0,
        center_mm=at.default(WallDefaults.center_mm),
        plumb_mm=at.default(AlignDefaults.hang_plumb_mm),
        wind_mm=at.default(wind),
        margin_mm=at.default(AlignDefaults.border_even_mm),
    )


def merged(readings: list[HangReading], wide_mm: float) -> Read:
    """What is known by now: of each thing its last reading; degrees of a level as a height over the width."""
    found: dict[str, float] = {}
    for reading in readings:
        for name in READ:
            value = getattr(reading, name)
            if value is not None:
                found[name] = value
        if reading.level_mm is not None:
            found["level_mm"] = reading.level_mm
        elif reading.level_deg is not None:
            found["level_mm"] = level_of_deg(reading.level_deg, wide_mm)
        elif reading.height_left_mm is not None and reading.height_right_mm is not None:
            found["level_mm"] = level_of_heights(reading.height_left_mm, reading.height_right_mm)
    return Read(**found)


def last_read(at: Ask) -> Read:
    """The readings of this job's hung screen, the last of each kind."""
    return merged(list(at.things(Hung.readings)), at(screen).overall_width_mm)


def apart_mm(at: Ask) -> float:
    """Left to right bracket [mm]; the frame's width where nothing is planned."""
    two = at(pair)
    return at(screen).overall_width_mm if two is None else two.spacing_mm


def verdicts_now(at: Ask) -> tuple[Verdict, ...]:
    """Every check that was read, in the order in which they are cured."""
    if not at.things(Hung.readings):
        return ()
    return verdicts(at(last_read), at(limits), width_mm=at(screen).overall_width_mm, apart_mm=at(apart_mm))
