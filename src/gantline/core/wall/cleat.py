"""A cleat over studs: where its wall piece goes, and how far the screen still slides on it."""

from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.tolerance import ROUNDING_MM

FEWEST, WISHED = 2, 3


@dataclass(frozen=True, slots=True, kw_only=True)
class CleatPlace:
    """The wall piece from left to right [mm from the left wall end], the studs it is screwed to, and how far the screen's center
    may lie from its middle, each way [mm]."""

    left_mm: float
    right_mm: float
    studs_mm: tuple[float, ...]
    play_mm: float


def cleat_over_studs(
    studs_mm: Sequence[float],
    center_mm: float,
    *,
    frame_mm: float,
    inset_mm: float,
    beyond_mm: float,
    length_mm: float | None = None,
    count: int | None = None,
) -> CleatPlace | None:
    """The longest wall piece over studs on which the screen still comes to its center.

    Args: studs, centers that may be drilled, rising [mm]; center, of the screen [mm]; frame, its width [mm]; inset, what the
        frame's ends leave to corner joints [mm]; beyond, past the outer studs [mm]; length, of a piece that is there [mm]: it is
        set even about its studs; count, how many studs it is to cross.
    Returns: None where fewer than two studs serve. The piece spans its outer studs and so much more at each end; the screen's
        center may lie half the total float from its middle, float = length free on the frame less the piece.
    Raises: OutOfRange.
    """
    require_positive(frame_mm=frame_mm)
    require_not_negative(inset_mm=inset_mm)
    room = frame_mm - 2.0 * inset_mm
    best: CleatPlace | None = None
    for first in range(len(studs_mm)):
        for last in range(first + FEWEST - 1, len(studs_mm)):
            left, right = studs_mm[first] - beyond_mm, studs_mm[last] + beyond_mm
            if count is not None and last - first + 1 != count:
                continue
            if length_mm is not None:
                middle = (studs_mm[first] + studs_mm[last]) / 2.0
                if right - left > length_mm + ROUNDING_MM:
                    continue  # its ends would split
                left, right = middle - length_mm / 2.0, middle + length_mm / 2.0
            play = (room - (right - left)) / 2.0
            off = abs((left + right) / 2.0 - center_mm)
            if play < 0.0 or off > play + ROUNDING_MM:
                continue
            found = CleatPlace(
                left_mm=left, right_mm=right, studs_mm=tuple(studs_mm[first : last + 1]), play_mm=play
            )
            if best is None or (len(found.studs_mm), -off) > (
                len(best.studs_mm),
                -abs((best.left_mm + best.right_mm) / 2.0 - center_mm),
            ):
                best = found
    return best


def cleat_as_it_stands(
    studs_mm: Sequence[float],
    *,
    left_mm: float,
    right_mm: float,
    frame_mm: float,
    inset_mm: float,
) -> CleatPlace:
    """A wall piece that is up already: the studs that it crosses, and how far the screen slides on it.

    Args: studs, centers, rising [mm]; left, right, its ends [mm from the left wall end]; frame, its width [mm]; inset, what the
        frame's ends leave to corner joints [mm].
    Returns: the play below none where the piece is longer than what the frame leaves free, no studs where it crosses none.
    Raises: OutOfRange.
    """
    require_positive(frame_mm=frame_mm, length_mm=right_mm - left_mm)
    require_not_negative(inset_mm=inset_mm)
    crossed = tuple(stud for stud in studs_mm if left_mm < stud < right_mm)
    play = (frame_mm - 2.0 * inset_mm - (right_mm - left_mm)) / 2.0
    return CleatPlace(left_mm=left_mm, right_mm=right_mm, studs_mm=crossed, play_mm=play)


def low_cleat_mm(frame_high_mm: float, *, point_mm: float, board_mm: float) -> float | None:
    """From the upper frame piece's long point down to that of a second one, as far from the frame's bottom as the upper one is
    from its top [mm]; None where the two would meet.

    Args: frame_high, height of the frame [mm]; point, long point to the frame's top [mm]; board, a cleat's board [mm].
    """
    apart = frame_high_mm - 2.0 * point_mm
    return apart if apart > 2.0 * board_mm else None


def frame_pieces_mm(
    place: CleatPlace, center_mm: float, *, frame_mm: float, inset_mm: float, block_mm: float | None = None
) -> tuple[tuple[float, float], ...]:
    """Where the frame's own piece of a cleat goes, from its left end as seen from the front [mm]: each its left and right.

    One piece is as long as the frame leaves free, so that the screen slides its whole float; two blocks stand over the ends of
    the wall piece with the screen at its center, each whole on it.
    Args: place, of the wall piece; center, of the screen [mm from the left wall end]; frame, its width [mm]; inset, what corner
        joints take of each end [mm]; block, the length of each of two [mm], None for one piece.
    Returns: none where two blocks do not fit side by side.  Raises: OutOfRange.
    """
    require_positive(frame_mm=frame_mm)
    require_not_negative(inset_mm=inset_mm)
    if block_mm is None:
        return ((inset_mm, frame_mm - inset_mm),)
    require_positive(block_mm=block_mm)
    end = center_mm - frame_mm / 2.0
    left = max(place.left_mm - end, inset_mm)
    right = min(place.right_mm - end, frame_mm - inset_mm)
    if right - left < 2.0 * block_mm - ROUNDING_MM:
        return ()
    return ((left, left + block_mm), (right - block_mm, right))
