"""The frame as it hangs, drawn many times over: a millimeter on a wall is not seen."""

import math
from collections.abc import Iterator

from gantline.core.align.corners import CORNERS, NAMES
from gantline.drawing.marks import Area, Dimension, Dot, Label, Line, Mark
from gantline.job.model.align import Hung
from gantline.plan.ask import Ask
from gantline.plan.station import FaceName
from gantline.stations.hang.people import ends_mm
from gantline.stations.hang.solve import last_read, verdicts_now
from gantline.stations.hang.words import off_words
from gantline.stations.height import fits, rect_of_frame, seen
from gantline.stations.survey import room, wall_mm

TIMES = 20.0
BESIDE_MM = 140.0  # of a section drawn beside the frame
TALL_MM, HEAD_MM, SHOULDERS_MM, HIPS_MM = 1750.0, 115.0, 430.0, 330.0
ROUND = 16  # corners of a head


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
    if read.level_mm is not None:
        said = next((off_words(at, verdict) for verdict in at(verdicts_now) if verdict.check == "level"), "")
        yield Label(key="hung-level", layer="hang", at=(right + aside, top + tilt), text=said, role="astray")
    yield Label(
        key="hung-times",
        layer="hang",
        at=((left + right) / 2.0, bottom),
        text=f"as it hangs, misses drawn {TIMES:g} times over",
        role="astray",
        lift=-1.0,
    )


def gaps(at: Ask, face: FaceName) -> Iterator[Mark]:
    """What was read from the frame to either end of the wall, where it was read."""
    if face != "front" or not at(fits):
        return
    read = at(last_read)
    left, bottom, right, _ = at(rect_of_frame)
    ends = (
        ("left", read.gap_left_mm, 0.0, left),
        ("right", read.gap_right_mm, right, at(wall_mm)),
    )
    for side, gap_mm, a_mm, b_mm in ends:
        if gap_mm is not None and b_mm > a_mm:
            yield Dimension(
                key=f"gap-{side}",
                layer="hang",
                axis="x",
                a_mm=a_mm,
                b_mm=b_mm,
                base_mm=bottom,
                side=-1,
                lane=1,
                text=at.text(gap_mm),
                name=f"Frame to the {side} wall end, as read",
            )


def leaning(at: Ask, face: FaceName) -> Iterator[Mark]:
    """A small section beside each end that was read against a plumb line: the line, and the frame leaning from it. Away from
    the frame is into the room."""
    if face != "front" or not at(fits):
        return
    read = at(last_read)
    left, bottom, right, top = at(rect_of_frame)
    ends = (
        ("plumb-left", read.plumb_left_mm, left - BESIDE_MM, -1.0),
        ("plumb-right", read.plumb_right_mm, right + BESIDE_MM, 1.0),
    )
    said = {str(verdict.check): off_words(at, verdict) for verdict in at(verdicts_now)}
    for key, lean_mm, x_mm, out in ends:
        if lean_mm is None:
            continue
        yield Line(key=f"{key}-line", role="datum", layer="hang", points=((x_mm, bottom), (x_mm, top)))
        over = out * lean_mm * TIMES
        yield Line(key=key, role="astray", layer="hang", points=((x_mm, bottom), (x_mm + over, top)))
        yield Label(key=f"{key}-text", layer="hang", at=(x_mm, top), text=said.get(key, ""), role="astray")


def pictured(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The picture as taped onto the bare wall, and the frame it asks for."""
    there = at(seen)
    if face != "front" or there is None:
        return
    last = at.things(Hung.picture)[-1]
    corners = tuple((getattr(last, f"{corner}_x_mm"), getattr(last, f"{corner}_y_mm")) for corner in CORNERS)
    yield Area(key="pictured", role="astray", layer="hang", points=corners)
    for name, (x, y) in zip(CORNERS, corners, strict=True):
        yield Dot(
            key=f"pictured-{name}", role="corner-read", layer="hang", at=(x, y), name=f"{NAMES[name]}, taped"
        )
    yield Label(
        key="pictured-text",
        layer="hang",
        at=(there.center_mm[0], max(y for _, y in corners)),
        text="picture as taped on the bare wall",
        role="astray",
    )


def standing(at: Ask, face: FaceName) -> Iterator[Mark]:
    """The two at its ends, to scale; who guides stands where the drawing is looked at from."""
    if face != "front" or not at(fits):
        return
    floor = at(room).floor
    for place, x_mm in zip(("left end", "right end"), at(ends_mm), strict=True):
        up, key = floor.at(x_mm), place.partition(" ")[0]
        for part, points in (("head", _head(x_mm, up)), ("body", _body(x_mm, up))):
            yield Area(key=f"person-{key}-{part}", role="person", layer="hang", points=points)
        yield Label(key=f"person-{key}-text", layer="hang", at=(x_mm, up), text=place, role="person")


def _head(x: float, up: float) -> tuple[tuple[float, float], ...]:
    middle = up + TALL_MM - HEAD_MM
    turns = (2.0 * math.pi * one / ROUND for one in range(ROUND))
    return tuple((x + HEAD_MM * math.cos(turn), middle + HEAD_MM * math.sin(turn)) for turn in turns)


def _body(x: float, up: float) -> tuple[tuple[float, float], ...]:
    neck = up + TALL_MM - 2.4 * HEAD_MM
    wide, narrow = SHOULDERS_MM / 2.0, HIPS_MM / 2.0
    return (
        (x - narrow, up),
        (x - wide, neck - 60.0),
        (x - wide + 60.0, neck),
        (x + wide - 60.0, neck),
        (x + wide, neck - 60.0),
        (x + narrow, up),
    )


DRAW = (standing, pictured, as_hung, gaps, leaning)
