"""How far back the lens must be: the throw window. Z counts from the fabric plane to the lens."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

import numpy as np

from gantline.core.errors import OutOfRange, require_positive
from gantline.core.size.picture import Picture
from gantline.core.tolerance import at_most


@dataclass(frozen=True, slots=True)
class PanelImage:
    """The projector's whole panel as it lands on the fabric [mm]; the picture is a part of it."""

    width_mm: float
    height_mm: float


def panel_image(thrown: Picture, panel_aspect: Fraction) -> PanelImage:
    """The panel's image that just holds the thrown picture (viewable area + overspill).

    Source: with picture aspect s and panel aspect p, W_p = W if s >= p, else p H; H_p = W_p / p.
    Raises: OutOfRange unless panel_aspect > 0.
    """
    require_positive(panel_aspect=float(panel_aspect))
    ratio = float(panel_aspect)
    width_mm = max(thrown.width_mm, ratio * thrown.height_mm)
    return PanelImage(width_mm, width_mm / ratio)


@dataclass(frozen=True, slots=True, kw_only=True)
class Lens:
    """Throw ratio range, over the panel's image width; low == high is a fixed lens.

    Raises OutOfRange unless 0 < ratio_low <= ratio_high.
    """

    ratio_low: float
    ratio_high: float

    def __post_init__(self) -> None:
        require_positive(ratio_low=self.ratio_low, ratio_high=self.ratio_high)
        if self.ratio_low > self.ratio_high:
            raise OutOfRange(
                "the wide end exceeds the long end",
                field="ratio_low",
                got=self.ratio_low,
                long=self.ratio_high,
            )

    @property
    def fixed(self) -> bool:
        """Whether the lens has no zoom."""
        return self.ratio_low == self.ratio_high


@dataclass(frozen=True, slots=True, kw_only=True)
class ThrowWindow:
    """Lens to fabric plane [mm]: the whole window, and the part inside the margin at each end."""

    near_mm: float
    far_mm: float
    safe_near_mm: float
    safe_far_mm: float

    def shortfall_mm(self, distance_mm: float) -> float:
        """How far the lens must move [mm]: + back, away from the screen, - nearer, 0 inside."""
        if distance_mm < self.near_mm:
            return self.near_mm - distance_mm
        return min(0.0, self.far_mm - distance_mm)

    def inside_margin(self, distance_mm: float) -> bool:
        """Whether the distance keeps clear of both ends of the zoom."""
        return at_most(self.safe_near_mm, distance_mm) and at_most(distance_mm, self.safe_far_mm)


def ratio_seen(distance_mm: float, image_width_mm: float) -> float:
    """The throw ratio of a picture that stands on a wall: from the wall to the pupil [mm] by the panel image's width there [mm].

    Source: the definition of throw ratio.  Raises: OutOfRange.  Leaves out: a body that is not square to the wall.
    """
    require_positive(distance_mm=distance_mm, image_width_mm=image_width_mm)
    return distance_mm / image_width_mm


def throw_window(lens: Lens, panel: PanelImage, *, margin: float) -> ThrowWindow:
    """Where the lens may be for a panel's image that wide.

    Args: margin, the share of the range kept clear at each end (0.03); a fixed lens has none.
    Returns: Z in [R_low W_p, R_high W_p], inside it [(1 + m) R_low W_p, (1 - m) R_high W_p]; where
        the zoom range is narrower than both margins the safe part collapses to its middle.
    Source: Z = R W_p, the definition of throw ratio; pinhole lens, R from the lens's pupil.
    """
    near, far = lens.ratio_low * panel.width_mm, lens.ratio_high * panel.width_mm
    if lens.fixed:
        return ThrowWindow(near_mm=near, far_mm=far, safe_near_mm=near, safe_far_mm=far)
    safe_near, safe_far = near * (1.0 + margin), far * (1.0 - margin)
    if safe_near > safe_far:
        safe_near = safe_far = (near + far) / 2.0
    return ThrowWindow(near_mm=near, far_mm=far, safe_near_mm=safe_near, safe_far_mm=safe_far)


@dataclass(frozen=True, slots=True, kw_only=True)
class TableLine:
    """One line of a maker's table [mm]: picture width (panel as wide), and the distance at either end of the zoom."""

    width_mm: float
    wide_mm: float
    long_mm: float


def fit_throw(lines: Sequence[TableLine]) -> tuple[Lens, float]:
    """Throw ratios and the distance offset c0 behind a maker's table of distances.

    Returns: the lens, and c0 [mm]: what the table's point lies farther from the fabric than the pupil.
    Source: least squares of distance = R W_p + c0 over both ends with one c0.
    Raises: OutOfRange with fewer than two different widths, or a fit that is no lens.
    """
    if len({line.width_mm for line in lines}) < 2:
        raise OutOfRange(
            "a throw table needs two different picture widths", field="throw_table", got=len(lines)
        )
    rows = [[line.width_mm, 0.0, 1.0] for line in lines] + [[0.0, line.width_mm, 1.0] for line in lines]
    right = [line.wide_mm for line in lines] + [line.long_mm for line in lines]
    (low, high, offset_mm), *_ = np.linalg.lstsq(np.array(rows), np.array(right), rcond=None)
    return Lens(ratio_low=float(low), ratio_high=float(max(low, high))), float(offset_mm)
