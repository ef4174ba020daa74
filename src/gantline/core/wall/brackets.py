"""Where along the wall the two brackets go."""

from dataclasses import dataclass
from itertools import combinations

from gantline.core.errors import require_not_negative, require_positive

EQUAL_MM = 1e-6


@dataclass(frozen=True, slots=True, kw_only=True)
class BracketRule:
    """What a pair of brackets must satisfy. Lengths [mm].

    wished_mm: spacing the rule asks for; play_mm: side play, each way, in which the frame still
    slides to its center (at most 1 mm counts where neither part slides); centre_share: the frame's
    center lies at least this share of its width inside each bracket; inset_mm: bracket center to
    the frame's end, least. Raises OutOfRange for lengths that cannot be.
    """

    frame_mm: float
    wished_mm: float
    play_mm: float
    centre_share: float
    inset_mm: float

    def __post_init__(self) -> None:
        require_positive(frame_mm=self.frame_mm, wished_mm=self.wished_mm)
        require_not_negative(play_mm=self.play_mm, centre_share=self.centre_share, inset_mm=self.inset_mm)

    @property
    def allowed_offset_mm(self) -> float:
        """How far the pair's middle may lie from the screen center [mm]: side play, at least 1."""
        return max(self.play_mm, 1.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class BracketPair:
    """Two bracket centers [mm from the left wall end]; offset_mm = their middle - screen center."""

    left_mm: float
    right_mm: float
    offset_mm: float

    @property
    def spacing_mm(self) -> float:
        """Bracket to bracket [mm]."""
        return self.right_mm - self.left_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class PairChoice:
    """The pair, the next best, and, without a pair, the nearest miss: the smallest sideways move
    [mm, + right] of the screen that would make a pair serve."""

    best: BracketPair | None
    runner_up: BracketPair | None
    move_screen_mm: float | None


def place_by_rule(rule: BracketRule, centre_mm: float) -> BracketPair:
    """Brackets by the rule alone, even about the center: masonry, or a backer over studs."""
    half = rule.wished_mm / 2.0
    return BracketPair(left_mm=centre_mm - half, right_mm=centre_mm + half, offset_mm=0.0)


def place_on_studs(rule: BracketRule, centre_mm: float, studs_mm: tuple[float, ...]) -> PairChoice:
    """The stud pair that serves best: most even about the center within the closest to the rule.

    Args: centre_mm, screen center, and studs_mm, stud centers [mm from the left wall end].
    Returns: PairChoice. A pair serves if both studs lie inside the usable rail with the center
        centre_share of the width from each, and their middle within the side play of the center.
        Order: spacing closest to the rule, then smallest offset, then the left one.
    Source: the trade's rule, two thirds of the frame's width or the kit's spacing.  Raises: nothing.
    Leaves out: no-drill bands and stud confirmation.
    """
    inside = [x for x in studs_mm if abs(x - centre_mm) <= rule.frame_mm / 2.0 - rule.inset_mm + EQUAL_MM]
    wide = [_pair(a, b, centre_mm) for a, b in combinations(inside, 2) if _astride(rule, centre_mm, a, b)]
    serving = [pair for pair in wide if abs(pair.offset_mm) <= rule.allowed_offset_mm + EQUAL_MM]
    serving.sort(key=lambda pair: _order(pair, rule))
    if serving:
        return PairChoice(
            best=serving[0], runner_up=serving[1] if len(serving) > 1 else None, move_screen_mm=None
        )
    return PairChoice(best=None, runner_up=None, move_screen_mm=_least_move(rule, centre_mm, studs_mm))


def _pair(left: float, right: float, center: float) -> BracketPair:
    return BracketPair(left_mm=left, right_mm=right, offset_mm=(left + right) / 2.0 - center)


def _astride(rule: BracketRule, center: float, left: float, right: float) -> bool:
    clear = rule.centre_share * rule.frame_mm - EQUAL_MM
    return center - left >= clear and right - center >= clear


def _order(pair: BracketPair, rule: BracketRule) -> tuple[float, float, float]:
    off_rule = abs(pair.spacing_mm - rule.wished_mm)
    return (round(off_rule, 6), round(abs(pair.offset_mm), 6), pair.left_mm)


def _least_move(rule: BracketRule, center: float, studs: tuple[float, ...]) -> float | None:
    """Smallest move of the screen after which some pair is astride its center, within play."""
    usable = rule.frame_mm - 2.0 * rule.inset_mm
    needed = 2.0 * rule.centre_share * rule.frame_mm
    middles = [
        (a + b) / 2.0 for a, b in combinations(studs, 2) if needed - EQUAL_MM <= b - a <= usable + EQUAL_MM
    ]
    return min((middle - center for middle in middles), key=abs, default=None)
