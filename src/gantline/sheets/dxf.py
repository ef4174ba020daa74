"""The DXF pen: frame, holes and what they are measured from, in millimeters, on named layers."""

import io
from collections.abc import Sequence
from typing import TYPE_CHECKING

from gantline.core.units import plain
from gantline.drawing.marks import Area, Dimension, Dot, Face, Label, Line, Mark
from gantline.drawing.pens import DIMENSIONS, HATCH, PENS, dxf_layers
from gantline.drawing.placing import Box, Wanted, place
from gantline.drawing.refused import REFUSED
from gantline.sheets.sheet import OPEN_FILES, Ready, Sheet
from gantline.stations.frame import parts

if TYPE_CHECKING:
    from ezdxf.layouts.layout import Modelspace

HOLE_MARK_MM = 5.0  # diameter of the circle drawn for a hole; the drill is the fixing's business
REFUSED_MARK_MM = 21.2  # radius round the cross of a hole that is not to be drilled
TEXT_MM = 30.0
LANE_MM = 120.0
LETTER = 1.0  # width of a letter in heights: no font of a drawing program is wider
LINE = 1.5
ON_THE_WALL = ("size", "wall")


def frame_dxf(face: Face, name: str, stops: Sequence[str] = (), layers: Sequence[str] | None = None) -> bytes:
    """A DXF (R2010, millimeters) of a face. Origin of the front: left wall end, floor at the survey point; of the back: the
    frame's lower left corner, seen from the back.

    layers: those of the drawing that are written, all of them without.
    stops: what forbids drilling, written over the drawing on the layer of refused holes.
    """
    from ezdxf.filemanagement import new
    from ezdxf.units import MM

    document = new("R2010", setup=True)
    document.units = MM
    document.header["$MEASUREMENT"] = 1
    document.header.custom_vars.append("Job", plain(name))
    for layer, color in dxf_layers().items():
        document.layers.add(layer, color=color)
    space = document.modelspace()
    written = [mark for mark in face.marks if layers is None or mark.layer in layers]
    for mark in written:
        _draw(space, mark, layers or ON_THE_WALL)
    _texts(space, written, face, layers or ON_THE_WALL)
    for line, text in enumerate(reversed(stops), start=1):
        at = (face.left_mm, face.top_mm + (2 * LANE_MM + TEXT_MM) + 2.0 * TEXT_MM * line)
        space.add_text(
            plain(text), height=1.2 * TEXT_MM, dxfattribs={"layer": PENS[REFUSED].layer[0]}
        ).set_placement(at)
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


def _draw(space: "Modelspace", mark: Mark, dimensioned: Sequence[str]) -> None:
    if mark.layer == "content":  # what is looked at, not what is built
        return
    role = getattr(mark, "role", "")
    pen = PENS.get(role)
    layer = pen.layer[0] if pen else ""
    match mark:
        case Area() if layer and pen and pen.paper.fill != HATCH:
            space.add_lwpolyline(mark.points, close=True, dxfattribs={"layer": layer})
        case Line() if layer:
            space.add_lwpolyline(mark.points, dxfattribs={"layer": layer})
        case Dot() if role in ("hole", REFUSED):
            x, y = mark.at
            refused = role == REFUSED
            space.add_circle(
                (x, y), REFUSED_MARK_MM if refused else HOLE_MARK_MM / 2.0, dxfattribs={"layer": layer}
            )
            for dx, dy in ((15.0, 15.0), (-15.0, 15.0)) if refused else ((15.0, 0.0), (0.0, 15.0)):
                space.add_line((x - dx, y - dy), (x + dx, y + dy), dxfattribs={"layer": layer})
        case Dot() if layer:
            space.add_point(mark.at, dxfattribs={"layer": layer})
        case Dimension() if mark.layer in dimensioned:
            _dimension(space, mark)


