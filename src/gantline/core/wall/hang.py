"""From a frame's top to its holes and back, for every way of hanging.

Source: y_hole = y_top - drop; a cleat's wall piece rises at 45° from y0 at the wall to y0 + t at its front, the frame piece's
long point sits at y0, so y_top = y0 + p, and a screw s below the front edge is at y0 + t - s: drop = p - t + s. Rods hang from
hooks above: drop less the rod. Leaves out: stretch of wire, play in the hooks.
"""

from dataclasses import dataclass

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.wall.ways import Way


@dataclass(frozen=True, slots=True, kw_only=True)
class Cleat:
    """A 45° pair [mm]: board thickness; point, from the frame piece's long point up to the frame's top; screw, from the wall
    piece's front edge down to its screws."""

    board_mm: float
    point_mm: float
    screw_mm: float


def cleat_drop_mm(cleat: Cleat) -> float:
    """From the frame's top down to the wall piece's screws [mm]; negative where they stand above it.  Raises: OutOfRange."""
    require_positive(board_mm=cleat.board_mm)
    require_not_negative(point_mm=cleat.point_mm, screw_mm=cleat.screw_mm)
    return cleat.point_mm - cleat.board_mm + cleat.screw_mm


def hole_drop_mm(way: Way, drop_mm: float, *, rod_mm: float = 0.0) -> float:
    """From the frame's top down to its upper holes [mm], negative above it.

    drop: from what the frame hangs by to its top; rod: a hanging rod from its hook to that, at the middle of its thread.
    """
    return drop_mm - rod_mm if way is Way.RODS else drop_mm


def apart_mm(
    way: Way, frame_mm: float, drop_mm: float, row_offset_mm: float | None, fixed_mm: float | None
) -> float:
    """Distance of the hole rows [mm]: fixed by the parts, or the frame's height less the row offset; a ledger's rows stand
    alike from both edges unless it is given."""
    if fixed_mm is not None:
        return fixed_mm
    if row_offset_mm is None and way is Way.LEDGER:
        return frame_mm - 2.0 * drop_mm
    return frame_mm - (row_offset_mm or 0.0)


def frame_top_mm(upper_mm: float, hole_drop: float) -> float:
    """Where the frame's top hangs [mm] by holes that are there: the way back."""
    return upper_mm + hole_drop


HOOKED = frozenset({Way.BRACKETS, Way.PROUD_SCREWS, Way.TOP_BRACKETS})  # a usual lift brings these on


def lift_mm(
    way: Way,
    *,
    usual_mm: float,
    cleat_mm: float,
    board_mm: float,
    catch_mm: float,
    wire_mm: float,
    rod_mm: float,
) -> float:
    """Room above the frame to put it on [mm]: usual for what hooks on, the board and a little for a cleat, the rod's own length,
    none for what is screwed through."""
    own = {
        Way.CLEAT: board_mm + cleat_mm,
        Way.BOTTOM_CATCH: catch_mm,
        Way.RODS: rod_mm,
        Way.LEDGER: 0.0,
        Way.WIRE: wire_mm,
    }
    return own.get(way, usual_mm)


def parts_wanted(
    diagonal_mm: float, mass_kg: float | None, *, third: tuple[float, float], fourth: tuple[float, float]
) -> int:
    """How many hang parts the top rail wants: two, a third above the first pair of (diagonal [mm], mass [kg]), a fourth above
    the second; a mass that is not known does not count.  Source: the makers' leaflets, as the shop's own limits."""
    require_positive(diagonal_mm=diagonal_mm)
    mass = mass_kg or 0.0
    return 2 + sum(diagonal_mm > size or mass > heavy for size, heavy in (third, fourth))
