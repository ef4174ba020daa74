"""How each seat sees the picture, in the job's texts."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gantline.core.sight import (
    ROUNDING_MM,
    Eye,
    clearance_mm,
    eye_needed_mm,
    far_edge_deg,
    neck_angle_deg,
    pixel_arcmin,
    viewing_angle_deg,
)
from gantline.plan.book import Book
from gantline.plan.figures import Cure
from gantline.plan.height import Hung
from gantline.plan.seats_at import Placed, platforms

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
    for k, seat in enumerate(seats):
        sight, blocked = _sight(book, seat, eyes[k], eyes, hung)
        warnings = [*_angle_words(book, seat, ends, float(angle[k])), *blocked]
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
    _find(book, rows, () if book.brief else platforms(book, seats, hung.picture_centre_mm - picture.height_mm / 2.0))
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


def _sight(book: Book, seat: Placed, eye: Eye, eyes: list[Eye], hung: Hung) -> tuple[str, list[str]]:
    """Least clearance over any nearer head, and the platform that would give it."""
    bottom = hung.picture_centre_mm - hung.place.screen.picture.height_mm / 2.0
    nearer = [one for one in eyes if one.distance_mm < eye.distance_mm - 1.0]
    if not nearer:
        return "clear", []
    clear_mm = book.shop["head_clear_mm"]
    least = min(clearance_mm(eye, one, bottom) for one in nearer)
    if least >= clear_mm - ROUNDING_MM:
        return "clear", []
    needed = max(eye_needed_mm(eye, one, bottom, clear_mm=clear_mm) for one in nearer)
    platform = book.text(max(0.0, needed - seat.seated_mm))
    return f"needs platform {platform}", [f"head in front in the way: platform {platform}"]


def _find(book: Book, rows: list[SeatRow], cures: Sequence[Cure]) -> None:
    bad = [row for row in rows if row.warnings]
    if bad:
        said = "; ".join(f"{row.name}: {', '.join(row.warnings)}" for row in bad[:4])
        book.find("seats-outside-guidance", "size", "mind", f"{SEATS_OUTSIDE}{said}.", {}, cures)
