"""Size: the picture, the border, the frame. What other stations ask of it."""

from gantline.stations.size.solve import (
    SizeChoice,
    aspect,
    border,
    built_screen,
    planned_screen,
    rounded,
    screen,
    sized,
    start,
)

__all__ = [
    "SizeChoice",
    "aspect",
    "border",
    "built_screen",
    "planned_screen",
    "rounded",
    "screen",
    "sized",
    "start",
]
