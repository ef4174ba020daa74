"""Whether a frame on the floor is square: four sides and two diagonals, one reading more than needed.

Corners are seen from the front. d₁ runs from the bottom left to the top right, d₂ the other way.
Source: sin ε = (d₁² − d₂²) / (4·W·H) for the lean; d₂ from two triangles on d₁ for the closure.
Leaves out: a frame that is not flat (its wind), and bent boards.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import OutOfRange, require_positive

NAMES = ("top", "bottom", "left", "right", "rising", "falling")
CLOSES_SIGMAS = 6.0


@dataclass(frozen=True, slots=True, kw_only=True)
class SixReadings:
    """Four sides and two diagonals [mm]. rising: bottom left to top right; falling: top left to bottom right."""

    top_mm: float
    bottom_mm: float
    left_mm: float
    right_mm: float
    rising_mm: float
    falling_mm: float

    def __post_init__(self) -> None:
        require_positive(**{f"{name}_mm": value for name, value in zip(NAMES, self.values, strict=True)})

    @property
    def values(self) -> tuple[float, ...]:
        """In the order of NAMES."""
        return (self.top_mm, self.bottom_mm, self.left_mm, self.right_mm, self.rising_mm, self.falling_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class Suspect:
    """A reading that may be wrong, and what the other five alone make of it [mm]. misfit: smaller is likelier."""

    name: str
    read_mm: float
    implied_mm: float
    misfit: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SquareCheck:
    """What the readings say.

    closure_mm: d₂ computed from the others less d₂ as read; agrees: within six sigmas. lean_mm: how far the top stands to
    the right of the bottom. diagonals_differ_mm: rising less falling, what a tape shows. width_mm, height_mm: means
    of the sides. sides_differ_mm: top less bottom, right less left. suspects: likeliest first, where the readings do
    not agree.
    """

    closure_mm: float
    agrees: bool
    lean_mm: float
    diagonals_differ_mm: float
    width_mm: float
    height_mm: float
    sides_differ_mm: tuple[float, float]
    suspects: tuple[Suspect, ...]


def check_square(
    read: SixReadings,
    *,
    plan_width_mm: float,
    plan_height_mm: float,
    sigma_mm: float,
    side_spread_mm: float,
    diagonal_spread_mm: float,
) -> SquareCheck:
    """Judge six readings.

    Args: sigma, of one reading; side_spread, how far a cut side usually is from the plan; diagonal_spread, how far apart
        the diagonals of a frame that is not trued yet usually are.
    Raises: OutOfRange where the readings make no quadrilateral at all.
    """
    others = _sixth(read, "falling")
    if others is None:
        raise OutOfRange(
            "these readings make no frame: a diagonal is longer than its sides reach",
            field="rising_mm",
            got=read.rising_mm,
        )
    closure = others - read.falling_mm
    wide, high = (read.top_mm + read.bottom_mm) / 2.0, (read.left_mm + read.right_mm) / 2.0
    lean = (read.rising_mm**2 - read.falling_mm**2) / (4.0 * wide * high)
    agrees = abs(closure) <= CLOSES_SIGMAS * sigma_mm
    suspects: tuple[Suspect, ...] = ()
    if not agrees:
        spreads = (sigma_mm, side_spread_mm, diagonal_spread_mm)
        suspects = _suspects(read, (plan_width_mm, plan_height_mm), spreads)
    return SquareCheck(
        closure_mm=closure,
        agrees=agrees,
        lean_mm=lean * high,
        diagonals_differ_mm=read.rising_mm - read.falling_mm,
        width_mm=wide,
        height_mm=high,
        sides_differ_mm=(read.top_mm - read.bottom_mm, read.right_mm - read.left_mm),
        suspects=suspects,
    )


# the base on which the other four of five readings stand: for each reading that is dropped, the base, the two sides of
# the triangle to one end of what is dropped, the two to its other end, and whether both triangles lie on one side of it
_BASES = {
    "top": ("bottom", ("left", "falling"), ("rising", "right"), True),
    "bottom": ("top", ("left", "rising"), ("falling", "right"), True),
    "left": ("right", ("bottom", "rising"), ("falling", "top"), True),
    "right": ("left", ("bottom", "falling"), ("rising", "top"), True),
    "rising": ("falling", ("left", "bottom"), ("top", "right"), False),
    "falling": ("rising", ("left", "top"), ("bottom", "right"), False),
}


def _sixth(read: SixReadings, dropped: str) -> float | None:
    """What the other five readings make of the sixth [mm]; None where they make no frame."""
    lengths = dict(zip(NAMES, read.values, strict=True))
    on, first, second, same_side = _BASES[dropped]
    base = lengths[on]
    start = _apex(base, *(lengths[name] for name in first))
    end = _apex(base, *(lengths[name] for name in second))
    if start is None or end is None:
        return None
    return math.hypot(start[0] - end[0], start[1] - end[1] if same_side else start[1] + end[1])


def _apex(base: float, near: float, far: float) -> tuple[float, float] | None:
    """Where a triangle on a base has its third corner: along the base and above it; None where it does not close."""
    along = (near**2 - far**2 + base**2) / (2.0 * base)
    squared = near**2 - along**2
    return None if squared < 0.0 else (along, math.sqrt(squared))


def _suspects(
    read: SixReadings, plan: tuple[float, float], spreads: tuple[float, float, float]
) -> tuple[Suspect, ...]:
    """Each reading dropped in turn, the shape fitted to the other five and the plan; the smallest misfit first.

    The plan tells which reading is likeliest wrong; what it should read is of the other five alone.
    """
    suspects = []
    for dropped, name in enumerate(NAMES):
        implied = _sixth(read, name)
        if implied is None:
            continue
        misfit = _misfit(read.values, plan, spreads, dropped)
        suspects.append(Suspect(name=name, read_mm=read.values[dropped], implied_mm=implied, misfit=misfit))
    return tuple(sorted(suspects, key=lambda suspect: suspect.misfit))


def _six(shape: Sequence[float]) -> tuple[float, ...]:
    """Sides and diagonals of the quadrilateral (0, 0), (b, 0), top right, top left."""
    bottom, right_u, right_v, left_u, left_v = shape
    corners = ((0.0, 0.0), (bottom, 0.0), (right_u, right_v), (left_u, left_v))
    lower_left, lower_right, upper_right, upper_left = corners
    pairs = (
        (upper_left, upper_right),
        (lower_left, lower_right),
        (lower_left, upper_left),
        (lower_right, upper_right),
        (lower_left, upper_right),
        (upper_left, lower_right),
    )
    return tuple(math.dist(a, b) for a, b in pairs)


def _misfit(
    read: Sequence[float], plan: tuple[float, float], spreads: tuple[float, float, float], dropped: int
) -> float:
    wide, high = plan
    sigma, side_spread, diagonal_spread = spreads
    planned = (wide, wide, high, high)

    def residuals(shape: np.ndarray) -> np.ndarray:
        six = _six(shape.tolist())
        off = [(six[i] - read[i]) / sigma for i in range(6) if i != dropped]
        off += [(six[i] - planned[i]) / side_spread for i in range(4)]
        off.append((six[4] - six[5]) / diagonal_spread)
        return np.array(off)

    start = np.array([wide, wide, high, 0.0, high])
    from scipy.optimize import least_squares  # slow to import, needed only here

    solved = least_squares(residuals, start, method="lm")
    return float(2.0 * solved.cost)


def rival_of(name: str) -> bool:
    """Whether a racked frame explains the same as this wrong reading: a diagonal."""
    return name in NAMES[4:]


def pushes(check: SquareCheck, allowed_mm: float) -> str:
    """Which way the top goes to true the frame: left, right, or empty where the diagonals are alike within what is
    allowed."""
    if abs(check.diagonals_differ_mm) <= allowed_mm:
        return ""
    return "left" if check.lean_mm > 0.0 else "right"


def widest_gap(gaps_mm: Mapping[str, float], allowed_mm: float) -> str:
    """The corner that gapes, where the gaps differ by more than is allowed; empty where they are alike."""
    worst = max(gaps_mm, key=lambda name: gaps_mm[name])
    return worst if gaps_mm[worst] - min(gaps_mm.values()) > allowed_mm else ""
