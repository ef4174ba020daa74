"""Boards that a frame hangs by: a cleat and a ledger."""

from typing import Annotated, Literal

from gantline.core.defaults import WallDefaults
from gantline.job.ends import Ends, mm
from gantline.job.field import Field, Part
from gantline.job.types import DistanceMm, LengthMm

CLEAT_PIECES = (("one", "one piece"), ("blocks", "two blocks"))


class BoardsOnWall(Part):
    """The wall piece of a cleat, planned or up already, the frame's own piece, and a ledger's boards [mm]."""

    cleat_board_mm: Annotated[
        LengthMm | None,
        Field(
            "cleat_board", "Cleat, board", default=WallDefaults.cleat_board_mm, fact=True, ends=mm(2.0, 300.0)
        ),
    ] = None
    cleat_point_mm: Annotated[
        DistanceMm | None,
        Field(
            "cleat_point",
            "Cleat, long point to frame top",
            default=WallDefaults.cleat_point_mm,
            fact=True,
            ends=mm(0.0, 5_000.0),
        ),
    ] = None
    cleat_length_mm: Annotated[
        LengthMm | None,
        Field("cleat_length", "Wall piece, length", ends=mm(100.0, 60_000.0)),
    ] = None
    cleat_studs: Annotated[
        Annotated[int, Ends(2, 39)] | None, Field("cleat_studs", "Wall piece over so many studs", "count")
    ] = None
    cleat_up_edge_mm: Annotated[
        DistanceMm | None,
        Field(
            "cleat_up_edge",
            "Wall piece already up: front edge off the floor",
            fact=True,
            moves="where the frame hangs, one to one",
            ends=mm(1.0, 30_000.0),
        ),
    ] = None
    cleat_up_left_mm: Annotated[
        DistanceMm | None,
        Field("cleat_up_left", "Its left end, from left wall end", fact=True, ends=mm(0.0, 60_000.0)),
    ] = None
    cleat_up_right_mm: Annotated[
        DistanceMm | None,
        Field("cleat_up_right", "Its right end, from left wall end", fact=True, ends=mm(1.0, 60_000.0)),
    ] = None
    cleat_piece: Annotated[
        Literal["one", "blocks"] | None,
        Field("cleat_piece", "Frame piece", "choice", "one", CLEAT_PIECES),
    ] = None
    cleat_block_mm: Annotated[
        LengthMm | None,
        Field(
            "cleat_block", "Each of its blocks", default=WallDefaults.cleat_block_mm, ends=mm(30.0, 5_000.0)
        ),
    ] = None
    standoff_turn_mm: Annotated[
        LengthMm | None,
        Field(
            "standoff_turn",
            "Adjustable standoff, one turn",
            default=WallDefaults.standoff_turn_mm,
            fact=True,
            ends=mm(0.1, 10.0),
        ),
    ] = None
    ledger_board_mm: Annotated[
        LengthMm | None,
        Field(
            "ledger_board",
            "Ledger, board",
            default=WallDefaults.ledger_board_mm,
            fact=True,
            ends=mm(5.0, 300.0),
        ),
    ] = None
    ledger_layers: Annotated[
        Annotated[int, Ends(1, 2)] | None,
        Field("ledger_layers", "Ledger, boards one on the other", "count", 1),
    ] = None
    ledger_studs: Annotated[
        Annotated[int, Ends(2, 39)] | None, Field("ledger_studs", "Ledger screwed at so many studs", "count")
    ] = None
    cleat_screw_mm: Annotated[
        DistanceMm | None,
        Field(
            "cleat_screw",
            "Cleat, front edge to its screws",
            default=WallDefaults.cleat_screw_mm,
            ends=mm(0.0, 5_000.0),
        ),
    ] = None
