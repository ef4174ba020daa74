"""The lens: window, place, shift; the body squared up; and the fields that matter only for some projectors."""

from typing import Any

from gantline.core.throw.shift import ShiftNeed
from gantline.job.field import field_of
from gantline.job.model.throw import ProjectorBody as B
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures, Make
from gantline.plan.working import Expr, most, size, term
from gantline.stations.common import (
    distance_offset_mm,
    fabric_plane_mm,
    has_shift,
    is_turned,
    mount_kind,
    overspill_mm,
    panel_aspect,
    percent,
    ratios,
    shift_text,
)
from gantline.stations.height import (
    centre_x_mm,
    fixed_throw_mm,
    lens_above_base_mm,
    lens_y_mm,
    placement,
    shift_reach,
    under,
)
from gantline.stations.size import screen
from gantline.stations.throw.body import lens_from_left_mm
from gantline.stations.throw.lens import (
    in_front,
    lens_from_wall_mm,
    lens_place,
    lens_x_mm,
    projected,
    shift,
    throw_lens,
    window,
)
from gantline.stations.throw.places import fits
from gantline.stations.throw.shadows import shaded
from gantline.stations.throw.turned import turned

FIGURES = Figures()
RATIO = "definition of throw ratio"
STRAIGHT = "share of the whole panel image; straight body"
ONLY_WITHOUT = "Fixed offset, if it has no shift"
SQUARED = "exact pinhole model; largest straight picture in the panel's image by linear program"


def _only(field: Any, when_shift: bool) -> Make:
    def make(at: Ask) -> Display | None:
        """Shown only where the projector has shift, or only where it has none."""
        if at(has_shift) is when_shift:
            return Display(at.field(field))
        # nobody said which it is: a leaflet gives the one or the other, so both are asked for
        if field is not P.offset or at.given(P.has_shift) is not None:
            return None
        return Display(None, label=ONLY_WITHOUT)

    return make


for key, label, field, with_shift in (
    ("shift_up", "Shift range up", P.shift_up, True),
    ("shift_down", "Shift range down", P.shift_down, True),
    ("shift_side", "Shift range to either side", P.shift_side, True),
    ("reach", "Shift range shape", P.reach, True),
    ("offset", "Fixed offset", P.offset, False),
):
    FIGURES.other(key, label, "", "usual", field)(_only(field, with_shift))


def _other_end(end: int) -> Make:
    def make(at: Ask) -> Display | None:
        """Where only the other end was entered, the same: a lens without zoom."""
        both = at(ratios)
        if both is None:
            return None
        return Display(
            both[end],
            text=f"{both[end]:g}, no zoom",
            how="as the other end; enter this one of a lens that zooms",
        )

    return make


for key, label, field, end in (
    ("ratio_low", "Throw ratio, wide", P.ratio_low, 0),
    ("ratio_high", "Throw ratio, long", P.ratio_high, 1),
):
    FIGURES.other(key, label, "", "usual", field)(_other_end(end))


@FIGURES.length("lens_x", "Lens from left wall end", "on the center line unless it is set", P.lens_x_mm)
def lens_x(at: Ask) -> Display:
    """Sideways place of the lens."""
    given = at.given(P.lens_x_mm) is not None
    return Display(at(lens_x_mm), None if given else term("screen center", at(centre_x_mm)))


@FIGURES.length("lens_y", "Lens above floor", "as it stands on its cabinet", P.lens_y_mm)
def lens_y(at: Ask) -> Display:
    """As entered, or from the surveyed cabinet it stands on."""
    value, on = at(lens_y_mm, at(centre_x_mm)), at(under, at(centre_x_mm))
    if on is None or at.given(P.lens_y_mm) is not None:
        return Display(value)
    made = term(f"top of the {on[1].name}", on[1].high[1]) + term(
        "lens above the base", at(lens_above_base_mm)
    )
    return Display(value, made, how="with the feet in")


@FIGURES.length("lens_from_wall", "Lens from bare wall", "one distance for each size", P.lens_from_wall_mm)
def lens_from_wall(at: Ask) -> Display:
    """As entered; on a cabinet, the one distance of a lens without zoom."""
    value, throw = at(lens_from_wall_mm), at(fixed_throw_mm)
    if value is None or throw is None or at.given(P.lens_from_wall_mm) is not None:
        return Display(value)
    total = term("throw ratio times projected width", throw) + term("fabric plane", at(fabric_plane_mm))
    out = at(distance_offset_mm)
    return Display(value, total + term("measuring point out from the pupil", out) if out else total)


@FIGURES.other("mount", "Mount", "", "as this kind of projector usually is", P.mount)
def mount(at: Ask) -> Display:
    """How it is held."""
    kind = at(mount_kind)
    return Display(kind, text=field_of(P.mount).choice(kind), how="usual; nothing entered")


@FIGURES.length(
    "body_lens_to_wall_face",
    "Lens behind the face to the wall",
    "as this kind of body usually is",
    B.lens_to_wall_face_mm,
)
def to_wall_face(at: Ask) -> Display:
    """As this kind of body usually has it, unless it is entered."""
    return Display(at.field(B.lens_to_wall_face_mm))


@FIGURES.length("body_lens_from_left", "Lens from the body's left side", "the middle", B.lens_from_left_mm)
def from_left(at: Ask) -> Display:
    """The middle unless it is entered."""
    return Display(at(lens_from_left_mm), how="the middle; nothing entered")


@FIGURES.length("body_lens_above_base", "Lens above the base", "the middle", B.lens_above_base_mm)
def above_base(at: Ask) -> Display:
    """The middle unless it is entered."""
    return Display(at(lens_above_base_mm), how="the middle; nothing entered")


