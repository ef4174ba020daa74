"""The shop's fabrics in this room, ranked by their worst seat."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gantline.compare.light_measures import Lit, light_measures, lit_at
from gantline.compare.side_by_side import NO_WARNINGS, MeasureCell, MeasureRow, Verdict
from gantline.compare.verdict import Against, against
from gantline.core.light.lobe import gain_at
from gantline.core.light.luminance import CONTRAST_BANDS, contrast_band
from gantline.job.edits import apply
from gantline.job.model.light import FabricChoice, Lighting
from gantline.job.records import RecordKind, stored_edits
from gantline.plan.ask import Ask
from gantline.stations.light.findings import Code
from gantline.stations.light.solve import light_model, seen, state_names
from gantline.stations.light.tables import contrast_text

BANDS = [word for _, word in CONTRAST_BANDS]
SEEN = ("poor", "good", "best")
LESS = 0.98  # a contrast this much lower than the best is told


@dataclass(frozen=True, slots=True, kw_only=True)
class FabricRow:
    """One fabric of the stores in this room: its worst seat in every light state, and why it lost."""

    key: str
    name: str
    category: str
    rank: int
    luminance: str
    contrasts: tuple[str, ...]
    worst_seat: str
    judged: Verdict
    stops: tuple[str, ...]
    chosen: bool
    lobe: tuple[tuple[float, float], ...]

    @property
    def title(self) -> str:
        """What it is called."""
        return self.name

    @property
    def reason(self) -> str:
        """Why it has its rank, in full."""
        return self.judged.reason


@dataclass(frozen=True, slots=True, kw_only=True)
class FabricTable:
    """The ranking, best first, with what each has of every measure."""

    rows: tuple[FabricRow, ...]
    measures: tuple[MeasureRow, ...]
    states: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Trial:
    """One fabric in this room. lit: the light at its worst seat; None without light."""

    key: str
    name: str
    body: Mapping[str, Any]
    at: Ask
    lit: Lit | None
    past: str
    stops: tuple[Against, ...]
    hot: Against | None

    @property
    def bands(self) -> int:
        """Sum of the contrast bands over all light states."""
        return _bands(self.lit.contrasts) if self.lit else 0

    @property
    def score(self) -> tuple[bool, bool, int, float]:
        """No stop first, then no hot spot, then the bands, then the luminance."""
        lit = self.lit is not None
        return (
            lit and not self.stops and not self.past,
            lit and self.hot is None,
            self.bands,
            self.lit.luminance if self.lit else 0.0,
        )


def fabric_table(at: Ask, records: Sequence[tuple[str, str, Mapping[str, Any]]]) -> FabricTable:
    """Every fabric (key, name, body) of the stores in this room.

    The reason is the first light state in which it falls behind the best.
    """
    ranked = sorted((_try(at, *record) for record in records), key=lambda trial: trial.score, reverse=True)
    names = at(state_names)
    best = ranked[0] if ranked else None
    rows = tuple(_row(at, trial, best, names, rank) for rank, trial in enumerate(ranked, start=1))
    measures = tuple(light_measures([trial.at for trial in ranked], worst_seat, even=True)) if ranked else ()
    measures += tuple(_in_the_room(at, ranked))
    return FabricTable(rows=rows, measures=measures, states=names)


def _in_the_room(at: Ask, ranked: Sequence[Trial]) -> Iterator[MeasureRow]:
    """How swatches looked where the screen will hang, a light state each that somebody looked in."""
    swatches = at.things(Lighting.swatches)
    for state in dict.fromkeys(swatch.state for swatch in swatches):
        seen_as = {swatch.fabric.casefold(): swatch.seen for swatch in swatches if swatch.state == state}
        words = [seen_as.get(trial.name.casefold(), "") for trial in ranked]
        yield MeasureRow(
            key=f"swatch-{state}",
            label=f"Swatch seen, {state}",
            short=f"seen {state}",
            wanted="best or good",
            better="high",
            cells=tuple(
                MeasureCell(
                    text=word,
                    wanted=word in ("best", "good"),
                    value=float(SEEN.index(word)) if word else None,
                )
                for word in words
            ),
        )


def worst_seat(at: Ask) -> Lit | None:
    """The light at the seat with the least contrast over all light states, then with the least luminance."""
    light = at(seen)
    if light is None:
        return None
    rows = range(len(light.contrast))
    worst = min(
        rows,
        key=lambda row: (
            _bands(tuple(float(value) for value in light.contrast[row])),
            float(light.luminance[row, 0]),
        ),
    )
    return lit_at(at, worst)


def _bands(contrasts: Sequence[float]) -> int:
    return sum(BANDS.index(contrast_band(contrast)) for contrast in contrasts)


def _try(at: Ask, key: str, name: str, body: Mapping[str, Any]) -> Trial:
    edits, past = stored_edits(RecordKind.FABRIC, name, body, at.job)
    variant = at.with_job(apply(at.job, edits))
    checks = against(variant, "check", ("light",))
    return Trial(
        key=key,
        name=name,
        body=body,
        at=variant,
        lit=worst_seat(variant),
        past=past,
        stops=against(variant, "stop", ("light",)),
        hot=next((each for each in checks if each.code == Code.HOT_SPOT), None),
    )


def _row(at: Ask, trial: Trial, best: Trial | None, states: tuple[str, ...], rank: int) -> FabricRow:
    lit = trial.lit
    stops = tuple(stop.text for stop in trial.stops)
    return FabricRow(
        key=trial.key,
        name=trial.name,
        category=str(trial.body.get("sort", "")),
        rank=rank,
        luminance=f"{lit.luminance:.0f}" if lit else "",
        contrasts=tuple(contrast_text(value) for value in lit.contrasts) if lit else (),
        worst_seat=lit.seat if lit else "",
        judged=_judged(trial, best, states, rank),
        stops=((trial.past, *stops) if trial.past else stops),
        chosen=at.given(FabricChoice.name) == trial.name,
        lobe=_polar(trial.at),
    )


def _judged(trial: Trial, best: Trial | None, states: tuple[str, ...], rank: int) -> Verdict:
    if trial.past:
        return Verdict(severity="stop", short="edit its record", reason=trial.past)
    if trial.stops:
        first, *rest = trial.stops
        return Verdict(
            severity="stop", short=first.short, reason=first.text, also=tuple(each.text for each in rest)
        )
    if rank > 1 and trial.hot is not None:
        return Verdict(severity="check", short=trial.hot.short, reason=trial.hot.text)
    if trial.lit is None or best is None or best.lit is None:
        reason = "Seats and the projector's light are needed to rank fabrics"
        return Verdict(severity="", short="light not known", reason=reason)
    if rank == 1:
        return Verdict(severity="", short="best here", reason=f"best at its worst seat, {trial.lit.seat}")
    for state, own, other in zip(states, trial.lit.contrasts, best.lit.contrasts, strict=True):
        if own < other * LESS:
            reason = (
                f"{state}: contrast {contrast_text(own)} against {contrast_text(other)} at the worst seat"
            )
            return Verdict(severity="", short="less contrast", reason=reason)
    if trial.lit.luminance < best.lit.luminance:
        reason = f"{trial.lit.luminance:.0f} against {best.lit.luminance:.0f} cd/m² at the worst seat"
        return Verdict(severity="", short="dimmer", reason=reason)
    return Verdict(severity="", short=NO_WARNINGS, reason="as good as the best")


def _polar(at: Ask) -> tuple[tuple[float, float], ...]:
    """The lobe as (angle [deg], gain), for its curve; empty where no fabric is like that."""
    model = at(light_model)
    if model is None:
        return ()
    angles = np.arange(0.0, 91.0, 5.0)
    gains = gain_at(model.lobe, angles)
    return tuple((float(a), round(float(g), 4)) for a, g in zip(angles, gains, strict=True))
