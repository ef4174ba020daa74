"""The fields that are met first, at every station."""

from collections.abc import Mapping

SAYS: Mapping[str, str] = {
    # size
    "aspect": "The picture's width over its height. A leaflet writes 16:9, or 2.39 for the widest films.",
    "lead": "The one number the size is worked out from. Everything else of the size follows from it.",
    "lead_value": (
        "Of the picture alone, without the border. A leaflet calls it the viewable diagonal; measure it "
        "corner to corner."
    ),
    "angle": (
        "How wide the picture looks from the main seat. 36 to 45° is comfortable; more is closer to the "
        "front of a theater."
    ),
    "overspill": (
        "How far the picture is thrown onto the black border on each side, so that its edge is never seen "
        "on the fabric."
    ),
    "tidy_grid": "Width and height are rounded to this step, so that they can be read off a tape.",
    "border_side": (
        "How much of the frame's face shows beside the picture. A leaflet calls it the bezel or the frame "
        "width."
    ),
    # survey
    "wall_width": (
        "From one end of the wall to the other, at the height of the screen. Corners are rarely square: "
        "measure where it hangs."
    ),
    "ceiling": "From the finished floor to the ceiling where it is lowest over the screen.",
    "datum": (
        "One level line along the whole wall, drawn with a laser or a long level. Every height is marked "
        "from it, so that an uneven floor does not matter."
    ),
    "stud_first": (
        "Where any one stud's center is, from the left wall end. A magnet finds the screws in it, and so "
        "its center."
    ),
    "stud_spacing": (
        "From the center of one stud to the center of the next. Usually 16 or 24 inches, or 625 mm."
    ),
    "stud_width": (
        "How thick a stud is, seen from the room. Its edges are what a sensor finds; its center lies "
        "between them."
    ),
    "build": "What is behind the surface: studs under board, or something solid.",
    # light
    "light_fabric": (
        "Which cloth. Take one from the stores: its gain, its lobe and what it does to room light come "
        "with it."
    ),
    "gain": (
        "How bright the fabric is straight ahead, against a plain white one of 1.0. Above 1 it is "
        "brighter in the middle and darker from the side."
    ),
    "half_gain": (
        "The angle off the axis at which half of the gain is left. A leaflet calls it the half-gain or "
        "viewing angle."
    ),
    "ambient_reflectance": (
        "How much of the room's own light it sends back. Gray fabrics have less, and keep black darker."
    ),
    "film": "A clear film over the face, as some delicate fabrics come with. It stays on until the screen hangs.",
    "fabric_care": "How it is cleaned and what it must never meet, as its maker says.",
    "acoustic": "Woven or punched, so that loudspeakers can stand behind it.",
    "rated_lm": (
        "Lumens from the leaflet. What reaches the picture is less: see the mode, the age and the zoom."
    ),
    "mode_share": (
        "Of the rated light, what the picture mode leaves that is really used. The brightest mode is "
        "rarely the one."
    ),
    "own_contrast": "On to off in the mode that is used, not the dynamic figure on the box.",
    "surfaces": "How much the room throws back onto the screen. Dark walls keep black dark.",
    # height
    "wish": "What the height is set by: the top, the bottom, the eye line, or a gap to the ceiling.",
    "eye_share": "How far up the picture the main seat's eyes are. A third is easy on the neck.",
    "centre_x": "From the left wall end to the middle of the picture.",
    # throw
    "ratio_low": (
        "Distance over picture width with the lens at its widest. A leaflet gives one number for a lens "
        "without zoom, two for one with."
    ),
    "ratio_high": (
        "Distance over picture width with the lens at its longest. Leave it as the first where there is "
        "one number only."
    ),
    "has_shift": (
        "A lens with shift moves the picture without moving the projector. One without has a fixed offset "
        "instead: a leaflet gives the one or the other."
    ),
    "offset": (
        "Of a lens without shift: how far its picture stands above or below the lens, as a share of the "
        "picture's height."
    ),
    "shift_up": (
        "How far the lens moves the picture up, as a share of its height. A leaflet may count half "
        "heights: say which."
    ),
    "lens_from_wall": "From the bare wall to the front of the lens, measured square to the wall.",
    "lens_y": "From the floor to the middle of the lens.",
    "lens_x": (
        "From the left wall end to the middle of the lens. In the middle of the screen it needs no shift "
        "sideways."
    ),
    "hung": "Whether it hangs from the ceiling, upside down, or stands.",
    "pixels_across": "How many pixels the panel has from left to right: 3840, 1920.",
    # frame and fabric
    "frame_build": "A kit from its box, or a frame of timber or metal that is built.",
    "standoff": "From the bare wall to the back of the frame.",
    "centre_bars": (
        "Uprights between top and bottom rail. They keep the rails from bowing under the fabric's pull."
    ),
    "joint": "How the corners meet. Mitered and half-lapped corners need other lengths than butted ones.",
    "kerf": "What the saw takes away at every cut.",
    "stretch": (
        "How much smaller than the frame the fabric is cut, so that it is under tension once it is on."
    ),
    "roll": "How wide the fabric comes off its roll.",
    "kit_mass": (
        "Of the frame with its fabric, from the leaflet or a scale. The load on every fixing is worked "
        "out from it."
    ),
    # wall
    "way": "What the screen hangs by. Look into the box: brackets, a cleat, rods or wire.",
    "fix_to": "What the screws go into. Only what is really there holds.",
    "drop": (
        "From the middle of the upper hole up to the top of the frame, once it hangs. Measure it on a "
        "bracket held to the frame."
    ),
    "row_offset": (
        "The frame's height less the distance from the upper to the lower holes: the two gaps together."
    ),
    "spacing_share": "Bracket to bracket, as a share of the frame's width.",
    "rule": (
        "How far apart the brackets are: by a share of the width, as the kit fixes it, or about so far."
    ),
    "fixing": "Which screw, plug or anchor. Its packet says what it may carry.",
    "screws": "How many screws or anchors hold each bracket.",
    "lift_on": "Free height over the frame that is needed to lift it over its brackets.",
    "side_play": "How far the hung frame can still be slid to each side.",
    "proud": "How far a screw's head stays out of the wall, for a keyhole to go over it.",
    "torque": "How tight. Too tight crushes board and strips anchors.",
    # tension
    "hold": "What holds the fabric to the frame: springs, snaps, staples, a cord or rods.",
    "school": (
        "The order the points are fixed in. Corners first keeps it square; middles outward drives waves "
        "to the corners."
    ),
    "inset": "From the corner of the frame to the first point.",
    "people": "How many work at once: opposite sides go together with two.",
    # trim
    "border_kind": "What hides the edge: felt tape, velvet over a bezel, or nothing.",
    "border_before": (
        "How far the border stands out before the fabric. It throws a shadow on the picture's edge."
    ),
    "backlit": "A strip of light behind the frame.",
    # hang and align
    "hang_readings": "What the level, the plumb line and the tape say of the hung screen.",
    "corner_rounds": "How far each corner of the picture stands outside the corner of the screen.",
}
