"""Holes from every reference, and what the tape must read between them."""

from collections.abc import Callable
from typing import Any

from gantline.core.defaults import WallDefaults
from gantline.core.units import read_tape
from gantline.core.wall.cleat import CleatPlace
from gantline.core.wall.facts import drilled_y_mm
from gantline.core.wall.found import Studs
from gantline.core.wall.loads import FIXINGS, G_M_S2, drill_depth_mm, screw_length_mm
from gantline.core.wall.marks import level_tolerance_mm
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, least, most, root, size, square, term
from gantline.stations.frame import mass_kg
from gantline.stations.height import centre_x_mm, fits, placement
from gantline.stations.size import screen
from gantline.stations.survey import lattice, room
from gantline.stations.wall.loads import (
    allowed_n,
    fixing,
    fixing_key,
    fixings_top,
    levers_mm,
    load,
    used,
)
from gantline.stations.wall.solve import (
    choice,
    cleat_on_studs,
    cleat_place,
    drilling,
    facts,
    fixed,
    held,
    lower_holes,
    on_cleat,
    on_studs,
    pair,
    row_offset_mm,
    rows_mm,
    spacing_asked_mm,
)

FIGURES = Figures()
ONE_DATUM = "one datum, each mark rounded alone"
DATUM = "marked from the datum line"
READ_BACK = "read back after drilling"
BY_STUDS = "stud pair closest to the rule, then nearest to even"
ON_CENTER_MM = 1e-6


def _when(key: str, label: str, field: Any, show: Any) -> None:
    @FIGURES.other(key, label, "", "usual", field)
    def shown(at: Ask) -> Display | None:
        """Only where it matters."""
        return Display(at.field(field)) if show(at) else None


_when("fix_to", "Fixed", Hanging.fix_to, lambda at: at(lattice) is not None)
_when("spacing_share", "Share of frame width", Hanging.spacing_share, lambda at: not at(fixed))
_when("fixed_spacing", "Fixed spacing", Hanging.spacing_mm, fixed)
_when("row_offset", "Hole-row spacing, less than frame height", Hanging.row_offset_mm, lower_holes)


@FIGURES.other("lower_holes", "Lower holes", "", "as the way of hanging has it", Hanging.lower_holes)
def has_lower(at: Ask) -> Display:
    """Whether there is a lower row."""
    there = at(lower_holes)
    return Display(there, text="yes" if there else "no", how="as the way of hanging has it; nothing entered")


@FIGURES.length("hole_left", "Left holes from left wall end", ONE_DATUM)
def hole_left(at: Ask) -> Display | None:
    """Sideways mark of the left bracket."""
    return _hole(at, left=True)


@FIGURES.length("hole_right", "Right holes from left wall end", ONE_DATUM)
def hole_right(at: Ask) -> Display | None:
    """Sideways mark of the right bracket."""
    return _hole(at, left=False)


@FIGURES.length("upper_row", "Upper holes above datum", DATUM)
def upper_row(at: Ask) -> Display | None:
    """The upper holes from the datum line."""
    rows = at(rows_mm)
    if rows is None:
        return None
    if drilled_y_mm(at(facts), "upper") is not None:
        return _from_datum(
            "Upper holes", term("drilled row", rows[0]) - term("datum line", at(room).datum_mm)
        )
    made = term("frame top", at(placement).top_mm) - term("drop", at.field(Hanging.drop_mm))
    return _from_datum("Upper holes", made - term("datum line", at(room).datum_mm))


@FIGURES.length("lower_row", "Lower holes above datum", DATUM)
def lower_row(at: Ask) -> Display | None:
    """The lower holes from the datum line."""
    rows, offset = at(rows_mm), at(row_offset_mm)
    if rows is None or offset is None:
        return None
    if drilled_y_mm(at(facts), "lower") is not None and rows[1] is not None:
        return _from_datum(
            "Lower holes", term("drilled row", rows[1]) - term("datum line", at(room).datum_mm)
        )
    apart = term("overall height", at(screen).overall_height_mm) - term("hole-row spacing", offset)
    return _from_datum("Lower holes", term("upper row", rows[0] - at(room).datum_mm) - apart)


@FIGURES.length("check_across", "Check: hole to hole across", READ_BACK)
def check_across(at: Ask) -> Display | None:
    """Between holes drilled at the printed marks."""
    two, done = at(pair), at(drilling) if at(facts) else None
    if two is None or not at(fits):
        return None
    left, right = (
        (two.left_mm, two.right_mm) if done is None else [one.from_left_mm for one in done.marks[:2]]
    )
    return _between(at, "left", left, "right", right)


@FIGURES.length("check_down", "Check: upper to lower hole", READ_BACK)
def check_down(at: Ask) -> Display | None:
    """Between the left holes, drilled at the printed marks or where they are."""
    rows, datum = at(rows_mm), at(room).datum_mm
    if rows is None or rows[1] is None:
        return None
    done = at(drilling) if at(facts) else None
    upper, lower = (done.row("upper"), done.row("lower")) if done else (None, None)
    if upper is not None and lower is not None:
        return _between(at, "lower", lower.from_datum_mm, "upper", upper.from_datum_mm)
    return _between(at, "lower", rows[1] - datum, "upper", rows[0] - datum)


