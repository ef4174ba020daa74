"""Why a hole is not where it was planned: the slips that hands usually make, matched against by how much it is off."""

from collections.abc import Iterator
from dataclasses import dataclass

INCH_MM, FOOT_MM, HAND_MM = 25.4, 304.8, 100.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Around:
    """What a hole was marked from [mm]: the wall's length, screen center, frame's drop and border, datum line, stud spacing (None
    off studs), whether the tape reads inches."""

    wall_mm: float
    center_mm: float
    drop_mm: float
    border_mm: float
    datum_mm: float
    spacing_mm: float | None
    inches: bool


@dataclass(frozen=True, slots=True)
class Slip:
    """A slip in words, and how far the hole is from where that slip would have put it [mm]."""

    name: str
    left_mm: float


def slip_across(planned_mm: float, drilled_mm: float, around: Around, within_mm: float) -> Slip | None:
    """The slip that explains a hole's place along the wall [mm from the left wall end] best; None where none does."""
    return _best(_across(planned_mm, around), planned_mm, drilled_mm, within_mm)


def slip_up(planned_mm: float, drilled_mm: float, around: Around, within_mm: float) -> Slip | None:
    """The slip that explains a hole's height above the floor [mm] best; None where none does."""
    return _best(_up(planned_mm, around), planned_mm, drilled_mm, within_mm)


def _best(offered: Iterator[tuple[str, float]], planned: float, drilled: float, within: float) -> Slip | None:
    if abs(drilled - planned) <= within:
        return None
    offers = sorted((abs(drilled - place), name) for name, place in offered)
    return Slip(offers[0][1], offers[0][0]) if offers and offers[0][0] <= within else None


def _across(planned: float, around: Around) -> Iterator[tuple[str, float]]:
    yield "measured from the right wall end instead of the left", around.wall_mm - planned
    yield "mirrored, as seen from the back", 2.0 * around.center_mm - planned
    if around.spacing_mm is not None:
        yield "on the next stud to the right", planned + around.spacing_mm
        yield "on the next stud to the left", planned - around.spacing_mm
    if around.border_mm:
        yield "the border left out of the width", planned + around.border_mm
        yield "the border taken twice", planned - around.border_mm
    yield from _misread(planned, around)


def _up(planned: float, around: Around) -> Iterator[tuple[str, float]]:
    yield "the drop left out", planned + around.drop_mm
    yield "the drop added instead of taken off", planned + 2.0 * around.drop_mm
    yield "the drop taken off twice", planned - around.drop_mm
    yield (
        "measured down from the datum line instead of up, or up instead of down",
        (2.0 * around.datum_mm - planned),
    )
    if around.border_mm:
        yield "measured to the picture instead of the frame", planned - around.border_mm
        yield "the border added", planned + around.border_mm
    yield from _misread(planned, around)


def _misread(planned: float, around: Around) -> Iterator[tuple[str, float]]:
    steps = (
        (("an inch misread", INCH_MM), ("a foot misread", FOOT_MM))
        if around.inches
        else (("10 mm misread", 10.0), ("100 mm misread", HAND_MM))
    )
    for name, step in steps:
        yield name, planned + step
        yield name, planned - step
