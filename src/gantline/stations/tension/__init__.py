"""Tension: the points round the frame and their order. What other stations ask of it."""

from gantline.stations.tension.solve import Spread, tension

__all__ = ["Spread", "tension"]
