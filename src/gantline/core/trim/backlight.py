"""A strip of light behind the frame: two runs from one lower corner that meet at the opposite upper corner.

Source: geometry of the path; supply = load × 1.25, rounded up to a size that is sold.
Leaves out: voltage drop along a run, and how even the light on the wall is.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.errors import OutOfRange, require_not_negative, require_positive

Point = tuple[float, float]
SOLD_W = (30.0, 60.0, 100.0, 150.0, 200.0, 240.0, 320.0, 480.0, 600.0)  # supplies as they are sold


@dataclass(frozen=True, slots=True, kw_only=True)
class Backlight:
    """The strip: path and run [mm], each run cut down to the pitch; reels; load and supply [W]; fixing points.

    short_mm: what each run stays short of the meeting corner.
    """

    path_mm: float
    run_mm: float
    cut_mm: float
    short_mm: float
    reels: int
    load_w: float
    supply_w: float
    fix_points: int


@dataclass(frozen=True, slots=True, kw_only=True)
class FeedWire:
    """Wire from the fed corner to power: its length [mm], and whether it goes through the wall behind the frame."""

    length_mm: float
    behind: bool


def feed_wire(
    corner_mm: Point,
    points_mm: Sequence[Point],
    frame_mm: tuple[float, float, float, float],
    *,
    slack_mm: float,
) -> FeedWire:
    """To the nearest cable point on the wall, else down to the floor.

    Args: corner, that the light is fed from; points, cable points [mm from the left wall end, above the floor]; frame, its left,
        bottom, right and top; slack, a loop to unhook the frame by [mm].
    Source: along the wall, level and plumb.  Leaves out: what stands in its way.
    """
    x, y = corner_mm
    left, bottom, right, top = frame_mm
    ways = [
        (abs(x - at_x) + abs(y - at_y), left < at_x < right and bottom < at_y < top)
        for at_x, at_y in points_mm
    ]
    length, behind = min(ways, default=(y, False))
    return FeedWire(length_mm=length + slack_mm, behind=behind)


def half_run(width_mm: float, height_mm: float, inset_mm: float, pitch_mm: float) -> tuple[float, float]:
    """Half the path around behind a frame, and the strip of it that can be cut [mm].

    Raises: OutOfRange where the inset leaves no path, or the pitch is longer than the run.
    """
    require_not_negative(inset_mm=inset_mm)
    wide, high = width_mm - 2.0 * inset_mm, height_mm - 2.0 * inset_mm
    if min(wide, high) <= 0.0:
        raise OutOfRange("the inset leaves no path for the strip", field="inset_mm", got=inset_mm)
    run = wide + high
    cut = math.floor(run / pitch_mm + 1e-9) * pitch_mm
    if cut <= 0.0:
        raise OutOfRange("the cut pitch is longer than a run", field="pitch_mm", got=pitch_mm)
    return run, cut


def most_watts_per_m(cut_mm: float, spare: float, supplies_w: Sequence[float]) -> float:
    """The strongest strip that one supply feeds over both half runs [W/m]."""
    return max(supplies_w) / (spare * 2.0 * cut_mm / 1000.0)


def backlight(
    width_mm: float,
    height_mm: float,
    *,
    inset_mm: float,
    pitch_mm: float,
    reel_mm: float,
    watts_per_m: float,
    fix_spacing_mm: float,
    spare: float,
    supplies_w: Sequence[float],
) -> Backlight:
    """Two half runs behind a frame.

    Args: width, height, outside [mm]; inset, from its edge; pitch, at which the strip may be cut; spare, of the supply
        over the load (1.25); supplies, the sizes that are sold, in order [W].
    Raises: OutOfRange where the inset leaves no path, or no supply is large enough.
    """
    require_positive(
        pitch_mm=pitch_mm, reel_mm=reel_mm, watts_per_m=watts_per_m, fix_spacing_mm=fix_spacing_mm
    )
    run, cut = half_run(width_mm, height_mm, inset_mm, pitch_mm)
    load = watts_per_m * 2.0 * cut / 1000.0
    wanted = load * spare
    supply = next((one for one in supplies_w if one >= wanted - 1e-9), None)
    if supply is None:
        raise OutOfRange("no supply gives this load", field="watts_per_m", got=watts_per_m, wanted_w=wanted)
    # a run is soldered or clipped together where a reel ends, so that nothing of it is lost
    return Backlight(
        path_mm=2.0 * run,
        run_mm=run,
        cut_mm=cut,
        short_mm=run - cut,
        reels=math.ceil(2.0 * cut / reel_mm - 1e-9),
        load_w=load,
        supply_w=supply,
        fix_points=math.ceil(2.0 * run / fix_spacing_mm - 1e-9),
    )
