"""The fabric on its roll and on its frame."""

from collections.abc import Mapping

SAYS: Mapping[str, str] = {
    "fabric": "Which cloth it is. Take it from the stores, and its numbers come with it.",
    "grip": "What is left past the staples to pull by. It is cut off at the end.",
    "return_back": "How far the cloth goes onto the back of the frame.",
    "along": (
        "Whether the picture's width or its height runs along the roll. Fabrics that steer light "
        "have one right way."
    ),
    "turn": (
        "How far the cloth is turned on its roll, as acoustic weaves are, so that its pattern does "
        "not beat with the pixels."
    ),
    "layers": "One, or two: a white one before a black one keeps what is behind from showing.",
    "backing": (
        "Tacked inside the frame behind the fabric and clear of it: what stands behind an open cloth "
        "does not show through."
    ),
    "fabric_mass": "What a square meter of it weighs.",
    "hook_first": (
        "Which end of a spring is hooked first: in the frame, then pulled to the cloth, or the other way."
    ),
    "laid": (
        "Which lies below when they come together, both face down. A sheet on lugs or clips is laid on its "
        "frame; a sheet that is hooked, stapled or tied has its frame lowered on it."
    ),
    "spring_limit": "How long a spring may be once it is hooked. Longer, and it does not come back.",
    "hold_spacing": "From one point to the next at most. Closer shows no waves; farther is less work.",
    "rail_count": "How many points each long side has, where the kit says so.",
    "stile_count": "How many points each short side has, where the kit says so.",
    "overlap": "How far the cloth reaches past the frame on each side before it is folded back.",
    "short_first": "Whether the short sides are done before the long ones. A long rail bows less then.",
    "first_side": "Which side is begun with. Seen from the back, top is up.",
    "second_side": "Which side the other pair begins with, as the top, where the bottom is wanted last.",
    "first_pass": (
        "Staples go in wide first, to hold the sheet true, and are filled in after. As wide as the "
        "spacing itself means no second pass."
    ),
    "own_order": (
        "The leaflet's or the crew's own list, by the numbers beside the points: 1+31, 16+46, 2+32. "
        "A plus joins points of one step."
    ),
    "in_step": (
        "Whether a point and its partner straight across go together, or a whole side before its opposite."
    ),
    "batch": "How many points are done before the other side's turn.",
    "corner_pass": "Whether a corner's two points are held at once, or one of every corner first.",
    "cluster": "How many points beside each corner are held with it.",
    "from_end": "Whether a side is walked from its end, not from its middle.",
    "bars": "When the uprights go in. Before the long sides the rails cannot bow.",
    "rods_last": "Whether threaded rods are turned a little at the end, until all pull alike.",
    "rail_part": "What holds the long sides, where a kit has two kinds.",
    "stile_part": "What holds the short sides, where a kit has two kinds.",
    "number_from": "At which corner the leaflet's own numbers begin, seen from the back.",
    "clockwise": "Which way round the leaflet's own numbers run, seen from the back.",
    "numbers": "Whether each point has a number of its own, or shares it with its partner across.",
    "steps_done": "How many steps of the order are done. The page keeps it, so that nobody counts again.",
    "cloth": "How it stretches: film hardly, knits far. It decides how hard to pull.",
    "stiff_along": (
        "How hard a strip a meter wide pulls along the roll if it were stretched to twice its length."
    ),
    "stiff_across": "The same across the roll. Weaves and knits are softer that way.",
    "line": (
        "How hard each meter of edge is to pull. A spring balance on one point, over the points' "
        "spacing, reads it."
    ),
    "spring_rate": (
        "How many newtons a spring pulls more for each millimeter. Hang a known weight on one and "
        "read how far it goes."
    ),
}
