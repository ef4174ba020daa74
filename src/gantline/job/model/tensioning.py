"""How the fabric is held."""

from typing import Annotated, Literal

from pydantic import Field as Limit
from pydantic import field_validator

from gantline.core.day.step import LONGEST_TEXT
from gantline.core.defaults import TensionDefaults
from gantline.core.tension.cloths import NAMES, ClothSort
from gantline.core.tension.holds import HOLDS, Hold, School
from gantline.core.tension.order import Bars
from gantline.core.tension.points import Corner, Side
from gantline.job.ends import Ends, mm
from gantline.job.field import Field, Item, Part
from gantline.job.types import DistanceMm, Id, LengthMm, Line, Notes, PointCount, TensionSpacingMm

SEQUENCES = (
    (School.CORNERS_FIRST, "corners first, crosswise"),
    (School.MIDDLES_OUTWARD, "middles outward"),
)
SIDES = tuple((side, side.value) for side in Side)
BARS = (
    (Bars.BEFORE, "before the fabric"),
    (Bars.BETWEEN, "between short and long sides"),
    (Bars.AFTER, "when all points hold"),
)
CORNERS = tuple((corner, corner.value.replace("-", " ")) for corner in Corner)
NUMBERS = (("points", "every point"), ("pairs", "pairs straight across"))
HOOKED = (("frame", "in the frame"), ("cloth", "in the cloth"))
LAID = (("frame", "the frame on the sheet"), ("sheet", "the sheet on the frame"))
PEOPLE = (("one", "one"), ("two", "two"))
MOST_MOVES = 12
CLOTHS = tuple((sort, name) for sort, name in NAMES.items())


class Simulated(Item):
    """A simulated order that somebody took: what it rested on, and what it came to.

    rests: the key of everything it was computed from. pull_n: what one point pulls. awaited: what to expect on the way, a line
    each: the step it begins at, a space, and the words.
    """

    id: Id
    rests: Annotated[Annotated[str, Limit(pattern="^[0-9a-f]{16,64}$")], Field("rests", "rests on", "value")]
    law: Annotated[Line, Field("law", "model", "text")]
    evenness: Annotated[Annotated[float, Ends(0.0, 1.0)], Field("evenness", "evenness", "share")]
    wrinkled: Annotated[Annotated[float, Ends(0.0, 1.0)], Field("wrinkled", "wrinkled", "share")]
    drift_mm: Annotated[
        Annotated[float, Ends(0.0, 1_000.0, length=True)], Field("drift", "sheet moved by", "length")
    ]
    pull_n: Annotated[
        Annotated[float, Ends(0.0, 10_000.0)], Field("pull", "pull of a point", "number", unit=" N")
    ]
    past_limit: Annotated[Annotated[int, Ends(0, 4_000)], Field("past", "springs past their limit", "count")]
    awaited: Annotated[Notes, Field("awaited", "what to expect", "lines")] = ""


class Round(Item):
    """A round on the wrinkle bench: what was seen, and what is to be done about it, a line each."""

    id: Id
    seen: Annotated[Annotated[Line, Limit(min_length=1)], Field("seen", "seen", "text")]
    moves: Annotated[Notes, Field("moves", "what to do", "lines")] = ""

    @field_validator("moves")
    @classmethod
    def _few_and_short(cls, value: str) -> str:
        lines = value.splitlines()
        if len(lines) > MOST_MOVES or any(len(line) > LONGEST_TEXT for line in lines):
            raise ValueError(
                f"A round has at most {MOST_MOVES} things to do, each in a line of at most {LONGEST_TEXT} letters."
            )
        return value


