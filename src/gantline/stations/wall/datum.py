"""Where the tape is hooked for each mark: the wall's end, the screen's center or a stud; datum line, floor or ceiling."""

from gantline.core.wall.marks import HoleMark
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display
from gantline.plan.working import Expr, size, term
from gantline.stations.height import centre_x_mm
from gantline.stations.survey import lattice, room

STUD = "stud center"


def across_from(at: Ask) -> str:
    """What sideways marks are taken from; the left wall end where there is no stud to take them from."""
    by = at.given(Hanging.across_from) or "left"
    studs = at(lattice) if by == "stud" else None
    return "left" if by == "stud" and (studs is None or not studs.centres_mm) else by


def up_from(at: Ask) -> str:
    """What heights are taken from."""
    return at.given(Hanging.up_from) or "datum"


def hooked_across(at: Ask, hole_mark: HoleMark) -> tuple[str, float]:
    """Where the tape is hooked for a hole, and what it reads there [mm]."""
    by = at(across_from)
    if by == "right":
        return "right wall end", at(room).wall_mm - hole_mark.from_left_mm
    if by == "center":
        return f"screen center, {_way(hole_mark.from_centre_mm)}", abs(hole_mark.from_centre_mm)
    if by == "stud" and hole_mark.from_stud_mm is not None:
        return f"{STUD}, {_way(hole_mark.from_stud_mm)}", abs(hole_mark.from_stud_mm)
    return "left wall end", hole_mark.from_left_mm


def hooked_up(at: Ask, hole_mark: HoleMark) -> tuple[str, float]:
    """What a hole's height is measured from, and its reading [mm]."""
    by = at(up_from)
    if by == "floor":
        return "floor below it, up", hole_mark.to_floor_mm
    if by == "ceiling":
        return "ceiling above it, down", hole_mark.to_ceiling_mm
    return f"datum line, {'up' if hole_mark.from_datum_mm >= 0 else 'down'}", abs(hole_mark.from_datum_mm)


def shown_across(at: Ask, name: str, found: Display | None) -> Display | None:
    """A hole's mark from the left wall end, told from where the tape is hooked."""
    by = at(across_from)
    if found is None or by == "left":
        return found
    x = float(found.value or 0.0)
    total = term("from left wall end", x) if found.working is None else found.working
    if by == "right":
        total = term("wall width", at(room).wall_mm) - total
        return Display(total.value, total, how=found.how, label=f"{name} from right wall end")
    studs = at(lattice)
    number = None if studs is None else studs.nearest(x)
    if by == "center" or studs is None or number is None:
        total, what = total - term("screen center", at(centre_x_mm)), "screen center"
    else:
        total, what = term("from left wall end", x) - term(STUD, studs.centres_mm[number]), f"its {STUD}"
    label = f"{name} {_way(total.value)} of {what}"
    return Display(abs(total.value), size(total) if total.value < 0.0 else total, how=found.how, label=label)


def shown_up(at: Ask, name: str, expr: Expr, x_mm: float) -> Display:
    """A row's height above the floor at the survey point, told from where the tape is hooked, at x."""
    by, here = at(up_from), at(room)
    if by == "floor":
        total = expr - term("floor there", here.floor.at(x_mm))
        return Display(total.value, total, label=f"{name} above the floor there")
    if by == "ceiling":
        total = term("ceiling there", here.ceiling.at(x_mm)) - expr
        return Display(total.value, total, label=f"{name} below the ceiling there")
    total = expr - term("datum line", here.datum_mm)
    way = "above" if total.value >= 0.0 else "below"
    value = size(total) if total.value < 0.0 else total
    return Display(abs(total.value), value, label=f"{name} {way} datum")


def _way(off_mm: float) -> str:
    return "right" if off_mm >= 0.0 else "left"
