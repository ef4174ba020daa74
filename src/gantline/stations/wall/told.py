"""What was drilled, what was refused, and the studs that are left."""

from gantline.core.defaults import WallDefaults
from gantline.core.wall.bands import stud_is_free
from gantline.core.wall.facts import HoleFact, blocked_xs_mm, drilled_x_mm, is_blocked
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.stations.survey import bands, lattice
from gantline.stations.wall.screws import first_screw_off_mm


def facts(at: Ask) -> tuple[HoleFact, ...]:
    """Holes that are drilled, and those that are not possible."""
    return tuple(
        HoleFact(key=fact.hole, drilled=fact.state == "drilled", x_mm=fact.x_mm, y_mm=fact.y_mm)
        for fact in at.things(Hanging.facts)
    )


def held(at: Ask) -> tuple[float | None, float | None]:
    """Where the left and the right bracket are fixed by what is drilled [mm]."""
    hole_facts, off = at(facts), at(first_screw_off_mm)
    left, right = drilled_x_mm(hole_facts, "left"), drilled_x_mm(hole_facts, "right")
    return None if left is None else left - off, None if right is None else right - off


def free_studs(at: Ask) -> tuple[float, ...]:
    """Stud centers that no band runs straight up or down along, and no drill was refused at [mm]."""
    studs, found, refused = at(lattice), at(bands), blocked_xs_mm(at(facts))
    if studs is None:
        return ()
    free = tuple(x for x in studs.centres_mm if stud_is_free(x, found))
    if not refused:
        return free
    clear = at.default(WallDefaults.refused_clear_mm)
    return tuple(x for x in free if not is_blocked(x, refused, clear))
