"""Moves as sentences, in the order of a hand: facing the screen, left is left."""

from gantline.core.align.corners import CORNERS, NAMES
from gantline.core.align.moves import Move
from gantline.core.units import LengthStyle
from gantline.job.model.align import Aligned
from gantline.plan.ask import Ask
from gantline.stations.common import hung

NONE_MM = 0.05


def turns(count: float) -> str:
    """Turns of a foot or a knob."""
    return f"{abs(count):g} {'turn' if abs(count) <= 1.0 else 'turns'}"


def length(at: Ask, far_mm: float) -> str:
    """A small push: to a tenth of a millimeter, which no fraction of an inch shows."""
    exact = f"{far_mm:.1f} mm"
    if at.units.style is LengthStyle.MILLIMETERS or far_mm < at.step_mm / 2.0:
        return exact
    return f"{at.text(far_mm)} ({exact})"


def said(at: Ask, one: Move) -> str:
    """What to do."""
    plus, far = one.amount > 0.0, length(at, abs(one.amount))
    match one.kind:
        case "turn":
            side, nose = ("left", "right") if plus else ("right", "left")
            return f"Rear of the body {far} to the {side}: its nose turns {nose}"
        case "tilt" if one.turns is not None:
            return f"Front feet {'out' if plus else 'in'} {turns(one.turns)}, both alike: nose {'up' if plus else 'down'}"
        case "tilt":
            return (
                f"Rear of the body {far} {'down' if plus else 'up'}: its nose tips {'up' if plus else 'down'}"
            )
        case "roll" if one.turns is not None:
            return f"Right foot {'out' if plus else 'in'} {turns(one.turns)}: right side {'up' if plus else 'down'}"
        case "roll":
            where = " at its plate" if at(hung) else ""
            return f"Right side of the body {far} {'up' if plus else 'down'}{where}"
        case "ratio":
            return (
                f"Zoom until the picture is {100.0 * abs(one.amount):.1f} % {'larger' if plus else 'smaller'}"
            )
        case "shift_h":
            return _shift(at, one.amount, "right" if plus else "left")
        case "shift_v":
            return _shift(at, one.amount, "up" if plus else "down")
        case "distance":
            return f"Whole body {far} {'farther from' if plus else 'nearer to'} the wall"
        case "lens_x":
            return f"Whole body {far} to the {'right' if plus else 'left'}"
        case _:
            return f"Whole body {far} {'up' if plus else 'down'}"


def _shift(at: Ask, amount: float, side: str) -> str:
    turn = at.given(Aligned.shift_turn)
    knob = "" if not turn else f", {turns(round(abs(amount) / turn * 8.0) / 8.0)} of its knob"
    return f"Lens shift {side} {100.0 * abs(amount):.1f} %{knob}"


def outside(at: Ask, off_mm: float | None) -> str:
    """A reading: 4 mm out, 2 mm in."""
    if off_mm is None:
        return "not read"
    return "on it" if abs(off_mm) < NONE_MM else f"{at.text(abs(off_mm))} {'out' if off_mm > 0.0 else 'in'}"


def short(off_mm: float) -> str:
    """The same for a narrow table [mm]: +4.0."""
    return "0" if abs(off_mm) < NONE_MM else f"{off_mm:+.1f}".replace("-", "−")


CORNER_NAMES = [(key, NAMES[key]) for key in CORNERS]
