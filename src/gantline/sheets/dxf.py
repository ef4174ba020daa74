"""The DXF pen: frame, holes and what they are measured from, in millimetres, on named layers."""

import io
from typing import TYPE_CHECKING

from gantline.core.units import plain
from gantline.drawing.marks import Area, Dimension, Dot, Face, Label, Line, Mark

if TYPE_CHECKING:
    from ezdxf.layouts.layout import Modelspace

LAYERS = {  # role -> layer name, colour index
    "wall": ("WALL", 8), "ceiling": ("WALL", 8), "floor": ("WALL", 8), "stud": ("STUDS", 9), "stud-predicted": ("STUDS", 9),
    "datum": ("DATUM", 5), "frame": ("FRAME", 7), "frame-clash": ("FRAME", 7), "picture": ("VIEWABLE", 3),
    "hole": ("HOLES", 1), "lens": ("LENS", 6), "lens-out": ("LENS", 6),
}  # fmt: skip
DIMENSIONS = ("DIMENSIONS", 4)
HOLE_MARK_MM = 5.0  # diameter of the circle drawn for a hole; the drill is the fixing's business
TEXT_MM = 30.0
LANE_MM = 120.0


def frame_dxf(face: Face, name: str) -> bytes:
    """A DXF (R2010, millimetres) of a front face. Origin: left wall end, floor at the survey point."""
    from ezdxf.filemanagement import new
    from ezdxf.units import MM

    document = new("R2010", setup=True)
    document.units = MM
    document.header["$MEASUREMENT"] = 1
    document.header.custom_vars.append("Job", plain(name))
    for layer, colour in dict([*LAYERS.values(), DIMENSIONS]).items():
        document.layers.add(layer, color=colour)
    space = document.modelspace()
    for mark in face.marks:
        _draw(space, mark)
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


def _draw(space: "Modelspace", mark: Mark) -> None:
    if mark.layer == "content":  # what is looked at, not what is built
        return
    role = getattr(mark, "role", "")
    layer = LAYERS.get(role, ("", 0))[0]
    match mark:
        case Area() if layer and role not in ("ceiling", "floor"):
            space.add_lwpolyline(mark.points, close=True, dxfattribs={"layer": layer})
        case Line() if layer:
            space.add_lwpolyline(mark.points, dxfattribs={"layer": layer})
        case Dot() if role == "hole":
            x, y = mark.at
            space.add_circle((x, y), HOLE_MARK_MM / 2.0, dxfattribs={"layer": layer})
            for dx, dy in ((15.0, 0.0), (0.0, 15.0)):
                space.add_line((x - dx, y - dy), (x + dx, y + dy), dxfattribs={"layer": layer})
        case Dot() if layer:
            space.add_point(mark.at, dxfattribs={"layer": layer})
        case Label() if layer and mark.size != "small":
            text = space.add_text(plain(mark.text), height=TEXT_MM, dxfattribs={"layer": layer})
            from ezdxf.enums import TextEntityAlignment

            text.set_placement(mark.at, align=TextEntityAlignment.MIDDLE_CENTER)
        case Dimension() if mark.layer in ("size", "wall"):
            _dimension(space, mark)


def _dimension(space: "Modelspace", mark: Dimension) -> None:
    off = mark.base_mm + mark.side * LANE_MM * mark.lane
    a, b, at = (mark.a_mm, mark.base_mm), (mark.b_mm, mark.base_mm), (mark.a_mm, off)
    if mark.axis == "y":
        a, b, at = (a[1], a[0]), (b[1], b[0]), (off, mark.a_mm)
    override = {"dimtxt": TEXT_MM, "dimasz": 18.0, "dimexo": 10.0, "dimexe": 10.0, "dimgap": 8.0}
    angle = 0.0 if mark.axis == "x" else 90.0
    made = space.add_linear_dim(
        base=at,
        p1=a,
        p2=b,
        angle=angle,
        text=plain(mark.text),
        override=override,
        dxfattribs={"layer": DIMENSIONS[0]},
    )
    made.render()
