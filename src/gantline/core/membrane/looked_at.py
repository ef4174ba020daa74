"""What is worth saying of a sheet at rest: how even, how far off, how much of it wrinkled."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gantline.core.membrane.equilibrium import Rest
from gantline.core.membrane.law import State, principal, slack_across
from gantline.core.membrane.model import SIDES, Sheet, edge_nodes

Floats = NDArray[np.float64]
SEEN = 2e-4  # strain: under this the cloth's own stiffness against bending keeps it flat, or nobody sees it
NO_WAVES = 5e-4  # share of the picture: less is no wave that anybody sees
LOWEST = 0.01  # share of the area below the tension that evenness speaks of
TRACE = 0.02  # of the even tension: a sheet that hardly pulls is not judged for evenness


@dataclass(frozen=True, slots=True, kw_only=True)
class Sights:
    """One sheet at rest.

    tension: mean along x and along y [N/mm]. evenness: 1st percentile by area of the smaller tension over its mean, 0 where it
    hardly pulls. wrinkled, slack: shares of the area; wrinkled counts what can be seen. drift_mm: of the sheet's center.
    margins_mm: how far each edge (top, right, bottom, left) was pulled out beyond where it would lie even. bow_mm: the
    largest inward bow of each side. rack_mm: top against bottom. past_limit: springs over their limit.
    longest_mm: stretch of the longest hold.
    """

    tension: tuple[float, float]
    evenness: float
    wrinkled: float
    slack: float
    drift_mm: tuple[float, float]
    margins_mm: tuple[float, float, float, float]
    bow_mm: tuple[float, float, float, float]
    rack_mm: float
    past_limit: int
    longest_mm: float


def sights(sheet: Sheet, rest: Rest, within: Floats | None = None, even: Floats | None = None) -> Sights:
    """Look at a sheet.

    Args: within (m,) weights of the triangles, 0 outside the viewable area, all of it without; even (nodes, 2), the moves of
        the even sheet, for the margins.
    """
    areas = sheet.mesh.areas * (1.0 if within is None else within)
    total = float(areas.sum())
    tension = rest.pulled.tension
    smaller = np.maximum(0.0, principal(tension)[1])
    waves = waviness(sheet, rest)
    seen = (rest.pulled.state == State.WRINKLED) & (waves > SEEN)
    moved = rest.moved[: 2 * len(sheet.mesh.nodes)].reshape(-1, 2)
    center = (moved[sheet.mesh.triangles].mean(axis=1) * sheet.mesh.areas[:, None]).sum(
        axis=0
    ) / sheet.mesh.areas.sum()
    count = 2 * len(sheet.mesh.nodes)
    holds = sheet.holds
    bows, margins = list[float](), list[float]()
    for index, side in enumerate(SIDES):
        bow = rest.moved[count:-1][holds.side == index]
        bows.append(float(bow[np.argmax(np.abs(bow))]) if len(bow) else 0.0)
        edge = edge_nodes(sheet.mesh, side)
        axis, sign = (1 if side in ("top", "bottom") else 0), (1.0 if side in ("top", "right") else -1.0)
        out = moved[edge, axis] - (0.0 if even is None else even[edge, axis])
        margins.append(sign * float(out.mean()))
    stretch = rest.stretch_mm[holds.on]
    return Sights(
        tension=(float(areas @ tension[:, 0]) / total, float(areas @ tension[:, 1]) / total),
        evenness=evenness(smaller, areas),
        wrinkled=float(areas[seen].sum()) / total,
        slack=float(areas[rest.pulled.state == State.SLACK].sum()) / total,
        drift_mm=(float(center[0]), float(center[1])),
        margins_mm=(margins[0], margins[1], margins[2], margins[3]),
        bow_mm=(bows[0], bows[1], bows[2], bows[3]),
        rack_mm=float(rest.moved[-1]),
        past_limit=int((holds.springs & holds.on & (rest.stretch_mm > holds.limit_mm)).sum()),
        longest_mm=float(stretch.max(initial=0.0)),
    )


def evenness(smaller: Floats, areas: Floats) -> float:
    """1st percentile by area of the smaller tension over its mean; 0 where there is none.

    Args: smaller (m,) [N/mm]; areas (m,), 0 where it does not count.
    """
    mean = float(areas @ smaller) / float(areas.sum())
    if mean <= 0.0:
        return 0.0
    order = np.argsort(smaller)
    reached = np.cumsum(areas[order]) / areas.sum()
    return float(smaller[order][np.searchsorted(reached, LOWEST)]) / mean


def waviness(sheet: Sheet, rest: Rest) -> Floats:
    """(m,) strain that stands up as wrinkles across the larger tension; 0 where taut or slack."""
    waves = slack_across(sheet.cloth.stiffness, rest.strain, rest.pulled.direction)
    return np.where(rest.pulled.state == State.WRINKLED, waves, 0.0)


def within(sheet: Sheet, border_mm: float) -> Floats:
    """(m,) 1 for triangles of the viewable area, 0 for those under the border; all of them where the border leaves none."""
    width, height = sheet.size_mm
    x, y = sheet.mesh.centers.T
    out = (x > border_mm) & (x < width - border_mm) & (y > border_mm) & (y < height - border_mm)
    return out.astype(float) if out.any() else np.ones(len(x))
