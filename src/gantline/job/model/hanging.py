"""Brackets and tension."""

from typing import Annotated, Literal, get_args

from pydantic import Field as Limit

from gantline.core.defaults import TensionDefaults, WallDefaults
from gantline.core.tension.holds import HOLDS, Hold, School
from gantline.core.tension.order import Bars
from gantline.core.tension.points import Corner, Side
from gantline.core.wall.loads import FIXINGS, MOST_A_BRACKET
from gantline.core.wall.ways import NAMES, Way
from gantline.job.field import Field, Item, Part
from gantline.job.types import (
    DistanceMm,
    Id,
    LengthMm,
    Line,
    PointCount,
    PositionMm,
    Share,
    TensionSpacingMm,
)

RULES = (("share", "share of frame width"), ("fixed", "fixed by the kit"))
FASTENERS = tuple((key, one.name) for key, one in FIXINGS.items())
FIXES = (("studs", "into studs"), ("backer", "backer board over studs"), ("anchors", "anchors in board"))
SEQUENCES = (
    (School.CORNERS_FIRST, "corners first, crosswise"),
    (School.MIDDLES_OUTWARD, "middles outward"),
)
SIDES = tuple((one, one.value) for one in Side)
BARS = (
    (Bars.BEFORE, "before the fabric"),
    (Bars.BETWEEN, "between short and long sides"),
    (Bars.AFTER, "when all points hold"),
)
CORNERS = tuple((one, one.value.replace("-", " ")) for one in Corner)
NUMBERS = (("points", "every point"), ("pairs", "pairs straight across"))
PEOPLE = (("one", "one"), ("two", "two"))


HoleKey = Literal[
    "upper-left", "upper-right", "lower-left", "lower-right",
    "upper-2", "upper-3", "upper-4", "upper-5", "upper-6", "upper-7", "upper-8", "upper-9", "upper-10", "upper-11", "upper-12",
]  # fmt: skip
SHIMS = (("plumb", "plumb"), ("parallel", "parallel to the wall"))
STATES = (("drilled", "drilled here"), ("blocked", "not possible here"))


class HoleFact(Item):
    """A hole that was drilled [mm from the left wall end, above the floor], or that turned out not to be possible there."""

    id: Id
    hole: Annotated[
        HoleKey,
        Field(
            "hole", "hole", "choice", None, tuple((one, one.replace("-", " ")) for one in get_args(HoleKey))
        ),
    ]
    state: Annotated[Literal["drilled", "blocked"], Field("state", "state", "choice", None, STATES)]
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]
    why: Annotated[Line | None, Field("why", "why", "text")] = None


class DryReading(Item):
    """The empty frame hung once [mm]: how much its top stands too high (- too low) at its left and right end, side gaps."""

    id: Id
    left_mm: Annotated[PositionMm, Limit(ge=-100.0, le=100.0), Field("left", "top left too high", fact=True)]
    right_mm: Annotated[
        PositionMm, Limit(ge=-100.0, le=100.0), Field("right", "top right too high", fact=True)
    ]
    gap_left_mm: Annotated[DistanceMm | None, Field("gap_left", "gap left", fact=True)] = None
    gap_right_mm: Annotated[DistanceMm | None, Field("gap_right", "gap right", fact=True)] = None


