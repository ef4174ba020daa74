"""Moves as sentences, in the order of a hand: facing the screen, left is left."""

from gantline.core.align.corners import CORNERS, NAMES
from gantline.core.align.moves import Move
from gantline.job.model.align import Aligned
from gantline.plan.ask import Ask
from gantline.stations.common import hung
from gantline.stations.throw import projected

NONE_MM = 0.05


def turns(count: float) -> str:
    """Turns of a foot or a knob."""
    return f"{abs(count):g} {'turn' if abs(count) <= 1.0 else 'turns'}"


def length(at: Ask, far_mm: float) -> str:
    """A small push, in the job's units; less than a tape shows is a hair."""
    far = at.fine(far_mm)
    return f"a hair ({far})" if far.startswith("under") else far


def said(at: Ask, move: Move) -> str:
    """What to do."""
    plus, far = move.amount > 0.0, length(at, abs(move.amount))
    match move.kind:
        case "turn":
            side, nose = ("left", "right") if plus else ("right", "left")
            return f"Rear of the body {far} to the {side}: its nose turns {nose}"
        case "tilt" if move.turns is not None:
            return f"Front feet {'out' if plus else 'in'} {turns(move.turns)}, both alike: nose {'up' if plus else 'down'}"
        case "tilt":
            return (
                f"Rear of the body {far} {'down' if plus else 'up'}: its nose tips {'up' if plus else 'down'}"
            )
        case "roll" if move.turns is not None:
            return f"Right foot {'out' if plus else 'in'} {turns(move.turns)}: right side {'up' if plus else 'down'}"
        case "roll":
            where = " at its plate" if at(hung) else ""
            return f"Right side of the body {far} {'up' if plus else 'down'}{where}"
        case "ratio":
            wide = length(at, abs(move.amount) * at(projected).width_mm)
            return f"Zoom until the picture is {wide} {'wider' if plus else 'narrower'}"
        case "shift_h":
            return _shift(at, move.amount, "right" if plus else "left")
        case "shift_v":
            return _shift(at, move.amount, "up" if plus else "down")
        case "distance":
            return f"Whole body {far} {'farther from' if plus else 'nearer to'} the wall"
        case "lens_x":
            return f"Whole body {far} to the {'right' if plus else 'left'}"
        case _:
            return f"Whole body {far} {'up' if plus else 'down'}"


def _shift(at: Ask, amount: float, side: str) -> str:
    """By its knob where somebody counted its turns, else by how far the picture moves on the screen."""
    turn, panel = at.given(Aligned.shift_turn), at(projected)
    far = length(at, abs(amount) * (panel.width_mm if side in ("left", "right") else panel.height_mm))
    if turn:
        return f"Lens shift {side}, {turns(round(abs(amount) / turn * 8.0) / 8.0)} of its knob: the picture moves {far}"
    return f"Lens shift {side} until the picture has moved {far}"


def outside(at: Ask, off_mm: float | None) -> str:
    """A reading: 4 mm out, 2 mm in."""
    if off_mm is None:
        return "not read"
    return "on it" if abs(off_mm) < NONE_MM else f"{at.text(abs(off_mm))} {'out' if off_mm > 0.0 else 'in'}"


def short(at: Ask, off_mm: float) -> str:
    """A reading for a narrow table: +4.0, or +3/16 where the job counts in inches."""
    said = at.fine(abs(off_mm)).replace("\u00a0mm", "")
    if abs(off_mm) < NONE_MM or said.startswith("under"):
        return "0"
    return f"{'+' if off_mm > 0.0 else '−'}{said}"


CORNER_NAMES = [(key, NAMES[key]) for key in CORNERS]
