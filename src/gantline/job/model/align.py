"""The screen hung, and the picture aligned: readings, round by round."""

from typing import Annotated, Literal

from pydantic import Field as Limit

from gantline.core.defaults import AlignDefaults
from gantline.job.ends import Ends, mm
from gantline.job.field import Field, Item, Part
from gantline.job.types import DistanceMm, Id, LengthMm, Line, Lux, PositionMm, Share, Turn

FIRST = (("frame", "frame, then picture"), ("picture", "picture on the bare wall, then frame"))
OFF_MM = 600.0
GAP_MM = 20_000.0  # a screen hangs anywhere along the longest wall
Outside = Annotated[PositionMm, mm(-OFF_MM, OFF_MM)]
Gap = Annotated[PositionMm, mm(-OFF_MM, GAP_MM)]
Height = Annotated[DistanceMm, mm(0.0, GAP_MM)]


class CornerRound(Item):
    """The picture's corners read once [mm]: how far each stands outside the corner of the viewable area, sideways and
    up or down; minus inside. *_bow: how far an edge's middle stands outside the line of its corners. photo: the one
    they were read from."""

    id: Id
    tl_x_mm: Annotated[Outside | None, Field("tl_x", "top left, sideways", fact=True)] = None
    tl_y_mm: Annotated[Outside | None, Field("tl_y", "top left, up", fact=True)] = None
    tr_x_mm: Annotated[Outside | None, Field("tr_x", "top right, sideways", fact=True)] = None
    tr_y_mm: Annotated[Outside | None, Field("tr_y", "top right, up", fact=True)] = None
    br_x_mm: Annotated[Outside | None, Field("br_x", "bottom right, sideways", fact=True)] = None
    br_y_mm: Annotated[Outside | None, Field("br_y", "bottom right, down", fact=True)] = None
    bl_x_mm: Annotated[Outside | None, Field("bl_x", "bottom left, sideways", fact=True)] = None
    bl_y_mm: Annotated[Outside | None, Field("bl_y", "bottom left, down", fact=True)] = None
    top_bow_mm: Annotated[Outside | None, Field("top_bow", "middle of the top, out", fact=True)] = None
    bottom_bow_mm: Annotated[Outside | None, Field("bottom_bow", "middle of the bottom, out", fact=True)] = (
        None
    )
    who: Annotated[Line | None, Field("who", "who", "text")] = None
    day: Annotated[Line | None, Field("day", "when", "text")] = None
    photo: Annotated[Line | None, Field("photo", "photo", "text")] = None


class CastPoint(Item):
    """A point of the bare wall: where the cast cross was lit, shares of the panel from its upper left, and what the
    tape read there [mm from the left wall end, above the floor]."""

    id: Id
    u: Annotated[Share, Field("u", "across the light", "share")]
    v: Annotated[Share, Field("v", "down the light", "share")]
    x_mm: Annotated[DistanceMm, Field("x", "from left", fact=True)]
    y_mm: Annotated[DistanceMm, Field("y", "off floor", fact=True)]


class HangReading(Item):
    """The screen as it hangs, read once [mm]: right end of the top rail over its left end, or degrees of a digital
    level, or the height of both ends above a floor that is known to be level; frame to both wall ends; top against a
    plumb line at the bottom, + the top leans in; the diagonals' distance where they cross; margins."""

    id: Id
    level_mm: Annotated[Outside | None, Field("level", "right end higher by", fact=True)] = None
    level_deg: Annotated[Turn | None, Field("level_deg", "or degrees, right end up", "number", fact=True)] = (
        None
    )
    height_left_mm: Annotated[Height | None, Field("height_left", "left end off the floor", fact=True)] = None
    height_right_mm: Annotated[Height | None, Field("height_right", "right end off the floor", fact=True)] = (
        None
    )
    gap_left_mm: Annotated[Gap | None, Field("gap_left", "frame to left wall end", fact=True)] = None
    gap_right_mm: Annotated[Gap | None, Field("gap_right", "frame to right wall end", fact=True)] = None
    plumb_left_mm: Annotated[Outside | None, Field("plumb_left", "top leans in, left", fact=True)] = None
    plumb_right_mm: Annotated[Outside | None, Field("plumb_right", "top leans in, right", fact=True)] = None
    crossing_mm: Annotated[
        Outside | None, Field("crossing", "diagonals apart where they cross", fact=True)
    ] = None
    margin_left_mm: Annotated[Outside | None, Field("margin_left", "fabric margin left", fact=True)] = None
    margin_right_mm: Annotated[Outside | None, Field("margin_right", "fabric margin right", fact=True)] = None
    margin_top_mm: Annotated[Outside | None, Field("margin_top", "fabric margin top", fact=True)] = None
    margin_bottom_mm: Annotated[Outside | None, Field("margin_bottom", "fabric margin bottom", fact=True)] = (
        None
    )
    who: Annotated[Line | None, Field("who", "who", "text")] = None
    day: Annotated[Line | None, Field("day", "when", "text")] = None


