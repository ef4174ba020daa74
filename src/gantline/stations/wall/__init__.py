"""Wall: brackets, holes and the marks that find them. What other stations ask of it."""

from gantline.stations.wall.solve import Drilling, drilling, pair, rows_mm

__all__ = ["Drilling", "drilling", "pair", "rows_mm"]
