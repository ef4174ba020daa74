"""Brackets and holes."""

from gantline.core.defaults.default import Default


class WallDefaults:
    """Brackets and holes."""

    drop_mm = Default(
        30.0,
        "mm",
        0.0,
        500.0,
        "hole center to frame top",
        "until the kit sheet is read",
        spread=10.0,
        spread_source="bracket patterns",
    )
    row_offset_mm = Default(
        60.0,
        "mm",
        0.0,
        1000.0,
        "frame height less the distance between hole rows",
        "drop at both rails",
        spread=15.0,
        spread_source="bracket patterns",
    )
    side_play_mm = Default(
        150.0,
        "mm",
        0.0,
        2000.0,
        "sideways freedom on the brackets, each way",
        "the rail slides on hooking brackets",
        spread=60.0,
        spread_source="bracket patterns",
    )
    lift_on_mm = Default(
        15.0,
        "mm",
        0.0,
        500.0,
        "clearance to lift the frame on",
        "hooking brackets need 10 to 20",
        spread=4.0,
        spread_source="bracket patterns",
    )
    bracket_share = Default(
        2 / 3,
        "share",
        0.2,
        0.95,
        "bracket spacing as a share of frame width",
        "two thirds keeps the rail straight",
    )
    bracket_fixed_mm = Default(
        1200.0,
        "mm",
        100.0,
        10000.0,
        "fixed bracket spacing of a kit",
        "stands in until the kit sheet is read",
        spread=200.0,
        spread_source="kits",
    )
    centre_share = Default(
        0.2,
        "share",
        0.0,
        0.5,
        "frame's center clear of each bracket, share of width",
        "so that it hangs steady",
    )
    rail_inset_mm = Default(
        60.0, "mm", 0.0, 500.0, "bracket plate clear of the frame's end", "corner joints are in the way"
    )
    stud_edge_mm = Default(
        10.0, "mm", 0.0, 40.0, "screw center to the stud's edge, least", "a screw nearer the edge splits it"
    )
    hole_level_mm = Default(
        1.0, "mm", 0.1, 5.0, "left and right holes level within", "or 0.5 mm per meter, whichever is less"
    )