@FIGURES.length("panel_width", "Projected image, width", "the panel's image just holds the picture")
def panel_width(at: Ask) -> Display | None:
    """Width of the whole panel as it lands on the fabric."""
    if at(window) is None:
        return None
    picture, over = at(screen).picture, at(overspill_mm)
    wide = term("width", picture.width_mm) + 2.0 * term("overspill", over)
    high = term("height", picture.height_mm) * wide / term("width", picture.width_mm)
    return Display(
        at(projected).width_mm, most(wide, term("panel aspect ratio", float(at(panel_aspect)), "") * high)
    )


@FIGURES.length("window_near", "Closest lens place, from wall", RATIO)
def window_near(at: Ask) -> Display | None:
    """The near end of the zoom."""
    return _end(at, near=True)


@FIGURES.length("window_far", "Farthest lens place, from wall", RATIO)
def window_far(at: Ask) -> Display | None:
    """The far end of the zoom."""
    return _end(at, near=False)


@FIGURES.length("throw_distance", "Lens to fabric", "counts from the fabric plane to the pupil")
def throw_distance(at: Ask) -> Display | None:
    """Distance the throw ratio is about."""
    place = at(lens_place)
    if place is None:
        return None
    total = term("lens from wall", place.measured_z_mm) - term("fabric plane", place.fabric_mm)
    out = at(distance_offset_mm)
    return Display(
        place.distance_mm, total - term("measuring point out from the pupil", out) if out else total
    )


@FIGURES.other("shift_vertical", "Shift needed, up or down", "", STRAIGHT)
def shift_vertical(at: Ask) -> Display | None:
    """Shift that brings the picture to its height; for a turned body, the one to set."""
    if at(is_turned):
        return _set(at, vertical=True)
    need, place = at(shift), at(in_front)
    if need is None or place is None:
        return None
    rise = term("picture center", at(placement).picture_centre_mm) - term("lens height", place.y_mm)
    made, offset = rise / term("projected height", at(projected).height_mm), at(shift_reach)[1]
    return Display(
        need.vertical,
        made - term("fixed offset", offset, "") if offset else made,
        shift_text(need.vertical, True),
    )


@FIGURES.other("shift_horizontal", "Shift needed, sideways", "", STRAIGHT)
def shift_horizontal(at: Ask) -> Display | None:
    """Shift that brings the picture sideways; for a turned body, the one to set."""
    if at(is_turned):
        return _set(at, vertical=False)
    need, place = at(shift), at(in_front)
    if need is None or place is None:
        return None
    aside = term("screen center", at(centre_x_mm)) - term("lens", place.x_mm)
    made = aside / term("projected width", at(projected).width_mm)
    return Display(need.horizontal, made, shift_text(need.horizontal, False))


@FIGURES.other("reach_left", "Shift range here", "", "the projector's record")
def range_here(at: Ask) -> Display | None:
    """What the range leaves up or down at this sideways shift."""
    need = at(shift)
    if need is None:
        return None
    reach, _ = at(shift_reach)
    full = reach.up if need.vertical >= 0.0 else reach.down
    text = shift_text(need.vertical_left if need.vertical >= 0.0 else -need.vertical_left, True)
    return Display(need.vertical_left, _range(need, full, reach.side), text)


@FIGURES.other("turned_share", "Pixels and light on the picture", "", SQUARED)
def turned_share(at: Ask) -> Display | None:
    """Share of the panel that lands on the picture of a turned body."""
    correction = at(turned)
    if correction is None:
        return None
    straight = correction.thrown.straight_share
    how = f"area of the picture on the panel; straight body {percent(straight)}, kept {percent(correction.share / straight)}"
    return Display(correction.share, text=f"{percent(correction.share)} of the panel", how=how)


@FIGURES.other(
    "shaded", "Picture in shadow", "", "boxes projected from the lens onto the fabric; the lens as a point"
)
def shadow_share(at: Ask) -> Display | None:
    """Share of the picture in any shadow."""
    share = at(shaded)
    return (
        Display(share, text=f"{100 * share:.1f}\u00a0%", how="shadows on the picture, overlaps once")
        if share
        else None
    )


def _range(need: ShiftNeed, full: float, side: float) -> Expr:
    whole = term("shift range", full, "")
    if need.vertical_left == full or side <= 0.0:
        return whole
    return whole * most(
        0.0, 1.0 - size(term("sideways shift", need.horizontal, "")) / term("range sideways", side, "")
    )


def _end(at: Ask, *, near: bool) -> Display | None:
    lens, distances = at(throw_lens), at(window)
    if distances is None or lens is None or isinstance(lens, str):
        return None
    ratio = lens.ratio_low if near else lens.ratio_high
    total = term("throw ratio", ratio, "") * term("projected width", at(projected).width_mm)
    total = total + term("fabric plane", at(fabric_plane_mm))
    out = at(distance_offset_mm)
    if out:
        total = total + term("measuring point out from the pupil", out)
    value = (distances.near_mm if near else distances.far_mm) + at(fabric_plane_mm) + out
    return Display(value, total, how="" if lens.fixed else "a margin stays free inside")


def _set(at: Ask, *, vertical: bool) -> Display | None:
    correction = at(turned)
    if correction is None:
        return None
    value = correction.pose.shift_v if vertical else correction.pose.shift_h
    how, label = "aims the panel's middle at the picture's, within the range", "Shift to set, "
    label += "up or down" if vertical else "sideways"
    return Display(value, text=shift_text(value, None if vertical else False), how=how, label=label)


def gist(at: Ask) -> str:
    """Whether the lens is where it can be."""
    place = at(lens_place)
    if place is None:
        return "no lens yet"
    if not at(fits):
        return "out of range" if at(placement).possible else "needs a height"
    return f"{at.text(place.distance_mm)}, in range"
