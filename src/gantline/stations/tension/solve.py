"""The points as they lie, seen from the back, and the steps."""

from dataclasses import replace
from typing import Any

from gantline.core.defaults import Default, TensionDefaults
from gantline.core.errors import OutOfRange
from gantline.core.tension.holds import HOLDS, Hold, HoldKind, School
from gantline.core.tension.order import Bars, Frame, tension_order
from gantline.core.tension.own_order import OwnOrder
from gantline.core.tension.own_order import own_order as own_order_of
from gantline.core.tension.points import (
    RAILS,
    Corner,
    Layout,
    Readings,
    Side,
    TensionPoint,
    numbered,
    pair_numbers,
    sides,
    spread,
)
from gantline.core.tension.steps import TensionStep, renumbered
from gantline.job.model.frame import FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.frame import brace_count, plate_spans, timber
from gantline.stations.size import screen

SPACINGS: dict[Hold, Default] = {
    Hold.STAPLE: TensionDefaults.spacing_staple_mm,
    Hold.TACK: TensionDefaults.spacing_tack_mm,
    Hold.SPRING: TensionDefaults.spacing_spring_mm,
    Hold.LUG: TensionDefaults.spacing_lug_mm,
    Hold.SNAP: TensionDefaults.spacing_snap_mm,
    Hold.LACE: TensionDefaults.spacing_lace_mm,
    Hold.PIN: TensionDefaults.spacing_pin_mm,
}


NO_POINTS = "the points do not fit this frame"


def hold(at: Ask) -> Hold:
    """How the fabric is attached."""
    return Hold(at.field(Tensioning.hold))


def hold_kind(at: Ask) -> HoldKind:
    """What sets that attachment apart."""
    return HOLDS[at(hold)]


def sequence(at: Ask) -> School:
    """The order: as chosen, else the attachment's own."""
    return at.given(Tensioning.school) or at(hold_kind).school


def sheet_on_frame(at: Ask) -> bool:
    """Whether the sheet is laid on its frame, as entered, else where lugs of a kit hold it; else the frame goes on the sheet."""
    given = at.given(Tensioning.laid)
    return given == "sheet" if given else at(hold) is Hold.LUG and not at(timber)


def spacing_mm(at: Ask) -> float:
    """Largest spacing [mm]: as entered, else the attachment's own."""
    given = at.given(Tensioning.spacing_mm)
    return at.default(SPACINGS[at(hold)]) if given is None else given


def stretched_mm(at: Ask) -> tuple[float, float]:
    """Width and height of the frame that is there when the fabric is stretched [mm]: the whole without what is put on later."""
    own_screen, trim = at(screen), at.field(FrameBuild.trim_mm)
    return own_screen.overall_width_mm - 2.0 * trim, own_screen.overall_height_mm - 2.0 * trim


def layout(at: Ask) -> Layout | str:
    """How the points are spread on that frame, or why they cannot be."""
    (wide, high), (rails, stiles) = at(stretched_mm), at(plate_spans)
    try:
        return Layout(
            width_mm=wide,
            height_mm=high,
            spacing_mm=at(spacing_mm),
            inset_mm=at.field(Tensioning.inset_mm),
            rail_count=at.given(Tensioning.rail_count),
            stile_count=at.given(Tensioning.stile_count),
            first_pass_mm=at.field(Tensioning.first_pass_mm) if at(hold_kind).filled else None,
            off_rails_mm=rails,
            off_stiles_mm=stiles,
        )
    except OutOfRange:
        return NO_POINTS


def along(at: Ask) -> tuple[Readings, Readings] | str:
    """The readings along rails and stiles [mm], or why the frame cannot take them. No point is made for it."""
    laid = at(layout)
    if isinstance(laid, str):
        return laid
    try:
        return sides(laid)
    except OutOfRange:
        return NO_POINTS


def spread_points(at: Ask) -> tuple[TensionPoint, ...] | str:
    """All points [mm, from the back] clockwise from the top left, or why the frame cannot take them."""
    laid, cut_along = at(layout), at(along)
    if isinstance(laid, str):
        return laid
    return cut_along if isinstance(cut_along, str) else spread(laid, cut_along)


