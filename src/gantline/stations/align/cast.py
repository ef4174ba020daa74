"""What the projector lights: outlines of the picture, and every mark of the wall through the points of its cross."""

from dataclasses import dataclass, replace

import numpy as np

from gantline.core.align.cast import (
    POINTS,
    CastMark,
    carried,
    cast_marks,
    ellipse,
    homography,
    inverted,
    wider,
)
from gantline.core.align.cast_judge import About, judged
from gantline.core.align.cast_window import CastWindow, window_faults
from gantline.core.defaults import AlignDefaults
from gantline.core.errors import OutOfRange
from gantline.core.size.aspect import read_aspect
from gantline.core.throw.pinhole import Array
from gantline.core.wall.flat import Flatness
from gantline.job.model.align import Aligned
from gantline.job.model.size import Content
from gantline.plan.ask import Ask
from gantline.stations.align.solve import straight
from gantline.stations.common import fabric_plane_mm, panel_aspect
from gantline.stations.height import centre_x_mm, fits, rect_of_frame, rect_of_picture
from gantline.stations.size import screen
from gantline.stations.throw import projected
from gantline.stations.wall import drilling, flat

CROSS_MM = 60.0


@dataclass(frozen=True, slots=True, kw_only=True)
class CastShape:
    """A line through points (u, v), shares of the light from its upper left; closed or not; text at the first of them, so many
    lines lower."""

    points: tuple[tuple[float, float], ...]
    closed: bool = False
    text: str = ""
    thin: bool = False
    line: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class CastTable:
    """Outlines within the picture; the wall's marks, or why there are none; warnings; points read so far."""

    outlines: tuple[CastShape, ...]
    wall: tuple[CastShape, ...]
    why: str
    warnings: tuple[str, ...]
    points: tuple[str, ...]
    aspect: float


def cast_points(at: Ask) -> tuple[Array, Array]:
    """Where the cross was lit (n, 2) and what the tape read there (n, 2) [mm]."""
    points = at.things(Aligned.cast_points)
    panel, wall = [(point.u, point.v) for point in points], [(one.x_mm, one.y_mm) for one in points]
    return np.array(panel).reshape(-1, 2), np.array(wall).reshape(-1, 2)


def cast_holes(at: Ask) -> tuple[CastMark, ...] | str:
    """Every hole as a mark; why there are none."""
    panel, wall = at(cast_points)
    drill_plan = at(drilling)
    if len(panel) < POINTS:
        return f"{POINTS - len(panel)} more points of the cross, and what the tape reads there."
    if drill_plan is None:
        return "Nothing to drill yet."
    places = [(hole.x_mm, hole.y_mm) for hole in drill_plan.holes]
    try:
        return cast_marks(panel, wall, places, sigma_mm=at.default(AlignDefaults.cast_sigma_mm))
    except (OutOfRange, np.linalg.LinAlgError):
        return "These four points fix no place on the wall: choose four that span it, no three of them on a line."


def outlines(at: Ask) -> tuple[CastShape, ...]:
    """The viewable area within the light of a straight projector, and every other shape that is shown on it."""
    panel, picture = at(projected), at(screen).picture
    made = [_box(picture.width_mm / panel.width_mm, picture.height_mm / panel.height_mm, "viewable area")]
    whole = picture.width_mm / picture.height_mm
    for line, one in enumerate(at.things(Content.shapes), start=1):
        other = float(read_aspect(one.aspect))
        across, down = min(1.0, other / whole), min(1.0, whole / other)
        wide, high = across * picture.width_mm, down * picture.height_mm
        made.append(_box(wide / panel.width_mm, high / panel.height_mm, one.aspect, line))
    return tuple(made)


def wall_shapes(at: Ask) -> tuple[CastShape, ...]:
    """Holes with their ellipses, the frame's outline, the center and the level line, as the wall is lit now."""
    marks, drill_plan = at(cast_holes), at(drilling)
    if isinstance(marks, str) or drill_plan is None or not at(fits):
        return ()
    panel, wall = at(cast_points)
    back = inverted(homography(panel, wall))

    def lit(*points: tuple[float, float]) -> tuple[tuple[float, float], ...]:
        return tuple((float(u), float(v)) for u, v in carried(back, np.array(points)))

    made: list[CastShape] = []
    for one, mark in zip(drill_plan.holes, marks, strict=True):
        x, y = one.x_mm, one.y_mm
        made.append(CastShape(points=lit((x - CROSS_MM, y), (x + CROSS_MM, y))))
        made.append(CastShape(points=lit((x, y - CROSS_MM), (x, y + CROSS_MM)), text=one.name))
        ring = ellipse(mark, (x, y), panel, wall)
        made.append(CastShape(points=tuple((float(u), float(v)) for u, v in ring), closed=True, thin=True))
    try:  # each text stands at its shape's first point, and none on another
        left, low, right, top = at(rect_of_frame)
        middle, level = at(centre_x_mm), max(hole.y_mm for hole in drill_plan.holes)
        made.append(
            CastShape(
                points=lit((left, top), (right, top), (right, low), (left, low)), closed=True, text="frame"
            )
        )
        made.append(CastShape(points=lit((middle, low), (middle, top)), thin=True, text="center"))
        made.append(CastShape(points=lit((right, level), (left, level)), thin=True, text="level"))
        left, low, right, top = at(rect_of_picture)
        made.append(
            CastShape(
                points=lit((left, low), (right, low), (right, top), (left, top)), closed=True, text="picture"
            )
        )
    except OutOfRange:
        pass  # the holes lie in the light, the outline does not
    return tuple(made)


