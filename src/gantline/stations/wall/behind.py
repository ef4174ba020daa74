"""What is known of the stud behind each hole: the readings that found it, and how far off its center may be."""

from dataclasses import dataclass

from gantline.core.defaults import WallDefaults
from gantline.core.wall.found import Stud
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.survey import lattice
from gantline.stations.wall.screws import first_screw_off_mm
from gantline.stations.wall.solve import drilling
from gantline.stations.wall.told import facts
from gantline.stations.wall.way import on_studs


@dataclass(frozen=True, slots=True, kw_only=True)
class StudBehind:
    """The stud behind the holes of one place along the wall: their side, and the stud."""

    side: str
    stud: Stud


def studs_behind(at: Ask) -> tuple[StudBehind, ...]:
    """The studs that screws are still to be driven into, in the order of the holes; none off studs or where all is drilled."""
    there, studs = at(drilling), at(lattice)
    if there is None or studs is None or not at(on_studs):
        return ()
    done = {hole.key for hole in at(facts) if hole.drilled}
    behind: dict[str, StudBehind] = {}
    for hole in there.holes:
        stud = studs.behind(hole.x_mm)
        if stud is not None and hole.key not in done:
            behind.setdefault(hole.side, StudBehind(side=hole.side, stud=stud))
    return tuple(behind.values())


def unread(at: Ask) -> tuple[StudBehind, ...]:
    """Those of them that no reading has touched."""
    return tuple(place for place in at(studs_behind) if not place.stud.readings)


def stud_holds_mm(at: Ask) -> float:
    """How far off its stud's center a screw still keeps its distance from the edge [mm]."""
    return max(0.0, at.field(Survey.stud_width_mm) / 2.0 - at.default(WallDefaults.stud_edge_mm))


def bracket_holds_mm(at: Ask) -> float:
    """How far off the stud's center a bracket may stand with all of its screws in the wood [mm]."""
    return max(0.0, at(stud_holds_mm) - abs(at(first_screw_off_mm)))
