"""The cutting bench: which boards of the stores to buy, every cut on them, and what other boards would cost."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from gantline.compare.masks import MASK_BOARD, MaskDrawing, mask_drawings, mask_wanted
from gantline.core.frame.boards import CALLED_MM, sold_length
from gantline.core.frame.cutting import CannotCut, CutBoard, CutPlan, Stock, Wanted, cut_plan
from gantline.job.model.frame import FrameBuild
from gantline.plan.ask import Ask
from gantline.stations.frame import parts
from gantline.stations.wall.ledger import ledger_nominal, ledger_parts

Boards = Sequence[tuple[str, str, Mapping[str, Any]]]
# where the stores hold no board of a name: what yards sell, at a price by length
USUAL_MM = (2400.0, 3000.0, 3600.0, 4200.0, 4800.0)
SECONDS, WHAT_IF_SECONDS = 6.0, 2.0
SAYS_LENGTH = re.compile(r"\d\s*(mm|cm|m|in|ft)$")  # a record called by its length: that stands beside it


@dataclass(frozen=True, slots=True, kw_only=True)
class CutRow:
    """One cut: the piece, from and to as running readings from the board's end, in the job's texts and in mm.

    key: piece and length, so that a piece that was cut is not taken for one of another length.
    """

    key: str
    name: str
    length: str
    from_text: str
    to_text: str
    from_mm: float
    to_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class BoardRow:
    """One board with its cuts, and what is left of it."""

    stock: str
    length: str
    length_mm: float
    price: float
    cuts: tuple[CutRow, ...]
    offcut: str
    offcut_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherBoards:
    """What the same pieces would cost from boards of one length only; price None: they do not hold the pieces."""

    length: str
    boards: int
    price: float | None
    more: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class CutGroup:
    """All pieces of one board: named, cut, and what other lengths would cost. trouble: why it cannot be cut."""

    board: str
    name: str
    boards: tuple[BoardRow, ...]
    price: float
    priced: bool
    proven: bool
    gap: float
    trouble: str
    others: tuple[OtherBoards, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Cutting:
    """Every group; kerf and end trim as they are read."""

    groups: tuple[CutGroup, ...]
    masks: tuple[MaskDrawing, ...]
    kerf: str
    end_trim: str
    price: float


def cutting(at: Ask, boards: Boards) -> Cutting:
    """The boards for frame and mask panels.  boards: the stores' records of boards.

    Pieces of one kind of board are cut together, whatever they are for; boards of other sizes share no off-cuts.
    """
    groups = [
        _group(at, nominal, name, wanted, boards) for nominal, name, wanted in wanted_by_board(at) if wanted
    ]
    return Cutting(
        groups=tuple(groups),
        masks=tuple(mask_drawings(at)),
        kerf=at.text(at.field(FrameBuild.kerf_mm)),
        end_trim=at.text(at.field(FrameBuild.end_trim_mm)),
        price=round(sum(group.price for group in groups), 2),
    )


def wanted_by_board(at: Ask) -> list[tuple[str, str, list[Wanted]]]:
    """What is cut from which board: the frame from its own, mask panels from 1×2, a ledger from one as thick as it is."""
    own = at.field(FrameBuild.board)
    frame = [Wanted(name=name, length_mm=long) for name, long in at(parts)]
    ledger = [Wanted(name=name, length_mm=long) for name, long in at(ledger_parts)]
    kinds = (
        (own, "frame", frame),
        (MASK_BOARD, "masks" if own == MASK_BOARD else "mask panels", list(mask_wanted(at))),
        (at(ledger_nominal) if ledger else own, "ledger", ledger),
    )
    groups: dict[str, tuple[list[str], list[Wanted]]] = {}
    for board, name, wanted in kinds:
        if wanted or board == own:
            names, pieces = groups.setdefault(board, ([], []))
            names += [name] if wanted else []
            pieces += wanted
    return [(board, " and ".join(names), pieces) for board, (names, pieces) in groups.items()]


def stocks(nominal: str, boards: Boards) -> tuple[list[Stock], bool]:
    """Boards of a name in the stores, and whether they bear prices; the usual lengths where there are none."""
    found = [
        Stock(
            key=name,
            length_mm=float(body["length_mm"]),
            price=float(body.get("price") or 0.0),
            count=body.get("count"),
        )
        for _, name, body in boards
        if body.get("nominal") == nominal
    ]
    if found:
        return found, all(one.price > 0.0 for one in found)
    return [Stock(key="", length_mm=long, price=long / 1000.0) for long in USUAL_MM], False


def stocks_to_carry(at: Ask, nominal: str, boards: Boards) -> tuple[list[Stock], bool]:
    """The stocks without boards that are longer than what can be carried, or was said to be had; and whether they bear
    prices."""
    stored, priced = stocks(nominal, boards)
    longest = at.given(FrameBuild.longest_mm)
    return [board for board in stored if longest is None or board.length_mm <= longest + CALLED_MM], priced


def _group(at: Ask, nominal: str, name: str, wanted: list[Wanted], boards: Boards) -> CutGroup:
    stocks_there, priced = stocks_to_carry(at, nominal, boards)
    if not stocks_there:
        stored, longest = stocks(nominal, boards)[0], at.given(FrameBuild.longest_mm)
        shortest = sold_length(min(board.length_mm for board in stored), at.own_units)
        most = at.text(longest or 0.0)
        text = (
            f"Every board in the stores is longer than the longest board or load, {most}: the shortest is {shortest}. Add a "
            "shorter board at Stores, or carry a longer one."
        )
        return _no_group(nominal, name, priced, text)
    if not priced:  # the least wood, where nobody said what it costs
        stocks_there = [replace(board, price=board.length_mm / 1000.0) for board in stocks_there]
    kerf, trim = at.field(FrameBuild.kerf_mm), at.field(FrameBuild.end_trim_mm)
    try:
        plan = cut_plan(wanted, stocks_there, kerf_mm=kerf, trim_mm=trim, seconds=SECONDS)
    except CannotCut as error:
        return _no_group(nominal, name, priced, _trouble(at, error))
    return CutGroup(
        board=nominal.replace("x", "×"),
        name=name,
        boards=tuple(_board(at, one) for one in plan.boards),
        price=round(plan.price, 2) if priced else 0.0,
        priced=priced,
        proven=plan.proven,
        gap=plan.gap,
        trouble="",
        others=tuple(_others(at, wanted, stocks_there, plan, priced, (kerf, trim))),
    )


def _no_group(nominal: str, name: str, priced: bool, trouble: str) -> CutGroup:
    """A group that cannot be cut, and why."""
    return CutGroup(
        board=nominal.replace("x", "×"),
        name=name,
        boards=(),
        price=0.0,
        priced=priced,
        proven=False,
        gap=0.0,
        trouble=trouble,
        others=(),
    )


def _trouble(at: Ask, error: CannotCut) -> str:
    """Why it cannot be cut, in the job's units, and what helps."""
    facts = error.context
    if "piece" not in facts:
        return "There are not enough boards for all pieces. Add boards, or longer ones."
    long, gives = (at.text(float(str(facts[key]))) for key in ("length_mm", "gives_mm"))
    return (
        f"No board holds {facts['piece']}, {long}: the longest in the stores gives {gives} between its trimmed ends. Add a "
        "longer board at Stores, or set the longest board so that the piece is spliced."
    )


