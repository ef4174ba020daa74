"""The frame, the saw and the boards, the fabric blank, the trim, and what was bought."""

from typing import Annotated, Literal

from pydantic import Field as Limit
from pydantic import field_validator

from gantline.core.defaults import BlankDefaults, FrameDefaults, TrimDefaults
from gantline.core.frame.boards import DRESSED, Lies, Material
from gantline.core.frame.pieces import Joint
from gantline.core.trim.tape import Corner
from gantline.job.ends import Ends, mm
from gantline.job.field import Field, Item, Part
from gantline.job.types import BarCount, DistanceMm, Id, LengthMm, Line, Mass, Positive, Share, repeated

PLATES = (("back", "on the back"), ("both", "on both faces"), ("none", "none"))
BUILDS = (("timber", "timber"), ("kit", "kit"))
BOARDS = tuple((nominal, nominal.replace("x", "×")) for nominal in DRESSED)
LIES = ((Lies.FLAT, "flat"), (Lies.EDGE, "on edge"))
MATERIALS = tuple((material, material.value) for material in Material)
JOINTS = (
    (Joint.BUTT_RAILS, "butted, rails through"),
    (Joint.BUTT_STILES, "butted, stiles through"),
    (Joint.MITER, "mitered"),
    (Joint.LAP, "half-lapped"),
)
ALONG = (("none", "either way"), ("width", "picture width"), ("height", "picture height"))
BORDERS = (
    ("none", "no border"),
    ("tape", "felt tape"),
    ("velvet", "velvet, stapled"),
    ("bezel", "bezel, screwed on"),
)
CORNERS = ((Corner.MITER, "mitered"), (Corner.WRAP, "wrapped round the ends"))
STOPS = (
    ("frame", "building the frame"),
    ("tension", "stretching"),
    ("trim", "trimming"),
    ("hang", "hanging"),
)
PlaceName = Literal["track", "hem", "outer", "joint", "groove", "bottom"]
PLACES: tuple[tuple[PlaceName, str], ...] = (
    ("track", "a track, before its corner closes"),
    ("hem", "a hem of the fabric, before the first point"),
    ("outer", "the outer frame, before its corners close"),
    ("joint", "a joint, before its sides meet"),
    ("groove", "a groove with the fabric's edge, before the first point"),
    ("bottom", "the bottom of the back, before it is lifted"),
)
ON_SIDES = (("rails", "the long sides"), ("stiles", "the short sides"))
OUTER_BY = (("screws", "screws"), ("clips", "clips"))
FEEDS = (("left", "lower left, from the back"), ("right", "lower right, from the back"))


class SquareReadings(Part):
    """The built frame on the floor, seen from the front [mm]: four sides and both diagonals."""

    top_mm: Annotated[LengthMm | None, Field("square_top", "Built: top", ends=mm(50.0, 60_000.0))] = None
    bottom_mm: Annotated[
        LengthMm | None, Field("square_bottom", "Built: bottom", ends=mm(50.0, 60_000.0))
    ] = None
    left_mm: Annotated[LengthMm | None, Field("square_left", "Built: left side", ends=mm(50.0, 60_000.0))] = (
        None
    )
    right_mm: Annotated[
        LengthMm | None, Field("square_right", "Built: right side", ends=mm(50.0, 60_000.0))
    ] = None
    rising_mm: Annotated[
        LengthMm | None, Field("square_rising", "Built: lower left to upper right", ends=mm(50.0, 90_000.0))
    ] = None
    falling_mm: Annotated[
        LengthMm | None, Field("square_falling", "Built: upper left to lower right", ends=mm(50.0, 90_000.0))
    ] = None
    gap_top_left_mm: Annotated[
        DistanceMm | None, Field("gap_top_left", "Corner gap, top left", ends=mm(0.0, 200.0))
    ] = None
    gap_top_right_mm: Annotated[
        DistanceMm | None, Field("gap_top_right", "Corner gap, top right", ends=mm(0.0, 200.0))
    ] = None
    gap_bottom_left_mm: Annotated[
        DistanceMm | None, Field("gap_bottom_left", "Corner gap, bottom left", ends=mm(0.0, 200.0))
    ] = None
    gap_bottom_right_mm: Annotated[
        DistanceMm | None, Field("gap_bottom_right", "Corner gap, bottom right", ends=mm(0.0, 200.0))
    ] = None


