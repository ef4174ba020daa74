"""The stud lattice that explains noisy readings best, the one that rivals it, and where one more reading tells them apart.

Source: every reading counts (1 - w)·(s / l)·N(r; sigma) + w / l, with r its distance from the nearest stud, s the spacing, l the
wall's length and w the share of readings that are no stud at all. Without s / l a hit the denser lattice always wins.
Leaves out: studs that stand off their lattice, and walls framed in two lattices.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
import numpy.typing as npt

from gantline.core.budget import bounded
from gantline.core.defaults import PLAIN_SHOP, Shop, SurveyDefaults
from gantline.core.errors import require_positive
from gantline.core.wall.studs import MOST_STUDS

NOISE_DEFAULTS = {
    "sensor_mm": SurveyDefaults.sensor_mm,
    "sensor_wild": SurveyDefaults.sensor_wild,
    "magnet_mm": SurveyDefaults.magnet_mm,
    "magnet_wild": SurveyDefaults.magnet_wild,
    "missed": SurveyDefaults.stud_missed,
    "empty": SurveyDefaults.stud_empty,
}
Array = npt.NDArray[np.float64]
SPACINGS_MM = (400.0, 406.4, 450.0, 600.0, 609.6)
FEWEST = 3  # readings that a claimed lattice explains: two fall on some lattice by chance
APART = 3.0  # natural-log likelihood by which a lattice must lead to be claimed
ROUNDS = 4  # of moving a lattice to the middle of what it explains
NEAR_MM = 30.0  # lattices of one spacing nearer than this are the same one
MOST_RIVALS = 6
PROBE_MM = 25.0  # from the middle of a search to where it still finds a stud
MOST_BEGUN = 20
FIRST_KEPT = 4  # candidates of a spacing that are refined
NORMAL = 1.0 / math.sqrt(2.0 * math.pi)


class Kind(StrEnum):
    """What was found at a place."""

    EDGE = "edge"
    CENTER = "center"
    MAGNET = "magnet"
    NOTHING = "nothing"


@dataclass(frozen=True, slots=True)
class StudReading:
    """A reading at x [mm from the left wall end]."""

    x_mm: float
    kind: Kind


@dataclass(frozen=True, slots=True, kw_only=True)
class Noise:
    """Spread [mm] and wild share of a sensor's and of a magnet's readings.

    missed: how likely nothing is found on a stud; empty: how likely nothing is found where none is.
    """

    sensor_mm: float
    sensor_wild: float
    magnet_mm: float
    magnet_wild: float
    missed: float
    empty: float

    def __post_init__(self) -> None:
        require_positive(
            sensor_mm=self.sensor_mm, magnet_mm=self.magnet_mm, sensor_wild=self.sensor_wild, magnet_wild=self.magnet_wild,
            missed=self.missed, empty=self.empty,
        )  # fmt: skip


def noise_of(shop: Shop = PLAIN_SHOP) -> Noise:
    """The noise that a shop counts with."""
    return Noise(**{name: shop[one] for name, one in NOISE_DEFAULTS.items()})


@dataclass(frozen=True, slots=True, kw_only=True)
class Fitted:
    """A lattice: spacing, any one stud [mm from the left wall end], its natural-log likelihood."""

    spacing_mm: float
    first_mm: float
    likelihood: float

    def off_mm(self, x_mm: float) -> float:
        """From the nearest stud to x, + to the right [mm]."""
        return float((x_mm - self.first_mm + self.spacing_mm / 2.0) % self.spacing_mm - self.spacing_mm / 2.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class StudFit:
    """The lattice that explains most, the best other one, whether the first is claimed, and where to read once more if not."""

    best: Fitted
    rival: Fitted | None
    decided: bool
    next_mm: float | None


def fit_studs(
    readings: Sequence[StudReading],
    *,
    wall_mm: float,
    stud_mm: float,
    noise: Noise,
    spacings_mm: Sequence[float] = SPACINGS_MM,
    keep_out: Sequence[tuple[float, float]] = (),
) -> StudFit | None:
    """The lattice behind readings of a wall.

    Args: readings; wall and stud width [mm]; spacings, those that may be; keep_out, from and to where no reading can be taken
        [mm], as openings.
    Returns: None without a reading of a stud. Undecided where another lattice is within APART of the best.
    Raises: OutOfRange unless wall and stud are positive.
    """
    require_positive(wall_mm=wall_mm, stud_mm=stud_mm)
    if not any(reading.kind is not Kind.NOTHING for reading in readings):
        return None
    read = _Read(readings, wall_mm, stud_mm, noise)
    found = sorted(
        (one for spacing in spacings_mm for one in _of_spacing(read, spacing)),
        key=lambda one: (-one.likelihood, one.spacing_mm),
    )
    best = found[0]
    rival = next((one for one in found[1:] if not _same(one, best)), None)
    lead = math.inf if rival is None else best.likelihood - rival.likelihood
    decided = lead > APART and int((read.share(best) > 0.5).sum()) >= FEWEST
    place = None if decided else _telling(_distinct(found), read, keep_out)
    return StudFit(best=best, rival=rival, decided=decided, next_mm=place)


class _Read:
    """Readings as arrays."""

    def __init__(self, readings: Sequence[StudReading], wall_mm: float, stud_mm: float, noise: Noise) -> None:
        self.x = np.array([reading.x_mm for reading in readings])
        kinds = [one.kind for one in readings]
        magnet = np.array([kind is Kind.MAGNET for kind in kinds])
        self.edge = np.array([one is Kind.EDGE for one in kinds])
        self.nothing = np.array([one is Kind.NOTHING for one in kinds])
        self.sigma = np.where(magnet, noise.magnet_mm, noise.sensor_mm)
        self.wild = np.where(magnet, noise.magnet_wild, noise.sensor_wild)
        self.wall_mm, self.half, self.noise = wall_mm, stud_mm / 2.0, noise

    def off(self, first: Array, spacing: float) -> Array:
        """From the nearest stud (edge readings: from its nearer edge), a row for each lattice [mm]."""
        off = (self.x - first[:, None] + spacing / 2.0) % spacing - spacing / 2.0
        edged: Array = np.where(self.edge, off - np.where(off < 0.0, -self.half, self.half), off)
        return edged

    def hit(self, off: Array, spacing: float) -> Array:
        """Likelihood density of each reading as a hit, without the wild share."""
        density: Array = (
            np.exp(-0.5 * (off / self.sigma) ** 2) * (NORMAL / self.sigma) * (spacing / self.wall_mm)
        )
        return np.where(self.edge, density / 2.0, density) * (1.0 - self.wild)

    def likelihood(self, first: Array, spacing: float) -> Array:
        """Natural-log likelihood of each lattice."""
        off = self.off(first, spacing)
        one = self.hit(off, spacing) + self.wild / self.wall_mm
        on_stud = np.abs((self.x - first[:, None] + spacing / 2.0) % spacing - spacing / 2.0) <= self.half
        one = np.where(self.nothing, np.where(on_stud, self.noise.missed, self.noise.empty), one)
        total: Array = np.log(one).sum(axis=1)
        return total

    def share(self, fitted: Fitted) -> Array:
        """Chance of each reading to be a stud of a lattice; 0 where nothing was found."""
        hit = self.hit(self.off(np.array([fitted.first_mm]), fitted.spacing_mm), fitted.spacing_mm)[0]
        shares: Array = np.where(self.nothing, 0.0, hit / (hit + self.wild / self.wall_mm))
        return shares

    def moved(self, first: Array, spacing: float) -> Array:
        """Each lattice at the weighted middle of what it explains."""
        for _ in range(ROUNDS):
            off = self.off(first, spacing)
            hit = self.hit(off, spacing)
            share = np.where(self.nothing, 0.0, hit / (hit + self.wild / self.wall_mm)) / self.sigma**2
            first = first + (share * off).sum(axis=1) / np.maximum(share.sum(axis=1), 1e-12)
        return first


def _of_spacing(read: _Read, spacing: float) -> list[Fitted]:
    """The best lattices of a spacing, each begun at a reading."""
    found = ~read.nothing
    begin = np.concatenate([
        read.x[found & ~read.edge],
        read.x[found & read.edge] - read.half,
        read.x[found & read.edge] + read.half,
    ])  # fmt: skip
    first = np.unique(np.round(begin % spacing, 3))
    if len(first) > MOST_BEGUN:  # so many readings hit the same studs over and over
        first = first[np.linspace(0, len(first) - 1, MOST_BEGUN).astype(int)]
    rough = read.likelihood(first, spacing)
    first = read.moved(first[np.argsort(-rough, kind="stable")[:FIRST_KEPT]], spacing)
    sure = read.likelihood(first, spacing)
    return [
        Fitted(spacing_mm=spacing, first_mm=float(one % spacing), likelihood=float(value))
        for one, value in zip(first, sure, strict=True)
    ]


def _distinct(found: Sequence[Fitted]) -> list[Fitted]:
    """The few likeliest lattices, each once."""
    kept: list[Fitted] = []
    for one in found:
        if one.likelihood < found[0].likelihood - 2.0 * APART or len(kept) == MOST_RIVALS:
            break
        if not any(_same(one, other) for other in kept):
            kept.append(one)
    return kept


def _same(fitted: Fitted, other: Fitted) -> bool:
    """Whether two lattices put their studs at the same places all along the wall."""
    return fitted.spacing_mm == other.spacing_mm and abs(other.off_mm(fitted.first_mm)) < NEAR_MM


def studs_of(first_mm: float, spacing_mm: float, wall_mm: float) -> tuple[float, ...]:
    """Every stud of a lattice on a wall [mm from the left wall end]."""
    low, high = math.ceil(-first_mm / spacing_mm - 1e-9), math.floor((wall_mm - first_mm) / spacing_mm + 1e-9)
    bounded(high - low + 1, MOST_STUDS, "studs", "stud_spacing_mm")
    return tuple(first_mm + k * spacing_mm for k in range(low, high + 1))


def _telling(likely: Sequence[Fitted], read: _Read, keep_out: Sequence[tuple[float, float]]) -> float | None:
    """The place where one more reading by magnet most probably settles which lattice it is; None where no place is left.

    Each lattice in turn is taken for the true one, by its share: what would be found there, and would that decide?
    """
    first = np.array([guess.first_mm for guess in likely])
    spacing = np.array([one.spacing_mm for one in likely])
    now = np.array([one.likelihood for one in likely])
    share = np.exp(now - now.max())
    share /= share.sum()
    places = np.array(_free_places(likely, read, keep_out))
    if not len(places):
        return None
    settled, lead = np.zeros(len(places)), np.zeros(len(places))
    for true, weight in enumerate(share):
        there = _off(places, first[true], spacing[true])
        found_at = places - there
        off = _off(found_at[:, None], first, spacing)
        noise = read.noise
        density = (
            np.exp(-0.5 * (off / noise.magnet_mm) ** 2) * NORMAL / noise.magnet_mm * spacing / read.wall_mm
        )
        found = np.log((1.0 - noise.magnet_wild) * density + noise.magnet_wild / read.wall_mm)
        bare = np.where(np.abs(_off(places[:, None], first, spacing)) <= read.half, noise.missed, noise.empty)
        after = now + np.where((np.abs(there) <= read.half)[:, None], found, np.log(bare))
        others = np.delete(after, true, axis=1).max(axis=1, initial=-1e3)
        settled += weight * (after[:, true] - others > APART)
        lead += weight * (after[:, true] - others)
    best = np.lexsort((np.abs(places - read.wall_mm / 2.0), -lead, -np.round(settled, 6)))[0]
    return float(places[best])


def _off(x: Array, first: Array | float, spacing: Array | float) -> Array:
    """From the nearest stud to x [mm]."""
    off: Array = (x - first + spacing / 2.0) % spacing - spacing / 2.0
    return off


def _free_places(
    likely: Sequence[Fitted], read: _Read, keep_out: Sequence[tuple[float, float]]
) -> list[float]:
    """Studs of the lattices where something can be read and nothing was read yet [mm]."""
    return sorted({
        round(x, 3)
        for own in likely
        for x in studs_of(own.first_mm, own.spacing_mm, read.wall_mm)
        if PROBE_MM < x < read.wall_mm - PROBE_MM
        and not any(low <= x <= high for low, high in keep_out)
        and float(np.abs(read.x - x).min()) > PROBE_MM
    })  # fmt: skip
