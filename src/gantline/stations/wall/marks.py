"""Holes on the wall with their dimensions, brackets on the back of the frame."""

from collections.abc import Iterator

from gantline.drawing.marks import Dimension, Dot, Mark
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.height import rect_of_frame
from gantline.stations.outlines import HATCH_MM, outlines
from gantline.stations.size import screen
from gantline.stations.survey import room
from gantline.stations.wall.solve import drilling

FRAME = "frame-handle"


def holes(at: Ask, face: FaceName) -> Iterator[Mark]:
    """A dot for every hole, or for its bracket seen from behind."""
    found = at(drilling)
    if found is None or face not in ("front", "back"):
        return
    _left, bottom, right, _ = at(rect_of_frame) if face == "back" else (0.0, 0.0, 0.0, 0.0)
    for one in found.holes:
        name = f"{one.row} {one.side}"
        if face == "front":
            place = (one.x_mm, one.y_mm)
            yield Dot(
                key=f"hole-{one.key}", role="hole", layer="wall", at=place, name=f"{name} hole", moves=FRAME
            )
        else:
            place = (right - one.x_mm, one.y_mm - bottom)
            yield Dot(
                key=f"bracket-{one.key}", role="bracket", layer="wall", at=place, name=f"{name} bracket"
            )


def across(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Sideways dimensions."""
    found = at(drilling)
    if found is None:
        return
    if face == "front":
        floor, ceiling = at(outlines)
        top = max(*(y for _, y in ceiling), at(rect_of_frame)[3]) + HATCH_MM
        for lane, one in ((1, found.marks[0]), (2, found.marks[1])):
            name = f"{one.hole.side.capitalize()} holes from left wall end"
            yield _dimension(at, f"hole-{one.hole.side}", "x", 0.0, one.from_left_mm, top, (1, lane), name)
        two, low = found.pair, min(y for _, y in floor)
        yield _dimension(at, "across", "x", two.left_mm, two.right_mm, low, (-1, 1), "Hole to hole")
    elif face == "back":
        frame, right = at(screen), at(rect_of_frame)[2]
        near, far = right - found.pair.right_mm, right - found.pair.left_mm
        for key, a, b, name in (
            ("bracket-near", 0.0, near, "Frame end to bracket"),
            ("bracket-across", near, far, "Bracket to bracket"),
            ("bracket-far", far, frame.overall_width_mm, "Bracket to frame end"),
        ):
            yield _dimension(at, key, "x", a, b, frame.overall_height_mm, (1, 1), name)


def rows(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The two rows from the datum line."""
    found = at(drilling)
    if found is None or face != "front":
        return
    datum = at(room).datum_mm
    for one in (found.marks[0], found.marks[2]):
        low, high = sorted((datum, one.hole.y_mm))
        way = "above" if one.from_datum_mm >= 0 else "below"
        name = f"{one.hole.row.capitalize()} holes {way} datum"
        yield _dimension(at, f"row-{one.hole.row}", "y", low, high, 0.0, (-1, 1), name, FRAME)


def _dimension(
    at: Ask,
    key: str,
    axis: str,
    a: float,
    b: float,
    base: float,
    lane: tuple[int, int],
    name: str,
    moves: str | None = None,
) -> Dimension:
    return Dimension(
        key=key,
        layer="wall",
        axis=axis,  # type: ignore[arg-type]
        a_mm=a,
        b_mm=b,
        base_mm=base,
        side=lane[0],  # type: ignore[arg-type]
        lane=lane[1],
        text=at.text(b - a),
        name=name,
        moves=moves,
    )


DRAW = (holes, across, rows)
