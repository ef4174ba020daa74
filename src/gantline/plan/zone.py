"""The zone: where in the room the lens is allowed to be, by whoever lives there."""

import math

from gantline.core.space import Solid
from gantline.core.throw.places import Wanted, possible
from gantline.plan.book import Book, cure

ENDS = (
    ("x_low_mm", "Zone, left end"), ("x_high_mm", "Zone, right end"),
    ("y_low_mm", "Zone, low end"), ("y_high_mm", "Zone, high end"),
    ("z_low_mm", "Zone, near end"), ("z_high_mm", "Zone, far end"),
)  # fmt: skip
WAYS = (("lens_x_mm", "to the right", "to the left"), ("lens_y_mm", "up", "down"), ("lens_from_wall_mm", "back", "nearer"))


def write_zone(book: Book) -> None:
    """The six ends as fields; an empty one leaves that side open."""
    for field, label in ENDS:
        value, key, pointer = getattr(book.job.throw.zone, field), f"zone_{field.removesuffix('_mm')}", f"/throw/zone/{field}"
        if value is None:
            book.blank(key, "throw", label, pointer, "length")
        else:
            book.length(key, "throw", label, pointer, value, "datum_mm")


def zone_of(book: Book) -> Solid | None:
    """The zone for the lens's pupil [mm, z from the bare wall]; None where no end is set."""
    given = book.job.throw.zone
    ends = [getattr(given, field) for field, _ in ENDS]
    if all(end is None for end in ends):
        return None
    behind = (0.0, 0.0, book.job.throw.distance_offset_mm)
    low = [-math.inf if end is None else end - out for end, out in zip(ends[::2], behind, strict=True)]
    high = [math.inf if end is None else end - out for end, out in zip(ends[1::2], behind, strict=True)]
    return Solid(name="zone", low=(low[0], low[1], low[2]), high=(high[0], high[1], high[2]))


def check_zone(book: Book, wanted: Wanted, place: tuple[float, float, float]) -> None:
    """A finding for a lens outside its zone, with the way in where the lens can be there."""
    zone = wanted.zone
    if zone is None:
        return
    if any(low > high for low, high in zip(zone.low, zone.high, strict=True)):
        book.find("zone-empty", "throw", "mind", "The zone holds no place: one of its ends lies past the other.")
        return
    into = tuple(min(max(at, low), high) for at, low, high in zip(place, zone.low, zone.high, strict=True))
    tolerance, moves, changes = book.shop["place_tolerance_mm"], [], {}
    for axis, (field, more, less) in enumerate(WAYS):
        off = into[axis] - place[axis]
        if abs(off) > tolerance:
            moves.append(f"{book.text(abs(off))} {more if off > 0.0 else less}")
            changes[f"throw__{field}"] = into[axis] + (book.job.throw.distance_offset_mm if axis == 2 else 0.0)
    if not moves:
        return
    said = " and ".join(moves)
    ways = [cure(f"Lens {said}", **changes)] if bool(possible(wanted, *into)) else []
    book.find(
        "outside-zone", "throw", "mind", f"The lens is outside the zone it may be in: it would have to go {said}.", {}, ways
    )
