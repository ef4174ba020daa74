"""Layers that are printed together on a sheet, and so must leave each other's labels room."""

WALL_SHEET = ("survey", "readings", "datum", "size", "wall")
