"""How the fabric is held."""

from typing import Annotated, Literal

from gantline.core.defaults import TensionDefaults
from gantline.core.tension.holds import HOLDS, Hold, School
from gantline.core.tension.order import Bars
from gantline.core.tension.points import Corner, Side
from gantline.job.ends import Ends, mm
from gantline.job.field import Field, Part
from gantline.job.types import DistanceMm, LengthMm, Line, PointCount, TensionSpacingMm

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
PEOPLE = (("one", "one"), ("two", "two"))


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
    people: Annotated[Literal["one", "two"] | None, Field("people", "People", "choice", "two", PEOPLE)] = None
