"""Flat plates on the back of a timber frame, and where staples must keep off them."""

from collections.abc import Sequence
from dataclasses import dataclass

from gantline.core.errors import require_positive

Spans = tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Plates:
    """How the plates lie on the back [mm].

    inset: the plate's outer edge from the frame's outer edge; wide: of a leg; leg: its length. past_return: the plate lies
    inside the fabric's return, so that no staple meets it.
    """

    inset_mm: float
    wide_mm: float
    leg_mm: float
    past_return: bool


def place_plates(
    board_mm: float, return_mm: float, *, wide_mm: float, leg_mm: float, clear_mm: float
) -> Plates:
    """Plates inside the fabric's return where the board leaves room for them, else as far in as it goes.

    Args: board, its width in the plane of the back [mm]; return, fabric folded onto the back [mm]; wide and leg, of the
        plate [mm]; clear, between the return and the plate [mm].
    Source: geometry; a staple driven onto a plate bends and tears the fabric.
    Leaves out: plates that are let into the wood.  Raises: OutOfRange for a length that is not positive.
    """
    require_positive(board_mm=board_mm, wide_mm=wide_mm, leg_mm=leg_mm)
    past = return_mm + clear_mm
    fits = past + wide_mm <= board_mm + 1e-9
    return Plates(
        inset_mm=past if fits else max(board_mm - wide_mm, 0.0),
        wide_mm=wide_mm,
        leg_mm=leg_mm,
        past_return=fits,
    )


def plate_spans_mm(plates: Plates, length_mm: float, braces_at_mm: Sequence[float], clear_mm: float) -> Spans:
    """From and to along one side of the frame [mm] where a staple would meet a plate; none where they lie past the return.

    Args: length of the side [mm]; braces_at, the middles of T plates along it [mm]; clear, beside a plate [mm].
    """
    if plates.past_return:
        return ()
    leg, half = plates.inset_mm + plates.leg_mm + clear_mm, plates.leg_mm / 2.0 + clear_mm
    middles = tuple((at - half, at + half) for at in sorted(braces_at_mm))
    return _joined(((0.0, leg), *middles, (length_mm - leg, length_mm)))


def _joined(spans: Spans) -> Spans:
    """Spans with those that overlap made one: at the end of one plate the next may have begun."""
    found: list[tuple[float, float]] = []
    for low, high in sorted(spans):
        if found and low < found[-1][1]:
            found[-1] = (found[-1][0], max(high, found[-1][1]))
        else:
            found.append((low, high))
    return tuple(found)


def kept_off(readings_mm: Sequence[float], spans: Spans, closest_mm: float) -> tuple[float | None, ...]:
    """Each reading moved to the nearer end of the span it lies in; None where it would crowd one that stays [mm].

    Args: readings, rising [mm]; spans as from plate_spans_mm; closest, between two points [mm]. At the ends of a side a
        point moves inward.
    """
    length = max((high for _, high in spans), default=0.0)
    moved = [_off(reading, spans, length) for reading in readings_mm]
    stay = [new for place, new in zip(readings_mm, moved, strict=True) if new == place]
    kept: list[float | None] = []
    taken = list(stay)
    for place, new in zip(readings_mm, moved, strict=True):
        if new == place:
            kept.append(place)
        elif any(abs(new - other) < closest_mm - 1e-9 for other in taken):
            kept.append(None)
        else:
            kept.append(new)
            taken.append(new)
    return tuple(kept)


def _off(reading: float, spans: Spans, length: float) -> float:
    for low, high in spans:
        if low < reading < high or (low <= 0.0 and reading < high) or (high >= length and reading > low):
            if low <= 0.0:
                return high
            if high >= length:
                return low
            return low if reading - low <= high - reading else high
    return reading
