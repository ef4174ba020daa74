"""Hang and Align in a plan: readings to moves in this way's terms, the pose, its doubts, its card."""

import math
import re
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given

from gantline.core.align.corners import READINGS, outside_from
from gantline.core.align.solve import LEAN
from gantline.core.defaults import Shop
from gantline.core.throw.pinhole import to_wall
from gantline.drawing.marks import Handle
from gantline.job.model import Job
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.stations import face, plan
from gantline.stations.align.cast import cast_holes, cast_table
from gantline.stations.align.finish import pitch_mm
from gantline.stations.align.solve import aim, read_mm
from gantline.stations.frame.built import planned_mm
from gantline.stations.size import screen
from gantline.stations.wall import drilling
from gantline.stations.wall.choose import candidates
from tests.conftest import demo_job
from tests.made import changed, edited, findings, number, taken
from tests.plan.random_jobs import rich_jobs


def round_of(
    name: str, yaw: float = 0.0, pitch: float = 0.0, roll: float = 0.0, **slip: float
) -> dict[str, Any]:
    """The corners as they would be read with the body turned so [deg]."""
    there = plan(demo_job(name)).ask(aim)
    assert there is not None
    pose = replace(there.straight, yaw=math.radians(yaw), pitch=math.radians(pitch), roll=math.radians(roll))
    outside = outside_from(to_wall(pose, there.uv), there.view)
    read = {f"{key}_mm": round(float(one), 2) for key, one in zip(READINGS, outside, strict=True)}
    return {"id": "r1"} | {key: value + slip.get(key.removesuffix("_mm"), 0.0) for key, value in read.items()}


def screen_high(made: JobPlan) -> float:
    return made.ask(screen).picture.height_mm


def texts(made: JobPlan) -> list[str]:
    return [row.text for row in made.table("align").moves]


def test_a_body_turned_right_is_told_to_turn_back_and_ends_where_it_should() -> None:
    made = plan(changed("mill-loft", align__rounds=[round_of("mill-loft", yaw=1.2, pitch=-0.6, roll=0.4)]))
    assert made.text("align_yaw").startswith("1.20° right")
    said = texts(made)
    assert said[0].endswith("to the right: its nose turns left")  # the rear swings the other way
    assert "nose tips up" in said[1]
    assert "Right side of the body" in said[2]
    in_mm = plan(edited(made.ask.job, {"/units/style": "mm"}))
    last = [float(after.replace("−", "-")) for after in in_mm.table("align").moves[-1].after]
    spill = demo_job("mill-loft").size.overspill_mm or 0.0
    assert max(abs(one - spill) for one in last) <= number(made, "corner_within")
    assert findings(made.ask.job)["picture-off"].severity == "check"


def test_a_frame_that_leans_is_said_until_its_diagonals_are_read_and_then_taken_in() -> None:
    job = demo_job("mill-loft")
    made = plan(job)
    wide, high = made.ask(planned_mm)
    lean = 12.0
    there = made.ask(aim)
    assert there is not None
    corners = there.target - lean * LEAN.reshape(4, 2)
    outside = outside_from(corners, there.view)
    round_ = {f"{key}_mm": round(float(one), 2) for key, one in zip(READINGS, outside, strict=True)}
    fields = {"align__rounds": [round_ | {"id": "r1"}]}
    said = findings(changed("mill-loft", **fields))["frame-leans"].text
    assert "to the right" in said
    built = {
        "top_mm": wide, "bottom_mm": wide, "left_mm": high, "right_mm": high,
        "rising_mm": math.hypot(wide + lean * high / screen_high(made), high),
        "falling_mm": math.hypot(wide - lean * high / screen_high(made), high),
    }  # fmt: skip
    known = plan(changed("mill-loft", **fields, frame__square=built))
    assert not {"frame-leans", "corners-fit-no-pose"} & {one.code for one in known.findings}
    assert number(known, "align_yaw") == pytest.approx(0.0, abs=0.05)  # what leans is no turn of the body


def test_the_finish_says_lines_focus_and_the_memory_of_each_aspect_ratio() -> None:
    made = plan(changed("mill-loft", align__rounds=[round_of("mill-loft", yaw=2.9)]))
    pitch = made.ask(pitch_mm)
    for side, names in {"left": ("tl_x", "bl_x"), "top": ("tl_y", "tr_y")}.items():
        least = min(made.ask(read_mm)[READINGS.index(one)] or 0.0 for one in names)
        assert number(made, f"blank_{side}") == max(math.floor(least / pitch), 0)
    assert number(made, "focus_off") > 50.0
    table = made.table("memories")
    assert [one.number for one in table.rows] == list(range(1, len(table.rows) + 1))
    assert table.rows[0].ids[0] == "screen"
    shapes = {one.id for one in made.ask.job.content.shapes}
    assert {key for row in table.rows for key in row.ids} == shapes | {"screen"}
    shallow = plan(made.ask.job, shop=Shop({"f_number": 1.0, "panel_mm": 40.0}))
    assert {one.code: one.text for one in shallow.findings}["focus-apart"].startswith("Center and corners")


