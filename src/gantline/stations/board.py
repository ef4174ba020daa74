"""The faces of the board: their bounds, their sentence, and every station's marks on them."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from gantline.core.height.profile import Profile
from gantline.core.units import pair_text
from gantline.drawing.labels import placed
from gantline.drawing.layers import WALL_SHEET
from gantline.drawing.marks import Dimension, Face, Handle, Label, Lanes, Mark, MarkRests
from gantline.drawing.pens import PENS
from gantline.drawing.refused import crossed_out
from gantline.plan.ask import Ask
from gantline.plan.plan import JobPlan
from gantline.plan.rests import Rests
from gantline.plan.station import Draw, FaceName, Station
from gantline.stations.common import standoff_mm
from gantline.stations.frame.edge_marks import BESIDE_MM, OVER_MM, lowest_mm, section_mm
from gantline.stations.frame.edge_marks import WALL_MM as WALL_EDGE_MM
from gantline.stations.height import fits, placement, rect_of_frame
from gantline.stations.outlines import HATCH_MM, WALL_MM, ceiling_section, drawn_depth_mm, outlines
from gantline.stations.size import screen
from gantline.stations.survey import seat_places, wall_mm
from gantline.stations.tension import tension_points

PRINTED = (frozenset(("base", *WALL_SHEET)),) * 2
FACES: tuple[FaceName, ...] = ("front", "side", "top", "back", "edge")


def draw(job_plan: JobPlan, stations: Sequence[Station], face: FaceName) -> Face:
    """One face with every station's marks, in the order of the stations."""
    ask, rests = job_plan.ask, job_plan.rests
    groups = [
        group
        for station in stations
        for part in (station.edge if face == "edge" else station.draw)
        for group in [_marks(ask, part, face, rests)]
    ]
    marks = tuple(mark for found, _ in groups for mark in found)
    on: dict[tuple[str, ...], list[str]] = {}
    for found, keys in groups:
        if keys:
            on.setdefault(keys, []).extend(mark.key for mark in found)
    bare = replace(
        ask(bounds_of, face),
        marks=marks,
        rests=tuple(MarkRests(on=keys, marks=tuple(names)) for keys, names in on.items()),
    )
    bare = crossed_out(bare, *job_plan.refused)
    return placed(bare, (*(station.seen for station in stations), PRINTED))


def shown(marks: Iterable[Mark], station: Station) -> Iterator[Mark]:
    """The marks a station shows: what it lights up and what is always drawn, its own dimensions and handles."""
    for mark in marks:
        if mark.layer in station.lit.hides:
            continue
        if mark.layer in ("base", "content"):
            yield mark
        elif isinstance(mark, Dimension | Label):
            if mark.layer in station.lit.dimensions:
                yield mark
        elif isinstance(mark, Handle):
            if mark.layer in station.lit.handles:
                yield mark
        elif mark.layer in station.lit.layers or PENS[mark.role].always:
            yield mark


def drawn(at: Ask, part: Draw, face: FaceName) -> tuple[Mark, ...]:
    """What one part of a station draws on a face."""
    return tuple(part(at, face))


def _marks(ask: Ask, part: Draw, face: FaceName, rests: Rests) -> tuple[tuple[Mark, ...], tuple[str, ...]]:
    answer = ask.answer(drawn, part, face)
    return answer.value, rests.on(answer.weighs)


def bounds_of(at: Ask, face: FaceName) -> Face:
    """A face without its marks."""
    match face:
        case "front":
            return _front(at)
        case "side":
            return _side(at)
        case "top":
            return _top(at)
        case "back":
            return _back(at)
        case "edge":
            return _edge(at)


def _front(at: Ask) -> Face:
    left, bottom, right, top = at(rect_of_frame)
    floor, ceiling = at(outlines)
    wall, picture = at(wall_mm), at(screen).picture
    size = pair_text(picture.width_mm, picture.height_mm, at.units)
    where = f"top {at.text(at(placement).top_mm)} above the floor" if at(fits) else "no height fits"
    return Face(
        name="front",
        summary=f"Wall {at.text(wall)} wide, seen from the front, screen {size}, {where}.",
        left_mm=min(0.0, left),
        right_mm=max(wall, right),
        bottom_mm=min(*(y for _, y in floor), bottom) - HATCH_MM,
        top_mm=max(*(y for _, y in ceiling), top) + HATCH_MM,
        lanes=Lanes(left=2, right=2, above=2, below=2),
        marks=(),
    )


def _side(at: Ask) -> Face:
    left, _, right, top = at(rect_of_frame)
    floor = at(outlines)[0]
    x, deep = (left + right) / 2.0, at(drawn_depth_mm)
    return Face(
        name="side",
        summary=f"Section of the room, {at.text(deep)} deep, {len(at(seat_places))} seats.",
        left_mm=-WALL_MM,
        right_mm=deep,
        bottom_mm=Profile(floor).at(x) - WALL_MM,
        top_mm=max(*(y for _, y in at(ceiling_section)), top) + WALL_MM,
        lanes=Lanes(left=2, right=1, above=1, below=2),
        marks=(),
    )


def _top(at: Ask) -> Face:
    deep, wall = at(drawn_depth_mm), at(wall_mm)
    return Face(
        name="top",
        summary=f"Room from above, {at.text(wall)} by {at.text(deep)}, {len(at(seat_places))} seats.",
        left_mm=0.0,
        right_mm=wall,
        bottom_mm=-WALL_MM,
        top_mm=deep,
        lanes=Lanes(left=1, right=1, above=1, below=1),
        marks=(),
        y_down=True,
    )


def _edge(at: Ask) -> Face:
    deep, inner = at(section_mm)
    plane = at(standoff_mm) + deep
    return Face(
        name="edge",
        summary=f"Section through the top edge, frame {at.text(deep)} deep and {at.text(inner)} wide, fabric {at.text(plane)} "
        "off the wall.",
        left_mm=-WALL_EDGE_MM,
        right_mm=plane + BESIDE_MM,
        bottom_mm=-at(lowest_mm),
        top_mm=OVER_MM,
        lanes=Lanes(left=1, right=2, above=0, below=2),
        marks=(),
    )


def _back(at: Ask) -> Face:
    own_screen, points = at(screen), at(tension_points)
    count = 0 if isinstance(points, str) else len(points)
    wide, high = own_screen.overall_width_mm, own_screen.overall_height_mm
    return Face(
        name="back",
        summary=f"Frame seen from the back, {at.text(wide)} by {at.text(high)}, {count} tension points.",
        left_mm=0.0,
        right_mm=wide,
        bottom_mm=0.0,
        top_mm=high,
        lanes=Lanes(left=2, right=1, above=2, below=2),
        marks=(),
    )
