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
        spread=100.0,
        spread_source="drawn where the crew finds room for it",
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
    sensor_mm = Default(
        3.5, "mm", 0.5, 20.0, "spread of a stud sensor's readings", "edges and centers on drywall"
    )
    sensor_wild = Default(
        0.2, "share", 0.01, 0.6, "sensor readings that are no stud", "pipes, cables, doubled studs"
    )
    magnet_mm = Default(
        4.5, "mm", 0.5, 20.0, "spread of a magnet's readings", "board screws stand beside a stud's center"
    )
    magnet_wild = Default(
        0.05, "share", 0.005, 0.6, "magnet readings that are no stud", "stray screws, corner bead"
    )
    stud_missed = Default(
        0.04, "share", 0.005, 0.5, "studs where a search finds nothing", "a magnet swept up and down the stud"
    )
    stud_empty = Default(
        0.96,
        "share",
        0.5,
        1.0,
        "searches between studs that find nothing",
        "what is there but no stud is the rest",
    )
    stud_strays_mm = Default(
        6.0, "mm", 0.0, 40.0, "studs off their own spacing", "boards bow, and are nailed beside their marks"
    )
    stud_place_mm = Default(
        12.0, "mm", 2.0, 40.0, "two stud readings of one place, within", "half of a stud's face"
    )
    gap_place_mm = Default(
        20.0, "mm", 2.0, 100.0, "two gap readings of one place, within", "a foot of a straightedge"
    )
    gap_agrees_mm = Default(2.0, "mm", 0.2, 20.0, "two gaps of one place alike within", "a rule read by hand")
    joint_clear_mm = Default(
        15.0, "mm", 0.0, 60.0, "hole from the middle of a mortar joint", "a plug in a joint pulls out"
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
