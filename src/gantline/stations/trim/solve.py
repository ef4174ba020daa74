"""Border pieces, rolls, and the light strip."""

import math

from gantline.core.defaults import FrameDefaults, TrimDefaults
from gantline.core.errors import OutOfRange
from gantline.core.trim.backlight import (
    SOLD_W,
    FeedWire,
    Point,
    backlight,
    feed_wire,
    half_run,
    most_watts_per_m,
)
from gantline.core.trim.backlight import Backlight as Strip
from gantline.core.trim.spacers import SpacerStrips, spacer_strips
from gantline.core.trim.tape import Corner, Rolls, TapePiece, rolls_for, tape_pieces
from gantline.core.trim.tape import tape_width_mm as width_of_tape_mm
from gantline.job.model.frame import Backlight, Trim
from gantline.plan.ask import Ask
from gantline.stations.common import frame_depth_mm, worded
from gantline.stations.frame import outer_mm, timber
from gantline.stations.height import rect_of_frame
from gantline.stations.size import screen
from gantline.stations.survey import prepared_points

TAPED = ("tape", "velvet")
NO_STRIP = {
    "inset_mm": "the inset leaves no path for the strip",
    "pitch_mm": "the cut pitch is longer than a run",
    "watts_per_m": "no supply gives {wanted_w:.0f} W: feed the runs from two",
    "": "the frame leaves no path for the strip",
}


def border_kind(at: Ask) -> str:
    """What the border is made of: as entered, else tape where a timber frame has one."""
    given = at.given(Trim.border)
    if given is not None:
        return given
    return "tape" if at(timber) and max(at(faces_mm)) > 0.0 else "none"


def tape(at: Ask) -> tuple[TapePiece, ...]:
    """Every piece of border tape or velvet; none without."""
    if at(border_kind) not in TAPED:
        return ()
    (wide, high), corner = at(outer_mm), Corner(at.field(Trim.corner))
    return tape_pieces(
        wide,
        high,
        wrap_mm=at.field(Trim.wrap_mm) if corner is Corner.WRAP else 0.0,
        corner=corner,
        allowance_mm=at.default(TrimDefaults.tape_allowance_mm),
    )


def faces_mm(at: Ask) -> tuple[float, float, float]:
    """Faces of the border: side, top, bottom [mm]."""
    border = at(screen).border
    return border.side_mm, border.top_mm, border.bottom_mm


def tape_width_mm(at: Ask) -> float:
    """How wide the tape is cut [mm]."""
    return width_of_tape_mm(at(faces_mm), at.field(Trim.wrap_mm))


def rolls(at: Ask) -> Rolls | None:
    """How the pieces come from the rolls; None without tape."""
    tape_cut = at(tape)
    return rolls_for(tape_cut, at.field(Trim.roll_mm)) if tape_cut else None


def spacers(at: Ask) -> SpacerStrips | str | None:
    """Strips round the frame's back that carry the light, or why there can be none; None without."""
    thick = at.field(Backlight.spacer_mm) if at.field(Backlight.there) else 0.0
    if thick <= 0.0:
        return None
    wide, high = at(outer_mm)
    try:
        return spacer_strips(
            wide,
            high,
            wide_mm=at.default(FrameDefaults.spacer_wide_mm),
            thick_mm=thick,
            frame_depth_mm=at(frame_depth_mm),
            clear_mm=at.default(FrameDefaults.fastener_clear_mm),
        )
    except OutOfRange as error:
        return worded(error, {"": "the strips are as wide as the frame is high"})


def feed_corner_mm(at: Ask) -> Point:
    """The lower corner that the light is fed from [mm from the left wall end, above the floor]."""
    left, bottom, right, _ = at(rect_of_frame)
    inset = at.field(Backlight.inset_mm)
    on_left = at.field(Backlight.feed) == "right"  # the field is named as seen from behind
    return (left + inset if on_left else right - inset), bottom + inset


def feed(at: Ask) -> FeedWire | None:
    """Wire from that corner to power; None without a light."""
    if not at.field(Backlight.there):
        return None
    points = [(x, y) for x, y, z in at(prepared_points) if z <= 0.0]
    slack = at.default(FrameDefaults.feed_slack_mm)
    return feed_wire(at(feed_corner_mm), points, at(rect_of_frame), slack_mm=slack)


def strip(at: Ask) -> Strip | str | None:
    """The light strip, or why there can be none; None without one."""
    if not at.field(Backlight.there):
        return None
    wide, high = at(outer_mm)
    try:
        return backlight(
            wide,
            high,
            inset_mm=at.field(Backlight.inset_mm),
            pitch_mm=at.field(Backlight.pitch_mm),
            reel_mm=at.field(Backlight.reel_mm),
            watts_per_m=at.field(Backlight.watts_per_m),
            fix_spacing_mm=at.default(TrimDefaults.strip_fix_mm),
            spare=at.default(TrimDefaults.supply_spare),
            supplies_w=SOLD_W,
        )
    except OutOfRange as error:
        return worded(error, NO_STRIP)


def strongest_strip(at: Ask) -> float | None:
    """The strongest strip that one supply feeds, to a tenth [W/m]; None where no strip goes round at all."""
    wide, high = at(outer_mm)
    try:
        _, cut = half_run(wide, high, at.field(Backlight.inset_mm), at.field(Backlight.pitch_mm))
    except OutOfRange:
        return None
    return math.floor(10.0 * most_watts_per_m(cut, at.default(TrimDefaults.supply_spare), SOLD_W)) / 10.0