def _texts(space: "Modelspace", marks: Sequence[Mark], face: Face, dimensioned: Sequence[str]) -> None:
    """The texts that a drawing of the wall needs, none on another nor on a number; one without room stands in a key beside the
    drawing."""
    from ezdxf.enums import TextEntityAlignment

    def layer_of(mark: Label) -> str:
        pen = PENS.get(mark.role)
        return pen.layer[0] if pen else ""

    labels = [
        mark
        for mark in marks
        if isinstance(mark, Label) and layer_of(mark) and (mark.size != "small" or mark.role == REFUSED)
    ]
    wanted = [
        Wanted(
            mark.text,
            Box(mark.at[0], -mark.at[1], _wide_mm(mark.text), LINE * TEXT_MM),
            (mark.at[0], -mark.at[1]),
        )
        for mark in labels
    ]
    fixed = [
        _dimension_box(mark) for mark in marks if isinstance(mark, Dimension) and mark.layer in dimensioned
    ]
    far = LANE_MM * 4.0
    bounds = (face.left_mm - far, -face.top_mm - far, face.right_mm + far, -face.bottom_mm + far)
    for mark, spot in zip(labels, place(wanted, fixed, (), bounds, LINE * TEXT_MM), strict=True):
        said = plain(mark.text) if spot.number is None else str(spot.number)
        layer = {"layer": layer_of(mark)}
        text = space.add_text(said, height=TEXT_MM, dxfattribs=layer)
        text.set_placement((spot.box.x, -spot.box.y), align=TextEntityAlignment.MIDDLE_CENTER)
        if spot.led:
            space.add_line(mark.at, (spot.box.x, -spot.box.y), dxfattribs=layer)
        if spot.number is not None:
            line = face.bottom_mm - far - 2.0 * TEXT_MM * spot.number
            space.add_text(
                f"{spot.number} {plain(mark.text)}", height=TEXT_MM, dxfattribs=layer
            ).set_placement((face.left_mm, line))


def _wide_mm(text: str) -> float:
    return LETTER * TEXT_MM * len(plain(text))


def _dimension_box(mark: Dimension) -> Box:
    off = mark.base_mm + mark.side * LANE_MM * mark.lane
    middle, wide = (mark.a_mm + mark.b_mm) / 2.0, _wide_mm(mark.text)
    if mark.axis == "x":
        return Box(middle, -off, wide, LINE * TEXT_MM)
    return Box(off, -middle, LINE * TEXT_MM, wide)


def _dimension(space: "Modelspace", mark: Dimension) -> None:
    off = mark.base_mm + mark.side * LANE_MM * mark.lane
    a, b, at = (mark.a_mm, mark.base_mm), (mark.b_mm, mark.base_mm), (mark.a_mm, off)
    if mark.axis == "y":
        a, b, at = (a[1], a[0]), (b[1], b[0]), (off, mark.a_mm)
    override = {"dimtxt": TEXT_MM, "dimasz": 18.0, "dimexo": 10.0, "dimexe": 10.0, "dimgap": 8.0}
    angle = 0.0 if mark.axis == "x" else 90.0
    dimension_line = space.add_linear_dim(
        base=at,
        p1=a,
        p2=b,
        angle=angle,
        text=plain(mark.text),
        override=override,
        dxfattribs={"layer": DIMENSIONS[0]},
    )
    dimension_line.render()


def _said(ready: Ready) -> tuple[str, ...]:
    """The Stops that lead a drawing of the frame's pieces, to be written over it."""
    return tuple(
        f"STOP: {plain(finding.text)}" for finding in ready.leading(parts) if finding.severity == "stop"
    )


SHEET = Sheet(
    key="frame-and-holes",
    label="Frame and holes",
    group=OPEN_FILES,
    note="DXF, mm",
    media_type="image/vnd.dxf",
    ending="frame and holes.dxf",
    make=lambda ready: frame_dxf(ready.front, ready.job.name, ready.forbids or _said(ready)),
)
EDGE = Sheet(
    key="frame-edge",
    label="Edge section",
    group=OPEN_FILES,
    note="DXF, mm",
    media_type="image/vnd.dxf",
    ending="edge section.dxf",
    make=lambda ready: frame_dxf(ready.face("edge"), ready.job.name, _said(ready), ("base", "frame")),
    about=(parts,),
)
PIECES = Sheet(
    key="frame-pieces",
    label="Frame, piece by piece",
    group=OPEN_FILES,
    note="DXF, mm",
    media_type="image/vnd.dxf",
    ending="frame pieces.dxf",
    make=lambda ready: frame_dxf(ready.back, ready.job.name, _said(ready), ("frame", "trim")),
    about=(parts,),
    there=lambda made: bool(made.ask(parts)),
)
