"""Fittings on the wall: where nobody drills, and what the frame would cover."""

from gantline.core.wall.bands import Band, crosses, stud_is_free
from gantline.core.wall.marks import Hole
from gantline.job.room_objects import Fitting
from gantline.plan.book import Book, cure
from gantline.plan.height import Hung

WIRED = ("outlet", "switch", "thermostat", "radiator", "other")


def band_mm(book: Book, one: Fitting) -> float:
    """Width of the no-drill band beside a fitting [mm]: as surveyed, else the default where cable or pipe runs."""
    if one.band_mm is not None:
        return float(one.band_mm)
    return float(book.shop["no_drill_band_mm"]) if one.kind in WIRED else 0.0


def bands(book: Book) -> tuple[Band, ...]:
    """All no-drill bands of the survey."""
    return tuple(
        Band(name=one.name or one.kind.replace("-", " "), left_mm=one.x_mm - wide, right_mm=one.x_mm + one.width_mm + wide,
            bottom_mm=one.y_mm - wide, top_mm=one.y_mm + one.height_mm + wide)
        for one in book.job.survey.fittings
        for wide in (band_mm(book, one),)
        if wide > 0.0
    )  # fmt: skip


def free_studs(book: Book, studs_mm: tuple[float, ...]) -> tuple[float, ...]:
    """Studs no band runs straight up or down along."""
    found = bands(book)
    return tuple(x for x in studs_mm if stud_is_free(x, found))


def check_holes(book: Book, holes: tuple[Hole, ...]) -> None:
    """A hole in a band is a stop: cable or pipe may run there."""
    for hole in holes:
        hit = [one for one in bands(book) if crosses(one, hole.x_mm, hole.y_mm)]
        if hit:
            book.find(f"hole-in-band-{hole.key}", "wall", "stop",
                f"The {hole.row} {hole.side} hole lies in the no-drill band of the {hit[0].name}: cable or pipe may run there.")  # fmt: skip


def check_covered(book: Book, hung: Hung) -> None:
    """The frame over a window, a door or a switch is said at once."""
    for index, one in enumerate(book.job.survey.fittings):
        if not hung.covers(one):
            continue
        name = one.name or one.kind.replace("-", " ")
        severity = "stop" if one.kind in ("window", "door") else "mind"
        half, middle = hung.place.screen.overall_width_mm / 2.0, hung.place.centre_x_mm
        clear = one.x_mm - half if one.x_mm + one.width_mm / 2.0 > middle else one.x_mm + one.width_mm + half
        way = "left" if clear < middle else "right"
        fits = half <= clear <= float(str(book.figures["wall_width"].value)) - half
        cures = [cure(f"Screen {book.text(abs(clear - middle))} to the {way}", height__centre_x_mm=clear)] if fits else []
        book.find(f"covers-{index}", "height", severity, f"The frame covers the {name}.", {}, cures)  # type: ignore[arg-type]
