"""Each stud of a lattice as readings leave it: confirmed, predicted or missing; readings that fit no stud; studs set by hand.

Source: a stud is confirmed by a magnet, by both of its edges, or by two sensor readings that agree; the rest are predicted.
The spread of a stud's center is that of the readings which found it, 1 / root of the sum of 1 / sigma^2; of one that no
reading touched it is that of its lattice and of framing that strays from it, by the root of their squares.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property

from gantline.core.wall.find import Kind, Noise, StudReading
from gantline.core.wall.studs import StudLattice

WITHIN = 3.0  # spreads of a reading that still agree with a stud
EDGE_PAIR_MM = 8.0  # both edges read put a stud's center at most this far off its lattice


class StudState(StrEnum):
    """How a stud is known."""

    CONFIRMED = "confirmed"
    PREDICTED = "predicted"
    MISSING = "missing"
    BY_HAND = "by hand"


@dataclass(frozen=True, slots=True)
class Stud:
    """A stud's center [mm from the left wall end] and how it is known.

    spread_mm: how far off its center may be [mm, one standard deviation]; readings: how many found it, one set by hand counts
    as one.
    """

    x_mm: float
    state: StudState
    spread_mm: float = math.inf
    readings: int = 0

    @property
    def usable(self) -> bool:
        """Whether a screw may go there."""
        return self.state is not StudState.MISSING


@dataclass(frozen=True, slots=True)
class Stray:
    """A reading that fits no stud, by its place in the list, and what it may be."""

    number: int
    reading: StudReading
    guess: str


@dataclass(frozen=True, kw_only=True)
class Studs:
    """The studs of a wall: their lattice, each stud from the left, and the readings that fit none."""

    lattice: StudLattice
    studs: tuple[Stud, ...]
    strays: tuple[Stray, ...] = ()

    @cached_property
    def centres_mm(self) -> tuple[float, ...]:
        """Centers of the studs that a screw may go into, from the left [mm]."""
        return tuple(stud.x_mm for stud in self.studs if stud.usable)

    @property
    def wall_mm(self) -> float:
        """Length of the wall [mm]."""
        return self.lattice.wall_mm

    @property
    def stud_mm(self) -> float:
        """Face width of a stud [mm]."""
        return self.lattice.stud_mm

    def behind(self, x_mm: float) -> Stud | None:
        """The usable stud nearest to x [mm], None on a wall without any."""
        return min(
            (stud for stud in self.studs if stud.usable), key=lambda stud: abs(stud.x_mm - x_mm), default=None
        )

    def nearest(self, x_mm: float) -> int | None:
        """Index of the usable stud nearest to x [mm], None on a wall without any."""
        centers = self.centres_mm
        return min(range(len(centers)), key=lambda k: abs(centers[k] - x_mm)) if centers else None

    def on_lattice(self, x_mm: float) -> bool:
        """Whether a stud's center is one that the lattice gives."""
        return abs(self.lattice.off_mm(x_mm)) < 1e-6


def studs_on_wall(
    lattice: StudLattice,
    readings: Sequence[StudReading],
    *,
    noise: Noise,
    unread_mm: float = math.inf,
    openings: Sequence[tuple[float, float]] = (),
    by_hand: Sequence[tuple[float, bool]] = (),
) -> Studs:
    """What is known of each stud.

    Args: unread, how far off a stud may be that no reading touched [mm]; openings, from and to along the wall where no stud
        runs through [mm]; by_hand, places [mm] with True for a stud that somebody set and False for one that was struck
        out: both stand against all readings.
    Leaves out: jack studs beside an opening, until they are read or set.  Raises: nothing.
    """
    half, studs = lattice.stud_mm / 2.0, []
    reach = half + WITHIN * max(noise.sensor_mm, noise.magnet_mm)  # no reading farther off is of a stud
    fits: set[int] = set()  # readings that are of a stud of the lattice
    struck = [x for x, there in by_hand if not there]
    for x in lattice.centres_mm:
        if any(low + half < x < high - half for low, high in openings):
            continue
        if any(abs(x - gone) <= lattice.stud_mm for gone in struck):
            studs.append(Stud(x, StudState.MISSING))
        else:
            near = [number for number, reading in enumerate(readings) if abs(reading.x_mm - x) <= reach]
            hits = [number for number in near if _agrees(readings[number], x, half, noise)]
            fits.update(hits)
            studs.append(_stud(x, half, [readings[number] for number in hits], readings, noise, unread_mm))
    added = [x for x, there in by_hand if there]
    studs = [stud for stud in studs if all(abs(stud.x_mm - x) > lattice.stud_mm for x in added)]
    studs += [Stud(x, StudState.BY_HAND, noise.magnet_mm, 1) for x in added]
    studs.sort(key=lambda stud: stud.x_mm)
    centers = [stud.x_mm for stud in studs]
    strays = (
        Stray(number, reading, _guess(reading, centers, lattice.stud_mm))
        for number, reading in enumerate(readings)
        if reading.kind is not Kind.NOTHING
        and number not in fits
        and not any(_agrees(reading, x, half, noise) for x in centers if abs(reading.x_mm - x) <= reach)
    )
    return Studs(lattice=lattice, studs=tuple(studs), strays=tuple(strays))


