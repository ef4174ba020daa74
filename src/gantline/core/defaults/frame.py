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
    longest_board_mm = Default(
        3600.0, "mm", 1000.0, 12_000.0, "longest board that can be bought or carried", "usual van and yard"
    )
    staple_leg_mm = Default(10.0, "mm", 4.0, 40.0, "length of a staple's leg", "usual for cloth on softwood")
    kerf_mm = Default(3.0, "mm", 0.0, 10.0, "what a saw cut takes", "circular saw blade")
    end_trim_mm = Default(10.0, "mm", 0.0, 100.0, "cut off each end of a board", "split and dirty ends")
    hollow_mm = Default(
        5.0,
        "mm",
        1.0,
        50.0,
        "bow of a frame out of its plane, most",
        "brackets and wall take a few millimeters out of it",
    )
    spacer_wide_mm = Default(
        20.0,
        "mm",
        5.0,
        100.0,
        "width of the strips round a frame's back",
        "a brad goes through without splitting",
    )
    brad_every_mm = Default(
        200.0, "mm", 50.0, 1000.0, "brads in the strips round a frame's back, apart", "a hand's span"
    )
    feed_slack_mm = Default(
        500.0, "mm", 0.0, 5000.0, "wire beyond the way from feed to outlet", "a loop to unhook by"
    )
    fastener_clear_mm = Default(
        3.0,
        "mm",
        0.0,
        20.0,
        "screw or staple shorter than what it goes through by",
        "or it comes out in the fabric",
    )
    sag_allowed_mm = Default(
        1.5,
        "mm",
        0.2,
        10.0,
        "largest bow of a rail or stile under the fabric",
        "shows as an uneven border above it",
    )
    handled_rail_mm = Default(
        2000.0,
        "mm",
        500.0,
        6000.0,
        "rail that needs a brace for handling",
        "longer frames fold when they are lifted",
    )
    brace_washers = Default(
        4.0,
        "",
        0.0,
        20.0,
        "washers a brace takes behind an open fabric",
        "two at each end, so that it stands clear",
    )
    brace_setback_mm = Default(
        10.0, "mm", 0.0, 40.0, "brace behind the plane of open or thin fabric", "shows as a line when nearer"
    )
    splice_clear_mm = Default(
        200.0, "mm", 50.0, 600.0, "splice from the nearest brace", "room for the scab plate"
    )
    scab_mm = Default(600.0, "mm", 200.0, 2000.0, "scab plate behind a splice", "glued and screwed")
    screws_an_end = Default(2.0, "", 1.0, 6.0, "pocket screws in each board end", "with glue")
    screws_a_plate = Default(8.0, "", 2.0, 16.0, "screws in each flat plate", "plates with eight holes")
    plate_wide_mm = Default(16.0, "mm", 8.0, 60.0, "width of a flat plate", "usual corner and T plates")
    plate_leg_mm = Default(75.0, "mm", 20.0, 200.0, "leg of a flat plate", "usual corner and T plates")
    plate_clear_mm = Default(
        3.0, "mm", 0.0, 20.0, "staple from a plate", "a leg that meets steel bends and tears the fabric"
    )
    softwood_e_gpa = Default(9.0, "GPa", 3.0, 20.0, "stiffness of softwood", "along the grain")
    softwood_kg_m3 = Default(500.0, "kg/m³", 250.0, 900.0, "density of softwood", "dry")
    poplar_e_gpa = Default(11.0, "GPa", 3.0, 20.0, "stiffness of poplar", "along the grain")
    poplar_kg_m3 = Default(450.0, "kg/m³", 250.0, 900.0, "density of poplar", "dry")
    plywood_e_gpa = Default(8.0, "GPa", 3.0, 20.0, "stiffness of plywood", "along the face grain")
    plywood_kg_m3 = Default(600.0, "kg/m³", 250.0, 900.0, "density of plywood", "birch and pine")
    aluminum_e_gpa = Default(69.0, "GPa", 60.0, 80.0, "stiffness of aluminum", "usual alloys")
    aluminum_kg_m3 = Default(2700.0, "kg/m³", 2500.0, 2900.0, "density of aluminum", "usual alloys")
    spare_staples = Default(0.15, "", 0.0, 1.0, "staples bought beyond those counted", "some bend")
    spare_points = Default(0.05, "", 0.0, 1.0, "springs, lugs, pins bought beyond those counted", "some fly")
    mask_wrap_mm = Default(
        60.0, "mm", 0.0, 300.0, "velvet round each edge of a mask panel", "edge and return"
    )
    mask_holds = Default(
        2.0, "", 1.0, 12.0, "points that hold a mask panel", "magnets on steel behind the velvet"
    )
    hardware_kg = Default(0.8, "kg", 0.0, 20.0, "plates, screws, staples, tape of a frame", "weighed")
    crook_mm = Default(2.0, "mm", 0.5, 20.0, "largest crook of a board", "sideways bow over its length")
    bow_mm = Default(4.0, "mm", 0.5, 40.0, "largest bow of a board", "over its face")
    twist_mm = Default(4.0, "mm", 0.5, 40.0, "largest twist of a board", "at its end")
    square_mm = Default(3.0, "mm", 0.5, 20.0, "sides and diagonals of a frame alike within", "1/8 in")
    reading_sigma_mm = Default(
        1.0, "mm", 0.1, 5.0, "spread of one tape reading of a frame", "steel tape, two people"
    )
    corner_gap_mm = Default(
        0.5, "mm", 0.1, 5.0, "corner gaps alike within", "a feeler gauge; wider shows as a notch"
    )
    side_spread_mm = Default(
        1.5, "mm", 0.2, 10.0, "spread of a cut side about the plan", "stop block on a miter saw"
    )
    diagonal_spread_mm = Default(
        6.0, "mm", 0.5, 50.0, "spread of the difference of the diagonals before truing", "loose corners"
    )


