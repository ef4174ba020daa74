"""The projector, its lens, body and mount, where it may be, and its signal."""

from typing import Annotated, Literal

from pydantic import Field as Limit

from gantline.core.defaults import ThrowDefaults
from gantline.core.throw.shift import ReachShape
from gantline.core.throw.signal import PictureFormat as Format
from gantline.job.ends import Ends, mm
from gantline.job.field import ClosedModel, Field, Item, Part
from gantline.job.types import (
    AspectText,
    DistanceMm,
    Id,
    LengthMm,
    Line,
    Mass,
    PositionMm,
    Ratio,
    Reach,
    Turn,
)

MOST_LINKS = 12
SHAPES = ((ReachShape.RECTANGLE, "rectangle"), (ReachShape.DIAMOND, "diamond"))
MOUNTS = (
    ("joist", "into a joist"),
    ("blocking", "blocking between joists"),
    ("shelf", "on a shelf"),
    ("cabinet", "on a cabinet"),
)
LinkKind = Literal["source", "receiver", "cable", "projector input"]


class BodyMeasures(Part):
    """A projector's body, standing, seen facing the screen [mm]; absent is the shop default.

    lens_to_wall_face_mm: from the lens to the face that looks at the wall, a cabinet-top body's back.
    plate_*: where the mount plate's center sits from the lens when ceiling-mounted; the axis lies
    plate_to_axis_mm under it.
    """

    width_mm: Annotated[
        LengthMm | None,
        Field(
            "body_width", "Body width", default=ThrowDefaults.body_width_mm, fact=True, ends=mm(20.0, 3_000.0)
        ),
    ] = None
    height_mm: Annotated[
        LengthMm | None,
        Field(
            "body_height",
            "Body height",
            default=ThrowDefaults.body_height_mm,
            fact=True,
            ends=mm(20.0, 3_000.0),
        ),
    ] = None
    depth_mm: Annotated[
        LengthMm | None,
        Field(
            "body_depth", "Body depth", default=ThrowDefaults.body_depth_mm, fact=True, ends=mm(20.0, 3_000.0)
        ),
    ] = None
    lens_from_left_mm: Annotated[
        DistanceMm | None,
        Field(
            "body_lens_from_left",
            "Lens from the body's left side",
            derived=True,
            fact=True,
            ends=mm(0.0, 3_000.0),
        ),
    ] = None
    lens_above_base_mm: Annotated[
        DistanceMm | None,
        Field("body_lens_above_base", "Lens above the base", derived=True, fact=True, ends=mm(0.0, 3_000.0)),
    ] = None
    lens_to_wall_face_mm: Annotated[
        PositionMm | None,
        Field(
            "body_lens_to_wall_face",
            "Lens behind the face to the wall",
            default=ThrowDefaults.lens_to_wall_face_mm,
            fact=True,
        ),
    ] = None
    plate_right_mm: Annotated[
        PositionMm | None,
        Field(
            "plate_right",
            "Plate right of the lens",
            default=0.0,
            fact=True,
            spread=20.0,
            ends=mm(-3_000.0, 3_000.0),
        ),
    ] = None
    plate_roomward_mm: Annotated[
        PositionMm | None,
        Field(
            "plate_roomward",
            "Plate behind the lens",
            default=0.0,
            fact=True,
            spread=20.0,
            ends=mm(-3_000.0, 3_000.0),
        ),
    ] = None
    plate_to_axis_mm: Annotated[
        DistanceMm | None,
        Field(
            "plate_to_axis",
            "Plate to lens axis",
            default=ThrowDefaults.plate_to_axis_mm,
            fact=True,
            moves="the pole",
        ),
    ] = None
    vent_side_mm: Annotated[
        DistanceMm | None,
        Field("body_vent_side", "Clearance each side", default=ThrowDefaults.vent_mm, fact=True),
    ] = None
    vent_rear_mm: Annotated[
        DistanceMm | None,
        Field("body_vent_rear", "Clearance behind", default=ThrowDefaults.vent_mm, fact=True),
    ] = None
    vent_top_mm: Annotated[
        DistanceMm | None,
        Field("body_vent_top", "Clearance above the body", default=ThrowDefaults.vent_mm, fact=True),
    ] = None
    foot_spacing_mm: Annotated[
        LengthMm | None, Field("foot_spacing", "Distance between feet", ends=mm(20.0, 3_000.0))
    ] = None
    foot_turn_mm: Annotated[
        LengthMm | None, Field("foot_turn", "Height per turn of a foot", ends=mm(0.1, 50.0))
    ] = None
    foot_range_mm: Annotated[
        DistanceMm | None,
        Field("foot_range", "Range of the feet", default=0.0, fact=True, spread=8.0, ends=mm(0.0, 500.0)),
    ] = None
    mass_kg: Annotated[Mass | None, Field("body_mass", "Body mass", "number", unit=" kg")] = None


class ProjectorBody(BodyMeasures):
    """The body of this job's projector."""


class Zone(Part):
    """Where the lens may be [mm]: from the left wall end, above the floor, out of the bare wall; absent leaves
    a side open."""

    x_low_mm: Annotated[PositionMm | None, Field("zone_x_low", "Zone, left end")] = None
    x_high_mm: Annotated[PositionMm | None, Field("zone_x_high", "Zone, right end")] = None
    y_low_mm: Annotated[DistanceMm | None, Field("zone_y_low", "Zone, low end")] = None
    y_high_mm: Annotated[DistanceMm | None, Field("zone_y_high", "Zone, high end")] = None
    z_low_mm: Annotated[DistanceMm | None, Field("zone_z_low", "Zone, near end")] = None
    z_high_mm: Annotated[DistanceMm | None, Field("zone_z_high", "Zone, far end")] = None


