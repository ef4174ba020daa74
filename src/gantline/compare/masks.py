"""Removable mask panels: their pieces for the saw, and each panel as it is built."""

from collections.abc import Iterator
from dataclasses import dataclass

from gantline.core.defaults import FrameDefaults
from gantline.core.frame.boards import DRESSED, Lies, section
from gantline.core.frame.cutting import Wanted
from gantline.core.frame.pieces import Joint, Piece, frame_pieces
from gantline.core.size.aspect import read_aspect
from gantline.core.size.content import MaskPanel, hold_places_mm, shown, side_panel
from gantline.core.units import pair_text
from gantline.job.model.size import Content
from gantline.plan.ask import Ask
from gantline.stations.size import screen

MASK_BOARD = "1x2"
MASK_MM = section(*DRESSED[MASK_BOARD], Lies.FLAT).in_plane_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class MaskPiece:
    """A piece of a mask panel, its rectangle from the lower outer corner, u inward and v up [mm]."""

    letter: str
    left_mm: float
    bottom_mm: float
    right_mm: float
    top_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class MaskDrawing:
    """A side panel as it is built, two of each, the right one mirrored: pieces, hold points, velvet; texts as they are read.

    Seen from the back, u from the outer edge inward [mm].
    """

    name: str
    aspect: str
    width_mm: float
    height_mm: float
    width: str
    height: str
    pieces: tuple[MaskPiece, ...]
    holds_mm: tuple[tuple[float, float], ...]
    holds: tuple[str, ...]
    velvet: str


def mask_panels(at: Ask) -> list[tuple[int, MaskPanel]]:
    """The removable side panel of each aspect ratio that needs one, by its number; two of each are made."""
    lap, picture = at.field(Content.lap_mm), at(screen).picture
    found = [
        (number, side_panel(picture, shown(picture, read_aspect(one.aspect)), lap))
        for number, one in enumerate(at.things(Content.shapes), start=1)
    ]
    return [(number, one) for number, one in found if one is not None and one.width_mm > 2.0 * MASK_MM]


def _mask_pieces(panel: MaskPanel) -> tuple[Piece, ...]:
    return frame_pieces(
        width_mm=panel.width_mm,
        height_mm=panel.height_mm,
        board_mm=MASK_MM,
        joint=Joint.BUTT_RAILS,
        braces_at_mm=(),
    )


def mask_wanted(at: Ask) -> list[Wanted]:
    """What all mask panels are cut from, left and right."""
    return [
        Wanted(name=f"M{number}{side} {each.letter}", length_mm=each.length_mm)
        for number, panel in mask_panels(at)
        for side in "LR"
        for each in _mask_pieces(panel)
    ]


def velvet_text(at: Ask, panel: MaskPanel) -> str:
    """The velvet of one panel, round all its edges, as it is cut."""
    wrap = 2.0 * at.default(FrameDefaults.mask_wrap_mm)
    return pair_text(panel.width_mm + wrap, panel.height_mm + wrap, at.units)


def mask_drawings(at: Ask) -> Iterator[MaskDrawing]:
    """Every panel as it is built."""
    shapes = list(at.things(Content.shapes))
    for number, panel in mask_panels(at):
        holds = hold_places_mm(panel, round(at.default(FrameDefaults.mask_holds)), MASK_MM / 2.0)
        yield MaskDrawing(
            name=f"M{number}",
            aspect=shapes[number - 1].aspect,
            width_mm=panel.width_mm,
            height_mm=panel.height_mm,
            width=at.text(panel.width_mm),
            height=at.text(panel.height_mm),
            pieces=tuple(
                MaskPiece(
                    letter=piece.letter,
                    left_mm=piece.left_mm,
                    bottom_mm=piece.bottom_mm,
                    right_mm=piece.right_mm,
                    top_mm=piece.top_mm,
                )
                for piece in _mask_pieces(panel)
            ),
            holds_mm=holds,
            holds=tuple(at.text(v) for _, v in holds),
            velvet=velvet_text(at, panel),
        )
