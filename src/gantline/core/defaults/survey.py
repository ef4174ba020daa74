"""What a survey finds."""

from gantline.core.defaults.default import Default


class SurveyDefaults:
    """What a survey finds."""

    wall_width_mm = Default(
        4500.0,
        "mm",
        300.0,
        100_000.0,
        "usable width of the wall",
        "stands in until the wall is measured",
        spread=600.0,
        spread_source="walls of rooms that hold a screen run from 3 to 6 m",
    )
    ceiling_mm = Default(
        2440.0,
        "mm",
        1500.0,
        20000.0,
        "ceiling above the floor point",
        "eight-foot room, until it is measured",
        spread=120.0,
        spread_source="rooms from 8 to 9 ft, plus a dropped lid",
    )
    datum_mm = Default(
        1200.0,
        "mm",
        0.0,
        5000.0,
        "datum line above the floor point",
        "about chest height, clear of furniture",
    )
    stud_first_mm = Default(
        406.4,
        "mm",
        0.0,
        2000.0,
        "first stud center from the left wall end",
        "one spacing in, until one is found",
        spread=130.0,
        spread_source="anywhere in one spacing",
    )
    stud_spacing_mm = Default(
        406.4,
        "mm",
        200.0,
        1300.0,
        "stud spacing, center to center",
        "16 in, the commonest framing",
        spread=80.0,
        spread_source="12, 16 and 24 in are all built",
    )
    stud_width_mm = Default(
        38.0,
        "mm",
        20.0,
        150.0,
        "face width of a stud",
        "dressed 2x framing",
        spread=3.0,
        spread_source="dressed and rough lumber",
    )
    room_depth_mm = Default(
        5000.0,
        "mm",
        500.0,
        60000.0,
        "room from the wall to the back",
        "until it is measured",
        spread=900.0,
        spread_source="living rooms and dens",
    )
    no_drill_band_mm = Default(
        150.0,
        "mm",
        0.0,
        1000.0,
        "no drilling beside, above and below a fitting",
        "cable and pipe run straight from it",
    )
