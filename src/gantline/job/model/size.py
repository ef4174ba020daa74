"""The size and which number leads it; border; content shapes."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field as Limit

from gantline.core.defaults import SizeDefaults
from gantline.core.size.aspect import ASPECTS
from gantline.job.ends import Ends, mm
from gantline.job.field import ClosedModel, Field, Item, Part
from gantline.job.types import AspectText, DistanceMm, Id, LengthMm


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


LEADS = (
    (SizeLead.DIAGONAL, "diagonal"),
    (SizeLead.WIDTH, "width"),
    (SizeLead.HEIGHT, "height"),
    (SizeLead.WALL, "free wall"),
    (SizeLead.ANGLE, "viewing angle"),
    (SizeLead.THROW, "fixed throw"),
    (SizeLead.MEASURED, "picture on the wall"),
)


class BorderFaces(Part):
    """Border face widths [mm]; 0 is edgeless."""

    side_mm: Annotated[
        DistanceMm | None, Field("border_side", "Border, each side", default=0.0, ends=mm(0.0, 2_000.0))
    ] = None
    top_mm: Annotated[
        DistanceMm | None, Field("border_top", "Border, top", default=0.0, ends=mm(0.0, 2_000.0))
    ] = None
    bottom_mm: Annotated[
        DistanceMm | None, Field("border_bottom", "Border, bottom", default=0.0, ends=mm(0.0, 2_000.0))
    ] = None


class RoundedPick(ClosedModel):
    """A rounded size that was chosen [mm]."""

    width_mm: LengthMm
    height_mm: LengthMm


class Shape(Item):
    """An aspect ratio shown on this screen."""

    id: Id
    aspect: Annotated[AspectText, Field("aspect", "aspect ratio", "text")]


class Content(Part):
    """Aspect ratios shown on this screen, and the lap of removable mask panels [mm]."""

    shapes: Annotated[list[Shape], Limit(max_length=6), Field("shapes", "Aspect ratios shown", "list")] = []
    lap_mm: Annotated[
        DistanceMm | None,
        Field("mask_lap", "Lap of mask panels", default=SizeDefaults.mask_lap_mm, ends=mm(0.0, 500.0)),
    ] = None


PICKS = (
    ("margin", "largest with margin both ways"),
    ("largest", "largest"),
    ("smallest", "smallest"),
)


class Size(Part):
    """The size and which number leads it."""

    aspect: Annotated[
        AspectText | None,
        Field("aspect", "Aspect ratio", "text", "16:9", tuple((name, name) for name in ASPECTS)),
    ] = None
    lead: Annotated[SizeLead | None, Field("lead", "Starts from", "choice", "diagonal", LEADS)] = None
    throw_pick: Annotated[
        Literal["margin", "largest", "smallest"] | None,
        Field("throw_pick", "Within the zoom", "choice", "margin", PICKS),
    ] = None
    angle_deg: Annotated[
        Annotated[float, Ends(5.0, 120.0)] | None,
        Field("angle", "Viewing angle, main seat", "number", 40.0, unit="°"),
    ] = None
    value_mm: Annotated[
        Annotated[LengthMm, mm(100.0, 60_000.0)] | None,
        Field("lead_value", "Diagonal", default=2540.0, usual_mm=(1050.0, 12000.0)),
    ] = None
    measured_height_mm: Annotated[
        LengthMm | None,
        Field("measured_height", "Height measured on the wall", fact=True, ends=mm(100.0, 60_000.0)),
    ] = None
    measured_rising_mm: Annotated[
        LengthMm | None,
        Field("measured_rising", "Diagonal, lower left to upper right", fact=True, ends=mm(100.0, 60_000.0)),
    ] = None
    measured_falling_mm: Annotated[
        LengthMm | None,
        Field("measured_falling", "Diagonal, upper left to lower right", fact=True, ends=mm(100.0, 60_000.0)),
    ] = None
    tidy_grid_mm: Annotated[
        LengthMm | None, Field("tidy_grid", "Round to", derived=True, ends=mm(0.1, 1_000.0))
    ] = None
    tidy: Annotated[RoundedPick | None, Field("tidy", "Rounded size", "value")] = None
    border: BorderFaces = BorderFaces()
    overspill_mm: Annotated[
        DistanceMm | None,
        Field("overspill", "Overspill, each side", default=SizeDefaults.overspill_mm, ends=mm(0.0, 500.0)),
    ] = None
