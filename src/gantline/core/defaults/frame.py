"""Frame and fabric blank."""

from gantline.core.defaults.default import Default


class FrameDefaults:
    """Frame and fabric blank."""

    frame_depth_mm = Default(
        38.0,
        "mm",
        5.0,
        200.0,
        "frame depth, wall side to fabric",
        "board on edge or common profile",
        spread=8.0,
        spread_source="board on the flat or on edge",
    )
    standoff_mm = Default(
        12.0,
        "mm",
        0.0,
        300.0,
        "frame's back off the wall",
        "usual brackets",
        spread=6.0,
        spread_source="bracket patterns",
    )
    blank_overlap_mm = Default(
        100.0,
        "mm",
        0.0,
        400.0,
        "fabric beyond the frame on each stapled side",
        "edge, return and grip; never under 100",
    )
