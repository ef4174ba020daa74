"""What stands between lens and picture, in the plan's words."""

import math
from dataclasses import replace

import numpy as np

from gantline.core.space import Solid
from gantline.core.throw.light_path import Shadow, shaded_share, shadow
from gantline.core.throw.places import Wanted, possible
from gantline.plan.book import Book, cure
from gantline.plan.figures import Cure
from gantline.plan.height import Hung

TOUCH = 1e-4  # share of the picture; less is a ray along an edge
STEP_MM = 12.0
FARTHEST_MM = 1500.0  # a lens is not moved farther than this to get out of a shadow
AXES = (
    ("lens_y_mm", 1, "down", "up"),
    ("lens_x_mm", 0, "to the left", "to the right"),
    ("lens_from_wall_mm", 2, "nearer", "back"),
)
Point3 = tuple[float, float, float]
Edges = tuple[float, float, float, float]


def light_path(
    book: Book, hung: Hung, wanted: Wanted, solids: tuple[Solid, ...], lens_mm: Point3, fabric_mm: float
) -> tuple[Shadow, ...]:
    """Shadows of everything in the room on the picture. lens (x, y, Z from the fabric) [mm]."""
    screen = hung.place.screen.picture
    x, y = hung.place.centre_x_mm, hung.picture_centre_mm
    picture = (x - screen.width_mm / 2.0, y - screen.height_mm / 2.0, x + screen.width_mm / 2.0, y + screen.height_mm / 2.0)
    walkways = {one.name or one.kind for one in book.job.survey.boxes if one.kind == "walkway"}
    moved = tuple(_from_fabric(solid, fabric_mm) for solid in solids)
    found = []
    for solid in moved:
        dark = _dark(solid, lens_mm, picture)
        if dark is None:
            continue
        found.append(dark)
        where = _where(dark, picture)
        share = f"{100 * dark.share:.0f} %" if dark.share >= 0.01 else "less than 1 %"
        cures = _ways_clear(book, wanted, moved, solid, lens_mm, picture, fabric_mm)
        if solid.name in walkways:
            book.find(f"walkway-{solid.name}"[:60], "throw", "mind",
                f"Somebody standing in the {solid.name} shades {share} of the picture, at its {where}.", {"share": dark.share}, cures)  # fmt: skip
        else:
            book.find(f"shadow-{solid.name}"[:60], "throw", "stop",
                f"The {solid.name} stands in the light: {share} of the picture stays dark, at its {where}.", {"share": dark.share}, cures)  # fmt: skip
    if found:
        dark_share = shaded_share(tuple(found), picture)
        book.ratio("shaded", "throw", "Picture in shadow", dark_share, f"{100 * dark_share:.1f} %", "shadows ∩ picture / picture",
            ", ".join(one.name for one in found), [], "boxes projected from the lens onto the fabric; the lens as a point")  # fmt: skip
    return tuple(found)


def _from_fabric(solid: Solid, fabric_mm: float) -> Solid:
    low, high = (*solid.low[:2], solid.low[2] - fabric_mm), (*solid.high[:2], solid.high[2] - fabric_mm)
    return Solid(name=solid.name, low=low, high=high)


def _dark(solid: Solid, lens_mm: Point3, picture: Edges) -> Shadow | None:
    dark = shadow(solid, lens_mm, picture)
    return None if dark is None or dark.share < TOUCH else dark


def _ways_clear(
    book: Book, wanted: Wanted, solids: tuple[Solid, ...], hit: Solid, lens_mm: Point3, picture: Edges, fabric_mm: float
) -> list[Cure]:
    """The least move of the lens along each axis that clears every shadow, and how much higher the box would have to hang."""
    if book.brief:
        return []
    grid = float(book.units.grid)
    step = grid * math.ceil(STEP_MM / grid)
    free, cures = replace(wanted, lines=None), []
    moves = np.array([sign * step * k for k in range(1, int(FARTHEST_MM / step)) for sign in (-1.0, 1.0)])
    for field, axis, less, more in AXES:
        places = np.tile(np.array(lens_mm), (len(moves), 1))
        places[:, axis] += moves
        for k in np.flatnonzero(possible(free, places[:, 0], places[:, 1], places[:, 2] + fabric_mm)):
            x, y, z = (float(value) for value in places[k])
            if not any(_dark(one, (x, y, z), picture) for one in solids):
                value = (x, y, z)[axis] + (fabric_mm + book.job.throw.distance_offset_mm if axis == 2 else 0.0)
                move = float(moves[k])
                cures.append(cure(f"Lens {book.text(abs(move))} {less if move < 0 else more}", **{f"throw__{field}": value}))
                break
    up = _rise(hit, lens_mm, picture, step)
    if up is not None and hit.low[1] > picture[1]:
        cures.append(Cure(text=f"The {hit.name} {book.text(up)} higher"))
    return cures


def _rise(solid: Solid, lens_mm: Point3, picture: Edges, step: float) -> float | None:
    for k in range(1, int(FARTHEST_MM / step)):
        low, high = (
            (solid.low[0], solid.low[1] + k * step, solid.low[2]),
            (solid.high[0], solid.high[1] + k * step, solid.high[2]),
        )
        if _dark(Solid(name=solid.name, low=low, high=high), lens_mm, picture) is None:
            return k * step
    return None


def _where(dark: Shadow, picture: Edges) -> str:
    """Which part of the picture a shadow covers, by its middle."""
    x = sum(point[0] for point in dark.outline) / len(dark.outline)
    y = sum(point[1] for point in dark.outline) / len(dark.outline)
    across, up = (x - picture[0]) / (picture[2] - picture[0]), (y - picture[1]) / (picture[3] - picture[1])
    level = "top" if up > 2 / 3 else "bottom" if up < 1 / 3 else ""
    side = "left" if across < 1 / 3 else "right" if across > 2 / 3 else ""
    return " ".join(filter(None, (level, side))) or "middle"
