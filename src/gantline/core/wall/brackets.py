"""Where along the wall the two brackets go."""

from dataclasses import dataclass
from itertools import combinations, product

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.tolerance import ROUNDING_MM


@dataclass(frozen=True, slots=True, kw_only=True)
class BracketRule:
    """What a pair of brackets must satisfy. Lengths [mm].

    wished_mm: spacing the rule asks for; play_mm: side play, each way, in which the frame still
    slides to its center (at most 1 mm counts where neither part slides); centre_share: the frame's
    center lies at least this share of its width inside each bracket; inset_mm: bracket center to
    the frame's end, least; kept: the spacing is the kit's own and must be kept to the mark; off_stud_mm:
    how far a screw may stand off a stud's center. Raises OutOfRange for lengths that cannot be.
    """

    frame_mm: float
    wished_mm: float
    play_mm: float
    centre_share: float
    inset_mm: float
    kept: bool = False
    off_stud_mm: float = 0.0

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


def pair_of(left_mm: float, right_mm: float, center_mm: float) -> BracketPair:
    """Two bracket centers [mm], and how far their middle lies from the screen's center."""
    return BracketPair(left_mm=left_mm, right_mm=right_mm, offset_mm=(left_mm + right_mm) / 2.0 - center_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class PairChoice:
    """The pair, the next best, and, without a pair, the nearest misses: the smallest sideways move
    [mm, + right] of the screen that would make a pair serve, and for a kept spacing the stud spacing nearest to it."""

    best: BracketPair | None
    runner_up: BracketPair | None = None
    move_screen_mm: float | None = None
    nearest_spacing_mm: float | None = None


def place_by_rule(rule: BracketRule, centre_mm: float) -> BracketPair:
    """Brackets by the rule alone, even about the center: masonry, or a backer over studs."""
    half = rule.wished_mm / 2.0
    return BracketPair(left_mm=centre_mm - half, right_mm=centre_mm + half, offset_mm=0.0)


def place_on_studs(rule: BracketRule, centre_mm: float, studs_mm: tuple[float, ...]) -> PairChoice:
    """The stud pair that serves best: most even about the center within the closest to the rule.

    Args: centre_mm, screen center, and studs_mm, stud centers [mm from the left wall end].
    Returns: PairChoice. A pair serves if both brackets lie inside the usable rail and their middle within the side
        play of the center. By a share of the width they stand on stud centers, with the frame's center centre_share of
        the width from each. A kept spacing is kept to the mark: both screws stand off their studs' centers by half
        of what is missing, at most off_stud_mm; a kit's own spacing answers for its steadiness.
        Order: spacing closest to the rule, then smallest offset, then the left one.
    Source: the trade's rule, two thirds of the frame's width or the kit's spacing.  Raises: nothing.
    Leaves out: no-drill bands and stud confirmation.
    """
    reach = rule.frame_mm / 2.0 - rule.inset_mm + rule.off_stud_mm + 2.0 * ROUNDING_MM
    clear = _clear_mm(rule) - rule.off_stud_mm - 2.0 * ROUNDING_MM
    left = [stud for stud in studs_mm if clear <= centre_mm - stud <= reach]
    right = [one for one in studs_mm if clear <= one - centre_mm <= reach]
    serving = [
        pair
        for a, b in product(left, right)
        if a < b and _holds(rule, b - a)
        for pair in (_pair(rule, a, b, centre_mm),)
        if _astride(rule, centre_mm, pair) and abs(pair.offset_mm) <= rule.allowed_offset_mm + ROUNDING_MM
    ]
    serving.sort(key=lambda pair: _order(pair, rule))
    if serving:
        return PairChoice(best=serving[0], runner_up=serving[1] if len(serving) > 1 else None)
    move = _least_move(rule, studs_mm, centre_mm)
    return PairChoice(best=None, move_screen_mm=move, nearest_spacing_mm=_nearest_spacing(rule, studs_mm))


def _clear_mm(rule: BracketRule) -> float:
    """How far a bracket keeps from the screen's center."""
    return 0.0 if rule.kept else rule.centre_share * rule.frame_mm


def _holds(rule: BracketRule, apart_mm: float) -> bool:
    """Whether both screws of a kept spacing are in the wood of two studs."""
    return not rule.kept or abs(rule.wished_mm - apart_mm) / 2.0 <= rule.off_stud_mm + ROUNDING_MM


def _pair(rule: BracketRule, left: float, right: float, center: float) -> BracketPair:
    off = (rule.wished_mm - (right - left)) / 2.0 if rule.kept else 0.0
    return BracketPair(left_mm=left - off, right_mm=right + off, offset_mm=(left + right) / 2.0 - center)


def _astride(rule: BracketRule, center: float, pair: BracketPair) -> bool:
    clear = _clear_mm(rule)
    inside = rule.frame_mm / 2.0 - rule.inset_mm
    arms = (center - pair.left_mm, pair.right_mm - center)
    return min(arms) >= clear - ROUNDING_MM and max(arms) <= inside + ROUNDING_MM


def _order(pair: BracketPair, rule: BracketRule) -> tuple[float, float, float]:
    off_rule = abs(pair.spacing_mm - rule.wished_mm)
    return (round(off_rule, 6), round(abs(pair.offset_mm), 6), pair.left_mm)


def _nearest_spacing(rule: BracketRule, studs_mm: tuple[float, ...]) -> float | None:
    """The spacing of two studs that is nearest to a kept one; None where none is kept."""
    apart = {b - a for a, b in combinations(studs_mm, 2)} if rule.kept else ()
    return min(apart, key=lambda one: abs(one - rule.wished_mm), default=None)


def _least_move(rule: BracketRule, studs_mm: tuple[float, ...], center: float) -> float | None:
    """Smallest move of the screen after which some pair is even about its center: astride it, on the rail."""
    usable, needed = rule.frame_mm - 2.0 * rule.inset_mm, 2.0 * _clear_mm(rule)
    offsets = [
        (a + b) / 2.0 - center
        for a, b in combinations(studs_mm, 2)
        if _holds(rule, b - a)
        and needed - ROUNDING_MM <= (rule.wished_mm if rule.kept else b - a) <= usable + ROUNDING_MM
    ]
    return min(offsets, key=abs, default=None)
