"""Wall: brackets, holes and the marks that find them. What other stations ask of it."""

from gantline.stations.wall.cleat_line import cleat_edge
from gantline.stations.wall.flat import flat
from gantline.stations.wall.loads import bought_fixing, by_inches, fixing, fixing_name, fixings_top
from gantline.stations.wall.solve import Drilling, drilling, pair, rows_mm
from gantline.stations.wall.way import side_play_mm, trim_mm

__all__ = [
    "Drilling",
    "bought_fixing",
    "by_inches",
    "cleat_edge",
    "drilling",
    "fixing",
    "fixing_name",
    "fixings_top",
    "flat",
    "pair",
    "rows_mm",
    "side_play_mm",
    "trim_mm",
]
