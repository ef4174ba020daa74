"""Survey: the wall and the room as they were found. What other stations ask of it."""

from gantline.stations.survey.solve import (
    Room,
    SeatPlace,
    bands,
    box_solids,
    depth_mm,
    eyes,
    joist_lines_mm,
    lattice,
    main_seat,
    room,
    seat_place,
    seat_places,
    seated_numbers,
    seats,
    wall_mm,
    weigh_seat,
)

__all__ = [
    "Room",
    "SeatPlace",
    "bands",
    "box_solids",
    "depth_mm",
    "eyes",
    "joist_lines_mm",
    "lattice",
    "main_seat",
    "room",
    "seat_place",
    "seat_places",
    "seated_numbers",
    "seats",
    "wall_mm",
    "weigh_seat",
]
