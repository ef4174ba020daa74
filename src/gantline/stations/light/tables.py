"""Light seat by seat, and the light states."""

from dataclasses import dataclass
from typing import cast

from gantline.core.light.luminance import CD_M2_PER_FOOT_LAMBERT, contrast_band, luminance_cd_m2
from gantline.job.field import field_of
from gantline.job.model.light import Lighting
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.plan.figure import Known
from gantline.stations.light.solve import given_states, light_model, seen, state_names, states
from gantline.stations.survey import seats

LEFT_EDGE, RIGHT_EDGE = 1, 2


@dataclass(frozen=True, slots=True, kw_only=True)
class SeatLight:
    """One seat's light: luminance at the center and at POINTS, gain at the far edge, uniformity, contrasts."""

    id: str
    luminance: str
    foot_lamberts: str
    points: tuple[str, ...]
    far_gain: str
    uniformity: str
    contrasts: tuple[str, ...]
    bands: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LightTable:
    """The seats' light, and the light states the contrasts stand for."""

    rows: tuple[SeatLight, ...]
    states: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LampSwitch:
    """A lamp that may be lit in a state."""

    id: str
    name: str
    lit: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class StateRow:
    """A light state: its light, how that is known, and the lamps that are lit in it."""

    id: str
    name: str
    lux: str
    known: Known
    how: str
    pointer: str
    lamps: tuple[LampSwitch, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LightStates:
    """The light states."""

    rows: tuple[StateRow, ...]


def seat_lights(at: Ask) -> LightTable:
    """Numbers as they are read."""
    return LightTable(rows=_rows(at), states=at(state_names))


def light_states(at: Ask) -> LightStates:
    """Each state as it is shown and typed into."""
    base = field_of(Lighting.states).pointer
    lamps = [(lamp.id, lamp.name) for lamp in at.things(Survey.lamps)]
    rows = []
    for state, given in zip(at(states), given_states(at), strict=True):
        pointer = f"{base}/{state.id}"
        known: Known = "measured" if given.lux is not None else "computed" if state.how else "assumed"
        switches = tuple(LampSwitch(id=key, name=name, lit=key in given.lamps) for key, name in lamps)
        rows.append(
            StateRow(
                id=state.id,
                name=state.name,
                lux=f"{state.lux:.3g} lux",
                known=cast(Known, at.said(f"{pointer}/lux") or known) if given.lux is not None else known,
                how=state.how,
                pointer=pointer,
                lamps=switches,
            )
        )
    return LightStates(rows=tuple(rows))


def _rows(at: Ask) -> tuple[SeatLight, ...]:
    model, light, placed = at(light_model), at(seen), at(seats)
    if model is None or light is None:
        return ()
    one = float(luminance_cd_m2(model.flux_lm, model.area_m2, 1.0))
    middle_mm = float(model.points[0, 0])
    rows = []
    for seat, points, contrasts in zip(
        placed, light.luminance.tolist(), light.contrast.tolist(), strict=True
    ):
        brightest, far = max(points), LEFT_EDGE if seat.x_mm > middle_mm else RIGHT_EDGE
        rows.append(
            SeatLight(
                id=seat.id,
                luminance=f"{points[0]:.0f}",
                foot_lamberts=f"{points[0] / CD_M2_PER_FOOT_LAMBERT:.0f}",
                points=tuple(f"{value:.0f}" for value in points),
                far_gain=f"{points[far] / one if one > 0.0 else 0.0:.2f}",
                uniformity=f"{100 * min(points) / brightest:.0f}\u00a0%" if brightest > 0.0 else "unsuitable",
                contrasts=tuple(contrast_text(value) for value in contrasts),
                bands=tuple(contrast_band(value) for value in contrasts),
            )
        )
    return tuple(rows)


def contrast_text(value: float) -> str:
    """A contrast as it is read."""
    return f"{value:.0f}" if value >= 10 else f"{value:.1f}"
