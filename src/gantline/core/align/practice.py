"""Practice: a projector that was turned by somebody else, and what each touch of it does."""

import math
import random
from collections.abc import Sequence
from dataclasses import dataclass, replace

from gantline.core.align.moves import TURNED, Hands, on_feet, pushed
from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import Pose

TOUCHES = ("turn", "tilt", "roll", "ratio", "shift_h", "shift_v", "distance", "lens_x", "lens_y")


@dataclass(frozen=True, slots=True, kw_only=True)
class Touch:
    """One touch: what, and by how many of its smallest steps, with sign."""

    kind: str
    steps: int


def hidden(straight: Pose, kinds: Sequence[str], *, turn_deg: float, share: float, seed: int) -> Pose:
    """A pose off by up to turn each way and share of shift, zoom or distance, in what kinds names; the same for the same seed."""
    rng = random.Random(seed)  # noqa: S311 - a riddle, not a secret
    off: dict[str, float] = {}
    for kind in kinds:
        size = rng.choice((-1.0, 1.0)) * rng.uniform(0.4, 1.0)
        if kind in TURNED:
            off[TURNED[kind]] = math.radians(turn_deg * size)
        elif kind == "ratio":
            off["ratio"] = straight.ratio * share * size
        elif kind.startswith("shift"):
            off[kind] = share * size
        else:
            off[f"{kind}_mm"] = straight.distance_mm * share * size
    return replace(straight, **{name: getattr(straight, name) + by for name, by in off.items()})


def touched(pose: Pose, touches: Sequence[Touch], hands: Hands) -> Pose:
    """The pose after touches.  Raises: OutOfRange for a kind that is none."""
    now = pose
    for touch in touches:
        if touch.kind not in TOUCHES:
            raise OutOfRange(f"a touch is one of {', '.join(TOUCHES)}", field="kind", got=touch.kind)
        now = pushed(now, touch.kind, _amount(touch, hands), hands)
    return now


def _amount(touch: Touch, hands: Hands) -> float:
    """How far so many of its smallest steps go: mm, or a share."""
    if touch.kind == "ratio":
        return float((1.0 + hands.zoom_step) ** touch.steps - 1.0)
    if touch.kind.startswith("shift"):
        return touch.steps * hands.shift_step
    if on_feet(touch.kind, hands) and touch.kind in TURNED and hands.foot_turn_mm is not None:
        return touch.steps * hands.foot_step * hands.foot_turn_mm
    return touch.steps * (hands.step_mm if touch.kind in TURNED else hands.place_step_mm)


WHY = {
    "turn": "One side edge is taller than the other: the body is turned. The light travels farther to the taller side; turn the "
    "nose away from it.",
    "tilt": "The top and the bottom edge differ in length: the body is tilted. The longer edge is farther from the lens; tip the "
    "nose away from it.",
    "roll": "Top and bottom edge lean the same way, and the sides with them: the body is rolled.",
    "ratio": "Every corner stands out, or in, alike: only the size is wrong, and zoom sets it.",
    "shift_h": "The shape is right and stands to one side: shift it over. It bends nothing.",
    "shift_v": "The shape is right and stands too high or too low: shift it. It bends nothing.",
    "distance": "The picture is too large or too small, and a body without zoom is set by its gap to the wall.",
    "lens_x": "The shape is right and stands to one side: move the whole body.",
    "lens_y": "The shape is right and stands too high or too low: move the whole body.",
}
