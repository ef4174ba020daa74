"""Frame: pieces, braces, the fabric blank, the built frame. What other stations ask of it."""

from gantline.stations.frame.blank import blank, overlap_mm, roll_cut, wrap_mm
from gantline.stations.frame.board import board_section, outer_mm, timber
from gantline.stations.frame.built import square
from gantline.stations.frame.plates import plate_spans
from gantline.stations.frame.solve import (
    brace_count,
    brace_places,
    cloth,
    joints,
    line_tension_n_m,
    mass_kg,
    outer_frame,
    parts,
    parts_into,
    pieces,
    pocket_screw,
    stuff,
    trim_parts,
)

__all__ = [
    "blank",
    "board_section",
    "brace_count",
    "brace_places",
    "cloth",
    "joints",
    "line_tension_n_m",
    "mass_kg",
    "outer_frame",
    "outer_mm",
    "overlap_mm",
    "parts",
    "parts_into",
    "pieces",
    "plate_spans",
    "pocket_screw",
    "roll_cut",
    "square",
    "stuff",
    "timber",
    "trim_parts",
    "wrap_mm",
]
