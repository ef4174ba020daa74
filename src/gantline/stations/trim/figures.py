"""Tape and light strip in numbers."""

from collections.abc import Callable
from typing import Any

from gantline.core.defaults import FrameDefaults, TrimDefaults
from gantline.core.trim.backlight import Backlight as Strip
from gantline.core.trim.spacers import SpacerStrips
from gantline.job.field import field_of
from gantline.job.model.frame import Backlight, Trim
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, term
from gantline.stations.common import frame_depth_mm
from gantline.stations.frame import outer_mm
from gantline.stations.trim.solve import TAPED, border_kind, feed, rolls, spacers, strip, tape, tape_width_mm

FIGURES = Figures()


@FIGURES.other("border_kind", "Border", "", "tape where a timber frame has a border", Trim.border)
def kind(at: Ask) -> Display:
    """What it is made of."""
    value = at(border_kind)
    text = field_of(Trim.border).choice(value)
    return Display(value, text=text, how="tape where a timber frame has a border")


def _when(key: str, label: str, field: Any, show: Any, unit: str = "") -> None:
    @FIGURES.other(key, label, unit, "usual", field)
    def shown(at: Ask) -> Display | None:
        """As it stands, while it bears on this job."""
        return Display(at.field(field)) if show(at) else None


def _taped(at: Ask) -> bool:
    return at(border_kind) in TAPED


def _bordered(at: Ask) -> bool:
    return at(border_kind) != "none"


def _lit(at: Ask) -> bool:
    return bool(at.field(Backlight.there))


_when("tape_wrap", "Wrapped round the edge", Trim.wrap_mm, _taped, "mm")
_when("tape_corner", "Corners of the border", Trim.corner, _taped)
_when("tape_roll", "Tape on a roll", Trim.roll_mm, _taped, "mm")
_when("to_picture", "Laid to the projected picture", Trim.to_picture, _taped)
_when("strip_inset", "Strip from the frame's edge", Backlight.inset_mm, _lit, "mm")
_when("strip_pitch", "Cut pitch", Backlight.pitch_mm, _lit, "mm")
_when("strip_reel", "Reel", Backlight.reel_mm, _lit, "mm")
_when("spacer", "Spacer strips, thickness", Backlight.spacer_mm, _lit, "mm")
_when("feed", "Fed from", Backlight.feed, _lit)


@FIGURES.length("tape_width", "Tape is cut to a width of", "border face and wrap")
def width(at: Ask) -> Display | None:
    """The widest face with the wrap."""
    if not _taped(at):
        return None
    wrap = at.field(Trim.wrap_mm)
    total = term("widest border face", at(tape_width_mm) - wrap) + term("wrap", wrap)
    return Display(total.value, total)


def _piece(key: str, label: str, at_: int) -> None:
    @FIGURES.length(key, label, "outside of the frame, wrap and allowance")
    def long(at: Ask) -> Display | None:
        """What two pieces are cut to."""
        tape_cut = at(tape) if at_ == 0 else at.aside(tape)  # only the longer pieces wrap
        if not tape_cut or not _taped(at):
            return None
        wrap = (2.0 * tape_cut[at_].notch_mm) if tape_cut[at_].notch_mm else 0.0
        total: Expr = term("outside of the frame", at(outer_mm)[0 if at_ == 0 else 1])
        if wrap:
            total = total + 2.0 * term("wrap", wrap / 2.0)
        total = total + term("allowance", at.default(TrimDefaults.tape_allowance_mm))
        return Display(tape_cut[at_].length_mm, total)


_piece("tape_rails", "Top and bottom pieces, 2", 0)
_piece("tape_stiles", "Side pieces, 2", 2)


@FIGURES.other("tape_rolls", "Rolls of tape", "", "each piece whole from one roll")
def roll_count(at: Ask) -> Display | None:
    """The fewest."""
    rolled = at(rolls)
    if rolled is None:
        return None
    return Display(rolled.count, text=str(rolled.count), how="the fewest, each piece whole from one roll")


