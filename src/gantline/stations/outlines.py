"""Outlines of wall and room as they are drawn."""

from gantline.plan.ask import Ask
from gantline.stations.height import centre_x_mm
from gantline.stations.survey.solve import ceiling_over, depth_mm, room, seat_places
from gantline.stations.throw import lens_place

HATCH_MM = 70.0  # depth of the hatched strip that stands for ceiling and floor
WALL_MM = 120.0  # drawn thickness of wall, floor and ceiling in a section
PAST_LENS_MM, PAST_SEAT_MM, LEAST_MM = 300.0, 500.0, 1500.0

Outline = tuple[tuple[float, float], ...]


def outlines(at: Ask) -> tuple[Outline, Outline]:
    """Floor and ceiling along the wall, from end to end [mm]."""
    here = at(room)
    found = []
    for profile in (here.floor, here.ceiling):
        inner = tuple((x, y) for x, y in profile.readings if 0.0 < x < here.wall_mm)
        found.append(((0.0, profile.at(0.0)), *inner, (here.wall_mm, profile.at(here.wall_mm))))
    return found[0], found[1]


def ceiling_section(at: Ask) -> Outline:
    """The ceiling out into the room at the screen's center line, (z, y) from the wall to the back [mm]."""
    over, x, deep = at(ceiling_over), at(centre_x_mm), at(drawn_depth_mm)
    inner = (z for z, _ in over.rows if 0.0 < z < deep)
    return tuple((z, over.at(x, z)) for z in (0.0, *inner, deep))


def drawn_depth_mm(at: Ask) -> float:
    """How deep the room is drawn [mm]: as surveyed, and at least to the farthest seat and the lens."""
    place = at(lens_place)
    lens = place.from_wall[2] + PAST_LENS_MM if place else 0.0
    return max(at(depth_mm), lens, *(seat.z_mm + PAST_SEAT_MM for seat in at(seat_places)), LEAST_MM)
