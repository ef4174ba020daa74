"""Brackets, what is screwed, what was drilled."""

from typing import Annotated, Literal

from pydantic import Field as Limit

from gantline.core.defaults import WallDefaults
from gantline.core.wall.loads import FIXINGS, MOST_A_BRACKET, OWN, Base
from gantline.core.wall.marks import ScrewLay
from gantline.core.wall.ways import NAMES, Way
from gantline.job.ends import Ends, mm
from gantline.job.field import Field, Item
from gantline.job.model.boards_on_wall import BoardsOnWall
from gantline.job.types import (
    DistanceMm,
    Id,
    LengthMm,
    Line,
    PositionMm,
    Positive,
    Share,
)

RULES = (
    ("share", "share of frame width"),
    ("fixed", "fixed by the kit"),
    ("about", "about so far apart, by the kit"),
)
FASTENERS = (*((key, one.name) for key, one in FIXINGS.items()), (OWN, "the one entered below"))
BASES = ((Base.WOOD, "wood"), (Base.BOARD, "board"), (Base.BRICK, "brick"), (Base.BLOCK, "aerated block"))
HEIGHTS_BY = (
    ("drop", "drop of the bracket"),
    ("less", "frame height less a number, from its bottom"),
    ("cabinet", "a height above the cabinet"),
)
BOTTOMS = (
    ("latches", "latches or lower brackets"),
    ("pads", "pads"),
    ("strips", "hook-and-loop strips"),
    ("screws", "adjustable standoffs"),
    ("cleat", "a second cleat, low, that only pulls in"),
    ("free", "nothing"),
)
ACROSS = (
    ("left", "left wall end"),
    ("right", "right wall end"),
    ("center", "screen center"),
    ("stud", "nearest stud"),
)
UP = (("datum", "datum line"), ("floor", "floor below it"), ("ceiling", "ceiling above it"))
FIXES = (("studs", "into studs"), ("backer", "backer board over studs"), ("anchors", "anchors in board"))


MOST_PARTS = 39  # between the outer two: a screw in every stud of the widest frame
LAYS = (
    (ScrewLay.OVER.value, "one over the other"),
    (ScrewLay.BESIDE.value, "side by side"),
    (ScrewLay.KEYHOLE.value, "keyhole, and a lock screw below"),
)
HoleKey = Annotated[str, Limit(pattern=r"^(upper|lower)-(left|right|[2-9]|[1-3][0-9])(-s[2-8])?$")]
HOLES = tuple(
    (f"{row}-{side}", f"{row} {side}")
    for row in ("upper", "lower")
    for side in ("left", "right", *(str(one) for one in range(2, MOST_PARTS + 1)))
)
SHIMS = (("plumb", "plumb"), ("parallel", "parallel to the wall"))
STATES = (("drilled", "drilled here"), ("blocked", "not possible here"))


Lengths = Annotated[str, Limit(max_length=200, pattern=r"^\d+(\.\d+)?([ ,;]+\d+(\.\d+)?)*$")]
"""Lengths in millimeters, one after the other."""


class HoleFact(Item):
    """A hole that was drilled [mm from the left wall end, above the floor], or that turned out not to be possible there."""

    id: Id
    hole: Annotated[
        HoleKey,
        Field("hole", "hole", "choice", None, HOLES),
    ]
    state: Annotated[Literal["drilled", "blocked"], Field("state", "state", "choice", None, STATES)]
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]
    why: Annotated[Line | None, Field("why", "why", "text")] = None


class DryReading(Item):
    """The empty frame hung once [mm]: how much its top stands too high (- too low) at its left and right end, side gaps."""

    id: Id
    left_mm: Annotated[PositionMm, mm(-100.0, 100.0), Field("left", "top left too high", fact=True)]
    right_mm: Annotated[PositionMm, mm(-100.0, 100.0), Field("right", "top right too high", fact=True)]
    gap_left_mm: Annotated[
        DistanceMm | None, Field("gap_left", "gap left", fact=True, ends=mm(0.0, 5_000.0))
    ] = None
    gap_right_mm: Annotated[
        DistanceMm | None, Field("gap_right", "gap right", fact=True, ends=mm(0.0, 5_000.0))
    ] = None
    who: Annotated[Line | None, Field("who", "who", "text")] = None
    day: Annotated[Line | None, Field("day", "when", "text")] = None


