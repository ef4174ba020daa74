"""Tension: the points round the frame and their order. What other stations ask of it."""

from gantline.stations.tension.cures import cured
from gantline.stations.tension.solve import tension_points, tension_steps

__all__ = ["cured", "tension_points", "tension_steps"]
