"""A ceiling that slopes or drops out in the room."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.height.ceiling import ceiling_of

heights = st.floats(2000, 4000)


def test_a_ceiling_runs_straight_between_its_rows_and_stays_level_beyond() -> None:
    over = ceiling_of(((0, 0, 2600), (4000, 100, 2640), (0, 4000, 2200)))
    assert over.rows[0][0] == 50  # two readings near the wall are one row
    assert over.at(2000, 0) == 2620
    assert over.at(0, (50 + 4000) / 2) == pytest.approx(2400)
    assert over.at(0, 9000) == 2200
    assert ceiling_of(((0, 0, 2440),)).dips(4000, 6000, step_mm=3) == ()


@given(
    st.lists(
        st.tuples(st.floats(0, 4000), st.sampled_from([0.0, 2000.0, 4500.0]), heights), min_size=2, max_size=6
    )
)
def test_boxes_stand_in_for_the_ceiling_to_their_step_and_never_above_it(
    readings: list[tuple[float, float, float]],
) -> None:
    over = ceiling_of(list({(x, z): (x, z, y) for x, z, y in readings}.values()))
    boxes = over.dips(4000, 6000, step_mm=3)
    most = max(3.0, sum(abs(a[2] - b[2]) for a in readings for b in readings) / 48)
    for x in (10.0, 1234.0, 3990.0):
        for z in (5.0, 1999.0, 3333.0, 5990.0):
            lows = [
                one.low[1]
                for one in boxes
                if one.low[0] <= x <= one.high[0] and one.low[2] <= z <= one.high[2]
            ]
            low = min(lows, default=over.highest())
            assert over.at(x, z) - 2 * most <= low <= over.at(x, z) + 1e-6