class Tensioning(Part):
    """How the fabric is held. Counts, where given, take the place of the spacing."""

    fabric: Annotated[Line | None, Field("fabric", "Fabric", "text", "")] = None
    hold: Annotated[
        Hold | None,
        Field(
            "hold", "Attachment", "choice", "staple", tuple((one, kind.name) for one, kind in HOLDS.items())
        ),
    ] = None
    hook_first: Annotated[
        Literal["frame", "cloth"] | None, Field("hook_first", "Hooked first", "choice", None, HOOKED)
    ] = None
    laid: Annotated[
        Literal["frame", "sheet"] | None, Field("laid", "Laid", "choice", None, LAID, derived=True)
    ] = None
    spring_limit_mm: Annotated[
        LengthMm | None, Field("spring_limit", "Spring, longest when hooked", ends=mm(5.0, 500.0))
    ] = None
    spacing_mm: Annotated[TensionSpacingMm | None, Field("hold_spacing", "Largest spacing", derived=True)] = (
        None
    )
    rail_count: Annotated[PointCount | None, Field("rail_count", "Points on each rail", "count")] = None
    stile_count: Annotated[PointCount | None, Field("stile_count", "Points on each stile", "count")] = None
    overlap_mm: Annotated[
        DistanceMm | None,
        Field("overlap", "Fabric past the frame, each side", derived=True, ends=mm(0.0, 2_000.0)),
    ] = None
    inset_mm: Annotated[
        LengthMm | None,
        Field(
            "inset", "First point from corner", default=TensionDefaults.corner_inset_mm, ends=mm(1.0, 2_000.0)
        ),
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
    second_side: Annotated[
        Side | None, Field("second_side", "Side that begins the other pair", "choice", None, SIDES)
    ] = None
    first_pass_mm: Annotated[
        LengthMm | None,
        Field(
            "first_pass",
            "Spacing of the first pass",
            default=TensionDefaults.first_pass_mm,
            ends=mm(10.0, 1_000.0),
            note="as wide as the spacing itself: closed runs, no second pass",
        ),
    ] = None
    own_order: Annotated[
        Notes | None,
        Field(
            "own_order",
            "Own order of points",
            "lines",
            note="numbers in their order; + joins points of one step: 1+31, 16+46, 2+32",
        ),
    ] = None
    in_step: Annotated[bool | None, Field("in_step", "Opposite sides in step", "switch", True)] = None
    batch: Annotated[Annotated[int, Ends(1, 20)] | None, Field("batch", "Points at a time", "count", 1)] = (
        None
    )
    corner_pass: Annotated[
        Annotated[int, Ends(1, 2)] | None,
        Field("corner_pass", "Points at a corner and pass", "count", 2),
    ] = None
    cluster: Annotated[
        Annotated[int, Ends(1, 10)] | None,
        Field("cluster", "Side points fixed with each corner", "count", 1),
    ] = None
    from_end: Annotated[bool | None, Field("from_end", "Start each side at its end", "switch", False)] = None
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
    steps_done: Annotated[
        Annotated[int, Ends(0, 4_000)] | None, Field("steps_done", "Steps done", "count", 0)
    ] = None
    cloth: Annotated[
        ClothSort | None, Field("cloth", "Stretches like", "choice", None, CLOTHS, derived=True)
    ] = None
    stiff_along_n_m: Annotated[
        Annotated[float, Ends(20.0, 1_000_000.0)] | None,
        Field("stiff_along", "Stretch stiffness along the roll", "number", unit=" N/m", derived=True),
    ] = None
    stiff_across_n_m: Annotated[
        Annotated[float, Ends(20.0, 1_000_000.0)] | None,
        Field("stiff_across", "Stretch stiffness across", "number", unit=" N/m", derived=True),
    ] = None
    line_n_m: Annotated[
        Annotated[float, Ends(1.0, 1_000.0)] | None,
        Field("line", "Line tension", "number", unit=" N/m", derived=True),
    ] = None
    spring_n_mm: Annotated[
        Annotated[float, Ends(0.05, 50.0)] | None,
        Field("spring_rate", "Spring rate", "number", TensionDefaults.spring_n_mm, unit=" N/mm"),
    ] = None
    simulated: Annotated[
        list[Simulated], Limit(max_length=1), Field("simulated", "Simulated order that was taken", "list")
    ] = []
    rounds: Annotated[
        list[Round], Limit(max_length=12), Field("rounds", "Rounds on the wrinkle bench", "list")
    ] = []
    people: Annotated[Literal["one", "two"] | None, Field("people", "People", "choice", "two", PEOPLE)] = None
