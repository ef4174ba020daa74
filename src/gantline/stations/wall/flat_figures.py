"""How plumb, square and flat the wall is, and the shims to bring."""

import numpy as np

from gantline.core.wall.flat import Flatness
from gantline.plan.ask import Ask
from gantline.plan.figure import Display, Figures
from gantline.stations.wall.flat import flat, pack, shims, wind

FLAT_FIGURES = Figures()
PLANE = "least-squares plane through the gaps"


@FLAT_FIGURES.other("wall_plumb", "Wall out of plumb", "mm/m", PLANE)
def out_of_plumb(at: Ask) -> Display | None:
    """Which way the top leans."""
    found = at(flat)
    if not isinstance(found, Flatness):
        return None
    value = found.plumb_mm_m
    return Display(value, text=f"{abs(value):.1f} mm/m, top {'in' if value > 0.0 else 'back'}", how=PLANE)


@FLAT_FIGURES.other("wall_square", "Wall out of square to the room", "mm/m", PLANE)
def out_of_square(at: Ask) -> Display | None:
    """Which end is nearer the room."""
    found = at(flat)
    if not isinstance(found, Flatness):
        return None
    value = found.square_mm_m
    return Display(
        value, text=f"{abs(value):.1f} mm/m, {'right' if value > 0.0 else 'left'} end in", how=PLANE
    )


@FLAT_FIGURES.length(
    "wall_belly", "Belly, hollow to proud", "the largest residual of the plane less the smallest"
)
def belly(at: Ask) -> Display | None:
    """What is left when the plane is taken away."""
    found = at(flat)
    if not isinstance(found, Flatness):
        return None
    return Display(float(np.ptp(found.belly_mm)), how="the largest residual of the plane less the smallest")


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
    text = ", ".join(f"{count} × {size:g} mm" for size, count in at(pack).items()) or "none"
    return Display(text, text=text, how="each support filled with the thickest first")
