"""Wall: brackets, holes and the marks that find them. What other stations ask of it."""

from gantline.stations.wall.behind import StudBehind, studs_behind
from gantline.stations.wall.cleat_line import cleat_edge
from gantline.stations.wall.flat import flat
from gantline.stations.wall.loads import bought_fixing, by_inches, fixing, fixing_name, fixings_top
from gantline.stations.wall.screws import screw_step_mm
from gantline.stations.wall.solve import Drilling, drilling, pair, rows_mm
from gantline.stations.wall.way import bottom, on_studs, side_play_mm, trim_mm

__all__ = [
    "Drilling",
    "StudBehind",
    "bottom",
    "bought_fixing",
    "by_inches",
    "cleat_edge",
    "drilling",
    "fixing",
    "fixing_name",
    "fixings_top",
    "flat",
    "on_studs",
    "pair",
    "rows_mm",
    "screw_step_mm",
    "side_play_mm",
    "studs_behind",
    "trim_mm",
]
