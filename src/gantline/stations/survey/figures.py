"""What the survey itself computes: the lowest ceiling, where it was read along the wall."""

from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.survey.solve import ceiling_over

FIGURES = Figures()


@FIGURES.length("ceiling", "Ceiling above floor", "lowest of the ceiling readings", Survey.ceiling_mm)
def lowest_ceiling(at: Ask) -> Display:
    """As entered, or the lowest of the readings, which take over."""
    if not at.things(Survey.ceiling_readings):
        return Display(at.field(Survey.ceiling_mm))
    lowest, x, z = min((y, x, z) for z, row in at(ceiling_over).rows for x, y in row.readings)
    datum = at.field(Survey.datum_mm)
    out = f", {at.exact(z)} from the wall" if z > 0.0 else ""
    made = term("datum line", datum) + term("lowest reading", lowest - datum)
    return Display(
        lowest, made, how=f"read at {at.exact(x)}{out}", label="Ceiling above floor, lowest", forced=True
    )


def gist(at: Ask) -> str:
    """The wall's width."""
    return f"wall {at.text(at.field(Survey.wall_width_mm))}"
