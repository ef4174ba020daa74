"""Where two stations meet: numbers worked by hand on small jobs, each of them once wrong."""

import math
from typing import Any

import pytest

from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.align.solve import free, hands
from gantline.stations.common import standoff_mm
from gantline.stations.frame.blank import work_area_mm
from gantline.stations.wall.loads import least_mm, longest_mm, screw_sold
from tests.conftest import demo_job
from tests.made import changed, number

WALL = {
    "/survey/wall_width_mm": 4500, "/survey/ceiling_mm": 2600, "/survey/datum_mm": 1200, "/survey/stud_first_mm": 250,
    "/survey/stud_spacing_mm": 400, "/size/aspect": "16:9", "/size/lead": "width", "/size/value_mm": 2200,
    "/height/wish": "frame-bottom", "/height/wish_mm": 700,
}  # fmt: skip


def small(**fields: Any) -> JobPlan:
    edits = WALL | {f"/{name.replace('__', '/')}": value for name, value in fields.items()}
    job = apply(Job(name="small"), [Edit(pointer="/units/style", value="mm")])
    return plan(apply(job, [Edit(pointer=pointer, value=value) for pointer, value in edits.items()]))


def texts(made: JobPlan, code: str) -> list[str]:
    return [finding.text for finding in made.findings if finding.code == code]


def test_a_screw_counts_what_it_passes_and_a_cleat_is_the_standoff() -> None:
    cleat = small(wall__way="cleat", wall__cleat_board_mm=18)
    assert cleat.ask(least_mm) == 70.5  # board 18, drywall 12.5, 40 in the stud; no bracket plate is there
    assert cleat.ask(screw_sold) == "6 × 80"
    assert cleat.ask(standoff_mm) == 18
    assert texts(small(wall__way="cleat", wall__cleat_board_mm=18, frame__standoff_mm=12), "standoff-differs")
    assert small(wall__way="ledger").ask(least_mm) == 90.5
    backer = small(wall__fix_to="backer", wall__backer_mm=18)
    assert (backer.ask(least_mm), backer.ask(longest_mm)) == (21, 33.5)


def test_diagonals_are_judged_as_a_tape_shows_them_and_the_side_that_is_off_is_named() -> None:
    sides = {"top_mm": 2400, "bottom_mm": 2400, "left_mm": 1400, "right_mm": 1400}
    racked = {f"frame__square__{name}": value for name, value in sides.items()}
    size: dict[str, Any] = {"size__aspect": "2400:1400", "size__value_mm": 2400}
    made = small(**size, **racked, frame__square__rising_mm=2776, frame__square__falling_mm=2781)
    lean = (2781**2 - 2776**2) / (4 * 2400)
    assert texts(made, "frame-not-square")[0].startswith("The diagonals differ by 5")
    assert f"push the top {lean:.0f}" in texts(made, "frame-not-square")[0]
    short = racked | {"frame__square__top_mm": 2380.0}
    d = [math.hypot(2390, 1400)] * 2
    off = small(**size, **short, frame__square__rising_mm=d[0], frame__square__falling_mm=d[1])
    assert [text.split(" is ")[0] for text in texts(off, "frame-side-off")] == ["The top"]


def test_the_floor_to_lay_out_is_of_the_blank_as_it_lies_turned() -> None:
    frame = {"frame__board": "1x3", "frame__depth_mm": 19, "frame__blank__turn_deg": 15}
    made = small(**frame, light__fabric__roll_mm=3200)
    assert made.ask(work_area_mm) == (pytest.approx(3390, abs=1), pytest.approx(2710, abs=1))


def test_the_rear_of_a_body_swings_about_its_lens_and_a_lens_without_side_shift_is_moved() -> None:
    at = plan(demo_job("narrow-lounge")).ask
    rear = at(hands).rear_mm  # 380 deep, its lens 245 behind its wall face
    assert rear == pytest.approx(135)
    assert rear * math.tan(math.radians(0.5)) == pytest.approx(1.2, abs=0.03)
    freedom = plan(changed("mill-loft", throw__shift_side=0.0, throw__shift_up=0.6)).ask(free)
    assert freedom is not None
    assert {"shift_h", "shift_v"} & set(freedom.names) == {"shift_v"}


def test_drop_to_frame_top_is_of_the_hole_for_hanging_rods_too() -> None:
    made = small(wall__way="rods", wall__drop_mm=254, wall__rod_mm=150)
    assert number(made, "hole_drop") == pytest.approx(104)
