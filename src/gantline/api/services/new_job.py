"""A job made from what is known, in any order: which size comes first, and what is said of it before it is saved."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from gantline.api.desk import Desk
from gantline.api.schemas.jobs import NewJob
from gantline.api.services.plans import card
from gantline.compare.sizes import size_table
from gantline.compare.verdict import against
from gantline.core.defaults import Shop, SizeDefaults
from gantline.core.size.aspect import aspect_name
from gantline.core.size.starts import free_between_hands_mm
from gantline.drawing.marks import Face
from gantline.job.doubts import ask_back
from gantline.job.edits import Edit, apply
from gantline.job.field import field_of
from gantline.job.file import read_job
from gantline.job.model import Job
from gantline.job.model.size import LEADS, Size, SizeLead
from gantline.job.model.survey import Survey
from gantline.job.model.throw import ProjectorPlace
from gantline.job.problems import BadDocument, FieldProblem
from gantline.job.records import RecordKind, edits_from
from gantline.plan.finding import Change, Severity
from gantline.plan.plan import MEASURE, JobPlan
from gantline.stations import plan
from gantline.stations.height import fits
from gantline.stations.survey import wall_mm
from gantline.store import shops

UNNAMED = "Unnamed room"
# what a start needs, by the names of the form
NEEDED: Mapping[SizeLead, tuple[str, ...]] = {
    SizeLead.ANGLE: ("seat_from_wall",),
    SizeLead.THROW: ("ratio_low", "lens_from_wall"),
}
# a size that somebody named is the size; else what cannot be changed any more decides, then the seat, then the wall
TOLD: Mapping[SizeLead, str] = {
    SizeLead.WIDTH: "width",
    SizeLead.HEIGHT: "height",
    SizeLead.DIAGONAL: "diagonal",
    SizeLead.MEASURED: "picture_width",
}
PLACES = {
    "value": field_of(Size.value_mm).pointer,
    "picture_height": field_of(Size.measured_height_mm).pointer,
    "diagonal_rising": field_of(Size.measured_rising_mm).pointer,
    "diagonal_falling": field_of(Size.measured_falling_mm).pointer,
    "angle_deg": field_of(Size.angle_deg).pointer,
    "ratio_low": field_of(ProjectorPlace.ratio_low).pointer,
    "ratio_high": field_of(ProjectorPlace.ratio_high).pointer,
    "lens_from_wall": field_of(ProjectorPlace.lens_from_wall_mm).pointer,
    "wall_width": field_of(Survey.wall_width_mm).pointer,
    "ceiling": field_of(Survey.ceiling_mm).pointer,
}
NAMES = {pointer: name for name, pointer in PLACES.items()}
SEAT = f"{field_of(Survey.seats).pointer}/-"
SMALLER = tuple(share / 100.0 for share in range(20, 100, 5))  # tried where the first size does not fit
MOST_SAID = 3
RECORDS = (RecordKind.KIT, RecordKind.PROJECTOR)


@dataclass(frozen=True, slots=True, kw_only=True)
class Said:
    """One thing that stands against the room as it is known."""

    severity: Severity
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Draft:
    """What is said of a job before it is saved: its size and what it starts from, whether it fits, what stands against it,
    what is assumed so far and would move most, and its little wall."""

    size: str
    diagonal: str
    starts: str
    why: str
    fits: bool
    against: tuple[Said, ...]
    missing: tuple[str, ...]
    front: Face | None


def new_job(body: NewJob, desk: Desk | None = None) -> Job:
    """The document of a job that has only a name and what is known of its room and its size.

    Raises: BadDocument naming the fields of the form, DoubtfulLength where a length may mean another, NoSuchRecord.
    """
    given = {name: value for name in NewJob.model_fields if (value := getattr(body, name)) not in (None, "")}
    lead = body.start or _start(given)
    for name in () if body.start is None else NEEDED.get(lead, ("value",)):
        if name not in given:
            raise BadDocument([FieldProblem(f"/{name}", "Enter this to begin.", "")])
    if body.start is None and lead in TOLD and TOLD[lead] in given:
        given["value"] = given[TOLD[lead]]
    base = {
        "name": body.name or UNNAMED,
        "place": body.place or None,
        "units": body.units.model_dump(mode="json"),
    }
    empty = read_job({**base, "size": {"aspect": body.aspect or "16:9", "lead": lead.value}})
    if body.start is None and "width" in given and "height" in given:
        empty = _of_both_sides(empty, given["width"], given["height"])
    if desk is not None:
        for kind in RECORDS:
            key = getattr(body, kind.value)
            if key:
                record = shops.record(desk.session, desk.shop_id, kind, key)
                empty = apply(empty, edits_from(kind, record.name, record.body, empty))
    edits = [Edit(pointer=place, value=given[name]) for name, place in PLACES.items() if name in given]
    if "ratio_low" in given and "ratio_high" not in given:
        edits.append(Edit(pointer=PLACES["ratio_high"], value=given["ratio_low"]))
    try:
        ask_back(empty.units.to_core(), edits)
        job = apply(empty, edits)
        if "seat_from_wall" in given:
            middle = plan(job).ask(wall_mm) / 2.0
            seat = [
                Edit(
                    pointer=SEAT,
                    value={"id": "s1", "x_mm": middle, "from_wall_mm": given["seat_from_wall"], "main": True},
                )
            ]
            ask_back(job.units.to_core(), seat)
            job = apply(job, seat)
    except BadDocument as error:
        told = TOLD[lead] if lead in TOLD and TOLD[lead] in given else "value"
        error.problems = tuple(
            replace(problem, pointer=_form_name(problem.pointer, told)) for problem in error.problems
        )
        raise
    return job if body.start is not None else _fitting(job, lead, desk.shop if desk else Shop({}))


def _of_both_sides(empty: Job, width: Any, height: Any) -> Job:
    """The job with the aspect ratio that a leaflet's width and height make.  Raises: BadDocument, DoubtfulLength."""
    sides = []
    for name, typed in (("width", width), ("height", height)):
        edits = [Edit(pointer=PLACES["value"], value=typed)]
        try:
            ask_back(empty.units.to_core(), edits)
            sides.append(apply(empty, edits).size.value_mm or 1.0)
        except BadDocument as error:
            error.problems = tuple(replace(problem, pointer=f"/{name}") for problem in error.problems)
            raise
    return apply(empty, [Edit(pointer=field_of(Size.aspect).pointer, value=aspect_name(sides[0] / sides[1]))])


