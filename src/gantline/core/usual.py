"""Usual sizes and places of what a survey finds, so that a new thing begins near where it will be."""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class UsualSize:
    """Width, height, depth, bottom above the floor and back off the bare wall [mm].

    They only stand in until the thing is dragged or measured: nothing is computed from the name.
    """

    width_mm: float
    height_mm: float
    depth_mm: float
    bottom_mm: float
    back_mm: float


# common furniture and building sizes, rounded to 10 mm
BOXES: Mapping[str, UsualSize] = {
    "cabinet": UsualSize(1600.0, 450.0, 400.0, 0.0, 20.0),
    "loudspeaker": UsualSize(600.0, 200.0, 250.0, 450.0, 50.0),
    "furniture": UsualSize(900.0, 750.0, 450.0, 0.0, 20.0),
    "soffit": UsualSize(1200.0, 300.0, 300.0, 2100.0, 0.0),
    "beam": UsualSize(3000.0, 200.0, 150.0, 2200.0, 2000.0),
    "fan": UsualSize(1300.0, 350.0, 1300.0, 2050.0, 1800.0),
    "pendant": UsualSize(350.0, 600.0, 350.0, 1800.0, 2000.0),
    "walkway": UsualSize(800.0, 1800.0, 800.0, 0.0, 2500.0),
    "cable-point": UsualSize(80.0, 80.0, 80.0, 2300.0, 3500.0),
}
FITTINGS: Mapping[str, UsualSize] = {
    "outlet": UsualSize(80.0, 120.0, 0.0, 300.0, 0.0),
    "switch": UsualSize(80.0, 120.0, 0.0, 1100.0, 0.0),
    "window": UsualSize(900.0, 1200.0, 0.0, 900.0, 0.0),
    "door": UsualSize(800.0, 2000.0, 0.0, 0.0, 0.0),
    "vent": UsualSize(300.0, 150.0, 0.0, 2100.0, 0.0),
    "return-air": UsualSize(500.0, 400.0, 0.0, 200.0, 0.0),
    "thermostat": UsualSize(90.0, 130.0, 0.0, 1400.0, 0.0),
    "radiator": UsualSize(1000.0, 600.0, 0.0, 120.0, 0.0),
    "cable-point": UsualSize(80.0, 80.0, 0.0, 300.0, 0.0),
    "other": UsualSize(100.0, 100.0, 0.0, 300.0, 0.0),
}
SEAT_FROM_WALL_MM = 3300.0
SEAT_STEP_MM, ROW_MM = 700.0, 1000.0  # seat to seat, row to row
LAMP_HEIGHT_MM, LAMP_FROM_WALL_MM = 1500.0, 2500.0
