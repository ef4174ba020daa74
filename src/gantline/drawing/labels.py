"""Placing labels once, for every pen: in what holds them or over it, off the dots and off each other.

The size of a text against its drawing is nearly the same on a page and on a screen, so one placement serves
both: heights of text are counted in a share of the face.
"""

from collections.abc import Sequence
from dataclasses import replace
from functools import cache

from gantline.drawing.marks import Dot, Face, Label, Mark

ACROSS, UP = 48.0, 27.0  # heights of text in the width and in the height of a face
LETTER = 0.51  # mean advance of a letter, in heights of the text
HIGH = 1.25  # room a line of text takes, in heights of it
OVER, UNDER = 1.0, -0.75
OVERHANG = 0.7  # a name may stand out of what holds it by this much
STEPS = (0.0, -1.0, 1.0, -2.0, 2.0, -3.0)
SHARE = {"start": 0.0, "middle": 0.5, "end": 1.0}
LARGE = {"large": 1.75, "text": 1.0, "small": 1.0}  # times a small text
DOT_ROOM = 0.45  # half the room a dot takes, in heights of the text

Room = tuple[float, float, float, float]  # left, bottom, right, top
Together = tuple[tuple[frozenset[str], frozenset[str]], ...]  # by station


def placed(face: Face, together: Together) -> Face:
    """The face with every label's lift set. together: layers whose dots and layers whose labels are shown at the same time."""
    em, met = text_mm(face), _met(together)
    dots: dict[str, list[Room]] = {}
    rooms: dict[str, list[Room]] = {}
    for mark in face.marks:
        if isinstance(mark, Dot) and mark.number is None:
            dots.setdefault(mark.layer, []).append(_dot_room(mark, em))
        elif isinstance(mark, Label) and mark.role == "picture":  # it stays where it is drawn
            rooms.setdefault(mark.layer, []).append(_room(mark, em * LARGE[mark.size], 0.0))
    marks: list[Mark] = []
    for mark in face.marks:
        if not isinstance(mark, Label) or mark.role == "picture":
            marks.append(mark)
            continue
        of_dots, of_labels = met.get(mark.layer, ({mark.layer}, {mark.layer}))
        near = [room for layer in of_dots for room in dots.get(layer, ())]
        near += [room for layer in of_labels for room in rooms.get(layer, ())]
        lift, room = _free(mark, em, near, -1.0 if face.y_down else 1.0)
        rooms.setdefault(mark.layer, []).append(room)
        marks.append(mark if mark.lift == lift else replace(mark, lift=lift))
    return replace(face, marks=tuple(marks))


@cache
def _met(together: Together) -> dict[str, tuple[set[str], set[str]]]:
    """For the labels of every layer, those whose dots and those whose labels are seen with them."""
    met: dict[str, tuple[set[str], set[str]]] = {}
    for of_dots, of_labels in together:
        for layer in of_labels:
            dots, labels = met.setdefault(layer, (set(), set()))
            dots.update(of_dots)
            labels.update(of_labels)
    return met


def text_mm(face: Face) -> float:
    """Height of a small text in millimeters of the face."""
    return max((face.right_mm - face.left_mm) / ACROSS, (face.top_mm - face.bottom_mm) / UP)


def _free(mark: Label, em: float, taken: Sequence[Room], up: float) -> tuple[float, Room]:
    start = _start(mark, em)
    lifts = [start + step * HIGH for step in STEPS]
    for lift in lifts:
        room = _room(mark, em, up * lift)
        if not any(_meet(room, other) for other in taken):
            return lift, room
    return start, _room(mark, em, up * start)


def _start(mark: Label, em: float) -> float:
    if mark.role == "limit" or mark.lift < 0.0:  # who draws it wants it under its place
        return UNDER
    if mark.room_mm is None:
        return OVER
    wide, high = mark.room_mm
    held = wide >= OVERHANG * LETTER * len(mark.text) * em and high >= em
    return 0.0 if held else high / 2.0 / em + OVER - 0.4


def _room(mark: Label, em: float, lift: float) -> Room:
    wide = LETTER * len(mark.text) * em
    left = mark.at[0] - SHARE[mark.anchor] * wide
    middle = mark.at[1] + lift * em
    return left, middle - em * HIGH / 2.0, left + wide, middle + em * HIGH / 2.0


def _dot_room(mark: Dot, em: float) -> Room:
    (x, y), half = mark.at, DOT_ROOM * em
    return x - half, y - half, x + half, y + half


def _meet(a: Room, b: Room) -> bool:
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]
