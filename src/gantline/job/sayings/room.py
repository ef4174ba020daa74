"""Survey, size, light and height."""

from collections.abc import Mapping

SAYS: Mapping[str, str] = {
    "job_name": "What the job is called in the yard and on every sheet.",
    "job_place": "Where the room is: street, floor, which wall.",
    "job_notes": "Anything the next one should know. It stands in the job file and leads no number.",
    "masonry_of": (
        "What the wall is laid of. The plug must suit it: what holds in brick pulls out of aerated block."
    ),
    "course": "From one bed joint to the next. Holes in a joint hold little: the marks keep off them.",
    "course_first": (
        "From the finished floor up to any one bed joint. The others follow from the course height."
    ),
    "room_depth": "From the bare wall behind the screen to the wall across from it.",
    "joist_runs": (
        "Which way the ceiling's joists run: along the screen, or from the screen into the room. A "
        "pole's plate goes into one."
    ),
    "joist_first": (
        "Where any one joist's center is: from the left wall end, or from the wall behind the "
        "screen, by the way they run."
    ),
    "joist_spacing": "From the center of one joist to the center of the next, measured under the ceiling.",
    "throw_pick": (
        "Where in its zoom the lens is to work: the largest picture it throws from there, the "
        "smallest, or clear of both ends."
    ),
    "measured_height": "Of the picture that is on the wall now, along its middle.",
    "measured_rising": (
        "Of the picture that is on the wall now, from its lower left corner to its upper right one."
    ),
    "measured_falling": (
        "Of the picture that is on the wall now. Where the two diagonals differ, the picture leans."
    ),
    "border_top": "Where the top border is another than the sides. Leave it empty for one border all round.",
    "border_bottom": (
        "Where the bottom border is another than the sides. Leave it empty for one border all round."
    ),
    "mask_lap": "How far a mask panel reaches over the border, so that its edge throws no light line.",
    "age_share": "What is left of the light when the lamp is half used, or after the laser's first years.",
    "zoom_long": (
        "What is left of the light with the lens at its longest. A leaflet says it, or a meter does."
    ),
    "fabric_kind": (
        "How the fabric sends light back: to all sides alike, like a mirror, to where it comes from, "
        "or by fine steps."
    ),
    "front_transmission": (
        "Of two layers: how much light goes through the front one. Hold it before a lamp and measure "
        "with and without."
    ),
    "back_gain": "Of two layers: how much the dark one behind sends back, against a plain white of 1.0.",
    "back_transmission": "Of two layers: how much light goes through the dark one to what stands behind it.",
    "ceiling_gap": (
        "How near the frame may come to the ceiling. Hands need about 6 inches to lift it over its brackets."
    ),
    "lowest_edge": "How low the frame may hang. What stands under it, or children, decide it.",
    "wish_value": (
        "The number that the height is set by: how high the edge, the eye line or the gap is to be."
    ),
    "skirting": "How high the board along the floor is. A frame that stands low must clear it.",
}