class PictureRound(Item):
    """The corners of the picture as taped onto the bare wall [mm from the left wall end, above the floor]."""

    id: Id
    tl_x_mm: Annotated[DistanceMm, Field("tl_x", "top left, from left", fact=True)]
    tl_y_mm: Annotated[DistanceMm, Field("tl_y", "top left, off floor", fact=True)]
    tr_x_mm: Annotated[DistanceMm, Field("tr_x", "top right, from left", fact=True)]
    tr_y_mm: Annotated[DistanceMm, Field("tr_y", "top right, off floor", fact=True)]
    br_x_mm: Annotated[DistanceMm, Field("br_x", "bottom right, from left", fact=True)]
    br_y_mm: Annotated[DistanceMm, Field("br_y", "bottom right, off floor", fact=True)]
    bl_x_mm: Annotated[DistanceMm, Field("bl_x", "bottom left, from left", fact=True)]
    bl_y_mm: Annotated[DistanceMm, Field("bl_y", "bottom left, off floor", fact=True)]
    lens_mm: Annotated[LengthMm | None, Field("lens", "lens from wall", fact=True)] = None
    who: Annotated[Line | None, Field("who", "who", "text")] = None
    day: Annotated[Line | None, Field("day", "when", "text")] = None


class Hung(Part):
    """How the screen hangs."""

    first: Annotated[
        Literal["frame", "picture"] | None,
        Field("order", "What comes first", "choice", None, FIRST, derived=True),
    ] = None
    picture: Annotated[
        list[PictureRound], Limit(max_length=20), Field("picture_rounds", "Picture on the bare wall", "list")
    ] = []
    readings: Annotated[
        list[HangReading], Limit(max_length=40), Field("hang_readings", "Readings of the hung screen", "list")
    ] = []
    pulled: Annotated[bool | None, Field("pulled", "Every latch pull-tested", "switch", False)] = None
    locked: Annotated[bool | None, Field("locked", "Locks and turnbuckles locked", "switch", False)] = None


class Aligned(Part):
    """How the picture stands on the frame."""

    rounds: Annotated[
        list[CornerRound], Limit(max_length=40), Field("corner_rounds", "Rounds of corner readings", "list")
    ] = []
    cast_points: Annotated[
        list[CastPoint], Limit(max_length=4), Field("cast_points", "Points of the cast cross", "list")
    ] = []
    corner_sigma_mm: Annotated[
        Annotated[float, Ends(0.01, 20.0)] | None,
        Field("corner_sigma", "Corner reading accuracy", default=AlignDefaults.corner_sigma_mm),
    ] = None
    shift_turn: Annotated[Share | None, Field("shift_turn", "Shift, a turn of its knob", "share")] = None
    luminance: Annotated[
        Lux | None, Field("measured_center", "Measured, center", "number", unit=" cd/m²", fact=True)
    ] = None
    luminance_tl: Annotated[
        Lux | None, Field("measured_tl", "Measured, top left corner", "number", unit=" cd/m²", fact=True)
    ] = None
    luminance_tr: Annotated[
        Lux | None, Field("measured_tr", "Measured, top right corner", "number", unit=" cd/m²", fact=True)
    ] = None
    luminance_br: Annotated[
        Lux | None, Field("measured_br", "Measured, bottom right corner", "number", unit=" cd/m²", fact=True)
    ] = None
    luminance_bl: Annotated[
        Lux | None, Field("measured_bl", "Measured, bottom left corner", "number", unit=" cd/m²", fact=True)
    ] = None
    luminance_corners: Annotated[
        Lux | None, Field("measured_corner", "Or only the darkest corner", "number", unit=" cd/m²", fact=True)
    ] = None
