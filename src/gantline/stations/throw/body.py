"""The projector's body and how it is held."""

from gantline.core.throw.body import BodyShape
from gantline.core.throw.mount import Plate
from gantline.job.model.throw import ProjectorBody as B
from gantline.plan.ask import Ask
from gantline.stations.common import hung
from gantline.stations.height import lens_above_base_mm


def lens_from_left_mm(at: Ask) -> float:
    """Lens from the body's left side [mm], the middle unless it is entered."""
    given = at.given(B.lens_from_left_mm)
    return at.field(B.width_mm) / 2.0 if given is None else given


def body_shape(at: Ask) -> BodyShape:
    """The body with the air it needs."""
    return BodyShape(
        width_mm=at.field(B.width_mm),
        height_mm=at.field(B.height_mm),
        depth_mm=at.field(B.depth_mm),
        lens_from_left_mm=at(lens_from_left_mm),
        lens_above_base_mm=at(lens_above_base_mm),
        to_face_mm=at.field(B.lens_to_wall_face_mm),
        vent_side_mm=at.field(B.vent_side_mm),
        vent_rear_mm=at.field(B.vent_rear_mm),
        vent_top_mm=at.field(B.vent_top_mm),
        plate_to_axis_mm=at.field(B.plate_to_axis_mm) if at(hung) else 0.0,
        hung=at(hung),
    )


def plate(at: Ask) -> Plate:
    """The mount plate, from the lens [mm]."""
    right, roomward = at.field(B.plate_right_mm), at.field(B.plate_roomward_mm)
    return Plate(right_mm=right, roomward_mm=roomward, to_axis_mm=at.field(B.plate_to_axis_mm))