def _stud(
    x: float,
    half: float,
    hits: Sequence[StudReading],
    readings: Sequence[StudReading],
    noise: Noise,
    unread_mm: float,
) -> Stud:
    edges = {edge.x_mm > x: edge.x_mm for edge in hits if edge.kind is Kind.EDGE}
    spread = spread_mm(hits, noise) if hits else unread_mm
    if any(hit.kind is Kind.MAGNET for hit in hits) or len(hits) >= 2:
        middle = sum(edges.values()) / 2.0 if len(edges) == 2 else x
        center = middle if abs(middle - x) <= EDGE_PAIR_MM else x
        return Stud(center, StudState.CONFIRMED, spread, len(hits))
    empty = any(nothing.kind is Kind.NOTHING and abs(nothing.x_mm - x) <= half for nothing in readings)
    state = StudState.MISSING if empty and not hits else StudState.PREDICTED
    return Stud(x, state, spread, len(hits))


def spread_mm(hits: Sequence[StudReading], noise: Noise) -> float:
    """How far off a stud's center may be by the readings that found it [mm]; infinite without any.

    Leaves out: that the width of a stud, which an edge is half of away from its center, may be off too.
    """
    weight = sum((noise.magnet_mm if hit.kind is Kind.MAGNET else noise.sensor_mm) ** -2.0 for hit in hits)
    return weight**-0.5 if weight else math.inf


def unread_mm(lattice_mm: float, strays_mm: float) -> float:
    """How far off a stud may be that no reading touched [mm]: as far as its lattice, and as framing strays from it."""
    return math.hypot(lattice_mm, strays_mm)


def unseen_mm(spacing_mm: float) -> float:
    """How far off a lattice may stand that nobody looked for [mm]: anywhere in one spacing, alike everywhere."""
    return spacing_mm / math.sqrt(12.0)


def _agrees(stud_reading: StudReading, x: float, half: float, noise: Noise) -> bool:
    """Whether a reading is of the stud at x."""
    off = abs(stud_reading.x_mm - x)
    match stud_reading.kind:
        case Kind.EDGE:
            return abs(off - half) <= WITHIN * noise.sensor_mm
        case Kind.CENTER:
            return off <= WITHIN * noise.sensor_mm
        case Kind.MAGNET:
            return off <= WITHIN * noise.magnet_mm
    return False


def _guess(stud_reading: StudReading, centers: Sequence[float], stud_mm: float) -> str:
    """What a reading beside the lattice may be."""
    near = min((abs(stud_reading.x_mm - x) for x in centers), default=1e9)
    if 0.6 * stud_mm <= near <= 2.1 * stud_mm:
        return "a doubled stud"
    return (
        "blocking, or a stud off its lattice"
        if stud_reading.kind is Kind.MAGNET
        else "a pipe, cable or blocking"
    )


def contradictions(readings: Sequence[StudReading], within_mm: float) -> tuple[tuple[int, int], ...]:
    """Pairs of readings, by their places in the list, of which one found a stud where the other found nothing."""
    hits = [(a, one.x_mm) for a, one in enumerate(readings) if one.kind in (Kind.MAGNET, Kind.CENTER)]
    empty = [(b, one.x_mm) for b, one in enumerate(readings) if one.kind is Kind.NOTHING]
    return tuple((a, b) for a, x in hits for b, y in empty if abs(x - y) <= within_mm)
