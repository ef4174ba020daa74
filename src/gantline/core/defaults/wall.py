"""Brackets and holes."""

from gantline.core.defaults.default import Default


class WallDefaults:
    """Brackets and holes."""

    drop_mm = Default(
        30.0,
        "mm",
        0.0,
        500.0,
        "hole center to frame top",
        "until the kit sheet is read",
        spread=10.0,
        spread_source="bracket patterns",
    )
    row_offset_mm = Default(
        60.0,
        "mm",
        0.0,
        1000.0,
        "frame height less the distance between hole rows",
        "drop at both rails",
        spread=15.0,
        spread_source="bracket patterns",
    )
    side_play_mm = Default(
        150.0,
        "mm",
        0.0,
        2000.0,
        "sideways freedom on the brackets, each way",
        "the rail slides on hooking brackets",
        spread=60.0,
        spread_source="bracket patterns",
    )
    lift_on_mm = Default(
        15.0,
        "mm",
        0.0,
        500.0,
        "clearance to lift the frame on",
        "hooking brackets need 10 to 20",
        spread=4.0,
        spread_source="bracket patterns",
    )
    bracket_share = Default(
        2 / 3,
        "share",
        0.2,
        0.95,
        "bracket spacing as a share of frame width",
        "two thirds keeps the rail straight",
    )
    bracket_fixed_mm = Default(
        1200.0,
        "mm",
        100.0,
        10000.0,
        "fixed bracket spacing of a kit",
        "stands in until the kit sheet is read",
        spread=200.0,
        spread_source="kits",
    )
    centre_share = Default(
        0.2,
        "share",
        0.0,
        0.5,
        "frame's center clear of each bracket, share of width",
        "so that it hangs steady",
    )
    rail_inset_mm = Default(
        60.0, "mm", 0.0, 500.0, "bracket plate clear of the frame's end", "corner joints are in the way"
    )
    screws_apart_mm = Default(
        50.0,
        "mm",
        10.0,
        400.0,
        "screws of one bracket apart",
        "a plate's two holes",
        spread=12.0,
        spread_source="holes of a plate stand 25 to 75 mm apart",
    )
    proud_mm = Default(
        10.0, "mm", 0.0, 60.0, "screw heads out of the wall, where a bracket drops over them", "8 to 12 mm"
    )
    stud_edge_mm = Default(
        10.0, "mm", 0.0, 40.0, "screw center to the stud's edge, least", "a screw nearer the edge splits it"
    )
    hole_level_mm = Default(
        1.0, "mm", 0.1, 5.0, "left and right holes level within", "or 0.5 mm per meter, whichever is less"
    )
    refused_clear_mm = Default(
        25.0, "mm", 5.0, 200.0, "hole from what a drill met", "a pipe is as wide as that, and its clips"
    )
    drilled_within_mm = Default(
        2.0, "mm", 0.5, 20.0, "drilled hole at its mark within", "a bit wanders that much"
    )
    slip_within_mm = Default(
        4.0, "mm", 1.0, 20.0, "a slip explains a hole within", "marking and drilling on top"
    )
    center_mm = Default(3.0, "mm", 0.5, 20.0, "frame off its center, most", "seen against a wall's end")
    cleat_beyond_mm = Default(
        50.0, "mm", 10.0, 300.0, "cleat past its outer studs", "the end splits nearer to a screw"
    )
    anchors_a_bracket = Default(
        4.0, "", 1.0, 8.0, "anchors at a bracket, most", "the plate has no more holes"
    )
    lean_mm = Default(
        2.0, "mm", 0.5, 20.0, "lean of the screen over its height, most", "plumb line beside the frame"
    )
    wind_mm = Default(
        3.0,
        "mm",
        0.5,
        20.0,
        "wind of the screen's four corners, most",
        "crossing diagonals; more ripples the fabric",
    )
    wind_cabinet_mm = Default(
        1.0, "mm", 0.2, 10.0, "the same under a cabinet-top projector", "its light arrives at a low angle"
    )
    load_factor = Default(
        4.0, "", 1.0, 10.0, "factor on the weight of the screen", "handling, tension shocks, ageing"
    )
    board_limit_kg = Default(
        15.0, "kg", 1.0, 60.0, "heaviest screen on anchors in board", "above it studs, a cleat or a backer"
    )
    screw_4_shear_n = Default(
        350.0, "N", 10.0, 5000.0, "shear on a 4.2 mm wood screw in softwood", "cautious; the packet rules"
    )
    screw_4_pull_n = Default(
        350.0, "N", 10.0, 5000.0, "pull-out of a 4.2 mm wood screw in softwood", "cautious; the packet rules"
    )
    screw_5_shear_n = Default(
        350.0,
        "N",
        10.0,
        5000.0,
        "shear on a 5 mm (#10) wood screw in softwood",
        "as the next thinner one that is known",
    )
    screw_5_pull_n = Default(
        350.0,
        "N",
        10.0,
        5000.0,
        "pull-out of a 5 mm (#10) wood screw in softwood",
        "as the next thinner one that is known",
    )
    backer_shear_n = Default(
        300.0,
        "N",
        10.0,
        5000.0,
        "shear on a wood screw in a plywood backer",
        "cautious, for plywood of half a stud’s depth",
    )
    backer_pull_n = Default(
        200.0,
        "N",
        10.0,
        5000.0,
        "pull-out of a wood screw in a plywood backer",
        "cautious, for plywood of half a stud’s depth",
    )
    backer_mm = Default(
        18.0,
        "mm",
        9.0,
        60.0,
        "backer board over the studs",
        "plywood, screwed to every stud",
        spread=2.0,
        spread_source="boards",
    )
    ledger_board_mm = Default(
        38.0,
        "mm",
        12.0,
        100.0,
        "board a ledger frame is built of",
        "a two-by on the wall",
        spread=4.0,
        spread_source="boards",
    )
    screw_6_shear_n = Default(
        700.0, "N", 10.0, 5000.0, "shear on a 6 mm wood screw in softwood", "cautious; the packet rules"
    )
    screw_6_pull_n = Default(
        600.0, "N", 10.0, 5000.0, "pull-out of a 6 mm wood screw in softwood", "cautious; the packet rules"
    )
    plug_board_shear_n = Default(
        70.0, "N", 10.0, 5000.0, "shear on a plastic plug in 12.5 mm board", "cautious; the packet rules"
    )
    plug_board_pull_n = Default(
        40.0, "N", 10.0, 5000.0, "pull-out of a plastic plug in 12.5 mm board", "cautious; the packet rules"
    )
    metal_board_shear_n = Default(
        130.0,
        "N",
        10.0,
        5000.0,
        "shear on a self-drilling metal anchor in board",
        "cautious; the packet rules",
    )
    metal_board_pull_n = Default(
        80.0,
        "N",
        10.0,
        5000.0,
        "pull-out of a self-drilling metal anchor in board",
        "cautious; the packet rules",
    )
    toggle_shear_n = Default(
        250.0, "N", 10.0, 5000.0, "shear on a spring toggle in board", "cautious; the packet rules"
    )
    toggle_pull_n = Default(
        200.0, "N", 10.0, 5000.0, "pull-out of a spring toggle in board", "cautious; the packet rules"
    )
    plug_brick_shear_n = Default(
        400.0, "N", 10.0, 5000.0, "shear on a 8 mm plug in brick", "cautious; the packet rules"
    )
    plug_brick_pull_n = Default(
        300.0, "N", 10.0, 5000.0, "pull-out of a 8 mm plug in brick", "cautious; the packet rules"
    )
    plug_block_shear_n = Default(
        150.0, "N", 10.0, 5000.0, "shear on a 8 mm plug in aerated block", "cautious; the packet rules"
    )
    plug_block_pull_n = Default(
        100.0, "N", 10.0, 5000.0, "pull-out of a 8 mm plug in aerated block", "cautious; the packet rules"
    )
    cover_mm = Default(
        12.5,
        "mm",
        0.0,
        100.0,
        "drywall or plaster over what holds",
        "one layer of board",
        spread=3.0,
        spread_source="one or two layers",
    )
    plate_mm = Default(3.0, "mm", 0.0, 50.0, "bracket plate", "pressed steel")
    pencil_mm = Default(15.0, "mm", 0.0, 100.0, "pencil mark from a bracket's plate", "it stays readable")
    under_ceiling_mm = Default(
        10.0, "mm", 0.0, 200.0, "hole under the ceiling, least", "nothing holds nearer"
    )
    plate_height_mm = Default(60.0, "mm", 10.0, 500.0, "height of a bracket's plate", "it hides pencil marks")
    cleat_board_mm = Default(
        18.0,
        "mm",
        6.0,
        60.0,
        "board a cleat is cut from",
        "three quarters of an inch",
        spread=2.0,
        spread_source="boards",
    )
    cleat_point_mm = Default(
        62.0,
        "mm",
        0.0,
        500.0,
        "frame piece's long point to frame top",
        "under the top board's fabric",
        spread=10.0,
        spread_source="cleats of the shop",
    )
    cleat_screw_mm = Default(
        35.0, "mm", 5.0, 300.0, "wall piece's front edge to its screws", "the middle of the board"
    )
    ledger_screw_mm = Default(
        400.0,
        "mm",
        100.0,
        1000.0,
        "screws from a ledger into the frame, at most apart",
        "the rails lie flat on it",
    )
    cleat_block_mm = Default(
        250.0, "mm", 50.0, 2000.0, "each of two blocks of a frame's cleat", "two screws each in the rail"
    )
    standoff_turn_mm = Default(
        1.25,
        "mm",
        0.2,
        5.0,
        "what one turn of an adjustable standoff moves",
        "an 8 mm thread",
        spread=0.25,
        spread_source="threads of 6 to 10 mm",
    )
    cleat_lift_mm = Default(5.0, "mm", 0.0, 50.0, "lift over a cleat beyond its board", "so that it clears")
    catch_lift_mm = Default(20.0, "mm", 0.0, 200.0, "lift for a bottom catch", "until the top snaps in")
    wire_lift_mm = Default(30.0, "mm", 0.0, 200.0, "lift for a wire", "to bring it over its hooks")
    rod_mm = Default(
        150.0,
        "mm",
        20.0,
        2000.0,
        "hanging rod, hook to eye",
        "middle of its thread",
        spread=30.0,
        spread_source="rods",
    )
    rod_play_mm = Default(10.0, "mm", 0.0, 200.0, "side play on hanging rods, each way", "they hang plumb")
    compress_mm = Default(
        25.0, "mm", 0.0, 100.0, "bottom mounts pressed in, each alike", "spring-loaded catches"
    )
    slot_trim_mm = Default(
        5.0, "mm", 0.0, 50.0, "height trim in a bracket's slot, each way", "slots are 10 mm"
    )
    rod_trim_mm = Default(
        20.0, "mm", 0.0, 100.0, "height trim of a turnbuckle, each way", "clockwise shortens"
    )
    third_size_mm = Default(
        3810.0,
        "mm",
        1000.0,
        10000.0,
        "diagonal above which a third hang part is wanted",
        "as leaflets have it",
    )
    third_mass_kg = Default(
        25.0, "kg", 5.0, 200.0, "mass above which a third hang part is wanted", "as leaflets have it"
    )
    fourth_size_mm = Default(
        4572.0, "mm", 1000.0, 12000.0, "diagonal above which a fourth is wanted", "as leaflets have it"
    )
    fourth_mass_kg = Default(
        45.0, "kg", 5.0, 300.0, "mass above which a fourth is wanted", "as leaflets have it"
    )
    wire_limit_kg = Default(10.0, "kg", 1.0, 40.0, "heaviest screen on a wire", "it tilts, and it stretches")
    hang_within_mm = Default(1.0, "mm", 0.2, 10.0, "leaflet and plan agree within", "a tape's mark")
    anchor_depth_mm = Default(
        12.5, "mm", 5.0, 200.0, "depth of a fixing nobody described", "one layer of board"
    )
    anchor_drill_mm = Default(8.0, "mm", 0.0, 40.0, "drill of a fixing nobody described", "a plug's")
    anchor_shear_n = Default(
        70.0, "N", 10.0, 20000.0, "shear on a fixing nobody described", "as a plastic plug in board"
    )
    anchor_pull_n = Default(
        40.0, "N", 10.0, 20000.0, "pull-out of a fixing nobody described", "as a plastic plug in board"
    )
