"""What does not agree in a survey."""

from collections.abc import Iterator
from itertools import combinations

from gantline.core.defaults import SurveyDefaults
from gantline.core.height.profile import Profile
from gantline.core.wall.find import Kind
from gantline.job.field import field_of
from gantline.job.model import FIELDS, Job
from gantline.job.model.survey import Survey
from gantline.job.readings import REMOVED
from gantline.plan.ask import Ask
from gantline.plan.code import Coded
from gantline.plan.finding import Finding, cure, found, noted
from gantline.stations.survey.solve import NEAREST_MM, ceiling, floor, seat_places, wall_mm
from gantline.stations.survey.studs import lattice, left_out, strays, stud_fit, stud_readings

OUT_OF_LEVEL_MM = 2.0  # less is what a datum line is good for


class Code(Coded):
    """Every finding of this station."""

    STUD_OFF_WALL = "stud-off-wall", "stud off the wall"
    STUD_TOO_WIDE = "stud-too-wide", "stud too wide"
    STUDS_UNDECIDED = "studs-undecided", "studs undecided"
    STUD_STRAY = "stud-reading-stray", "stray stud reading"
    STUD_CONTRADICTION = "stud-readings-contradict", "stud readings disagree"
    READING_OFF_WALL = "reading-off-wall", "reading off the wall"
    OUT_OF_LEVEL = "out-of-level", "wall out of level"
    CEILING_UNDER_FLOOR = "ceiling-under-floor", "ceiling under floor"
    SEAT_TOO_NEAR = "seat-too-near", "seat too near"
    SEATS_ON_ONE_SPOT = "seats-on-one-spot", "seats on one spot"
    READING_REMOVED = "reading-removed", "reading removed"


@found
def studs(at: Ask) -> Iterator[Finding]:
    """A known stud beyond the wall."""
    studs = at(lattice)
    known = 0.0 if studs is None else studs.lattice.known_mm
    if studs is not None and studs.stud_mm >= studs.lattice.spacing_mm:
        text = (
            f"A stud {at.text(studs.stud_mm)} wide is as wide as the spacing, {at.text(studs.lattice.spacing_mm)}. Measure "
            "the stud's face again."
        )
        subject = field_of(Survey.stud_width_mm).pointer
        usual = (cure("Take the usual width until it is measured", (Survey.stud_width_mm, None)),)
        yield Finding(code=Code.STUD_TOO_WIDE, severity="stop", text=text, subject=subject, cures=usual)
    if studs is not None and known > studs.wall_mm:
        text = (
            f"The known stud is {at.text(known)} from the left, past the end of the wall at "
            f"{at.text(studs.wall_mm)}. Measure it again."
        )
        subject = field_of(Survey.stud_first_mm).pointer
        yield Finding(code=Code.STUD_OFF_WALL, severity="check", text=text, subject=subject)


@found
def undecided(at: Ask) -> Iterator[Finding]:
    """Readings that two lattices explain alike."""
    fitted = at(stud_fit)
    if at(lattice) is None or fitted is None or fitted.decided:
        return
    both = [at.text(one.spacing_mm) for one in (fitted.best, fitted.rival) if one is not None]
    said = "two stud layouts" if len(set(both)) < 2 else f"studs {' and '.join(both)} apart"
    more = (
        ""
        if fitted.next_mm is None
        else f" Hold a magnet at {at.text(fitted.next_mm)} and enter what it finds there."
    )
    few = "The readings fit" if fitted.rival is not None else "Too few readings to be sure of"
    text = f"{few} {said}. Do not drill yet.{more}"
    yield Finding(
        code=Code.STUDS_UNDECIDED,
        severity="stop",
        text=text,
        subject=field_of(Survey.stud_readings).pointer,
        by_hand="No tap ends this: only one more reading on the wall does.",
    )


