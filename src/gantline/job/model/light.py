"""Fabric, the projector's light, and the light states of the room."""

from typing import Annotated, Literal

from pydantic import Field as Limit
from pydantic import field_validator

from gantline.core.defaults import LightDefaults
from gantline.core.light.lobe import FabricKind
from gantline.job.ends import mm
from gantline.job.field import Field, Item, Part
from gantline.job.types import (
    Contrast,
    Gain,
    HalfGain,
    Id,
    LengthMm,
    Line,
    Lumens,
    Lux,
    Pixels,
    Share,
    repeated,
)

KINDS = (
    (FabricKind.DIFFUSE, "diffuse"),
    (FabricKind.MIRROR, "mirror-like"),
    (FabricKind.RETRO, "retro-reflective"),
    (FabricKind.LENTICULAR, "lenticular, from below"),
)
LOOKED = (("best", "best"), ("good", "good"), ("poor", "poor"))
SURFACES = (("white", "white"), ("mid", "medium"), ("dark", "dark"), ("velvet", "velvet"))


class FabricChoice(Part):
    """The fabric as light sees it. half_gain_deg absent: constant gain."""

    name: Annotated[Line | None, Field("light_fabric", "Fabric", "text", "")] = None
    kind: Annotated[
        FabricKind | None, Field("fabric_kind", "Fabric kind", "choice", "diffuse", KINDS, fact=True)
    ] = None
    gain: Annotated[Gain | None, Field("gain", "Gain on axis", "number", LightDefaults.gain, fact=True)] = (
        None
    )
    half_gain_deg: Annotated[HalfGain | None, Field("half_gain", "Half-gain angle", "number", unit="°")] = (
        None
    )
    ambient_reflectance: Annotated[
        Share | None,
        Field(
            "ambient_reflectance",
            "Reflectance for room light",
            "share",
            LightDefaults.ambient_reflectance,
            fact=True,
        ),
    ] = None
    front_transmission: Annotated[
        Share | None, Field("front_transmission", "Light through the front layer", "share", 0.0, fact=True)
    ] = None
    back_gain: Annotated[
        Share | None, Field("back_gain", "Gain of the dark layer behind", "share", 0.0, fact=True)
    ] = None
    back_transmission: Annotated[
        Share | None, Field("back_transmission", "Light through the dark layer", "share", 0.0, fact=True)
    ] = None
    acoustic: Annotated[bool | None, Field("acoustic", "Acoustically open", "switch", False, fact=True)] = (
        None
    )
    care: Annotated[
        Line | None, Field("fabric_care", "Care", "text", note="as its maker gives it; told at the handover")
    ] = None
    film: Annotated[
        bool | None,
        Field("film", "Protective film on the face", "switch", False, note="it comes off last, on the wall"),
    ] = None
    roll_mm: Annotated[LengthMm | None, Field("roll", "Roll width", ends=mm(100.0, 20_000.0))] = None


class LightState(Item):
    """Lamps and curtains as they will be used: illuminance on the screen [lux].

    lux absent: worked out from the lamps that are lit (their ids), or the shop default where none is lit.
    """

    id: Id
    name: Annotated[Line, Limit(min_length=1), Field("name", "name", "text")]
    lux: Annotated[Lux | None, Field("lux", "lux", "number", derived=True, fact=True)] = None
    lamps: Annotated[list[Id], Limit(max_length=20), Field("lamps", "lamps lit", "value")] = []


class Swatch(Item):
    """A swatch of a fabric held at the screen's place in a light state, and how it looked beside the others."""

    id: Id
    fabric: Annotated[Annotated[Line, Limit(min_length=1)], Field("fabric", "fabric", "text")]
    state: Annotated[Annotated[Line, Limit(min_length=1)], Field("state", "in light", "text")]
    seen: Annotated[Literal["best", "good", "poor"], Field("seen", "looked", "choice", None, LOOKED)]


STATE_DEFAULTS = {
    "dark": LightDefaults.lux_dark,
    "one lamp": LightDefaults.lux_lamp,
    "evening": LightDefaults.lux_evening,
    "day, curtained": LightDefaults.lux_curtained,
    "open day": LightDefaults.lux_day,
}
USUAL_STATES = tuple(
    LightState(id=name.replace(", ", "-").replace(" ", "-"), name=name)
    for name in ("dark", "one lamp", "evening", "day, curtained")
)


class Lighting(Part):
    """What makes the picture bright, and what washes it out. states absent: the usual four."""

    fabric: FabricChoice = FabricChoice()
    rated_lm: Annotated[
        Lumens | None, Field("rated_lm", "Light output, rated", "number", unit=" lm", fact=True)
    ] = None
    mode_share: Annotated[
        Share | None,
        Field("mode_share", "Light in this picture mode", "share", LightDefaults.mode_share, fact=True),
    ] = None
    age_share: Annotated[
        Share | None, Field("age_share", "Light after aging", "share", LightDefaults.age_share, fact=True)
    ] = None
    zoom_long_share: Annotated[
        Share | None,
        Field("zoom_long", "Light at full zoom", "share", LightDefaults.zoom_long_share, fact=True),
    ] = None
    contrast: Annotated[
        Contrast | None,
        Field("own_contrast", "Projector contrast", "number", LightDefaults.contrast, fact=True),
    ] = None
    pixels_across: Annotated[
        Pixels | None,
        Field("pixels_across", "Pixels across", "count", LightDefaults.pixels_across, fact=True),
    ] = None
    surfaces: Annotated[
        Literal["white", "mid", "dark", "velvet"] | None,
        Field("surfaces", "Walls and ceiling", "choice", "mid", SURFACES, fact=True),
    ] = None
    states: Annotated[
        list[LightState] | None,
        Limit(min_length=1, max_length=6),
        Field("states", "Light states", "list"),
    ] = None

    swatches: Annotated[
        list[Swatch], Limit(max_length=60), Field("swatches", "Swatches seen in the room", "list")
    ] = []

    @field_validator("states")
    @classmethod
    def _one_state_a_name(cls, value: list[LightState] | None) -> list[LightState] | None:
        twice = repeated(state.name for state in value or ())
        if twice:
            raise ValueError(f"Two light states are called {twice}: give each its own name.")
        return value
