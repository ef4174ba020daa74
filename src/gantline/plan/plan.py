"""plan(job, shop): the whole plan of one job, pure and total."""

from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.cautions import LOCAL_RULES, Caution, cautions_for
from gantline.core.defaults import PLAIN_SHOP, Shop
from gantline.core.tension.holds import Hold
from gantline.core.units import pair_text
from gantline.job.document import Job
from gantline.job.fields import Closed
from gantline.plan.additions import Addition, additions
from gantline.plan.book import Book
from gantline.plan.by_zoom import ByZoom
from gantline.plan.content import ShapeRow, content
from gantline.plan.figures import STATIONS, Figure, Finding, Severity, StationKey, StationState, ToMeasure
from gantline.plan.fittings import check_covered
from gantline.plan.height import Hung, height
from gantline.plan.lens import fabric_plane_mm
from gantline.plan.light import LightModel, SeatLight, light
from gantline.plan.mount import JoistRow
from gantline.plan.scene import Scene, build_scene
from gantline.plan.seats import SeatRow, seat_rows
from gantline.plan.seats_at import Placed, place_seats
from gantline.plan.signal import SignalPlan, signal
from gantline.plan.size import Sized, TidyRow, size
from gantline.plan.survey import survey
from gantline.plan.tension import StepRow, tension
from gantline.plan.throw import Beam, throw
from gantline.plan.wall import MarkRow, wall

RANK: dict[Severity, int] = {"stop": 0, "mind": 1, "note": 2}


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """One job worked out: what is known, what it came to, what to do next. Scene is drawn elsewhere."""

    name: str
    stations: tuple[StationState, ...]
    figures: tuple[Figure, ...]
    findings: tuple[Finding, ...]
    tidy: tuple[TidyRow, ...]
    marks: tuple[MarkRow, ...]
    steps: tuple[StepRow, ...]
    hooks: str
    cautions: tuple[Caution, ...]
    local_rules: str
    to_measure: tuple[ToMeasure, ...]
    next_point: str
    size_text: str
    reading_texts: dict[str, str]
    seats: tuple[SeatRow, ...]
    seat_light: tuple[SeatLight, ...]
    light_states: tuple[str, ...]
    shapes: tuple[ShapeRow, ...]
    additions: tuple[Addition, ...]
    joists: tuple[JoistRow, ...]
    by_zoom: ByZoom | None
    signal: SignalPlan | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Planned:
    """A plan and the scene it is drawn from."""

    plan: Plan
    scene: Scene
    hung: Hung
    sized: Sized
    seats: tuple[Placed, ...]
    model: LightModel | None


def plan(job: Job, shop: Shop = PLAIN_SHOP, *, brief: bool = False) -> Planned:
    """Run the stations in the order they depend on each other.

    Any valid job gives a plan: what cannot be computed yet, or cannot be at all, is a finding.
    `brief` leaves out what comparisons of sizes and fabrics do not show: tidy sizes, content shapes, the
    tension order and the texts of the survey's lists. Findings that stop are the same, without their cures.
    """
    book = Book(job, shop, brief=brief)
    room = survey(book)
    fabric_mm = fabric_plane_mm(book)
    seats = place_seats(book, fabric_mm)
    sized = size(book, room.wall_mm, seats, fabric_mm)
    hung = height(book, room, sized, seats)
    beam = throw(book, room, sized, hung, fabric_mm)
    lit = light(book, room, hung, beam, seats)
    seen = seat_rows(book, hung, seats, *_pixels(book, hung, beam))
    shapes = () if brief else content(book, sized)
    check_covered(book, hung)
    drilling = wall(book, room, hung)
    stretch = None if brief else tension(book, sized.screen)
    chain = None if brief else signal(book)
    _say_assumed(book)
    findings = tuple(sorted(book.findings, key=lambda one: RANK[one.severity]))
    figures = tuple(book.figures.values())
    finished = Plan(
        name=job.name,
        stations=tuple(_state(book, key, size_text(sized, book)) for key in STATIONS),
        figures=figures,
        findings=findings,
        tidy=sized.tidy,
        marks=drilling.rows if drilling else (),
        steps=stretch.steps if stretch else (),
        hooks=stretch.hooks if stretch else "",
        cautions=cautions_for(
            overall_width_mm=sized.screen.overall_width_mm,
            two_people_width_mm=shop["two_people_width_mm"],
            lens_y_mm=beam.lens_y_mm if beam else None,
            overhead_mm=shop["overhead_mm"],
            springs=job.tension.hold is Hold.SPRING,
            staples=job.tension.hold is Hold.STAPLE,
        ),
        local_rules=LOCAL_RULES,
        to_measure=tuple(book.to_measure),
        next_point=_next(book, findings),
        size_text=size_text(sized, book),
        reading_texts={} if brief else _reading_texts(book),
        seats=seen,
        seat_light=lit.rows,
        light_states=lit.states,
        shapes=shapes,
        joists=beam.mounted.joists if beam and beam.mounted else (),
        by_zoom=beam.shapes if beam else None,
        signal=chain,
        additions=() if brief else additions(book, hung.place.centre_x_mm),
    )
    scene = build_scene(book, room, hung, drilling, beam, stretch, shapes)
    return Planned(plan=finished, scene=scene, hung=hung, sized=sized, seats=seats, model=lit.model)


