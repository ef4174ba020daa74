"""The frame: kit or boards, its box, its square, its trim."""

from collections.abc import Mapping

SAYS: Mapping[str, str] = {
    "frame_name": "Which kit, as its leaflet has it. Take it from the stores, and its numbers come with it.",
    "tools": "What the leaflet says is needed beside what lies in the box.",
    "cap_torque": "How tight the plastic caps may be. They crack: by hand, never by machine.",
    "joint_torque": "How tight the screws of the corners and joiners may be. Threads in soft metal strip.",
    "outer_by": "What holds the outer frame to the inner one: screws, or clips that snap.",
    "outer_rail": "How many of them sit on each long side.",
    "outer_stile": "How many of them sit on each short side.",
    "sag_hooks": "Hooks in the long sides that keep the outer frame from sagging away from the inner one.",
    "label_at": "Where the maker's label sits, which tells what is up and what is to the wall.",
    "comes_off": "How the hung screen is taken down again.",
    "frame_depth": (
        "From the back of the frame to the fabric. The screen stands out from the wall by this and "
        "the standoff."
    ),
    "trim": "How wide the frame is that goes on when the fabric is held. It hides the points.",
    "board": "What the frame is cut from, as it is sold. Take it from the stores.",
    "board_thick": (
        "The thinner side of the board, measured, not as it is called: a one-by is about 3/4 inch."
    ),
    "board_wide": (
        "The wider side of the board, measured, not as it is called: a four-inch one is about 3 1/2."
    ),
    "lies": "Flat or on edge. On edge it bows far less under the fabric's pull, and is deeper.",
    "wood": "What it is made of. It decides how far rails bow and how heavy the frame is.",
    "removable": "Whether the braces go in after the fabric, as with loudspeakers and knits.",
    "corner_plates": "Flat plates over the joints: on one face, on both, or none. Staples keep off them.",
    "longest_board": "The longest that can be bought, or carried home, or up the stairs.",
    "fastener": (
        "How long a screw into the board may be at most. One that is too long comes out in the fabric."
    ),
    "staple_leg": "How deep a staple goes. It must be shorter than the board is thick.",
    "end_trim": "What is cut off each end of a new board, for checks and dirt.",
    "square_top": "The built frame's top, outside, from corner to corner.",
    "square_bottom": "The built frame's bottom, outside, from corner to corner.",
    "square_left": "The built frame's left side, seen from the front.",
    "square_right": "The built frame's right side, seen from the front.",
    "square_rising": "Of the built frame, from its lower left corner to its upper right one.",
    "square_falling": (
        "Of the built frame. Both diagonals alike, and opposite sides alike: then it is square."
    ),
    "gap_top_left": (
        "How far the joint stands open there. A feeler gauge reads it, or a folded sheet of paper."
    ),
    "gap_top_right": (
        "How far the joint stands open there. A feeler gauge reads it, or a folded sheet of paper."
    ),
    "gap_bottom_left": (
        "How far the joint stands open there. A feeler gauge reads it, or a folded sheet of paper."
    ),
    "gap_bottom_right": (
        "How far the joint stands open there. A feeler gauge reads it, or a folded sheet of paper."
    ),
    "tape_wrap": "How much of the border goes round the frame's edge, so that no edge of it is seen.",
    "tape_corner": "How the border's pieces meet in the corners: mitered, butted, or notched and folded.",
    "tape_roll": "How much tape is on a roll. The list counts rolls by it.",
    "tape_wide": "How wide the tape is as it is sold. It is cut down to the border and its wrap.",
    "to_picture": "The border is laid along the lit picture itself, so that it agrees with it to the hair.",
    "strip_inset": (
        "How far inside the frame's outer edge the light strip runs. Near the edge the wall shows "
        "each point of light."
    ),
    "strip_pitch": "The strip can be cut only at its marks: this far apart.",
    "strip_reel": "How long a strip is on its reel.",
    "strip_watts": "What a meter of strip takes. The supply is chosen by it, with a fifth to spare.",
    "spacer": "How thick the strips are that hold the screen off the wall, with the light between.",
    "feed": "In which corner the wire comes to the strip.",
    "quoted": "What a seller asks for the material, to hold against your own sum.",
}
