"""Where the size starts: one of seven leads, each turned into one of width, height or diagonal."""

from dataclasses import dataclass
from fractions import Fraction

from gantline.core.errors import OutOfRange
from gantline.core.sight.angles import width_for_angle_mm
from gantline.core.size.aspect import read_aspect
from gantline.core.size.picture import Lead
from gantline.core.size.starts import width_from_throw_mm, width_on_wall_mm
from gantline.job.document import SizeLead
from gantline.plan.book import Book
from gantline.plan.lens import overspill_mm
from gantline.plan.seats_at import Placed, main_seat

LEADS = (
    (SizeLead.DIAGONAL, "diagonal"),
    (SizeLead.WIDTH, "width"),
    (SizeLead.HEIGHT, "height"),
    (SizeLead.WALL, "free wall"),
    (SizeLead.ANGLE, "viewing angle"),
    (SizeLead.THROW, "throw that is fixed"),
    (SizeLead.MEASURED, "picture on the wall"),
)
VALUE_LABELS = {
    SizeLead.DIAGONAL: "Diagonal",
    SizeLead.WIDTH: "Width",
    SizeLead.HEIGHT: "Height",
    SizeLead.WALL: "Free wall, width",
    SizeLead.MEASURED: "Width measured on the wall",
}
SMALLEST_MM = 100.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Start:
    """The plain lead and value [mm] a start comes to, and how, for the working."""

    lead: Lead
    value_mm: float
    how: str


def start(book: Book, aspect: Fraction, seats: tuple[Placed, ...], fabric_mm: float) -> Start:
    """Resolve the lead; one that cannot be resolved yet falls back on the last diagonal, and says so."""
    given = book.job.size
    lead = SizeLead(given.lead)
    book.entered("lead", "size", "Starts from", "/size/lead", lead, dict(LEADS)[lead], "choice", LEADS)
    if lead in VALUE_LABELS:
        book.length("lead_value", "size", VALUE_LABELS[lead], "/size/value_mm", given.value_mm, "wall_width_mm")
    try:
        found = _resolve(book, lead, aspect, seats, fabric_mm)
    except OutOfRange as error:
        book.find("start-impossible", "size", "stop", f"This start gives no picture: {error}.")
        found = None
    if found is not None and found.value_mm >= SMALLEST_MM:
        return found
    return Start(lead=Lead.DIAGONAL, value_mm=given.value_mm, how="the last diagonal, until the start is known")


def _resolve(book: Book, lead: SizeLead, aspect: Fraction, seats: tuple[Placed, ...], fabric_mm: float) -> Start | None:
    given = book.job.size
    match lead:
        case SizeLead.DIAGONAL | SizeLead.WIDTH | SizeLead.HEIGHT:
            return Start(lead=Lead(lead.value), value_mm=given.value_mm, how=f"{lead} {book.exact(given.value_mm)}")
        case SizeLead.MEASURED:
            return Start(lead=Lead.WIDTH, value_mm=given.value_mm, how=f"measured {book.exact(given.value_mm)} on the wall")
        case SizeLead.WALL:
            width = width_on_wall_mm(given.value_mm, given.border.side_mm)
            return Start(lead=Lead.WIDTH, value_mm=width, how=f"free wall {book.exact(given.value_mm)} − 2 × border")
        case SizeLead.ANGLE:
            return _from_angle(book, seats)
        case SizeLead.THROW:
            return _from_throw(book, aspect, fabric_mm)


def _from_angle(book: Book, seats: tuple[Placed, ...]) -> Start | None:
    angle = book.job.size.angle_deg
    book.entered("angle", "size", "Wished angle, main seat", "/size/angle_deg", angle, f"{angle:g}", "number")
    seat = main_seat(seats)
    if seat is None:
        book.find("no-main-seat", "size", "stop", "A size from a viewing angle needs a seat: add one in the survey.")
        return None
    centre = book.job.height.centre_x_mm
    wall = book.job.survey.wall_width_mm
    middle = (book.shop["wall_width_mm"] if wall is None else wall) / 2.0
    offset = seat.x_mm - (middle if centre is None else centre)
    width = width_for_angle_mm(angle, seat.distance_mm, offset)
    return Start(
        lead=Lead.WIDTH, value_mm=width, how=f"{angle:g}° from {book.exact(seat.distance_mm)}, {book.exact(offset)} off centre"
    )


def _from_throw(book: Book, aspect: Fraction, fabric_mm: float) -> Start | None:
    given = book.job.throw
    if given.ratio_low is None or given.ratio_high is None or given.lens_from_wall_mm is None:
        book.find("no-fixed-throw", "size", "stop",
            "A size from a throw needs the projector's throw ratio and its lens's distance from the wall: enter both in Throw.")  # fmt: skip
        return None
    fixed = given.ratio_low >= given.ratio_high
    ratio = given.ratio_low if fixed else given.ratio_low * (1.0 + book.shop["throw_margin"])
    distance = given.lens_from_wall_mm - fabric_mm
    width = width_from_throw_mm(distance, ratio, read_aspect(given.panel_aspect), aspect, overspill_mm(book))
    return Start(lead=Lead.WIDTH, value_mm=width, how=f"lens {book.exact(distance)} from the fabric / throw ratio {ratio:.3f}")
