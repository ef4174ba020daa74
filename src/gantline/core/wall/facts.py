"""Holes that are drilled, holes that cannot be, and what follows for the rest: what was drilled is never moved again."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product

from gantline.core.tolerance import ROUNDING_MM
from gantline.core.wall.brackets import BracketPair, BracketRule, pair_of

NEAREST_MM = 100.0  # two brackets nearer than this hold no frame


def hole_name(key: str) -> str:
    """A hole by its key: upper-left-s2 is the upper left, screw 2."""
    return key.replace("-s", " screw ").replace("-", " ")


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleFact:
    """A hole by its key [mm]: drilled there, or not possible there."""

    key: str
    drilled: bool
    x_mm: float
    y_mm: float

    @property
    def row(self) -> str:
        """Upper or lower."""
        return self.key.partition("-")[0]

    @property
    def side(self) -> str:
        """Left or right; a further screw of a bracket has its number behind it, and moves no bracket."""
        return self.key.partition("-")[2]

    @property
    def name(self) -> str:
        """What it is called: upper left, upper left screw 2."""
        return hole_name(self.key)

    @property
    def first(self) -> bool:
        """Whether it is the first hole of its bracket, which says where the bracket is."""
        return "-s" not in self.key


def drilled_x_mm(facts: Sequence[HoleFact], side: str) -> float | None:
    """Where a side's bracket is fixed by what is drilled [mm]: at its upper hole, else at its lower one."""
    there = sorted(
        (fact for fact in facts if fact.drilled and fact.side == side), key=lambda one: one.row, reverse=True
    )
    return there[0].x_mm if there else None


def drilled_y_mm(facts: Sequence[HoleFact], row: str) -> float | None:
    """The height of a row that is fixed by what is drilled [mm]: the middle of its holes."""
    there = [hole.y_mm for hole in facts if hole.drilled and hole.first and hole.row == row]
    return sum(there) / len(there) if there else None


def rows_from_facts_mm(
    facts: Sequence[HoleFact], planned: tuple[float, float | None]
) -> tuple[float, float | None]:
    """Both rows [mm]: a drilled one where it is, the other at its distance from that, else as planned."""
    upper, lower = drilled_y_mm(facts, "upper"), drilled_y_mm(facts, "lower")
    apart = None if planned[1] is None else planned[0] - planned[1]
    if apart is None:
        return (planned[0] if upper is None else upper), None
    if upper is None:
        upper = planned[0] if lower is None else lower + apart
    return upper, upper - apart if lower is None else lower


def blocked_xs_mm(facts: Sequence[HoleFact]) -> tuple[float, ...]:
    """Places along the wall where a drill met what must not be drilled [mm]."""
    return tuple(fact.x_mm for fact in facts if not fact.drilled)


def is_blocked(x_mm: float, blocked: Sequence[float], clear_mm: float) -> bool:
    """Whether a place lies beside one that was refused."""
    return any(abs(x_mm - blocked_x) < clear_mm - 1e-6 for blocked_x in blocked)


def pairs_with_drilled(
    rule: BracketRule,
    center_mm: float,
    left_mm: float | None,
    right_mm: float | None,
    studs_mm: Sequence[float] | None,
) -> tuple[BracketPair, ...]:
    """The pairs that what is drilled leaves, best first; both drilled leave one.

    Args: left, right, where a bracket is fixed [mm]; studs, those that are free for the other [mm], None where brackets go
        anywhere.
    Returns: pairs astride the center, on the rail, with their middle within the side play; a pair of two drilled brackets
        whatever it is. Without studs the other bracket goes to the rule's spacing, else even about the center.
    """
    if left_mm is not None and right_mm is not None:
        return (pair_of(left_mm, right_mm, center_mm),) if right_mm - left_mm >= NEAREST_MM else ()
    held = left_mm if left_mm is not None else right_mm
    if held is None:
        return ()
    way = 1.0 if left_mm is not None else -1.0
    others = studs_mm if studs_mm is not None else (held + way * rule.wished_mm, 2.0 * center_mm - held)
    if rule.kept and studs_mm is not None:
        wish = held + way * rule.wished_mm
        others = [wish] if any(abs(wish - x) <= rule.off_stud_mm + ROUNDING_MM for x in studs_mm) else []
    found = [
        pair_of(min(held, other), max(held, other), center_mm)
        for other in others
        if way * (other - held) > 0.0
    ]
    return tuple(sorted((one for one in found if serves(rule, one)), key=lambda one: _order(rule, one)))


def serves(rule: BracketRule, pair: BracketPair) -> bool:
    """Whether a pair is on the rail, and its middle within the side play."""
    inside = rule.frame_mm / 2.0 - rule.inset_mm
    half = pair.spacing_mm / 2.0
    return (
        abs(pair.offset_mm) + half <= inside + ROUNDING_MM
        and abs(pair.offset_mm) <= rule.allowed_offset_mm + ROUNDING_MM
        and half - abs(pair.offset_mm)
        >= (0.0 if rule.kept else rule.centre_share * rule.frame_mm) - ROUNDING_MM
    )


def clear_pair(
    rule: BracketRule, center_mm: float, blocked: Sequence[float], clear_mm: float
) -> BracketPair | None:
    """The pair of a plain rule that keeps clear of refused places: spacing first, then evenness; None where none serves."""
    half = rule.wished_mm / 2.0
    ends = (center_mm - half, center_mm + half)
    aside = {side * clear_mm + one - end for one in blocked for end in ends for side in (-1.0, 1.0)}
    moves = [
        0.0,
        *sorted(aside),
    ]  # the least that takes a bracket clear, and the same for the other to keep the spacing
    tried = ((abs(a - b), abs(a + b), a, b) for a, b in product(moves, moves) if not rule.kept or a == b)
    for _, _, a, b in sorted(tried):
        pair = pair_of(ends[0] + a, ends[1] + b, center_mm)
        if serves(rule, pair) and not any(
            is_blocked(x, blocked, clear_mm) for x in (pair.left_mm, pair.right_mm)
        ):
            return pair
    return None


def _order(rule: BracketRule, pair: BracketPair) -> tuple[float, float]:
    return round(abs(pair.spacing_mm - rule.wished_mm), 6), abs(pair.offset_mm)
