"""Size: the picture, the border, the frame. What other stations ask of it."""

from gantline.stations.size.solve import (
    SizeChoice,
    aspect,
    border,
    built_mm,
    built_screen,
    planned_screen,
    rounded,
    screen,
    sized,
    start,
)
from gantline.stations.size.ways import diagonal_cure

__all__ = [
    "SizeChoice",
    "aspect",
    "border",
    "built_mm",
    "built_screen",
    "diagonal_cure",
    "planned_screen",
    "rounded",
    "screen",
    "sized",
    "start",
]
