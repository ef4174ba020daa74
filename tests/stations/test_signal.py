"""The signal chain in the plan: the weakest link by name, and cables against their length."""

from gantline.job.edits import Edit, apply
from gantline.stations import plan
from tests.conftest import demo_job

LINKS = "/throw/signal/links"


def test_the_weakest_link_is_named_and_a_cable_is_held_against_the_run() -> None:
    job = demo_job("mill-loft")
    whole = plan(job)
    signal = whole.table("signal")
    assert "2160 lines, 60 Hz" in signal.arrives
    run = whole.text("cable")
    assert [row.length for row in signal.rows] == ["", "", run, ""]
    assert not any(row.trouble for row in signal.rows)

    plain = {"lines": 2160, "rate_hz": 60, "depth_bits": 8}
    weak = apply(
        job,
        [
            Edit(pointer=f"{LINKS}/k2/carries", value=plain),
            Edit(pointer=f"{LINKS}/k3/good_for_mm", value=5000.0),
        ],
    )
    made = plan(weak)
    found = {one.code: one.text for one in made.findings}
    assert found["weak-link"].startswith("Bottleneck: the receiver")
    assert "depth and high range" in found["weak-link"]
    assert run in found["cable-too-long"]
    assert "optical" in found["cable-too-long"]
    signal = made.table("signal")
    assert signal.arrives == ""  # what is too long carries nothing for sure
    assert [row.weakest for row in signal.rows] == [False, True, False, False]

    asked = apply(
        job,
        [Edit(pointer=f"{LINKS}/k1/carries", value=None), Edit(pointer="/throw/signal/wanted", value=None)],
    )
    codes = {one.code for one in plan(asked).findings}
    assert {"link-unknown", "no-format"} <= codes
