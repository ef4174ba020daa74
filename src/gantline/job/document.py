"""The job document: one screen in one room, as an open JSON file.

A length left out (null) stands for the shop default and counts as assumed. What is present counts
as measured in the survey and as decided elsewhere, unless `known` says otherwise for its pointer.
"""

from enum import StrEnum
from typing import Annotated, Final, Literal

from pydantic import Field, field_validator

from gantline.core.height.place import WishKind
from gantline.core.light.lobe import FabricKind
from gantline.core.tension.holds import Hold, School
from gantline.core.throw.shift import ReachShape
from gantline.core.units import LengthStyle, Units
from gantline.job.fields import (
    AspectText,
    Closed,
    DistanceMm,
    LengthMm,
    Line,
    Name,
    Notes,
    PositionMm,
    Ratio,
    Reach,
    Share,
)
from gantline.job.room_objects import Box, Fitting, Joists, Lamp, LightState, Seat
from gantline.job.signal_chain import SignalChain

FORMAT: Final = "gantline-job"
VERSION: Final = 1
Known = Literal["measured", "decided", "assumed"]


class JobUnits(Closed):
    """How this job writes lengths."""

    style: LengthStyle = LengthStyle.INCH_FRACTIONS
    denominator: Literal[8, 16, 32] = 16

    def to_core(self) -> Units:
        """The same as a core value."""
        return Units(self.style, self.denominator)


class CeilingReading(Closed):
    """Ceiling read upward from the datum line at x from the left wall end [mm]."""

    x_mm: DistanceMm
    up_mm: DistanceMm


class FloorReading(Closed):
    """Floor read downward from the datum line at x from the left wall end [mm]."""

    x_mm: DistanceMm
    down_mm: PositionMm


class Survey(Closed):
    """What was measured in the room. ceiling_mm is the plain height; readings take over from it."""

    wall_width_mm: LengthMm | None = None
    ceiling_mm: LengthMm | None = None
    datum_mm: DistanceMm | None = None
    ceiling_readings: Annotated[list[CeilingReading], Field(max_length=60)] = []
    floor_readings: Annotated[list[FloorReading], Field(max_length=60)] = []
    build: Literal["studs", "masonry"] = "studs"
    stud_first_mm: DistanceMm | None = None
    stud_spacing_mm: Annotated[LengthMm, Field(ge=100.0)] | None = None
    stud_width_mm: LengthMm | None = None
    room_depth_mm: LengthMm | None = None
    fittings: Annotated[list[Fitting], Field(max_length=60)] = []
    boxes: Annotated[list[Box], Field(max_length=60)] = []
    seats: Annotated[list[Seat], Field(max_length=60)] = []
    lamps: Annotated[list[Lamp], Field(max_length=20)] = []
    joists: Joists | None = None

    @field_validator("lamps")
    @classmethod
    def _one_lamp_a_name(cls, value: list[Lamp]) -> list[Lamp]:
        names = [lamp.name for lamp in value]
        if len(set(names)) < len(names):
            raise ValueError("Two lamps have the same name: a light state could not tell them apart.")
        return value

    @field_validator("ceiling_readings", "floor_readings")
    @classmethod
    def _one_reading_a_place(cls, value: list[CeilingReading]) -> list[CeilingReading]:
        places = [reading.x_mm for reading in value]
        if len(set(places)) < len(places):
            raise ValueError("Two readings are at the same place along the wall: keep one of them.")
        return value


class BorderFaces(Closed):
    """Border face widths [mm]; 0 is edgeless."""

    side_mm: DistanceMm = 0.0
    top_mm: DistanceMm = 0.0
    bottom_mm: DistanceMm = 0.0


class TidyPick(Closed):
    """A tidy size that was chosen [mm]."""

    width_mm: LengthMm
    height_mm: LengthMm


class SizeLead(StrEnum):
    """Where the size starts. value_mm is the diagonal, width or height, or the free wall's width;
    for angle, throw and measured it is not used, not used, and the width measured on the wall."""

    DIAGONAL = "diagonal"
    WIDTH = "width"
    HEIGHT = "height"
    WALL = "wall"
    ANGLE = "angle"
    THROW = "throw"
    MEASURED = "measured"


