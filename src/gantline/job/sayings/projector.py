"""The projector: lens, body, place, zone and cable."""

from collections.abc import Mapping

SAYS: Mapping[str, str] = {
    "projector": "Its name, as the leaflet has it. Take it from the stores, and its numbers come with it.",
    "panel_aspect": "The shape of the picture it makes before anything is cropped: 16:9 for most.",
    "shift_down": "How far the lens moves the picture down, as a share of its height. Often the same as up.",
    "shift_side": (
        "How far the lens moves the picture to either side, as a share of its width. Up and sideways "
        "are rarely both full."
    ),
    "reach": (
        "Whether up and sideways can both be full at once, or share one path, as an ellipse or a "
        "diamond. A leaflet draws it."
    ),
    "distance_offset": (
        "How far ahead of the lens's own center the leaflet measures from: the front glass, or a "
        "mark on the body."
    ),
    "yaw_deg": (
        "How far the body is turned to the right, seen from behind it. Best none: a turned body "
        "makes one side edge taller."
    ),
    "pitch_deg": "How far the nose is tilted up. Best none: the top and bottom edges then differ in length.",
    "roll_deg": "How far its right side is up. Feet or the mount set it level.",
    "mount": "What carries it: a pole from the ceiling, a shelf, a table, a cabinet.",
    "stand_right_high": (
        "How much higher the cabinet's right end is than its left, read with a level. Shims go under "
        "the other foot."
    ),
    "stand_front_high": "How much higher the cabinet's front edge is than its back, read with a level.",
    "body_width": "Of the whole body, from side to side, without its cables.",
    "body_height": "Of the whole body, from its feet to its top.",
    "body_depth": "Of the whole body, from its lens side to its back, without plugs.",
    "body_lens_from_left": "From the body's left side, seen from behind it, to the middle of the lens.",
    "body_lens_above_base": "From what the body stands on to the middle of the lens.",
    "body_lens_to_wall_face": (
        "From the side of the body that faces the wall back to the lens. Nothing where the lens is in front."
    ),
    "plate_right": (
        "How far the ceiling plate's middle is to the right of the lens. A leaflet's mounting drawing has it."
    ),
    "plate_roomward": "How far the ceiling plate's middle is behind the lens, into the room.",
    "plate_to_axis": "From the underside of the plate down to the middle of the lens, without the pole.",
    "body_vent_side": "Free room the leaflet wants at each side, so that it does not overheat.",
    "body_vent_rear": "Free room the leaflet wants behind it; plugs and cables need some as well.",
    "body_vent_top": "Free room the leaflet wants above it.",
    "foot_spacing": (
        "From one foot to the other, sideways. A turn of a foot tips the body by its height over this."
    ),
    "foot_turn": "How much higher one whole turn of a foot lifts its corner.",
    "foot_range": "How far a foot can be turned out at all.",
    "body_mass": "From the leaflet. The pole, its plate and the shelf carry it.",
    "zone_x_low": "Where the place that is free for the projector begins, from the left wall end.",
    "zone_x_high": "Where the place that is free for the projector ends, from the left wall end.",
    "zone_y_low": "How high that place begins, from the floor.",
    "zone_y_high": "How high that place ends, from the floor.",
    "zone_z_low": "How far from the bare wall that place begins.",
    "zone_z_high": "How far from the bare wall that place ends.",
    "cable_x": "Where the player stands, from the left wall end: the cable is counted from there.",
    "cable_y": "Where the player stands, above the floor.",
    "cable_z": "Where the player stands, from the bare wall.",
}