def _start(given: Mapping[str, Any]) -> SizeLead:
    """What the size starts from where nobody says."""
    for lead, name in TOLD.items():
        if name in given:
            return lead
    if all(name in given for name in NEEDED[SizeLead.THROW]):
        return SizeLead.THROW
    if "seat_from_wall" in given:
        return SizeLead.ANGLE
    return SizeLead.WALL if "wall_width" in given else SizeLead.DIAGONAL


def _fitting(job: Job, lead: SizeLead, shop: Shop) -> Job:
    """The job with a first size that the room can take, where nobody named one: a hand's room is left at either end of the wall,
    and a size that nothing allows becomes the largest one that is allowed."""
    if lead is SizeLead.WALL:
        free = free_between_hands_mm(plan(job, shop).ask(wall_mm), shop[SizeDefaults.hand_beside_mm])
        job = apply(job, [Edit(pointer=PLACES["value"], value=free)])
    if lead not in (SizeLead.WALL, SizeLead.ANGLE) or _allowed(job, shop):
        return job
    ask = plan(job, shop).ask
    for share in reversed(SMALLER):  # one after the other: mostly one of the first will do
        smaller = apply(job, edits_of(size_table(ask, (share,)).rows[0].changes))
        if _allowed(smaller, shop):
            return smaller
    return job


def _allowed(job: Job, shop: Shop) -> bool:
    """Whether nothing stops this size and the screen has its place on the wall, with what is known and what is usual."""
    ask = plan(job, shop).ask
    return ask(fits) and not against(ask, "stop")


def edits_of(changes: Sequence[Change]) -> list[Edit]:
    """What a row of a comparison would change."""
    return [Edit(pointer=change.pointer, value=change.value) for change in changes]


def _form_name(pointer: str, told: str) -> str:
    """Where in the form a refused field of the document was typed."""
    if pointer.endswith("/from_wall_mm"):
        return "/seat_from_wall"
    name = NAMES.get(pointer, pointer.strip("/"))
    return f"/{told if name == 'value' else name}"


def draft(desk: Desk, body: NewJob) -> Draft:
    """What is said of a job before it is saved.  Raises: as new_job()."""
    made = plan(new_job(body, desk), desk.shop)
    stops = [finding for finding in made.findings if finding.severity == "stop"]
    checks = [finding for finding in made.findings if finding.severity == "check" and finding.code != MEASURE]
    lead = SizeLead(made.ask.field(Size.lead))
    return Draft(
        size=made.text("size"),
        diagonal=made.text("diagonal"),
        starts=dict(LEADS)[lead],
        why=_why(made, body, lead),
        fits=not stops and made.ask(fits),
        against=tuple(Said(severity=each.severity, text=each.text) for each in (*stops, *checks)[:MOST_SAID]),
        missing=tuple(_missing(made, body)),
        front=card(made)["front"],
    )


def _why(made: JobPlan, body: NewJob, lead: SizeLead) -> str:
    """Why this size, in a sentence."""
    angle = _angle(made)
    seen = f" It fills {angle} at the main seat." if angle else ""
    match lead:
        case SizeLead.ANGLE:
            return f"Chosen for the main seat: it fills {angle}."
        case SizeLead.WALL:
            return "As wide as the wall allows with room for hands at either end. Enter a seat to choose by what it sees."
        case SizeLead.THROW:
            return f"What the projector fills from where it is, clear of both ends of its zoom.{seen}"
        case SizeLead.MEASURED:
            return f"The picture that is on the wall now.{seen}"
    named = any(getattr(body, name) for name in TOLD.values())
    if not named and (body.seat_from_wall or body.wall_width):
        return f"The largest that this room takes.{seen}"
    return f"As you gave it.{seen}" if named else f"A usual size, until more is known.{seen}"


def _angle(made: JobPlan) -> str:
    table = made.table("seats")
    rows: Sequence[Any] = table.rows if table else ()
    return next((str(row.angle) for row in rows if row.main), str(rows[0].angle) if rows else "")


def _missing(made: JobPlan, body: NewJob) -> Iterator[str]:
    """What would be told next, and what is assumed for it until then."""
    figures = made.figures
    if not body.wall_width:
        yield f"Wall width: {figures['wall_width'].text} is assumed."
    if not body.ceiling:
        yield f"Ceiling: {figures['ceiling'].text} is assumed."
    if not body.seat_from_wall:
        yield "Main seat: viewing angles wait for it."
    if not body.projector and not body.ratio_low:
        yield "Projector: throw and brightness wait for it."
