"""Size: the picture, the border, the frame. What other stations ask of it."""

from gantline.stations.size.solve import Sized, aspect, border, rounded, screen, sized, start

__all__ = ["Sized", "aspect", "border", "rounded", "screen", "sized", "start"]
