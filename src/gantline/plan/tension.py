"""Tension station: the numbered points, seen from the back, and the whole order."""

from dataclasses import dataclass
from functools import lru_cache

from gantline.core.errors import OutOfRange
from gantline.core.size.picture import Screen
from gantline.core.tension.holds import HOLDS, Hold, School
from gantline.core.tension.order import Frame, TensionStep, tension_order
from gantline.core.tension.points import Layout, TensionPoint, spread
from gantline.core.units import Units, length_text
from gantline.plan.book import Book

HOLD_CHOICES = tuple((hold, kind.name) for hold, kind in HOLDS.items())
SCHOOLS = ((School.CORNERS_FIRST, "corners first, crosswise"), (School.MIDDLES_OUTWARD, "middles outward"))
PEOPLE = (("one", "one"), ("two", "two"))
HOOKS = "Tape hooks: rails on the left corner, stiles on the top corner, seen from the back."


@dataclass(frozen=True, slots=True, kw_only=True)
class StepRow:
    """One step in the job's texts. numbers and partners name points; who says which person does which."""

    number: int
    part: str
    place: str
    action: str
    numbers: tuple[int, ...]
    partners: tuple[int, ...]
    partner_place: str
    readings: tuple[str, ...]
    who: str
    reason: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Stretch:
    """All points [mm, from the back] and steps."""

    points: tuple[TensionPoint, ...]
    steps: tuple[StepRow, ...]
    hooks: str


def tension(book: Book, screen: Screen) -> Stretch | None:
    """Spread the points and put them in order; None where the frame cannot take them."""
    given = book.job.tension
    kind = HOLDS[given.hold]
    school = given.school or kind.school
    book.entered("fabric", "tension", "Fabric", "/tension/fabric", given.fabric, given.fabric, "text")
    book.entered("hold", "tension", "Held by", "/tension/hold", given.hold, kind.name, "choice", HOLD_CHOICES)
    book.entered("school", "tension", "Order", "/tension/school", school, dict(SCHOOLS)[school], "choice", SCHOOLS, optional=True)
    spacing_mm = book.length(
        "hold_spacing", "tension", "Spacing, at most", "/tension/spacing_mm", given.spacing_mm, kind.spacing_key
    )
    inset_mm = book.length("inset", "tension", "First point from corner", "/tension/inset_mm", given.inset_mm, "corner_inset_mm")
    _counts(book)
    if school is School.CORNERS_FIRST:
        book.entered("short_first", "tension", "Short sides first", "/tension/short_sides_first", given.short_sides_first,
            "yes" if given.short_sides_first else "no", "switch")  # fmt: skip
    book.entered("people", "tension", "People", "/tension/people", given.people, dict(PEOPLE)[given.people], "choice", PEOPLE)
    book.entered("centre_bars", "tension", "Centre bars", "/frame/centre_bars", book.job.frame.centre_bars,
        str(book.job.frame.centre_bars), "count")  # fmt: skip
    try:
        layout = Layout(
            width_mm=screen.overall_width_mm, height_mm=screen.overall_height_mm, spacing_mm=spacing_mm, inset_mm=inset_mm,
            rail_count=given.rail_count, stile_count=given.stile_count,
            first_pass_mm=book.shop["first_pass_mm"] if kind.filled else None,
        )  # fmt: skip
        frame = Frame(
            width_mm=layout.width_mm, height_mm=layout.height_mm, corner_stop_mm=book.shop["corner_stop_mm"],
            short_sides_first=given.short_sides_first, centre_bars=book.job.frame.centre_bars,
        )  # fmt: skip
        points, rows = _ordered(layout, frame, given.hold, school, given.people, book.units)
    except OutOfRange as error:
        book.find("tension-points", "tension", "stop", f"The points cannot be spread: {error}.")
        return None
    _write_points(book, points, len(rows))
    if school is not kind.school:
        book.find("other-school", "tension", "note",
            f"{kind.name.capitalize()} usually go {dict(SCHOOLS)[kind.school]}; this job goes {dict(SCHOOLS)[school]}.")  # fmt: skip
    return Stretch(points=points, steps=rows, hooks=HOOKS)


@lru_cache(maxsize=64)
def _ordered(
    layout: Layout, frame: Frame, hold: Hold, school: School, people: str, units: Units
) -> tuple[tuple[TensionPoint, ...], tuple[StepRow, ...]]:
    """Pure in its arguments; a drag of the height asks for the same frame again and again."""
    points = spread(layout)
    return points, tuple(_row(step, people, units) for step in tension_order(points, frame, hold, school))


def _counts(book: Book) -> None:
    given = book.job.tension
    for key, label, count in (
        ("rail_count", "Points on each rail", given.rail_count),
        ("stile_count", "Points on each stile", given.stile_count),
    ):
        if count is None:
            book.blank(key, "tension", label, f"/tension/{key}", "count")
        else:
            book.entered(key, "tension", label, f"/tension/{key}", count, str(count), "count", optional=True)


def _write_points(book: Book, points: tuple[TensionPoint, ...], steps: int) -> None:
    rail = [point for point in points if point.side == "top"]
    stile = [point for point in points if point.side == "left"]
    book.ratio("points", "tension", "Points in all", float(len(points)), f"{len(points)}",
        "2 × points on a rail + 2 × points on a stile", f"2 × {len(rail)} + 2 × {len(stile)}",
        ["overall_width", "overall_height", "hold_spacing", "inset"], "the fewest even gaps not wider than the spacing")  # fmt: skip
    for key, label, side in (("rail_gap", "Gap on the rails", rail), ("stile_gap", "Gap on the stiles", stile)):
        gap = abs(side[1].reading_mm - side[0].reading_mm)
        book.computed(key, "tension", label, gap, "(side − 2 × first point) / gaps", f"{len(side)} points",
            ["hold_spacing", "inset", "overall_width"], "evenly spread")  # fmt: skip
    book.ratio("steps", "tension", "Steps", float(steps), f"{steps}", "steps of the whole order", "", ["hold_spacing"],
        "opposite pairs count as one step")  # fmt: skip


def _row(step: TensionStep, people: str, units: Units) -> StepRow:
    who = ""
    if step.partners:
        who = "both at once" if people == "two" else "then straight across"
    ends = step.readings_mm
    if len(ends) > 4:  # a run reads from its first to its last point
        ends = (min(ends), max(ends))
    elif len(ends) > 1 and "corner" not in step.place:
        ends = tuple(sorted(ends))
    return StepRow(
        number=step.number, part=step.part, place=step.place, action=step.action, numbers=step.points,
        partners=step.partners, partner_place=step.partner_place, readings=tuple(length_text(r, units) for r in ends), who=who,
        reason=step.reason,
    )  # fmt: skip
