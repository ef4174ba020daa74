"""What can be added to the survey: each ready to go in at its usual size and place."""

from dataclasses import dataclass
from typing import get_args

from gantline.core.usual import BOXES, FITTINGS, LAMP_FROM_WALL_MM, LAMP_HEIGHT_MM, SEAT_FROM_WALL_MM
from gantline.job.room_objects import BoxKind, FittingKind
from gantline.plan.book import Book
from gantline.plan.figures import Change

LEFT_MM = 150.0  # a new fitting begins this far from the left wall end, clear of the frame


@dataclass(frozen=True, slots=True, kw_only=True)
class Addition:
    """One thing to add: the survey list it goes into, its kind ("" where the list has none), and the change."""

    into: str
    kind: str
    changes: tuple[Change, ...]


def additions(book: Book, middle_mm: float) -> tuple[Addition, ...]:
    """Seats, boxes, fittings and lamps, begun round the screen's centre line [mm] where they can be seen and dragged."""
    lamps = {lamp.name for lamp in book.job.survey.lamps}
    name = next(f"lamp {number}" for number in range(1, len(lamps) + 2) if f"lamp {number}" not in lamps)
    lamp: dict[str, float | str | bool] = {
        "name": name,
        "x_mm": middle_mm + 1000.0,
        "y_mm": LAMP_HEIGHT_MM,
        "z_mm": LAMP_FROM_WALL_MM,
    }
    return (
        _one("seats", "", {"x_mm": middle_mm, "from_wall_mm": SEAT_FROM_WALL_MM, "main": False}),
        *(_one("boxes", kind, _box(kind, middle_mm)) for kind in get_args(BoxKind)),
        *(_one("fittings", kind, _fitting(kind)) for kind in get_args(FittingKind)),
        _one("lamps", "", lamp),
    )


def _one(into: str, kind: str, thing: dict[str, float | str | bool]) -> Addition:
    return Addition(into=into, kind=kind, changes=(Change(pointer=f"/survey/{into}/-", value=thing),))


def _box(kind: str, middle_mm: float) -> dict[str, float | str | bool]:
    usual = BOXES[kind]
    return {
        "kind": kind, "x_mm": middle_mm - usual.width_mm / 2.0, "y_mm": usual.bottom_mm, "z_mm": usual.back_mm,
        "width_mm": usual.width_mm, "height_mm": usual.height_mm, "depth_mm": usual.depth_mm,
    }  # fmt: skip


def _fitting(kind: str) -> dict[str, float | str | bool]:
    usual = FITTINGS[kind]
    return {"kind": kind, "x_mm": LEFT_MM, "y_mm": usual.bottom_mm, "width_mm": usual.width_mm, "height_mm": usual.height_mm}
