"""Studs on the wall, the readings that they were found by, and where to read once more."""

from collections.abc import Iterator

from gantline.core.wall.find import Kind
from gantline.core.wall.found import StudState
from gantline.drawing.marks import Area, Dot, Label, Line, Mark, rectangle
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.outlines import outlines
from gantline.stations.survey.solve import room
from gantline.stations.survey.studs import (
    lattice,
    left_out,
    rival_studs_mm,
    strays,
    stud_fit,
    stud_readings,
    studs_known,
)

ROLES = {StudState.MISSING: "stud-missing", StudState.PREDICTED: "stud-predicted"}
SAID = {Kind.EDGE: "edge", Kind.CENTER: "center", Kind.MAGNET: "magnet", Kind.NOTHING: "nothing found"}
ROOM_MM = 900.0
TEXT_SHARE = 0.3  # low, where no screen hangs


def _reach(at: Ask) -> tuple[float, float]:
    floor, ceiling = at(outlines)
    return max(y for _, y in floor), min(y for _, y in ceiling)


def stud_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Studs on the wall: confirmed, only predicted, or missing; and those of a lattice that fits as well."""
    studs = at(lattice)
    if face != "front" or studs is None:
        return
    typed = at(stud_fit) is None and at(studs_known)
    (bottom, top), half = _reach(at), studs.stud_mm / 2.0
    for number, stud in enumerate(studs.studs, start=1):
        role = ROLES.get(stud.state, "stud")
        yield Area(
            key=f"stud-{number}",
            role="stud" if typed and stud.state is StudState.PREDICTED else role,
            layer="wall",
            points=rectangle(stud.x_mm - half, bottom, stud.x_mm + half, top),
        )
    for number, x in enumerate(at(rival_studs_mm), start=1):
        points = rectangle(x - half, bottom, x + half, top)
        yield Area(key=f"stud-rival-{number}", role="stud-rival", layer="wall", points=points)


def stud_read_marks(at: Ask, face: FaceName) -> Iterator[Mark]:
    """A dot for each reading on the datum line, and the one place that settles a doubt.

    A layer of its own: seen where studs are looked for and drilled into; over a picture it would be noise.
    """
    read = at(stud_readings)
    if face != "front" or at(lattice) is None or not read:
        return
    level, out = at(room).datum_mm, at(left_out)
    odd = out.union(at(strays))
    for number, one in enumerate(read):
        role = "stud-stray" if number in odd else f"stud-{one.kind}"
        yield Dot(
            key=f"stud-read-{number + 1}",
            role=role,
            layer="readings",
            at=(one.x_mm, level),
            name=f"stud reading {number + 1}, {SAID[one.kind]}",
        )
    fitted = at(stud_fit)
    if fitted is not None and fitted.next_mm is not None:
        bottom, top = _reach(at)
        x = fitted.next_mm
        yield Line(key="stud-next", role="stud-next", layer="readings", points=((x, bottom), (x, top)))
        yield Label(
            key="stud-next-text",
            layer="readings",
            at=(x, bottom + (min(level, top) - bottom) * TEXT_SHARE),
            text=f"read here, {at.text(x)}",
            room_mm=(ROOM_MM, ROOM_MM),
            role="stud-next",
            size="text",
        )
