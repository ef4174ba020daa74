"""The sheet as its simulation takes it, and what a simulated order that was taken says."""

from dataclasses import dataclass

from gantline.core.defaults import Default, TensionDefaults
from gantline.core.frame.stiffness import bending_n_mm2, racking_n_mm
from gantline.core.membrane.hands import Together
from gantline.core.membrane.numbers import SheetNumbers, step_numbers
from gantline.core.tension.cloths import NAMES, ClothSort
from gantline.job.model.frame import Blank, FrameBuild
from gantline.job.model.tensioning import Tensioning
from gantline.plan.ask import Ask
from gantline.stations.frame import (
    board_section,
    brace_places,
    cloth,
    line_tension_n_m,
    stuff,
    timber,
    wrap_mm,
)
from gantline.stations.size import screen
from gantline.stations.tension.solve import hold, layout, spread_points, spread_steps

STIFF: dict[ClothSort, tuple[Default, Default]] = {
    ClothSort.FILM: (TensionDefaults.film_n_m, TensionDefaults.film_n_m),
    ClothSort.BLACKOUT: (TensionDefaults.blackout_along_n_m, TensionDefaults.blackout_across_n_m),
    ClothSort.COATED: (TensionDefaults.coated_n_m, TensionDefaults.coated_n_m),
    ClothSort.KNIT: (TensionDefaults.knit_n_m, TensionDefaults.knit_n_m),
}


def stiff_n_m(at: Ask) -> tuple[float, float]:
    """Stretch stiffness along the roll and across it [N/m]."""
    along, across = STIFF[at(cloth)]
    given = at.given(Tensioning.stiff_along_n_m), at.given(Tensioning.stiff_across_n_m)
    return (
        at.default(along) if given[0] is None else given[0],
        at.default(across) if given[1] is None else given[1],
    )


def cloths(at: Ask) -> tuple[tuple[str, float, float], ...]:
    """Every sort of cloth by the shop's own numbers: name, stretch stiffness along and across [N/mm]."""
    return tuple(
        (NAMES[sort], at.default(along) / 1000.0, at.default(across) / 1000.0)
        for sort, (along, across) in STIFF.items()
    )


def sheet_numbers(at: Ask) -> SheetNumbers | str:
    """Everything that a simulation of this sheet and its order rests on, or why there is none."""
    laid, points = at(layout), at(spread_points)
    if isinstance(laid, str) or isinstance(points, str):
        return "The points do not fit this frame, so there is nothing to simulate."
    along, across = at(stiff_n_m)
    e_gpa, _ = at(stuff)
    bending = bending_n_mm2(e_gpa, at(board_section).inertia_mm4)
    limit = at.given(Tensioning.spring_limit_mm)
    own = at(screen)
    hidden = (own.overall_width_mm - own.picture.width_mm) / 2.0 - at.field(FrameBuild.trim_mm)
    return SheetNumbers(
        width_mm=laid.width_mm,
        height_mm=laid.height_mm,
        hold=at(hold).value,
        points=tuple((point.side.value, point.reading_mm, point.first_pass) for point in points),
        along=along / 1000.0,
        across=across / 1000.0,
        poisson=at.default(TensionDefaults.poisson),
        line=at(line_tension_n_m) / 1000.0,
        mass_g_m2=at.field(Blank.mass_g_m2),
        rail_bending=bending,
        stile_bending=bending,
        supports_mm=tuple(place for place in at(brace_places) if 0.0 < place < laid.width_mm),
        braced=bool(at(timber) and not at.field(FrameBuild.removable)),
        racking=racking_n_mm(at.default(TensionDefaults.joint_kn_m), laid.height_mm),
        spring_rate=at.field(Tensioning.spring_n_mm),
        spring_limit_mm=at.default(TensionDefaults.spring_useful_mm) if limit is None else limit,
        wrap_mm=at(wrap_mm),
        border_mm=max(0.0, hidden),
        together=(Together.ONE if at.field(Tensioning.people) == "one" else Together.PARTNERS).value,
        steps=step_numbers(at(spread_steps)),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Taken:
    """A simulated order that somebody took: shares from 0 to 1, lengths [mm], pull of a point [N]; what it rested on."""

    rests: str
    evenness: float
    wrinkled: float
    drift_mm: float
    pull_n: float
    past_limit: int
    awaited: str


def taken(at: Ask) -> Taken | None:
    """The simulated order that somebody took."""
    items = at.things(Tensioning.simulated)
    if not items:
        return None
    run = items[0]
    return Taken(
        rests=run.rests,
        evenness=run.evenness,
        wrinkled=run.wrinkled,
        drift_mm=run.drift_mm,
        pull_n=run.pull_n,
        past_limit=run.past_limit,
        awaited=run.awaited,
    )


def stale(at: Ask) -> bool:
    """Whether what was simulated is no longer what is planned."""
    run = at(taken)
    if run is None:  # most jobs: nothing is hashed for them
        return False
    numbers = at(sheet_numbers)
    return isinstance(numbers, str) or numbers.key != run.rests


def awaited(at: Ask) -> dict[int, str]:
    """By step what to expect from it on, of a simulated order that still holds."""
    run = at(taken)
    if run is None or at(stale):
        return {}
    out = dict[int, str]()
    for line in run.awaited.splitlines():
        step, _, text = line.partition(" ")
        if step.isdigit() and text:
            out[int(step)] = f"{out[int(step)]}. {text}" if int(step) in out else text
    return out
