"""Seats, and what is comfortable in them."""

from gantline.core.defaults.default import Default


class SeatsDefaults:
    """Seats, and what is comfortable in them."""

    eye_mm = Default(
        1100.0,
        "mm",
        300.0,
        3000.0,
        "seated eye above the floor",
        "seated on a sofa",
        spread=60.0,
        spread_source="low and high seats",
    )
    head_clear_mm = Default(
        115.0, "mm", 0.0, 400.0, "clearance over the eye in front", "from eye to the top of the head"
    )
    edge_lost_share = Default(
        0.0,
        "share",
        0.0,
        0.5,
        "share of the picture's lower edge that a seat may lose",
        "none: heads stay out of the picture",
    )
    neck_top_deg = Default(
        35.0, "deg", 5.0, 60.0, "top of the picture above the eye line, at most", "comfort of the neck"
    )
    neck_felt_mm = Default(
        10.0, "mm", 0.0, 200.0, "a lower screen is felt in the neck from", "less nobody notices"
    )
    neck_centre_deg = Default(
        15.0, "deg", 0.0, 45.0, "center of the picture above the eye line, at most", "guidance only"
    )
    angle_small_deg = Default(
        25.0, "deg", 1.0, 60.0, "viewing angle below which a picture looks small", "guidance"
    )
    angle_far_deg = Default(30.0, "deg", 5.0, 90.0, "viewing angle in the farthest row, at least", "guidance")
    angle_main_low_deg = Default(
        36.0, "deg", 5.0, 90.0, "viewing angle in the main row, at least", "guidance"
    )
    angle_main_high_deg = Default(
        45.0, "deg", 5.0, 120.0, "viewing angle in the main row, at most", "guidance"
    )
    angle_near_deg = Default(60.0, "deg", 5.0, 150.0, "viewing angle in the nearest row, at most", "guidance")
