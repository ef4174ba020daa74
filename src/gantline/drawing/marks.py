"""One drawing, three pens: what is drawn, in millimeters and by meaning.

The browser, the PDF and the DXF draw the same marks. A mark carries geometry and a role; each pen
decides text size, lane distance and line weight for its own scale. `layer` is the station a mark
belongs to, or base, content or lamps; `moves` names the handle it travels with while that is dragged; `of`
the aspect ratio it belongs to, where one is shown at a time.
"""

from dataclasses import dataclass
from typing import Literal

from gantline.plan.finding import Change

Point = tuple[float, float]


Axis = Literal["x", "y"]
LabelSize = Literal["large", "text", "small"]
Side = Literal[-1, 1]
"""Of its base that a dimension stands on."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Area:
    """A closed outline [mm]."""

    key: str
    role: str
    layer: str
    points: tuple[Point, ...]
    moves: str | None = None
    of: str | None = None
    kind: Literal["area"] = "area"


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """An open polyline [mm]."""

    key: str
    role: str
    layer: str
    points: tuple[Point, ...]
    moves: str | None = None
    kind: Literal["line"] = "line"


@dataclass(frozen=True, slots=True, kw_only=True)
class Dot:
    """A place [mm] drawn at a fixed size on any pen: a hole, a tension point, the lens.

    number: written beside it on every pen; written: where there is room for it, or its step is at hand.
    """

    key: str
    role: str
    layer: str
    at: Point
    name: str
    number: int | None = None
    written: int | None = None
    side: Literal["top", "right", "bottom", "left"] | None = None
    moves: str | None = None
    kind: Literal["dot"] = "dot"


@dataclass(frozen=True, slots=True, kw_only=True)
class Label:
    """A text at its place [mm]; `size` large is the one thing the drawing says.

    room_mm: width and height of the thing whose middle the place is. lift: how far the text's middle stands over
    its place, in heights of the text; set once, for every pen, where labels are placed. Minus from who draws it: tried
    under its place first.
    """

    key: str
    layer: str
    at: Point
    text: str
    anchor: Literal["start", "middle", "end"] = "middle"
    size: LabelSize = "small"
    room_mm: tuple[float, float] | None = None
    role: str = "wall"
    moves: str | None = None
    lift: float = 0.0
    of: str | None = None
    kind: Literal["label"] = "label"


@dataclass(frozen=True, slots=True, kw_only=True)
class Dimension:
    """A dimension line along one axis from a to b [mm], off `base` [mm on the other axis] on `side`,
    in the given lane (1 is nearest). `changes` tells what typing a length sets; the one with value
    None takes the typed text."""

    key: str
    layer: str
    axis: Axis
    a_mm: float
    b_mm: float
    base_mm: float
    side: Side
    lane: int
    text: str
    name: str
    changes: tuple[Change, ...] = ()
    moves: str | None = None
    inside: bool = False
    kind: Literal["dimension"] = "dimension"


@dataclass(frozen=True, slots=True, kw_only=True)
class Stop:
    """An end of a handle's travel along one axis [mm], with the name of what stops it there."""

    at_mm: float
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Handle:
    """Something to drag: its outline [mm] and, per axis it moves along, pointer and stops.

    origin is the value the pointers hold now: dragging by d sets origin + d / scale, to whole steps [mm]. scale: how far
    it is drawn for each millimeter of the value, per axis; minus where the value counts the other way.
    """

    key: str
    layer: str
    name: str
    points: tuple[Point, ...]
    origin: Point
    step_mm: float
    x_pointer: str | None = None
    y_pointer: str | None = None
    x_stops: tuple[Stop, Stop] | None = None
    y_stops: tuple[Stop, Stop] | None = None
    also: tuple[Change, ...] = ()
    scale: Point = (1.0, 1.0)
    kind: Literal["handle"] = "handle"


Mark = Area | Line | Dot | Label | Dimension | Handle


@dataclass(frozen=True, slots=True, kw_only=True)
class Lanes:
    """How many dimension lanes a face needs outside its bounds on each side."""

    left: int = 0
    right: int = 0
    above: int = 0
    below: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class MarkRests:
    """What some marks rest on that nobody entered or measured yet."""

    on: tuple[str, ...]
    marks: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Face:
    """One view: its bounds [mm], the lanes round it, a sentence for those who cannot see it, marks.

    y_down: the second coordinate grows downwards in the picture, as z does seen from above.
    """

    name: Literal["front", "side", "top", "back", "edge"]
    summary: str
    left_mm: float
    bottom_mm: float
    right_mm: float
    top_mm: float
    lanes: Lanes
    marks: tuple[Mark, ...]
    rests: tuple[MarkRests, ...] = ()
    y_down: bool = False


def rectangle(left: float, bottom: float, right: float, top: float) -> tuple[Point, ...]:
    """Four corners [mm], anticlockwise from the lower left."""
    return (left, bottom), (right, bottom), (right, top), (left, top)
