"""A projector on a cabinet in front of the screen."""

from dataclasses import dataclass

from gantline.core.throw.cabinet import CabinetBody, CabinetPlace, cabinet_place
from gantline.core.throw.window import Lens
from gantline.job.model.throw import ProjectorBody as B
from gantline.plan.ask import Ask
from gantline.stations.common import CABINET, fabric_plane_mm, has_shift, hung, mount_kind
from gantline.stations.height import lens_above_base_mm, offset_share, placement
from gantline.stations.throw.body import lens_from_left_mm
from gantline.stations.throw.lens import in_front, lens_known, projected, throw_lens


@dataclass(frozen=True, slots=True, kw_only=True)
class Footprint:
    """The body's footprint [mm]: left and right edge, face to the wall and front edge, base above the floor."""

    left_mm: float
    right_mm: float
    back_mm: float
    front_mm: float
    base_mm: float


def is_cabinet_body(at: Ask) -> bool:
    """Whether a body without shift stands on a cabinet."""
    return at(mount_kind) == CABINET and not at(hung) and not at(has_shift) and at(lens_known)


def cabinet_body(at: Ask) -> CabinetBody | None:
    """A body without shift on a cabinet; None for any other."""
    lens = at(throw_lens)
    if not at(is_cabinet_body) or not isinstance(lens, Lens):
        return None
    return CabinetBody(
        ratio=lens.ratio_low,
        offset=at.aside(offset_share),
        depth_mm=at.field(B.depth_mm),
        lens_to_back_mm=at.field(B.lens_to_wall_face_mm),
        lens_above_base_mm=at(lens_above_base_mm),
    )


def cabinet(at: Ask) -> CabinetPlace | None:
    """Where the cabinet-top body stands, and how high its cabinet is."""
    body, hung_at = at.aside(cabinet_body), at(placement)
    if not at(is_cabinet_body) or body is None or not hung_at.possible:
        return None
    at(offset_share), at(lens_above_base_mm)  # these decide the height; the ratio only decides gap and depth
    center = hung_at.picture_centre_mm
    return cabinet_place(body, at(projected), picture_centre_mm=center, fabric_mm=at(fabric_plane_mm))


def cabinet_depths(at: Ask) -> CabinetPlace | None:
    """Gap, depth and what a millimeter of distance does: all that no height changes."""
    body = at(cabinet_body)
    if body is None:
        return None
    return cabinet_place(body, at(projected), picture_centre_mm=0.0, fabric_mm=at(fabric_plane_mm))


def footprint(at: Ask) -> Footprint | None:
    """The body as it stands where the lens is."""
    place = at(in_front)
    if place is None or not at(is_cabinet_body):
        return None
    left, back = place.x_mm - at(lens_from_left_mm), place.from_wall[2] - at.field(B.lens_to_wall_face_mm)
    return Footprint(
        left_mm=left,
        right_mm=left + at.field(B.width_mm),
        back_mm=back,
        front_mm=back + at.field(B.depth_mm),
        base_mm=place.y_mm - at(lens_above_base_mm),
    )
