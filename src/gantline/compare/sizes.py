"""Sizes side by side."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from gantline.compare.cost import priced_cost
from gantline.compare.cutting import Boards
from gantline.compare.light_measures import light_measures
from gantline.compare.side_by_side import MeasureCell, MeasureRow, Verdict, verdict_of
from gantline.compare.verdict import Against, against
from gantline.core.defaults import HeightDefaults, SeatsDefaults
from gantline.core.sight.angles import PIXEL_SEEN
from gantline.core.tolerance import at_most
from gantline.core.units import pair_text
from gantline.job.edits import nudged
from gantline.job.field import field_of
from gantline.job.model import FIELDS, Job
from gantline.job.model.frame import FrameBuild, Materials
from gantline.job.model.hanging import Hanging
from gantline.job.model.size import LEADS, Size, SizeLead
from gantline.plan.ask import Ask
from gantline.plan.finding import Change, change
from gantline.plan.whole import small
from gantline.stations.height import placement, rect_of_frame, rect_of_picture
from gantline.stations.light.findings import missing
from gantline.stations.light.solve import seen
from gantline.stations.size import screen
from gantline.stations.size.seats import Sight, sights
from gantline.stations.survey import main_seat, room, seats
from gantline.stations.throw import pixels_known

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
    """One candidate size; texts, numbers to sort by, what it would change, and its picture and frame on the wall [mm]: left,
    bottom, right, top. key: its diagonal as a share of the present one."""

    key: str
    size: str
    diagonal: str
    chosen: bool
    angles: str
    luminance: str
    to_ceiling: str
    judged: Verdict
    stops: tuple[str, ...]
    checks: tuple[str, ...]
    sort: dict[str, float]
    changes: tuple[Change, ...]
    picture_mm: tuple[float, float, float, float]
    frame_mm: tuple[float, float, float, float]

    @property
    def title(self) -> str:
        """What it is called."""
        return self.diagonal

    @property
    def verdict(self) -> str:
        """What leads against it, in full."""
        return self.judged.reason


@dataclass(frozen=True, slots=True, kw_only=True)
class SizeTable:
    """Candidates from small to large with what each has of every measure, and which to take and why no larger. common: what
    stands against every one of them, said once; unlit: why there is no brightness; leads: what taking another size
    changes of how the size starts."""

    rows: tuple[SizeRow, ...]
    measures: tuple[MeasureRow, ...]
    advice: str
    common: tuple[str, ...]
    unlit: str
    leads: str


def size_table(at: Ask, steps: Sequence[float] = STEPS, boards: Boards = ()) -> SizeTable:
    """Sizes round the present one, eight unless other steps are given, each asked in full: nothing is estimated.

    The candidates are exact sizes; rounded ones are picked after.  boards: the stores' records, to say what a size costs;
    without them nothing is said of it.
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
        _row(f"{step:g}", ask, changes, both, common)
        for ask, changes, both, step in zip(asks, changed, speaks, steps, strict=True)
    ]
    return SizeTable(
        rows=tuple(rows),
        measures=(*_measures(at, asks), *_costs(at, asks, boards)),
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
        now = next((row for row in rows if row.chosen), rows[0])
        return f"None of these sizes works. At {now.diagonal}: {now.verdict}"
    fewest = min(rows[at].sort["checks"] for at in possible)
    best = max(at for at in possible if rows[at].sort["checks"] == fewest)
    one = rows[best]
    why = "with no warnings" if fewest == 0 else f"with the fewest warnings ({one.verdict.rstrip('.')})"
    said = f"{one.diagonal} is the largest size {why}."
    return said if best + 1 == len(rows) else f"{said} At {rows[best + 1].diagonal}: {rows[best + 1].verdict}"


def _row(
    key: str,
    at: Ask,
    changes: tuple[Change, ...],
    speaks: tuple[tuple[Against, ...], tuple[Against, ...]],
    common: Sequence[str],
) -> SizeRow:
    stops, checks = (
        tuple(one for one in sort if one.text not in common or one.severity == "stop") for sort in speaks
    )
    picture, light = at(screen).picture, at(seen)
    return SizeRow(
        key=key,
        size=pair_text(picture.width_mm, picture.height_mm, at.units),
        diagonal=at.text(picture.diagonal_mm),
        chosen=key == "1",
        angles=_angles(at(sights)),
        luminance="" if light is None else f"{_luminance(at):.0f}",
        to_ceiling=_to_ceiling(at),
        judged=verdict_of(stops, checks, FITS),
        stops=tuple(stop.text for stop in stops),
        checks=tuple(one.text for one in checks),
        sort={
            "diagonal": picture.diagonal_mm,
            "checks": float(sum(check.remarks for check in checks)),
        },
        changes=changes,
        picture_mm=at(rect_of_picture),
        frame_mm=at(rect_of_frame),
    )


def _measures(at: Ask, asks: Sequence[Ask]) -> Iterator[MeasureRow]:
    """What is held against each other, in the order of the table; a measure that nobody can know yet is left out."""
    if at(sights):
        low, high = (
            at.default(SeatsDefaults.angle_main_low_deg),
            at.default(SeatsDefaults.angle_main_high_deg),
        )
        yield MeasureRow(
            key="angle",
            short="Angle",
            label="Viewing angle",
            wanted=f"{low:g} to {high:g}°",
            cells=tuple(_angle(ask, low, high) for ask in asks),
        )
        most = at.default(SeatsDefaults.neck_top_deg)
        yield MeasureRow(
            key="neck",
            short="Neck",
            label="Neck angle, top",
            wanted=f"up to {most:g}°",
            better="low",
            cells=tuple(_neck(ask, most) for ask in asks),
        )
    yield from light_measures(asks)
    if at(sights) and pixels_known(at):
        yield MeasureRow(
            key="pixel",
            short="Pixel",
            label="Pixel",
            unit="arcmin",
            wanted=f"up to {PIXEL_SEEN:g}",
            better="low",
            cells=tuple(_pixel(ask) for ask in asks),
        )
    gap = at.default(HeightDefaults.ceiling_gap_mm)
    yield MeasureRow(
        key="ceiling",
        short="Ceiling",
        label="Frame to ceiling",
        wanted=f"{at.text(gap)} or more",
        better="high",
        cells=tuple(_ceiling(ask, gap) for ask in asks),
    )


def _costs(at: Ask, asks: Sequence[Ask], boards: Boards) -> Iterator[MeasureRow]:
    """What is bought for each size, as far as it has a price."""
    if not boards:
        return
    costs = [priced_cost(ask, boards) for ask in asks]
    if all(cost is None for cost in costs):
        return
    quoted = at.given(Materials.quoted)
    yield MeasureRow(
        key="cost",
        short="Cost",
        label="Materials with a price",
        wanted="" if quoted is None else f"up to {quoted:,.0f}",
        better="low",
        cells=tuple(
            MeasureCell(
                text="" if cost is None else f"{cost:,.0f}",
                wanted=quoted is not None and cost is not None and cost <= quoted,
                value=cost,
            )
            for cost in costs
        ),
    )


def _mine(at: Ask) -> Sight | None:
    lead = at(main_seat)
    return next((sight for sight in at(sights) if sight.seat == lead), None)


def _angle(at: Ask, low: float, high: float) -> MeasureCell:
    mine, all_seats = _mine(at), [sight.angle_deg for sight in at(sights)]
    if mine is None:
        return MeasureCell(text="")
    least, most = f"{min(all_seats):.0f}", f"{max(all_seats):.0f}"
    return MeasureCell(
        text=f"{mine.angle_deg:.0f}°",
        note="" if least == most else f"seats {least} to {most}°",
        wanted=low <= mine.angle_deg <= high,
        value=mine.angle_deg,
    )


def _neck(at: Ask, most: float) -> MeasureCell:
    mine = _mine(at)
    if mine is None:
        return MeasureCell(text="")
    return MeasureCell(
        text=f"{mine.top_deg:.0f}°".replace("-", "−"), wanted=mine.top_deg <= most, value=mine.top_deg
    )


def main_pixel(at: Ask) -> float | None:
    """What one pixel fills at the main seat [arc-minutes]; None without a seat."""
    mine = _mine(at)
    return None if mine is None else mine.pixel_arcmin


def _pixel(at: Ask) -> MeasureCell:
    fills = main_pixel(at)
    return (
        MeasureCell(text="")
        if fills is None
        else MeasureCell(text=f"{fills:.1f}", wanted=fills <= PIXEL_SEEN, value=fills)
    )


def _ceiling(at: Ask, gap: float) -> MeasureCell:
    text, free_mm = _to_ceiling(at), _ceiling_mm(at)
    return MeasureCell(
        text=text, wanted=bool(text) and at_most(gap, free_mm), value=free_mm if text else None
    )


def _luminance(at: Ask) -> float:
    """At the main seat, or the first [cd/m²]; nothing where there is no light."""
    light, lead = at(seen), at(main_seat)
    if light is None:
        return 0.0
    return float(light.luminance[at(seats).index(lead) if lead is not None else 0, 0])


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


def _ceiling_mm(at: Ask) -> float:
    left, _, right, top = at(rect_of_frame)
    return at(room).ceiling.lowest(left, right) - top


def _to_ceiling(at: Ask) -> str:
    """Frame to the lowest ceiling over it."""
    return at.text(_ceiling_mm(at)) if at(placement).possible else ""
