"""A wall's plane, belly, wind and shims from gaps: worked numbers, and that shimmed supports lie in one plane."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.wall.flat import Flatness, pads_mm, shim_pack, shims_mm, turns_out, wind_mm
from gantline.core.wall.flat import flatness as flatness_of

PLACE_MM = 20.0
SPOTS = [(500.0, 400.0), (3500.0, 400.0), (500.0, 2200.0), (3500.0, 2200.0), (2000.0, 1300.0)]


def flatness(gaps: list[tuple[float, float, float]]) -> Flatness:
    return flatness_of(gaps, PLACE_MM)


def test_a_wall_that_leans_two_millimeters_a_meter_and_bulges_in_the_middle() -> None:
    # gap 20 at the floor; 2 mm/m plumb (top in), 1 mm/m square (right end in), and 5 mm proud in the middle
    gaps = [(x, y, 20.0 - 0.002 * y - 0.001 * x - (5.0 if (x, y) == SPOTS[4] else 0.0)) for x, y in SPOTS]
    found = flatness(gaps)
    assert (found.plumb_mm_m, found.square_mm_m) == pytest.approx((2.0, 1.0))
    assert list(found.belly_mm) == pytest.approx([-1, -1, -1, -1, 4])  # 5 less a fifth
    corners = SPOTS[:4]
    parallel = shims_mm(found, corners, parallel=True)
    assert parallel == pytest.approx((0, 0, 0, 0), abs=1e-6)
    plumb = shims_mm(found, corners, parallel=False)  # upper right stands farthest into the room
    assert plumb == pytest.approx((6.6, 3.6, 3.0, 0.0), abs=1e-6)
    pads = pads_mm(found, corners[2:], corners[:2], standoff_mm=18.0, parallel=False)
    assert pads == pytest.approx(
        (24.6, 21.6), abs=1e-6
    )  # the frame's bottom hangs away from a wall whose top leans in
    assert turns_out(24.6, 1.25) == 19.75  # 19.68, to a quarter
    assert shim_pack(plumb, (5.0, 3.0, 2.0, 1.0)) == {5.0: 1, 3.0: 2, 2.0: 1, 1.0: 1}


def test_a_place_that_was_read_twice_counts_as_one() -> None:
    corners = [(x, y, 10.0 + 0.001 * x) for x, y in SPOTS[:4]]
    anywhere = np.array([(800.0, 600.0), (2000.0, 1300.0), (3300.0, 2100.0)])
    once = flatness([*corners, (2000.0, 1300.0, 7.0)]).z_at(anywhere)
    for off in (0.0, 0.001, 4.0):  # at the very mark, a hair off, a hand's shake off
        twice = [(2000.0 - off, 1300.0, 6.5), (2000.0 + off, 1300.0, 7.5)]
        assert list(flatness([*corners, *twice]).z_at(anywhere)) == pytest.approx(list(once), abs=1e-9)
    assert len(flatness([*corners, *twice]).belly_mm) == 6  # each is still told of for itself


def test_wind_is_the_distance_of_the_diagonals_and_bad_sets_are_refused() -> None:
    assert wind_mm(0.0, 0.0, 0.0, 6.0) == 3.0  # the fourth corner is off the plane of three by twice that
    with pytest.raises(OutOfRange, match="too few gaps"):
        flatness([(0, 0, 5), (1000, 0, 5), (0, 1000, 5), (1000, 10, 5)])
    with pytest.raises(OutOfRange, match="on one line"):
        flatness([(x, 1000.0, 5.0) for x in (0.0, 500.0, 1000.0, 2000.0)])


@given(
    st.lists(
        st.tuples(st.floats(300, 4000), st.floats(200, 2300), st.floats(0, 25)), min_size=5, max_size=12
    ),
    st.booleans(),
)
def test_shimmed_supports_lie_in_one_plane_and_the_plane_takes_no_side(
    gaps: list[tuple[float, float, float]], parallel: bool
) -> None:
    spread = np.array([(x, y) for x, y, _ in gaps])
    apart = np.abs(spread[:, None] - spread[None]).sum(axis=2) + 1e9 * np.eye(len(gaps))
    if apart.min() < 60.0:
        return
    try:
        found = flatness(gaps)
    except OutOfRange:
        return
    assert found.belly_mm.sum() == pytest.approx(0.0, abs=1e-6)
    assert list(found.z_at(spread)) == pytest.approx([-gap for _, _, gap in gaps], abs=1e-5)
    supports = [(x, y) for x, y, _ in gaps[:4]]
    thick = shims_mm(found, supports, parallel=parallel)
    front = np.array(thick) + (found.belly_at if parallel else found.z_at)(np.array(supports))
    assert list(front) == pytest.approx([front[0]] * len(front), abs=1e-6)
    assert min(thick) == pytest.approx(0.0, abs=1e-9)
