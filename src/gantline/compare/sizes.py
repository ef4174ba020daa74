"""Sizes side by side."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from gantline.compare.verdict import Against, against
from gantline.core.light.luminance import contrast_band
from gantline.core.units import pair_text
from gantline.job.edits import nudged
from gantline.job.field import field_of
from gantline.job.model import FIELDS, Job
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.job.model.size import LEADS, Size, SizeLead
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, change
from gantline.plan.whole import small
from gantline.stations.height import placement, rect_of_frame, rect_of_picture
from gantline.stations.light.findings import missing
from gantline.stations.light.solve import seen, state_names
from gantline.stations.light.tables import contrast_text
from gantline.stations.size import screen
from gantline.stations.size.seats import Sight, sights
from gantline.stations.survey import main_seat, room, seats

STEPS = (0.80, 0.87, 0.93, 1.0, 1.06, 1.12, 1.19, 1.26)  # diagonals beside the chosen one, as shares of it
NAMES = dict(LEADS)
CHECKED = ("size", "height", "light", "throw")
# what a kit's leaflet says of one size alone: another size has another number
KIT_NUMBERS = (
    Hanging.height_by,
    Hanging.leaflet_mm,
    Hanging.row_fixed_mm,
    Hanging.rule,
    Hanging.spacing_mm,
    FrameBuild.mass_kg,
)
FITS = "fits, no warnings"


@dataclass(frozen=True, slots=True, kw_only=True)
class SizeRow:
    """One candidate size; texts, numbers to sort by, what it would change, and its picture on the wall [mm]."""

    size: str
    diagonal: str
    chosen: bool
    angles: str
    necks: str
    pixels: str
    luminance: str
    contrasts: tuple[str, ...]
    bands: tuple[str, ...]
    to_ceiling: str
    verdict: str
    stops: tuple[str, ...]
    checks: tuple[str, ...]
    sort: dict[str, float]
    changes: tuple[Change, ...]
    picture_mm: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class SizeTable:
    """Candidates from small to large, the light states their contrasts stand for, and which to take and why no
    larger. common: what stands against every one of them, said once; unlit: why there is no brightness; leads: what
    taking another size changes of how the size starts."""

    rows: tuple[SizeRow, ...]
    states: tuple[str, ...]
    advice: str
    common: tuple[str, ...]
    unlit: str
    leads: str


def size_table(at: Ask, steps: Sequence[float] = STEPS) -> SizeTable:
    """Sizes round the present one, eight unless other steps are given, each asked in full: nothing is estimated.

    The candidates are exact sizes; rounded ones are picked after.
    """
    picture, now = at(screen).picture, SizeLead(at.field(Size.lead))
    kept = {SizeLead.WIDTH: picture.width_mm, SizeLead.HEIGHT: picture.height_mm}
    lead = now if now in kept else SizeLead.DIAGONAL
    present = kept.get(lead, picture.diagonal_mm)
    loose, dropped = _without_kit_numbers(at.job)
    asks, changed = [], []
    for step in steps:
        value = present if step == 1.0 else at.near(present * step)
        size = at.job.size.model_copy(update={"lead": lead, "value_mm": value, "tidy": None})
        asks.append(at if step == 1.0 else at.with_job(loose.model_copy(update={"size": size})))
        taken = (change(Size.lead, lead.value), change(Size.value_mm, value), change(Size.tidy, None))
        changed.append(taken if step == 1.0 else (*taken, *dropped))
    speaks = [(against(ask, "stop"), against(ask, "check", CHECKED)) for ask in asks]
    texts = [{one.text for sort in both for one in sort} for both in speaks]
    common = tuple(one.text for sort in speaks[0] for one in sort if all(one.text in said for said in texts))
    rows = [
        _row(ask, changes, both, common, chosen=step == 1.0)
        for ask, changes, both, step in zip(asks, changed, speaks, steps, strict=True)
    ]
    return SizeTable(
        rows=tuple(rows),
        states=() if at(seen) is None else at(state_names),
        advice=_advice(rows),
        common=common,
        unlit=_unlit(at),
        leads=" ".join(_leads(now if lead is not now else None, dropped)),
    )


def _leads(now: SizeLead | None, dropped: tuple[Change, ...]) -> Iterator[str]:
    """What taking another size changes beside the size."""
    if now is not None:
        yield f"Taking another size starts it from its diagonal, not from the {NAMES[now]}."
    if dropped:
        labels = ", ".join(small(FIELDS[change.pointer].label) for change in dropped)
        yield f"The kit's own numbers are for this size only, and another size clears them: {labels}."


def _without_kit_numbers(job: Job) -> tuple[Job, tuple[Change, ...]]:
    """The job without what a leaflet says of its own size alone, and the changes that drop it."""
    dropped: list[Change] = []
    kit = job.frame.build == "kit"
    for named in KIT_NUMBERS:
        field = field_of(named)
        own = named is FrameBuild.mass_kg and not kit  # what was weighed of a frame of its own
        if not own and field.read(job) not in (None, "share"):
            job = nudged(job, field.pointer, None)
            dropped.append(change(named, None))
    return job, tuple(dropped)


def _unlit(at: Ask) -> str:
    """Why no row has a brightness; empty where they have one."""
    if at(seen) is not None:
        return ""
    return next((one.text for one in at(missing)), "")


def _advice(rows: Sequence[SizeRow]) -> str:
    """The largest size with nothing against it, else with the least; and what speaks against the next larger one."""
    possible = [at for at, row in enumerate(rows) if not row.stops]
    if not possible:
        return f"None of these sizes works. {rows[0].verdict}"
    fewest = min(rows[at].sort["checks"] for at in possible)
    best = max(at for at in possible if rows[at].sort["checks"] == fewest)
    one = rows[best]
    why = "with no warnings" if fewest == 0 else f"with the fewest warnings ({one.verdict.rstrip('.')})"
    said = f"{one.diagonal} is the largest size {why}."
    return said if best + 1 == len(rows) else f"{said} At {rows[best + 1].diagonal}: {rows[best + 1].verdict}"


def _row(
    at: Ask,
    changes: tuple[Change, ...],
    speaks: tuple[tuple[Against, ...], tuple[Against, ...]],
    common: Sequence[str],
    *,
    chosen: bool,
) -> SizeRow:
    stops, checks = (
        tuple(one for one in sort if one.text not in common or one.severity == "stop") for sort in speaks
    )
    picture, light, lead = at(screen).picture, at(seen), at(main_seat)
    index = at(seats).index(lead) if lead is not None else 0
    mine = next((sight for sight in at(sights) if sight.seat == lead), None)
    luminance = 0.0 if light is None else float(light.luminance[index, 0])
    contrasts = () if light is None else tuple(float(one) for one in light.contrast[index])
    return SizeRow(
        size=pair_text(picture.width_mm, picture.height_mm, at.units),
        diagonal=at.text(picture.diagonal_mm),
        chosen=chosen,
        angles=_angles(at(sights)),
        necks="" if mine is None else f"{mine.top_deg:.0f}° · {mine.centre_deg:.0f}°".replace("-", "−"),
        pixels="" if mine is None else f"{mine.pixel_arcmin:.1f}",
        luminance="" if light is None else f"{luminance:.0f}",
        contrasts=tuple(contrast_text(contrast) for contrast in contrasts),
        bands=tuple(contrast_band(one) for one in contrasts),
        to_ceiling=_to_ceiling(at),
        verdict=_first(stops) or _first(checks) or FITS,
        stops=tuple(stop.text for stop in stops),
        checks=tuple(one.text for one in checks),
        sort={
            "diagonal": picture.diagonal_mm,
            "stops": float(len(stops)),
            "checks": float(sum(check.remarks for check in checks)),
            "luminance": luminance,
        },
        changes=changes,
        picture_mm=at(rect_of_picture),
    )


def _first(found: tuple[Against, ...]) -> str:
    return found[0].text if found else ""


def _angles(found: tuple[Sight, ...]) -> str:
    """Viewing angle in the nearest seat, the main one, the farthest; always three, so that each has its name, of
    several seats."""
    if not found:
        return ""
    if len(found) == 1:
        return f"{found[0].angle_deg:.0f}°"
    ordered = sorted(found, key=lambda one: one.seat.distance_mm)
    main = next((one for one in found if one.seat.main), ordered[0])
    return " · ".join(f"{one.angle_deg:.0f}°" for one in (ordered[0], main, ordered[-1]))


def _to_ceiling(at: Ask) -> str:
    """Frame to the lowest ceiling over it."""
    hung = at(placement)
    if not hung.possible:
        return ""
    left, _, right, top = at(rect_of_frame)
    return at.text(at(room).ceiling.lowest(left, right) - top)
