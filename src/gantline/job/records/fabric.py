"""A fabric by the roll, as its leaflet gives it."""

from typing import Annotated, Literal

from pydantic import Field

from gantline.core.light.lobe import FabricKind
from gantline.job.ends import Ends
from gantline.job.records.record import Record
from gantline.job.types import Gain, HalfGain, LengthMm, Line, Positive, Share


class FabricRecord(Record):
    """A fabric by the roll."""

    sort: Line = ""
    kind: FabricKind = FabricKind.DIFFUSE
    gain: Gain | None = None
    half_gain_deg: HalfGain | None = None
    ambient_reflectance: Share | None = None
    front_transmission: Share | None = None
    back_gain: Share | None = None
    back_transmission: Share | None = None
    acoustic: bool = False
    roll_widths_mm: Annotated[list[LengthMm], Field(max_length=20)] = []
    mass_g_m2: Positive | None = None
    along: Literal["none", "width", "height"] | None = None
    stretch: Annotated[Share, Ends(0.0, 0.5)] | None = None
    layers: Annotated[int, Ends(1, 3)] | None = None
    film: bool | None = None
    care: Line = ""
