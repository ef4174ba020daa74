"""The signal chain: what one link cuts, and which is the weakest."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.throw.signal import USUAL_FORMATS, PictureFormat, lacks, passed, weakest

FORMATS = st.builds(
    PictureFormat,
    lines=st.sampled_from([720, 1080, 2160, 4320]),
    rate_hz=st.sampled_from([24.0, 50.0, 60.0, 120.0]),
    depth_bits=st.sampled_from([8, 10, 12]),
    high_range=st.booleans(),
)


def test_a_known_rate_and_what_is_cut() -> None:
    # 3840 x 2160 at 60 Hz with 10 bit in each of three colours: 14.93 Gbit/s
    film = PictureFormat(lines=2160, rate_hz=60.0, depth_bits=10, high_range=True)
    assert film.bits_per_s == pytest.approx(14.93e9, rel=1e-3)
    assert lacks(PictureFormat(lines=1080, rate_hz=120.0, depth_bits=8), film) == (
        "lines",
        "depth",
        "high range",
    )
    assert len({one.text for one in USUAL_FORMATS}) == len(USUAL_FORMATS)
    with pytest.raises(ValueError, match="link"):
        passed([])


@given(st.lists(FORMATS, min_size=1, max_size=6), FORMATS)
def test_the_wanted_format_arrives_exactly_when_no_link_is_weak(
    links: list[PictureFormat], wanted: PictureFormat
) -> None:
    at = weakest(links, wanted)
    assert (at is None) == (lacks(passed(links), wanted) == ())
    if at is not None:
        assert all(links[at].bits_per_s <= one.bits_per_s for one in links if lacks(one, wanted))
