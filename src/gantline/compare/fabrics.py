"""The shop's fabrics in this room, ranked by their worst seat."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gantline.compare.verdict import against
from gantline.core.light.lobe import gain_at
from gantline.core.light.luminance import CONTRAST_BANDS, contrast_band
from gantline.job.edits import apply
from gantline.job.model.light import FabricChoice
from gantline.job.records import RecordKind, stored_edits
from gantline.plan.ask import Ask
from gantline.stations.light.findings import Code
from gantline.stations.light.solve import light_model, seen, state_names
from gantline.stations.light.tables import contrast_text
from gantline.stations.survey import seats

BANDS = [word for _, word in CONTRAST_BANDS]
LESS = 0.98  # a contrast this much lower than the best is told


@dataclass(frozen=True, slots=True, kw_only=True)
class FabricRow:
    """One fabric of the stores in this room: its worst seat in every light state, and why it lost."""

    key: str
    name: str
    category: str
    rank: int
    luminance: str
    uniformity: str
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


@dataclass(frozen=True, slots=True, kw_only=True)
class Trial:
    """One fabric in this room. seat: the worst; contrasts there, a light state each; numbers 0 without light."""

    key: str
    name: str
    body: Mapping[str, Any]
    at: Ask
    seat: str
    luminance: float
    uniformity: float
    contrasts: tuple[float, ...]
    stops: tuple[str, ...]
    hot_spot: str

    @property
    def bands(self) -> int:
        """Sum of the contrast bands over all light states."""
        return sum(BANDS.index(contrast_band(contrast)) for contrast in self.contrasts)

    @property
    def score(self) -> tuple[bool, bool, int, float]:
        """No stop first, then no hot spot, then the bands, then the luminance."""
        lit = bool(self.contrasts)
        return (lit and not self.stops, lit and not self.hot_spot, self.bands, self.luminance)


def fabric_table(at: Ask, records: Sequence[tuple[str, str, Mapping[str, Any]]]) -> FabricTable:
    """Every fabric (key, name, body) of the stores in this room.

    The reason is the first light state in which it falls behind the best.
    """
    ranked = sorted((_try(at, *record) for record in records), key=lambda one: one.score, reverse=True)
    names = at(state_names)
    best = ranked[0] if ranked else None
    rows = tuple(_row(at, one, best, names, rank) for rank, one in enumerate(ranked, start=1))
    return FabricTable(rows=rows, states=names)


def _try(at: Ask, key: str, name: str, body: Mapping[str, Any]) -> Trial:
    edits, past = stored_edits(RecordKind.FABRIC, name, body, at.job)
    variant = at.with_job(apply(at.job, edits))
    stops = ((past,) if past else ()) + tuple(each.text for each in against(variant, "stop", ("light",)))
    hot = next(
        (each.text for each in against(variant, "check", ("light",)) if each.code == Code.HOT_SPOT), ""
    )
    light, placed = variant(seen), variant(seats)
    seat, luminance, uniformity = "", 0.0, 0.0
    contrasts: tuple[float, ...] = ()
    if light is not None:
        rows = [tuple(float(value) for value in row) for row in light.contrast]
        sums = [sum(BANDS.index(contrast_band(value)) for value in row) for row in rows]
        worst = min(range(len(rows)), key=lambda k: (sums[k], float(light.luminance[k, 0])))
        points = light.luminance[worst]
        luminance, contrasts, seat = float(points[0]), rows[worst], placed[worst].name
        uniformity = float(points.min() / points.max()) if points.max() > 0.0 else 0.0
    return Trial(
        key=key,
        name=name,
        body=body,
        at=variant,
        seat=seat,
        luminance=luminance,
        uniformity=uniformity,
        contrasts=contrasts,
        stops=stops,
        hot_spot=hot,
    )


def _row(at: Ask, trial: Trial, best: Trial | None, states: tuple[str, ...], rank: int) -> FabricRow:
    lit = bool(trial.contrasts)
    return FabricRow(
        key=trial.key,
        name=trial.name,
        category=str(trial.body.get("sort", "")),
        rank=rank,
        luminance=f"{trial.luminance:.0f}" if lit else "",
        uniformity=f"{100 * trial.uniformity:.0f}\u00a0%" if trial.luminance else "unsuitable" if lit else "",
        contrasts=tuple(contrast_text(value) for value in trial.contrasts),
        bands=tuple(contrast_band(value) for value in trial.contrasts),
        worst_seat=trial.seat,
        reason=_reason(trial, best, states, rank),
        stops=trial.stops,
        chosen=at.given(FabricChoice.name) == trial.name,
        lobe=_polar(trial.at),
    )


def _reason(trial: Trial, best: Trial | None, states: tuple[str, ...], rank: int) -> str:
    if trial.stops:
        return trial.stops[0]
    if rank > 1 and trial.hot_spot:
        return trial.hot_spot
    if not trial.contrasts or best is None or not best.contrasts:
        return "Seats and the projector's light are needed to rank fabrics"
    if rank == 1:
        return f"best at its worst seat, {trial.seat}"
    for state, own, other in zip(states, trial.contrasts, best.contrasts, strict=True):
        if own < other * LESS:
            return f"{state}: contrast {contrast_text(own)} against {contrast_text(other)} at the worst seat"
    if trial.luminance < best.luminance:
        return f"{trial.luminance:.0f} against {best.luminance:.0f} cd/m² at the worst seat"
    return "as good as the best"


def _polar(at: Ask) -> tuple[tuple[float, float], ...]:
    """The lobe as (angle [deg], gain), for its curve; empty where no fabric is like that."""
    model = at(light_model)
    if model is None:
        return ()
    angles = np.arange(0.0, 91.0, 5.0)
    gains = gain_at(model.lobe, angles)
    return tuple((float(a), round(float(g), 4)) for a, g in zip(angles, gains, strict=True))
