"""The pieces of a timber frame: how long each is, where it lies, and how many joints hold it.

Lettered as seen from the back: A, B the rails (top, bottom), C, D the stiles (left, right), E … the braces.
Source: geometry of the joints; lengths are long points for mitres.
Leaves out: the width of a glue line, and boards that are not as wide as they are called.
"""

import math
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise
from typing import Literal

from gantline.core.budget import bounded
from gantline.core.errors import OutOfRange, require_positive

MOST_PARTS = 40  # of one piece; more is no board but a heap of offcuts
LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"


class Joint(StrEnum):
    """How rails and stiles meet."""

    BUTT_RAILS = "butt-rails"
    BUTT_STILES = "butt-stiles"
    MITER = "miter"
    LAP = "lap"


@dataclass(frozen=True, slots=True, kw_only=True)
class Piece:
    """One piece: letter, what it is, length to cut [mm], and its rectangle seen from the back (u right, v up) [mm].

    long: at its long points. ends: how its ends are cut.
    """

    letter: str
    role: Literal["rail", "stile", "brace"]
    name: str
    length_mm: float
    left_mm: float
    bottom_mm: float
    right_mm: float
    top_mm: float
    ends: Literal["square", "mitered", "half-lapped"]


Role = Literal["rail", "stile", "brace"]


def is_shortened(role: Role, joint: Joint) -> bool:
    """Whether a piece ends at two others, so that it is two boards shorter than the outside."""
    return role == "brace" or joint is (Joint.BUTT_STILES if role == "rail" else Joint.BUTT_RAILS)


def frame_pieces(
    *, width_mm: float, height_mm: float, board_mm: float, joint: Joint, braces_at_mm: tuple[float, ...]
) -> tuple[Piece, ...]:
    """Rails, stiles and upright braces of a frame.

    Args: width, height, outside [mm]; board, its width in the plane [mm]; braces_at, middle of each brace from the left
        seen from the back [mm].
    Raises: OutOfRange where the boards meet in the middle, or a brace lies on a stile.
    """
    require_positive(width_mm=width_mm, height_mm=height_mm, board_mm=board_mm)
    w, h, b = width_mm, height_mm, board_mm
    if min(w, h) <= 2.0 * b:
        raise OutOfRange("the boards are as wide as the frame: choose narrower ones", field="board_mm", got=b)
    rail_in = b if is_shortened("rail", joint) else 0.0
    stile_in = b if is_shortened("stile", joint) else 0.0
    ends: Literal["square", "mitered", "half-lapped"]
    ends = "mitered" if joint is Joint.MITER else "half-lapped" if joint is Joint.LAP else "square"
    made = [
        _rail("A", "top rail", rail_in, h - b, w - rail_in, h, ends),
        _rail("B", "bottom rail", rail_in, 0.0, w - rail_in, b, ends),
        _upright("C", "stile", "left stile", 0.0, stile_in, b, h - stile_in, ends),
        _upright("D", "stile", "right stile", w - b, stile_in, w, h - stile_in, ends),
    ]
    for number, at in enumerate(sorted(braces_at_mm)):
        if not 1.5 * b <= at <= w - 1.5 * b:
            raise OutOfRange("a brace lies on a stile: move it inward", field="braces_at_mm", got=at)
        name = f"brace {number + 1}" if len(braces_at_mm) > 1 else "brace"
        letter = LETTERS[4 + number]
        made.append(_upright(letter, "brace", name, at - b / 2.0, b, at + b / 2.0, h - b, "square"))
    return tuple(made)


def even_places(width_mm: float, count: int) -> tuple[float, ...]:
    """The places, as of braces or hooks, that part a rail in even spans [mm]."""
    return tuple(width_mm * (k + 1) / (count + 1) for k in range(count))


def _rail(
    letter: str,
    name: str,
    left: float,
    bottom: float,
    right: float,
    top: float,
    ends: Literal["square", "mitered", "half-lapped"],
) -> Piece:
    return Piece(
        letter=letter, role="rail", name=name, length_mm=right - left,
        left_mm=left, bottom_mm=bottom, right_mm=right, top_mm=top, ends=ends,
    )  # fmt: skip


def _upright(
    letter: str,
    role: Literal["stile", "brace"],
    name: str,
    left: float,
    bottom: float,
    right: float,
    top: float,
    ends: Literal["square", "mitered", "half-lapped"],
) -> Piece:
    return Piece(
        letter=letter, role=role, name=name, length_mm=top - bottom,
        left_mm=left, bottom_mm=bottom, right_mm=right, top_mm=top, ends=ends,
    )  # fmt: skip


