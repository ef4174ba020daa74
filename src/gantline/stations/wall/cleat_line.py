"""The wall piece of a cleat as marks: its edge line, its two ends, the studs it is screwed to."""

from dataclasses import dataclass

from gantline.job.model.hanging import Hanging
from gantline.plan.ask import Ask
from gantline.stations.common import part_drop_given
from gantline.stations.survey import room
from gantline.stations.wall.solve import rows_mm
from gantline.stations.wall.way import cleat_on_studs, cleat_place, cleat_stands, frame_pieces, low_cleat_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class CleatEdge:
    """Where the wall piece goes [mm]: its ends from the left wall end, its front edge above the floor and above the datum line,
    and the studs it is screwed to from the left wall end."""

    left_mm: float
    right_mm: float
    edge_mm: float
    from_datum_mm: float
    studs_mm: tuple[float, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class CleatRow:
    """A cleat's line in the job's texts; stands, whether it is up already; frame_piece, from the frame's left end seen from the
    front; low, how far below it a second one sits that only pulls in."""

    edge: str
    left: str
    right: str
    length: str
    studs: tuple[str, ...]
    board: str
    stands: bool
    frame_piece: str
    low: str


def stretch(at: Ask, ends: tuple[float, float]) -> str:
    """From one end to the other."""
    return f"{at.text(ends[0])} to {at.text(ends[1])}"


def cleat_edge(at: Ask) -> CleatEdge | None:
    """The line to draw before the wall piece is held up to it; None where there is no cleat, or no height for it yet."""
    place, rows = at(cleat_place) if at(cleat_on_studs) else None, at(rows_mm)
    if place is None or rows is None or at(part_drop_given):
        return None
    edge = rows[0] + at.field(Hanging.cleat_screw_mm)
    return CleatEdge(
        left_mm=place.left_mm,
        right_mm=place.right_mm,
        edge_mm=edge,
        from_datum_mm=edge - at(room).datum_mm,
        studs_mm=place.studs_mm,
    )


def cleat_row(at: Ask) -> CleatRow | None:
    """For the sheets."""
    line = at(cleat_edge)
    if line is None:
        return None
    low = at(low_cleat_mm)
    way = "above" if line.from_datum_mm >= 0.0 else "below"
    return CleatRow(
        edge=f"{at.text(abs(line.from_datum_mm))} {way} the datum line",
        left=at.text(line.left_mm),
        right=at.text(line.right_mm),
        length=at.text(line.right_mm - line.left_mm),
        studs=tuple(at.text(stud) for stud in line.studs_mm),
        board=at.text(at.field(Hanging.cleat_board_mm)),
        stands=at(cleat_stands),
        frame_piece=" and ".join(stretch(at, piece) for piece in at(frame_pieces)),
        low="" if low is None else at.text(low),
    )
