"""Which boards to buy and how to cut them: the cheapest, of these the fewest, of these with the longest off-cut.

Source: the cutting-stock problem over patterns (Gilmore and Gomory): a linear programme whose columns are patterns,
found one by one; no pattern whose reduced cost is above the gap between the best plan found and the programme's
bound can be in a better plan, so that the integer programme over the others is proven.
A board of length L holds pieces l₁ … l_m iff Σl + (m − 1)·kerf ≤ L − 2·trim.
Leaves out: defects inside a board, and the grain's direction.
"""

import time
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.errors import DesignError, OutOfRange, require_positive
from gantline.core.frame.patterns import FIT_MM, Pattern, best_pattern, full_patterns, worth_patterns

MOST_FULL = 4_000  # patterns that are listed outright
MOST_WORTH = 60_000  # and of those that may be in a better plan
MOST_PIECES = 400


@dataclass(frozen=True, slots=True, kw_only=True)
class Stock:
    """A board that can be had: its length [mm], its price, and how many there are (None: any number)."""

    key: str
    length_mm: float
    price: float
    count: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """A piece that is needed: its name and its length [mm]."""

    name: str
    length_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Cut:
    """One piece on a board [mm]: from and to are running readings from the board's end."""

    name: str
    from_mm: float
    to_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class CutBoard:
    """One board with its cuts in order, longest first; offcut_mm: what is left after the last cut, with the end's trim."""

    stock: str
    length_mm: float
    price: float
    cuts: tuple[Cut, ...]
    offcut_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class CutPlan:
    """All boards. proven: nothing is cheaper; gap: by how much of its price it may be too dear where that is not proven."""

    boards: tuple[CutBoard, ...]
    price: float
    proven: bool
    gap: float

    @property
    def longest_offcut_mm(self) -> float:
        """The longest piece that is left over."""
        return max((board.offcut_mm for board in self.boards), default=0.0)


class CannotCut(DesignError):
    """Pieces that no board is long enough for, or too few boards."""

    code = "cannot-cut"


@dataclass
class _Task:
    """The pieces by length, the stocks, and the columns found so far."""

    names: list[list[str]]
    lengths: list[float]
    counts: list[int]
    stocks: Sequence[Stock]
    kerf_mm: float
    trim_mm: float
    until: float

    def __post_init__(self) -> None:
        self.weights = [length + self.kerf_mm for length in self.lengths]
        self.rooms = [stock.length_mm - 2.0 * self.trim_mm + self.kerf_mm for stock in self.stocks]
        most = sum(self.counts) + 1
        # a cent outweighs every board: the fewest of the cheapest
        self.costs = [round(one.price * 100.0) * most + 1.0 for one in self.stocks]
        self.columns: dict[tuple[int, Pattern], None] = {}

    def arrays(self, columns: Sequence[tuple[int, Pattern]]) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
        """Costs, what each column holds (pieces × columns), and of which stock it is (counted stocks × columns)."""
        costs = np.array([self.costs[stock] for stock, _ in columns])
        holds = np.array([pattern for _, pattern in columns], dtype=float).T
        counted = [at for at, one in enumerate(self.stocks) if one.count is not None]
        uses = np.array([[float(stock == at) for stock, _ in columns] for at in counted])
        return costs, holds, uses.reshape(len(counted), len(columns))

    @property
    def limits(self) -> list[int]:
        """How many there are of each counted stock."""
        return [stock.count for stock in self.stocks if stock.count is not None]

    @property
    def left_s(self) -> float:
        """Time that is left."""
        return max(0.05, self.until - time.monotonic())


