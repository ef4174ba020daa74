"""What each fixing carries, and whether it may: shear and pull-out from the frame's mass, with a factor for handling.

Source: V = k·m·g / n_V; T = k·m·g·e / (v·n_T), each by the share of its place; e from the wall to the center of mass, v
from the top row down to the lower bearing; a 45° cleat also pulls outward: T = k·m·g·max(e / v, 1) / n_T; V / V_a + T / T_a ≤ 1.
Leaves out: friction, bending of the rail, screws in end grain. The packet or the maker's sheet rules.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from gantline.core.errors import require_not_negative, require_positive

G_M_S2 = 9.81


class Base(StrEnum):
    """What a fixing holds in."""

    WOOD = "wood"
    BOARD = "board"
    BRICK = "brick"
    BLOCK = "block"


@dataclass(frozen=True, slots=True, kw_only=True)
class Fixing:
    """A fixing: its base; how deep it must sit in that [mm]; the drill [mm] and whether a plug needs it deeper."""

    name: str
    base: Base
    depth_mm: float
    drill_mm: float
    plugged: bool = False


FIXINGS: Mapping[str, Fixing] = {
    "screw-4": Fixing(name="4 mm (#8) wood screw", base=Base.WOOD, depth_mm=32.0, drill_mm=2.5),
    "screw-5": Fixing(name="5 mm (#10) wood screw", base=Base.WOOD, depth_mm=40.0, drill_mm=3.0),
    "screw-6": Fixing(name="6 mm (#14) wood screw", base=Base.WOOD, depth_mm=40.0, drill_mm=4.0),
    "plug-board": Fixing(
        name="plastic plug in board", base=Base.BOARD, depth_mm=12.5, drill_mm=8.0, plugged=True
    ),
    "metal-board": Fixing(name="self-drilling metal anchor", base=Base.BOARD, depth_mm=12.5, drill_mm=0.0),
    "toggle": Fixing(name="spring toggle in board", base=Base.BOARD, depth_mm=12.5, drill_mm=14.0),
    "plug-brick": Fixing(
        name="8 mm plug in brick", base=Base.BRICK, depth_mm=50.0, drill_mm=8.0, plugged=True
    ),
    "plug-block": Fixing(
        name="8 mm plug in aerated block", base=Base.BLOCK, depth_mm=60.0, drill_mm=8.0, plugged=True
    ),
}
OWN = "own"  # not one of these: the job, or a record of the stores, says what it is
BESIDE = 2  # places that may have to bear the weight of a rail on many brackets
MOST_A_BRACKET = 8  # no plate has holes for more
BACKER_TRIED_MM = 18.0  # the plywood that the allowables of a backer are of
SPREAD_MM = 25.0  # behind the board
PLUG_ROOM_MM = 10.0  # a plug's hole is this much deeper, for the dust


@dataclass(frozen=True, slots=True, kw_only=True)
class Load:
    """On one fixing of the top row [N]."""

    shear_n: float
    pull_n: float


def row_shares(
    places_mm: Sequence[float], center_mm: float, *, shared: bool
) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """What each place of the top row may have to bear of the weight, and of what pulls outward.

    A straight line through the places in balance with a center of mass at center: 1/n + (c - m)(x - m)/sum (x - m)^2,
    m their middle; of two places it is the lever, and both lists add up to 1. Where nothing stiff shares (shared
    False) any two of many may have to bear the weight: half at each.  Raises: OutOfRange without any place.
    """
    require_positive(places=len(places_mm))
    pull = _line(places_mm, center_mm)
    if shared or len(places_mm) <= BESIDE:
        return pull, pull
    return (1.0 / BESIDE,) * len(places_mm), pull


def _line(places_mm: Sequence[float], center_mm: float) -> tuple[float, ...]:
    middle = sum(places_mm) / len(places_mm)
    spread = sum((x - middle) ** 2 for x in places_mm)
    turn = (center_mm - middle) / spread if spread > 0.0 else 0.0
    return tuple(1.0 / len(places_mm) + turn * (x - middle) for x in places_mm)


def load_of(
    mass_kg: float,
    *,
    factor: float,
    shear_share: float,
    pull_share: float,
    out_mm: float,
    down_mm: float,
    cleat: bool,
) -> Load:
    """Shear and pull-out on one fixing that bears such shares (a share below none, where the frame would tip up,
    counts by size).

    Args: factor on the weight; out, from the wall's face to the center of mass; down, from the top row to the lower
    bearing;
        cleat: at 45°.
    Raises: OutOfRange.
    """
    require_positive(mass_kg=mass_kg, factor=factor, down_mm=down_mm)
    weight = factor * mass_kg * G_M_S2
    lever = out_mm / down_mm
    return Load(
        shear_n=weight * abs(shear_share),
        pull_n=weight * (max(lever, 1.0) if cleat else lever) * abs(pull_share),
    )


def utilization(load: Load, shear_allowed_n: float, pull_allowed_n: float) -> float:
    """How much of a fixing is used; more than 1 is too much.  Raises: OutOfRange."""
    require_positive(shear_allowed_n=shear_allowed_n, pull_allowed_n=pull_allowed_n)
    return load.shear_n / shear_allowed_n + load.pull_n / pull_allowed_n


def middle_out_mm(standoff_mm: float, depth_mm: float) -> float:
    """From the wall's face to the center of mass: taken as the middle of the frame's depth [mm]."""
    return standoff_mm + depth_mm / 2.0


def down_mm(height_mm: float, drop_mm: float, row_offset_mm: float | None) -> float:
    """From the top row to what bears against the wall below: the lower row, or the frame's bottom without one [mm]."""
    return height_mm - (drop_mm if row_offset_mm is None else row_offset_mm)