def even_points(at: Ask) -> tuple[TensionPoint, ...] | str:
    """All points [mm, from the back] before any of them is moved off a plate."""
    laid = at(layout)
    if isinstance(laid, str) or not (laid.off_rails_mm or laid.off_stiles_mm):
        return at(spread_points)
    try:
        return spread(replace(laid, off_rails_mm=(), off_stiles_mm=()))
    except OutOfRange:
        return NO_POINTS


def own_numbers(at: Ask) -> tuple[Corner, bool]:
    """Where the numbers of crew or kit begin, and whether they run clockwise."""
    return Corner(at.field(Tensioning.number_from)), bool(at.field(Tensioning.clockwise))


def tension_points(at: Ask) -> tuple[TensionPoint, ...] | str:
    """All points [mm, from the back] with the numbers that the crew or the kit gives them."""
    points = at(spread_points)
    if isinstance(points, str):
        return points
    start, clockwise = at(own_numbers)
    return numbered(points, start, clockwise=clockwise)


def written_numbers(at: Ask) -> dict[int, int]:
    """By point what is written beside it: its own number, or one that it shares with its partner straight across."""
    points = at(tension_points)
    if isinstance(points, str):
        return {}
    if at.field(Tensioning.numbers) == "pairs":
        return pair_numbers(points)
    return {point.number: point.number for point in points}


def crew(at: Ask) -> dict[str, Any]:
    """What crew or kit say of the order; what begins at fixed corners only where it does."""
    first, second = at.given(Tensioning.first_side), at.given(Tensioning.second_side)
    if first is not None and second is not None and (Side(first) in RAILS) == (Side(second) in RAILS):
        second = None  # a finding says that it lies across
    said = {
        "first_side": None if first is None else Side(first),
        "second_side": None if second is None else Side(second),
        "in_step": bool(at.field(Tensioning.in_step)),
        "batch": at.field(Tensioning.batch),
        "corner_pass": at.field(Tensioning.corner_pass),
    }
    if at(sequence) is School.CORNERS_FIRST:
        said |= {
            "cluster": at.field(Tensioning.cluster),
            "from_end": bool(at.field(Tensioning.from_end)),
            "short_sides_first": at.field(Tensioning.short_sides_first),
        }
    return said


def own_order(at: Ask) -> OwnOrder | None:
    """The crew's or the leaflet's own list, by its own numbers; None where there is none."""
    text, points = at.given(Tensioning.own_order), at(spread_points)
    if not text or not text.strip() or isinstance(points, str):
        return None
    start, clockwise = at(own_numbers)
    named = numbered(points, start, clockwise=clockwise)
    back = {(one.side, one.reading_mm): one for one in points}
    return own_order_of(
        text, {one.number: back[one.side, one.reading_mm] for one in named}, at(hold_kind).action
    )


def spread_steps(at: Ask) -> tuple[TensionStep, ...]:
    """The points in steps, whatever their numbers; none where the frame cannot take them."""
    points, laid = at(spread_points), at(layout)
    if isinstance(points, str) or isinstance(laid, str):
        return ()
    own = at(own_order)
    if own is not None and not own.troubles:
        return own.steps
    fixed = at(timber) and not at.field(FrameBuild.removable)  # braces of boards are there before the fabric
    bars = 0 if fixed else at(brace_count)
    frame = Frame(
        width_mm=laid.width_mm,
        height_mm=laid.height_mm,
        corner_stop_mm=at.default(TensionDefaults.corner_stop_mm),
        centre_bars=bars,
        bars=Bars(at.field(Tensioning.bars)) if bars else Bars.BETWEEN,
        rods_last=bool(at.field(Tensioning.rods_last)),
        trim_after=at.field(FrameBuild.trim_mm) > 0.0,
        **at(crew),
    )
    return tension_order(points, frame, at(hold), at(sequence))


def tension_steps(at: Ask) -> tuple[TensionStep, ...]:
    """The steps with the numbers that the crew or the kit gives the points."""
    steps, points = at(spread_steps), at(spread_points)
    if isinstance(points, str):
        return ()
    start, clockwise = at(own_numbers)
    return renumbered(steps, points, start, clockwise=clockwise)