@pytest.mark.parametrize("name", ["narrow-lounge", "mill-loft"])
def test_picture_first_puts_the_frame_where_the_picture_was_taped(name: str) -> None:
    made = plan(changed(name, hang__first="picture", hang__picture=[]))
    there = made.ask(aim)
    assert there is not None
    taped = [(x + 9.0, y - 4.0) for x, y in there.target.tolist()]
    keys = [f"{corner}_{side}_mm" for corner in ("tl", "tr", "br", "bl") for side in ("x", "y")]
    read = dict(zip(keys, [round(one, 1) for pair in taped for one in pair], strict=True)) | {"id": "t1"}
    job = changed(name, hang__first="picture", hang__picture=[read])
    (fix,) = findings(job)["picture-elsewhere"].cures
    assert "by the picture" in fix.text
    after = plan(taken(job, fix.changes))
    assert "picture-elsewhere" not in {one.code for one in after.findings}
    assert number(after, "centre_x") == pytest.approx(number(made, "centre_x") + 9.0, abs=1.0)
    assert number(after, "frame_top") == pytest.approx(number(made, "frame_top") - 4.0, abs=1.0)
    crooked = changed(name, hang__first="picture", hang__picture=[read | {"tr_y_mm": read["tr_y_mm"] + 20}])
    said = findings(crooked)["picture-crooked"].text
    assert "top right corner" in said
    assert "picture-elsewhere" not in findings(crooked)


def test_a_corner_dragged_on_the_board_is_read_anew_at_once() -> None:
    job = changed("mill-loft", align__rounds=[{"id": "r1"}])
    made = plan(job)
    grips = [one for one in face(made, "front").marks if isinstance(one, Handle) and one.layer == "align"]
    left, right = grips[0], grips[1]
    assert (left.x_pointer, left.origin, left.scale) == (
        "/align/rounds/r1/tl_x_mm",
        (0.0, 0.0),
        (-20.0, 20.0),
    )
    assert right.scale[0] == 20.0  # outside is left of the left corner, right of the right one
    moved = edited(job, {str(left.x_pointer): 9.0})
    again = plan(moved, last=made)
    grip = next(one for one in face(again, "front").marks if isinstance(one, Handle) and one.key == left.key)
    assert grip.points[0][0] == pytest.approx(left.points[0][0] - 9.0 * 20.0)
    assert again.table("align").corners[0].across != made.table("align").corners[0].across


def test_a_reading_that_slipped_is_named_and_a_picture_that_sits_is_left_alone() -> None:
    slipped = plan(changed("mill-loft", align__rounds=[round_of("mill-loft", yaw=0.3, tr_y=25.0)]))
    said = {one.code: one.text for one in slipped.findings}
    assert "top right, up and down" in said["corner-reading-doubtful"]
    assert "picture-off" not in said  # nothing is moved by a doubtful reading
    home = plan(changed("mill-loft", align__rounds=[round_of("mill-loft")]))
    assert (home.table("align").done, home.table("align").moves) == (True, ())
    assert next(one for one in home.states if one.key == "align").begun
    few = plan(changed("mill-loft", align__rounds=[{"id": "r1", "tl_x_mm": 3.0}]))
    assert "at least 4" in {one.code: one.text for one in few.findings}["no-pose"]


def test_a_bowed_edge_names_no_reading_but_itself() -> None:
    read = round_of("narrow-lounge", yaw=0.3, tl_y=6.0, tr_y=4.0) | {"top_bow_mm": 8.0}
    (said,) = [
        one.text
        for one in plan(changed("narrow-lounge", align__rounds=[read])).findings
        if one.code == "corner-reading-doubtful"
    ]
    assert said.startswith("The top edge bows") and said.endswith("Read all eight again.")


def test_a_cabinet_top_body_is_moved_whole_and_by_its_feet() -> None:
    feet = {"throw__body__foot_spacing_mm": 300.0, "throw__body__foot_turn_mm": 1.25}
    made = plan(
        changed("narrow-lounge", align__rounds=[round_of("narrow-lounge", pitch=0.8, roll=-0.5)], **feet)
    )
    said = " ".join(texts(made))
    assert "Front feet in" in said
    assert "Right foot out" in said
    assert not any("shift" in one for one in texts(made))


@pytest.mark.parametrize(
    ("way", "said"),
    [
        ("brackets", "Right bracket"),
        ("rods", "turnbuckle"),
        ("cleat", "A cleat has no trim"),
        ("wire", "on its wire"),
        ("proud-screws", "No trim here"),
    ],
)
def test_what_is_off_level_is_cured_in_the_ways_own_terms(way: str, said: str) -> None:
    read = {"id": "h1", "level_mm": 4.0, "gap_left_mm": 500.0, "gap_right_mm": 510.0}
    made = plan(changed("mill-loft", wall__way=way, hang__readings=[read]))
    rows = {row.key: row for row in made.table("hang").checks}
    assert said in rows["level"].move
    assert rows["center"].move.startswith("Slide the frame")
    off = {one.code for one in made.findings if one.station == "hang"}
    assert {"hung-off", "not-pull-tested"} <= off
    later = plan(
        changed(
            "mill-loft",
            wall__way=way,
            hang__readings=[read, {"id": "h2", "level_mm": 0.2}],
            hang__pulled=True,
        )
    )
    assert {row.key: row.within for row in later.table("hang").checks} == {"level": True, "center": False}


