"""What was measured in the room."""

from collections.abc import Sequence
from itertools import combinations, pairwise
from typing import Annotated, Literal

from pydantic import Field as Limit
from pydantic import field_validator

from gantline.core.defaults import LightDefaults, SeatsDefaults, SurveyDefaults
from gantline.core.height.ceiling import ONE_ROW_MM
from gantline.job.ends import mm
from gantline.job.field import Field, Item, Part
from gantline.job.types import DistanceMm, Id, LengthMm, Line, Lumens, PositionMm, StudSpacingMm, repeated

BUILDS = (("studs", "studs and drywall"), ("masonry", "masonry"))
MASONRY = (("brick", "brick or solid block"), ("block", "aerated block"))
RUNS = (("to-the-wall", "toward the screen wall"), ("along-the-wall", "along the screen wall"))
FittingKind = Literal[
    "window",
    "door",
    "outlet",
    "switch",
    "vent",
    "return-air",
    "thermostat",
    "radiator",
    "cable-point",
    "other",
]
BoxKind = Literal[
    "cabinet", "loudspeaker", "furniture", "soffit", "beam", "fan", "pendant", "walkway", "cable-point"
]


class CeilingReading(Item):
    """Ceiling read upward from the datum line at x from the left wall end, z out of the bare wall [mm]."""

    id: Id
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    z_mm: Annotated[DistanceMm | None, Field("z", "from wall")] = None
    up_mm: Annotated[DistanceMm, Field("up", "up", fact=True, ends=mm(0.0, 30_000.0))]


class FloorReading(Item):
    """Floor read downward from the datum line at x from the left wall end [mm]."""

    id: Id
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    down_mm: Annotated[PositionMm, Field("down", "down", fact=True, ends=mm(-3_000.0, 30_000.0))]


class Fitting(Item):
    """A rectangle on the wall [mm]: left edge from the left wall end, bottom edge above the floor.

    band_mm: no drilling straight above, below and beside within this; absent it is the shop default for
    outlets, switches, thermostats and radiators, none for openings.
    """

    id: Id
    kind: Annotated[FittingKind, Field("kind", "kind", "choice", fact=True)]
    name: Annotated[Line | None, Field("name", "name", "text")] = None
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]
    width_mm: Annotated[LengthMm, Field("width", "wide", fact=True)]
    height_mm: Annotated[LengthMm, Field("height", "high", fact=True)]
    band_mm: Annotated[
        DistanceMm | None, Field("band", "no drilling within", derived=True, ends=mm(0.0, 2_000.0))
    ] = None


class Box(Item):
    """A box in the room [mm]: left edge, bottom above the floor, its back's distance from the bare wall."""

    id: Id
    kind: Annotated[BoxKind, Field("kind", "kind", "choice", fact=True)]
    name: Annotated[Line | None, Field("name", "name", "text")] = None
    x_mm: Annotated[PositionMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]
    z_mm: Annotated[DistanceMm | None, Field("z", "from wall", default=0.0, fact=True)] = None
    width_mm: Annotated[LengthMm, Field("width", "wide", fact=True)]
    height_mm: Annotated[LengthMm, Field("height", "high", fact=True)]
    depth_mm: Annotated[LengthMm, Field("depth", "deep", fact=True)]


class Lamp(Item):
    """A lamp's bulb [mm]: from the left wall end, above the floor, out of the bare wall; its light [lm]."""

    id: Id
    name: Annotated[Line, Limit(min_length=1), Field("name", "name", "text")]
    x_mm: Annotated[PositionMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]
    z_mm: Annotated[DistanceMm, Field("z", "from wall", fact=True)]
    lumens: Annotated[
        Lumens | None, Field("lumens", "lm", "number", default=LightDefaults.lamp_lm, fact=True)
    ] = None


