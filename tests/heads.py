"""Rays past heads: what the plan says of who sees the lower edge is held against them."""

from collections.abc import Iterable

import numpy as np

Seated = tuple[float, float, float]
"""Distance from the fabric, eye above the floor, place across the room [mm]."""


def lowest_seen_mm(
    eye: Seated, heads: Iterable[Seated], edge: tuple[float, float], clear_mm: float, lose: float = 0.0
) -> float:
    """The lowest edge that an eye sees past heads 200 mm wide, or loses no more of than a share: 4,001 rays to points of the
    edge, each solved where it enters and leaves a head. Minus infinity where no ray meets one."""
    far, rear, x = eye
    run = np.linspace(*edge, 4001) - x
    lowest = np.full(run.shape, -np.inf)
    for close, front, across in heads:
        if close > far - 600.0:
            continue
        a, b = run**2 + far**2, run * (x - across) - far * (far - close)
        inside = b**2 - a * ((x - across) ** 2 + (far - close) ** 2 - 100.0**2)
        hit = inside >= 0.0
        if hit.any():
            root, rise = np.sqrt(inside[hit]), front + clear_mm - rear
            enters, leaves = (-b[hit] - root) / a[hit], np.minimum((-b[hit] + root) / a[hit], 1.0)
            lowest[hit] = np.maximum(lowest[hit], rear + rise / (enters if rise > 0.0 else leaves))
    return float(np.sort(lowest)[::-1][int(lose * len(lowest))])
