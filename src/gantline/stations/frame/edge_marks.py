"""A section through the frame's top edge: wall, standoff, board, fabric with its wrap, border, staple; true to scale."""

from collections.abc import Iterator

from gantline.drawing.marks import Area, Axis, Dimension, Label, Line, Mark, Point, Side, rectangle
from gantline.job.model.frame import Blank, FrameBuild
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.common import frame_depth_mm, standoff_mm
from gantline.stations.frame.blank import return_mm, wrapped
from gantline.stations.frame.board import board_section, timber
from gantline.stations.size import screen

WALL_MM, OVER_MM, UNDER_MM, BESIDE_MM = 14.0, 16.0, 36.0, 26.0
CLOTH_MM = 1.2  # the fabric stands off the wood by this in the drawing, to be seen
KIT_FACE_MM = 40.0


def section_mm(at: Ask) -> tuple[float, float]:
    """How deep and how high the frame is in the section [mm]; a kit's profile is drawn as its border is wide."""
    depth = at(frame_depth_mm)
    if at(timber):
        return depth, at(board_section).in_plane_mm
    return depth, max(at(screen).border.top_mm, KIT_FACE_MM)


def lowest_mm(at: Ask) -> float:
    """Down to where the section is drawn, below the frame's edge [mm]."""
    inner = at(section_mm)[1]
    grip = at(return_mm) + at.field(Blank.grip_mm) if at(wrapped) else 0.0
    return max(inner, grip, at(screen).border.top_mm) + UNDER_MM


def solids(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The wall and the board."""
    low, off = -at(lowest_mm), at(standoff_mm)
    deep, inner = at(section_mm)
    yield Area(key="edge-wall", role="ceiling", layer="base", points=rectangle(-WALL_MM, low, 0.0, OVER_MM))
    yield Line(key="edge-face", role="back-wall", layer="base", points=((0.0, low), (0.0, OVER_MM)))
    yield Area(key="edge-board", role="board", layer="base", points=rectangle(off, -inner, off + deep, 0.0))
    yield Label(
        key="edge-wall-name", layer="frame", at=(3.0, low + 6.0), text="wall", anchor="start", role="cloth"
    )


def cloth(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The fabric down the front, round the edge and up the back, with what is cut off; a staple and its leg."""
    low, off = -at(lowest_mm), at(standoff_mm)
    front = off + at(section_mm)[0] + CLOTH_MM
    path: list[Point] = [(front, low), (front, CLOTH_MM)]
    if at(wrapped):
        back, end = off - CLOTH_MM, -at(return_mm)
        path += [(back, CLOTH_MM), (back, end)]
        loose = ((back, end), (back, end - at.field(Blank.grip_mm)))
        yield Line(key="edge-grip", role="cloth-loose", layer="frame", points=loose)
    yield Line(key="edge-cloth", role="cloth", layer="frame", points=tuple(path))
    if at(wrapped):
        where, leg = -at(return_mm) * 0.55, at.field(FrameBuild.staple_mm)
        points = (
            (off + leg, where + 3.0),
            (off - CLOTH_MM, where + 3.0),
            (off - CLOTH_MM, where - 3.0),
            (off + leg, where - 3.0),
        )
        yield Line(key="edge-staple", role="staple", layer="frame", points=points)
    yield Label(
        key="edge-picture",
        layer="frame",
        at=(front + 4.0, low + 6.0),
        text="picture side",
        anchor="start",
        role="cloth",
    )


def measures(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Standoff, depth, the border's face, the return, the board."""
    off, low = at(standoff_mm), -at(lowest_mm)
    deep, inner = at(section_mm)
    wanted: list[tuple[str, Axis, float, float, float, Side, int, str]] = [
        ("edge-standoff", "x", 0.0, off, low, -1, 1, "Standoff"),
        ("edge-depth", "x", off, off + deep, low, -1, 1, "Frame depth"),
        ("edge-plane", "x", 0.0, off + deep, low, -1, 2, "Wall to fabric"),
        ("edge-border", "y", -at(screen).border.top_mm, 0.0, off + deep + BESIDE_MM, 1, 1, "Border, top"),
        (
            "edge-inner",
            "y",
            -inner,
            0.0,
            off + deep + BESIDE_MM,
            1,
            2,
            "Board, in the plane" if at(timber) else "Profile",
        ),
    ]
    if at(wrapped):
        wanted.append(("edge-return", "y", -at(return_mm), 0.0, -WALL_MM, -1, 1, "Return on the back"))
    for key, axis, a, b, base, side, lane, name in wanted:
        if b - a > 0.5:
            yield Dimension(
                key=key,
                layer="frame",
                axis=axis,
                a_mm=a,
                b_mm=b,
                base_mm=base,
                side=side,
                lane=lane,
                text=at.text(b - a),
                name=name,
            )


EDGE = (solids, cloth, measures)