@dataclass(frozen=True, slots=True, kw_only=True)
class Splice:
    """A piece in parts: lengths [mm] and where the joints lie from its left or lower end [mm]."""

    parts_mm: tuple[float, ...]
    joints_mm: tuple[float, ...]


def spliced(
    length_mm: float, longest_mm: float, supports_mm: tuple[float, ...], clear_mm: float
) -> Splice | None:
    """A piece that is longer than the longest board or load, in parts whose joints keep clear of the supports.

    Args: supports, where braces meet it from its end [mm]; clear, how far a joint keeps from them [mm].
    Returns: None where it need not be spliced.
    Raises: OutOfRange where no place is left for a joint, or there would be more than 40 parts.
    """
    if length_mm <= longest_mm:
        return None
    count = bounded(math.ceil(length_mm / longest_mm - 1e-9), MOST_PARTS, "parts of one piece", "longest_mm")
    joints: list[float] = []
    at = 0.0
    for part in range(count - 1):
        even = length_mm * (part + 1) / count
        least = length_mm - longest_mm * (count - 1 - part)  # what the rest can still reach from
        place = _clear_place(even, max(at, least), at + longest_mm, supports_mm, clear_mm)
        if place is None:
            raise OutOfRange(
                "no place is left for a splice: take longer boards, or fewer braces",
                field="longest_mm",
                got=longest_mm,
            )
        joints.append(place)
        at = place
    ends = (0.0, *joints, length_mm)
    return Splice(parts_mm=tuple(b - a for a, b in pairwise(ends)), joints_mm=tuple(joints))


def _clear_place(
    wished: float, low: float, high: float, supports: tuple[float, ...], clear: float
) -> float | None:
    """The place nearest to the wished one within bounds, at least `clear` from every support."""
    offered = [wished, low, high, *(s - clear for s in supports), *(s + clear for s in supports)]
    good = [
        offer
        for offer in offered
        if low - 1e-6 <= offer <= high + 1e-6 and all(abs(offer - s) >= clear - 1e-6 for s in supports)
    ]
    return min(good, key=lambda one: abs(one - wished), default=None)


@dataclass(frozen=True, slots=True, kw_only=True)
class Joinery:
    """What joins the pieces: board ends that are screwed, corner plates, T plates, screws into them."""

    board_ends: int
    screws: int
    corner_plates: int
    brace_plates: int
    plate_screws: int


def joinery(
    braces: int, *, screws_an_end: int, screws_a_plate: int, plated_faces: int = 1, removable: bool = False
) -> Joinery:
    """Screws and plates of a frame: two pieces meet at each corner, a brace meets a rail at each end.

    Args: plated_faces, on how many faces a corner has a plate, 0 to 2; removable, braces that are screwed and nothing else, so
        that they come out again. Never a plate on the fabric's face of a brace.
    Source: two pocket screws and glue per board end, plates on the back at corners and braces.
    """
    meetings = 4 + 2 * braces
    corner_plates = 4 * plated_faces
    brace_plates = 0 if removable or not plated_faces else 2 * braces
    return Joinery(
        board_ends=meetings,
        screws=meetings * screws_an_end,
        corner_plates=corner_plates,
        brace_plates=brace_plates,
        plate_screws=(corner_plates + brace_plates) * screws_a_plate,
    )


# up to which thickness of board a pocket screw is taken, and how long that screw is [mm]; sold by the quarter inch
POCKET_SCREWS_MM = (
    (12.8, 25.4),
    (15.9, 31.75),
    (19.1, 31.75),
    (25.5, 38.1),
    (31.8, 50.8),
    (38.2, 63.5),
    (44.5, 76.2),
)
POCKET_LEAST_MM = 12.0


def pocket_screw_mm(thick_mm: float) -> float | None:
    """Length of a pocket screw for a board of this thickness [mm]; None for a board that is too thin or too thick for one.

    Source: the usual table of pocket joinery: 1 1/4 in for 3/4 in stock, 2 1/2 in for 1 1/2 in. Leaves out: hardwood,
    which wants a fine thread.
    """
    require_positive(thick_mm=thick_mm)
    if thick_mm < POCKET_LEAST_MM:
        return None
    return next((long for most, long in POCKET_SCREWS_MM if thick_mm <= most), None)


def too_long_mm(fastener_mm: float, through_mm: float, clear_mm: float) -> float:
    """By how much a screw, brad or staple leg is too long for what it goes through [mm]; 0 or less: it is short enough."""
    return fastener_mm - (through_mm - clear_mm)