class Seat(Item):
    """A seat [mm]: x from the left wall end, distance of the eye from the bare wall, eye above its platform."""

    id: Id
    name: Annotated[Line | None, Field("name", "name", "text")] = None
    x_mm: Annotated[PositionMm, Field("x", "from left", fact=True)]
    from_wall_mm: Annotated[
        LengthMm, mm(300.0, 100_000.0), Field("from_wall", "from wall", fact=True, usual_mm=(800.0, 30000.0))
    ]
    eye_mm: Annotated[
        LengthMm | None, Field("eye", "eye", default=SeatsDefaults.eye_mm, fact=True, ends=mm(300.0, 3_000.0))
    ] = None
    platform_mm: Annotated[
        DistanceMm | None, Field("platform", "platform", default=0.0, fact=True, ends=mm(0.0, 5_000.0))
    ] = None
    main: Annotated[bool | None, Field("main", "main", "switch", default=False)] = None


FOUND = (
    ("edge", "sensor, edge"),
    ("center", "sensor, center"),
    ("magnet", "magnet on a screw"),
    ("nothing", "nothing found"),
)


class StudReading(Item):
    """A place along the wall [mm from the left wall end] where a stud was looked for, and what was found there."""

    id: Id
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    kind: Annotated[
        Literal["edge", "center", "magnet", "nothing"],
        Field("kind", "found", "choice", None, FOUND, fact=True),
    ]


class StudMark(Item):
    """A stud that somebody set or struck out by hand [mm from the left wall end]: it stays as it was said."""

    id: Id
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    there: Annotated[bool | None, Field("there", "a stud", "switch", True, fact=True)] = None


class GapReading(Item):
    """Gap from a plumb reference plane to the wall, at a place [mm from the left wall end, above the floor]."""

    id: Id
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]
    gap_mm: Annotated[DistanceMm, mm(0.0, 400.0), Field("gap", "gap", fact=True)]


class Joists(Part):
    """Ceiling joists: which way they run, the first one and the spacing [mm]. No spacing: not surveyed."""

    runs: Annotated[
        Literal["to-the-wall", "along-the-wall"] | None,
        Field("joist_runs", "Joists run", "choice", "to-the-wall", RUNS, fact=True),
    ] = None
    first_mm: Annotated[
        DistanceMm | None,
        Field("joist_first", "First joist center", default=406.4, fact=True, ends=mm(0.0, 60_000.0)),
    ] = None
    spacing_mm: Annotated[StudSpacingMm | None, Field("joist_spacing", "Joist spacing", fact=True)] = None


def _two_at_one_place(readings: Sequence[CeilingReading] | Sequence[FloorReading]) -> bool:
    """Whether two share their place along the wall within one row out from it."""
    places = sorted((reading.x_mm, getattr(reading, "z_mm", None) or 0.0) for reading in readings)
    return any(a[0] == b[0] and b[1] - a[1] <= ONE_ROW_MM for a, b in pairwise(places))


def one_spot(seats: Sequence[Seat]) -> list[tuple[int, int]]:
    """Places in the list of seats that are on the same spot: read from an old file they are a finding, a new one is
    refused."""
    return [
        (a, b)
        for a, b in combinations(range(len(seats)), 2)
        if (seats[a].x_mm, seats[a].from_wall_mm) == (seats[b].x_mm, seats[b].from_wall_mm)
    ]


HOLES_IN_WOOD = "the holes must land in a stud"


