"""The wall: brackets, cleats, ledgers, holes and fixings; hanging, aligning and the day."""

from collections.abc import Mapping

SAYS: Mapping[str, str] = {
    "cleat_board": "How thick the board is that the cleat is cut from. The screen stands off by it.",
    "cleat_point": "From the long point of the frame's piece up to the top of the frame.",
    "cleat_length": "How long the wall's piece is. Longer takes more studs, and carries more.",
    "cleat_studs": (
        "Over how many studs the wall's piece goes. Two carry it; three forgive one that is missed."
    ),
    "cleat_up_edge": (
        "A wall piece that is up already: from the floor to its front upper edge. The frame hangs "
        "where it is."
    ),
    "cleat_up_left": "A wall piece that is up already: where it begins, from the left wall end.",
    "cleat_up_right": "A wall piece that is up already: where it ends, from the left wall end.",
    "cleat_piece": "The frame's own piece in one length, or in two short blocks near its ends.",
    "cleat_block": "How long each of the two blocks is.",
    "cleat_screw": "From the front edge of the wall's piece down to its screws.",
    "standoff_turn": "How far one turn of an adjustable standoff moves the frame out or in.",
    "ledger_board": "How thick the board is that the frame stands on or is screwed to.",
    "ledger_layers": "How many boards lie one on the other. Two with staggered joints bridge any length.",
    "ledger_studs": "At how many studs the ledger is screwed. Every other one is often enough.",
    "bracket_name": "Which brackets, as their packet has it. Take them from the stores.",
    "lower_holes": "Whether the bottom of the frame is held to the wall by holes of its own.",
    "per_bracket": "How many screws or anchors go through each upper bracket.",
    "screws_lie": (
        "How a bracket's screws lie: one over the other, side by side, or a keyhole with a lock screw."
    ),
    "screws_apart": "From the middle of one screw hole of the bracket to the next, measured on the bracket.",
    "cover": (
        "What the screw goes through before it reaches wood: board, plaster, both. Look into an outlet's box."
    ),
    "plate": "How wide the bracket's plate is along the wall. It must clear what lies beside it.",
    "fixed_spacing": "From one bracket to the other, as the kit fixes it.",
    "height_by": (
        "What the upper holes are set by: how far they are under the frame's top, or a height that a "
        "leaflet gives."
    ),
    "leaflet": "The leaflet's own number for the upper holes: above the cabinet, or above the floor.",
    "row_fixed": "From the upper to the lower holes, where the kit gives it as one number.",
    "backer": (
        "How thick the board is that is screwed over the studs and carries the brackets where no "
        "stud is right."
    ),
    "rod": "From the hook on the wall to the eye on the frame.",
    "compress": (
        "How far each bottom mount is pressed in when the screen hangs, so that it holds by its spring."
    ),
    "height_trim": "How far the brackets let the frame be moved up or down once it hangs.",
    "hang_parts": "How many brackets or hooks carry the top. Wide frames want a third in the middle.",
    "lower_parts": "How many hold the bottom.",
    "bottom": "What keeps the bottom from swinging: latches, brackets, pads, or its own weight.",
    "plate_height": "How high the bracket's plate is. It must not show over the frame.",
    "across_from": (
        "From where the tape is hooked for the marks along the wall: an end, the center, or a stud."
    ),
    "up_from": "From where the tape is hooked for heights: the level line, the floor or the ceiling there.",
    "anchor_name": "What the anchor or screw is called on its packet.",
    "anchor_base": "What it is made for. It holds there and nowhere else.",
    "anchor_depth": "How deep it must sit in what carries, without plaster or board.",
    "anchor_drill": "Which bit its packet asks for.",
    "anchor_plugged": "Whether a plug goes in first and the screw into that.",
    "anchor_lengths": "Every length it can be bought in, so that the next one long enough is named.",
    "anchor_shear": (
        "What one of them may carry hanging down along the wall, from its packet, with its own safety in it."
    ),
    "anchor_pull": (
        "What one of them may carry pulled straight out, from its packet, with its own safety in it."
    ),
    "shims": "Whether shims bring the screen flat, or only upright, or are left out.",
    "order": "Whether the picture is set up first and the frame follows it, or the frame hangs first.",
    "pulled": "Somebody pulled at every latch and bracket, and nothing came loose.",
    "locked": "Whatever locks is locked: latches, set screws, turnbuckles.",
    "corner_sigma": "How well a corner is read: by a tape about a sixteenth of an inch, by a photo less.",
    "shift_turn": (
        "How far a whole turn of the shift's knob moves the picture, as a share of it. Turn it once and see."
    ),
    "measured_center": "What a meter reads at the middle of a white picture.",
    "measured_tl": "What a meter reads near that corner of a white picture.",
    "measured_tr": "What a meter reads near that corner of a white picture.",
    "measured_br": "What a meter reads near that corner of a white picture.",
    "measured_bl": "What a meter reads near that corner of a white picture.",
    "measured_corner": "Where only one corner was measured: the darkest.",
    "day_drill": "Before the fabric is opened, because of the dust, or last, by the finished screen.",
    "day_trips": (
        "One visit, or two: on the first the wall is drilled, on the second the screen is built and hung."
    ),
    "day_dry": "Hang the bare frame once and read it, before there is fabric that can be spoiled.",
}