def screw_length_mm(fixing: Fixing, *, through_mm: Sequence[float]) -> float:
    """The least length of a screw [mm]: every layer it passes, and its depth in what holds (behind a board: what the
    anchor needs to spread).

    Args: through, the layers from its head on [mm]: a bracket's plate or the board of a cleat or ledger, then drywall
    or plaster,
        unless that is what holds.  Raises: OutOfRange for a layer below none.
    """
    for layer in through_mm:
        require_not_negative(layer_mm=layer)
    return sum(through_mm) + fixing.depth_mm + (SPREAD_MM if fixing.base is Base.BOARD else 0.0)


def in_backer(fixing: Fixing, backer_mm: float) -> Fixing:
    """A wood screw in a backer board: it holds with the board's own thickness, and behind that are drywall and a cavity.

    Leaves out: a stud that happens to be behind it.
    """
    if fixing.base is not Base.WOOD:
        return fixing
    return replace(fixing, depth_mm=min(fixing.depth_mm, backer_mm))


def in_backer_n(
    stud_n: tuple[float, float], backer_n: tuple[float, float], *, backer_mm: float, tried_mm: float
) -> tuple[float, float]:
    """What a wood screw may carry in a backer board, shear and pull-out [N]: never more than in a stud, and in
    proportion less where the board is thinner than the one its allowables are of.

    Args: stud, backer, what it may carry in either; backer_mm, the board's thickness; tried_mm, that of the board the
    second is of.
    Raises: OutOfRange.  Leaves out: plies, and screws near an edge.
    """
    require_positive(backer_mm=backer_mm, tried_mm=tried_mm)
    thin = min(1.0, backer_mm / tried_mm)
    return min(stud_n[0], thin * backer_n[0]), min(stud_n[1], thin * backer_n[1])


def longest_in_backer_mm(*, head_mm: float, backer_mm: float, cover_mm: float) -> float:
    """The longest screw in a backer board that does not reach the cavity behind the drywall [mm].

    Args: head_mm, what it passes before the backer.  Raises: OutOfRange.
    """
    require_not_negative(head_mm=head_mm, backer_mm=backer_mm, cover_mm=cover_mm)
    return head_mm + backer_mm + cover_mm


def drill_depth_mm(fixing: Fixing, *, cover_mm: float) -> float:
    """How deep to drill from the wall's face [mm]: where the stop on the drill is set."""
    if fixing.base is Base.BOARD:
        return fixing.depth_mm
    return cover_mm + fixing.depth_mm + (PLUG_ROOM_MM if fixing.plugged else 0.0)