def _board(at: Ask, cut_board: CutBoard) -> BoardRow:
    return BoardRow(
        stock="" if SAYS_LENGTH.search(cut_board.stock) else cut_board.stock,
        length=sold_length(cut_board.length_mm, at.own_units),
        length_mm=cut_board.length_mm,
        price=cut_board.price,
        cuts=tuple(
            CutRow(
                key=f"{cut.name}, {cut.to_mm - cut.from_mm:.1f} mm",
                name=cut.name,
                length=at.text(cut.to_mm - cut.from_mm),
                from_text=at.text(cut.from_mm),
                to_text=at.text(cut.to_mm),
                from_mm=cut.from_mm,
                to_mm=cut.to_mm,
            )
            for cut in cut_board.cuts
        ),
        offcut=at.text(cut_board.offcut_mm),
        offcut_mm=cut_board.offcut_mm,
    )


def _others(
    at: Ask, wanted: list[Wanted], there: list[Stock], best: CutPlan, priced: bool, saw: tuple[float, float]
) -> list[OtherBoards]:
    """All pieces cut from one length of board alone, for each length."""
    out = []
    for stock in sorted(there, key=lambda each: each.length_mm):
        alone = Stock(key=stock.key, length_mm=stock.length_mm, price=stock.price)
        try:
            plan = cut_plan(wanted, [alone], kerf_mm=saw[0], trim_mm=saw[1], seconds=WHAT_IF_SECONDS)
        except CannotCut:
            out.append(
                OtherBoards(
                    length=sold_length(stock.length_mm, at.own_units), boards=0, price=None, more=None
                )
            )
            continue
        out.append(
            OtherBoards(
                length=sold_length(stock.length_mm, at.own_units),
                boards=len(plan.boards),
                price=round(plan.price, 2) if priced else None,
                more=round(plan.price - best.price, 2) if priced else None,
            )
        )
    return out
