"""What counts as right the first time, and how well things are measured."""

from gantline.core.defaults.default import Default


class TripDefaults:
    """Tolerances of what is drilled, cut and hung, and the spread of a measurement."""

    tape_mm = Default(
        1.0,
        "mm",
        0.1,
        20.0,
        "usual error of a measured length",
        "a tape read to the sixteenth, its hook and its sag",
    )
    hole_across_mm = Default(
        5.0,
        "mm",
        0.5,
        50.0,
        "holes sideways within",
        "the screw stays inside the stud, the rail slides the rest",
    )
    hole_height_mm = Default(
        3.0, "mm", 0.5, 50.0, "holes up and down within", "the frame shows it against the ceiling"
    )
    cut_mm = Default(5.0, "mm", 0.5, 50.0, "cut lengths within", "the travel of a mount and of a turnbuckle")
    corner_mm = Default(3.0, "mm", 0.5, 50.0, "picture corners within", "the overspill takes up no more")