def test_degrees_of_a_digital_level_count_over_the_width() -> None:
    made = plan(changed("mill-loft", hang__readings=[{"id": "h1", "level_deg": 0.1}]))
    wide = number(made, "frame_width") if "frame_width" in made.figures else None
    assert number(made, "hang_level") == pytest.approx(
        (wide or 3386.1) * math.tan(math.radians(0.1)), rel=0.01
    )


@given(rich_jobs())
def test_any_job_has_a_card_or_says_why_there_is_no_pose(job: Job) -> None:
    made = plan(job)
    table = made.table("align")
    assert len(table.moves) == 0 or made.text("align_yaw")
    assert len(made.table("hang").acts) >= 3


def test_the_card_is_printed_with_and_without_readings() -> None:
    for job in (
        demo_job("parish-hall"),
        changed("mill-loft", align__rounds=[round_of("mill-loft", yaw=0.5)]),
    ):
        assert SHEETS["alignment-card"].make(Ready(made=plan(job), stamp="v1")).startswith(b"%PDF")


def test_the_walls_marks_are_cast_through_four_points_of_the_cross() -> None:
    # the light covers the wall from 500 to 4500 and from 2500 down to 500: a plain scale
    points: list[dict[str, Any]] = [
        {"id": f"p{number}", "u": u, "v": v, "x_mm": 500 + 4000 * u, "y_mm": 2500 - 2000 * v}
        for number, (u, v) in enumerate([(0.1, 0.1), (0.9, 0.1), (0.9, 0.9), (0.1, 0.9)])
    ]
    made = plan(changed("mill-loft", align__cast_points=points))
    marks, holes = made.ask(cast_holes), made.ask(drilling)
    assert holes is not None
    assert not isinstance(marks, str)
    for mark, hole in zip(marks, holes.holes, strict=True):
        assert (mark.u, mark.v) == pytest.approx(((hole.x_mm - 500) / 4000, (2500 - hole.y_mm) / 2000))
    table = made.ask(cast_table)
    assert {one.text for one in table.wall} >= {"upper left", "frame", "picture", "center", "level"}
    assert table.outlines[0].text == "viewable area"
    low = [one | {"y_mm": one["y_mm"] / 2.0} for one in points]  # the light ends at 1250
    high = plan(changed("mill-loft", align__cast_points=low))
    assert any(one.startswith("Outside the light: upper left") for one in high.ask(cast_table).warnings)
    line = plan(changed("mill-loft", align__cast_points=[one | {"y_mm": 1000.0} for one in points]))
    assert "on a line" in line.ask(cast_table).why
    assert plan(demo_job("mill-loft")).ask(cast_table).why.startswith("4 more points")


def test_measured_luminance_is_held_against_its_plan_and_its_corners() -> None:
    planned = number(plan(demo_job("mill-loft")), "luminance")

    def said(center: float, **corners: float) -> dict[str, str]:
        read = {f"align__luminance_{key}": center * share for key, share in corners.items()}
        made = plan(changed("mill-loft", align__luminance=center, **read))
        return {f"{one.code} {one.subject}": one.text for one in made.findings if "/luminance" in one.subject}

    assert said(planned * 1.1, tl=0.95, corners=0.9) == {}
    assert "30 % less" in said(planned * 0.7)["luminance-off-plan /align/luminance"]
    dark = said(planned, tr=0.6, corners=0.55)
    assert "top right corner has 60 %" in dark["corner-dark /align/luminance_tr"]
    assert "darkest corner has 55 %" in dark["corner-dark /align/luminance_corners"]
    # a matte fabric is planned nearly even: a quarter less at a corner is no fabric
    assert "planned" in said(planned, bl=0.75)["corner-dark /align/luminance_bl"]
    table = plan(changed("mill-loft", align__luminance=planned, align__luminance_tl=planned)).table(
        "measured"
    )
    assert [one.verdict for one in table.rows] == ["as planned", "bright enough", "", "", ""]


def test_what_the_ranking_says_a_fixing_carries_is_what_it_carries_once_taken() -> None:
    made = plan(changed("mill-loft", survey__stud_spacing_mm=406.4))
    for one in made.ask(candidates):
        if one.serves and "% of each fixing used" in one.why:
            share = int(re.findall(r"(\d+) % of each fixing", one.why)[0])
            assert round(100 * number(plan(taken(made.ask.job, one.changes)), "load_used")) == share, one.key
