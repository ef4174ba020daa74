"""The studs: as typed, or fitted to readings, with what was set by hand."""

from gantline.core.defaults import SurveyDefaults
from gantline.core.wall.find import (
    NOISE_DEFAULTS,
    SPACINGS_MM,
    Kind,
    Noise,
    StudFit,
    StudReading,
    fit_studs,
    noise_of,
)
from gantline.core.wall.found import Studs, contradictions, spread_mm, studs_on_wall, unread_mm, unseen_mm
from gantline.core.wall.studs import StudLattice
from gantline.job.field import field_of
from gantline.job.model.survey import StudMark, Survey
from gantline.job.model.survey import StudReading as Read
from gantline.plan.ask import Ask
from gantline.stations.survey.solve import wall_mm

OPENINGS = ("window", "door")


CONFIRMS = (
    "A stud is confirmed by a magnet on a screw in it, or by two readings of a sensor, as of both its edges. One sensor reading "
    "only predicts it."
)


def stud_noise(at: Ask) -> Noise:
    """How far readings scatter, and how many of them are no stud."""
    return Noise(**{name: at.default(one) for name, one in NOISE_DEFAULTS.items()})


def stud_readings(at: Ask) -> tuple[StudReading, ...]:
    """Every reading as it was taken."""
    read = at.rows(Survey.stud_readings, Read.x_mm, Read.kind)
    return tuple(StudReading(x, Kind(kind)) for x, kind in read)


def left_out(at: Ask) -> frozenset[int]:
    """Readings that no stud is fitted to, by their places in the list: past the wall's end, or said two things of one place."""
    read, end = at(stud_readings), at(wall_mm)
    past = {number for number, one in enumerate(read) if one.x_mm > end}
    return frozenset(past.union(*contradictions(read, at.default(SurveyDefaults.stud_place_mm))))


def fitted_readings(at: Ask) -> tuple[StudReading, ...]:
    """The readings that studs are fitted to."""
    read = at(stud_readings)
    out = at(left_out) if read else frozenset[int]()
    return tuple(one for number, one in enumerate(read) if number not in out)


def openings(at: Ask) -> tuple[tuple[float, float], ...]:
    """From and to along the wall of windows and doors, which no stud runs through [mm]."""
    return tuple(
        (fitting.x_mm, fitting.x_mm + fitting.width_mm)
        for fitting in at.things(Survey.fittings)
        if fitting.kind in OPENINGS
    )


def _typed(at: Ask) -> tuple[float | None, float | None]:
    return at.given(Survey.stud_first_mm), at.given(Survey.stud_spacing_mm)


def typed(at: Ask) -> tuple[float | None, float | None]:
    """A known stud and the spacing as they were typed; what was not weighs nothing, for readings stand in its place."""
    first, spacing = at.aside(_typed)
    if first is not None:
        at.given(Survey.stud_first_mm)
    if spacing is not None:
        at.given(Survey.stud_spacing_mm)
    return first, spacing


def stud_fit(at: Ask) -> StudFit | None:
    """The lattice behind the readings; None without readings, or where a stud and the spacing were typed."""
    read = at(fitted_readings)
    first, spacing = at(typed) if read else (None, None)
    wide = at.field(Survey.stud_width_mm) if read else 0.0
    if not read or (first is not None and spacing is not None):
        return None
    more = () if first is None else (StudReading(first, Kind.MAGNET),)
    return fit_studs(
        (*read, *more),
        wall_mm=at(wall_mm),
        stud_mm=wide,
        noise=at(stud_noise),
        spacings_mm=SPACINGS_MM if spacing is None else (spacing,),
        keep_out=at(openings),
    )


def rival_studs_mm(at: Ask) -> tuple[float, ...]:
    """Studs of the lattice that explains the readings as well; none where it is decided [mm]."""
    fitted = at(stud_fit)
    if fitted is None or fitted.decided or fitted.rival is None:
        return ()
    rival = fitted.rival
    return StudLattice(
        known_mm=rival.first_mm, spacing_mm=rival.spacing_mm, stud_mm=at.field(Survey.stud_width_mm), wall_mm=at(wall_mm)
    ).centres_mm  # fmt: skip


def base_lattice(at: Ask) -> StudLattice:
    """Fitted, else as typed, else as it is usual."""
    fitted = at(stud_fit)
    known, spacing = (
        (fitted.best.first_mm, fitted.best.spacing_mm)
        if fitted is not None
        else (at.field(Survey.stud_first_mm), at.field(Survey.stud_spacing_mm))
    )
    return StudLattice(
        known_mm=known,
        spacing_mm=spacing,
        stud_mm=at.field(Survey.stud_width_mm),
        wall_mm=at(wall_mm),
    )


def wall_build(at: Ask) -> str:
    """What the wall is built of: as entered, else studs where a reading found one, else what is usual."""
    found_studs = any(reading.kind is not Kind.NOTHING for reading in at(stud_readings))
    if found_studs and at.aside(build_given) is None:
        return "studs"
    return at.field(Survey.build)


def build_given(at: Ask) -> str | None:
    """The wall build as it was entered."""
    return at.given(Survey.build)


def lattice_off_mm(at: Ask) -> float:
    """How far off the whole lattice may stand [mm]: as its readings scatter, a typed stud as a magnet's reading, anywhere
    in its spacing where nobody looked."""
    read, fitted = at(fitted_readings), at(stud_fit)
    if fitted is not None and fitted.decided:
        return spread_mm([reading for reading in read if reading.kind is not Kind.NOTHING], at(stud_noise))
    if at(studs_known):
        return noise_of(at.shop).magnet_mm
    return unseen_mm(at(base_lattice).spacing_mm)


def found_by_hand(at: Ask) -> tuple[StudReading, ...]:
    """The known stud that somebody typed, which is as good as a magnet's reading."""
    first = at(typed)[0]
    said = at.said(field_of(Survey.stud_first_mm).pointer)
    return () if first is None or said == "assumed" else (StudReading(first, Kind.MAGNET),)


def lattice(at: Ask) -> Studs | None:
    """The studs; None on masonry."""
    if at(wall_build) != "studs":
        return None
    read = at(fitted_readings)
    return studs_on_wall(
        at(base_lattice),
        (*read, *at(found_by_hand)),
        noise=at(stud_noise) if read else noise_of(at.shop),
        unread_mm=unread_mm(at(lattice_off_mm), at.default(SurveyDefaults.stud_strays_mm)),
        openings=at(openings),
        by_hand=tuple((mark.x_mm, at.of(mark, StudMark.there)) for mark in at.things(Survey.stud_marks)),
    )


def strays(at: Ask) -> dict[int, str]:
    """Readings that are on no stud, by their places in the list, and what each may be."""
    studs = at(lattice)
    if studs is None or not studs.strays:
        return {}
    out = at(left_out)
    kept = [number for number in range(len(at(stud_readings))) if number not in out]
    # a stud that was typed is no reading in the list
    return {kept[stray.number]: stray.guess for stray in studs.strays if stray.number < len(kept)}


def studs_known(at: Ask) -> bool:
    """Whether somebody found a stud and the spacing, or enough readings did; until then the lattice only stands in."""
    fitted = at(stud_fit)
    if fitted is not None:
        return fitted.decided
    first, spacing = at.given(Survey.stud_first_mm), at.given(Survey.stud_spacing_mm)
    said = (at.said("/survey/stud_first_mm"), at.said("/survey/stud_spacing_mm"))
    return first is not None and spacing is not None and "assumed" not in said