class BoughtBoard(Item):
    """A board that was bought and sighted along [mm]."""

    id: Id
    length_mm: Annotated[LengthMm, Field("length", "length", ends=mm(50.0, 30_000.0))]
    crook_mm: Annotated[DistanceMm | None, Field("crook", "crook", default=0.0, ends=mm(0.0, 500.0))] = None
    bow_mm: Annotated[DistanceMm | None, Field("bow", "bow", default=0.0, ends=mm(0.0, 500.0))] = None
    twist_mm: Annotated[DistanceMm | None, Field("twist", "twist", default=0.0, ends=mm(0.0, 500.0))] = None


class BoxPart(Item):
    """A part of a kit, counted in the box before the fabric is opened."""

    id: Id
    name: Annotated[Line, Field("name", "name", "text")]
    count: Annotated[Annotated[int, Ends(1, 10_000)], Field("count", "on the sheet", "count")]
    spare: Annotated[Annotated[int, Ends(0, 1000)] | None, Field("spare", "spares", "count", 0)] = None
    stops: Annotated[
        Literal["frame", "tension", "trim", "hang"] | None,
        Field("stops", "waits for it", "choice", "frame", STOPS),
    ] = None
    mass_g: Annotated[
        Annotated[float, Ends(0.01, 200_000.0)] | None,
        Field("mass", "weighs", "number", unit=" g"),
    ] = None
    found: Annotated[Annotated[int, Ends(0, 10_000)] | None, Field("found", "in the box", "count")] = None
    into: Annotated[PlaceName | None, Field("into", "goes into", "choice", None, PLACES)] = None
    facing: Annotated[Line | None, Field("facing", "facing", "text")] = None
    long_mm: Annotated[LengthMm | None, Field("long", "long", ends=mm(1.0, 10_000.0))] = None
    on: Annotated[Literal["rails", "stiles"] | None, Field("on", "belongs to", "choice", None, ON_SIDES)] = (
        None
    )


class Brace(Item):
    """A brace at a place of its own: its middle from the left, seen from the back [mm]."""

    id: Id
    u_mm: Annotated[LengthMm, Field("u", "middle from the left")]


class Blank(Part):
    """How the fabric is cut [mm]."""

    grip_mm: Annotated[
        DistanceMm | None,
        Field("grip", "Grip past the return", default=BlankDefaults.grip_mm, ends=mm(0.0, 1_000.0)),
    ] = None
    back_mm: Annotated[
        DistanceMm | None, Field("return_back", "Return on the back", derived=True, ends=mm(0.0, 1_000.0))
    ] = None
    stretch: Annotated[
        Annotated[Share, Ends(0.0, 0.5)] | None, Field("stretch", "Stretched on the frame by", "share", 0.0)
    ] = None
    along: Annotated[
        Literal["none", "width", "height"] | None,
        Field("along", "Along the roll", "choice", "none", ALONG),
    ] = None
    turn_deg: Annotated[
        Annotated[float, Ends(0.0, 90.0)] | None,
        Field("turn", "Turned on the roll", "number", 0.0, unit="°"),
    ] = None
    layers: Annotated[Annotated[int, Ends(1, 3)] | None, Field("layers", "Layers of fabric", "count", 1)] = (
        None
    )
    backing: Annotated[bool | None, Field("backing", "Black velvet behind the fabric", "switch", False)] = (
        None
    )
    mass_g_m2: Annotated[
        Positive | None,
        Field("fabric_mass", "Fabric weighs", "number", BlankDefaults.mass_g_m2, unit=" g/m²"),
    ] = None


