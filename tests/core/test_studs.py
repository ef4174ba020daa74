"""Studs from noisy readings: what is claimed, what is left undecided, what each stud and each reading is taken for."""

import random
from itertools import pairwise

import pytest
from bench.studs import probed, reading, run, wall
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.wall.find import Kind, StudReading, fit_studs, noise_of
from gantline.core.wall.found import StudState, contradictions, studs_on_wall
from gantline.core.wall.studs import StudLattice

NOISE = noise_of()


def hits(*places: float, kind: Kind = Kind.MAGNET) -> list[StudReading]:
    return [StudReading(x, kind) for x in places]


def test_hits_that_fit_400_and_600_are_undecided_until_the_proposed_place_is_read() -> None:
    read = hits(300, 1500, 2700)
    found = fit_studs(read, wall_mm=3600, stud_mm=38, noise=NOISE, spacings_mm=(400.0, 600.0))
    assert found is not None
    assert not found.decided
    assert found.rival is not None
    assert {found.best.spacing_mm, found.rival.spacing_mm} == {400.0, 600.0}
    assert found.next_mm is not None
    offs = {one.spacing_mm: abs(one.off_mm(found.next_mm)) for one in (found.best, found.rival)}
    assert min(offs.values()) < 1.0
    assert max(offs.values()) > 100.0  # on a stud of one, clear of every stud of the other
    on = min(offs, key=lambda one: offs[one])
    more = fit_studs([*read, StudReading(found.next_mm, Kind.MAGNET)], wall_mm=3600, stud_mm=38, noise=NOISE, spacings_mm=(400.0, 600.0))  # fmt: skip
    assert more is not None
    assert (more.decided, more.best.spacing_mm) == (True, on)
    none = fit_studs([*read, StudReading(found.next_mm, Kind.NOTHING)], wall_mm=3600, stud_mm=38, noise=NOISE, spacings_mm=(400.0, 600.0))  # fmt: skip
    assert none is not None
    assert none.best.spacing_mm != on


def test_few_readings_claim_few_wrong_spacings_and_the_proposed_ones_settle_most() -> None:
    four, eight = run(4, seed=3, walls=250), run(8, seed=4, walls=250)
    assert (four["wrong"], eight["wrong"]) <= (0.03, 0.02)
    assert four["right"] > 0.6
    assert eight["right"] > 0.9
    assert four["two_more"] > 0.8


@given(st.integers(0, 10_000), st.integers(3, 12))
def test_a_fit_does_not_depend_on_the_order_or_on_where_the_wall_is_measured_from(
    seed: int, count: int
) -> None:
    rng = random.Random(seed)
    length, spacing, first = wall(rng)
    read = [reading(rng, length, spacing, first) for _ in range(count)]
    read.append(probed(rng, rng.uniform(100, length - 100), spacing, first))
    found = fit_studs(read, wall_mm=length, stud_mm=38, noise=NOISE)
    again = fit_studs(read[::-1], wall_mm=length, stud_mm=38, noise=NOISE)
    mirrored = fit_studs(
        [StudReading(length - one.x_mm, one.kind) for one in read], wall_mm=length, stud_mm=38, noise=NOISE
    )
    assert found is not None
    assert again is not None
    assert mirrored is not None
    assert again.best.likelihood == pytest.approx(found.best.likelihood, abs=1e-6)
    assert mirrored.best.likelihood == pytest.approx(found.best.likelihood, abs=0.05)


def test_a_stud_is_confirmed_predicted_missing_or_as_the_hand_said() -> None:
    lattice = StudLattice(known_mm=300, spacing_mm=400, stud_mm=38, wall_mm=3000)
    read = [
        *hits(303),
        *hits(681, 719, kind=Kind.EDGE),
        *hits(1099, 1104, kind=Kind.CENTER),
        *hits(1500, kind=Kind.CENTER),
        StudReading(1895, Kind.NOTHING),
        *hits(1150, 2500, kind=Kind.CENTER),
        *hits(341),
    ]
    found = studs_on_wall(
        lattice, read, noise=NOISE, openings=((2200, 2450),), by_hand=((2790, True), (1500, False))
    )
    states = {round(one.x_mm): one.state for one in found.studs}
    assert states == {
        300: StudState.CONFIRMED,
        700: StudState.CONFIRMED,
        1100: StudState.CONFIRMED,
        1500: StudState.MISSING,
        1900: StudState.MISSING,
        2700: StudState.PREDICTED,
        2790: StudState.BY_HAND,
    }
    assert found.centres_mm == (300, 700, 1100, 2700, 2790)
    assert {round(one.reading.x_mm): one.guess.split(",")[0] for one in found.strays} == {
        1150: "a doubled stud",
        2500: "a pipe",
        341: "a doubled stud",
    }
    assert contradictions([*hits(500), StudReading(506, Kind.NOTHING), *hits(900)], 12.0) == ((0, 1),)
    assert all(b > a for a, b in pairwise(found.centres_mm))