class Hanging(BoardsOnWall):
    """The brackets. row_offset_mm is the frame's height less the distance between the hole rows."""

    name: Annotated[Line | None, Field("bracket_name", "Brackets", "text", "")] = None
    fix_to: Annotated[
        Literal["studs", "backer", "anchors"] | None, Field("fix_to", "Fixed", "choice", "studs", FIXES)
    ] = None
    way: Annotated[
        Way | None,
        Field(
            "way",
            "Way of hanging",
            "choice",
            Way.BRACKETS.value,
            tuple(NAMES.items()),
            fact=True,
            moves="whether there are lower holes",
        ),
    ] = None
    lower_holes: Annotated[bool | None, Field("lower_holes", "Lower holes", "switch", derived=True)] = None
    screws: Annotated[
        Line | None, Field("screws", "Screws", "text", note="as the bracket's leaflet gives them")
    ] = None
    fixing: Annotated[
        Literal[
            "screw-4",
            "screw-5",
            "screw-6",
            "plug-board",
            "metal-board",
            "toggle",
            "plug-brick",
            "plug-block",
            "own",
        ]
        | None,
        Field("fixing", "Fixing", "choice", derived=True, choices=FASTENERS),
    ] = None
    per_bracket: Annotated[
        Annotated[int, Ends(1, MOST_A_BRACKET)] | None,
        Field("per_bracket", "Fixings at each upper bracket", "count", 1),
    ] = None
    screws_lie: Annotated[
        ScrewLay | None,
        Field("screws_lie", "Screws of a bracket", "choice", ScrewLay.OVER.value, LAYS, fact=True),
    ] = None
    screws_apart_mm: Annotated[
        LengthMm | None,
        Field(
            "screws_apart",
            "Spacing of a bracket's screws",
            default=WallDefaults.screws_apart_mm,
            fact=True,
            moves="the second hole of every bracket, one to one: measure it on the plate",
            ends=mm(5.0, 500.0),
        ),
    ] = None
    proud_mm: Annotated[
        DistanceMm | None,
        Field(
            "proud",
            "Screw heads out of the wall",
            default=WallDefaults.proud_mm,
            fact=True,
            ends=mm(0.0, 100.0),
        ),
    ] = None
    cover_mm: Annotated[
        DistanceMm | None,
        Field(
            "cover",
            "Drywall or plaster",
            default=WallDefaults.cover_mm,
            fact=True,
            moves="how long the screws must be",
            ends=mm(0.0, 300.0),
        ),
    ] = None
    plate_mm: Annotated[
        DistanceMm | None,
        Field("plate", "Bracket plate", default=WallDefaults.plate_mm, ends=mm(0.0, 2_000.0)),
    ] = None
    drop_mm: Annotated[
        DistanceMm | None,
        Field(
            "drop",
            "Drop, hole to frame top",
            default=WallDefaults.drop_mm,
            fact=True,
            moves="every upper hole, one to one: measure it on the bracket",
            ends=mm(0.0, 5_000.0),
        ),
    ] = None
    row_offset_mm: Annotated[
        DistanceMm | None,
        Field(
            "row_offset",
            "Hole-row spacing, less than frame height",
            default=WallDefaults.row_offset_mm,
            fact=True,
            moves="the lower holes, one to one",
            ends=mm(0.0, 5_000.0),
        ),
    ] = None
    side_play_mm: Annotated[
        DistanceMm | None,
        Field(
            "side_play",
            "Side play, each way",
            default=WallDefaults.side_play_mm,
            fact=True,
            ends=mm(0.0, 1_000.0),
        ),
    ] = None
    lift_on_mm: Annotated[
        DistanceMm | None,
        Field(
            "lift_on", "Lift-on clearance", default=WallDefaults.lift_on_mm, fact=True, ends=mm(0.0, 500.0)
        ),
    ] = None
    rule: Annotated[
        Literal["share", "fixed", "about"] | None, Field("rule", "Bracket spacing", "choice", "share", RULES)
    ] = None
    spacing_share: Annotated[
        Annotated[Share, Ends(0.2, 0.95)] | None,
        Field("spacing_share", "Share of frame width", "share", WallDefaults.bracket_share),
    ] = None
    spacing_mm: Annotated[
        LengthMm | None,
        Field(
            "fixed_spacing",
            "Kit's spacing",
            default=WallDefaults.bracket_fixed_mm,
            fact=True,
            moves="how far apart the brackets stand",
            ends=mm(50.0, 60_000.0),
        ),
    ] = None

    height_by: Annotated[
        Literal["drop", "less", "cabinet"] | None,
        Field("height_by", "Upper holes by", "choice", None, HEIGHTS_BY, derived=True),
    ] = None
    leaflet_mm: Annotated[
        LengthMm | None,
        Field(
            "leaflet",
            "As the leaflet gives it",
            moves="every upper hole, one to one",
            fact=True,
            ends=mm(1.0, 60_000.0),
        ),
    ] = None
    row_fixed_mm: Annotated[
        LengthMm | None, Field("row_fixed", "Hole-row distance, if fixed", fact=True, ends=mm(10.0, 30_000.0))
    ] = None
    backer_mm: Annotated[
        LengthMm | None,
        Field("backer", "Backer board", default=WallDefaults.backer_mm, fact=True, ends=mm(5.0, 100.0)),
    ] = None
    rod_mm: Annotated[
        LengthMm | None,
        Field("rod", "Rod, hook to eye", default=WallDefaults.rod_mm, fact=True, ends=mm(2.0, 5_000.0)),
    ] = None
    compress_mm: Annotated[
        DistanceMm | None,
        Field("compress", "Bottom mount compression", default=WallDefaults.compress_mm, ends=mm(0.0, 500.0)),
    ] = None
    trim_mm: Annotated[
        DistanceMm | None, Field("height_trim", "Height trim, each way", derived=True, ends=mm(0.0, 500.0))
    ] = None
    hang_parts: Annotated[
        Annotated[int, Ends(2, 12)] | None,
        Field("hang_parts", "Hang parts on the top rail", "count", derived=True),
    ] = None
    lower_parts: Annotated[
        Annotated[int, Ends(2, 12)] | None,
        Field("lower_parts", "Hang parts on the bottom rail", "count", derived=True),
    ] = None
    bottom: Annotated[
        Literal["latches", "pads", "strips", "screws", "cleat", "free"] | None,
        Field("bottom", "Bottom held by", "choice", derived=True, choices=BOTTOMS),
    ] = None
    plate_height_mm: Annotated[
        LengthMm | None,
        Field(
            "plate_height",
            "Bracket plate, height",
            default=WallDefaults.plate_height_mm,
            ends=mm(1.0, 3_000.0),
        ),
    ] = None
    across_from: Annotated[
        Literal["left", "right", "center", "stud"] | None,
        Field("across_from", "Marks across from", "choice", None, ACROSS, derived=True),
    ] = None
    up_from: Annotated[
        Literal["datum", "floor", "ceiling"] | None,
        Field("up_from", "Marks up from", "choice", None, UP, derived=True),
    ] = None
    anchor_name: Annotated[Line | None, Field("anchor_name", "Own fixing", "text", "own fixing")] = None
    anchor_base: Annotated[
        Base | None, Field("anchor_base", "Anchored in", "choice", Base.BOARD.value, BASES)
    ] = None
    anchor_depth_mm: Annotated[
        DistanceMm | None,
        Field(
            "anchor_depth",
            "Embedment depth",
            default=WallDefaults.anchor_depth_mm,
            fact=True,
            ends=mm(0.0, 500.0),
        ),
    ] = None
    anchor_drill_mm: Annotated[
        DistanceMm | None,
        Field(
            "anchor_drill", "Its drill", default=WallDefaults.anchor_drill_mm, fact=True, ends=mm(0.0, 100.0)
        ),
    ] = None
    anchor_plugged: Annotated[bool | None, Field("anchor_plugged", "With a plug", "switch", False)] = None
    anchor_lengths: Annotated[
        Lengths | None,
        Field("anchor_lengths", "Lengths it is sold in", "text", note="in millimeters, as 70, 90, 120"),
    ] = None
    anchor_shear_n: Annotated[
        Positive | None,
        Field("anchor_shear", "Its shear", "number", WallDefaults.anchor_shear_n, fact=True, unit=" N"),
    ] = None
    anchor_pull_n: Annotated[
        Positive | None,
        Field("anchor_pull", "Its pull-out", "number", WallDefaults.anchor_pull_n, fact=True, unit=" N"),
    ] = None
    torque: Annotated[
        Line | None, Field("torque", "Tighten", "text", note="torque, or hand-tight, as the packet says")
    ] = None

    dry: Annotated[list[DryReading], Limit(max_length=20), Field("dry_fits", "Dry fits", "list")] = []
    shims: Annotated[
        Literal["plumb", "parallel"] | None,
        Field("shims", "Shims bring the screen", "choice", "plumb", SHIMS),
    ] = None
    facts: Annotated[
        list[HoleFact], Limit(max_length=40), Field("hole_facts", "Holes drilled or refused", "list")
    ] = []