class Hanging(Part):
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
        Literal["screw-4", "screw-6", "plug-board", "metal-board", "toggle", "plug-brick", "plug-block"]
        | None,
        Field("fixing", "Fixing", "choice", derived=True, choices=FASTENERS),
    ] = None
    per_bracket: Annotated[
        Annotated[int, Limit(ge=1, le=MOST_A_BRACKET)] | None,
        Field("per_bracket", "Fixings at each upper bracket", "count", 1),
    ] = None
    cover_mm: Annotated[
        DistanceMm | None,
        Field(
            "cover",
            "Drywall or plaster",
            default=WallDefaults.cover_mm,
            fact=True,
            moves="how long the screws must be",
        ),
    ] = None
    plate_mm: Annotated[DistanceMm | None, Field("plate", "Bracket plate", default=WallDefaults.plate_mm)] = (
        None
    )
    drop_mm: Annotated[
        DistanceMm | None,
        Field(
            "drop",
            "Drop, hole to frame top",
            default=WallDefaults.drop_mm,
            fact=True,
            moves="every upper hole, one to one: measure it on the bracket",
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
        ),
    ] = None
    side_play_mm: Annotated[
        DistanceMm | None,
        Field("side_play", "Side play, each way", default=WallDefaults.side_play_mm, fact=True),
    ] = None
    lift_on_mm: Annotated[
        DistanceMm | None, Field("lift_on", "Lift-on clearance", default=WallDefaults.lift_on_mm, fact=True)
    ] = None
    rule: Annotated[
        Literal["share", "fixed"] | None, Field("rule", "Bracket spacing", "choice", "share", RULES)
    ] = None
    spacing_share: Annotated[
        Annotated[Share, Limit(ge=0.2, le=0.95)] | None,
        Field("spacing_share", "Share of frame width", "share", WallDefaults.bracket_share),
    ] = None
    spacing_mm: Annotated[
        LengthMm | None,
        Field(
            "fixed_spacing",
            "Fixed spacing",
            default=WallDefaults.bracket_fixed_mm,
            fact=True,
            moves="how far apart the brackets stand",
        ),
    ] = None

    dry: Annotated[list[DryReading], Limit(max_length=20), Field("dry_fits", "Dry fits", "list")] = []
    shims: Annotated[
        Literal["plumb", "parallel"] | None,
        Field("shims", "Shims bring the screen", "choice", "plumb", SHIMS),
    ] = None
    facts: Annotated[
        list[HoleFact], Limit(max_length=40), Field("hole_facts", "Holes drilled or refused", "list")
    ] = []


class Tensioning(Part):
    """How the fabric is held. Counts, where given, take the place of the spacing."""

    fabric: Annotated[Line | None, Field("fabric", "Fabric", "text", "")] = None
    hold: Annotated[
        Hold | None,
        Field(
            "hold", "Attachment", "choice", "staple", tuple((one, kind.name) for one, kind in HOLDS.items())
        ),
    ] = None
    spacing_mm: Annotated[TensionSpacingMm | None, Field("hold_spacing", "Largest spacing", derived=True)] = (
        None
    )
    rail_count: Annotated[PointCount | None, Field("rail_count", "Points on each rail", "count")] = None
    stile_count: Annotated[PointCount | None, Field("stile_count", "Points on each stile", "count")] = None
    overlap_mm: Annotated[
        DistanceMm | None, Field("overlap", "Fabric past the frame, each side", derived=True)
    ] = None
    inset_mm: Annotated[
        LengthMm | None,
        Field("inset", "First point from corner", default=TensionDefaults.corner_inset_mm),
    ] = None
    school: Annotated[School | None, Field("school", "Sequence", "choice", None, SEQUENCES, derived=True)] = (
        None
    )
    short_sides_first: Annotated[bool | None, Field("short_first", "Short sides first", "switch", True)] = (
        None
    )
    first_side: Annotated[Side | None, Field("first_side", "Side that goes first", "choice", None, SIDES)] = (
        None
    )
    in_step: Annotated[bool | None, Field("in_step", "Opposite sides in step", "switch", True)] = None
    batch: Annotated[
        Annotated[int, Limit(ge=1, le=20)] | None, Field("batch", "Points at a time", "count", 1)
    ] = None
    corner_pass: Annotated[
        Annotated[int, Limit(ge=1, le=2)] | None,
        Field("corner_pass", "Points at a corner and pass", "count", 2),
    ] = None
    cluster: Annotated[
        Annotated[int, Limit(ge=1, le=10)] | None,
        Field("cluster", "Points of a side with its corner", "count", 1),
    ] = None
    from_end: Annotated[bool | None, Field("from_end", "Along a side from its end", "switch", False)] = None
    bars: Annotated[Bars | None, Field("bars", "Center bars go in", "choice", Bars.BETWEEN.value, BARS)] = (
        None
    )
    rods_last: Annotated[bool | None, Field("rods_last", "Adjusting rods last", "switch", False)] = None
    rail_part: Annotated[
        Line | None, Field("rail_part", "On the rails", "text", note="as two lengths of springs")
    ] = None
    stile_part: Annotated[Line | None, Field("stile_part", "On the stiles", "text")] = None
    number_from: Annotated[
        Corner | None, Field("number_from", "Numbers begin", "choice", Corner.TOP_LEFT.value, CORNERS)
    ] = None
    clockwise: Annotated[bool | None, Field("clockwise", "Numbers run clockwise", "switch", True)] = None
    numbers: Annotated[
        Literal["points", "pairs"] | None, Field("numbers", "Numbers count", "choice", "points", NUMBERS)
    ] = None
    people: Annotated[Literal["one", "two"] | None, Field("people", "People", "choice", "two", PEOPLE)] = None