@noted
def stray_readings(at: Ask) -> Iterator[Finding]:
    """Readings that fit no stud, and readings that contradict each other or lie past the wall."""
    read = at(stud_readings)
    if at(lattice) is None or not read:
        return
    out, within = at(left_out), at.default(SurveyDefaults.stud_place_mm)
    base = field_of(Survey.stud_readings).pointer
    ids = [reading.id for reading in at.things(Survey.stud_readings)]
    for number in sorted(out):
        stray = read[number]
        past = stray.x_mm > at(wall_mm)
        text = (
            f"The stud reading at {at.text(stray.x_mm)} lies past the end of the wall at {at.text(at(wall_mm))}. It is left out."
            if past
            else f"Two readings near {at.text(stray.x_mm)} contradict each other within {at.text(within)}: one found a stud, "
            "one found nothing. Both are left out. Read there again and remove the wrong one."
        )
        code = Code.READING_OFF_WALL if past else Code.STUD_CONTRADICTION
        yield Finding(code=code, severity="check", text=text, subject=f"{base}/{ids[number]}")
    for number, guess in at(strays).items():
        stray = read[number]
        kind = "magnet" if stray.kind is Kind.MAGNET else "sensor"
        text = f"The {kind} at {at.text(stray.x_mm)} is on no stud: {guess}?"
        yield Finding(code=Code.STUD_STRAY, severity="note", text=text, subject=f"{base}/{ids[number]}")


@noted
def readings(at: Ask) -> Iterator[Finding]:
    """Readings past the wall, and a ceiling or floor that is not level."""
    for name, profile, field in (
        ("ceiling", at(ceiling), Survey.ceiling_readings),
        ("floor", at(floor), Survey.floor_readings),
    ):
        yield from _profile(at, name, profile, field_of(field).pointer)


@found
def upside_down(at: Ask) -> Iterator[Finding]:
    """A ceiling that reads lower than the floor."""
    if at(ceiling).lowest(0.0, at(wall_mm)) <= max(y for _, y in at(floor).readings):
        text = "The ceiling reads lower than the floor. Check the readings."
        subject = field_of(Survey.ceiling_readings).pointer
        yield Finding(
            code=Code.CEILING_UNDER_FLOOR,
            severity="stop",
            text=text,
            subject=subject,
            by_hand="No tap ends this: read both again from the datum line.",
        )


@noted
def seats_in_screen(at: Ask) -> Iterator[Finding]:
    """Seats nearer than anyone can sit."""
    for place in at(seat_places):
        if place.distance_mm < NEAREST_MM:
            subject = f"{field_of(Survey.seats).pointer}/{place.id}"
            text = f"{place.name} is inside the screen's own depth. Move it back."
            yield Finding(code=Code.SEAT_TOO_NEAR, severity="check", text=text, subject=subject)


def _profile(at: Ask, name: str, profile: Profile, subject: str) -> Iterator[Finding]:
    wall = at(wall_mm)
    beyond = [x for x, _ in profile.readings if x > wall]
    if beyond:
        text = f"A {name} reading at {at.text(beyond[0])} lies past the end of the wall at {at.text(wall)}."
        yield Finding(code=Code.READING_OFF_WALL, severity="check", text=text, subject=subject)
    heights = [y for _, y in profile.readings]
    out_mm = max(heights) - min(heights)
    if out_mm >= OUT_OF_LEVEL_MM:
        text = (
            f"The {name} is {at.text(out_mm)} out of level along the wall. Mark heights from the datum line, "
            f"never from the {name}."
        )
        yield Finding(
            code=Code.OUT_OF_LEVEL, severity="note", text=text, subject=subject, numbers={"out_mm": out_mm}
        )


@noted
def seats_on_one_spot(at: Ask) -> Iterator[Finding]:
    """Two seats where only one can stand."""
    places = at(seat_places)
    for a, b in combinations(places, 2):
        if (a.x_mm, a.z_mm) == (b.x_mm, b.z_mm):
            subject = f"{field_of(Survey.seats).pointer}/{b.id}"
            text = f"{a.name} and {b.name} are on the same spot. Move one of them."
            yield Finding(code=Code.SEATS_ON_ONE_SPOT, severity="check", text=text, subject=subject)


@noted
def removed_readings(at: Ask) -> Iterator[Finding]:
    """A number whose reading was removed since: it stays, and it can no longer be looked up."""
    sources = at.given(Job.sources) or {}
    for pointer, source in sources.items():
        if source.endswith(REMOVED):
            field = FIELDS.get(pointer) or FIELDS.get(pointer.rpartition("/")[0])
            label = field.label if field else "A number"
            text = f"{label}: this comes from {source}. Measure again if it matters."
            yield Finding(code=Code.READING_REMOVED, severity="note", text=text, subject=pointer)


FINDINGS = (
    removed_readings,
    studs,
    undecided,
    stray_readings,
    readings,
    upside_down,
    seats_in_screen,
    seats_on_one_spot,
)
