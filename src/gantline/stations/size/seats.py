"""How each seat sees the picture, and what is outside the guidance."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from gantline.core.defaults import SeatsDefaults
from gantline.core.sight.angles import (
    PIXEL_SEEN,
    far_edge_deg,
    neck_angle_deg,
    pixel_arcmin,
    viewing_angle_deg,
)
from gantline.core.sight.rows import COMFORT_MM, HEAD_MM, ROUNDING_MM, bottoms_mm, own_bottoms_mm
from gantline.job.field import field_of
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, noted
from gantline.stations.height import lower_edge_mm, placement, platforms, raised_mm, rect_of_picture
from gantline.stations.size.findings import Code
from gantline.stations.survey import SeatPlace, seats
from gantline.stations.throw import pixels_known, pixels_over

NAMED = 4  # more seats than this are not named in one sentence


@dataclass(frozen=True, slots=True, kw_only=True)
class Sight:
    """What one seat sees [deg, arc-minutes]; platform_mm: what it needs to see over the head in front, 0 if clear."""

    seat: SeatPlace
    angle_deg: float
    top_deg: float
    centre_deg: float
    far_edge_deg: float
    pixel_arcmin: float
    blocked: bool
    platform_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatRow:
    """How one seat sees the picture; texts, and the words of what is outside the guidance."""

    id: str
    name: str
    main: bool
    distance: str
    angle: str
    top_neck: str
    center_neck: str
    far_edge: str
    pixel: str
    sight: str
    warnings: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatTable:
    """The seats."""

    rows: tuple[SeatRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Guidance:
    """What the seats are held against [deg]; distances of the nearest and the farthest one [mm]."""

    main_low_deg: float
    main_high_deg: float
    near_deg: float
    far_deg: float
    neck_deg: float
    nearest_mm: float
    farthest_mm: float


def over_heads_mm(at: Ask) -> tuple[float, ...]:
    """Of every seat, how low the picture's bottom may be to be seen past the heads before it [mm above the floor]."""
    least = at.default(SeatsDefaults.head_clear_mm) - ROUNDING_MM
    lose = at.default(SeatsDefaults.edge_lost_share)
    return own_bottoms_mm([seat.eye for seat in at(seats)], at(lower_edge_mm), clear_mm=least, lose=lose)


def held_against(at: Ask) -> Guidance:
    """The guidance for these seats."""
    distances = [seat.distance_mm for seat in at(seats)]
    return Guidance(
        main_low_deg=at.default(SeatsDefaults.angle_main_low_deg),
        main_high_deg=at.default(SeatsDefaults.angle_main_high_deg),
        near_deg=at.default(SeatsDefaults.angle_near_deg),
        far_deg=at.default(SeatsDefaults.angle_far_deg),
        neck_deg=at.default(SeatsDefaults.neck_top_deg),
        nearest_mm=min(distances),
        farthest_mm=max(distances),
    )


def sights(at: Ask) -> tuple[Sight, ...]:
    """Every seat's angles, worked together."""
    placed = at(seats)
    if not placed:
        return ()
    left, bottom, right, top = at(rect_of_picture)
    width, center = right - left, at(placement).picture_centre_mm
    distance, across, eye = np.array([(seat.distance_mm, seat.x_mm, seat.eye_mm) for seat in placed]).T
    offset = across - (left + right) / 2.0
    pixel = pixel_arcmin(*at(pixels_over), distance).tolist()
    angle = viewing_angle_deg(distance, offset, width).tolist()
    edge = far_edge_deg(distance, offset, width).tolist()
    rise, middle = neck_angle_deg([[top], [center]], eye, distance).tolist()
    blocked = [bottom < own for own in at(over_heads_mm)]
    needed = at(raised_mm, bottom) if any(blocked) else tuple(one.platform_mm for one in placed)
    return tuple(
        Sight(
            seat=placed[k],
            angle_deg=angle[k],
            top_deg=rise[k],
            centre_deg=middle[k],
            far_edge_deg=edge[k],
            pixel_arcmin=pixel[k],
            blocked=blocked[k],
            platform_mm=needed[k],
        )
        for k in range(len(placed))
    )


