"""Size, border and content shapes."""

from gantline.core.defaults.default import Default


class SizeDefaults:
    """Size, border and content shapes."""

    out_of_square_mm = Default(
        5.0,
        "mm",
        0.5,
        50.0,
        "picture on the wall out of square, at most",
        "a tape held by two people reads to 2 mm",
    )

    tidy_span_share = Default(
        0.02,
        "share",
        0.0,
        0.1,
        "how far a rounded height may lie from the exact one",
        "still the size that was asked for",
    )
    tidy_ratio_error = Default(
        0.001, "share", 0.0, 0.01, "largest aspect error of a rounded size", "under 3 mm on most screens"
    )
    overspill_mm = Default(0.0, "mm", 0.0, 50.0, "overspill at the sides", "none unless it is set")
    mask_lap_mm = Default(12.0, "mm", 0.0, 100.0, "lap of a removable mask panel", "hides its edge")
    two_people_width_mm = Default(
        2200.0, "mm", 500.0, 5000.0, "overall width above which two people lift", "beyond one person's reach"
    )
    hand_beside_mm = Default(
        150.0, "mm", 0.0, 1000.0, "room for a hand at either end of the frame", "a fist and what it holds"
    )
    rounding_shown_mm = Default(
        0.5, "mm", 0.0, 2.0, "rounding to the tape is spelled out above this", "half a pencil line"
    )