class FrameBuild(Part):
    """The frame: timber or a kit, its depth and how far its back stands off the wall [mm]."""

    name: Annotated[Line | None, Field("frame_name", "Frame", "text", "")] = None
    tools: Annotated[Line | None, Field("tools", "Tools", "text", note="as the kit's leaflet gives them")] = (
        None
    )
    cap_torque_nm: Annotated[
        Positive | None,
        Field("cap_torque", "Plastic caps, torque at most", "number", unit=" N·m"),
    ] = None
    joint_torque_nm: Annotated[
        Positive | None,
        Field("joint_torque", "Screws of the joints, torque at most", "number", unit=" N·m"),
    ] = None
    outer_by: Annotated[
        Literal["screws", "clips"] | None,
        Field("outer_by", "Outer frame is held by", "choice", None, OUTER_BY),
    ] = None
    outer_rail_count: Annotated[
        Annotated[int, Ends(1, 60)] | None, Field("outer_rail", "Of them on each long side", "count")
    ] = None
    outer_stile_count: Annotated[
        Annotated[int, Ends(1, 60)] | None, Field("outer_stile", "Of them on each short side", "count")
    ] = None
    sag_hooks: Annotated[
        Annotated[int, Ends(1, 12)] | None, Field("sag_hooks", "Hooks against sag on each long side", "count")
    ] = None
    label_at: Annotated[
        Line | None, Field("label_at", "Maker's label", "text", note="as bottom, toward the wall")
    ] = None
    comes_off: Annotated[
        Line | None, Field("comes_off", "Comes off again", "text", note="as the kit's leaflet gives it")
    ] = None
    build: Annotated[
        Literal["timber", "kit"] | None, Field("frame_build", "Built of", "choice", "timber", BUILDS)
    ] = None
    depth_mm: Annotated[
        LengthMm | None,
        Field(
            "frame_depth", "Frame depth", default=FrameDefaults.frame_depth_mm, fact=True, ends=mm(2.0, 500.0)
        ),
    ] = None
    standoff_mm: Annotated[
        DistanceMm | None,
        Field("standoff", "Standoff", default=FrameDefaults.standoff_mm, fact=True, ends=mm(0.0, 1_000.0)),
    ] = None
    trim_mm: Annotated[
        DistanceMm | None,
        Field("trim", "Trim put on after the fabric, each side", default=0.0, ends=mm(0.0, 500.0)),
    ] = None
    board: Annotated[
        Literal["1x2", "1x3", "1x4", "2x2", "2x4"] | None, Field("board", "Board", "choice", "1x3", BOARDS)
    ] = None
    thick_mm: Annotated[
        LengthMm | None, Field("board_thick", "Board thickness", derived=True, ends=mm(2.0, 200.0))
    ] = None
    wide_mm: Annotated[
        LengthMm | None, Field("board_wide", "Board width", derived=True, ends=mm(5.0, 500.0))
    ] = None
    lies: Annotated[Lies | None, Field("lies", "Board lies", "choice", Lies.FLAT.value, LIES)] = None
    material: Annotated[
        Material | None, Field("wood", "Material", "choice", Material.SOFTWOOD.value, MATERIALS)
    ] = None
    joint: Annotated[Joint | None, Field("joint", "Corners", "choice", Joint.BUTT_RAILS.value, JOINTS)] = None
    centre_bars: Annotated[BarCount | None, Field("centre_bars", "Center bars", "count", derived=True)] = None
    braces: Annotated[list[Brace], Limit(max_length=8), Field("brace_list", "Braces", "list")] = []
    removable: Annotated[bool | None, Field("removable", "Braces can be taken out", "switch", False)] = None
    plates: Annotated[
        Literal["back", "both", "none"] | None,
        Field("corner_plates", "Flat plates at the corners", "choice", "back", PLATES),
    ] = None
    longest_mm: Annotated[
        LengthMm | None,
        Field(
            "longest_board",
            "Longest board or load",
            default=FrameDefaults.longest_board_mm,
            ends=mm(100.0, 30_000.0),
        ),
    ] = None
    fastener_mm: Annotated[
        LengthMm | None, Field("fastener", "Longest screw into the board", ends=mm(3.0, 300.0))
    ] = None
    staple_mm: Annotated[
        LengthMm | None,
        Field("staple_leg", "Staple leg", default=FrameDefaults.staple_leg_mm, ends=mm(2.0, 50.0)),
    ] = None
    kerf_mm: Annotated[
        DistanceMm | None, Field("kerf", "Saw kerf", default=FrameDefaults.kerf_mm, ends=mm(0.0, 10.0))
    ] = None
    end_trim_mm: Annotated[
        DistanceMm | None,
        Field(
            "end_trim", "Trimmed off each board end", default=FrameDefaults.end_trim_mm, ends=mm(0.0, 500.0)
        ),
    ] = None
    bought: Annotated[
        list[BoughtBoard], Limit(max_length=40), Field("bought_boards", "Boards bought", "list")
    ] = []
    parts: Annotated[list[BoxPart], Limit(max_length=60), Field("box_parts", "Parts in the box", "list")] = []
    mass_kg: Annotated[
        Mass | None, Field("kit_mass", "Mass of the kit", "number", unit=" kg", derived=True)
    ] = None
    cut: Annotated[list[Line], Limit(max_length=200), Field("cut_done", "Pieces cut", "value")] = []
    square: SquareReadings = SquareReadings()
    blank: Blank = Blank()

    @field_validator("braces", "bought", "parts")
    @classmethod
    def _once(cls, value: list[Item]) -> list[Item]:
        twice = repeated(one.id for one in value)
        if twice:
            raise ValueError(f"The id “{twice}” is there twice.")
        return value