class CablePoint(Part):
    """Where signal and power come from [mm]: from the left wall end, above the floor, out of the bare wall."""

    x_mm: Annotated[PositionMm | None, Field("cable_x", "Source, from left wall end")] = None
    y_mm: Annotated[DistanceMm | None, Field("cable_y", "Source, above floor")] = None
    z_mm: Annotated[DistanceMm | None, Field("cable_z", "Source, from bare wall")] = None


class PictureFormat(ClosedModel):
    """Lines, pictures per second [Hz], depth per color [bit], and whether with high dynamic range."""

    lines: Annotated[int, Ends(240, 17_280)]
    rate_hz: Annotated[float, Ends(0.01, 1000.0)]
    depth_bits: Annotated[int, Ends(6, 16)]
    high_range: bool = False

    def to_core(self) -> Format:
        """This format as core compares it."""
        return Format(
            lines=self.lines, rate_hz=self.rate_hz, depth_bits=self.depth_bits, high_range=self.high_range
        )


class Link(Item):
    """One link. carries: absent until asked. A cable: its length, absent for the run as computed; the length it
    is good for [mm]."""

    id: Id
    kind: Annotated[LinkKind, Field("kind", "kind", "choice")]
    name: Annotated[Line | None, Field("name", "name", "text")] = None
    carries: Annotated[PictureFormat | None, Field("carries", "carries", "value")] = None
    length_mm: Annotated[LengthMm | None, Field("length", "length", ends=mm(1.0, 100_000.0))] = None
    good_for_mm: Annotated[LengthMm | None, Field("good_for", "good for", ends=mm(1.0, 100_000.0))] = None


class SignalChain(Part):
    """The format needed, and every link it must pass, in order from the source."""

    wanted: Annotated[PictureFormat | None, Field("format", "Signal format needed", "value")] = None
    links: Annotated[list[Link], Limit(max_length=MOST_LINKS), Field("links", "Signal chain", "list")] = []


class ProjectorPlace(Part):
    """The projector and its lens. Shift as shares of the whole panel image, up, down, to either side.

    distance_offset_mm: what the point lens_from_wall_mm is measured to lies farther out than the pupil.
    Turns [deg]: yaw nose to the right +, pitch nose up +, roll picture's right end up +.
    """

    name: Annotated[Line | None, Field("projector", "Projector", "text", "")] = None
    ratio_low: Annotated[Ratio | None, Field("ratio_low", "Throw ratio, wide", "number", fact=True)] = None
    ratio_high: Annotated[Ratio | None, Field("ratio_high", "Throw ratio, long", "number", fact=True)] = None
    panel_aspect: Annotated[
        AspectText | None, Field("panel_aspect", "Panel aspect ratio", "text", "16:9", fact=True)
    ] = None
    hung: Annotated[bool | None, Field("hung", "Ceiling-mounted", "switch", False)] = None
    has_shift: Annotated[bool | None, Field("has_shift", "Lens shift", "switch", True, fact=True)] = None
    shift_up: Annotated[
        Reach | None, Field("shift_up", "Shift range up", "share", 0.0, fact=True, spread=0.3)
    ] = None
    shift_down: Annotated[
        Reach | None, Field("shift_down", "Shift range down", "share", 0.0, fact=True, spread=0.3)
    ] = None
    shift_side: Annotated[
        Reach | None, Field("shift_side", "Shift range to either side", "share", 0.0, fact=True, spread=0.15)
    ] = None
    reach: Annotated[
        ReachShape | None, Field("reach", "Shift range shape", "choice", "rectangle", SHAPES, fact=True)
    ] = None
    offset: Annotated[Reach | None, Field("offset", "Fixed offset", "share", 0.0, fact=True, spread=0.1)] = (
        None
    )
    lens_x_mm: Annotated[DistanceMm | None, Field("lens_x", "Lens from left wall end", derived=True)] = None
    lens_y_mm: Annotated[DistanceMm | None, Field("lens_y", "Lens above floor", derived=True)] = None
    lens_from_wall_mm: Annotated[
        LengthMm | None,
        Field(
            "lens_from_wall",
            "Lens from bare wall",
            derived=True,
            usual_mm=(150.0, 40000.0),
            ends=mm(100.0, 100_000.0),
        ),
    ] = None
    distance_offset_mm: Annotated[
        PositionMm | None,
        Field(
            "distance_offset",
            "Measuring point ahead of the lens pupil",
            default=0.0,
            fact=True,
            spread=15.0,
            ends=mm(-2_000.0, 2_000.0),
        ),
    ] = None
    yaw_deg: Annotated[Turn | None, Field("yaw_deg", "Turned right", "number", 0.0, unit="°")] = None
    pitch_deg: Annotated[Turn | None, Field("pitch_deg", "Tilted up", "number", 0.0, unit="°")] = None
    roll_deg: Annotated[Turn | None, Field("roll_deg", "Rolled, right side up", "number", 0.0, unit="°")] = (
        None
    )
    mount: Annotated[
        Literal["joist", "blocking", "shelf", "cabinet"] | None,
        Field("mount", "Mount", "choice", None, MOUNTS, derived=True),
    ] = None
    stand_right_high_mm: Annotated[
        PositionMm | None,
        Field("stand_right_high", "Cabinet's right end high by", fact=True, ends=mm(-200.0, 200.0)),
    ] = None
    stand_front_high_mm: Annotated[
        PositionMm | None,
        Field("stand_front_high", "Cabinet's front edge high by", fact=True, ends=mm(-200.0, 200.0)),
    ] = None
    body: ProjectorBody = ProjectorBody()
    zone: Zone = Zone()
    cable_from: CablePoint = CablePoint()
    signal: SignalChain = SignalChain()
