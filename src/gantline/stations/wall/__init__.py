"""Wall: brackets, holes and the marks that find them. What other stations ask of it."""

from gantline.stations.wall.flat import flat
from gantline.stations.wall.loads import fixing, fixings_top
from gantline.stations.wall.solve import Drilling, drilling, pair, rows_mm
from gantline.stations.wall.way import side_play_mm, trim_mm

__all__ = [
    "Drilling",
    "drilling",
    "fixing",
    "fixings_top",
    "flat",
    "pair",
    "rows_mm",
    "side_play_mm",
    "trim_mm",
]
