"""Where the frame may be."""

from gantline.core.defaults.default import Default


class HeightDefaults:
    """Where the frame may be."""

    ceiling_gap_mm = Default(
        150.0, "mm", 0.0, 3000.0, "gap from ceiling to frame", "room for hands; 300 is comfortable"
    )
    lowest_edge_mm = Default(
        450.0,
        "mm",
        0.0,
        10000.0,
        "lowest allowed bottom edge of the frame",
        "a low cabinet and a hand's width",
    )
    eye_share = Default(
        1 / 3, "share", 0.0, 1.0, "eye line's place in the picture, from its bottom", "one third up"
    )
    along_wall_mm = Default(
        300.0,
        "mm",
        0.0,
        2000.0,
        "furniture along the wall, its back at most so far out",
        "what the eye takes with the screen",
    )
    off_middle_mm = Default(
        10.0, "mm", 1.0, 500.0, "furniture off the screen's center, seen from", "a finger's breadth"
    )
    beside_share = Default(
        0.2,
        "share",
        0.0,
        0.5,
        "furniture so far off center stands beside the screen on purpose",
        "a fifth of its own width",
    )
    furniture_gap_mm = Default(
        50.0, "mm", 0.0, 1000.0, "gap above furniture under the screen", "a hand's breadth"
    )
    skirting_mm = Default(
        100.0,
        "mm",
        0.0,
        1000.0,
        "height of the baseboard",
        "usual board",
        spread=25.0,
        spread_source="old and new boards",
    )
    near_wall_mm = Default(
        400.0,
        "mm",
        100.0,
        1500.0,
        "what stands within this of the wall bounds the frame",
        "farther out it is not under it",
    )
