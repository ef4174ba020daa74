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
from gantline.stations.common import distance_offset_mm, fabric_plane_mm, overspill_mm, panel_aspect, ratios
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
            return thrown_width(at, aspect, at.field(Size.throw_pick))


def _from_angle(at: Ask) -> Expr | str:
    angle, seat = at.field(Size.angle_deg), at(main_seat)
    if seat is None:
        return NO_SEAT
    center = at.given(HeightTarget.centre_x_mm)
    middle = at(wall_mm) / 2.0 if center is None else center
    width = width_for_angle_mm(angle, seat.distance_mm, seat.x_mm - middle)
    return term(f"width that fills {angle:g}° from {at.exact(seat.distance_mm)}", width)


def throw_ratio(at: Ask, pick: str) -> float | None:
    """The throw ratio a size from a fixed throw is taken at; None until both ends of the zoom are entered.

    Largest and smallest are the ends of the zoom; with margin it is the largest that keeps clear of both.
    """
    both = at(ratios)
    if both is None:
        return None
    low, high = both
    margin = at.default(ThrowDefaults.throw_margin)
    if pick == "largest" or low >= high:
        return low
    if pick == "smallest":
        return high
    clear = low * (1.0 + margin)
    return clear if clear <= high * (1.0 - margin) else (low + high) / 2.0


def thrown_width(at: Ask, aspect: Fraction, pick: str) -> Expr | str:
    """The working of the picture's width that a fixed throw fills [mm], or the code of what is missing.

    Raises: OutOfRange where it gives no picture.
    """
    ratio, from_wall = at(throw_ratio, pick), at.given(ProjectorPlace.lens_from_wall_mm)
    if ratio is None or from_wall is None:
        return NO_THROW
    fabric, over, out = at(fabric_plane_mm), at(overspill_mm), at(distance_offset_mm)
    panel = at(panel_aspect)
    width_from_throw_mm(from_wall - fabric - out, ratio, panel, aspect, over)
    far = term("lens from wall", from_wall) - term("fabric plane", fabric)
    far = far - term("measuring point out from the pupil", out) if out else far
    share = least(1.0, term("aspect ratio", float(aspect), "") / term("panel aspect ratio", float(panel), ""))
    return far / term("throw ratio", ratio, "") * share - 2.0 * term("overspill", over)
