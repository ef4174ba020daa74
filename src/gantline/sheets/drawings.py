"""Drawings that travel alone, as SVG with their font inside."""

from gantline.drawing.layers import WALL_SHEET
from gantline.sheets.sheet import OPEN_FILES, Ready, Sheet
from gantline.sheets.svg import face_svg
from gantline.stations.tension import tension_points
from gantline.stations.wall import drilling

SVG = "image/svg+xml"
WIDE_MM, HIGH_MM = 277.0, 180.0  # what fits a sheet of A4 lying on its side


def wall_svg(ready: Ready) -> bytes:
    """The wall with its marks."""
    return face_svg(ready.front, WALL_SHEET, WIDE_MM, HIGH_MM, heading=ready.forbids).encode()


def tension_svg(ready: Ready) -> bytes:
    """The frame from the back."""
    return face_svg(ready.back, ("tension",), WIDE_MM, HIGH_MM).encode()


WALL = Sheet(
    key="wall-drawing",
    label="Wall drawing",
    group=OPEN_FILES,
    note="SVG",
    media_type=SVG,
    ending="wall.svg",
    make=wall_svg,
    about=(drilling,),
)
TENSION = Sheet(
    key="tension-drawing",
    label="Tension drawing",
    group=OPEN_FILES,
    note="SVG",
    media_type=SVG,
    ending="tension.svg",
    make=tension_svg,
    about=(tension_points,),
    there=lambda made: not isinstance(made.ask(tension_points), str),
)