def cut_plan(
    wanted: Sequence[Wanted],
    stocks: Sequence[Stock],
    *,
    kerf_mm: float,
    trim_mm: float,
    seconds: float = 5.0,
) -> CutPlan:
    """The boards to buy and every cut on them.

    Args: kerf_mm, what a saw cut takes; trim_mm, what is cut off each end; seconds, after which the best plan so far is
        given with its gap.
    Raises: OutOfRange for lengths, CannotCut for pieces that no board holds, or too few boards.
    """
    _check(wanted, stocks, kerf_mm, trim_mm)
    task = _task(wanted, stocks, kerf_mm, trim_mm, seconds)
    if not task.lengths:
        return CutPlan(boards=(), price=0.0, proven=True, gap=0.0)
    _begin(task)
    bound, prices, stock_prices = _bound(task)
    columns = list(task.columns)
    near = _cheapest(task, columns, prices, stock_prices, 400)
    plan, optimal = _whole(task, near, task.left_s / 2.0)
    proven = False
    if plan is None:
        plan, _ = _whole(task, columns, task.left_s)
    if plan is None:
        raise CannotCut("too few boards for all pieces")
    cost = sum(task.costs[stock] * many for (stock, _), many in plan.items())
    gap = cost - np.ceil(bound - 1e-6)
    if gap <= 1e-6:
        proven = True
        useful: list[tuple[int, Pattern]] = list(plan)
    else:
        found = _useful(task, prices, stock_prices, gap)
        useful = found if found is not None else near
        better, optimal = _whole(task, useful, task.left_s)
        if better is not None:
            now = sum(task.costs[stock] * many for (stock, _), many in better.items())
            plan, cost = (better, now) if now < cost else (plan, cost)
        proven = found is not None and optimal
    if proven and gap <= 1e-6:
        useful = _useful(task, prices, stock_prices, 0.5) or list(plan)
    plan = _longest_offcut(task, plan, useful, cost)
    over = 0.0 if proven else max(0.0, (cost - bound) / cost)
    return _laid(task, plan, proven, over)


def _check(wanted: Sequence[Wanted], stocks: Sequence[Stock], kerf_mm: float, trim_mm: float) -> None:
    if len(wanted) > MOST_PIECES:
        raise OutOfRange(f"at most {MOST_PIECES} pieces are cut at once", field="pieces", got=len(wanted))
    for piece in wanted:
        require_positive(length_mm=piece.length_mm)
    if kerf_mm < 0.0 or trim_mm < 0.0:
        raise OutOfRange("kerf and end trim are 0 or more", field="kerf_mm", got=kerf_mm)
    longest = max((stock.length_mm - 2.0 * trim_mm for stock in stocks if stock.count != 0), default=0.0)
    short = [piece for piece in wanted if piece.length_mm > longest + FIT_MM]
    if short:
        long, gives = short[0].length_mm, max(longest, 0.0)
        raise CannotCut(
            "a piece is longer than every board gives",
            piece=short[0].name,
            length_mm=long,
            gives_mm=gives,
        )


def _task(
    wanted: Sequence[Wanted], stocks: Sequence[Stock], kerf_mm: float, trim_mm: float, seconds: float
) -> _Task:
    by_length: dict[float, list[str]] = {}
    for piece in wanted:
        by_length.setdefault(round(piece.length_mm, 6), []).append(piece.name)
    lengths = sorted(by_length, reverse=True)
    return _Task(
        names=[by_length[length] for length in lengths],
        lengths=lengths,
        counts=[len(by_length[length]) for length in lengths],
        stocks=[stock for stock in stocks if stock.count != 0],
        kerf_mm=kerf_mm,
        trim_mm=trim_mm,
        until=time.monotonic() + seconds,
    )


