"""How plumb, square and flat the wall is, and the shims to bring."""

import numpy as np

from gantline.core.units import slope_text
from gantline.core.wall.flat import Flatness, lands_lower_mm
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.plan.working import term
from gantline.stations.common import CABINET, mount_kind
from gantline.stations.height import centre_x_mm, fits, fixed_throw_mm, lens_y_mm, rect_of_picture
from gantline.stations.wall.flat import flat, pack, shims, wind

FLAT_FIGURES = Figures()
PLANE = "least-squares plane through the gaps"


@FLAT_FIGURES.other("wall_plumb", "Wall out of plumb", "mm/m", PLANE)
def out_of_plumb(at: Ask) -> Display | None:
    """Which way the top leans."""
    plane = at(flat)
    if not isinstance(plane, Flatness):
        return None
    value = plane.plumb_mm_m
    return Display(
        value, text=f"{slope_text(abs(value), at.units)}, top {'in' if value > 0.0 else 'back'}", how=PLANE
    )


@FLAT_FIGURES.other("wall_square", "Wall out of square to the room", "mm/m", PLANE)
def out_of_square(at: Ask) -> Display | None:
    """Which end is nearer the room."""
    plane = at(flat)
    if not isinstance(plane, Flatness):
        return None
    value = plane.square_mm_m
    return Display(
        value,
        text=f"{slope_text(abs(value), at.units)}, {'right' if value > 0.0 else 'left'} end in",
        how=PLANE,
    )


@FLAT_FIGURES.length(
    "wall_belly", "Belly, hollow to proud", "the largest residual of the plane less the smallest"
)
def belly(at: Ask) -> Display | None:
    """What is left when the plane is taken away."""
    plane = at(flat)
    if not isinstance(plane, Flatness):
        return None
    return Display(float(np.ptp(plane.belly_mm)), how="the largest residual of the plane less the smallest")


@FLAT_FIGURES.length(
    "wall_wind", "Wind at the frame's corners", "distance of its diagonals at their crossing"
)
def winding(at: Ask) -> Display | None:
    """Without shims."""
    value = at(wind)
    return (
        None
        if value is None
        else Display(abs(value), how="(upper left + lower right - upper right - lower left) / 2")
    )


@FLAT_FIGURES.other("shim_pack", "Shims to bring", "", "each support filled with the thickest first")
def shim_pack(at: Ask) -> Display | None:
    """By thickness."""
    if not at(shims):
        return None
    text = ", ".join(f"{count} × {at.text(size)}" for size, count in at(pack).items()) or "none"
    return Display(text, text=text, how="each support filled with the thickest first")


@FLAT_FIGURES.other(
    "belly_moves",
    "The picture's top, for the belly",
    "mm",
    "a ray that climbs lands lower on what stands forward",
)
def belly_moves(at: Ask) -> Display | None:
    """What a belly does to the picture of a projector on a cabinet, whose light arrives at a low angle."""
    plane, throw, lens = at(flat), at(fixed_throw_mm), at(lens_y_mm, at(centre_x_mm))
    if not isinstance(plane, Flatness) or throw is None or lens is None or at(mount_kind) != CABINET:
        return None
    if not at(fits):
        return None
    proud = max(0.0, float(np.max(plane.belly_mm)))
    rise = at(rect_of_picture)[3] - lens
    value = lands_lower_mm(rise, throw, proud)
    total = (
        (term("picture top", at(rect_of_picture)[3]) - term("lens", lens))
        * term("proud", proud)
        / term("throw", throw)
    )
    step = at.step_mm
    lower_by = at.fine(lands_lower_mm(rise, throw, step))
    return Display(
        value,
        total,
        f"{at.fine(value)} lower",
        how=f"{at.text(step)} proud there moves it by {lower_by}: make it flat, or shim the frame",
    )
