"""Hang: the screen on its wall, level, centered, plumb. What other stations ask of it."""

from gantline.stations.hang.solve import last_read, verdicts_now

__all__ = ["last_read", "verdicts_now"]