def slipped(at: Ask) -> tuple[str, ...]:
    """Whether the readings can be of this projector: which of them slipped, or which two were swapped."""
    pose, (panel, wall) = at(straight), at(cast_points)
    if pose is None or len(panel) != POINTS:
        return ()
    aspect = float(at(panel_aspect))
    about = About(
        turn=np.radians(at.default(AlignDefaults.turn_sigma_deg)),
        ratio=at.default(AlignDefaults.zoom_sigma),
        shift=at.default(AlignDefaults.shift_sigma),
        place_mm=at.default(AlignDefaults.place_sigma_mm),
        reading_mm=at.default(AlignDefaults.cast_sigma_mm),
    )
    uv = np.column_stack([panel[:, 0] - 0.5, (0.5 - panel[:, 1]) / aspect])
    # the marks lie on the bare wall, behind where the fabric will be
    there = replace(pose, distance_mm=pose.distance_mm + at(fabric_plane_mm))
    verdict = judged(there, uv, wall, about, most=at.default(AlignDefaults.cast_misfit))
    if verdict.swapped is not None:
        first, second = (number + 1 for number in verdict.swapped)
        return (
            f"Readings {first} and {second} seem to be swapped: no place of this projector gives them as they stand.",
        )
    if verdict.slipped is not None:
        return (
            f"Reading {verdict.slipped + 1} does not fit the others: light its cross again, and read it once more.",
        )
    if verdict.misfit > at.default(AlignDefaults.cast_misfit):
        return (
            "The four readings do not fit this projector: check its place and its throw ratio, and read them again.",
        )
    return ()


def warnings(at: Ask) -> tuple[str, ...]:
    """What is not to be trusted of these marks."""
    marks, drill_plan = at(cast_holes), at(drilling)
    if isinstance(marks, str) or drill_plan is None:
        return ()
    said = ["Hole heights still need the level: cast marks are for finding, a level is for drilling."]
    said += at(slipped)
    out = [one.name for one, mark in zip(drill_plan.holes, marks, strict=True) if not mark.lit]
    if out:
        said.append(
            f"Outside the light: {', '.join(out)}. Zoom {100.0 * (wider(marks) - 1.0):.0f} % wider, or move the picture."
        )
    limit = at.default(AlignDefaults.cast_worst_mm)
    loose = [one.name for one, mark in zip(drill_plan.holes, marks, strict=True) if mark.sigma_mm > limit]
    if loose:
        said.append(
            f"Known to worse than {limit:g} mm: {', '.join(loose)}. Read the cross nearer to them, or use the tape."
        )
    flat = at(flatness_of)
    if flat is not None and flat > at.default(AlignDefaults.cast_belly_mm):
        said.append(
            f"The wall stands {flat:.0f} mm proud of its plane: marks there are off where the light falls at an angle."
        )
    return tuple(said)


SINGLE = ("focus", "lines", "grid")  # patterns whose lines are one pixel wide


def window_warnings(at: Ask, window: CastWindow, pattern: str) -> tuple[str, ...]:
    """What the cast page's own window spoils, and what to do about it."""
    aspect = float(at(panel_aspect))
    wide, high = window.pixels
    said = {
        "not-full": "The cast page does not fill its screen: press F on it. Points read now would lie elsewhere later.",
        "scaled": f"That screen is scaled to {100.0 * window.scaling:.0f} %: set its scaling to 100 %, or zoom the page to "
        f"{100.0 / window.scaling:.0f} %.",
        "aspect": f"That screen is {wide} × {high}, not the {aspect:.3g}:1 of the panel in this plan: choose the projector's own "
        "resolution, or say in Throw which panel it has.",
    }
    faults = [fault for fault in window_faults(window, aspect) if fault != "scaled" or pattern in SINGLE]
    return tuple(said[fault] for fault in faults)


def flatness_of(at: Ask) -> float | None:
    """How far the wall stands proud of its plane [mm]; None where it was not read."""
    plane = at(flat)
    return float(np.max(plane.belly_mm)) if isinstance(plane, Flatness) else None


def cast_table(at: Ask) -> CastTable:
    """All that a cast page and its remote show."""
    marks = at(cast_holes)
    points = tuple(
        f"{at.text(point.x_mm)} from the left, {at.text(point.y_mm)} up"
        for point in at.things(Aligned.cast_points)
    )
    return CastTable(
        outlines=at(outlines),
        wall=at(wall_shapes),
        why=marks if isinstance(marks, str) else "",
        warnings=at(warnings),
        points=points,
        aspect=float(at(panel_aspect)),
    )


def _box(across: float, down: float, text: str, line: int = 0) -> CastShape:
    left, right, top, low = 0.5 - across / 2.0, 0.5 + across / 2.0, 0.5 - down / 2.0, 0.5 + down / 2.0
    points = ((left, top), (right, top), (right, low), (left, low))
    return CastShape(points=points, closed=True, text=text, line=line)
