"""The wall's belly as a map of contour lines, the gaps that were read, and the shim behind each support."""

from collections.abc import Iterator

import numpy as np

from gantline.core.wall.flat import THIN_MM, Flatness
from gantline.drawing.contours import contours
from gantline.drawing.marks import Dot, Label, Line, Mark
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.height import rect_of_frame
from gantline.stations.wall.flat import flat, gap_readings, shims
from gantline.stations.wall.solve import drilling

CELLS = 28
STEPS_MM = (0.5, 1.0, 2.0, 5.0, 10.0)
MOST_LINES = 8
ROOM_MM = 700.0


def mapped(at: Ask) -> tuple[tuple[Line, ...], tuple[tuple[str, float, float, float], ...]] | None:
    """The contour lines, and where the wall is most proud and most hollow: name, x, y and belly there [mm].

    A question of its own: it does not move with the frame.
    """
    plane = at(flat)
    if not isinstance(plane, Flatness):
        return None
    low, high = plane.places_mm.min(axis=0), plane.places_mm.max(axis=0)
    xs, ys = (np.linspace(low[axis], high[axis], CELLS) for axis in (0, 1))
    grid = np.column_stack([each.ravel() for each in np.meshgrid(xs, ys)])
    values = plane.belly_at(grid).reshape(CELLS, CELLS)
    span = float(values.max() - values.min())
    step = next((one for one in STEPS_MM if span / one <= MOST_LINES), STEPS_MM[-1])
    levels = [k * step for k in range(int(values.min() // step), int(values.max() // step) + 2)]
    lines = []
    for number, (level, points) in enumerate(contours(xs, ys, values, levels), start=1):
        role = "belly-proud" if level > 0.0 else "belly-hollow" if level < 0.0 else "belly-level"
        lines.append(Line(key=f"belly-{number}", role=role, layer="wall", points=points))
    ends = (("proud", int(values.argmax())), ("hollow", int(values.argmin())))
    return tuple(lines), tuple(
        (name, float(grid[index][0]), float(grid[index][1]), float(values.flat[index]))
        for name, index in ends
    )


def belly(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Contours over what was read, solid where the wall stands proud, dashed where it is hollow; a dot a reading."""
    found = at(mapped) if face == "front" else None
    if found is None:
        return
    lines, ends = found
    yield from lines
    for number, (x, y, _) in enumerate(at(gap_readings), start=1):
        yield Dot(key=f"gap-{number}", role="gap", layer="wall", at=(x, y), name=f"gap reading {number}")
    for name, x, y, off in ends:
        if abs(off) >= THIN_MM:
            yield Label(
                key=f"belly-{name}",
                layer="wall",
                at=(x, y),
                text=f"{at.text(abs(off))} {name}",
                room_mm=(ROOM_MM, ROOM_MM),
                role=f"belly-{name}",
                size="text",
            )


def shim_names(at: Ask, face: FaceName) -> Iterator[Mark]:
    """How thick the shim behind each support is."""
    drill_plan = at(drilling)
    if face != "back" or drill_plan is None:
        return
    thick = {shim.key: shim.thick_mm for shim in at(shims)}
    _, bottom, right, _ = at(rect_of_frame)
    for hole in drill_plan.holes:
        if thick.get(hole.key, 0.0) >= THIN_MM:
            yield Label(
                key=f"shim-{hole.key}",
                layer="wall",
                at=(right - hole.x_mm, hole.y_mm - bottom),
                text=f"shim {at.text(thick[hole.key])}",
                room_mm=(ROOM_MM, ROOM_MM),
                role="bracket",
                size="text",
            )


FLAT_DRAW = (belly, shim_names)
