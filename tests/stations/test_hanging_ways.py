"""Every way of hanging in a plan: its holes, where the tape is hooked, what the leaflet says, what a fixing carries."""

from typing import Any

import pytest

from gantline.demo.world import named_records
from gantline.job.edits import apply
from gantline.job.readings import read_csv, use_edits
from gantline.job.records import RecordKind, edits_from, read_record, record_from
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.height import placement
from gantline.stations.survey import lattice
from gantline.stations.wall import drilling, fixing
from gantline.stations.wall.datum import across_from
from tests.conftest import demo_job
from tests.made import changed, findings, number

FIXINGS, ANCHORS = named_records(RecordKind.FIXING), named_records(RecordKind.ANCHOR)


def rows_of(made: JobPlan) -> dict[str, list[float]]:
    there = made.ask(drilling)
    assert there is not None
    rows: dict[str, list[float]] = {}
    for hole in sorted(there.holes, key=lambda hole: hole.x_mm):
        if hole.screw == 1:
            rows.setdefault(hole.row, []).append(hole.x_mm)
    return rows


@pytest.mark.parametrize("key", [key for key, _, _ in FIXINGS])
def test_a_record_of_the_stores_hangs_the_frame_where_the_plan_wants_it(key: str) -> None:
    name, body = next((name, body) for found, name, body in FIXINGS if found == key)
    job = apply(demo_job("parish-hall"), edits_from(RecordKind.FIXING, name, body))
    made = plan(job)
    there, hung = made.ask(drilling), made.ask(placement)
    assert there is not None
    upper = max(one.y_mm for one in there.holes)
    if body["way"] == "cleat":  # y0 + t - s, and the frame's top p above y0
        drop = body["cleat_point_mm"] - body["cleat_board_mm"] + body["cleat_screw_mm"]
    else:
        drop = body["drop_mm"] - (body["rod_mm"] if body["way"] == "rods" else 0.0)
    assert upper + drop == pytest.approx(hung.top_mm, abs=0.01)
    if body["row_fixed_mm"] is not None:
        assert number(made, "rows_apart") == pytest.approx(body["row_fixed_mm"])
    again = record_from(RecordKind.FIXING, job)  # kept from the job, it says the same
    said = {name for name, value in read_record(RecordKind.FIXING, body).items() if value is not None}
    assert {one: again[one] for one in said} == {
        one: read_record(RecordKind.FIXING, body)[one] for one in said
    }


def test_a_ledger_is_screwed_to_every_stud_behind_it_twice() -> None:
    made = plan(changed("mill-loft", wall__way="ledger", wall__drop_mm=19.0, wall__row_offset_mm=None))
    rows, studs, hung = rows_of(made), made.ask(lattice), made.ask(placement)
    assert studs is not None
    assert rows["upper"] == rows["lower"]
    assert len(rows["upper"]) >= 5
    assert set(rows["upper"]) <= set(studs.centres_mm)
    there = made.ask(drilling)
    assert there is not None
    low = min(one.y_mm for one in there.holes)
    assert low - 19.0 == pytest.approx(hung.top_mm - hung.place.screen.overall_height_mm)
    assert not {"rule", "spacing_share", "side_play", "hang_parts"} & set(made.figures)


def test_a_wide_screen_gets_a_third_part_and_says_so_where_the_wall_has_no_wood_for_it() -> None:
    made = plan(demo_job("parish-hall"))
    rows = rows_of(made)
    assert rows["upper"][1] == pytest.approx((rows["upper"][0] + rows["upper"][2]) / 2.0)
    few = findings(changed("parish-hall", frame__build="timber", wall__hang_parts=2))["few-hang-parts"]
    assert (few.severity, few.text.startswith("Use 3 hang parts")) == ("check", True)
    many = findings(changed("mill-loft", wall__hang_parts=12))["few-hang-parts"]
    assert "find studs between" in many.text


