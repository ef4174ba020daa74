"""Dry fit: the empty frame hung, read at its ends, and what to move by how much.

Source: the error at a bracket lies on the straight line through the errors read at the frame's two ends; copying an end's error
to a bracket that sits inboard over-corrects. Side gaps a and b: slide by half of their difference.
"""

from dataclasses import dataclass

from gantline.core.errors import require_positive


@dataclass(frozen=True, slots=True, kw_only=True)
class DryFit:
    """Readings [mm]: how much too high the frame's top is at its left and right end; gaps to the left and right reference."""

    left_mm: float
    right_mm: float
    gap_left_mm: float | None = None
    gap_right_mm: float | None = None


def error_at_mm(fit: DryFit, x_mm: float, left_end_mm: float, right_end_mm: float) -> float:
    """How much too high the frame hangs over a place along the wall [mm].  Raises: OutOfRange for a frame without width."""
    require_positive(width_mm=right_end_mm - left_end_mm)
    share = (x_mm - left_end_mm) / (right_end_mm - left_end_mm)
    return fit.left_mm + share * (fit.right_mm - fit.left_mm)


def slide_mm(fit: DryFit) -> float | None:
    """How far to slide the frame [mm], + to the right; None without both gaps."""
    if fit.gap_left_mm is None or fit.gap_right_mm is None:
        return None
    return (fit.gap_right_mm - fit.gap_left_mm) / 2.0
