"""Where a new thing lands: beside what is there, by rows, where nothing is, and not under the screen."""

from collections.abc import Iterator

from gantline.core.space import Solid
from gantline.core.usual import BOXES, FITTINGS, ROW_MM, SEAT_FROM_WALL_MM, SEAT_STEP_MM, UsualSize
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.stations.survey.solve import depth_mm, seat_places, wall_mm

Thing = dict[str, float | str | bool]
APART_MM = 100.0  # between a new thing and its neighbors
LEFT_MM = 150.0  # a new fitting begins this far from the left wall end, clear of the frame
CLOSE_MM = 300.0  # seats nearer than this to each other are one seat
ROWS = 40
NOT_UNDER = ("furniture", "loudspeaker")  # a cabinet under the screen is usual, a sofa there is a slip


def new_seat(at: Ask) -> Thing:
    """Beside the last one in its row; the next row begins where the row is full."""
    places = at(seat_places)
    if not places:
        return {"x_mm": at(wall_mm) / 2.0, "from_wall_mm": SEAT_FROM_WALL_MM}
    last, first = places[-1], places[0]
    for row in range(ROWS):
        z = last.z_mm + row * ROW_MM
        for x in _beside(
            last.x_mm if row == 0 else first.x_mm, SEAT_STEP_MM, at(wall_mm), SEAT_STEP_MM / 2.0
        ):
            if all(abs(place.x_mm - x) > CLOSE_MM or abs(place.z_mm - z) > CLOSE_MM for place in places):
                return {"x_mm": x, "from_wall_mm": z}
    return {"x_mm": last.x_mm, "from_wall_mm": last.z_mm + ROWS * ROW_MM}


def new_box(at: Ask, kind: str, frame: tuple[float, float]) -> Thing:
    """Where nothing stands, near the wall's middle and near where such a thing usually is.

    Args: frame, left and right edge of the screen's frame [mm], under which furniture and loudspeakers do not land.
    """
    usual, wall = BOXES[kind], at(wall_mm)
    taken = [
        Solid(
            name=box.id,
            low=(box.x_mm, box.y_mm, box.z_mm or 0.0),
            high=(box.x_mm + box.width_mm, box.y_mm + box.height_mm, (box.z_mm or 0.0) + box.depth_mm),
        )
        for box in at.things(Survey.boxes)
    ]
    low, high = frame if kind in NOT_UNDER else (0.0, 0.0)
    last = None
    for row in range(ROWS):
        z = usual.back_mm + row * (usual.depth_mm + APART_MM)
        if row and z + usual.depth_mm > at(depth_mm):
            break
        for center in _beside(wall / 2.0, usual.width_mm + APART_MM, wall, usual.width_mm / 2.0):
            x = center - usual.width_mm / 2.0
            last = last or (x, z)
            under = z < SEAT_FROM_WALL_MM / 3.0 and x < high and x + usual.width_mm > low
            if not under and not any(_meets(x, z, usual, one) for one in taken):
                return _box(kind, usual, x, z)
    x, z = last or (max(0.0, (wall - usual.width_mm) / 2.0), usual.back_mm)
    return _box(kind, usual, x, z)


def new_fitting(at: Ask, kind: str) -> Thing:
    """Beside the fittings that are there, from the left wall end."""
    usual, fittings = FITTINGS[kind], at.things(Survey.fittings)
    x = LEFT_MM
    while x + usual.width_mm < at(wall_mm) and any(
        fitting.x_mm < x + usual.width_mm + APART_MM
        and x < fitting.x_mm + fitting.width_mm + APART_MM
        and fitting.y_mm < usual.bottom_mm + usual.height_mm
        and usual.bottom_mm < fitting.y_mm + fitting.height_mm
        for fitting in fittings
    ):
        x += APART_MM
    return {
        "kind": kind,
        "x_mm": x,
        "y_mm": usual.bottom_mm,
        "width_mm": usual.width_mm,
        "height_mm": usual.height_mm,
    }


def _beside(start: float, step: float, wall: float, half: float) -> Iterator[float]:
    """Places along the wall, the nearest to a start first: right, left, farther right."""
    if half <= start <= wall - half:
        yield start
    for count in range(1, int(wall / step) + 2):
        for x in (start + count * step, start - count * step):
            if half <= x <= wall - half:
                yield x


def _meets(x: float, z: float, usual: UsualSize, solid: Solid) -> bool:
    low, high = (
        (x, usual.bottom_mm, z),
        (x + usual.width_mm, usual.bottom_mm + usual.height_mm, z + usual.depth_mm),
    )
    return all(a < d and c < b for a, b, c, d in zip(low, high, solid.low, solid.high, strict=True))


def _box(kind: str, usual: UsualSize, x: float, z: float) -> Thing:
    return {
        "kind": kind,
        "x_mm": x,
        "y_mm": usual.bottom_mm,
        "z_mm": z,
        "width_mm": usual.width_mm,
        "height_mm": usual.height_mm,
        "depth_mm": usual.depth_mm,
    }