@pytest.mark.parametrize(
    ("edits", "code", "severity"),
    [
        ({"wall__way": "wire"}, "wire", "stop"),
        ({"wall__way": "rods", "wall__rod_mm": 400.0}, "hole-above-ceiling", "stop"),
        ({"wall__way": "cleat", "wall__bottom": "free"}, "bottom-loose", "check"),
        ({"wall__row_fixed_mm": 2500.0}, "rows-below-frame", "stop"),
        ({"wall__height_by": "cabinet", "wall__leaflet_mm": 900.0}, "leaflet-height", "stop"),
        ({"wall__fixing": "own", "wall__anchor_base": "wood"}, "fixing-overloaded", "stop"),
    ],
)
def test_what_cannot_hold_is_said(edits: dict[str, Any], code: str, severity: str) -> None:
    assert findings(changed("mill-loft", **edits))[code].severity == severity


def test_holes_by_the_leaflets_own_number_stand_that_far_under_the_top() -> None:
    made = plan(changed("mill-loft", wall__height_by="less", wall__leaflet_mm=35.0))
    there = made.ask(drilling)
    assert there is not None
    assert max(one.y_mm for one in there.holes) == pytest.approx(made.ask(placement).top_mm - 35.0)


@pytest.mark.parametrize("across", ["left", "right", "center", "stud"])
@pytest.mark.parametrize("up", ["datum", "floor", "ceiling"])
def test_wherever_the_tape_is_hooked_figure_and_tape_read_the_same(across: str, up: str) -> None:
    made = plan(changed("mill-loft", wall__across_from=across, wall__up_from=up))
    shown = {one.key: one for one in made.table("tape").windows}
    for key in ("hole_left", "hole_right", "upper_row", *(() if up == "datum" else ("upper_row_right",))):
        assert made.text(key) == shown[key].text, key
    there, studs = made.ask(drilling), made.ask(lattice)
    assert there is not None
    assert studs is not None
    left, survey = there.marks[0], made.ask.job.survey
    wanted = {
        "left": left.from_left_mm,
        "right": (survey.wall_width_mm or 0.0) - left.from_left_mm,
        "center": -left.from_centre_mm,
    }
    assert number(made, "hole_left") == pytest.approx(wanted.get(across, 0.0), abs=1e-6)


def test_a_wall_too_narrow_for_a_stud_is_measured_from_its_end() -> None:
    narrow = {"survey__wall_width_mm": 300.0, "survey__stud_first_mm": 310.0}
    made = plan(changed("mill-loft", wall__across_from="stud", **narrow))
    assert made.ask(lattice) is not None
    assert made.ask(across_from) == "left"


def test_an_anchor_of_the_stores_says_what_it_carries_and_how_deep() -> None:
    name, body = next((name, body) for key, name, body in ANCHORS if key == "sleeve-10")
    job = apply(demo_job("parish-hall"), edits_from(RecordKind.ANCHOR, name, body))
    made = plan(job)
    shear, pull = number(made, "load_shear"), number(made, "load_pull")
    assert number(made, "load_used") == pytest.approx(shear / 600 + pull / 450)  # by hand
    assert made.ask(fixing).name == name
    assert made.text("drill").startswith("10\u00a0mm, ")
    assert record_from(RecordKind.ANCHOR, job)["torque"] == "8 N·m"


def test_gaps_come_over_the_feed_with_both_their_places() -> None:
    job = changed("parish-hall", survey__gaps=[])
    lines = b"what,x,y,value\ngap,500,600,31\ngap,2500,600,29\ngap,500,1900,30\ngap,2500,1900,27\n"
    read = read_csv(lines, job.units.to_core(), "straightedge", 1)
    made = plan(apply(job, use_edits(read, job)))
    assert number(made, "wall_plumb") == pytest.approx(
        1.5 / 1.3, abs=1e-3
    )  # (31 + 29)/2 - (30 + 27)/2 over 1.3 m
    assert use_edits([read[0].model_copy(update={"y_mm": None})], job) == []