class Backlight(Part):
    """A strip of light behind the frame."""

    there: Annotated[bool | None, Field("backlit", "Backlight", "switch", False)] = None
    inset_mm: Annotated[
        DistanceMm | None,
        Field(
            "strip_inset",
            "Strip from the frame's edge",
            default=TrimDefaults.strip_inset_mm,
            ends=mm(0.0, 2_000.0),
        ),
    ] = None
    pitch_mm: Annotated[
        LengthMm | None,
        Field("strip_pitch", "Cut pitch", default=TrimDefaults.strip_pitch_mm, ends=mm(5.0, 1_000.0)),
    ] = None
    reel_mm: Annotated[
        LengthMm | None,
        Field("strip_reel", "Reel", default=TrimDefaults.strip_reel_mm, ends=mm(500.0, 100_000.0)),
    ] = None
    watts_per_m: Annotated[
        Positive | None, Field("strip_watts", "Power", "number", TrimDefaults.strip_w_m, unit=" W/m")
    ] = None
    spacer_mm: Annotated[
        DistanceMm | None, Field("spacer", "Spacer strips, thickness", default=0.0, ends=mm(0.0, 200.0))
    ] = None
    feed: Annotated[Literal["left", "right"] | None, Field("feed", "Fed from", "choice", "left", FEEDS)] = (
        None
    )


class Trim(Part):
    """Border and backlight."""

    border: Annotated[
        Literal["none", "tape", "velvet", "bezel"] | None,
        Field("border_kind", "Border", "choice", derived=True, choices=BORDERS),
    ] = None
    wrap_mm: Annotated[
        DistanceMm | None,
        Field("tape_wrap", "Wrapped round the edge", default=TrimDefaults.tape_wrap_mm, ends=mm(0.0, 500.0)),
    ] = None
    corner: Annotated[
        Corner | None, Field("tape_corner", "Corners of the border", "choice", Corner.MITER.value, CORNERS)
    ] = None
    roll_mm: Annotated[
        LengthMm | None,
        Field("tape_roll", "Tape on a roll", default=TrimDefaults.tape_roll_mm, ends=mm(500.0, 100_000.0)),
    ] = None
    before_mm: Annotated[
        DistanceMm | None,
        Field(
            "border_before", "Border stands before the fabric", default=0.0, fact=True, ends=mm(0.0, 100.0)
        ),
    ] = None
    tape_wide_mm: Annotated[
        LengthMm | None, Field("tape_wide", "Tape as it is bought, wide", ends=mm(5.0, 2_000.0))
    ] = None
    to_picture: Annotated[
        bool | None, Field("to_picture", "Laid to the projected picture", "switch", False)
    ] = None
    light: Backlight = Backlight()


class OwnMaterial(Item):
    """What is there of an item of the materials list; the id is the item's key."""

    id: Id
    on_hand: Annotated[
        Annotated[float, Ends(0.0, 100_000.0)] | None,
        Field("on_hand", "on hand", "number", 0.0),
    ] = None
    pack: Annotated[Positive | None, Field("pack", "in a pack", "number", derived=True)] = None
    price: Annotated[
        Annotated[float, Ends(0.0, 1_000_000.0)] | None,
        Field("price", "price of a pack", "number"),
    ] = None
    arrived: Annotated[bool | None, Field("arrived", "arrived", "switch", False)] = None


class Materials(Part):
    """The buying."""

    items: Annotated[list[OwnMaterial], Limit(max_length=100), Field("materials", "Materials", "list")] = []
    quoted: Annotated[
        Annotated[float, Ends(0.0, 10_000_000.0)] | None,
        Field("quoted", "Quoted for material", "number"),
    ] = None
