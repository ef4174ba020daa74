"""Corners as read, moves in order, and what the corners will read after each."""

from dataclasses import dataclass

from gantline.core.align.corners import CORNERS, NAMES, READINGS, farthest_mm
from gantline.job.model.align import Aligned
from gantline.plan.ask import Ask
from gantline.stations.align.solve import (
    after_mm,
    done,
    doubted,
    made_moves,
    misfits,
    read_mm,
    wanted_mm,
    within_mm,
)
from gantline.stations.align.words import outside, said, short
from gantline.stations.size import screen

LENS = {"ratio": "zoom", "shift_h": "shift-h", "shift_v": "shift-v"}


@dataclass(frozen=True, slots=True, kw_only=True)
class CornerRow:
    """A corner of the last round: sideways and up or down; whether either is doubted, whether both are within tolerance."""

    key: str
    name: str
    across: str
    up: str
    doubted: bool
    within: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class MoveRow:
    """A move, and the corners after it: four pairs, sideways and up, + outside [mm]. control: what a projector that is set
    from afar calls it (empty for a move of the body), by: share of the picture, + larger, right, up."""

    text: str
    kind: str
    after: tuple[str, ...]
    control: str
    by: float


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundRow:
    """One round in short."""

    id: str
    said: str
    by: str


@dataclass(frozen=True, slots=True, kw_only=True)
class AlignTable:
    """The last round, its moves, every round; wanted: how far out each corner should be; half_border: half of a
    border, as it is typed (empty without one); fits: whether the corners fit a pose; done: all eight within tolerance."""

    corners: tuple[CornerRow, ...]
    moves: tuple[MoveRow, ...]
    rounds: tuple[RoundRow, ...]
    wanted: str
    half_border: str
    fits: bool
    done: bool


def align_table(at: Ask) -> AlignTable:
    """All of it in words."""
    read, bad = at(read_mm), at(doubted)
    corners = []
    for number, key in enumerate(CORNERS if read else ()):
        pair = read[2 * number : 2 * number + 2]
        close = all(one is not None and abs(one - at(wanted_mm)) <= at(within_mm) + 1e-9 for one in pair)
        row = CornerRow(
            key=key,
            name=NAMES[key],
            across=outside(at, pair[0]),
            up=outside(at, pair[1]),
            doubted=any(one.startswith(key) for one in bad),
            within=close,
        )
        corners.append(row)
    moves = tuple(
        MoveRow(
            text=said(at, move),
            kind=move.kind,
            after=tuple(short(at, each) for each in at(after_mm, move.after)),
            control=LENS.get(move.kind, ""),
            by=move.amount if move.kind in LENS else 0.0,
        )
        for move in at(made_moves)
    )
    rounds = []
    for corner_round in at.things(Aligned.rounds):
        there = [value for name in READINGS if (value := getattr(corner_round, f"{name}_mm")) is not None]
        worst = farthest_mm(there, at(wanted_mm)) or 0.0
        by = ", ".join(each for each in (corner_round.who, corner_round.day) if each)
        rounds.append(
            RoundRow(id=corner_round.id, said=f"{len(there)} of 8 read, farthest {at.text(worst)} off", by=by)
        )
    side = at(screen).border.side_mm
    return AlignTable(
        corners=tuple(corners),
        moves=moves,
        rounds=tuple(rounds),
        wanted=at.text(at(wanted_mm)),
        half_border=at.text(side / 2.0) if side > 0.0 else "",
        fits=not at(misfits),
        done=at(done),
    )