@FIGURES.length("check_diagonal", "Check: both hole diagonals", READ_BACK)
def check_diagonal(at: Ask) -> Display | None:
    """Between holes drilled at the printed marks."""
    across, down = at(check_across), at(check_down)
    if across is None or down is None or across.working is None or down.working is None:
        return None
    made = root(square(term("across", across.working.value)) + square(term("down", down.working.value)))
    return Display(made.value, made)


def _between(at: Ask, first: str, first_mm: float, second: str, second_mm: float) -> Display:
    printed = [
        term(f"printed {name} mark", read_tape(length, at.units).read_mm)
        for name, length in ((second, second_mm), (first, first_mm))
    ]
    made = printed[0] - printed[1]
    return Display(made.value, made, how="of the marks as printed")


@FIGURES.other("level_tolerance", "Left and right level within", "mm", "trade tolerance")
def level_tolerance(at: Ask) -> Display | None:
    """How far the rows may be off level."""
    two = at(pair)
    if two is None or not at(fits):
        return None
    largest = at.default(WallDefaults.hole_level_mm)
    across = two.spacing_mm
    value = level_tolerance_mm(across, most_mm=largest)
    made = least(term("largest allowed", largest), term("across", across) * 0.5 / 1000.0)
    return Display(value, made, at.allowed(value), how="or 0.5 mm per meter, whichever is less")


@FIGURES.length("wished_spacing", "Spacing by the rule", "two thirds of the width keeps the rail straight")
def wished_spacing(at: Ask) -> Display:
    """What the rule asks for."""
    value = at(spacing_asked_mm)
    if at(fixed):
        return Display(value, term("the kit's fixed spacing", value))
    share = term("share of frame width", at.field(Hanging.spacing_share), "")
    return Display(value, share * term("overall width", at(screen).overall_width_mm))


@FIGURES.length("spacing", "Bracket to bracket", "two brackets on the rail")
def spacing(at: Ask) -> Display | None:
    """Between the brackets."""
    two = at(pair)
    if two is None:
        return None
    how = BY_STUDS if at(on_studs) else "even about the screen's center"
    return Display(
        two.spacing_mm, term("right bracket", two.right_mm) - term("left bracket", two.left_mm), how=how
    )


def _cleat_end(key: str, label: str, end: Callable[[CleatPlace], float]) -> None:
    @FIGURES.length(key, label, "past its outer studs by what keeps the end from splitting")
    def piece(at: Ask) -> Display | None:
        """Of the wall piece, from the left wall end."""
        place = at(cleat_place) if at(cleat_on_studs) else None
        return None if place is None else Display(end(place), how=f"over {len(place.studs_mm)} studs")


_cleat_end("cleat_left", "Cleat, left end from left wall end", lambda one: one.left_mm)
_cleat_end("cleat_right", "Cleat, right end from left wall end", lambda one: one.right_mm)


@FIGURES.length(
    "cleat_play", "Cleat, screen slides each way", "half of the frame's free length less the wall piece"
)
def cleat_play(at: Ask) -> Display | None:
    """Half the float."""
    place = at(cleat_place) if at(cleat_on_studs) else None
    if place is None:
        return None
    free = term("overall width", at(screen).overall_width_mm) - 2.0 * term(
        "corner joint", at.default(WallDefaults.rail_inset_mm)
    )
    made = (free - term("wall piece", place.right_mm - place.left_mm)) / 2.0
    return Display(made.value, made)


@FIGURES.other("studs_used", "Studs used", "", "nearest symmetric stud pair")
def studs_used(at: Ask) -> Display | None:
    """Numbers of the two studs, counted from the left."""
    found, studs = at(choice), at(lattice)
    if found is None or studs is None or found.best is None:
        return None
    numbers = [studs.nearest(x) or 0 for x in (found.best.left_mm, found.best.right_mm)]
    text = " and ".join(_ordinal(one + 1) for one in numbers)
    second = found.runner_up
    how = BY_STUDS
    if second is not None:
        how += f"; runner-up {at.exact(second.left_mm)} and {at.exact(second.right_mm)}"
    return Display(text, text=text, how=how)


@FIGURES.length(
    "pair_offset", "Brackets' middle from center", "the rail slides this much, within the side play"
)
def pair_offset(at: Ask) -> Display | None:
    """How far the brackets are from even."""
    two = at(pair)
    if two is None or not at(on_studs):
        return None
    middle = (term("left bracket", two.left_mm) + term("right bracket", two.right_mm)) / 2.0
    return Display(two.offset_mm, middle - term("screen center", at(centre_x_mm)))


