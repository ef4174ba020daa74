"""Holes from every reference, and what the tape must read between them."""

from gantline.core.defaults import WallDefaults
from gantline.core.units import read_tape
from gantline.core.wall.facts import drilled_y_mm
from gantline.core.wall.found import Studs
from gantline.core.wall.marks import ScrewLay, level_tolerance_mm
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import Expr, least, root, square, term
from gantline.stations.common import drop_mm
from gantline.stations.height import centre_x_mm, fits, placement
from gantline.stations.size import screen
from gantline.stations.survey import lattice, room
from gantline.stations.wall.datum import shown_across, shown_up, up_from
from gantline.stations.wall.screws import first_screw_off_mm, lay, screw_step_mm
from gantline.stations.wall.solve import by_kit, choice, drilling, pair, rows_mm, spacing_asked_mm
from gantline.stations.wall.told import facts, held
from gantline.stations.wall.way import on_studs, row_offset_mm

FIGURES = Figures()
ONE_DATUM = "one datum, each mark rounded alone"
DATUM = "marked from the datum line"
READ_BACK = "read back after drilling"
BY_STUDS = "stud pair closest to the rule, then nearest to even"
ON_CENTER_MM = 1e-6


@FIGURES.length("hole_left", "Left holes from left wall end", ONE_DATUM)
def hole_left(at: Ask) -> Display | None:
    """Sideways mark of the left bracket."""
    return shown_across(at, "Left holes", _hole(at, left=True))


@FIGURES.length("hole_right", "Right holes from left wall end", ONE_DATUM)
def hole_right(at: Ask) -> Display | None:
    """Sideways mark of the right bracket."""
    return shown_across(at, "Right holes", _hole(at, left=False))


@FIGURES.length("upper_row", "Upper holes above datum", DATUM)
def upper_row(at: Ask) -> Display | None:
    """The upper holes from the datum line, or the left one from floor or ceiling."""
    return _row(at, "upper", "left")


@FIGURES.length("lower_row", "Lower holes above datum", DATUM)
def lower_row(at: Ask) -> Display | None:
    """The lower holes, the same."""
    return _row(at, "lower", "left")


@FIGURES.length(
    "upper_row_right", "Upper right hole", "floor and ceiling are not straight: each hole for itself"
)
def upper_row_right(at: Ask) -> Display | None:
    """The upper right hole from floor or ceiling."""
    return _row(at, "upper", "right") if at(up_from) != "datum" else None


@FIGURES.length(
    "lower_row_right", "Lower right hole", "floor and ceiling are not straight: each hole for itself"
)
def lower_row_right(at: Ask) -> Display | None:
    """The lower right hole from floor or ceiling."""
    return _row(at, "lower", "right") if at(up_from) != "datum" else None


def _row(at: Ask, row: str, side: str) -> Display | None:
    rows = at(rows_mm)
    if rows is None or (row == "lower" and rows[1] is None):
        return None
    if at(up_from) == "datum":
        return shown_up(at, f"{row.capitalize()} holes", _height(at, row, rows), 0.0)
    two = at(pair)
    if two is None:
        return None
    x = two.left_mm if side == "left" else two.right_mm
    return shown_up(at, f"{row.capitalize()} {side} hole", _height(at, row, rows), x)


def _height(at: Ask, row: str, rows: tuple[float, float | None]) -> Expr:
    """A row above the floor at the survey point."""
    y, offset = rows[0 if row == "upper" else 1], at(row_offset_mm)
    if y is not None and drilled_y_mm(at(facts), row) is not None:
        return term("drilled row", y)
    if row == "upper" or offset is None:
        drop = at(drop_mm)
        top = term("frame top", at(placement).top_mm)
        return top - term("drop", drop) if drop >= 0.0 else top + term("holes above the frame top", -drop)
    apart = term("overall height", at(screen).overall_height_mm) - term("hole-row spacing", offset)
    return term("upper row", rows[0]) - apart


@FIGURES.length("screw_step", "Further screws of a bracket", "as on its plate")
def screw_step(at: Ask) -> Display | None:
    """From the first screw of a bracket to the next: below it, or to its right."""
    if at(screw_step_mm) == 0.0 or at.aside(drilling) is None:
        return None
    where = "to the right of the first" if at(lay) is ScrewLay.BESIDE else "below the first"
    return Display(
        at(screw_step_mm),
        term("screws apart on the plate", at(screw_step_mm)),
        how=f"{at.text(at(screw_step_mm))} {where}",
    )


