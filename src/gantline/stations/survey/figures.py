"""What the survey itself computes: the lowest ceiling, where it was read along the wall."""

from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.survey.solve import ceiling

FIGURES = Figures()


@FIGURES.length("ceiling", "Ceiling above floor", "lowest of the ceiling readings", Survey.ceiling_mm)
def lowest_ceiling(at: Ask) -> Display:
    """As entered, or the lowest of the readings, which take over."""
    if not at.things(Survey.ceiling_readings):
        return Display(at.field(Survey.ceiling_mm))
    x, lowest = min(at(ceiling).readings, key=lambda one: one[1])
    datum = at.field(Survey.datum_mm)
    made = term("datum line", datum) + term("lowest reading", lowest - datum)
    return Display(
        lowest, made, how=f"read at {at.exact(x)}", label="Ceiling above floor, lowest", forced=True
    )


def gist(at: Ask) -> str:
    """The wall's width."""
    return f"wall {at.text(at.field(Survey.wall_width_mm))}"
