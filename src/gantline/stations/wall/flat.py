"""How flat the wall is, and the shims behind each support."""

from dataclasses import dataclass

import numpy as np

from gantline.core.defaults import SurveyDefaults
from gantline.core.errors import OutOfRange
from gantline.core.units import INCH_MM
from gantline.core.wall.flat import Flatness, flatness, shim_pack, shims_mm, wind_mm
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import GapReading, Survey
from gantline.plan.ask import Ask
from gantline.stations.common import worded
from gantline.stations.height import rect_of_frame
from gantline.stations.wall.solve import drilling

PACK_MM = (5.0, 3.0, 2.0, 1.0)
PACK_IN = (0.25, 0.125, 0.0625)


def gap_readings(at: Ask) -> tuple[tuple[float, float, float], ...]:
    """Place and gap of every reading [mm]."""
    read = at.rows(Survey.gaps, GapReading.x_mm, GapReading.y_mm, GapReading.gap_mm)
    return tuple((x, y, gap) for x, y, gap in read)


def clashing(at: Ask) -> tuple[tuple[int, int], ...]:
    """Pairs of readings, by their places in the list, that say two things of one place."""
    read = at(gap_readings)
    if not read:
        return ()
    place, alike = at.default(SurveyDefaults.gap_place_mm), at.default(SurveyDefaults.gap_agrees_mm)
    along = sorted(range(len(read)), key=lambda number: read[number][0])
    found = []
    for rank, a in enumerate(along):
        for b in along[rank + 1 :]:
            if read[b][0] - read[a][0] > place:
                break
            if abs(read[b][1] - read[a][1]) <= place and abs(read[b][2] - read[a][2]) > alike:
                found.append((max(a, b), min(a, b)))
    return tuple(sorted(found))


NOT_ENOUGH = {
    "gaps": "read at least {fewest} gaps, spread over the wall",
    "": "read gaps to the left and right, and high and low",
}


def flat(at: Ask) -> Flatness | str | None:
    """The wall's plane; why there is none; None without readings. Readings that contradict each other are left out."""
    read = at(gap_readings)
    if not read:
        return None
    out = {number for two in at(clashing) for number in two}
    try:
        sure = [one for number, one in enumerate(read) if number not in out]
        return flatness(sure, at.default(SurveyDefaults.gap_place_mm))
    except OutOfRange as error:
        return worded(error, NOT_ENOUGH)


@dataclass(frozen=True, slots=True, kw_only=True)
class Shim:
    """A support by the key of its hole, and the shim behind it [mm]."""

    key: str
    thick_mm: float


def shims(at: Ask) -> tuple[Shim, ...]:
    """Behind every hole; none while the wall was not read or nothing is to be drilled."""
    plane, drill_plan = at(flat), at(drilling)
    if not isinstance(plane, Flatness) or drill_plan is None:
        return ()
    supports = [hole for hole in drill_plan.holes if hole.screw == 1]  # a bracket is shimmed once
    places = [(hole.x_mm, hole.y_mm) for hole in supports]
    thick = shims_mm(plane, places, parallel=at.field(Hanging.shims) == "parallel")
    return tuple(Shim(key=hole.key, thick_mm=value) for hole, value in zip(supports, thick, strict=True))


def pack(at: Ask) -> dict[float, int]:
    """Shims to bring, by thickness [mm]."""
    sizes = [INCH_MM * size for size in PACK_IN] if at.units.unit_mm == INCH_MM else PACK_MM
    return shim_pack([shim.thick_mm for shim in at(shims)], sizes)


def wind(at: Ask) -> float | None:
    """Wind of the wall at the frame's four corners [mm]."""
    plane = at(flat)
    if not isinstance(plane, Flatness):
        return None
    left, bottom, right, top = at(rect_of_frame)
    corners = plane.z_at(np.array([(left, top), (right, top), (left, bottom), (right, bottom)]))
    return wind_mm(*(float(corner) for corner in corners))


def lean_mm(at: Ask) -> float | None:
    """How far the wall leans over the frame's height, + where the top is nearer the room [mm]."""
    plane = at(flat)
    if not isinstance(plane, Flatness):
        return None
    _, bottom, _, top = at(rect_of_frame)
    return plane.plumb * (top - bottom)