@FIGURES.length("check_across", "Check: hole to hole across", READ_BACK)
def check_across(at: Ask) -> Display | None:
    """Between holes drilled at the printed marks."""
    two, done = at(pair), at(drilling) if at(facts) else None
    if two is None or not at(fits):
        return None
    left, right = (two.left_mm, two.right_mm) if done is None else [mark.from_left_mm for mark in done.ends]
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
    total = root(square(term("across", across.working.value)) + square(term("down", down.working.value)))
    return Display(total.value, total)


def _between(at: Ask, first: str, first_mm: float, second: str, second_mm: float) -> Display:
    printed = [
        term(f"printed {name} mark", read_tape(length, at.units).read_mm)
        for name, length in ((second, second_mm), (first, first_mm))
    ]
    made = printed[0] - printed[1]
    return Display(made.value, made, how="of the marks as printed")


@FIGURES.other("level_tolerance", "Left and right level", "mm", "trade tolerance")
def level_tolerance(at: Ask) -> Display | None:
    """How far the rows may be off level."""
    two = at(pair)
    if two is None or not at(fits):
        return None
    largest = at.default(WallDefaults.hole_level_mm)
    across = two.spacing_mm
    value = level_tolerance_mm(across, most_mm=largest)
    made = least(term("largest allowed", largest), term("across", across) * 0.5 / 1000.0)
    return Display(value, made, at.within(value), how="or 0.5 mm per meter, whichever is less")


@FIGURES.length("wished_spacing", "Spacing by the rule", "two thirds of the width keeps the rail straight")
def wished_spacing(at: Ask) -> Display:
    """What the rule asks for."""
    value = at(spacing_asked_mm)
    if at(by_kit):
        return Display(value, term("the kit's spacing", value))
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


@FIGURES.other("studs_used", "Studs used", "", "nearest symmetric stud pair")
def studs_used(at: Ask) -> Display | None:
    """Numbers of the two studs, counted from the left."""
    stud_pair, studs = at(choice), at(lattice)
    if stud_pair is None or studs is None or stud_pair.best is None:
        return None
    numbers = [studs.nearest(x) or 0 for x in (stud_pair.best.left_mm, stud_pair.best.right_mm)]
    text = " and ".join(_ordinal(number + 1) for number in numbers)
    second = stud_pair.runner_up
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


def _hole(at: Ask, *, left: bool) -> Display | None:
    two, studs = at(pair), at(lattice)
    if two is None or not at(fits):
        return None
    x = two.left_mm if left else two.right_mm
    if (at(held)[0 if left else 1] if at(facts) else None) is not None:
        return Display(x + at(first_screw_off_mm), how="where it is drilled")
    if at(on_studs) and studs is not None:
        return _on_stud(at, studs, x)
    half = term("spacing", two.spacing_mm) / 2.0
    center = term("screen center", at(centre_x_mm))
    middle, off = center - half if left else center + half, at(first_screw_off_mm)
    return Display(x + off, middle - term("bracket's middle to its first screw", -off) if off else middle)


def _on_stud(at: Ask, studs: Studs, x: float) -> Display:
    number = studs.nearest(x) or 0
    center = studs.centres_mm[number]
    total: Expr = term("stud as read", center)
    if studs.on_lattice(center):
        total = term("known stud", studs.lattice.known_mm)
        steps = studs.lattice.steps(center)
        if steps:
            away = term("stud spacing", studs.lattice.spacing_mm) * float(abs(steps))
            total = total + away if steps > 0 else total - away
    off, aside = x - center, at(first_screw_off_mm)
    how = f"center of the {_ordinal(number + 1)} stud"
    if abs(off) > ON_CENTER_MM:
        kept = term("off its center, for the kit's spacing", abs(off))
        total, how = total + kept if off > 0 else total - kept, f"in the {_ordinal(number + 1)} stud"
    if aside:
        total = total - term("bracket's middle to its first screw", -aside)
    return Display(x + aside, total, how=how)


def _ordinal(number: int) -> str:
    ending = "th" if 10 <= number % 100 <= 20 else {1: "st", 2: "nd", 3: "rd"}.get(number % 10, "th")
    return f"{number}{ending}"


def gist(at: Ask) -> str:
    """How far apart the brackets are."""
    two = at(pair)
    return "no brackets" if two is None else f"{at.text(two.spacing_mm)} apart"
