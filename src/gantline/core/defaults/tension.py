"""Points and order."""

from gantline.core.defaults.default import Default


class TensionDefaults:
    """Points and order."""

    corner_inset_mm = Default(
        50.0, "mm", 5.0, 400.0, "first tension point from the corner", "hands and corner joint"
    )
    corner_stop_mm = Default(
        150.0,
        "mm",
        0.0,
        500.0,
        "stop this short of a corner before it is pulled",
        "the corner takes the last slack",
    )
    first_pass_mm = Default(
        200.0, "mm", 80.0, 400.0, "spacing of the first pass of staples", "150 to 250 holds the sheet true"
    )
    spacing_staple_mm = Default(
        35.0, "mm", 15.0, 60.0, "final spacing of staples", "25 to 40 carries the pull"
    )
    spacing_tack_mm = Default(
        60.0, "mm", 20.0, 150.0, "spacing of tacks", "40 to 80 on a knit: the cloth gives between them"
    )
    pull_spread_share = Default(
        0.3,
        "share",
        0.05,
        1.0,
        "how far a pull read on the way may be off",
        "a rule on cloth reads to a third of it",
    )
    pull_part_way_share = Default(
        0.6, "share", 0.1, 1.0, "of the pull that the first points hold", "the points between take the rest"
    )
    partner_within = Default(
        3.0, "steps", 1.0, 50.0, "the point straight across follows within", "the sheet lies still so long"
    )
    line_tack_n_m = Default(40.0, "N/m", 5.0, 400.0, "line tension of a knit on tacks", "spring balance")
    spacing_spring_mm = Default(
        120.0, "mm", 40.0, 300.0, "spacing of springs", "80 to 150, closer shows no waves"
    )
    spacing_lug_mm = Default(200.0, "mm", 80.0, 400.0, "spacing of lugs or clips", "150 to 250 on a hem rod")
    spacing_snap_mm = Default(125.0, "mm", 40.0, 300.0, "spacing of snaps", "100 to 150 on a strip")
    spacing_lace_mm = Default(
        175.0, "mm", 60.0, 300.0, "spacing of lacing points", "150 to 200 between eyelets"
    )
    spacing_pin_mm = Default(200.0, "mm", 80.0, 400.0, "spacing of pull pins", "150 to 300 by screw travel")
    line_hand_n_m = Default(60.0, "N/m", 5.0, 400.0, "line tension of cloth pulled by hand", "spring balance")
    line_spring_n_m = Default(
        130.0, "N/m", 5.0, 400.0, "line tension of film on springs", "spring rate and extension"
    )
    line_snap_n_m = Default(
        120.0, "N/m", 5.0, 400.0, "line tension of snapped or lugged fabric", "fixed stretch"
    )
    line_lace_n_m = Default(
        100.0, "N/m", 5.0, 400.0, "line tension of laced fabric", "ties tightened by hand"
    )
    poisson = Default(
        0.3,
        "",
        0.0,
        0.5,
        "how much cloth shrinks across when it is pulled along",
        "usual of films and weaves",
    )
    film_n_m = Default(12_000.0, "N/m", 2_000.0, 100_000.0, "stretch stiffness of film", "PVC film of 0.3 mm")
    blackout_along_n_m = Default(
        30_000.0,
        "N/m",
        2_000.0,
        200_000.0,
        "stretch stiffness of blackout cloth along the roll",
        "pulled strip",
    )
    blackout_across_n_m = Default(
        20_000.0, "N/m", 2_000.0, 200_000.0, "the same across the roll", "pulled strip"
    )
    coated_n_m = Default(
        60_000.0, "N/m", 5_000.0, 500_000.0, "stretch stiffness of a coated weave", "pulled strip"
    )
    knit_n_m = Default(200.0, "N/m", 50.0, 5_000.0, "stretch stiffness of a knit", "pulled strip")
    line_knit_n_m = Default(15.0, "N/m", 2.0, 100.0, "line tension of a knit", "stretched until it is flat")
    spring_n_mm = Default(1.2, "N/mm", 0.1, 20.0, "rate of a hook spring", "weights hung on one")
    spring_useful_mm = Default(
        35.0, "mm", 5.0, 200.0, "stretch past which a spring stays long", "half its own length"
    )
    joint_kn_m = Default(
        4.5,
        "kN·m",
        0.1,
        100.0,
        "moment that one corner of the frame takes a radian",
        "two screws and glue or a corner piece",
    )
    even_share = Default(
        0.8, "", 0.1, 1.0, "evenness that is good enough", "below it waves come with the first damp day"
    )