@FIGURES.other("fixing", "Fixing", "", "a 6 mm screw into wood, a plug into brick", Hanging.fixing)
def which_fixing(at: Ask) -> Display:
    """What goes into the holes."""
    key = at(fixing_key)
    return Display(key, text=FIXINGS[key].name, how="a 6 mm screw into wood, a plug into brick")


@FIGURES.other(
    "load_shear", "Shear on each upper fixing", "N", "factor × weight over the fixings that bear it"
)
def shear(at: Ask) -> Display | None:
    """Of the finished screen, with the factor for handling."""
    found, weight = at(load), at(handled_weight)
    if found is None or weight is None:
        return None
    return Display(found.shear_n, weight / term("fixings", at(fixings_top), ""), f"{found.shear_n:.0f} N")


@FIGURES.other("load_pull", "Pull-out of each upper fixing", "N", "overturning about the lower bearing")
def pull(at: Ask) -> Display | None:
    """Of the finished screen, with the factor for handling."""
    found, weight, (out, down) = at(load), at(handled_weight), at(levers_mm)
    if found is None or weight is None:
        return None
    lever = term("out to the center of mass", out) / term("down to the lower bearing", down)
    made = weight * (most(lever, 1.0) if at(on_cleat) else lever) / term("fixings", at(fixings_top), "")
    return Display(found.pull_n, made, f"{found.pull_n:.0f} N")


def handled_weight(at: Ask) -> Expr | None:
    """The screen's weight with the factor for handling [N]."""
    mass = at(mass_kg)
    if mass is None:
        return None
    return term("factor", at.default(WallDefaults.load_factor), "") * term("mass", mass, " kg") * G_M_S2


@FIGURES.other("load_used", "Of what a fixing may carry", "", "V / V_a + T / T_a")
def used_share(at: Ask) -> Display | None:
    """Both together."""
    share, found = at(used), at(load)
    if share is None or found is None:
        return None
    shear_allowed, pull_allowed = at(allowed_n)
    made = term("shear", found.shear_n, " N") / term("allowed shear", shear_allowed, " N") + term(
        "pull-out", found.pull_n, " N"
    ) / term("allowed pull-out", pull_allowed, " N")
    return Display(share, made, f"{100.0 * share:.0f} %")


@FIGURES.length("screw_least", "Screws at least", "plate, cover and the depth it needs")
def screw_least(at: Ask) -> Display:
    """How long."""
    plate, cover = at.field(Hanging.plate_mm), at.field(Hanging.cover_mm)
    value = screw_length_mm(at(fixing), plate_mm=plate, cover_mm=cover)
    return Display(value, how="bracket plate + drywall or plaster + depth in what holds")


@FIGURES.other("drill", "Drill", "", "the fixing's own, to its depth")
def drill(at: Ask) -> Display:
    """Its size, and where the stop on the drill is set."""
    one = at(fixing)
    deep = at.text(drill_depth_mm(one, cover_mm=at.field(Hanging.cover_mm)))
    text = f"{one.drill_mm:g} mm, {deep} deep" if one.drill_mm else f"none: it drills itself, {deep}"
    return Display(text, text=text, how="set the stop on the drill to this depth from the wall's face")


def _hole(at: Ask, *, left: bool) -> Display | None:
    two, studs = at(pair), at(lattice)
    if two is None or not at(fits):
        return None
    x = two.left_mm if left else two.right_mm
    if (at(held)[0 if left else 1] if at(facts) else None) is not None:
        return Display(x, how="where it is drilled")
    if at(on_studs) and studs is not None:
        return _on_stud(at, studs, x)
    half = term("spacing", two.spacing_mm) / 2.0
    center = term("screen center", at(centre_x_mm))
    return Display(x, center - half if left else center + half)


def _on_stud(at: Ask, studs: Studs, x: float) -> Display:
    number = studs.nearest(x) or 0
    center = studs.centres_mm[number]
    made: Expr = term("stud as read", center)
    if studs.on_lattice(center):
        made = term("known stud", studs.lattice.known_mm)
        steps = studs.lattice.steps(center)
        if steps:
            away = term("stud spacing", studs.lattice.spacing_mm) * float(abs(steps))
            made = made + away if steps > 0 else made - away
    off = x - center
    how = f"center of the {_ordinal(number + 1)} stud"
    if abs(off) > ON_CENTER_MM:
        kept = term("off its center, for the kit's spacing", abs(off))
        made, how = made + kept if off > 0 else made - kept, f"in the {_ordinal(number + 1)} stud"
    return Display(x, made, how=how)


def _from_datum(what: str, made: Expr) -> Display:
    way = "above" if made.value >= 0.0 else "below"
    return Display(abs(made.value), size(made) if made.value < 0.0 else made, label=f"{what} {way} datum")


def _ordinal(number: int) -> str:
    ending = "th" if 10 <= number % 100 <= 20 else {1: "st", 2: "nd", 3: "rd"}.get(number % 10, "th")
    return f"{number}{ending}"


def gist(at: Ask) -> str:
    """How far apart the brackets are."""
    two = at(pair)
    return "no brackets" if two is None else f"{at.text(two.spacing_mm)} apart"
