"""A lens that stands on a surveyed cabinet: the cabinet says how high it is."""

from gantline.core.size.picture import with_overspill
from gantline.core.space import Solid
from gantline.core.throw.body import lens_to_rear_mm
from gantline.core.throw.mount import STANDS_ON
from gantline.core.throw.window import panel_image
from gantline.job.model.height import HeightTarget as H
from gantline.job.model.throw import ProjectorBody as B
from gantline.job.model.throw import ProjectorPlace as P
from gantline.plan.ask import Ask
from gantline.stations.common import CABINET, fabric_plane_mm, mount_kind, overspill_mm, panel_aspect, ratios
from gantline.stations.size import screen
from gantline.stations.survey import box_solids, wall_mm

UNDER = ("cabinet", "furniture")


def centre_x_mm(at: Ask) -> float:
    """Center of the screen from the left wall end [mm]: the middle of the wall unless it is set."""
    given = at.given(H.centre_x_mm)
    return at(wall_mm) / 2.0 if given is None else given


def lens_above_base_mm(at: Ask) -> float:
    """Lens above the base [mm], the middle unless it is entered."""
    given = at.given(B.lens_above_base_mm)
    return at.field(B.height_mm) / 2.0 if given is None else given


def image_width_mm(at: Ask) -> float:
    """Width of the panel's image that just holds the thrown picture [mm]."""
    return panel_image(with_overspill(at(screen).picture, at(overspill_mm)), at(panel_aspect)).width_mm


def fixed_throw_mm(at: Ask) -> float | None:
    """Fabric to the pupil of a lens without zoom [mm], from the size and the data sheet; None for a zoom or without ratios."""
    both = at(ratios)
    return None if both is None or both[0] != both[1] else both[0] * at(image_width_mm)


def under(at: Ask, centre_x_mm: float) -> tuple[str, Solid] | None:
    """Id and shape of what a cabinet-top projector stands on: the highest cabinet or furniture under the screen's
    center line within the body's reach from the wall; None for any other mount, and while there is none."""
    if at(mount_kind) != CABINET:
        return None
    throw = at(fixed_throw_mm)
    if throw is None:
        return None
    reach = (
        throw + at(fabric_plane_mm) + lens_to_rear_mm(at.field(B.depth_mm), at.field(B.lens_to_wall_face_mm))
    )
    there = [
        (name, box)
        for name, kind, box in at(box_solids)
        if kind in STANDS_ON and box.low[0] <= centre_x_mm <= box.high[0] and box.low[2] < reach
    ]
    return max(there, key=lambda one: one[1].high[1], default=None)


def lens_y_mm(at: Ask, centre_x_mm: float) -> float | None:
    """Lens above the floor [mm]: as entered, else as it stands on its surveyed cabinet with the feet in."""
    given = at.given(P.lens_y_mm)
    if given is not None:
        return given
    on = at(under, centre_x_mm)
    return None if on is None else on[1].high[1] + at(lens_above_base_mm)


def cabinet_top_mm(at: Ask) -> float | None:
    """The top of the cabinet under the screen [mm above the floor]; None without any."""
    half, middle = at(screen).overall_width_mm / 2.0, at(centre_x_mm)
    tops = [
        box.high[1]
        for _, kind, box in at(box_solids)
        if kind in UNDER and box.low[0] < middle + half and box.high[0] > middle - half
    ]
    return max(tops, default=None)