class Content(Closed):
    """Shapes shown on this screen, and the lap of removable mask panels [mm]."""

    shapes: Annotated[list[AspectText], Field(max_length=6)] = []
    lap_mm: DistanceMm | None = None


class Size(Closed):
    """The size and which number leads it."""

    aspect: AspectText = "16:9"
    lead: SizeLead = SizeLead.DIAGONAL
    angle_deg: Annotated[float, Field(ge=5.0, le=120.0, allow_inf_nan=False)] = 40.0
    value_mm: Annotated[LengthMm, Field(ge=100.0)] = 2540.0
    tidy_grid_mm: LengthMm | None = None
    tidy: TidyPick | None = None
    border: BorderFaces = BorderFaces()
    overspill_mm: DistanceMm | None = None


class FabricChoice(Closed):
    """The fabric as light sees it. half_gain_deg null: constant gain."""

    name: Line = ""
    kind: FabricKind = FabricKind.DIFFUSE
    gain: Annotated[float, Field(gt=0.0, le=10.0, allow_inf_nan=False)] | None = None
    half_gain_deg: Annotated[float, Field(gt=0.0, le=90.0, allow_inf_nan=False)] | None = None
    ambient_reflectance: Share | None = None
    acoustic: bool = False
    roll_mm: LengthMm | None = None


class Lighting(Closed):
    """Fabric, the projector's light, and the light states of the room."""

    fabric: FabricChoice = FabricChoice()
    rated_lm: Annotated[float, Field(gt=0.0, le=100_000.0, allow_inf_nan=False)] | None = None
    mode_share: Share | None = None
    age_share: Share | None = None
    zoom_long_share: Share | None = None
    contrast: Annotated[float, Field(gt=1.0, le=10_000_000.0, allow_inf_nan=False)] | None = None
    pixels_across: Annotated[int, Field(ge=100, le=20_000)] | None = None
    surfaces: Literal["white", "mid", "dark", "velvet"] = "mid"
    states: Annotated[list[LightState], Field(min_length=1, max_length=6)] = [
        LightState(name="dark"), LightState(name="one lamp"), LightState(name="evening"), LightState(name="day, curtained"),
    ]  # fmt: skip


class HeightWish(Closed):
    """Where on the wall. wish_mm is what `wish` names [mm]."""

    centre_x_mm: DistanceMm | None = None
    ceiling_gap_mm: DistanceMm | None = None
    lowest_edge_mm: DistanceMm | None = None
    wish: WishKind = WishKind.EYE_LINE
    wish_mm: DistanceMm | None = None
    eye_share: Share | None = None
    skirting_mm: DistanceMm | None = None


class ProjectorBody(Closed):
    """The projector's body, standing, seen facing the screen [mm]; null is the shop default.

    lens_to_wall_face_mm: from the lens to the face that looks at the wall, a cabinet-top body's back.
    plate_*: where the mount plate's centre sits from the lens when hung; the axis lies plate_to_axis_mm under it.
    """

    width_mm: LengthMm | None = None
    height_mm: LengthMm | None = None
    depth_mm: LengthMm | None = None
    lens_from_left_mm: DistanceMm | None = None
    lens_above_base_mm: DistanceMm | None = None
    lens_to_wall_face_mm: PositionMm | None = None
    plate_right_mm: PositionMm | None = None
    plate_roomward_mm: PositionMm | None = None
    plate_to_axis_mm: DistanceMm | None = None
    vent_side_mm: DistanceMm | None = None
    vent_rear_mm: DistanceMm | None = None
    vent_top_mm: DistanceMm | None = None
    foot_spacing_mm: LengthMm | None = None
    foot_turn_mm: LengthMm | None = None
    foot_range_mm: DistanceMm | None = None
    mass_kg: Annotated[float, Field(gt=0.0, le=1000.0, allow_inf_nan=False)] | None = None


