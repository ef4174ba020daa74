"""A projector's body as it stands or hangs: how far it and the air it needs reach from its lens."""

from dataclasses import dataclass

from gantline.core.space import Point3, Solid
from gantline.core.throw.places import Body


def lens_to_rear_mm(depth_mm: float, to_face_mm: float) -> float:
    """From the lens to the body's rear [mm]: its depth less what of it stands before the lens; below none where the
    two numbers cannot both be right."""
    return depth_mm - to_face_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class BodyShape:
    """A body, standing, seen facing the screen [mm]. to_face: from the lens to the face that looks at the wall.

    hung: turned over, so that left and right, over and under the lens change places.
    """

    width_mm: float
    height_mm: float
    depth_mm: float
    lens_from_left_mm: float
    lens_above_base_mm: float
    to_face_mm: float
    vent_side_mm: float
    vent_rear_mm: float
    vent_top_mm: float
    plate_to_axis_mm: float
    hung: bool

    @property
    def left_mm(self) -> float:
        """Lens to the body's left side as it stands or hangs [mm]."""
        return self.width_mm - self.lens_from_left_mm if self.hung else self.lens_from_left_mm

    @property
    def below_mm(self) -> float:
        """Lens to the body's underside as it stands or hangs [mm]."""
        return self.height_mm - self.lens_above_base_mm if self.hung else self.lens_above_base_mm

    def reach(self) -> Body:
        """Body, vent space and, hung, the mount over it, from the lens."""
        over = self.height_mm - self.lens_above_base_mm + self.vent_top_mm
        return Body(
            left_mm=self.left_mm + self.vent_side_mm,
            right_mm=self.width_mm - self.left_mm + self.vent_side_mm,
            below_mm=over if self.hung else self.lens_above_base_mm,
            above_mm=max(self.lens_above_base_mm, self.plate_to_axis_mm) if self.hung else over,
            wallward_mm=self.to_face_mm,
            roomward_mm=lens_to_rear_mm(self.depth_mm, self.to_face_mm) + self.vent_rear_mm,
        )

    def at(self, lens: Point3) -> Solid:
        """The body alone, without the air round it, with its lens at (x, y, z from the bare wall) [mm]."""
        low = (lens[0] - self.left_mm, lens[1] - self.below_mm, lens[2] - self.to_face_mm)
        high = (low[0] + self.width_mm, low[1] + self.height_mm, low[2] + self.depth_mm)
        return Solid(name="projector", low=low, high=high)
