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
