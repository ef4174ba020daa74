"""What a crew's steps allow for."""

from gantline.core.defaults.default import Default


class DayDefaults:
    """What a crew's steps allow for."""

    studs_agree_mm = Default(
        8.0, "mm", 1.0, 30.0, "two ways of finding one stud agree within", "half of what a screw has to spare"
    )
    rest_after = Default(
        60.0, "staples", 10.0, 1000.0, "the hand rests after", "fewer waves, and a hand that lasts the day"
    )
    left_past_mm = Default(
        20.0, "mm", 2.0, 200.0, "cloth left past staples or tacks", "enough to pull by once more"
    )
    rod_length_play_mm = Default(
        5.0, "mm", 1.0, 50.0, "a rod's length may be off by", "its overlap in the hem takes it up"
    )
    sag_hook_play_mm = Default(
        20.0,
        "mm",
        1.0,
        200.0,
        "a hook against sag may be off by",
        "a rail sags the same a thumb's width aside",
    )
    mark_play_mm = Default(
        1.0, "mm", 0.5, 10.0, "a mark on the wall or the frame may be off by", "the width of a pencil line"
    )
    cut_play_mm = Default(
        1.0, "mm", 0.2, 10.0, "a piece that is cut may be off by", "a joint that closes under a clamp"
    )
    standoff_play_mm = Default(
        1.0,
        "mm",
        0.2,
        10.0,
        "a standoff, a pad or a screw's head may be off by",
        "what a level shows at the top",
    )
    border_play_mm = Default(
        1.0, "mm", 0.2, 10.0, "the border's width may be off by", "an eye sees more of it beside a lit edge"
    )
    strip_play_mm = Default(
        5.0, "mm", 1.0, 100.0, "a light strip's cut may be off by", "strips are cut at marks that stand apart"
    )
    overlap_play_mm = Default(
        10.0, "mm", 1.0, 100.0, "the cloth past the frame may be off by", "what is left is cut off in the end"
    )
    point_play_mm = Default(
        10.0, "mm", 1.0, 100.0, "a point may be off along its side by", "the cloth does not show it"
    )
