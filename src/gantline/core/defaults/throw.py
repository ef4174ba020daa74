"""Projector body, mount, cable."""

from gantline.core.defaults.default import Default


class ThrowDefaults:
    """Projector body, mount, cable."""

    offset_seen = Default(
        0.002,
        "share",
        0.0,
        0.05,
        "a fixed offset differs from its data sheet",
        "less than a tape shows on a picture",
    )
    offset_odd = Default(
        0.05,
        "share",
        0.005,
        0.5,
        "a fixed offset is rather a slip of the tape",
        "makers hold it within a few percent",
    )
    ratio_seen = Default(
        0.003,
        "share",
        0.0005,
        0.05,
        "a throw ratio differs from its sheet",
        "less than a tape shows on a picture",
    )
    ratio_odd = Default(
        0.08,
        "share",
        0.01,
        0.5,
        "a throw ratio is rather a slip of the tape",
        "makers hold it within a few percent",
    )
    headroom_mm = Default(
        2000.0, "mm", 1500.0, 3000.0, "room to walk under a hung body", "a tall person and a hand's breadth"
    )
    throw_margin = Default(
        0.03, "share", 0.0, 0.2, "zoom range left unused at each end", "lens data are good to a few per cent"
    )
    body_width_mm = Default(
        400.0,
        "mm",
        50.0,
        2000.0,
        "projector's width",
        "until the record says more",
        spread=60.0,
        spread_source="home and hall bodies",
    )
    body_height_mm = Default(
        150.0,
        "mm",
        20.0,
        1000.0,
        "projector's height",
        "until the record says more",
        spread=25.0,
        spread_source="home and hall bodies",
    )
    body_depth_mm = Default(
        350.0,
        "mm",
        50.0,
        2000.0,
        "projector's depth",
        "until the record says more",
        spread=70.0,
        spread_source="home and hall bodies",
    )
    lens_to_wall_face_mm = Default(
        30.0,
        "mm",
        -200.0,
        1000.0,
        "lens to the face that looks at the wall",
        "pupil inside the body",
        spread=20.0,
        spread_source="home and hall bodies",
    )
    cabinet_lens_to_face_mm = Default(
        240.0,
        "mm",
        0.0,
        1000.0,
        "lens to the face that looks at the wall, of a body on a cabinet",
        "such a lens sits near the front edge and looks back over the body",
        spread=50.0,
        spread_source="cabinet-top bodies",
    )
    plate_to_axis_mm = Default(
        120.0,
        "mm",
        20.0,
        600.0,
        "mount plate and adapter to the lens axis",
        "usual rated mounts",
        spread=25.0,
        spread_source="mounts and adapters",
    )
    vent_mm = Default(
        100.0,
        "mm",
        0.0,
        1000.0,
        "free space round the vents",
        "warm air must get away",
        spread=30.0,
        spread_source="leaflets",
    )
    cable_slack_mm = Default(1000.0, "mm", 0.0, 5000.0, "cable to spare", "a service loop at the mount")
    joist_half_mm = Default(
        15.0, "mm", 0.0, 60.0, "mount plate off a joist's center, at most", "screws stay in the wood"
    )
    zoom_spill_mm = Default(3.0, "mm", 0.0, 50.0, "spilled light that needs no mask", "inside any border")
    place_tolerance_mm = Default(
        1.0, "mm", 0.1, 10.0, "how exactly a lens is placed", "a body is seldom set finer by hand"
    )
    cabinet_ratio = Default(
        0.4,
        "",
        0.1,
        1.0,
        "throw ratio under which a lens without shift stands on a cabinet",
        "such lenses stand under the screen",
    )
    overhead_mm = Default(
        1800.0, "mm", 1500.0, 3000.0, "lens height that counts as overhead", "above a standing head"
    )
