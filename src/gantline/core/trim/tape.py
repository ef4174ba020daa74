"""Border tape and velvet: how long each piece is, and how many rolls they take.

Tape does not stretch, so it is cut precisely. Source: geometry of the corner.
Leaves out: tape that is lost at the beginning of a roll.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from gantline.core.errors import require_not_negative, require_positive


class Corner(StrEnum):
    """How the tape's ends meet."""

    MITER = "miter"
    WRAP = "wrap"


@dataclass(frozen=True, slots=True, kw_only=True)
class TapePiece:
    """One piece [mm]. notch: cut out of its ends, a square of that side; 0: none."""

    name: str
    length_mm: float
    notch_mm: float


def tape_pieces(
    width_mm: float, height_mm: float, *, wrap_mm: float, corner: Corner, allowance_mm: float
) -> tuple[TapePiece, ...]:
    """Top, bottom, left, right.

    Args: width, height, outside of the frame [mm]; wrap, what goes round the edge; allowance, to cut off at the end.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm)
    require_not_negative(wrap_mm=wrap_mm, allowance_mm=allowance_mm)
    round_the_end = 2.0 * wrap_mm if corner is Corner.WRAP else 0.0
    notch = wrap_mm if corner is Corner.WRAP else 0.0
    rail = width_mm + round_the_end + allowance_mm
    stile = height_mm + allowance_mm
    return (
        TapePiece(name="top", length_mm=rail, notch_mm=notch),
        TapePiece(name="bottom", length_mm=rail, notch_mm=notch),
        TapePiece(name="left", length_mm=stile, notch_mm=0.0),
        TapePiece(name="right", length_mm=stile, notch_mm=0.0),
    )


def tape_width_mm(faces_mm: Sequence[float], wrap_mm: float) -> float:
    """How wide tape is cut: the widest face of the border, and what goes round the edge [mm]."""
    return max(faces_mm) + wrap_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class Rolls:
    """How many rolls, and how the pieces are shared out; joined: pieces longer than a roll, which need a joint."""

    count: int
    shares: tuple[tuple[str, ...], ...]
    joined: tuple[str, ...]


def rolls_for(pieces: Sequence[TapePiece], roll_mm: float) -> Rolls:
    """The fewest rolls, each piece whole from one of them where it can be; all ways of sharing four pieces are tried."""
    require_positive(roll_mm=roll_mm)
    joined = tuple(piece.name for piece in pieces if piece.length_mm > roll_mm)
    if joined:  # cut one after the other, joints where a roll ends
        whole = sum(tape_piece.length_mm for tape_piece in pieces)
        return Rolls(count=int(-(-whole // roll_mm)), shares=(), joined=joined)
    best: list[list[TapePiece]] = [[tape_piece] for tape_piece in pieces]

    def place(at: int, shares: list[list[TapePiece]]) -> None:
        nonlocal best
        if len(shares) >= len(best):
            return
        if at == len(pieces):
            best = [list(share) for share in shares]
            return
        piece = pieces[at]
        for share in shares:
            if sum(each.length_mm for each in share) + piece.length_mm <= roll_mm + 1e-6:
                share.append(piece)
                place(at + 1, shares)
                share.pop()
        place(at + 1, [*shares, [piece]])

    place(0, [])
    return Rolls(
        count=len(best),
        shares=tuple(tuple(tape_piece.name for tape_piece in share) for share in best),
        joined=(),
    )
