"""What holds the bottom off the wall: its thickness at each lower corner, and the turns of an adjustable standoff."""

from dataclasses import dataclass

from gantline.core.wall.flat import Flatness, pads_mm, turns_out
from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.common import standoff_mm
from gantline.stations.height import rect_of_frame
from gantline.stations.wall.flat import flat
from gantline.stations.wall.solve import drilling
from gantline.stations.wall.way import bottom

PADDED = ("pads", "strips", "screws", "cleat")
PAD_FIGURES = Figures()
SAME = "the same standoff as above, or the screen leans"


@dataclass(frozen=True, slots=True, kw_only=True)
class Pads:
    """At the lower left and right corner as seen from the front [mm]."""

    left_mm: float
    right_mm: float


def pads(at: Ask) -> Pads | None:
    """How thick each is: the standoff above, and by the wall's flatness where it was read; None where nothing is wanted."""
    if at(bottom) not in PADDED:
        return None
    drill_plan, plane, off = at(drilling), at(flat), at(standoff_mm)
    if drill_plan is None or not isinstance(plane, Flatness):
        return Pads(left_mm=off, right_mm=off)
    supports = [
        (hole.x_mm, hole.y_mm) for hole in drill_plan.holes if hole.screw == 1 and hole.row == "upper"
    ]
    left, low, right, _ = at(rect_of_frame)
    thick = pads_mm(
        plane,
        supports,
        [(left, low), (right, low)],
        standoff_mm=off,
        parallel=at.field(Hanging.shims) == "parallel",
    )
    return Pads(left_mm=thick[0], right_mm=thick[1])


def by_corner(at: Ask) -> bool:
    """Whether the two differ by what a tape shows."""
    padding = at(pads)
    return padding is not None and abs(padding.left_mm - padding.right_mm) >= at.step_mm / 2.0


def turned(at: Ask) -> bool:
    """Whether the bottom stands on adjustable standoffs."""
    return at(bottom) == "screws"


WHAT = {
    "pads": "Pads",
    "strips": "Strips",
    "screws": "Standoffs",
    "cleat": "Low cleat",
}


@PAD_FIGURES.length("pads", "Pads or strips, thick", SAME)
def both(at: Ask) -> Display | None:
    """At both bottom corners, as thick as what stands off above."""
    padding = at(pads)
    if padding is None or at(by_corner):
        return None
    label = f"{WHAT[at(bottom)]}, {'board' if at(bottom) == 'cleat' else 'out' if at(turned) else 'thick'}"
    off = term("standoff", at(standoff_mm))
    made = (
        off
        if abs(padding.left_mm - off.value) < 1e-9
        else off + term("wall behind", padding.left_mm - off.value)
    )
    return Display(padding.left_mm, made, label=label, how="at both bottom corners, all alike")


def _corner(key: str, side: str) -> None:
    @PAD_FIGURES.length(
        key, f"Pad at the lower {side}", "standoff + the shim that this place of the wall wants"
    )
    def corner(at: Ask) -> Display | None:
        """By the gaps that were read."""
        padding = at(pads)
        if padding is None or not at(by_corner):
            return None
        value = padding.left_mm if side == "left" else padding.right_mm
        off = term("standoff", at(standoff_mm))
        label = f"{WHAT[at(bottom)]} at the lower {side}"
        return Display(value, off + term("wall behind", value - off.value), label=label)

    @PAD_FIGURES.other(f"{key}_turns", f"Turns, lower {side}", "", "thickness / what one turn moves")
    def turns(at: Ask) -> Display | None:
        """From screwed flat, counted at the screw."""
        padding = at(pads) if at(turned) else None
        if padding is None:
            return None
        value = padding.left_mm if side == "left" else padding.right_mm
        count = turns_out(value, at.field(Hanging.standoff_turn_mm))
        how = f"{at.text(value)} at {at.fine(at.field(Hanging.standoff_turn_mm))} a turn, out from flat"
        return Display(count, text=f"{count:g}", how=how)


_corner("pad_left", "left")
_corner("pad_right", "right")
