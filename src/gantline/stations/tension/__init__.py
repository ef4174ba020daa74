"""Tension: the points round the frame and their order. What other stations ask of it."""

from gantline.stations.tension.cures import cured
from gantline.stations.tension.membrane import cloths, sheet_numbers, stale
from gantline.stations.tension.solve import hold, tension_points, tension_steps, written_numbers

__all__ = [
    "cloths",
    "cured",
    "hold",
    "sheet_numbers",
    "stale",
    "tension_points",
    "tension_steps",
    "written_numbers",
]
