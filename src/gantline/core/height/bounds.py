"""The further bounds on the frame's top: necks, rows, furniture, skirting, lens shift, a fixed picture.

Every bound is put on y_top, the top of the frame [mm above the floor]; sources are the geometry of
room.py: picture bottom y_b = y_top - b_top - H, center y_c = y_b + H/2, frame bottom y_top - H_f.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from gantline.core.height.place import Bound, Place, lower_bounds, upper_bounds
from gantline.core.sight.rows import Edge, Eye, lowest_bottom_mm
from gantline.core.size.picture import Screen, with_overspill
from gantline.core.throw.shift import ShiftReach, left_sideways
from gantline.core.throw.window import PanelImage, panel_image
from gantline.core.tolerance import at_most


def neck_bound(screen: Screen, eyes: Sequence[Eye], top_deg: float) -> Bound | None:
    """The top of the picture at most top_deg above every eye line."""
    return under_necks(screen, min(neck_tops_mm(eyes, top_deg))) if eyes else None


def neck_tops_mm(eyes: Sequence[Eye], top_deg: float) -> list[float]:
    """Of every eye, the height [mm] that it sees at top_deg above its own line: E + d tan."""
    tan = math.tan(math.radians(top_deg))
    return [eye.eye_mm + eye.distance_mm * tan for eye in eyes]


def under_necks(screen: Screen, top_mm: float) -> Bound:
    """The picture's top is not above what the necks can bear [mm]."""
    return Bound("neck", "neck angle", top_mm + screen.border.top_mm)


def centre_guidance_mm(screen: Screen, eyes: Sequence[Eye], centre_deg: float) -> float | None:
    """y_top above which the center is more than centre_deg above some eye line; warns, does not bind."""
    if not eyes:
        return None
    tan = math.tan(math.radians(centre_deg))
    lowest = min(eye.eye_mm + eye.distance_mm * tan for eye in eyes)
    return lowest + screen.picture.height_mm / 2.0 + screen.border.top_mm


def rows_bound(
    screen: Screen, eyes: Sequence[Eye], edge: Edge, clear_mm: float, lose: float = 0.0
) -> Bound | None:
    """Every eye sees the bottom of the picture past every head, or all but a share of it; None where no head is in the way."""
    bottom = lowest_bottom_mm(eyes, edge, clear_mm=clear_mm, lose=lose)
    return None if bottom is None else over_rows(screen, bottom)


def over_rows(screen: Screen, bottom_mm: float) -> Bound:
    """The picture's bottom is not below what the eyes behind other heads need."""
    return Bound(
        "rows", "view past the heads in front", bottom_mm + screen.picture.height_mm + screen.border.top_mm
    )


def furniture_bound(screen: Screen, furniture_top_mm: float, gap_mm: float) -> Bound:
    """The frame clears what stands under it: furniture top + gap + H_f."""
    return Bound("furniture", "furniture below", furniture_top_mm + gap_mm + screen.overall_height_mm)


def skirting_bound(screen: Screen, skirting_mm: float) -> Bound:
    """The frame clears the skirting: skirting + H_f."""
    return Bound("skirting", "baseboard", skirting_mm + screen.overall_height_mm)