def _strip(key: str, label: str, unit: str, source: str, make: Any) -> None:
    @FIGURES.other(key, label, unit, source)
    def shown(at: Ask) -> Display | None:
        """Only with a backlight."""
        light_run = at(strip)
        made: Display | None = make(at, light_run) if isinstance(light_run, Strip) else None
        return made


def _run(at: Ask, one: Strip) -> Display:
    wide, high = at(outer_mm)
    inset = term("inset", at.field(Backlight.inset_mm))
    total = term("outside width", wide) - 2.0 * inset + (term("outside height", high) - 2.0 * inset)
    return Display(one.run_mm, total)


def _cut(at: Ask, one: Strip) -> Display:
    how = f"cut down to the pitch, {at.text(one.short_mm)} short of the meeting corner"
    return Display(one.cut_mm, how=how)


def _load(at: Ask, one: Strip) -> Display:
    per = term("power", at.field(Backlight.watts_per_m), " W/m")
    made = per * (term("both runs", 2.0 * one.cut_mm, " mm") / 1000.0)
    return Display(one.load_w, made, f"{one.load_w:.0f} W")


def _supply(at: Ask, one: Strip) -> Display:
    spare = at.default(TrimDefaults.supply_spare)
    text = f"{one.supply_w:.0f} W"
    return Display(one.supply_w, text=text, how=f"load × {spare:g}, up to a size that is sold")


_strip("strip_run", "Each run, corner to corner", "mm", "half the path inside the edge", _run)
_strip("strip_cut", "Cut each run to", "mm", "down to the cut pitch", _cut)
_strip("strip_load", "Load", "W", "power × cut length", _load)
_strip("strip_supply", "Supply", "W", "load with spare, up to a size that is sold", _supply)
_strip(
    "strip_reels",
    "Reels",
    "",
    "both runs",
    lambda at, one: Display(one.reels, text=str(one.reels), how="both runs over a reel"),
)
_strip(
    "strip_fixes",
    "Fixing points",
    "",
    "path over their spacing",
    lambda at, one: Display(one.fix_points, text=str(one.fix_points), how="path over their spacing"),
)


_when("border_before", "Border stands before the fabric", Trim.before_mm, _bordered, "mm")
_when("tape_wide", "Tape as it is bought, wide", Trim.tape_wide_mm, _taped, "mm")


def _spaced(key: str, label: str, make: Callable[[Ask, SpacerStrips], Display]) -> None:
    @FIGURES.length(key, label, "top and bottom whole, the sides between them")
    def shown(at: Ask) -> Display | None:
        """Only with strips behind the frame."""
        strips = at(spacers)
        return make(at, strips) if isinstance(strips, SpacerStrips) else None


def _upright(at: Ask, strips: SpacerStrips) -> Display:
    two = 2.0 * term("width of a strip", at.default(FrameDefaults.spacer_wide_mm))
    return Display(strips.upright_mm, term("outside height", at(outer_mm)[1]) - two)


def _brad(at: Ask, strips: SpacerStrips) -> Display:
    total = term("strip", at.field(Backlight.spacer_mm)) + term("frame depth", at(frame_depth_mm))
    return Display(
        strips.brad_mm, total - term("clear of the cloth", at.default(FrameDefaults.fastener_clear_mm))
    )


_spaced("spacer_across", "Spacer strip, top and bottom", lambda at, one: Display(one.across_mm))
_spaced("spacer_upright", "Spacer strip, each side", _upright)
_spaced("spacer_brad", "Brads for the strips, at most", _brad)


@FIGURES.length("feed_wire", "Feed wire", "along the wall to the cable point, else to the floor, and a loop")
def feed_wire(at: Ask) -> Display | None:
    """From the corner that the light is fed from."""
    wire = at(feed)
    if wire is None:
        return None
    where = "through the wall behind the frame" if wire.behind else "along the wall"
    return Display(wire.length_mm, how=f"{where}, with a loop to unhook the frame by")


def gist(at: Ask) -> str:
    """Border and light."""
    light = ", backlit" if at.field(Backlight.there) else ""
    return f"{field_of(Trim.border).choice(at(border_kind))}{light}"
