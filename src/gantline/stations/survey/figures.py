"""What the survey itself computes: the lowest ceiling, where it was read along the wall."""

from collections import Counter

from gantline.core.wall.found import StudState
from gantline.job.field import field_of
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.survey.solve import ceiling_over
from gantline.stations.survey.studs import (
    CONFIRMS,
    build_given,
    fitted_readings,
    lattice,
    stud_fit,
    stud_readings,
    typed,
    wall_build,
)

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


@FIGURES.other("build", "Wall build", "", "a stud that was found says so", Survey.build)
def build_shown(at: Ask) -> Display:
    """As entered, else by the readings."""
    value = at(wall_build)
    if at.aside(build_given) is not None or not at(stud_readings):
        return Display(value)
    text = field_of(Survey.build).choice(value)
    return Display(value, text=text, how="studs were read on this wall", forced=True, typed=True)


@FIGURES.other("studs_found", "Studs", "", "the lattice that explains the readings best")
def studs_found(at: Ask) -> Display | None:
    """How many are confirmed, predicted and missing; or that two lattices fit alike."""
    studs, fitted = at(lattice), at(stud_fit)
    if studs is None or (fitted is None and not at(fitted_readings)):
        return None
    counts = Counter(stud.state for stud in studs.studs)
    parts = [f"{counts[state]} {state}" for state in StudState if counts[state]]
    if fitted is not None and not fitted.decided:
        parts = ["undecided"]
    how = "read on the wall" if fitted is None else f"fitted to {len(at(fitted_readings))} readings"
    return Display(", ".join(parts), text=", ".join(parts), how=f"{how}. {CONFIRMS}")


@FIGURES.length(
    "stud_spacing", "Stud spacing", "the spacing that explains the readings best", Survey.stud_spacing_mm
)
def stud_spacing(at: Ask) -> Display:
    """As typed, else fitted to the readings."""
    fitted = at(stud_fit)
    if fitted is None or at(typed)[1] is not None:
        return Display(at.field(Survey.stud_spacing_mm))
    return Display(fitted.best.spacing_mm, how=_fitted(at), forced=True, typed=True)


@FIGURES.length(
    "stud_first",
    "A known stud, from left",
    "the lattice that explains the readings best",
    Survey.stud_first_mm,
)
def stud_first(at: Ask) -> Display:
    """As typed, else of the fitted lattice."""
    fitted = at(stud_fit)
    if fitted is None or at(typed)[0] is not None:
        return Display(at.field(Survey.stud_first_mm))
    return Display(
        fitted.best.first_mm, how=_fitted(at), forced=True, typed=True, label="First stud of the lattice"
    )


@FIGURES.length("stud_next", "Next stud reading at", "where one more reading most probably settles it")
def stud_next(at: Ask) -> Display | None:
    """Only while two lattices explain the readings alike."""
    fitted = at(stud_fit)
    if fitted is None or fitted.next_mm is None:
        return None
    return Display(fitted.next_mm, how="on a stud of one lattice, clear of the other's")


def _fitted(at: Ask) -> str:
    return f"fitted to {len(at(fitted_readings))} readings; typed over, what is typed stands"


def gist(at: Ask) -> str:
    """The wall's width."""
    return f"wall {at.text(at.field(Survey.wall_width_mm))}"
