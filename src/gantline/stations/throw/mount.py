"""Mount plate, pole and cable, from where the lens must be."""

import math
from dataclasses import dataclass

from gantline.core.defaults import ThrowDefaults
from gantline.core.space import Point3
from gantline.core.throw.mount import cable_path, path_mm, pole_mm
from gantline.job.model.throw import CablePoint
from gantline.plan.ask import Ask
from gantline.stations.common import hung
from gantline.stations.height import fits as some_height
from gantline.stations.survey import box_solids, ceiling_over, prepared_points, wall_mm
from gantline.stations.throw.body import plate
from gantline.stations.throw.lens import in_front

UNDER_CEILING = ("soffit", "beam")


@dataclass(frozen=True, slots=True, kw_only=True)
class MountPlace:
    """The plate's center on the ceiling (x, z), the ceiling over it, and the pole [mm]."""

    x_mm: float
    z_mm: float
    ceiling_mm: float
    pole_mm: float


def over_mm(at: Ask, x_mm: float, z_mm: float) -> float:
    """The ceiling over a place, held to the wall's ends, or the soffit or beam under it there [mm]."""
    x = min(max(x_mm, 0.0), at(wall_mm))
    lower = [
        box.low[1]
        for _, kind, box in at(box_solids)
        if kind in UNDER_CEILING and box.low[0] <= x <= box.high[0] and box.low[2] <= z_mm <= box.high[2]
    ]
    return min([at(ceiling_over).at(x, z_mm), *lower])


def mounted(at: Ask) -> MountPlace | None:
    """The mount of a ceiling-mounted projector; None for any other, and without a lens place."""
    place = at(in_front)
    if place is None or not at(hung) or not at(some_height):
        return None
    x, _, z = place.from_wall
    on = at(plate)
    ceiling = at(over_mm, x + on.right_mm, z + on.roomward_mm)
    pole = pole_mm(ceiling, place.y_mm, on)
    return MountPlace(x_mm=x + on.right_mm, z_mm=z + on.roomward_mm, ceiling_mm=ceiling, pole_mm=pole)


def pole_here(at: Ask) -> float | None:
    """The pole to cut [mm]; None for any other mount."""
    mount = at(mounted)
    return None if mount is None else mount.pole_mm


def source(at: Ask) -> Point3 | None:
    """Where signal and power come from: as entered, else the prepared point nearest to the lens; None without any."""
    x, y, z = at.given(CablePoint.x_mm), at.given(CablePoint.y_mm), at.given(CablePoint.z_mm)
    if x is not None and y is not None and z is not None:
        return x, y, z
    place, points = at(in_front), at(prepared_points)
    return (
        min(points, key=lambda one: math.dist(one, place.from_wall)) if points and place is not None else None
    )


def cable(at: Ask) -> tuple[Point3, ...]:
    """Corners (x, y, z) of the cable's run; none until its source is entered."""
    place, start = at(in_front), at(source)
    if place is None or not at(some_height) or start is None:
        return ()
    level = at(over_mm, place.x_mm, place.from_wall[2]) if at(hung) else 0.0
    return cable_path(start, place.from_wall, level_mm=level)


def cable_mm(at: Ask) -> float | None:
    """Length of the cable with its slack [mm]; None without a run."""
    run = at(cable)
    return path_mm(run) + at.default(ThrowDefaults.cable_slack_mm) if run else None