class Survey(Part):
    """The room. ceiling_mm is the plain height; readings take over from it."""

    wall_width_mm: Annotated[
        LengthMm | None,
        Field(
            "wall_width",
            "Wall width",
            default=SurveyDefaults.wall_width_mm,
            fact=True,
            moves="the screen's center and every mark from the left wall end",
            usual_mm=(1200.0, 15000.0),
            ends=mm(300.0, 60_000.0),
        ),
    ] = None
    ceiling_mm: Annotated[
        LengthMm | None,
        Field(
            "ceiling",
            "Ceiling above floor",
            default=SurveyDefaults.ceiling_mm,
            fact=True,
            moves="the highest the frame may go, and the pole",
            usual_mm=(1900.0, 9000.0),
            ends=mm(1_000.0, 30_000.0),
        ),
    ] = None
    datum_mm: Annotated[
        DistanceMm | None,
        Field(
            "datum",
            "Datum line above floor",
            default=SurveyDefaults.datum_mm,
            fact=True,
            moves="every height marked from it",
            usual_mm=(200.0, 2400.0),
            ends=mm(0.0, 10_000.0),
        ),
    ] = None
    ceiling_readings: Annotated[
        list[CeilingReading], Limit(max_length=60), Field("ceiling_readings", "Ceiling readings", "list")
    ] = []
    floor_readings: Annotated[
        list[FloorReading], Limit(max_length=60), Field("floor_readings", "Floor readings", "list")
    ] = []
    build: Annotated[
        Literal["studs", "masonry"] | None,
        Field("build", "Wall build", "choice", "studs", BUILDS, fact=True, moves="what holds the screws"),
    ] = None
    stud_first_mm: Annotated[
        DistanceMm | None,
        Field(
            "stud_first",
            "A known stud, from left",
            default=SurveyDefaults.stud_first_mm,
            fact=True,
            moves=HOLES_IN_WOOD,
            ends=mm(0.0, 60_000.0),
        ),
    ] = None
    stud_spacing_mm: Annotated[
        StudSpacingMm | None,
        Field(
            "stud_spacing",
            "Stud spacing",
            default=SurveyDefaults.stud_spacing_mm,
            fact=True,
            moves=HOLES_IN_WOOD,
        ),
    ] = None
    stud_width_mm: Annotated[
        LengthMm | None,
        Field(
            "stud_width", "Stud width", default=SurveyDefaults.stud_width_mm, fact=True, ends=mm(15.0, 600.0)
        ),
    ] = None
    stud_readings: Annotated[
        list[StudReading], Limit(max_length=60), Field("stud_readings", "Stud readings", "list")
    ] = []
    stud_marks: Annotated[
        list[StudMark], Limit(max_length=40), Field("stud_marks", "Studs set by hand", "list")
    ] = []
    gaps: Annotated[list[GapReading], Limit(max_length=60), Field("gaps", "Gap readings", "list")] = []
    masonry: Annotated[
        Literal["brick", "block"] | None,
        Field("masonry_of", "Masonry of", "choice", "brick", MASONRY, fact=True, moves="which plug holds"),
    ] = None
    course_mm: Annotated[
        LengthMm | None,
        Field(
            "course",
            "Course height, joint to joint",
            fact=True,
            usual_mm=(50.0, 400.0),
            ends=mm(20.0, 1_000.0),
        ),
    ] = None
    course_first_mm: Annotated[
        DistanceMm | None, Field("course_first", "A bed joint above floor", fact=True, ends=mm(0.0, 30_000.0))
    ] = None
    room_depth_mm: Annotated[
        LengthMm | None,
        Field(
            "room_depth",
            "Room, wall to back",
            default=SurveyDefaults.room_depth_mm,
            fact=True,
            usual_mm=(1500.0, 40000.0),
            ends=mm(500.0, 100_000.0),
        ),
    ] = None
    fittings: Annotated[list[Fitting], Limit(max_length=60), Field("fittings", "On the wall", "list")] = []
    boxes: Annotated[list[Box], Limit(max_length=60), Field("boxes", "In the room", "list")] = []
    seats: Annotated[list[Seat], Limit(max_length=60), Field("seats", "Seats", "list")] = []
    lamps: Annotated[list[Lamp], Limit(max_length=20), Field("lamps", "Lamps", "list")] = []
    joists: Joists = Joists()

    @field_validator("lamps")
    @classmethod
    def _one_lamp_a_name(cls, value: list[Lamp]) -> list[Lamp]:
        twice = repeated(lamp.name for lamp in value)
        if twice:
            raise ValueError(f"Two lamps are called {twice}: a light state could not tell them apart.")
        return value

    @field_validator("ceiling_readings", "floor_readings")
    @classmethod
    def _one_reading_a_place(cls, value: list[CeilingReading]) -> list[CeilingReading]:
        if _two_at_one_place(value):
            raise ValueError("Two readings are at the same place along the wall: keep one of them.")
        return value

    @field_validator("seats")
    @classmethod
    def _one_main_seat(cls, value: list[Seat]) -> list[Seat]:
        named = [(seat.name or f"Seat {number}", seat) for number, seat in enumerate(value, start=1)]
        main = [name for name, seat in named if seat.main]
        if len(main) > 1:
            raise ValueError(f"{main[0]} and {main[1]} are both marked as the main seat: mark only one.")
        return value
