"""Hanging level and plumb, and aligning the picture."""

from gantline.core.defaults.default import Default

HANDS = "what a hand can set"


class AlignDefaults:
    """Reading corners, and what a hand can set."""

    corner_sigma_mm = Default(
        1.0, "mm", 0.2, 20.0, "spread of a corner reading", "a tape or a border to count by"
    )
    cast_sigma_mm = Default(
        1.0, "mm", 0.2, 10.0, "spread of a tape reading at the cast cross", "two tapes, a level"
    )
    cast_belly_mm = Default(
        3.0, "mm", 0.5, 50.0, "belly of the wall above which cast marks are off", "light arrives at an angle"
    )
    cast_worst_mm = Default(
        1.5, "mm", 0.3, 10.0, "spread of a cast mark above which a tape is better", "a drill's own"
    )
    corner_alarm = Default(
        9.21, "", 4.0, 50.0, "misfit of the corners that is no chance", "1 in 100, two to spare"
    )
    cast_misfit = Default(
        1.45,
        "",
        1.0,
        5.0,
        "misfit of four cast readings, most",
        "in spreads of a reading; above it one of them slipped",
    )
    turn_sigma_deg = Default(
        2.0, "°", 0.2, 20.0, "how far a body is turned before it is aligned", "set by eye"
    )
    zoom_sigma = Default(0.05, "share", 0.005, 0.5, "how far off a zoom stands", "set by eye")
    shift_sigma = Default(0.05, "share", 0.005, 0.5, "how far off a shift stands", "set by eye")
    place_sigma_mm = Default(20.0, "mm", 1.0, 300.0, "how far off a body stands", "set by eye")
    weak_turn_deg = Default(
        0.2,
        "°",
        0.02,
        5.0,
        "spread of a turn above which shift cannot be told from it",
        "half, then read again",
    )
    corner_within_mm = Default(
        3.0, "mm", 0.5, 30.0, "corners at their place within", "where there is no overspill"
    )
    push_mm = Default(0.5, "mm", 0.1, 10.0, "smallest push of a body", HANDS)
    foot_step = Default(0.25, "turn", 0.05, 1.0, "smallest turn of a foot", HANDS)
    zoom_step = Default(0.001, "share", 0.0005, 0.05, "smallest step of a zoom", HANDS)
    shift_step = Default(0.001, "share", 0.0005, 0.05, "smallest step of a shift", HANDS)
    hang_level_mm_m = Default(
        0.5, "mm/m", 0.1, 5.0, "top rail off level, most", "seen against a ceiling line"
    )
    hang_plumb_mm = Default(2.0, "mm", 0.5, 20.0, "top against bottom, most", "plumb line beside the frame")
    border_even_mm = Default(5.0, "mm", 0.5, 30.0, "fabric margins alike within", "seen from the front row")
    turnbuckle_mm = Default(1.5, "mm", 0.3, 6.0, "a turn of a turnbuckle", "both threads together")
    luminance_within = Default(
        0.15, "share", 0.02, 0.5, "measured luminance at its plan within", "a meter, on the axis"
    )
    spot_inset = Default(
        0.05, "share", 0.0, 0.3, "corner spot in from each edge", "a meter's spot lies wholly on the fabric"
    )
    f_number = Default(2.0, "", 1.0, 8.0, "f-number of the lens", "a home projector's lens, wide open")
    panel_mm = Default(12.0, "mm", 5.0, 40.0, "width of the panel", "a chip of half an inch across")
    corner_light = Default(
        0.7, "share", 0.2, 1.0, "corners of the center's luminance, least", "a meter, on the axis"
    )
