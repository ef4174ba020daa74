"""The stations of the rope, one folder each, and a job planned and drawn with all of them."""

from gantline.core.defaults import PLAIN_SHOP, Shop
from gantline.drawing.marks import Face
from gantline.job.model import Job
from gantline.plan.plan import JobPlan
from gantline.plan.plan import plan as plan_with
from gantline.plan.station import FaceName


def plan(job: Job, shop: Shop = PLAIN_SHOP, last: JobPlan | None = None, *, cures: bool = True) -> JobPlan:
    """The whole plan of one job. last: the plan of an earlier state of it, to keep answers from.

    cures: tried and offered; without, findings have none, as while something is dragged.
    """
    from gantline.stations.registry import STATIONS

    return plan_with(job, STATIONS, shop, last, cures=cures)


def face(made: JobPlan, name: FaceName) -> Face:
    """One face of the board with every station's marks."""
    from gantline.stations.board import draw
    from gantline.stations.registry import STATIONS

    found = made.faces.get(name)
    if found is None:
        found = made.faces[name] = draw(made, STATIONS, name)
    return found
