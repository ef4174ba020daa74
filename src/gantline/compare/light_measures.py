"""What a candidate does to the light: luminance, evenness and contrast, at one seat or at the worst one."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from gantline.compare.side_by_side import MeasureCell, MeasureRow
from gantline.core.defaults import LightDefaults
from gantline.core.light.luminance import CONTRAST_BANDS, contrast_band
from gantline.plan.ask import Ask
from gantline.stations.light.solve import seen, state_names
from gantline.stations.light.tables import contrast_text
from gantline.stations.survey import main_seat, seats

GOOD_CONTRAST = next(low for low, word in CONTRAST_BANDS if word == "good")


@dataclass(frozen=True, slots=True, kw_only=True)
class Lit:
    """What one seat sees of the picture. luminance [cd/m²] at its center; even: its darkest point as a share of its
    brightest; contrasts, a light state each."""

    seat: str
    luminance: float
    even: float
    contrasts: tuple[float, ...]


def lit_at(at: Ask, row: int) -> Lit | None:
    """The light at one seat by its place in the list; None where light is not known."""
    light = at(seen)
    if light is None:
        return None
    points = light.luminance[row]
    brightest = float(points.max())
    return Lit(
        seat=at(seats)[row].name if at(seats) else "",
        luminance=float(points[0]),
        even=float(points.min()) / brightest if brightest > 0.0 else 0.0,
        contrasts=tuple(float(value) for value in light.contrast[row]),
    )


def at_main_seat(at: Ask) -> Lit | None:
    """The light at the main seat, or at the first."""
    lead = at(main_seat)
    return lit_at(at, at(seats).index(lead) if lead is not None else 0)


def light_measures(
    asks: Sequence[Ask], look: Callable[[Ask], Lit | None] = at_main_seat, *, even: bool = False
) -> Iterator[MeasureRow]:
    """Luminance and the contrast in every light state, held against what is wanted. even: the evenness too."""
    found = [look(ask) for ask in asks]
    if not any(found):
        return
    ask = asks[0]
    low, high = (
        ask.default(limit) for limit in (LightDefaults.bright_dark_cd_m2, LightDefaults.too_bright_cd_m2)
    )
    yield MeasureRow(
        key="luminance",
        short="cd/m²",
        label="Luminance",
        unit="cd/m²",
        wanted=f"{low:g} to {high:g}",
        cells=tuple(_luminance(lit, low, high) for lit in found),
    )
    if even:
        least = ask.default(LightDefaults.even_good)
        yield MeasureRow(
            key="even",
            short="Even",
            label="Uniformity",
            unit="%",
            wanted=f"{100 * least:g} or more",
            better="high",
            cells=tuple(_even(lit, least) for lit in found),
        )
    for state, name in enumerate(ask(state_names)):
        yield MeasureRow(
            key=f"contrast-{state}",
            label=f"Contrast, {name}",
            short=name,
            wanted=f"{GOOD_CONTRAST:g} or more",
            better="high",
            cells=tuple(_contrast(lit, state) for lit in found),
        )


def _luminance(lit: Lit | None, low: float, high: float) -> MeasureCell:
    if lit is None:
        return MeasureCell(text="")
    return MeasureCell(text=f"{lit.luminance:.0f}", wanted=low <= lit.luminance <= high, value=lit.luminance)


def _even(lit: Lit | None, least: float) -> MeasureCell:
    if lit is None:
        return MeasureCell(text="")
    return MeasureCell(
        text=f"{100 * lit.even:.0f}" if lit.luminance else "none", wanted=lit.even >= least, value=lit.even
    )


def _contrast(lit: Lit | None, state: int) -> MeasureCell:
    if lit is None:
        return MeasureCell(text="")
    value = lit.contrasts[state]
    return MeasureCell(
        text=contrast_text(value), note=contrast_band(value), wanted=value >= GOOD_CONTRAST, value=value
    )
