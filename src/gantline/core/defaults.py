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
    "room_depth_mm": Default(5000.0, "mm", 500.0, 60_000.0, "room from the wall to the back", "until it is measured"),
    "no_drill_band_mm": Default(
        150.0, "mm", 0.0, 1000.0, "no drilling beside, above and below a fitting", "cable and pipe run straight from it"
    ),
    "blank_overlap_mm": Default(
        100.0, "mm", 0.0, 400.0, "fabric beyond the frame on each stapled side", "edge, return and grip; never under 100"
    ),
    "furniture_gap_mm": Default(50.0, "mm", 0.0, 1000.0, "gap above furniture under the screen", "a hand's breadth"),
    "skirting_mm": Default(100.0, "mm", 0.0, 1000.0, "height of the skirting", "usual board"),
    "neck_top_deg": Default(35.0, "deg", 5.0, 60.0, "top of the picture above the eye line, at most", "comfort of the neck"),
    "neck_centre_deg": Default(15.0, "deg", 0.0, 45.0, "centre of the picture above the eye line, at most", "guidance only"),
    "head_clear_mm": Default(115.0, "mm", 0.0, 400.0, "clearance over the eye in front", "from eye to the top of the head"),
    "angle_far_deg": Default(30.0, "deg", 5.0, 90.0, "viewing angle in the farthest row, at least", "guidance"),
    "angle_main_low_deg": Default(36.0, "deg", 5.0, 90.0, "viewing angle in the main row, at least", "guidance"),
    "angle_main_high_deg": Default(45.0, "deg", 5.0, 120.0, "viewing angle in the main row, at most", "guidance"),
    "angle_near_deg": Default(60.0, "deg", 5.0, 150.0, "viewing angle in the nearest row, at most", "guidance"),
    "near_wall_mm": Default(
        400.0, "mm", 100.0, 1500.0, "what stands within this of the wall bounds the frame", "farther out it is not under it"
    ),
    "overhead_mm": Default(1800.0, "mm", 1500.0, 3000.0, "lens height that counts as overhead", "above a standing head"),
    "angle_small_deg": Default(25.0, "deg", 1.0, 60.0, "viewing angle below which a picture looks small", "guidance"),
    "bright_low_cd_m2": Default(
        25.0, "cd/m2", 1.0, 200.0, "dimmer than this looks dull even in the dark", "half the dark target"
    ),
    "bright_dark_cd_m2": Default(48.0, "cd/m2", 5.0, 300.0, "luminance for a dark room, at least", "target for films"),
    "bright_lamp_cd_m2": Default(100.0, "cd/m2", 10.0, 500.0, "luminance with evening lamps, at least", "target with lamps"),
    "bright_day_cd_m2": Default(200.0, "cd/m2", 20.0, 1000.0, "luminance by day, at least", "target by day"),
    "even_poor": Default(0.4, "share", 0.05, 1.0, "evenness below which edges look dark", "a clear hot spot"),
    "even_good": Default(0.8, "share", 0.1, 1.0, "evenness above which nothing shows", "the eye adapts to less"),
    "mask_lap_mm": Default(12.0, "mm", 0.0, 100.0, "lap of a removable mask panel", "hides its edge"),
    "gain": Default(1.0, "share", 0.1, 5.0, "gain of the fabric on its axis", "matt white, until the fabric is chosen"),
    "ambient_reflectance": Default(0.95, "share", 0.02, 1.0, "fabric's reflectance for room light", "matt white: near its gain"),
    "mode_share": Default(0.7, "share", 0.1, 1.0, "light left in the accurate picture mode", "commonly 0.6 to 0.8 of the rated"),
    "age_share": Default(0.8, "share", 0.1, 1.0, "light left with age", "laser; lamps fall to 0.7"),
    "zoom_long_share": Default(0.75, "share", 0.2, 1.0, "light left at the long end of the zoom", "lens of middling speed"),
    "contrast": Default(1500.0, "ratio", 10.0, 1_000_000.0, "projector's own contrast", "honest on/off figure of common ones"),
    "pixels_across": Default(1920.0, "pixels", 100.0, 20_000.0, "pixels across the panel", "until the record says more"),
    "mean_level": Default(0.2, "share", 0.01, 1.0, "mean level of a picture", "films are darker than they seem"),
    "hot_spot": Default(0.6, "share", 0.1, 1.0, "evenness at the main seat, at least", "below it a hot spot shows"),
    "too_bright_cd_m2": Default(250.0, "cd/m2", 50.0, 2000.0, "brightest picture in a dark room", "above it eyes tire"),
    "lux_dark": Default(0.5, "lux", 0.0, 100.0, "light on the screen, dark", "until measured"),
    "lux_lamp": Default(10.0, "lux", 0.0, 1000.0, "light on the screen, one lamp", "until measured"),
    "lamp_lm": Default(470.0, "lm", 1.0, 20_000.0, "light of one lamp", "a common small bulb, until its box is read"),
    "lux_evening": Default(50.0, "lux", 0.0, 2000.0, "light on the screen, evening living room", "until measured"),
    "lux_curtained": Default(150.0, "lux", 0.0, 5000.0, "light on the screen, curtained day", "until measured"),
    "lux_day": Default(400.0, "lux", 0.0, 20_000.0, "light on the screen, open day", "until measured"),
    "reflect_white": Default(0.7, "share", 0.0, 0.95, "mean reflectance of white surfaces", "paint"),
    "reflect_mid": Default(0.4, "share", 0.0, 0.95, "mean reflectance of middling surfaces", "coloured paint, wood"),
    "reflect_dark": Default(0.15, "share", 0.0, 0.95, "mean reflectance of dark surfaces", "dark paint"),
    "reflect_velvet": Default(0.03, "share", 0.0, 0.95, "mean reflectance of velvet", "black pile"),
    "body_width_mm": Default(400.0, "mm", 50.0, 2000.0, "projector's width", "until the record says more"),
    "body_height_mm": Default(150.0, "mm", 20.0, 1000.0, "projector's height", "until the record says more"),
    "body_depth_mm": Default(350.0, "mm", 50.0, 2000.0, "projector's depth", "until the record says more"),
    "lens_to_wall_face_mm": Default(
        30.0, "mm", -200.0, 1000.0, "lens to the face that looks at the wall", "pupil inside the body"
    ),
    "plate_to_axis_mm": Default(120.0, "mm", 20.0, 600.0, "mount plate and adapter to the lens axis", "usual rated mounts"),
    "vent_mm": Default(100.0, "mm", 0.0, 1000.0, "free space round the vents", "warm air must get away"),
    "cable_slack_mm": Default(1000.0, "mm", 0.0, 5000.0, "cable to spare", "a service loop at the mount"),
    "joist_half_mm": Default(15.0, "mm", 0.0, 60.0, "mount plate off a joist's centre, at most", "screws stay in the wood"),
    "zoom_spill_mm": Default(3.0, "mm", 0.0, 50.0, "spilled light that needs no mask", "inside any border"),
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
