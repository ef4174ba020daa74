"""Trim: border tape and backlight. What other stations ask of it."""

from gantline.stations.trim.solve import border_kind, rolls, strip, tape

__all__ = ["border_kind", "rolls", "strip", "tape"]