def shift_bounds(
    screen: Screen,
    panel: PanelImage,
    *,
    lens_y_mm: float,
    up_left: float,
    down_left: float,
    offset: float,
) -> tuple[Bound, Bound]:
    """Upper and lower bound that the lens's reach puts on y_top; one and the same place without reach.

    Args: up_left, down_left: reach left at this sideways shift, shares of H_p; offset: fixed share of H_p.
    Source: y_l + (offset + V_up) H_p + H/2 + b_top, and the same with - V_down.
    """
    base = lens_y_mm + offset * panel.height_mm + screen.picture.height_mm / 2.0 + screen.border.top_mm
    fixed = up_left == 0.0 and down_left == 0.0
    names = (
        ("fixed offset of the lens", "fixed offset of the lens")
        if fixed
        else ("upper end of the lens shift", "lower end of the lens shift")
    )
    return (
        Bound("shift-upper", names[0], base + up_left * panel.height_mm),
        Bound("shift-lower", names[1], base - down_left * panel.height_mm),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class LensReach:
    """A lens that is already placed [mm], its reach and offset (shares), and how exactly it is placed."""

    x_mm: float
    y_mm: float
    reach: ShiftReach
    offset: float
    panel_aspect: Fraction
    overspill_mm: float
    slack_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class HeightCase:
    """A screen asked into a room with everything that bounds its height [mm].

    overhead: (left, right, bottom) of soffits near the wall; under: (left, right, top) of furniture and
    loudspeakers at the wall. Only what overlaps the frame's width counts.
    """

    place: Place
    eyes: tuple[Eye, ...] = ()
    neck_deg: float = 35.0
    head_clear_mm: float = 115.0
    edge_lost_share: float = 0.0
    overhead: tuple[tuple[float, float, float], ...] = ()
    under: tuple[tuple[float, float, float], ...] = ()
    furniture_gap_mm: float = 50.0
    skirting_mm: float | None = None
    lens: LensReach | None = None


def bounds(asked: HeightCase) -> tuple[tuple[Bound, ...], tuple[Bound, ...]]:
    """All upper and all lower bounds on y_top that this room has.  Raises: nothing."""
    place, screen = asked.place, asked.place.screen
    upper, lower = list(upper_bounds(place)), list(lower_bounds(place))
    soffits = [bottom for left, right, bottom in asked.overhead if place.across(left, right)]
    if soffits:
        upper.append(Bound("soffit", "soffit", min(soffits) - place.clear_mm))
    upper += filter(None, [neck_bound(screen, asked.eyes, asked.neck_deg)])
    lower += filter(
        None, [rows_bound(screen, asked.eyes, place.edge_mm, asked.head_clear_mm, asked.edge_lost_share)]
    )
    tops = [top for left, right, top in asked.under if place.across(left, right)]
    if tops:
        lower.append(furniture_bound(screen, max(tops), asked.furniture_gap_mm))
    if asked.skirting_mm is not None:
        lower.append(skirting_bound(screen, asked.skirting_mm))
    both = None if asked.lens is None else lens_bounds(place, asked.lens)
    if asked.lens is not None and both is not None:
        least, most = max(bound.y_top_mm for bound in lower), min(bound.y_top_mm for bound in upper)
        upper.append(given_way(both[0], least, most, asked.lens.slack_mm))
        lower.append(given_way(both[1], least, most, asked.lens.slack_mm))
    return tuple(upper), tuple(lower)


def given_way(bound: Bound, least_mm: float, most_mm: float, slack_mm: float) -> Bound:
    """A bound of the lens, moved to where the hard bounds [mm] let the frame be if that is within the slack to which a
    lens is placed: the lens is moved by so little, the ceiling is not."""
    there = min(max(bound.y_top_mm, least_mm), most_mm)
    gives = least_mm <= most_mm and at_most(abs(there - bound.y_top_mm), slack_mm)
    return replace(bound, y_top_mm=there) if gives else bound


def room_left_mm(asked: HeightCase) -> float:
    """Lowest upper less highest lower bound [mm]; negative by the clash."""
    upper, lower = bounds(asked)
    return min(bound.y_top_mm for bound in upper) - max(bound.y_top_mm for bound in lower)


def lens_bounds(place: Place, lens: LensReach) -> tuple[Bound, Bound] | None:
    """None where the lens cannot reach sideways: then no height helps, and the throw says so."""
    panel = panel_image(with_overspill(place.screen.picture, lens.overspill_mm), lens.panel_aspect)
    sideways = abs(place.centre_x_mm - lens.x_mm) / panel.width_mm
    if sideways > lens.reach.side + lens.slack_mm / panel.width_mm:
        return None
    left = left_sideways(lens.reach, sideways)
    return shift_bounds(
        place.screen, panel, lens_y_mm=lens.y_mm, up_left=lens.reach.up * left, down_left=lens.reach.down * left,
        offset=lens.offset,
    )  # fmt: skip
