"""Where each eye is, in wall axes."""

from dataclasses import dataclass

from gantline.core.sight.rows import Eye, Seated, platforms_mm
from gantline.job.room_objects import Seat
from gantline.plan.book import Book
from gantline.plan.figures import Change, Cure

NEAREST_MM = 100.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Placed:
    """A seat in wall axes [mm]; distance_mm from the fabric plane, eye_mm above the finished floor."""

    index: int
    name: str
    x_mm: float
    distance_mm: float
    eye_mm: float
    seated_mm: float
    platform_mm: float
    main: bool

    @property
    def eye(self) -> Eye:
        """As the sight formulas want it."""
        return Eye(distance_mm=self.distance_mm, eye_mm=self.eye_mm)


def place_seats(book: Book, fabric_mm: float) -> tuple[Placed, ...]:
    """Every surveyed seat that is in front of the fabric; the first is the main one unless one is marked."""
    given = book.job.survey.seats
    marked = any(seat.main for seat in given)
    out = []
    for index, seat in enumerate(given):
        distance_mm = seat.from_wall_mm - fabric_mm
        if distance_mm < NEAREST_MM:
            book.find(f"seat-{index}-too-near", "survey", "mind", f"{_name(index, seat)} is in the screen's own depth.")
            continue
        seated_mm = book.shop["eye_mm"] if seat.eye_mm is None else seat.eye_mm
        out.append(
            Placed(
                index=index, name=_name(index, seat), x_mm=seat.x_mm, distance_mm=distance_mm,
                eye_mm=seated_mm + seat.platform_mm, seated_mm=seated_mm, platform_mm=seat.platform_mm,
                main=seat.main if marked else index == 0,
            )
        )  # fmt: skip
    return tuple(out)


def raised_mm(book: Book, seats: tuple[Placed, ...], bottom_mm: float) -> tuple[float, ...]:
    """The platform each seat needs [mm], in the order of the seats; bottom_mm, the picture's."""
    asked = [Seated(distance_mm=one.distance_mm, seated_mm=one.seated_mm, platform_mm=one.platform_mm) for one in seats]
    return platforms_mm(asked, bottom_mm, clear_mm=book.shop["head_clear_mm"], step_mm=float(book.units.grid))


def platforms(book: Book, seats: tuple[Placed, ...], needed_mm: tuple[float, ...]) -> tuple[Cure, ...]:
    """One cure that puts every seat on the platform it needs; none where all stand on it already."""
    raised = [(one, high) for one, high in zip(seats, needed_mm, strict=True) if high > one.platform_mm]
    if not raised:
        return ()
    heights = dict.fromkeys(high for _, high in raised)
    said = "; ".join(f"{book.text(high)} under {', '.join(one.name for one, at in raised if at == high)}" for high in heights)
    changes = (Change(pointer=f"/survey/seats/{one.index}/platform_mm", value=high) for one, high in raised)
    return (Cure(text=f"Platforms: {said}", changes=tuple(changes)),)


def main_seat(seats: tuple[Placed, ...]) -> Placed | None:
    """The seat that leads, None without seats."""
    return next((seat for seat in seats if seat.main), seats[0] if seats else None)


def _name(index: int, seat: Seat) -> str:
    return seat.name or f"Seat {index + 1}"