def _begin(task: _Task) -> None:
    """Columns to begin with: all full patterns where they are few, else boards of one length and boards filled greedily."""
    for at, room in enumerate(task.rooms):
        if room + FIT_MM < task.weights[-1]:
            continue
        listed = full_patterns(task.weights, task.counts, room, MOST_FULL)
        if listed is None:
            for first in range(len(task.weights)):
                order = [first, *(i for i in range(len(task.weights)) if i != first)]
                left, held = room, [0] * len(task.weights)
                for i in order:
                    held[i] = min(task.counts[i], int((left + FIT_MM) // task.weights[i]))
                    left -= held[i] * task.weights[i]
                if any(held):
                    task.columns[at, tuple(held)] = None
        else:
            task.columns.update(((at, pattern), None) for pattern in listed)


def _bound(task: _Task) -> tuple[float, list[float], Mapping[int, float]]:
    """The linear programme's bound, with the price of each piece and of each counted stock; columns are added until none
    can lower it."""
    from scipy.optimize import linprog  # slow to import, needed only here

    counted = [at for at, one in enumerate(task.stocks) if one.count is not None]
    short = sum(task.costs) * 10.0  # what a piece costs that cannot be had: keeps the programme solvable
    while True:
        columns = list(task.columns)
        costs, holds, uses = task.arrays(columns)
        extra = np.eye(len(task.counts))
        matrix = np.vstack(
            [np.hstack([-holds, -extra]), np.hstack([uses, np.zeros((len(counted), len(task.counts)))])]
        )
        solved = linprog(
            np.concatenate([costs, np.full(len(task.counts), short)]),
            A_ub=matrix,
            b_ub=np.array([*(-count for count in task.counts), *task.limits], dtype=float),
            method="highs",
        )
        dual = -np.asarray(solved.ineqlin.marginals)
        prices = [max(0.0, float(one)) for one in dual[: len(task.counts)]]
        stock_prices = dict(zip(counted, (float(one) for one in dual[len(task.counts) :]), strict=True))
        grown = False
        for at, room in enumerate(task.rooms):
            worth, pattern = best_pattern(task.weights, task.counts, room, prices)
            reduced = task.costs[at] + stock_prices.get(at, 0.0) - worth
            if reduced < -1e-6 * max(1.0, task.costs[at]) and (at, pattern) not in task.columns:
                task.columns[at, pattern] = None
                grown = True
        if not grown or time.monotonic() > task.until:
            # before the end it is a bound all the same once every column is as dear as its worth (Farley)
            return (float(solved.fun) if not grown else 0.0), prices, stock_prices


def _reduced(
    task: _Task, column: tuple[int, Pattern], prices: Sequence[float], stock_prices: Mapping[int, float]
) -> float:
    stock, pattern = column
    worth = sum(many * price for many, price in zip(pattern, prices, strict=True))
    return task.costs[stock] + stock_prices.get(stock, 0.0) - worth


def _cheapest(
    task: _Task,
    columns: Sequence[tuple[int, Pattern]],
    prices: Sequence[float],
    stock_prices: Mapping[int, float],
    most: int,
) -> list[tuple[int, Pattern]]:
    return sorted(columns, key=lambda one: _reduced(task, one, prices, stock_prices))[:most]


def _useful(
    task: _Task, prices: Sequence[float], stock_prices: Mapping[int, float], gap: float
) -> list[tuple[int, Pattern]] | None:
    """Every column that a better plan may have; None where they are too many."""
    found: list[tuple[int, Pattern]] = []
    for at, room in enumerate(task.rooms):
        least = task.costs[at] + stock_prices.get(at, 0.0) - gap - 1e-6
        for pattern in worth_patterns(task.weights, task.counts, room, prices, least):
            if any(pattern):
                found.append((at, pattern))
            if len(found) > MOST_WORTH or time.monotonic() > task.until:
                return None
    return found


def _whole(
    task: _Task, columns: Sequence[tuple[int, Pattern]], seconds: float
) -> tuple[Counter[tuple[int, Pattern]] | None, bool]:
    """The best whole number of each column that covers all pieces, and whether it is proven among these columns."""
    from scipy.optimize import Bounds, LinearConstraint, milp

    costs, holds, uses = task.arrays(columns)
    rules = [LinearConstraint(holds, lb=np.array(task.counts, dtype=float))]
    if len(task.limits):
        rules.append(LinearConstraint(uses, ub=np.array(task.limits, dtype=float)))
    solved = milp(
        costs,
        integrality=np.ones(len(columns)),
        bounds=Bounds(0, np.inf),
        constraints=rules,
        options={"time_limit": max(0.05, seconds), "mip_rel_gap": 0.0},
    )
    if solved.x is None:
        return None, False
    return _counted(columns, solved.x), solved.status == 0


def _counted(columns: Sequence[tuple[int, Pattern]], found: np.ndarray) -> Counter[tuple[int, Pattern]]:
    return Counter({one: round(many) for one, many in zip(columns, found, strict=True) if round(many)})


def _longest_offcut(
    task: _Task,
    plan: Counter[tuple[int, Pattern]],
    columns: Sequence[tuple[int, Pattern]],
    cost: float,
) -> Counter[tuple[int, Pattern]]:
    """Of the plans of this cost one whose emptiest board is as empty as can be."""
    from scipy.optimize import Bounds, LinearConstraint, milp

    best, kept = -np.inf, plan
    costs, holds, uses = task.arrays(columns)
    kinds = len(task.counts)
    for at, room in enumerate(task.rooms):
        if time.monotonic() > task.until:
            break
        # one board of this stock holds what the others leave: its pieces are variables of their own
        rules = [
            LinearConstraint(np.hstack([holds, np.eye(kinds)]), lb=np.array(task.counts, dtype=float)),
            LinearConstraint(np.concatenate([costs, np.zeros(kinds)]), ub=cost - task.costs[at] + 1e-6),
            LinearConstraint(np.concatenate([np.zeros(len(columns)), task.weights]), ub=room + FIT_MM),
        ]
        if len(task.limits):
            counted = [i for i, one in enumerate(task.stocks) if one.count is not None]
            left = np.array(
                [limit - (i == at) for i, limit in zip(counted, task.limits, strict=True)], dtype=float
            )
            rules.append(LinearConstraint(np.hstack([uses, np.zeros((len(counted), kinds))]), ub=left))
        solved = milp(
            np.concatenate([np.zeros(len(columns)), task.weights]),
            integrality=np.ones(len(columns) + kinds),
            bounds=Bounds(0, np.concatenate([np.full(len(columns), np.inf), task.counts])),
            constraints=rules,
            options={"time_limit": min(1.0, task.left_s), "mip_rel_gap": 0.0},
        )
        if solved.x is None:
            continue
        own = tuple(round(one) for one in solved.x[len(columns) :])
        offcut = room - float(np.dot(own, task.weights))
        if any(own) and offcut > best + FIT_MM:
            best = offcut
            kept = _counted(columns, solved.x[: len(columns)])
            kept[at, own] += 1
    return kept


def _laid(task: _Task, plan: Counter[tuple[int, Pattern]], proven: bool, gap: float) -> CutPlan:
    """Every board with its pieces, longest first; what the patterns hold too much is left on the board."""
    left = [list(reversed(name)) for name in task.names]
    boards = []
    fullest = sorted(
        plan.elements(),
        key=lambda board: -sum(n * w for n, w in zip(board[1], task.weights, strict=True)),
    )
    # the emptiest board gives up what there is too much of first, so that its off-cut grows
    over = [sum(board[1][i] for board in fullest) - count for i, count in enumerate(task.counts)]
    for stock, pattern in reversed(fullest):
        held = list(pattern)
        for i in range(len(held)):
            drop = min(held[i], over[i])
            held[i] -= drop
            over[i] -= drop
        if any(held):
            boards.append((stock, held))
    made = []
    for stock, held in reversed(boards):
        kind, at, cuts = task.stocks[stock], task.trim_mm, []
        for i, many in enumerate(held):
            for _ in range(many):
                cuts.append(Cut(name=left[i].pop(), from_mm=at, to_mm=at + task.lengths[i]))
                at += task.lengths[i] + task.kerf_mm
        made.append(
            CutBoard(
                stock=kind.key,
                length_mm=kind.length_mm,
                price=kind.price,
                cuts=tuple(cuts),
                offcut_mm=max(0.0, kind.length_mm - at),
            )
        )
    return CutPlan(boards=tuple(made), price=sum(board.price for board in made), proven=proven, gap=gap)