def seat_table(at: Ask) -> SeatTable:
    """The seats in words."""
    return SeatTable(rows=tuple(_row(at, sight) for sight in at(sights)))


@noted
def guidance(at: Ask) -> Iterator[Finding]:
    """Seats outside the guidance, and the platforms that would help."""
    bad = [(sight.seat.name, words) for sight in at(sights) if (words := warnings(at, sight))]
    if not bad:
        return
    said = ". ".join(f"{name}: {', '.join(words)}" for name, words in bad[:NAMED])
    rest = f". And {len(bad) - NAMED} more" if len(bad) > NAMED else ""
    needs = any(one.blocked for one in at(sights))
    cures = at(platforms, tuple(one.platform_mm for one in at(sights))) if needs else ()
    subject = field_of(Survey.seats).pointer
    remarks = {"remarks": float(sum(len(words) for _, words in bad))}
    yield Finding(
        code=Code.SEATS_OUTSIDE,
        severity="check",
        text=f"{said}{rest}.",
        subject=subject,
        numbers=remarks,
        cures=cures,
    )


@noted
def beside(at: Ask) -> Iterator[Finding]:
    """Seats that see the whole picture, past a head so close to the line of sight that it is noticed."""
    placed, edge, bottom = at(seats), at(lower_edge_mm), at(rect_of_picture)[1]
    eyes, clear = [seat.eye for seat in placed], at.default(SeatsDefaults.head_clear_mm)
    in_the_way = bottoms_mm(eyes, edge, clear_mm=clear)
    close = bottoms_mm(eyes, edge, clear_mm=clear, half_mm=COMFORT_MM)
    near = {rear for (rear, front), low in close.items() if (rear, front) not in in_the_way and bottom < low}
    names = [placed[rear].name for rear in sorted(near)]
    if names:
        room = at.text(COMFORT_MM - HEAD_MM)
        text = f"{', '.join(names)}: a head in front comes within {room} of the lower edge, seen from there. Nothing is hidden."
        yield Finding(
            code=Code.HEAD_BESIDE, severity="note", text=text, subject=field_of(Survey.seats).pointer
        )


def warnings(at: Ask, sight: Sight) -> list[str]:
    """What is outside the guidance at a seat."""
    words = _angle_words(sight, at(held_against))
    if sight.blocked:
        words.append(f"a head in front is in the way: build a platform of {at.text(sight.platform_mm)}")
    if sight.top_deg > at(held_against).neck_deg:
        words.append(f"top of picture {sight.top_deg:.0f}° up")
    if sight.pixel_arcmin > PIXEL_SEEN and at(
        pixels_known
    ):  # nothing is held against a panel that nobody entered
        words.append("pixels show")
    return words


def _angle_words(sight: Sight, held: Guidance) -> list[str]:
    words, angle, distance = [], sight.angle_deg, sight.seat.distance_mm
    if sight.seat.main and not held.main_low_deg <= angle <= held.main_high_deg:
        words.append(
            f"viewing angle {angle:.1f}°. Aim for {held.main_low_deg:g} to {held.main_high_deg:g}° in the main row"
        )
    if distance == held.nearest_mm and angle > held.near_deg:
        words.append(f"viewing angle {angle:.1f}°, at most {held.near_deg:g}° in the nearest row")
    if distance == held.farthest_mm and angle < held.far_deg:
        words.append(f"viewing angle {angle:.1f}°, at least {held.far_deg:g}° in the farthest row")
    return words


def _row(at: Ask, sight: Sight) -> SeatRow:
    seat = sight.seat
    return SeatRow(
        id=seat.id,
        name=seat.name,
        main=seat.main,
        distance=at.text(seat.distance_mm),
        angle=f"{sight.angle_deg:.0f}°",
        top_neck=f"{sight.top_deg:.0f}°".replace("-", "−"),
        center_neck=f"{sight.centre_deg:.0f}°".replace("-", "−"),
        far_edge=f"{sight.far_edge_deg:.0f}°",
        pixel=f"{sight.pixel_arcmin:.1f} arcmin",
        sight=f"needs platform {at.text(sight.platform_mm)}" if sight.blocked else "clear",
        warnings=tuple(warnings(at, sight)),
    )
