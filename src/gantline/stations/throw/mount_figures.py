"""Pole, plate, cable and cabinet."""

from typing import Any

from gantline.core.defaults import ThrowDefaults
from gantline.core.throw.mount import path_mm
from gantline.core.units import beside_text
from gantline.job.model.throw import ProjectorBody as B
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.common import CABINET as ON_CABINET
from gantline.stations.common import fabric_plane_mm, hung, mount_kind
from gantline.stations.height import centre_x_mm, lens_above_base_mm, offset_share, placement, under
from gantline.stations.throw.body import lens_from_left_mm, plate
from gantline.stations.throw.cabinet import cabinet, cabinet_body, cabinet_depths, footprint
from gantline.stations.throw.lens import in_front, projected
from gantline.stations.throw.mount import cable, cable_mm, mounted

FIGURES = Figures()
PLATE = "the record's mount plate"
CABINET = "Z = R × projected width; picture centered on the panel's image"
SLOPE = "slope of the rays there"
TAPE = "tape mark on the cabinet"


def _hung_only(field: Any, label: str, key: str) -> None:
    @FIGURES.length(key, label, "shop default", field)
    def shown(at: Ask) -> Display | None:
        """Only where the projector is on the ceiling."""
        return Display(at.field(field)) if at(hung) else None


for one in (
    (B.plate_right_mm, "Plate right of the lens", "plate_right"),
    (B.plate_roomward_mm, "Plate behind the lens", "plate_roomward"),
    (B.plate_to_axis_mm, "Plate to lens axis", "plate_to_axis"),
):
    _hung_only(*one)


def _level(field: Any, label: str, key: str) -> None:
    @FIGURES.length(key, label, "a level on the cabinet; less than none where it is low", field)
    def shown(at: Ask) -> Display | None:
        """Only where the projector stands on a cabinet."""
        return Display(at.given(field)) if at(mount_kind) == ON_CABINET else None


_level(P.stand_right_high_mm, "Cabinet's right end high by", "stand_right_high")
_level(P.stand_front_high_mm, "Cabinet's front edge high by", "stand_front_high")


@FIGURES.length("pole", "Pole to cut", "ceiling over the plate")
def pole(at: Ask) -> Display | None:
    """What is left between ceiling and mount."""
    mount, place = at(mounted), at(in_front)
    if mount is None or place is None:
        return None
    total = term("ceiling over the plate", mount.ceiling_mm) - term("lens height", place.y_mm)
    return Display(mount.pole_mm, total - term("plate to lens axis", at(plate).to_axis_mm))


@FIGURES.length("plate_x", "Plate from left wall end", PLATE)
def plate_x(at: Ask) -> Display | None:
    """Sideways mark on the ceiling."""
    mount, place = at(mounted), at(in_front)
    if mount is None or place is None:
        return None
    return Display(mount.x_mm, term("lens", place.x_mm) + term("plate right of the lens", at(plate).right_mm))


@FIGURES.other(
    "plate_off_centre", "Plate from the screen's center line", "", "a second mark to check the first"
)
def plate_off_center(at: Ask) -> Display | None:
    """The plate's mark from the screen's center line."""
    mount = at(mounted)
    if mount is None:
        return None
    made = term("plate from left", mount.x_mm) - term("screen center", at(centre_x_mm))
    return Display(mount.x_mm - at(centre_x_mm), made, beside_text(made.value, at.units))


@FIGURES.length("plate_z", "Plate from bare wall", PLATE)
def plate_z(at: Ask) -> Display | None:
    """Mark on the ceiling out from the wall."""
    mount, place = at(mounted), at(in_front)
    if mount is None or place is None:
        return None
    behind = term("plate behind the lens", at(plate).roomward_mm)
    return Display(mount.z_mm, term("lens from wall", place.from_wall[2]) + behind)


@FIGURES.length("cable", "Cable, with slack", "cable runs square to the building")
def cable_length(at: Ask) -> Display | None:
    """What to order."""
    length = at(cable_mm)
    if length is None:
        return None
    slack = at.default(ThrowDefaults.cable_slack_mm)
    level = "ceiling" if at(hung) else "floor"
    how = f"from the source to the {level}, square along it, to the lens"
    return Display(length, term("run", path_mm(at(cable))) + term("slack", slack), how=how)


