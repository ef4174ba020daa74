"""What does not agree in a survey."""

from collections.abc import Iterator
from enum import StrEnum
from itertools import combinations

from gantline.core.height.profile import Profile
from gantline.job.field import field_of
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.finding import Finding, found
from gantline.stations.survey.solve import NEAREST_MM, ceiling, floor, lattice, seat_places, wall_mm

OUT_OF_LEVEL_MM = 2.0  # less is what a datum line is good for


class Code(StrEnum):
    """Every finding of this station."""

    STUD_OFF_WALL = "stud-off-wall"
    READING_OFF_WALL = "reading-off-wall"
    OUT_OF_LEVEL = "out-of-level"
    CEILING_UNDER_FLOOR = "ceiling-under-floor"
    SEAT_TOO_NEAR = "seat-too-near"
    SEATS_ON_ONE_SPOT = "seats-on-one-spot"


@found
def studs(at: Ask) -> Iterator[Finding]:
    """A known stud beyond the wall."""
    studs = at(lattice)
    if studs is not None and studs.known_mm > studs.wall_mm:
        text = (
            f"The known stud is {at.text(studs.known_mm)} from the left, past the end of the wall at "
            f"{at.text(studs.wall_mm)}. Measure it again."
        )
        subject = field_of(Survey.stud_first_mm).pointer
        yield Finding(code=Code.STUD_OFF_WALL, severity="check", text=text, subject=subject)


@found
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
        yield Finding(code=Code.CEILING_UNDER_FLOOR, severity="stop", text=text, subject=subject)


@found
def seats_in_screen(at: Ask) -> Iterator[Finding]:
    """Seats nearer than anyone can sit."""
    for one in at(seat_places):
        if one.distance_mm < NEAREST_MM:
            subject = f"{field_of(Survey.seats).pointer}/{one.id}"
            text = f"{one.name} is inside the screen's own depth. Move it back."
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


@found
def seats_on_one_spot(at: Ask) -> Iterator[Finding]:
    """Two seats where only one can stand."""
    there = at(seat_places)
    for a, b in combinations(there, 2):
        if (a.x_mm, a.z_mm) == (b.x_mm, b.z_mm):
            subject = f"{field_of(Survey.seats).pointer}/{b.id}"
            text = f"{a.name} and {b.name} are on the same spot. Move one of them."
            yield Finding(code=Code.SEATS_ON_ONE_SPOT, severity="check", text=text, subject=subject)


FINDINGS = (studs, readings, upside_down, seats_in_screen, seats_on_one_spot)
