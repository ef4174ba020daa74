"""What stands in the light: shadows of boxes on the picture."""

from dataclasses import dataclass

import numpy as np
from shapely import MultiPoint, Polygon
from shapely import box as rectangle

from gantline.core.space import Solid
from gantline.core.throw.pinhole import Array

LENS_SLACK_MM = 1.0  # a box is looked at up to this far from the lens's plane; beyond it projects to infinity


@dataclass(frozen=True, slots=True, kw_only=True)
class Shadow:
    """The part of the picture a box darkens: outline [mm] and share of the picture's area."""

    name: str
    outline: tuple[tuple[float, float], ...]
    share: float


def shadow(
    solid: Solid, lens_mm: tuple[float, float, float], picture: tuple[float, float, float, float]
) -> Shadow | None:
    """The shadow of one box, None where it is clear of the beam.

    Args: lens (x, y, z) [mm]; picture left, bottom, right, top [mm].
    Source: the box between fabric and lens, its corners projected from the lens onto z = 0; their convex
        hull is the shadow, because a projection keeps convex bodies convex.
    Leaves out: what is behind the fabric, and the half shadow of a lens that is no point.
    """
    near, far = max(solid.low[2], 0.0), min(solid.high[2], lens_mm[2] - LENS_SLACK_MM)
    if near >= far:
        return None
    corners = [
        (x, y, z)
        for x in (solid.low[0], solid.high[0])
        for y in (solid.low[1], solid.high[1])
        for z in (near, far)
    ]
    cast = [_onto_wall(corner, lens_mm) for corner in corners]
    if max(x for x, _ in cast) <= picture[0] or min(x for x, _ in cast) >= picture[2]:
        return None
    if max(y for _, y in cast) <= picture[1] or min(y for _, y in cast) >= picture[3]:
        return None
    hull = MultiPoint(cast).convex_hull
    whole = rectangle(*picture)
    dark = hull.intersection(whole)
    if not isinstance(dark, Polygon) or dark.is_empty:
        return None
    return Shadow(name=solid.name, outline=tuple(dark.exterior.coords)[:-1], share=dark.area / whole.area)


def shaded_share(shadows: tuple[Shadow, ...], picture: tuple[float, float, float, float]) -> float:
    """Share of the picture that any of the shadows darkens, overlaps counted once."""
    from shapely import union_all

    return float(union_all([Polygon(one.outline) for one in shadows]).area / rectangle(*picture).area)


def part_of(outline: tuple[tuple[float, float], ...], picture: tuple[float, float, float, float]) -> str:
    """Which part of the picture a shadow covers, by its middle, in thirds: top left, middle, bottom ..."""
    x = sum(point[0] for point in outline) / len(outline)
    y = sum(point[1] for point in outline) / len(outline)
    across, up = (x - picture[0]) / (picture[2] - picture[0]), (y - picture[1]) / (picture[3] - picture[1])
    level = "top" if up > 2 / 3 else "bottom" if up < 1 / 3 else ""
    side = "left" if across < 1 / 3 else "right" if across > 2 / 3 else ""
    return " ".join(filter(None, (level, side))) or "middle"


def _onto_wall(point: tuple[float, float, float], lens: tuple[float, float, float]) -> tuple[float, float]:
    share = lens[2] / (lens[2] - point[2])
    return lens[0] + (point[0] - lens[0]) * share, lens[1] + (point[1] - lens[1]) * share


def blocked(solid: Solid, lens_mm: tuple[float, float, float], points_mm: Array) -> Array:
    """Whether the ray from each picture point (n, 2) to the lens meets the box: (n,) of bool, by slabs.

    The slow way round, point by point; for checking shadows and for single points.
    """
    start = np.column_stack([points_mm, np.zeros(len(points_mm))])
    along = np.asarray(lens_mm) - start
    with np.errstate(divide="ignore", invalid="ignore"):
        first, second = (np.asarray(solid.low) - start) / along, (np.asarray(solid.high) - start) / along
    enter, leave = np.fmin(first, second).max(axis=1), np.fmax(first, second).min(axis=1)
    return np.asarray((enter < leave) & (leave > 0.0) & (enter < 1.0))
