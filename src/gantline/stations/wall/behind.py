"""What is known of the stud behind each hole: the readings that found it, and how far off its center may be."""

from dataclasses import dataclass

from gantline.core.defaults import WallDefaults
from gantline.core.wall.found import Stud
from gantline.core.wall.studs import off_center_mm
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.survey import lattice
from gantline.stations.wall.screws import first_screw_off_mm
from gantline.stations.wall.solve import drilling
from gantline.stations.wall.told import facts
from gantline.stations.wall.way import on_studs


@dataclass(frozen=True, slots=True, kw_only=True)
class StudBehind:
    """The stud behind the holes of one place along the wall: their side, the stud, and how far off it may turn out to be with
    every screw of the place still in the wood [mm]."""

    side: str
    stud: Stud
    room_mm: float


def studs_behind(at: Ask) -> tuple[StudBehind, ...]:
    """The studs that screws are still to be driven into, in the order of the holes; none off studs or where all is drilled."""
    drill_plan, studs = at(drilling), at(lattice)
    if drill_plan is None or studs is None or not at(on_studs):
        return ()
    done = {fact.key for fact in at(facts) if fact.drilled}
    holds, aside = at(stud_holds_mm), at(first_screw_off_mm)
    behind: dict[str, StudBehind] = {}
    for hole in drill_plan.holes:
        if hole.screw > 1 or hole.key in done:
            continue
        middle = hole.x_mm - aside if hole.row == "upper" else hole.x_mm
        stud = studs.behind(middle)
        if stud is not None and hole.side not in behind:
            # a kit's own spacing may stand off the center, and screws side by side reach out from it
            room = max(0.0, holds - abs(middle - stud.x_mm) - abs(aside))
            behind[hole.side] = StudBehind(side=hole.side, stud=stud, room_mm=room)
    return tuple(behind.values())


def unread(at: Ask) -> tuple[StudBehind, ...]:
    """Those of them that no reading has touched."""
    return tuple(place for place in at(studs_behind) if not place.stud.readings)


def stud_holds_mm(at: Ask) -> float:
    """How far off its stud's center a screw still keeps its distance from the edge [mm]."""
    return off_center_mm(at.field(Survey.stud_width_mm), at.default(WallDefaults.stud_edge_mm))
