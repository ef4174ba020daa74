"""Seeded walls, their studs read with the usual noise: which spacing is named, and whether one more reading settles a doubt."""

import random
import time
from statistics import median

from gantline.core.wall.find import PROBE_MM, SPACINGS_MM, Kind, StudReading, fit_studs, noise_of

WALLS, STUD_MM = 2000, 38.0
NOISE = noise_of()


def wall(rng: random.Random) -> tuple[float, float, float]:
    """Length, spacing and first stud [mm]."""
    spacing = rng.choice(SPACINGS_MM)
    return rng.uniform(3000.0, 6000.0), spacing, rng.uniform(0.0, spacing)


def reading(rng: random.Random, length: float, spacing: float, first: float) -> StudReading:
    """One reading of a random stud: half by magnet, half by sensor (of these half an edge); wild by its share."""
    kind = rng.choice((Kind.MAGNET, Kind.MAGNET, Kind.EDGE, Kind.CENTER))
    magnet = kind is Kind.MAGNET
    if rng.random() < (NOISE.magnet_wild if magnet else NOISE.sensor_wild):
        return StudReading(rng.uniform(0.0, length), kind)
    count = int((length - first) // spacing) + 1
    x = (
        first
        + spacing * rng.randrange(count)
        + rng.gauss(0.0, NOISE.magnet_mm if magnet else NOISE.sensor_mm)
    )
    if kind is Kind.EDGE:
        x += rng.choice((-0.5, 0.5)) * STUD_MM
    return StudReading(x, kind)


def probed(rng: random.Random, at_mm: float, spacing: float, first: float) -> StudReading:
    """What a magnet finds near a proposed place: the stud there, but for a share that is missed, or nothing, or what is wild."""
    off = (at_mm - first + spacing / 2.0) % spacing - spacing / 2.0
    if rng.random() < NOISE.magnet_wild:
        return StudReading(at_mm + rng.uniform(-PROBE_MM, PROBE_MM), Kind.MAGNET)
    if abs(off) <= PROBE_MM and rng.random() > NOISE.missed:
        return StudReading(at_mm - off + rng.gauss(0.0, NOISE.magnet_mm), Kind.MAGNET)
    return StudReading(at_mm, Kind.NOTHING)


def run(count: int, seed: int, walls: int = WALLS) -> dict[str, float]:
    """Shares of walls: named right, named wrong, undecided that one and two more readings settled; median time [ms]."""
    rng = random.Random(seed)
    right = wrong = late = undecided = one_more = two_more = 0
    times = []
    for _ in range(walls):
        length, spacing, first = wall(rng)
        read = [reading(rng, length, spacing, first) for _ in range(count)]
        begun = time.perf_counter()
        found = fit_studs(read, wall_mm=length, stud_mm=STUD_MM, noise=NOISE)
        times.append((time.perf_counter() - begun) * 1e3)
        assert found is not None
        if found.decided:
            right += found.best.spacing_mm == spacing
            wrong += found.best.spacing_mm != spacing
            continue
        undecided += 1
        for more in (1, 2):
            if found.next_mm is None:
                break
            read.append(probed(rng, found.next_mm, spacing, first))
            found = fit_studs(read, wall_mm=length, stud_mm=STUD_MM, noise=NOISE)
            assert found is not None
            if found.decided:
                one_more += more == 1
                two_more += 1
                late += found.best.spacing_mm != spacing
                break
    return {
        "right": right / walls,
        "wrong": wrong / walls,
        "late": late / max(undecided, 1),
        "one_more": one_more / max(undecided, 1),
        "two_more": two_more / max(undecided, 1),
        "ms": median(times),
    }


def rows() -> list[tuple[str, str, str]]:
    """By number of readings."""
    out = []
    for count in (4, 6, 8, 12, 60):
        got = run(count, seed=count)
        text = (
            f"{100 * got['right']:.1f} % named, {100 * got['wrong']:.1f} % named wrongly; undecided ones settled by one more "
            f"reading {100 * got['one_more']:.0f} %, by two {100 * got['two_more']:.0f} %; fit median {got['ms']:.2f} ms"
        )
        aim = {
            4: "named >= 60 %, wrong <= 1 %; settled >= 70 % and >= 90 %; 5 ms",
            8: "named >= 93 %, wrong <= 1 %",
        }
        out.append(
            (f"studs from {count} readings, {WALLS} walls", text, aim.get(count, "wrong <= 1 %; 5 ms"))
        )
    return out
