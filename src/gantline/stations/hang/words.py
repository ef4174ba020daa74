"""Verdicts as sentences: what is off, and the move that cures it in the terms of this way of hanging."""

from gantline.core.defaults import AlignDefaults
from gantline.core.hang.read import Verdict, turns_of
from gantline.core.wall.ways import KINDS, Way
from gantline.plan.ask import Ask
from gantline.stations.common import way
from gantline.stations.wall import side_play_mm, trim_mm

NAMES = {
    "level": "Level",
    "center": "Center",
    "plumb-left": "Plumb, left end",
    "plumb-right": "Plumb, right end",
    "wind": "Wind",
    "margin-across": "Fabric, left and right",
    "margin-down": "Fabric, top and bottom",
}


def off_words(at: Ask, verdict: Verdict) -> str:
    """How it stands."""
    size, plus = at.text(abs(verdict.off_mm)), verdict.off_mm > 0.0
    if verdict.within and abs(verdict.off_mm) < at.step_mm / 2.0:
        return "on its mark"
    return {
        "level": f"right end {size} {'high' if plus else 'low'}",
        "center": f"{size} too far {'right' if plus else 'left'}",
        "plumb-left": f"top leans {'in' if plus else 'back'} {size}",
        "plumb-right": f"top leans {'in' if plus else 'back'} {size}",
        "wind": f"crossing {size} apart",
        "margin-across": f"{size} more on the {'left' if plus else 'right'}",
        "margin-down": f"{size} more at the {'bottom' if plus else 'top'}",
    }[verdict.check]


def move_words(at: Ask, verdict: Verdict) -> str:
    """What to do; empty within tolerance."""
    if verdict.within:
        return ""
    far, plus = at.text(abs(verdict.move_mm)), verdict.move_mm > 0.0
    match verdict.check:
        case "level":
            return _level(at, verdict, far)
        case "center":
            return _slide(at, verdict, far)
        case "plumb-left" | "plumb-right":
            return f"Shim {far} behind the {'bottom' if plus else 'top'} at the {verdict.check.removeprefix('plumb-')} end."
        case "wind":
            return f"Shim {far} behind the lower {'left' if plus else 'right'} corner, then read the crossing again."
        case "margin-across":
            return f"Bring the fabric {far} {'right' if plus else 'left'}: ease one side, tighten the other, point by point."
        case _:
            return f"Bring the fabric {far} {'up' if plus else 'down'}: ease one side, tighten the other, point by point."


def _level(at: Ask, verdict: Verdict, far: str) -> str:
    up, kind = verdict.move_mm > 0.0, KINDS[at(way)].trim
    direction = "up" if up else "down"
    if kind == "turnbuckle":
        turns = turns_of(verdict.move_mm, at.default(AlignDefaults.turnbuckle_mm))
        spin = "clockwise" if turns > 0.0 else "counter-clockwise"
        return f"Right turnbuckle {abs(turns):g} {'turn' if abs(turns) <= 1.0 else 'turns'} {spin}, then lock it."
    if kind == "slot":
        if abs(verdict.move_mm) <= at(trim_mm):
            return f"Right bracket {far} {direction} in its slot."
        half = at.text(abs(verdict.move_mm) / 2.0)
        other = "down" if up else "up"
        if abs(verdict.move_mm) <= 2.0 * at(trim_mm):
            return f"Right bracket {half} {direction}, left bracket {half} {other}: one slot alone does not reach."
        return f"The slots do not reach {far}: unhang it and drill one bracket anew."
    if kind == "wire":
        way_off = "higher" if up else "lower"
        return f"Slide the frame on its wire until its right end stands {at.text(abs(verdict.off_mm))} {way_off}."
    if at(way) is Way.CLEAT:
        return f"A cleat has no trim: unhang it, ease its right end {far} {direction}, and level it before the second screw."
    return f"No trim here: unhang it and move its right fixing {far} {direction}."


def _slide(at: Ask, verdict: Verdict, far: str) -> str:
    side = "right" if verdict.move_mm > 0.0 else "left"
    if at(way) is Way.LEDGER:
        return f"Screwed through it does not slide: it would have to move {far} to the {side}."
    if abs(verdict.move_mm) > at(side_play_mm):
        return f"Slide {far} to the {side}: more than the side play of {at.text(at(side_play_mm))}. Move the brackets."
    return f"Slide the frame {far} to the {side}."
