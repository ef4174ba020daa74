"""Comparisons: the same job planned with other sizes or other fabrics, side by side."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from gantline.core.defaults import Shop
from gantline.core.light.luminance import CONTRAST_BANDS
from gantline.core.units import Units, length_text
from gantline.job.document import Job, SizeLead
from gantline.job.edits import apply
from gantline.job.records import RecordKind, edits_from
from gantline.plan.figures import Change
from gantline.plan.light import SeatLight
from gantline.plan.plan import Planned, plan
from gantline.plan.seats import SEATS_OUTSIDE

STEPS = (0.80, 0.87, 0.93, 1.0, 1.06, 1.12, 1.19, 1.26)  # diagonals beside the chosen one, as shares of it
BANDS = [word for _, word in CONTRAST_BANDS]


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
    ceiling_slack: str
    furniture_slack: str
    verdict: str
    stops: tuple[str, ...]
    minds: tuple[str, ...]
    sort: dict[str, float]
    changes: tuple[Change, ...]
    picture_mm: tuple[float, float, float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class SizeTable:
    """Candidates from small to large, the light states their contrasts stand for, and which to take and why no larger."""

    rows: tuple[SizeRow, ...]
    states: tuple[str, ...]
    advice: str


@dataclass(frozen=True, slots=True, kw_only=True)
class FabricRow:
    """One fabric of the stores in this room: its worst seat in every light state, and why it lost."""

    key: str
    name: str
    sort: str
    rank: int
    luminance: str
    evenness: str
    contrasts: tuple[str, ...]
    bands: tuple[str, ...]
    worst_seat: str
    reason: str
    stops: tuple[str, ...]
    chosen: bool
    lobe: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class FabricTable:
    """The ranking, best first."""

    rows: tuple[FabricRow, ...]
    states: tuple[str, ...]


SHOWN = ("diagonal", "slack_ceiling", "slack_furniture")


def size_table(job: Job, shop: Shop, steps: Sequence[float] = STEPS) -> SizeTable:
    """Sizes round the present one, eight unless other steps are given, each planned in full: nothing is estimated twice.

    The candidates are exact sizes; tidy ones are picked after. Cost: one plan a candidate.
    """
    now, units = plan(job, shop, brief=True), job.units.to_core()
    present, grid = now.sized.screen.picture.diagonal_mm, float(units.grid)
    rows = []
    states: tuple[str, ...] = ()
    for step in steps:
        diagonal = present if step == 1.0 else round(present * step / grid) * grid
        changes = (
            Change(pointer="/size/lead", value="diagonal"),
            Change(pointer="/size/value_mm", value=diagonal),
            Change(pointer="/size/tidy", value=None),
        )
        size = job.size.model_copy(update={"lead": SizeLead.DIAGONAL, "value_mm": diagonal, "tidy": None})
        made = now if step == 1.0 else plan(job.model_copy(update={"size": size}), shop, brief=True)
        states = made.plan.light_states
        rows.append(_size_row(made, units, changes, chosen=step == 1.0))
    return SizeTable(rows=tuple(rows), states=states, advice=_advice(rows))


def _advice(rows: Sequence[SizeRow]) -> str:
    """The largest size with nothing against it, else with the least; and what speaks against the next larger one."""
    possible = [at for at, row in enumerate(rows) if not row.stops]
    if not possible:
        return f"None of these sizes can be: {rows[0].verdict}"
    fewest = min(len(rows[at].minds) for at in possible)
    best = max(at for at in possible if len(rows[at].minds) == fewest)
    why = "with nothing to mind" if fewest == 0 else f"with the least to mind ({rows[best].verdict.rstrip('.')})"
    if best + 1 == len(rows):
        return f"{rows[best].diagonal} is the largest here {why}."
    larger = rows[best + 1]
    return f"{rows[best].diagonal} is the largest {why}. {larger.diagonal} is not: {larger.verdict}"


def _size_row(made: Planned, units: Units, changes: tuple[Change, ...], *, chosen: bool) -> SizeRow:
    found = made.plan
    lengths = {
        one.key: length_text(one.value, units) for one in found.figures if one.key in SHOWN and isinstance(one.value, float)
    }
    stops = tuple(one.text for one in found.findings if one.severity == "stop")
    minds = tuple(
        one.text.removeprefix(SEATS_OUTSIDE)
        for one in found.findings
        if one.severity == "mind" and one.station in ("size", "height", "light", "throw")
    )
    main = next((row for row in found.seats if row.main), None)
    lit = next((row for row in found.seat_light if row.main), None)
    angles = [row.angle for row in sorted(found.seats, key=lambda row: _distance(made, row.index))]
    shown = dict.fromkeys([angles[0], main.angle, angles[-1]]) if main and angles else {}
    picture = made.scene.picture
    return SizeRow(
        size=found.size_text,
        diagonal=lengths["diagonal"],
        chosen=chosen,
        angles=" · ".join(shown),
        necks="" if main is None else f"{main.top_neck} · {main.centre_neck}",
        pixels="" if main is None else main.pixel,
        luminance="" if lit is None else lit.luminance,
        contrasts=() if lit is None else lit.contrasts,
        bands=() if lit is None else lit.bands,
        ceiling_slack=lengths.get("slack_ceiling", ""),
        furniture_slack=lengths.get("slack_furniture", ""),
        verdict=stops[0] if stops else minds[0] if minds else "fits, nothing to mind",
        stops=stops,
        minds=minds,
        sort={"diagonal": made.sized.screen.picture.diagonal_mm, "stops": float(len(stops)), "minds": float(len(minds)),
              "luminance": float(lit.luminance) if lit else 0.0},
        changes=changes,
        picture_mm=(picture.left_mm, picture.bottom_mm, picture.right_mm, picture.top_mm),
    )  # fmt: skip


def _distance(made: Planned, index: int) -> float:
    return next(seat.distance_mm for seat in made.seats if seat.index == index)


def fabric_table(job: Job, shop: Shop, records: Sequence[tuple[str, str, Mapping[str, Any]]]) -> FabricTable:
    """Every fabric (key, name, body) of the stores in this room, ranked by its worst seat.

    Order: no stop first, then no hot spot, then the sum of the contrast bands the worst seat has over all
    light states, then that seat's luminance. The reason is the first light state in which it falls behind the best.
    """
    tried = []
    for key, name, body in records:
        made = plan(apply(job, edits_from(RecordKind.FABRIC, name, body)), shop, brief=True)
        tried.append((key, name, body, made))
    states = tried[0][3].plan.light_states if tried else ()
    ranked = sorted(tried, key=lambda one: _score(one[3]), reverse=True)
    best = ranked[0][3] if ranked else None
    rows = [_fabric_row(job, at, key, name, body, made, best) for at, (key, name, body, made) in enumerate(ranked, start=1)]
    return FabricTable(rows=tuple(rows), states=states)


def _light_stops(made: Planned) -> list[str]:
    return [one.text for one in made.plan.findings if one.severity == "stop" and one.station == "light"]


def _worst(made: Planned) -> SeatLight | None:
    return min(made.plan.seat_light, key=lambda row: (_bands(row), float(row.luminance)), default=None)


def _bands(row: SeatLight) -> int:
    return sum(BANDS.index(word) for word in row.bands)


def _hot_spot(made: Planned) -> str:
    return next((one.text for one in made.plan.findings if one.code == "hot-spot"), "")


def _score(made: Planned) -> tuple[float, float, float, float]:
    worst = _worst(made)
    if worst is None:
        return (0.0, 0.0, 0.0, 0.0)
    return (float(not _light_stops(made)), float(not _hot_spot(made)), float(_bands(worst)), float(worst.luminance))


def _fabric_row(
    job: Job, rank: int, key: str, name: str, body: Mapping[str, Any], made: Planned, best: Planned | None
) -> FabricRow:
    worst, stops = _worst(made), _light_stops(made)
    return FabricRow(
        key=key,
        name=name,
        sort=str(body.get("sort", "")),
        rank=rank,
        luminance="" if worst is None else worst.luminance,
        evenness="" if worst is None else worst.evenness,
        contrasts=() if worst is None else worst.contrasts,
        bands=() if worst is None else worst.bands,
        worst_seat="" if worst is None else worst.name,
        reason=_reason(made, best, stops, rank),
        stops=tuple(stops),
        chosen=job.light.fabric.name == name,
        lobe=_polar(made),
    )


def _reason(made: Planned, best: Planned | None, stops: list[str], rank: int) -> str:
    if stops:
        return stops[0]
    if rank > 1 and _hot_spot(made):
        return _hot_spot(made)
    worst, leader = _worst(made), None if best is None else _worst(best)
    if worst is None or leader is None:
        return "seats and the projector's light are needed to rank fabrics"
    if rank == 1:
        return f"best at its worst seat, {worst.name}"
    for state, own, other in zip(made.plan.light_states, worst.contrasts, leader.contrasts, strict=True):
        if float(own) < float(other) * 0.98:
            return f"{state}: contrast {own} against {other} at the worst seat"
    if float(worst.luminance) < float(leader.luminance):
        return f"{worst.luminance} against {leader.luminance} cd/m² at the worst seat"
    return "as good as the best"


def _polar(made: Planned) -> tuple[tuple[float, float], ...]:
    """The lobe as (angle [deg], gain), for its curve; empty where the fabric cannot be."""
    import numpy as np

    from gantline.core.light.lobe import gain_at

    if made.model is None:
        return ()
    angles = np.arange(0.0, 91.0, 5.0)
    return tuple((float(a), round(float(g), 4)) for a, g in zip(angles, gain_at(made.model.lobe, angles), strict=True))