class BlankDefaults:
    """The fabric blank."""

    blank_overlap_mm = Default(
        100.0,
        "mm",
        0.0,
        400.0,
        "fabric beyond the frame on each stapled side, at least",
        "hands need it; never under 100",
    )
    return_share = Default(
        0.6, "", 0.1, 1.0, "return on the back, share of the board's width", "room for the staples"
    )
    grip_mm = Default(
        40.0, "mm", 0.0, 200.0, "fabric past the return for the hand", "cut off when it is done"
    )
    roll_step_mm = Default(100.0, "mm", 10.0, 1000.0, "step that fabric is sold by", "a tenth of a meter")
    mass_g_m2 = Default(400.0, "g/m²", 20.0, 3000.0, "fabric's mass", "coated cloth")
    velvet_g_m2 = Default(250.0, "g/m²", 20.0, 2000.0, "mass of black velvet", "cotton or polyester pile")
    seat_floor_mm = Default(700.0, "mm", 300.0, 1500.0, "floor a seat takes, each way", "an armchair")
    over_floor_mm = Default(
        100.0, "mm", 0.0, 1000.0, "what is higher leaves the floor free", "the fabric slides below it"
    )
    work_around_mm = Default(
        350.0, "mm", 0.0, 2000.0, "clean floor round the blank", "room to kneel beside it"
    )


class TrimDefaults:
    """Border and backlight."""

    tape_wrap_mm = Default(10.0, "mm", 0.0, 100.0, "border tape round the edge", "hides the fabric's edge")
    tape_allowance_mm = Default(
        50.0, "mm", 0.0, 300.0, "border tape past each piece, to be cut off", "for the miter"
    )
    tape_roll_mm = Default(10_000.0, "mm", 1000.0, 100_000.0, "tape on a roll", "usual roll")
    strip_inset_mm = Default(
        40.0, "mm", 5.0, 300.0, "light strip from the frame's edge", "no dots on the wall"
    )
    strip_pitch_mm = Default(100.0, "mm", 5.0, 1000.0, "light strip's cut pitch", "24 V strip of usual make")
    strip_reel_mm = Default(5000.0, "mm", 500.0, 50_000.0, "light strip on a reel", "usual reel")
    strip_w_m = Default(14.4, "W/m", 1.0, 60.0, "light strip's power", "usual strip of 60 lamps a meter")
    strip_fix_mm = Default(
        175.0, "mm", 50.0, 600.0, "spacing of the light strip's fixing points", "no sag between"
    )
    supply_spare = Default(1.25, "", 1.0, 3.0, "supply over load", "runs cool, lasts")
