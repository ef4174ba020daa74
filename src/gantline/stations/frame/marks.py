"""The frame's pieces from the back, lettered; braces, splices and the center of mass."""

from collections.abc import Iterator

from gantline.core.frame.stiffness import center_of_mass_mm
from gantline.drawing.marks import Area, Axis, Dimension, Dot, Label, Line, Mark, Point, rectangle
from gantline.job.model.frame import FrameBuild
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.frame.board import board_section, edge_mm, outer_mm, timber
from gantline.stations.frame.plates import plates
from gantline.stations.frame.solve import brace_places, pieces, splices
from gantline.stations.size import screen

HELD_MM = 1000.0


def boards(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Every piece with its letter; of a kit only its center bars."""
    if face != "back":
        return
    trim = at(edge_mm)
    found = at(pieces)
    if isinstance(found, str):
        high = at(screen).overall_height_mm
        for number, u in enumerate(at(brace_places), start=1):
            yield Line(
                key=f"bar-{number}", role="bar", layer="frame", points=((u + trim, 0.0), (u + trim, high))
            )
        return
    miter = at.field(FrameBuild.joint) == "miter"
    board = at(board_section).in_plane_mm
    for lettered in sorted(found, key=lambda each: each.role != "brace"):
        left, bottom, right, top = (
            side + trim for side in (lettered.left_mm, lettered.bottom_mm, lettered.right_mm, lettered.top_mm)
        )
        points: tuple[Point, ...] = rectangle(left, bottom, right, top)
        if miter and lettered.role != "brace":
            points = _mitered(lettered.letter, left, bottom, right, top, board)
        yield Area(
            key=f"piece-{lettered.letter}",
            role="brace" if lettered.role == "brace" else "board",
            layer="frame",
            points=points,
        )
        yield Label(
            key=f"letter-{lettered.letter}",
            layer="frame",
            at=((left + right) / 2.0, (bottom + top) / 2.0)
            if lettered.role != "rail"
            else (left + (right - left) * 0.28, (bottom + top) / 2.0),
            text=lettered.letter,
            room_mm=(HELD_MM, HELD_MM),  # a letter stands in its piece, however narrow
            role="board",
            size="text",
        )
    for splice in at(splices):
        piece = next(lettered for lettered in found if lettered.letter == splice.letter)
        for number, place in enumerate(splice.splice.joints_mm if splice.splice else (), start=1):
            if piece.role == "rail":
                u = piece.left_mm + place + trim
                ends: tuple[Point, ...] = ((u, piece.bottom_mm + trim), (u, piece.top_mm + trim))
            else:
                v = piece.bottom_mm + place + trim
                ends = ((piece.left_mm + trim, v), (piece.right_mm + trim, v))
            yield Line(key=f"splice-{splice.letter}-{number}", role="splice", layer="frame", points=ends)
    u, v = center_of_mass_mm(found)
    yield Dot(key="mass", role="mass", layer="frame", at=(u + trim, v + trim), name="center of mass")


def _mitered(
    letter: str, left: float, bottom: float, right: float, top: float, board: float
) -> tuple[Point, ...]:
    """A piece with its ends cut at 45°, long points outside."""
    match letter:
        case "A":
            return (left, top), (right, top), (right - board, bottom), (left + board, bottom)
        case "B":
            return (left, bottom), (right, bottom), (right - board, top), (left + board, top)
        case "C":
            return (left, bottom), (left, top), (right, top - board), (right, bottom + board)
        case _:
            return (right, bottom), (right, top), (left, top - board), (left, bottom + board)


def dimensions(at: Ask, face: FaceName) -> Iterator[Mark]:
    """Outside size, and the braces as they read on a tape hooked on the left."""
    if face != "back":
        return
    own_screen, trim = at(screen), at(edge_mm)
    wide, high = at(outer_mm)
    whole = (own_screen.overall_width_mm, own_screen.overall_height_mm)
    sides: tuple[tuple[str, Axis, float, str], ...] = (
        ("frame-width", "x", wide, "Frame, outside width"),
        ("frame-height", "y", high, "Frame, outside height"),
    )
    for key, axis, long, name in sides:
        yield Dimension(
            key=key,
            layer="frame",
            axis=axis,
            a_mm=trim,
            b_mm=trim + long,
            base_mm=0.0,
            side=-1,
            lane=2,
            text=at.text(long),
            name=name,
        )
    if at(timber):
        for number, u in enumerate(at(brace_places)[:2], start=1):
            yield Dimension(
                key=f"brace-{number}",
                layer="frame",
                axis="x",
                a_mm=trim,
                b_mm=trim + u,
                base_mm=whole[1],
                side=1,
                lane=1 if number == 1 else 2,
                text=at.text(u),
                name=f"Frame end to the middle of brace {number}",
            )


def flat_plates(at: Ask, face: FaceName) -> Iterator[Mark]:
    """An L at each corner, a T at each end of each brace."""
    plating = at(plates) if face == "back" else None
    if plating is None:
        return
    wide, high = at(outer_mm)
    trim = at(edge_mm)
    near, far = plating.inset_mm, plating.inset_mm + plating.leg_mm
    inner, half, across = near + plating.wide_mm, plating.leg_mm / 2.0, plating.wide_mm / 2.0
    corner = ((near, near), (far, near), (far, inner), (inner, inner), (inner, far), (near, far))
    bar = ((-half, inner), (-half, near), (half, near), (half, inner))
    tee = (*bar, (across, inner), (across, far), (-across, far), (-across, inner))
    for key, right, up in (("bl", 0, 0), ("br", 1, 0), ("tl", 0, 1), ("tr", 1, 1)):
        yield _plate(
            f"corner-{key}", tuple((wide - u if right else u, high - v if up else v) for u, v in corner), trim
        )
    for number, at_mm in enumerate(at(brace_places), start=1):
        for end in ("bottom", "top"):
            places = tuple((at_mm + u, high - v if end == "top" else v) for u, v in tee)
            yield _plate(f"brace-{number}-{end}", places, trim)


def _plate(key: str, points: tuple[Point, ...], trim: float) -> Area:
    return Area(
        key=f"plate-{key}",
        role="flat-plate",
        layer="frame",
        points=tuple((u + trim, v + trim) for u, v in points),
    )


DRAW = (boards, flat_plates, dimensions)