def _pixels(book: Book, hung: Hung, beam: Beam | None) -> tuple[float, float]:
    """Width of the panel's image [mm] and pixels across it."""
    wide = beam.panel.width_mm if beam else hung.place.screen.picture.width_mm
    pixels = book.job.light.pixels_across
    return wide, book.shop["pixels_across"] if pixels is None else float(pixels)


def size_text(sized: Sized, book: Book) -> str:
    """Viewable width by height in the job's units."""
    picture = sized.screen.picture
    return pair_text(picture.width_mm, picture.height_mm, book.units)


def _reading_texts(book: Book) -> dict[str, str]:
    """Texts of the lengths in the survey's lists, by pointer."""
    given = book.job.survey
    lists: dict[str, Sequence[Closed]] = {
        "ceiling_readings": given.ceiling_readings,
        "floor_readings": given.floor_readings,
        "fittings": given.fittings,
        "boxes": given.boxes,
        "seats": given.seats,
        "lamps": given.lamps,
    }
    return {
        f"/survey/{name}/{at}/{field}": book.text(value)
        for name, things in lists.items()
        for at, thing in enumerate(things)
        for field, value in thing
        if field.endswith("_mm") and value is not None
    }


def _say_assumed(book: Book) -> None:
    """One finding per station for what is assumed there and moves a mark."""
    stations: tuple[StationKey, ...] = ("survey", "height", "wall")
    for station in stations:
        open_points = [one for one in book.to_measure if _station_of(book, one) == station]
        if open_points:
            said = "; ".join(f"{one.label[0].lower()}{one.label[1:]} is assumed, {one.text}: {one.effect}" for one in open_points)
            book.find(f"{station}-assumed", station, "mind", f"To measure before drilling. {said[0].upper()}{said[1:]}.")


def _station_of(book: Book, one: ToMeasure) -> StationKey | None:
    return next((f.station for f in book.figures.values() if f.entry and f.entry.pointer == one.pointer), None)


def _next(book: Book, findings: tuple[Finding, ...]) -> str:
    if findings and findings[0].severity == "stop":
        return findings[0].text
    if book.to_measure:
        first = book.to_measure[0]
        return f"Measure: {first.label[0].lower()}{first.label[1:]}"
    missing = next((one.text for one in findings if one.code in ("no-throw-ratio", "no-lens-place")), "")
    return missing or "Ready to mark and drill"


def _state(book: Book, key: StationKey, size: str) -> StationState:
    own = [one for one in book.findings if one.station == key]
    worst = min((one.severity for one in own), key=RANK.__getitem__, default=None)
    assumed = sum(1 for figure in book.figures.values() if figure.station == key and figure.known == "assumed" and figure.text)
    return StationState(key=key, label=STATIONS[key], gist=_gist(book, key, size), worst=worst, assumed=assumed)


def _gist(book: Book, key: StationKey, size: str) -> str:
    def text(name: str) -> str:
        return book.figures[name].text if name in book.figures else ""

    match key:
        case "survey":
            open_points = sum(1 for one in book.to_measure if _station_of(book, one) == "survey")
            return f"{open_points} to measure" if open_points else f"wall {text('wall_width')}"
        case "size":
            return size
        case "light":
            return text("luminance") or "no lumens yet"
        case "height":
            return f"top {text('frame_top')}" if text("frame_top") else "nothing fits"
        case "throw":
            stops = any(one.station == "throw" and one.severity == "stop" for one in book.findings)
            if stops:
                return "not from here"
            if text("throw_distance"):
                return f"{text('throw_distance')} in reach" if text("shift_vertical") else "waits for a height"
            return "no lens yet"
        case "wall":
            return f"{text('spacing')} apart" if text("spacing") else "no brackets"
        case "tension":
            return f"{text('points')} points" if text("points") else "no points"
