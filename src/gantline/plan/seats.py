"""How each seat sees the picture, in the job's texts."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.sight.angles import far_edge_deg, neck_angle_deg, pixel_arcmin, viewing_angle_deg
from gantline.core.sight.rows import ROUNDING_MM, Eye, clearance_mm
from gantline.plan.book import Book
from gantline.plan.figures import Cure
from gantline.plan.height import Hung
from gantline.plan.seats_at import Placed, platforms, raised_mm

SEATS_OUTSIDE = "Outside the guidance for seats. "


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatRow:
    """How one seat sees the picture; texts, and the words of what is outside the guidance."""

    index: int
    name: str
    main: bool
    distance: str
    angle: str
    top_neck: str
    centre_neck: str
    far_edge: str
    pixel: str
    sight: str
    warnings: tuple[str, ...]


def seat_rows(book: Book, hung: Hung, seats: tuple[Placed, ...], panel_width_mm: float, pixels: float) -> tuple[SeatRow, ...]:
    """The table of seats, and findings for what is outside the guidance."""
    if not seats:
        return ()
    picture = hung.place.screen.picture
    distance = np.array([seat.distance_mm for seat in seats])
    offset = np.array([seat.x_mm - hung.place.centre_x_mm for seat in seats])
    eye = np.array([seat.eye_mm for seat in seats])
    top = hung.picture_centre_mm + picture.height_mm / 2.0
    angle = viewing_angle_deg(distance, offset, picture.width_mm)
    rise, centre = neck_angle_deg(top, eye, distance), neck_angle_deg(hung.picture_centre_mm, eye, distance)
    edge, pixel = far_edge_deg(distance, offset, picture.width_mm), pixel_arcmin(panel_width_mm, pixels, distance)
    ends = float(distance.min()), float(distance.max())
    rows = []
    eyes = [one.eye for one in seats]
    bottom = hung.picture_centre_mm - picture.height_mm / 2.0
    blocked = [_blocked(book, eye, eyes, bottom) for eye in eyes]
    needed = raised_mm(book, seats, bottom) if any(blocked) else ()
    for k, seat in enumerate(seats):
        warnings = _angle_words(book, seat, ends, float(angle[k]))
        sight = f"needs platform {book.text(needed[k])}" if blocked[k] else "clear"
        if blocked[k]:
            warnings.append(f"head in front in the way: platform {book.text(needed[k])}")
        if rise[k] > book.shop["neck_top_deg"]:
            warnings.append(f"top of picture {rise[k]:.0f}° up")
        if pixel[k] > 1.0:
            warnings.append("pixels show")
        rows.append(
            SeatRow(
                index=seat.index, name=seat.name, main=seat.main, distance=book.text(seat.distance_mm), angle=f"{angle[k]:.0f}°",
                top_neck=f"{rise[k]:.0f}°".replace("-", "−"), centre_neck=f"{centre[k]:.0f}°".replace("-", "−"),
                far_edge=f"{edge[k]:.0f}°", pixel=f"{pixel[k]:.1f}′", sight=sight, warnings=tuple(warnings),
            )
        )  # fmt: skip
    _find(book, rows, platforms(book, seats, needed) if needed else ())
    return tuple(rows)


def _angle_words(book: Book, seat: Placed, ends: tuple[float, float], angle: float) -> list[str]:
    shop = book.shop
    words = []
    if seat.main and not shop["angle_main_low_deg"] <= angle <= shop["angle_main_high_deg"]:
        words.append(f"{angle:.1f}°, wished {shop['angle_main_low_deg']:g} to {shop['angle_main_high_deg']:g}° in the main row")
    nearest, farthest = ends
    if seat.distance_mm == nearest and angle > shop["angle_near_deg"]:
        words.append(f"{angle:.1f}°, at most {shop['angle_near_deg']:g}° in the nearest row")
    if seat.distance_mm == farthest and angle < shop["angle_far_deg"]:
        words.append(f"{angle:.1f}°, at least {shop['angle_far_deg']:g}° in the farthest row")
    return words


def _blocked(book: Book, eye: Eye, eyes: list[Eye], bottom_mm: float) -> bool:
    """Whether a nearer head stands in the line to the picture's bottom."""
    least = book.shop["head_clear_mm"] - ROUNDING_MM
    return any(clearance_mm(eye, one, bottom_mm) < least for one in eyes if one.distance_mm < eye.distance_mm - 1.0)


def _find(book: Book, rows: list[SeatRow], cures: Sequence[Cure]) -> None:
    bad = [row for row in rows if row.warnings]
    if bad:
        said = "; ".join(f"{row.name}: {', '.join(row.warnings)}" for row in bad[:4])
        book.find("seats-outside-guidance", "size", "mind", f"{SEATS_OUTSIDE}{said}.", {}, cures)
