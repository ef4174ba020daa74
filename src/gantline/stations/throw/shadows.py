"""What stands between lens and picture."""

from gantline.core.space import Point3, Solid
from gantline.core.throw.light_path import Shadow, shaded_share, shadow
from gantline.plan.ask import Ask
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import rect_of_picture
from gantline.stations.survey import box_solids
from gantline.stations.throw.lens import in_front
from gantline.stations.throw.places import wanted

TOUCH = 1e-4  # share of the picture; less is a ray along an edge
Edges = tuple[float, float, float, float]


def in_light(at: Ask) -> tuple[tuple[str, str, Solid], ...]:
    """Id, kind and shape of everything surveyed [mm, z from the fabric]."""
    back = (0.0, 0.0, -at(fabric_plane_mm))
    return tuple((name, kind, box.moved(back)) for name, kind, box in at(box_solids))


def dark(solid: Solid, lens: Point3, picture: Edges) -> Shadow | None:
    """The shadow of one box, None where it is clear of the beam or only touches it."""
    found = shadow(solid, lens, picture)
    return None if found is None or found.share < TOUCH else found


def shadows(at: Ask) -> tuple[tuple[str, str, Shadow], ...]:
    """Id and kind of what shades the picture, and its shadow."""
    place = at(in_front)
    if place is None or at(wanted) is None:
        return ()
    picture, lens = at(rect_of_picture), place.from_fabric
    found = ((name, kind, dark(box, lens, picture)) for name, kind, box in at(in_light))
    return tuple((name, kind, one) for name, kind, one in found if one is not None)


def shaded(at: Ask) -> float:
    """Share of the picture in any shadow."""
    found = at(shadows)
    return shaded_share(tuple(one for _, _, one in found), at(rect_of_picture)) if found else 0.0
