"""The cut list, the bow by number of braces, the fabric on the roll, the boards that were bought, what is to be bought."""

from dataclasses import dataclass

from gantline.core.defaults import FrameDefaults
from gantline.core.frame.straight import Board, sighted
from gantline.core.materials import short_of
from gantline.job.field import field_of
from gantline.job.model.frame import Blank, BoughtBoard, BoxPart, FrameBuild
from gantline.plan.ask import Ask
from gantline.stations.frame.blank import blank, roll_cut
from gantline.stations.frame.board import timber
from gantline.stations.frame.solve import brace_count, parts, pieces, sags, splices

ENDS = {"square": "square", "mitered": "mitered, to long points", "half-lapped": "half-lapped"}


@dataclass(frozen=True, slots=True, kw_only=True)
class PieceRow:
    """One piece of the cut list in the job's texts."""

    letter: str
    name: str
    length: str
    ends: str
    note: str


@dataclass(frozen=True, slots=True, kw_only=True)
class CutList:
    """Every piece; parts are what comes off the saw, by letter [mm]."""

    rows: tuple[PieceRow, ...]
    parts: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BowRow:
    """The bow of a rail with so many braces."""

    braces: int
    span: str
    bow: str
    enough: bool
    used: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class BracePlace:
    """A brace at a place of its own."""

    id: str
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class BowTable:
    """The bow with 0, 1, 2 … even braces; allowed in the same unit. places: braces at places of their own."""

    rows: tuple[BowRow, ...]
    allowed: str
    places: tuple[BracePlace, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class RollDrawing:
    """The fabric on the roll: sizes in mm for a drawing to scale, and as they are read."""

    roll_mm: float
    across_mm: float
    along_mm: float
    roll: str
    across: str
    along: str
    spare: str
    turned: bool
    turn_deg: float
    front: str


@dataclass(frozen=True, slots=True, kw_only=True)
class SightedRow:
    """A board that was bought, with its verdict."""

    id: str
    length: str
    crook: str
    bow: str
    twist: str
    verdict: str
    good: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class SightedBoards:
    """The straightest first."""

    rows: tuple[SightedRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BoxRow:
    """A part of the kit: how many the sheet has, how many are in the box (None: not counted), what is short of it."""

    id: str
    name: str
    count: int
    spare: int
    found: int | None
    short: int
    stops: str


@dataclass(frozen=True, slots=True, kw_only=True)
class BoxCheck:
    """Every part, and how many lines are counted."""

    rows: tuple[BoxRow, ...]
    counted: int


def box_check(at: Ask) -> BoxCheck | None:
    """None without a kit that lists its parts."""
    there = at.things(FrameBuild.parts)
    if not there or at(timber):
        return None
    named = field_of(BoxPart.stops)
    rows = tuple(
        BoxRow(
            id=part.id,
            name=part.name,
            count=part.count,
            spare=at.of(part, BoxPart.spare),
            found=part.found,
            short=0 if part.found is None else short_of(part.count, at.of(part, BoxPart.spare), part.found),
            stops=named.choice(at.of(part, BoxPart.stops)),
        )
        for part in there
    )
    return BoxCheck(rows=rows, counted=sum(1 for row in rows if row.found is not None))


def cut_list(at: Ask) -> CutList | None:
    """The pieces in words; None for a kit."""
    boards = at(pieces)
    if isinstance(boards, str):
        return None
    split = {splice.letter: splice.splice for splice in at(splices) if splice.splice}
    rows = []
    for piece in boards:
        made = split.get(piece.letter)
        note = "" if made is None else "in parts of " + " and ".join(at.text(part) for part in made.parts_mm)
        rows.append(
            PieceRow(
                letter=piece.letter,
                name=piece.name,
                length=at.text(piece.length_mm),
                ends=ENDS[piece.ends],
                note=note,
            )
        )
    return CutList(rows=tuple(rows), parts=tuple(name for name, _ in at(parts)))


def bow_table(at: Ask) -> BowTable | None:
    """How many braces; None for a kit."""
    if not at(timber):
        return None
    most, used = at.default(FrameDefaults.sag_allowed_mm), at(brace_count)
    rows = tuple(
        BowRow(
            braces=sag.braces,
            span=at.text(sag.span_mm),
            bow=at.fine(sag.sag_mm),
            enough=sag.sag_mm <= most,
            used=sag.braces == used,
        )
        for sag in at(sags)[: max(used + 2, 4)]
    )
    places = tuple(
        BracePlace(id=brace.id, text=at.text(brace.u_mm)) for brace in at.things(FrameBuild.braces)
    )
    return BowTable(rows=rows, allowed=at.fine(most), places=places)


def roll_drawing(at: Ask) -> RollDrawing | None:
    """The blank on its roll; None while the roll's width is not known."""
    cut = at(roll_cut) if at(timber) else None
    if cut is None:
        return None
    width, height = (at.text(side) for side in at(blank))
    long, short = (height, width) if cut.turned else (width, height)
    turn = at.field(Blank.turn_deg)
    return RollDrawing(
        roll_mm=cut.across_mm + cut.spare_mm,
        across_mm=cut.across_mm,
        along_mm=cut.along_mm,
        roll=at.text(cut.across_mm + cut.spare_mm),
        across=short if not turn else at.text(cut.across_mm),
        along=long if not turn else at.text(cut.along_mm),
        spare=at.text(max(cut.spare_mm, 0.0)),
        turned=cut.turned,
        turn_deg=turn,
        front="The front is the side the leaflet names: hold a lamp to both before you cut, and mark the back with chalk.",
    )


def bought_boards(at: Ask) -> SightedBoards | None:
    """Boards as they were sighted; None while there are none."""
    bought = at.things(FrameBuild.bought)
    if not bought:
        return None
    found = [
        Board(
            key=bought_board.id,
            length_mm=bought_board.length_mm,
            crook_mm=at.of(bought_board, BoughtBoard.crook_mm),
            bow_mm=at.of(bought_board, BoughtBoard.bow_mm),
            twist_mm=at.of(bought_board, BoughtBoard.twist_mm),
        )
        for bought_board in bought
    ]
    limits = (FrameDefaults.crook_mm, FrameDefaults.bow_mm, FrameDefaults.twist_mm)
    crook, bow, twist = (at.default(limit) for limit in limits)
    rows = tuple(
        SightedRow(
            id=sighted_board.board.key,
            length=at.text(sighted_board.board.length_mm),
            crook=at.fine(sighted_board.board.crook_mm),
            bow=at.fine(sighted_board.board.bow_mm),
            twist=at.fine(sighted_board.board.twist_mm),
            verdict=f"for a {sighted_board.role}"
            if sighted_board.role
            else f"take it back: {sighted_board.why} too large",
            good=sighted_board.rank is not None,
        )
        for sighted_board in sighted(found, crook_mm=crook, bow_mm=bow, twist_mm=twist)
    )
    return SightedBoards(rows=rows)
