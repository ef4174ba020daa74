"""Tension: the points round the frame and their order. What other stations ask of it."""

from gantline.stations.tension.cures import cured
from gantline.stations.tension.membrane import sheet_numbers, stale
from gantline.stations.tension.solve import hold, tension_points, tension_steps, written_numbers

__all__ = ["cured", "hold", "sheet_numbers", "stale", "tension_points", "tension_steps", "written_numbers"]
