"""The interval of the frame's top, its bounds, and the frame as a handle."""

from collections.abc import Iterator

from gantline.drawing.marks import Area, Dimension, Handle, Label, Line, Mark, Side, Stop, rectangle
from gantline.job.model.height import HeightTarget as H
from gantline.plan.ask import Ask
from gantline.plan.finding import change
from gantline.plan.station import FaceName
from gantline.stations.height.limits import behind, high_limit, low_limit
from gantline.stations.height.solve import eye_line_mm, placement, rect_of_frame
from gantline.stations.outlines import WALL_MM
from gantline.stations.survey import room

FRAME = "frame-handle"
GAP_SHARE = 0.25  # of the wall beside the frame, where the interval is drawn


def limits(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Lowest edge, eye line, and where the top may be."""
    if face != "front":
        return
    hung, wall = at(placement), at(room).wall_mm
    lowest, highest = at(low_limit), at(high_limit)
    low = hung.place.lowest_edge_mm
    yield Line(key="lowest-edge", role="limit", layer="height", points=((0.0, low), (wall, low)))
    name = lowest.name
    yield Label(key="lowest-edge-name", layer="height", at=(wall, low), text=name, anchor="end", role="limit")
    eye = at(eye_line_mm)
    if eye is not None:
        yield Line(key="eye", role="eye", layer="height", points=((0.0, eye), (wall, eye)))
        yield Label(key="eye-name", layer="height", at=(wall, eye), text="eye line", anchor="end", role="eye")
    if hung.possible:
        right = hung.place.right_mm
        x = right + GAP_SHARE * max(wall - right, 0.0)
        bottom, top = lowest.y_top_mm, highest.y_top_mm
        yield Line(key="interval", role="interval", layer="height", points=((x, bottom), (x, top)))
        yield Label(key="interval-name", layer="height", at=(x, top), text=highest.name, role="eye")


def dimensions(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Edges of the frame from floor and ceiling."""
    if face not in ("front", "side"):
        return
    left, bottom, right, top = at(rect_of_frame)
    here, front = at(room), face == "front"
    base = 0.0 if front else -WALL_MM
    rows: list[tuple[str, str, float, float, float, Side, int, str]] = [
        ("frame-bottom", "Bottom of frame above floor", 0.0, bottom, base, -1, 1, "frame-bottom"),
        ("frame-top", "Top of frame above floor", 0.0, top, base, -1, 2, "frame-top"),
    ]
    if front:
        over = here.ceiling.lowest(left, right)
        rows.append(("ceiling-gap", "Gap to ceiling", top, over, here.wall_mm, 1, 1, "ceiling-gap"))
    for key, name, a, b, at_mm, side, lane, sets in rows:
        yield Dimension(
            key=key,
            layer="height",
            axis="y",
            a_mm=a,
            b_mm=b,
            base_mm=at_mm,
            side=side,
            lane=lane,
            text=at.text(b - a),
            name=name,
            changes=(change(H.wish, sets), change(H.wish_mm, None)),
            moves=FRAME if front else None,
        )


def handle(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The frame, up and down between its bounds, sideways within the wall."""
    hung = at(placement)
    if face != "front" or not hung.possible:
        return
    low, high = at(low_limit), at(high_limit)
    yield Handle(
        key=FRAME,
        layer="height",
        name="Frame, up and down",
        points=rectangle(*at(rect_of_frame)),
        origin=(hung.place.centre_x_mm, hung.top_mm),
        step_mm=at.step_mm,
        y_pointer="/height/wish_mm",
        y_stops=(Stop(at_mm=low.y_top_mm, name=low.name), Stop(at_mm=high.y_top_mm, name=high.name)),
        also=(change(H.wish, "frame-top"),),
    )


def hidden(at: Ask, face: FaceName) -> Iterator[Mark]:
    """What stands behind the fabric, seen through it."""
    if face != "front":
        return
    for name, box in at(behind):
        points = rectangle(box.low[0], box.low[1], box.high[0], box.high[1])
        yield Area(key=f"behind-{name}", role="behind", layer="survey", points=points)


DRAW = (hidden, limits, dimensions, handle)
