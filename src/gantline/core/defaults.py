"""The one place of every default: value, unit, what it means, why this figure.

A shop overrides any of them in its settings. A figure that rests on one says so.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from gantline.core.errors import OutOfRange, UnknownDefault


@dataclass(frozen=True, slots=True)
class Default:
    """One default: `low` and `high` bound what a shop may set in its place."""

    value: float
    unit: str
    low: float
    high: float
    meaning: str
    source: str


DEFAULTS: Mapping[str, Default] = {
    "wall_width_mm": Default(4500.0, "mm", 300.0, 100_000.0, "usable width of the wall", "stands in until the wall is measured"),
    "ceiling_mm": Default(
        2440.0, "mm", 1500.0, 20_000.0, "ceiling above the floor point", "eight-foot room, until it is measured"
    ),
    "datum_mm": Default(1200.0, "mm", 0.0, 5000.0, "datum line above the floor point", "about chest height, clear of furniture"),
    "stud_first_mm": Default(
        406.4, "mm", 0.0, 2000.0, "first stud centre from the left wall end", "one spacing in, until one is found"
    ),
    "stud_spacing_mm": Default(406.4, "mm", 200.0, 1300.0, "stud spacing, centre to centre", "16 in, the commonest framing"),
    "stud_width_mm": Default(38.0, "mm", 20.0, 150.0, "face width of a stud", "dressed 2x framing"),
    "stud_edge_mm": Default(10.0, "mm", 0.0, 40.0, "screw centre to the stud's edge, least", "a screw nearer the edge splits it"),
    "ceiling_gap_mm": Default(150.0, "mm", 0.0, 3000.0, "wished gap from ceiling to frame", "room for hands; 300 is comfortable"),
    "lowest_edge_mm": Default(
        450.0, "mm", 0.0, 10_000.0, "lowest allowed bottom edge of the frame", "a low cabinet and a hand's width"
    ),
    "eye_mm": Default(1100.0, "mm", 300.0, 3000.0, "seated eye above the floor", "seated on a sofa"),
    "eye_share": Default(1 / 3, "share", 0.0, 1.0, "eye line's place in the picture, from its bottom", "one third up"),
    "tidy_span_share": Default(
        0.02, "share", 0.0, 0.1, "how far a tidy height may lie from the exact one", "still the size that was asked for"
    ),
    "tidy_ratio_error": Default(0.001, "share", 0.0, 0.01, "largest aspect error of a tidy size", "under 3 mm on most screens"),
    "frame_depth_mm": Default(38.0, "mm", 5.0, 200.0, "frame depth, wall side to fabric", "board on edge or common profile"),
    "standoff_mm": Default(12.0, "mm", 0.0, 300.0, "frame's back off the wall", "usual brackets"),
    "drop_mm": Default(30.0, "mm", 0.0, 500.0, "hole centre to frame top", "until the kit sheet is read"),
    "row_offset_mm": Default(60.0, "mm", 0.0, 1000.0, "frame height less the distance between hole rows", "drop at both rails"),
    "side_play_mm": Default(
        150.0, "mm", 0.0, 2000.0, "sideways freedom on the brackets, each way", "the rail slides on hooking brackets"
    ),
    "lift_on_mm": Default(15.0, "mm", 0.0, 500.0, "clearance to lift the frame on", "hooking brackets need 10 to 20"),
    "bracket_share": Default(
        2 / 3, "share", 0.2, 0.95, "bracket spacing as a share of frame width", "two thirds keeps the rail straight"
    ),
    "bracket_fixed_mm": Default(
        1200.0, "mm", 100.0, 10_000.0, "fixed bracket spacing of a kit", "stands in until the kit sheet is read"
    ),
    "centre_share": Default(
        0.2, "share", 0.0, 0.5, "frame's centre clear of each bracket, share of width", "so that it hangs steady"
    ),
    "rail_inset_mm": Default(60.0, "mm", 0.0, 500.0, "bracket plate clear of the frame's end", "corner joints are in the way"),
    "throw_margin": Default(
        0.03, "share", 0.0, 0.2, "zoom range left unused at each end", "lens data are good to a few per cent"
    ),
    "place_tolerance_mm": Default(1.0, "mm", 0.1, 10.0, "how exactly a lens is placed", "a body is seldom set finer by hand"),
    "overspill_mm": Default(0.0, "mm", 0.0, 50.0, "overspill at the sides", "none unless it is set"),
    "two_people_width_mm": Default(
        2200.0, "mm", 500.0, 5000.0, "overall width above which two people lift", "beyond one person's reach"
    ),
    "corner_inset_mm": Default(50.0, "mm", 5.0, 400.0, "first tension point from the corner", "hands and corner joint"),
    "corner_stop_mm": Default(
        150.0, "mm", 0.0, 500.0, "stop this short of a corner before it is pulled", "the corner takes the last slack"
    ),
    "first_pass_mm": Default(200.0, "mm", 80.0, 400.0, "spacing of the first pass of staples", "150 to 250 holds the sheet true"),
    "spacing_staple_mm": Default(35.0, "mm", 15.0, 60.0, "final spacing of staples", "25 to 40 carries the pull"),
    "spacing_spring_mm": Default(120.0, "mm", 40.0, 300.0, "spacing of springs", "80 to 150, closer shows no waves"),
    "spacing_lug_mm": Default(200.0, "mm", 80.0, 400.0, "spacing of lugs or clips", "150 to 250 on a hem rod"),
    "spacing_snap_mm": Default(125.0, "mm", 40.0, 300.0, "spacing of snaps", "100 to 150 on a strip"),
    "spacing_lace_mm": Default(175.0, "mm", 60.0, 300.0, "spacing of lacing points", "150 to 200 between eyelets"),
    "spacing_pin_mm": Default(200.0, "mm", 80.0, 400.0, "spacing of pull pins", "150 to 300 by screw travel"),
    "rounding_shown_mm": Default(0.5, "mm", 0.0, 2.0, "rounding to the tape is spelled out above this", "half a pencil line"),
    "hole_level_mm": Default(1.0, "mm", 0.1, 5.0, "left and right holes level within", "or 0.5 mm per metre, whichever is less"),
}


@dataclass(frozen=True, slots=True)
class Shop:
    """A shop's own values over the defaults.

    Raises UnknownDefault for a key that is none, OutOfRange for a value outside its bounds.
    """

    overrides: Mapping[str, float]

    def __post_init__(self) -> None:
        for key, value in self.overrides.items():
            known = DEFAULTS.get(key)
            if known is None:
                raise UnknownDefault(f"no default is named {key}", field=key)
            if not known.low <= value <= known.high:
                raise OutOfRange(
                    f"{key} must lie from {known.low:g} to {known.high:g} {known.unit}, got {value:g}",
                    field=key,
                    got=value,
                )

    def __getitem__(self, key: str) -> float:
        """The shop's value, or the default."""
        return self.overrides.get(key, DEFAULTS[key].value)

    def source(self, key: str) -> str:
        """Who stands behind the value, for the working of a figure."""
        default = DEFAULTS[key]
        if key in self.overrides:
            return f"shop's own setting for {default.meaning}"
        return f"shop default for {default.meaning}: {default.source}"


PLAIN_SHOP = Shop({})
