"""The border's pieces in words."""

from dataclasses import dataclass

from gantline.core.trim.tape import Corner
from gantline.job.model.frame import Trim
from gantline.plan.ask import Ask
from gantline.stations.trim.solve import rolls, tape, tape_width_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class BorderRow:
    """One piece: where it goes, its length as read and in mm, its ends, and the roll it comes from (0: joined)."""

    name: str
    length: str
    length_mm: float
    notch_mm: float
    mitered: bool
    ends: str
    roll: int


@dataclass(frozen=True, slots=True, kw_only=True)
class BorderTable:
    """Every piece, and the width the tape is cut to."""

    rows: tuple[BorderRow, ...]
    width: str
    width_mm: float
    how: str


def border_table(at: Ask) -> BorderTable | None:
    """None without tape or velvet."""
    tape_cut, rolled = at(tape), at(rolls)
    if not tape_cut or rolled is None:
        return None
    mitered = at.field(Trim.corner) == Corner.MITER
    of = {name: number for number, share in enumerate(rolled.shares, start=1) for name in share}
    rows = tuple(
        BorderRow(
            name=piece.name,
            length=at.text(piece.length_mm),
            length_mm=piece.length_mm,
            notch_mm=piece.notch_mm,
            mitered=mitered,
            ends="miter the face, square at the edge"
            if mitered
            else f"notch {at.text(piece.notch_mm)} square at both ends"
            if piece.notch_mm
            else "square",
            roll=of.get(piece.name, 0),
        )
        for piece in tape_cut
    )
    how = (
        "Put the projector's picture on the fabric, mark its four corners, and lay the inner edge of the border to them."
        if at.field(Trim.to_picture)
        else "Lay the inner edge along a straight rule, from corner to corner, without stretching the tape."
    )
    return BorderTable(rows=rows, width=at.text(at(tape_width_mm)), width_mm=at(tape_width_mm), how=how)
