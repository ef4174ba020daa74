"""What to do at which points, by amounts that a hand can give, and what the sheet would look like after it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gantline.core.membrane.equilibrium import NotAtRest, Rest, Solver
from gantline.core.membrane.faults import (
    Fault,
    Kind,
    corner_of,
    even,
    opposite_of,
    pulled_again,
    spacing_of,
    with_faults,
)
from gantline.core.membrane.holding import GIVES, Laid
from gantline.core.membrane.looked_at import Sights, sights
from gantline.core.membrane.model import SIDES, Sheet
from gantline.core.tension.points import Side
from gantline.core.tension.wrinkles import LITTLE_MM

MOST_TURNS = 5
REACH_MM = 110.0  # to either side: a finger that shows a wrinkle is off by that much


@dataclass(frozen=True, slots=True, kw_only=True)
class Move:
    """One point: pulled tighter by so much [mm], or eased where it is below 0. again: opened, pulled by hand to its share and
    held again; then tighter_mm is what that is thought to come to."""

    point: int
    tighter_mm: float
    again: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Cure:
    """What to do: points with their opposites next to them; square, whether the frame is pushed true by its diagonals first;
    hooked_again, the side that comes off and goes on again with its center mark on the frame's.

    before, after: the sheet as it is thought to be, and as it would be.
    """

    moves: tuple[Move, ...]
    square: bool
    hooked_again: str | None
    before: Sights
    after: Sights


@dataclass(frozen=True, slots=True, kw_only=True)
class Forecast:
    """The sheet before and after a cure, for its pictures."""

    cure: Cure
    before: tuple[Sheet, Rest]
    after: tuple[Sheet, Rest]


def cured(
    laid: Laid,
    causes: Sequence[Fault],
    solver: Solver,
    doubt: Sequence[Fault] = (),
    *,
    read: bool = False,
) -> Forecast:
    """The cure of faults that are thought to be there, by as few and as small moves as bring the most.

    Args: causes with their amounts, the likeliest; doubt, other faults at the same place that may be it as well; solver, of
        the even sheet; read, whether the amounts were read with a rule: then each point goes back by just that.
    Returns: where a hand's pull is frozen, the points about the fault opened and pulled again; where the frame sets it, the
        point by whole turns and its opposite by none or half of them, whichever the model finds better over twice and half
        the amount; a frame out of true is pushed square; an edge that went on askew goes on again by its center mark.
    Raises: NotAtRest where the faulty sheet does not come to rest.
    Leaves out: what creeps in a day; the look after it says whether it was right.
    """
    sound = even(laid)
    sick = with_faults(laid, sound, causes)
    rest = solver.solve(sick)
    before = sights(sick, rest)
    square = any(fault.kind is Kind.RACKED for fault in causes)
    again = next((str(fault.side) for fault in causes if fault.kind is Kind.ASKEW), None)
    single = [fault for fault in causes if fault.point >= 0]
    if GIVES[laid.hold].frozen:
        points = _opened(laid, [*single, *doubt])
        after, there = done(laid, solver, sick, rest, _again(points), square=square, hooked_again=again)
        was, now = sick.holds.gap_mm[:, 0], after.holds.gap_mm[:, 0]
        moves = tuple(Move(point=k, tighter_mm=float(now[k] - was[k]), again=True) for k in points)
    else:
        moves = _back(laid, single) if read else _best(laid, solver, single)
        after, there = done(laid, solver, sick, rest, moves, square=square, hooked_again=again)
    cure = Cure(moves=moves, square=square, hooked_again=again, before=before, after=sights(after, there))
    return Forecast(cure=cure, before=(sick, rest), after=(after, there))


def done(
    laid: Laid,
    solver: Solver,
    sheet: Sheet,
    rest: Rest,
    moves: Sequence[Move],
    *,
    square: bool = False,
    hooked_again: str | None = None,
) -> tuple[Sheet, Rest]:
    """The sheet after these moves, at rest.  Raises: NotAtRest."""
    if square:
        sheet = replace(sheet, rack_mm=0.0)
    if hooked_again is not None:
        gap = sheet.holds.gap_mm.copy()
        own = sheet.holds.side == SIDES.index(hooked_again)
        gap[own, 1] = even(laid).holds.gap_mm[own, 1]
        sheet = sheet.with_holds(gap_mm=gap)
    turned = [m for m in moves if not m.again]
    sheet = with_faults(
        laid, sheet, [Fault(kind=Kind.TIGHT, amount_mm=m.tighter_mm, point=m.point) for m in turned]
    )
    opened = [m.point for m in moves if m.again]
    if opened:
        sheet, rest = pulled_again(laid, solver, sheet, opened, rest.moved)
    return sheet, solver.solve(sheet, rest.moved)


def bad(view: Sights) -> float:
    """Share of the sheet that wrinkles or hangs."""
    return view.wrinkled + view.slack


def _again(points: Sequence[int]) -> tuple[Move, ...]:
    return tuple(Move(point=k, tighter_mm=0.0, again=True) for k in points)


def _opened(laid: Laid, faults: Sequence[Fault]) -> list[int]:
    """The points about these faults: from the first to the last of each side, and a corner whole."""
    out = set[int]()
    for fault in faults:
        if fault.kind is Kind.CORNER:
            out.update(corner_of(laid, fault.point))
    for side in Side:
        own = [
            laid.points[f.point].reading_mm
            for f in faults
            if f.point >= 0 and laid.points[f.point].side is side
        ]
        if own:
            slack = 1e-3 + max(REACH_MM, spacing_of(laid, side))
            out.update(
                k
                for k, p in enumerate(laid.points)
                if p.side is side and min(own) - slack <= p.reading_mm <= max(own) + slack
            )
    return sorted(out)


def _best(laid: Laid, solver: Solver, faults: Sequence[Fault]) -> tuple[Move, ...]:
    """Turns at the points and at their opposites, the best over half and twice the amount that is thought."""
    sound = even(laid)
    sick = list[tuple[Sheet, Rest]]()
    for share in (0.5, 1.0, 2.0):
        sheet = with_faults(
            laid, sound, [replace(f, amount_mm=min(50.0, f.amount_mm * share)) for f in faults]
        )
        try:
            sick.append((sheet, solver.solve(sheet)))
        except NotAtRest:
            continue
    # one fault after the other, the ones that come put back by what is thought: all of them at once would be too many to try
    chosen = [_back(laid, [fault]) for fault in faults]
    for place, fault in enumerate(faults):
        least = np.inf
        for own in _choices(laid, fault):
            tried = [*chosen[:place], own, *chosen[place + 1 :]]
            moves = tuple(move for each in tried for move in each)
            cost = 1e-6 * sum(abs(move.tighter_mm) for move in moves)
            for sheet, rest in sick:
                try:
                    view = sights(*done(laid, solver, sheet, rest, moves))
                except NotAtRest:
                    cost += 1.0
                else:
                    cost += bad(view) - 1e-2 * view.evenness
            if cost < least:
                chosen[place], least = own, cost
    return tuple(move for each in chosen for move in each)


def _back(laid: Laid, faults: Sequence[Fault]) -> tuple[Move, ...]:
    """Each point back by its amount; its opposite is felt, not moved."""
    out = list[Move]()
    for fault in faults:
        if fault.kind is Kind.CORNER:
            out += _corner(laid, fault, fault.amount_mm)
        else:
            sign = -1.0 if fault.kind is Kind.TIGHT else 1.0
            out.append(Move(point=fault.point, tighter_mm=sign * fault.amount_mm))
            out.append(Move(point=opposite_of(laid, fault.point), tighter_mm=0.0))
    return tuple(out)


def _choices(laid: Laid, fault: Fault) -> list[tuple[Move, ...]]:
    """What is tried: the point by whole turns about its amount, its opposite by none or by the half."""
    turn = LITTLE_MM[laid.hold]
    if fault.kind is Kind.CORNER:
        return [_corner(laid, fault, turns * turn) for turns in _turns(fault, turn)]
    sign = -1.0 if fault.kind is Kind.TIGHT else 1.0
    across = opposite_of(laid, fault.point)
    return [
        (
            Move(point=fault.point, tighter_mm=sign * turns * turn),
            Move(point=across, tighter_mm=sign * other * turn),
        )
        for turns in _turns(fault, turn)
        for other in sorted({0, turns // 2})
    ]


def _turns(fault: Fault, turn: float) -> list[int]:
    usual = abs(fault.amount_mm) / turn
    return sorted({max(1, min(MOST_TURNS, round(usual * share))) for share in (0.6, 1.0, 1.5)})


def _corner(laid: Laid, fault: Fault, tighter: float) -> tuple[Move, ...]:
    return tuple(Move(point=k, tighter_mm=tighter) for k in corner_of(laid, fault.point))


def by_springs(laid: Laid, read_mm: Mapping[int, float], least_mm: float = 4.0) -> list[Fault]:
    """Faults that show no wrinkle, from what the holds are stretched by.

    Args: read_mm, by point its read stretch [mm]; least_mm, what is no fault.
    Returns: points that are stretched more or less than the even sheet stretches them, the worst first.
    Source: a single spring that is off keeps most of its fault in itself, as the cloth is far stiffer.
    """
    sheet = even(laid)
    usual = laid.wanted / sheet.holds.rate
    middle = float(np.median([mm - usual[k] for k, mm in read_mm.items()])) if read_mm else 0.0
    out = list[Fault]()
    for k, mm in read_mm.items():
        off = mm - usual[k] - middle
        if abs(off) >= least_mm:
            kind = Kind.TIGHT if off > 0.0 else Kind.SLACK
            out.append(Fault(kind=kind, amount_mm=min(100.0, abs(off)), point=k))
    return sorted(out, key=lambda fault: -fault.amount_mm)


def by_margins(margins_mm: Mapping[str, float], least_mm: float = 3.0) -> tuple[float, float]:
    """How far the sheet lies off, right and up [mm], from the margins that are read; 0 below least_mm.

    Args: margins_mm, by side how far the cloth reaches past the frame.
    Source: half the difference of opposite margins.
    """
    right = (margins_mm.get(SIDES[1], 0.0) - margins_mm.get(SIDES[3], 0.0)) / 2.0
    up = (margins_mm.get(SIDES[0], 0.0) - margins_mm.get(SIDES[2], 0.0)) / 2.0
    return tuple(mm if abs(mm) >= least_mm / 2.0 else 0.0 for mm in (right, up))  # type: ignore[return-value]
