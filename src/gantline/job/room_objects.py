"""What stands in the room and hangs on the wall, as surveyed: plain records of the job file."""

from typing import Annotated, Literal

from pydantic import Field

from gantline.job.fields import Closed, DistanceMm, LengthMm, Line, PositionMm

FittingKind = Literal["window", "door", "outlet", "switch", "vent", "return-air", "thermostat", "radiator", "other"]
BoxKind = Literal["cabinet", "loudspeaker", "furniture", "soffit", "beam", "fan", "pendant", "walkway"]


class Fitting(Closed):
    """A rectangle on the wall [mm]: left edge from the left wall end, bottom edge above the floor.

    band_mm: no drilling straight above, below and beside within this; null is the shop default for
    outlets, switches, thermostats and radiators, none for openings.
    """

    kind: FittingKind
    name: Line = ""
    x_mm: DistanceMm
    y_mm: DistanceMm
    width_mm: LengthMm
    height_mm: LengthMm
    band_mm: DistanceMm | None = None


class Box(Closed):
    """A box in the room [mm]: left edge, bottom above the floor, its back's distance from the bare wall."""

    kind: BoxKind
    name: Line = ""
    x_mm: PositionMm
    y_mm: DistanceMm
    z_mm: DistanceMm = 0.0
    width_mm: LengthMm
    height_mm: LengthMm
    depth_mm: LengthMm


class Lamp(Closed):
    """A lamp's bulb [mm]: from the left wall end, above the floor, out of the bare wall; its light [lm]."""

    name: Annotated[Line, Field(min_length=1)]
    x_mm: PositionMm
    y_mm: DistanceMm
    z_mm: DistanceMm
    lumens: Annotated[float, Field(gt=0.0, le=100_000.0, allow_inf_nan=False)] | None = None


class Seat(Closed):
    """A seat [mm]: x from the left wall end, distance of the eye from the bare wall, eye above its platform."""

    name: Line = ""
    x_mm: PositionMm
    from_wall_mm: Annotated[LengthMm, Field(ge=300.0)]
    eye_mm: LengthMm | None = None
    platform_mm: DistanceMm = 0.0
    main: bool = False


class Joists(Closed):
    """Ceiling joists: which way they run, the first one and the spacing [mm]."""

    runs: Literal["to-the-wall", "along-the-wall"] = "to-the-wall"
    first_mm: DistanceMm = 406.4
    spacing_mm: Annotated[LengthMm, Field(ge=100.0)] = 406.4


class LightState(Closed):
    """Lamps and curtains as they will be used: illuminance on the screen [lux].

    lux null: worked out from the named lamps that are lit, or the shop default where none is named.
    """

    name: Annotated[Line, Field(min_length=1)]
    lux: Annotated[float, Field(ge=0.0, le=100_000.0, allow_inf_nan=False)] | None = None
    lamps: Annotated[list[Line], Field(max_length=20)] = []