class Zone(Closed):
    """Where the lens may be [mm]: from the left wall end, above the floor, out of the bare wall; null leaves a side open."""

    x_low_mm: PositionMm | None = None
    x_high_mm: PositionMm | None = None
    y_low_mm: DistanceMm | None = None
    y_high_mm: DistanceMm | None = None
    z_low_mm: DistanceMm | None = None
    z_high_mm: DistanceMm | None = None


class CablePoint(Closed):
    """Where signal and power come from [mm]: from the left wall end, above the floor, out of the bare wall."""

    x_mm: PositionMm | None = None
    y_mm: DistanceMm | None = None
    z_mm: DistanceMm | None = None


Turn = Annotated[float, Field(ge=-30.0, le=30.0, allow_inf_nan=False)]


class ProjectorPlace(Closed):
    """The projector and its lens. Shift as shares of the whole panel image, up, down, to either side.

    distance_offset_mm: what the point lens_from_wall_mm is measured to lies farther out than the pupil.
    Turns [deg]: yaw nose to the right +, pitch nose up +, roll picture's right end up +.
    """

    name: Line = ""
    ratio_low: Ratio | None = None
    ratio_high: Ratio | None = None
    panel_aspect: AspectText = "16:9"
    hung: bool = False
    has_shift: bool = True
    shift_up: Reach = 0.0
    shift_down: Reach = 0.0
    shift_side: Reach = 0.0
    reach: ReachShape = ReachShape.RECTANGLE
    offset: Reach = 0.0
    lens_x_mm: DistanceMm | None = None
    lens_y_mm: DistanceMm | None = None
    lens_from_wall_mm: LengthMm | None = None
    distance_offset_mm: PositionMm = 0.0
    yaw_deg: Turn = 0.0
    pitch_deg: Turn = 0.0
    roll_deg: Turn = 0.0
    mount: Literal["joist", "blocking", "shelf", "cabinet"] | None = None
    body: ProjectorBody = ProjectorBody()
    zone: Zone = Zone()
    cable_from: CablePoint = CablePoint()
    signal: SignalChain = SignalChain()


class FrameBuild(Closed):
    """The frame's depth and how far its back stands off the wall [mm]."""

    name: Line = ""
    depth_mm: LengthMm | None = None
    standoff_mm: DistanceMm | None = None
    centre_bars: Annotated[int, Field(ge=0, le=8)] = 0


class Hanging(Closed):
    """The brackets. row_offset_mm is the frame's height less the distance between the hole rows."""

    name: Line = ""
    fix_to: Literal["studs", "backer"] = "studs"
    drop_mm: DistanceMm | None = None
    row_offset_mm: DistanceMm | None = None
    side_play_mm: DistanceMm | None = None
    lift_on_mm: DistanceMm | None = None
    rule: Literal["share", "fixed"] = "share"
    spacing_share: Annotated[Share, Field(ge=0.2, le=0.95)] | None = None
    spacing_mm: LengthMm | None = None


class Tensioning(Closed):
    """How the fabric is held. Counts, where given, take the place of the spacing."""

    fabric: Line = ""
    hold: Hold = Hold.STAPLE
    spacing_mm: Annotated[LengthMm, Field(ge=5.0)] | None = None
    rail_count: Annotated[int, Field(ge=2, le=1000)] | None = None
    stile_count: Annotated[int, Field(ge=2, le=1000)] | None = None
    inset_mm: LengthMm | None = None
    school: School | None = None
    short_sides_first: bool = True
    people: Literal["one", "two"] = "two"


class Job(Closed):
    """One screen in one room."""

    format: Literal["gantline-job"] = FORMAT
    format_version: Literal[1] = VERSION
    name: Name
    place: Line = ""
    notes: Notes = ""
    units: JobUnits = JobUnits()
    survey: Survey = Survey()
    size: Size = Size()
    content: Content = Content()
    light: Lighting = Lighting()
    height: HeightWish = HeightWish()
    throw: ProjectorPlace = ProjectorPlace()
    frame: FrameBuild = FrameBuild()
    wall: Hanging = Hanging()
    tension: Tensioning = Tensioning()
    known: Annotated[dict[Line, Known], Field(max_length=200)] = {}
