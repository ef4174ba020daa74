"""The seven starts of a size, each a number and its working, or what is missing for it."""

from fractions import Fraction

from gantline.core.defaults import ThrowDefaults
from gantline.core.sight.angles import width_for_angle_mm
from gantline.core.size.starts import width_from_throw_mm, width_on_wall_mm
from gantline.job.model.height import HeightTarget
from gantline.job.model.size import BorderFaces, Size, SizeLead
from gantline.job.model.throw import ProjectorPlace
from gantline.plan.ask import Ask
from gantline.plan.working import Expr, least, term
from gantline.stations.common import fabric_plane_mm, overspill_mm, panel_aspect, ratios
from gantline.stations.survey import main_seat, wall_mm

NO_SEAT = "no-main-seat"
NO_THROW = "no-fixed-throw"


def start_from(at: Ask, lead: SizeLead, value_mm: float, aspect: Fraction) -> Expr | str:
    """The working of a lead's diagonal, width or height [mm], or the code of what is missing.

    Raises: OutOfRange where it gives no picture.
    """
    match lead:
        case SizeLead.DIAGONAL | SizeLead.WIDTH | SizeLead.HEIGHT:
            return term(lead.value, value_mm)
        case SizeLead.MEASURED:
            return term("width measured on the wall", value_mm)
        case SizeLead.WALL:
            side = at.field(BorderFaces.side_mm)
            width_on_wall_mm(value_mm, side)
            return term("free wall", value_mm) - 2.0 * term("side border", side)
        case SizeLead.ANGLE:
            return _from_angle(at)
        case SizeLead.THROW:
            return _from_throw(at, aspect)


def _from_angle(at: Ask) -> Expr | str:
    angle, seat = at.field(Size.angle_deg), at(main_seat)
    if seat is None:
        return NO_SEAT
    center = at.given(HeightTarget.centre_x_mm)
    middle = at(wall_mm) / 2.0 if center is None else center
    width = width_for_angle_mm(angle, seat.distance_mm, seat.x_mm - middle)
    return term(f"width that fills {angle:g}° from {at.exact(seat.distance_mm)}", width)


def _from_throw(at: Ask, aspect: Fraction) -> Expr | str:
    both, from_wall = at(ratios), at.given(ProjectorPlace.lens_from_wall_mm)
    if both is None or from_wall is None:
        return NO_THROW
    low, high = both
    margin = 0.0 if low >= high else at.default(ThrowDefaults.throw_margin)
    ratio, fabric, over = low * (1.0 + margin), at(fabric_plane_mm), at(overspill_mm)
    panel = at(panel_aspect)
    width_from_throw_mm(from_wall - fabric, ratio, panel, aspect, over)
    thrown = (term("lens from wall", from_wall) - term("fabric plane", fabric)) / term(
        "throw ratio", ratio, ""
    )
    share = least(1.0, term("aspect ratio", float(aspect), "") / term("panel aspect ratio", float(panel), ""))
    return thrown * share - 2.0 * term("overspill", over)
