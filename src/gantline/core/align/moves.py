"""From a solved pose to moves that a hand can make, in order: body before lens.

Moves are minus the solved pose: turn the body back, then set the lens anew for where it stands. The rear of the body swings by
l tan(turn), l from the lens to its rear; a foot's height is its distance times the tangent of the tilt. Source: the trade's rule
that every turn of the body is paid back by shift. A mount turns about its own bolt: that shortens the
lever and carries the lens along. Leaves out: a bolt beside the lens's own line, and play in the mount; the next
readings show what that did.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.align.solve import Freedom, solve
from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import Array, Pose, to_wall

NEAR = 1e-9
TURNED = {"turn": "yaw", "tilt": "pitch", "roll": "roll"}  # in the order in which they are undone
NAMED = TURNED | {"distance": "distance_mm", "lens_x": "lens_x_mm", "lens_y": "lens_y_mm"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Hands:
    """What a hand can set on this projector.

    rear: from the lens to the body's rear; across and along: distance of its feet sideways and fore and aft; foot_turn, height a
    turn of a foot, None without feet; step: smallest push [mm]; foot_step [turns]; zoom_step, share of the picture's width;
    shift_step, share of the panel's image; place_step: smallest move of the whole body [mm]; bolt: how far behind the lens
    the bolt is about which a mount turns [mm], 0 where it turns about the lens.
    """

    rear_mm: float
    across_mm: float
    along_mm: float
    foot_turn_mm: float | None
    step_mm: float
    foot_step: float
    zoom_step: float
    shift_step: float
    place_step_mm: float
    bolt_mm: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Move:
    """One move: what, how far in its own unit (mm, turns of a foot, share), and the pose after it."""

    kind: str
    amount: float
    turns: float | None
    after: Pose


def moves(
    pose: Pose, straight: Pose, uv: Array, target: Array, *, free: Freedom, hands: Hands
) -> tuple[Move, ...]:
    """The moves from a pose to the target corners (4, 2) [mm], each rounded to what a hand can set; nothing that rounds to none.

    Order: turn, tilt and roll of the body, then its lens, or its place where the lens has no zoom or shift, solved anew for the
    body as it then stands.
    """
    made: list[Move] = []
    now = pose
    for kind in TURNED:
        step = _turn(now, kind, hands)
        if step is not None:
            made.append(step)
            now = step.after
    own = [name for name in free.names if name not in TURNED.values()]
    best = _reset(now, straight, uv, target, own)
    for name in own:
        step = _set(now, best, name, hands)
        if step is not None:
            made.append(step)
            now = step.after
    return tuple(made)


def lever_mm(kind: str, hands: Hands) -> float:
    """Over which length a push turns the body [mm]."""
    if kind == "turn":
        return hands.rear_mm
    if kind == "roll":
        return hands.across_mm
    return hands.along_mm if hands.foot_turn_mm else hands.rear_mm


def on_feet(kind: str, hands: Hands) -> bool:
    """Whether a turn of the body is set by turning a foot."""
    return kind != "turn" and hands.foot_turn_mm is not None


def zoomed(ratio: float, share: float) -> float:
    """The throw ratio after the picture grew by a share of its width: distance over width falls as it grows."""
    return ratio / (1.0 + share)


def pushed(pose: Pose, kind: str, amount: float, hands: Hands) -> Pose:
    """A pose after a move: a push [mm] that turns the body or shifts it, a share of zoom (+ larger) or shift."""
    name = NAMED.get(kind, kind)
    have = getattr(pose, name)
    if kind in TURNED:
        turned = replace(
            pose, **{name: have + math.atan2(amount, lever_mm(kind, hands) - _bolt_mm(kind, hands))}
        )
        return _about_bolt(pose, turned, hands.bolt_mm)
    return replace(pose, **{name: zoomed(have, amount) if kind == "ratio" else have + amount})


def _bolt_mm(kind: str, hands: Hands) -> float:
    """By how much the bolt shortens the lever of a push at the rear [mm]."""
    return 0.0 if kind == "roll" or on_feet(kind, hands) else hands.bolt_mm


def _about_bolt(before: Pose, after: Pose, bolt_mm: float) -> Pose:
    """The lens carried round the bolt that it stands before: lens = bolt + b (turn · forward), forward to the wall."""
    forward = np.array([0.0, 0.0, -1.0])
    swung = bolt_mm * ((after.turn - before.turn) @ forward)
    return replace(
        after,
        lens_x_mm=after.lens_x_mm + float(swung[0]),
        lens_y_mm=after.lens_y_mm + float(swung[1]),
        distance_mm=after.distance_mm + float(swung[2]),
    )


def _turn(now: Pose, kind: str, hands: Hands) -> Move | None:
    push = -(lever_mm(kind, hands) - _bolt_mm(kind, hands)) * math.tan(getattr(now, TURNED[kind]))
    turns = None
    if on_feet(kind, hands) and hands.foot_turn_mm is not None:
        turns = round(push / hands.foot_turn_mm / hands.foot_step) * hands.foot_step
        push = turns * hands.foot_turn_mm
    else:
        push = round(push / hands.step_mm) * hands.step_mm
    if abs(push) < NEAR:
        return None
    return Move(kind=kind, amount=push, turns=turns, after=pushed(now, kind, push, hands))


def _reset(now: Pose, straight: Pose, uv: Array, target: Array, own: list[str]) -> Pose:
    """The lens, or the body's place, for the target as near as the body's turns let it."""
    start = replace(now, **{name: getattr(straight, name) for name in own})
    try:
        return solve(start, uv, target, free=Freedom(spread=dict.fromkeys(own)), sigma_mm=1.0).pose
    except OutOfRange:
        return start


def _set(now: Pose, best: Pose, name: str, hands: Hands) -> Move | None:
    have, wish, kind = getattr(now, name), getattr(best, name), name.removesuffix("_mm")
    if kind == "ratio":  # the picture's width goes as 1 / R
        amount = round((have / wish - 1.0) / hands.zoom_step) * hands.zoom_step
    else:
        step = hands.shift_step if kind.startswith("shift") else hands.place_step_mm
        amount = round((wish - have) / step) * step
    if abs(amount) < NEAR:
        return None
    return Move(kind=kind, amount=amount, turns=None, after=pushed(now, kind, amount, hands))


def replayed(pose: Pose, made: tuple[Move, ...], hands: Hands) -> Iterator[Pose]:
    """What the same moves do to another pose, one after the other: the real one, of which the solved one is an estimate."""
    now = pose
    for one in made:
        now = pushed(now, one.kind, one.amount, hands)
        yield now


def worst_mm(pose: Pose, uv: Array, target: Array) -> float:
    """The largest distance, along an axis, of a corner from its target [mm]."""
    return float(np.max(np.abs(to_wall(pose, uv) - target)))
