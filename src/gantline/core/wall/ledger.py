"""A ledger: boards on the wall, screwed to its studs, that the frame is screwed to through them.

Source: the trade's way with wide screens: boards doubled with their joints staggered, at least a stud on each side of the center,
screws into the frame that stay short of the cloth.
Leaves out: bolts between the layers.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.errors import require_not_negative, require_positive
from gantline.core.frame.pieces import Splice, spliced
from gantline.core.tolerance import ROUNDING_MM
from gantline.core.wall.cleat import FEWEST, CleatPlace

STAGGER_MM = 400.0  # a joint of one layer keeps so far from those of the other


def ledger_over_studs(
    studs_mm: Sequence[float], center_mm: float, *, frame_mm: float, inset_mm: float, count: int | None = None
) -> CleatPlace | None:
    """A ledger frame, screwed through to the studs behind it: no float, and at least a stud on each side of the center.

    Args: studs, centers that may be drilled, rising [mm]; center, of the screen [mm]; frame, its width [mm]; inset, what the
        frame's ends leave to corner joints [mm]; count, at how many studs it is screwed, None for all.
    Returns: None where no stud serves on a side, or there are fewer than asked for. Of more, the outer two and the most even
        between them.
    Raises: OutOfRange.
    """
    require_positive(frame_mm=frame_mm)
    require_not_negative(inset_mm=inset_mm)
    half = frame_mm / 2.0 - inset_mm
    behind = tuple(x for x in studs_mm if abs(x - center_mm) <= half + ROUNDING_MM)
    if len(behind) < max(FEWEST, count or 0) or not behind[0] < center_mm < behind[-1]:
        return None
    if count is not None:
        behind = tuple(behind[round(k * (len(behind) - 1) / (count - 1))] for k in range(count))
    return CleatPlace(
        left_mm=center_mm - frame_mm / 2.0, right_mm=center_mm + frame_mm / 2.0, studs_mm=behind, play_mm=0.0
    )


def ledger_layers(length_mm: float, longest_mm: float, layers: int) -> tuple[Splice, ...]:
    """The boards of one row of a ledger, layer by layer [mm]: joints of the second keep away from those of the first.

    Raises: OutOfRange where no place is left for a joint.
    """
    boards: list[Splice] = []
    for _ in range(layers):
        others = boards[-1].joints_mm if boards else ()
        layer = spliced(length_mm, longest_mm, others, STAGGER_MM)
        boards.append(layer or Splice(parts_mm=(length_mm,), joints_mm=()))
    return tuple(boards)


@dataclass(frozen=True, slots=True, kw_only=True)
class LedgerScrews:
    """Screws from one row of a ledger into the frame: how many, and the longest that stays short of the cloth [mm]."""

    count: int
    longest_mm: float


def screws_into_frame(
    length_mm: float, *, spacing_mm: float, ledger_mm: float, frame_depth_mm: float, clear_mm: float
) -> LedgerScrews:
    """Screws through the ledger into the frame's back.

    Args: length, of the row [mm]; spacing, at most between two [mm]; ledger, its layers together [mm]; frame_depth, from its back
        to the cloth [mm]; clear, what a screw keeps from the cloth [mm].
    Raises: OutOfRange.
    """
    require_positive(length_mm=length_mm, spacing_mm=spacing_mm)
    count = math.ceil(length_mm / spacing_mm - ROUNDING_MM / spacing_mm) + 1
    return LedgerScrews(count=count, longest_mm=ledger_mm + frame_depth_mm - clear_mm)
