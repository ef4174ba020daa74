"""What the fixings carry, how long they must be and how deep they are drilled."""

from gantline.core.defaults import WallDefaults
from gantline.core.units import bit_text
from gantline.core.wall.loads import G_M_S2, SPREAD_MM, Base, drill_depth_mm
from gantline.core.wall.screws import WOOD_SCREWS
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, most, term
from gantline.stations.common import on_cleat
from gantline.stations.frame import mass_kg
from gantline.stations.wall.loads import (
    allowed_n,
    by_inches,
    fixing,
    fixing_key,
    fixing_name,
    hole_loads,
    layers,
    least_mm,
    levers_mm,
    longest_mm,
    on_backer,
    screw_sold,
    used_by_hole,
    worst,
)
from gantline.stations.wall.screws import carrying

LOAD_FIGURES = Figures()


@LOAD_FIGURES.other("fixing", "Fixing", "", "a 6 mm screw into wood, a plug into brick", Hanging.fixing)
def which_fixing(at: Ask) -> Display:
    """What goes into the holes."""
    return Display(at(fixing_key), text=at(fixing_name), how="a 6 mm screw into wood, a plug into brick")


@LOAD_FIGURES.other(
    "load_shear", "Shear on the fixing that bears most", "N", "factor × weight × its share of the row"
)
def shear(at: Ask) -> Display | None:
    """Of the finished screen, with the factor for handling."""
    worst_load, weight = at(worst), at(handled_weight)
    if worst_load is None or weight is None:
        return None
    total = (
        weight
        * _share("its share", worst_load.shear_share)
        / term("screws that carry there", at(carrying), "")
    )
    return Display(worst_load.load.shear_n, total, f"{worst_load.load.shear_n:.0f} N")


@LOAD_FIGURES.other("load_pull", "Pull-out of the same", "N", "overturning about the lower bearing")
def pull(at: Ask) -> Display | None:
    """Of the finished screen, with the factor for handling."""
    worst_load, weight, (out, down) = at(worst), at(handled_weight), at(levers_mm)
    if worst_load is None or weight is None:
        return None
    lever = term("out to the center of mass", out) / term("down to the lower bearing", down)
    share = _share("its share", worst_load.pull_share)
    total = weight * (most(lever, 1.0) if at(on_cleat) else lever) * share
    total = total / term("screws that carry there", at(carrying), "")
    return Display(worst_load.load.pull_n, total, f"{worst_load.load.pull_n:.0f} N")


def _share(name: str, share: float) -> Expr:
    return term(name, abs(share), "")


def handled_weight(at: Ask) -> Expr | None:
    """The screen's weight with the factor for handling [N]."""
    mass = at(mass_kg)
    if mass is None:
        return None
    return term("factor", at.default(WallDefaults.load_factor), "") * term("mass", mass, " kg") * G_M_S2


@LOAD_FIGURES.other("load_used", "Share of allowable load used", "", "V / V_a + T / T_a")
def used_share(at: Ask) -> Display | None:
    """Both together."""
    shares = at(used_by_hole)
    if not shares:
        return None
    shear_allowed, pull_allowed = at(allowed_n)
    load = at(hole_loads)[shares.index(max(shares))].load
    total = term("shear", load.shear_n, " N") / term("allowed shear", shear_allowed, " N") + term(
        "pull-out", load.pull_n, " N"
    ) / term("allowed pull-out", pull_allowed, " N")
    return Display(total.value, total, f"{100.0 * total.value:.0f} %")


@LOAD_FIGURES.length("screw_least", "Screws at least", "every layer it passes, and the depth it needs")
def screw_least(at: Ask) -> Display:
    """How long."""
    fastener, passed = at(fixing), at(layers)
    total: Expr = term(passed[0].name, passed[0].thick_mm)
    for layer in passed[1:]:
        total = total + term(layer.name, layer.thick_mm)
    total = total + term("depth in the backer" if at(on_backer) else "depth in what holds", fastener.depth_mm)
    if fastener.base is Base.BOARD:
        total = total + term("room to spread behind", SPREAD_MM)
    return Display(total.value, total)


@LOAD_FIGURES.other("screw_sold", "Screw to buy", "", "the shortest sold that is long enough")
def screw_to_buy(at: Ask) -> Display | None:
    """By the name it is sold under."""
    sold, most_mm = at(screw_sold), at(longest_mm)
    if sold is None:
        return None
    if not sold:
        return Display(None, text="none is sold that fits", how="a longer one comes out behind the board")
    behind = "" if most_mm is None else f"; past {at.text(most_mm)} it reaches the cavity"
    return Display(sold, text=sold, how=f"at least {at.text(at(least_mm))}{behind}")


def bit(at: Ask) -> str:
    """The drill bit as it is sold where the job is."""
    fastener, size = at(fixing), WOOD_SCREWS.get(at(fixing_key))
    return size.bit_inch if size is not None and at(by_inches) else bit_text(fastener.drill_mm, at.units)


@LOAD_FIGURES.other("drill", "Drill", "", "0.65 of a screw's diameter, or the fixing's own, to its depth")
def drill(at: Ask) -> Display:
    """Its size, and where the stop on the drill is set."""
    fastener = at(fixing)
    cover = 0.0 if at(on_backer) else at.field(Hanging.cover_mm)
    deep = at.text(drill_depth_mm(fastener, cover_mm=cover))
    text = f"{at(bit)}, {deep} deep" if fastener.drill_mm else f"none: it drills itself, {deep}"
    into = ""
    if fastener.base is Base.BOARD:
        into = ". The hole opens into the cavity: look for cables and pipes first"
    elif at(on_backer):
        into = ". No deeper: behind the backer is a cavity where cables may run"
    face = "the backer's face" if at(on_backer) else "the wall's face"
    return Display(text + into, text=text + into, how=f"set the stop on the drill to this depth from {face}")
