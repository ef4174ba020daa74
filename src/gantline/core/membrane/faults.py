"""What can be wrong with a stretched sheet, laid on the even one: a point too tight or slack, a frame out of true, an edge
hooked askew, a corner not pulled."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from gantline.core.errors import OutOfRange
from gantline.core.membrane.equilibrium import Rest, Solver
from gantline.core.membrane.holding import Laid
from gantline.core.membrane.model import SIDES, Sheet, directions, frozen
from gantline.core.tension.points import OPPOSITE, RAILS, Side

Floats = NDArray[np.float64]
WHOLE_MM = (10.0, 20.0, 30.0)  # of what is wrong with the whole sheet
CORNER_REACH_MM = 160.0  # points within it belong to the corner


class Kind(StrEnum):
    """What is wrong."""

    TIGHT = "tight"
    SLACK = "slack"
    RACKED = "racked"
    ASKEW = "askew"
    CORNER = "corner"


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """One thing wrong, by an amount [mm] that is above 0 but for racked and askew.

    TIGHT, SLACK: place of the point in Laid.points, by how much its hold is too short or too long. RACKED: top of the frame
    against its bottom, to the right. ASKEW: side hooked along itself against its opposite: rails to the right, stiles up.
    CORNER: the points near a corner (place of one of them) not pulled along the diagonal.
    All as seen from the back.
    """

    kind: Kind
    amount_mm: float
    point: int = -1
    side: Side | None = None

    def __post_init__(self) -> None:
        if not np.isfinite(self.amount_mm) or abs(self.amount_mm) > 100.0:
            raise OutOfRange("a fault is at most 100 mm", field="amount_mm", got=self.amount_mm)


def pulled_again(
    laid: Laid, solver: Solver, sheet: Sheet, points: Sequence[int], start: Floats
) -> tuple[Sheet, Rest]:
    """The sheet with these points opened, all pulled by a hand to their share at once, and held where they came to rest.

    For holds that freeze a hand's pull.  Args: start, the sheet at rest before.  Raises: NotAtRest.
    """
    holds = sheet.holds
    on, pull = holds.on.copy(), np.zeros_like(holds.pull)
    chosen = list(points)
    on[chosen], pull[chosen, 0] = False, laid.wanted[chosen]
    rest = solver.solve(sheet.with_holds(on=on, pull=pull), start)
    return frozen(sheet.with_holds(on=on, pull=pull), rest.moved, chosen), rest


def even(laid: Laid) -> Sheet:
    """The sheet with every point held and nothing wrong: the same pull everywhere."""
    whole = laid.sheet.with_holds(on=np.ones(len(laid.points), bool), gap_mm=laid.gap_mm)
    return replace(whole, friction=None, lies=None)


def with_faults(laid: Laid, sheet: Sheet, faults: Sequence[Fault]) -> Sheet:
    """The sheet with these faults laid on it, all at once."""
    gap, rack = sheet.holds.gap_mm.copy(), sheet.rack_mm
    for fault in faults:
        match fault.kind:
            case Kind.TIGHT:
                gap[fault.point, 0] += fault.amount_mm
            case Kind.SLACK:
                gap[fault.point, 0] -= fault.amount_mm
            case Kind.CORNER:
                for k in corner_of(laid, fault.point):
                    gap[k, 0] -= fault.amount_mm
            case Kind.RACKED:
                rack += fault.amount_mm
            case Kind.ASKEW:
                own = sheet.holds.side == SIDES.index(str(fault.side))
                along = directions(sheet.holds)[1]
                gap[own, 1] += fault.amount_mm * np.abs(along[own]).argmax(axis=1).choose(
                    (along[own, 0], along[own, 1])
                )
    return replace(sheet.with_holds(gap_mm=gap), rack_mm=rack)


def corner_of(laid: Laid, point: int) -> list[int]:
    """The points of the corner that a point lies at."""
    width, height = laid.sheet.size_mm
    here = laid.points[point]
    corner = (width if here.u_mm > width / 2.0 else 0.0, height if here.v_mm > height / 2.0 else 0.0)
    return [
        k
        for k, other in enumerate(laid.points)
        if np.hypot(other.u_mm - corner[0], other.v_mm - corner[1]) < CORNER_REACH_MM
    ]


def opposite_of(laid: Laid, point: int) -> int:
    """The point straight across."""
    here = laid.points[point]
    there = [
        (abs(other.reading_mm - here.reading_mm), k)
        for k, other in enumerate(laid.points)
        if other.side is OPPOSITE[here.side]
    ]
    return min(there)[1]


def spacing_of(laid: Laid, side: Side) -> float:
    """The usual gap between points of a side [mm]."""
    at = sorted(p.reading_mm for p in laid.points if p.side is side)
    return (
        float(np.median(np.diff(at))) if len(at) > 1 else float(laid.sheet.size_mm[0 if side in RAILS else 1])
    )


def thinkable(laid: Laid, amounts_mm: Sequence[float]) -> Iterator[Fault]:
    """Every single fault that the bench looks for, by these amounts.

    Corners once each, by the first of their points. Racked and askew both ways.
    """
    seen = set[int]()
    for amount in amounts_mm:
        for k in range(len(laid.points)):
            yield Fault(kind=Kind.TIGHT, amount_mm=amount, point=k)
            yield Fault(kind=Kind.SLACK, amount_mm=amount, point=k)
    for k in range(len(laid.points)):
        near = corner_of(laid, k)
        if k in near and k not in seen:
            seen.update(near)
            if len(near) > 1:
                yield Fault(kind=Kind.CORNER, amount_mm=amounts_mm[-1], point=k)
    for sign in (1.0, -1.0):
        for amount in WHOLE_MM:
            yield Fault(kind=Kind.RACKED, amount_mm=sign * amount)
            yield Fault(kind=Kind.ASKEW, amount_mm=sign * amount, side=Side.TOP)
            yield Fault(kind=Kind.ASKEW, amount_mm=sign * amount, side=Side.RIGHT)
