"""One number and an aspect ratio become the picture, a rounded pair, the border, the frame."""

import math
from dataclasses import dataclass
from fractions import Fraction

from gantline.core.defaults import SizeDefaults
from gantline.core.errors import OutOfRange
from gantline.core.size.aspect import read_aspect
from gantline.core.size.picture import Border, Lead, Picture, Screen, as_built, picture_from
from gantline.core.size.tidy import TidySize, tidy_sizes
from gantline.core.units import FRACTIONAL
from gantline.job.model.frame import FrameBuild, SquareReadings
from gantline.job.model.size import BorderFaces, Size, SizeLead
from gantline.plan.ask import Ask
from gantline.plan.working import Expr, term
from gantline.stations.common import worded
from gantline.stations.size.starts import start_from

SMALLEST_MM = 100.0
MOST_ROWS = 4000  # of rounded sizes that are searched
NO_PICTURE = {
    "free_mm": "the borders are wider than the free wall",
    "overspill_mm": "the overspill takes the whole picture",
    "angle_deg": "a viewing angle lies between 0 and 180°",
    "distance_mm": "no distance to the fabric is left",
    "": "a picture needs a width and a height above 0",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Start:
    """The plain lead and value [mm] a start comes to, its working; refused: why it gives no picture."""

    lead: Lead
    value_mm: float
    made: Expr
    refused: str = ""
    missing: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class SizeChoice:
    """The exact picture asked for, the one that is built, and the screen with its border."""

    wished: Picture
    picked: bool
    screen: Screen


def aspect(at: Ask) -> Fraction:
    """Aspect ratio of the picture."""
    return read_aspect(at.field(Size.aspect))


def start(at: Ask) -> Start:
    """Where the size starts; a start that cannot be worked out yet falls back on the last diagonal, and says so."""
    lead = SizeLead(at.field(Size.lead))
    value = at.field(Size.value_mm)
    refused = missing = ""
    try:
        got = start_from(at, lead, value, at(aspect))
        if isinstance(got, str):
            missing = got
        elif got.value >= SMALLEST_MM:
            plain = Lead(lead.value) if lead.value in set(Lead) else Lead.WIDTH
            return Start(lead=plain, value_mm=got.value, made=got)
    except OutOfRange as error:
        refused = worded(error, NO_PICTURE)
    last = term("last diagonal", value)
    return Start(lead=Lead.DIAGONAL, value_mm=value, made=last, refused=refused, missing=missing)


def grid(at: Ask) -> Fraction:
    """The tape step both sides are rounded to [mm]: a quarter inch or five steps unless it is set."""
    given = at.given(Size.tidy_grid_mm)
    if given is not None:
        return Fraction(repr(given))
    units = at.units
    return Fraction(127, 20) if units.style in FRACTIONAL else units.grid * 5


def wished(at: Ask) -> Picture:
    """The exact picture asked for."""
    begun = at(start)
    return picture_from(begun.lead, begun.value_mm, at(aspect))


def rounded(at: Ask) -> tuple[TidySize, ...] | None:
    """Rounded sizes near the wished one, best first; None where the step is too fine to search."""
    asked, step = at(wished), at(grid)
    span = at.default(SizeDefaults.tidy_span_share)
    if 2.0 * span * asked.height_mm / float(step) > MOST_ROWS:
        return None
    error = at.default(SizeDefaults.tidy_ratio_error)
    return tidy_sizes(asked, at(aspect), step, span_share=span, ratio_error=error)


def picked(at: Ask) -> TidySize | None:
    """The rounded size that was chosen, where it still belongs to this size."""
    pick = at.given(Size.tidy)
    if pick is None:
        return None
    return next(
        (
            one
            for one in at(rounded) or ()
            if math.isclose(one.width_mm, pick.width_mm, abs_tol=0.01)
            and math.isclose(one.height_mm, pick.height_mm, abs_tol=0.01)
        ),
        None,
    )


def border(at: Ask) -> Border:
    """Face widths of the border as planned [mm]."""
    side, top = at.field(BorderFaces.side_mm), at.field(BorderFaces.top_mm)
    return Border(side_mm=side, top_mm=top, bottom_mm=at.field(BorderFaces.bottom_mm))


def planned_screen(at: Ask) -> Screen:
    """The screen as planned, before anything is built."""
    asked, pick = at(wished), at(picked)
    built = asked if pick is None else Picture(width_mm=pick.width_mm, height_mm=pick.height_mm)
    return Screen(picture=built, border=at(border))


def built_mm(at: Ask) -> tuple[float | None, float | None]:
    """Overall width and height of the frame that was built, from its two rails and two stiles, with the trim [mm]."""
    pairs = (
        (at.given(SquareReadings.top_mm), at.given(SquareReadings.bottom_mm)),
        (at.given(SquareReadings.left_mm), at.given(SquareReadings.right_mm)),
    )
    if all(None in pair for pair in pairs):
        return None, None
    trim = 2.0 * at.field(FrameBuild.trim_mm)
    wide, high = (None if a is None or b is None else (a + b) / 2.0 + trim for a, b in pairs)
    return wide, high


def built_screen(at: Ask) -> Screen | None:
    """The screen with the frame that was measured on the floor, if any; None where that is smaller than the picture."""
    return as_built(at(planned_screen), *at(built_mm))


def sized(at: Ask) -> SizeChoice:
    """The screen that is built, and the exact picture it comes from; a measured frame takes the planned one's place, but for
    one that is too small, which is a finding."""
    built = at(built_screen)
    return SizeChoice(
        wished=at(wished),
        picked=at(picked) is not None,
        screen=at(planned_screen) if built is None else built,
    )


def screen(at: Ask) -> Screen:
    """The picture with its border."""
    return at(sized).screen
