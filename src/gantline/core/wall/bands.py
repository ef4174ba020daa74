"""No-drill bands: straight above, below and beside every fitting that cable or pipe runs to."""

from collections.abc import Sequence
from dataclasses import dataclass

WIRED = ("outlet", "switch", "thermostat", "radiator", "cable-point", "other")  # cable or pipe runs to these


def band_mm(kind: str, surveyed_mm: float | None, usual_mm: float) -> float:
    """Width of the no-drill band beside a fitting [mm]: as surveyed, else the usual one where cable or pipe runs."""
    if surveyed_mm is not None:
        return surveyed_mm
    return usual_mm if kind in WIRED else 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Band:
    """A fitting grown by its band [mm]; the bands run from it to ceiling and floor, and sideways along the wall."""

    name: str
    left_mm: float
    right_mm: float
    bottom_mm: float
    top_mm: float


def crosses(band: Band, x_mm: float, y_mm: float) -> bool:
    """Whether a hole lies straight above, below or beside the fitting. Source: cable runs straight from it."""
    return band.left_mm <= x_mm <= band.right_mm or band.bottom_mm <= y_mm <= band.top_mm


def stud_is_free(x_mm: float, found: Sequence[Band]) -> bool:
    """Whether no band runs up or down along a stud at x [mm from the left wall end]."""
    return not any(band.left_mm <= x_mm <= band.right_mm for band in found)