@FIGURES.length("cabinet_gap", "Wall to body's back", CABINET)
def gap(at: Ask) -> Display | None:
    """Gap behind a cabinet-top body."""
    depths, body = at(cabinet_depths), at(cabinet_body)
    if depths is None or body is None:
        return None
    lens = term("throw ratio", body.ratio, "") * term("projected width", at(projected).width_mm)
    total = lens + term("fabric plane", at(fabric_plane_mm)) - term("lens to back", body.lens_to_back_mm)
    return Display(depths.gap_mm, total)


@FIGURES.length("cabinet_height", "Cabinet height for this picture", CABINET)
def cabinet_height(at: Ask) -> Display | None:
    """How high the cabinet must be."""
    cabinet_spot = at(cabinet)
    if cabinet_spot is None:
        return None
    down = (0.5 + term("offset", at(offset_share), "")) * term("projected height", at(projected).height_mm)
    total = term("picture center", at(placement).picture_centre_mm) - down
    return Display(cabinet_spot.base_mm, total - term("lens above base", at(lens_above_base_mm)))


@FIGURES.length("cabinet_depth", "Cabinet depth needed, from wall", CABINET)
def cabinet_depth(at: Ask) -> Display | None:
    """How far out it must reach."""
    depths, body = at(cabinet_depths), at(cabinet_body)
    if depths is None or body is None:
        return None
    return Display(depths.depth_needed_mm, term("gap", depths.gap_mm) + term("body depth", body.depth_mm))


@FIGURES.length("feet_out", "Feet turned out", "the record's foot range")
def feet_out(at: Ask) -> Display | None:
    """What is missing between cabinet and picture."""
    cabinet_spot, stands_on = at(cabinet), at(under, at(centre_x_mm))
    if cabinet_spot is None or stands_on is None:
        return None
    top = stands_on[1].high[1]
    return Display(
        cabinet_spot.base_mm - top,
        term("cabinet height needed", cabinet_spot.base_mm) - term("cabinet as surveyed", top),
    )


@FIGURES.length("foot_left", "Body's left edge, from left wall end", TAPE)
def foot_left(at: Ask) -> Display | None:
    """Tape mark on the cabinet."""
    standing, place = at(footprint), at(in_front)
    if standing is None or place is None:
        return None
    return Display(
        standing.left_mm, term("lens", place.x_mm) - term("lens from the body's left", at(lens_from_left_mm))
    )


@FIGURES.length("foot_back", "Body's back, from bare wall", TAPE)
def foot_back(at: Ask) -> Display | None:
    """Tape mark on the cabinet."""
    standing, place = at(footprint), at(in_front)
    if standing is None or place is None:
        return None
    to_back = term("lens to back", at.field(B.lens_to_wall_face_mm))
    return Display(standing.back_mm, term("lens from wall", place.from_wall[2]) - to_back)


def _slope(key: str, label: str, power: int) -> None:
    @FIGURES.other(key, label.replace("{}", "step"), "", SLOPE)
    def slope(at: Ask) -> Display | None:
        """What a millimeter of distance does."""
        depths, body = at(cabinet_depths), at(cabinet_body)
        if depths is None or body is None:
            return None
        ratio, offset = term("throw ratio", body.ratio, ""), term("offset", body.offset, "")
        if power > 0:
            at(offset_share)
        panel = at(projected)
        aspect = term("panel aspect ratio", panel.width_mm / panel.height_mm, "")
        made = (1.0 / ratio, offset / (ratio * aspect), (1.0 + offset) / (ratio * aspect))[power]
        value = (depths.width_per_mm, depths.bottom_per_mm, depths.top_per_mm)[power]
        step = at.step_mm
        return Display(value, made, at.fine(value * step), label=label.format(at.text(step)))


_slope("per_mm_width", "Width, per {} of distance", 0)
_slope("per_mm_top", "Top edge, per {} of distance or wall bow", 2)
_slope("per_mm_bottom", "Bottom edge, per {} of distance", 1)
