"""What to measure first, against what a tape and a pencil give."""

import pytest

from gantline.compare.payoff import RESULTS, facts, payoff, results
from gantline.job.edits import Edit, apply, nudged
from gantline.stations import plan
from tests.conftest import demo_job
from tests.made import JOBS, changed


def test_the_drop_moves_the_upper_holes_one_to_one_and_the_stud_spacing_moves_them_most() -> None:
    made = plan(changed("mill-loft", wall__drop_mm=None))
    found = payoff(made)
    assert [one.label for one in found.rows] == ["Stud spacing", "Drop, hole to frame top"]
    assert found.rows[1].effect == "Moves the upper holes 1:1."
    # nobody read a stud: each is anywhere in its bay, 406.4 mm / root 12 off, and what a bow of the framing adds
    off = {one.key: one for one in found.off}
    assert off["hole_left"].rests.startswith("the stud at 54")
    assert "the stud at 54" in found.advice.partition("Measure")[2]


def test_the_error_of_a_hole_is_the_root_of_squares_of_what_it_rests_on() -> None:
    made = plan(changed("parish-hall", wall__drop_mm=None))
    off = {one.key: one for one in payoff(made).off}
    # brick wall, holes from the center line: the datum reads to 1 mm, the drop lies within 10 mm
    assert off["upper_row"].text == "± 11\u00a0mm"  # 10.05, rounded up to what a tape shows
    assert off["upper_row"].rests.startswith("drop, hole to frame top ± 10\u00a0mm")
    measured = plan(apply(made.ask.job, [Edit(pointer="/wall/drop_mm", value=45.0, known="measured")]))
    assert {one.key: one.text for one in payoff(measured).off}["upper_row"] == "± 2\u00a0mm"


def test_no_chance_is_said_under_a_stop_and_nothing_is_asked_for_what_a_board_says() -> None:
    outlet = {
        "id": "o9",
        "kind": "outlet",
        "name": "outlet",
        "x_mm": 2213,
        "y_mm": 300,
        "width_mm": 90,
        "height_mm": 150,
    }
    stopped = plan(changed("parish-hall", survey__fittings=[outlet]))
    assert any(one.severity == "stop" for one in stopped.findings)
    assert (payoff(stopped).chance, payoff(stopped).advice) == ("", "")
    assert "one trip" in payoff(plan(demo_job("parish-hall"))).advice
    board = plan(changed("mill-loft", frame__depth_mm=None))
    assert board.figures["frame_depth"].known == "computed"
    assert "/frame/depth_mm" not in {row.pointer for row in payoff(board).rows}


@pytest.mark.parametrize("name", JOBS)
def test_measuring_never_lowers_the_chance_and_a_nudge_is_an_edit(name: str) -> None:
    made = plan(demo_job(name))
    at = made.ask
    for one in facts(at):
        job = nudged(at.job, one.pointer, one.value + 1.0)
        assert job == apply(at.job, [Edit(pointer=one.pointer, value=one.value + 1.0)]).model_copy(
            update={"known": at.job.known}
        )
        assert at.with_job(job)(results).shape == (len(RESULTS),)
    advice = payoff(made).advice
    if "Measure" in advice:
        before, after = (
            int(part) for part in (advice.split("\u00a0")[0], advice.rsplit("is ", 1)[1].split("\u00a0")[0])
        )
        assert after > before
