"""The frame as it hangs, drawn many times over: a millimeter on a wall is not seen."""

from collections.abc import Iterator

from gantline.drawing.marks import Area, Label, Mark
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.hang.solve import last_read, verdicts_now
from gantline.stations.height import fits, rect_of_frame

TIMES = 20.0


def as_hung(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Its outline off level and off center."""
    if face != "front" or not at(fits) or not at(verdicts_now):
        return
    read = at(last_read)
    left, bottom, right, top = at(rect_of_frame)
    tilt = (read.level_mm or 0.0) * TIMES / 2.0
    aside = 0.0
    if read.gap_left_mm is not None and read.gap_right_mm is not None:
        aside = (read.gap_left_mm - read.gap_right_mm) / 2.0 * TIMES
    if abs(tilt) < 1.0 and abs(aside) < 1.0:
        return
    points = (
        (left + aside, bottom - tilt),
        (right + aside, bottom + tilt),
        (right + aside, top + tilt),
        (left + aside, top - tilt),
    )
    yield Area(key="hung", role="astray", layer="hang", points=points)
    yield Label(
        key="hung-times",
        layer="hang",
        at=((left + right) / 2.0, bottom),
        text=f"as it hangs, off by {TIMES:g} times",
        role="astray",
        lift=-1.2,
    )


DRAW = (as_hung,)
