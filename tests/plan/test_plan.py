"""The plan: total for any valid job, honest about what is assumed, and its cures cure."""

from typing import Any

import orjson
import pytest
from gantline.drawing.drawing import draw
from gantline.job.document import Job
from gantline.plan.figures import Change, Figure
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.defaults import DEFAULTS, Shop
from gantline.core.errors import OutOfRange, UnknownDefault
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job
from gantline.plan.plan import Plan, plan
from tests.conftest import demo_job

JOBS = ("mill-loft", "narrow-lounge", "parish-hall", "basement-den")


def figures(made: Plan) -> dict[str, Figure]:
    return {one.key: one for one in made.figures}


def with_changes(job: Job, changes: tuple[Change, ...]) -> Job:
    return apply(job, [Edit(pointer=one.pointer, value=one.value) for one in changes])


def test_of_the_sample_jobs_only_the_basement_den_is_stopped_and_by_its_ceiling() -> None:
    stops = {
        name: [f.code for f in plan(demo_job(name)).plan.findings if f.severity == "stop"] for name in JOBS
    }
    assert stops == {
        "mill-loft": [],
        "narrow-lounge": [],
        "parish-hall": [],
        "basement-den": ["height-clash"],
    }


def test_the_mill_loft_comes_out_as_worked_by_hand() -> None:
    made = figures(plan(demo_job("mill-loft")).plan)
    texts = {
        key: made[key].text
        for key in ("overall_width", "overall_height", "frame_top", "hole_left", "hole_right", "upper_row")
    }
    # eye 46 + 2/3 of 53 1/4 + 2 3/8 = 83 7/8; less drop 1 1/2 and datum 48 leaves 34 3/8
    assert texts == {
        "overall_width": "132″", "overall_height": "58″", "frame_top": "83\u00a07⁄8″", "hole_left": "54\u00a05⁄16″",
        "hole_right": "134\u00a05⁄16″", "upper_row": "34\u00a03⁄8″",
    }  # fmt: skip


mm = st.one_of(st.none(), st.floats(1.0, 9000.0), st.sampled_from([1.0, 99_999.0, 406.4]))
at = st.one_of(st.none(), st.floats(0.0, 9000.0))
readings = st.lists(st.floats(0, 9000), max_size=4, unique=True)


@st.composite
def any_job(draw_: Any) -> Job:
    pick = draw_
    up, down = pick(readings), pick(readings)
    return read_job(
        {
            "name": "any",
            "units": {"style": pick(st.sampled_from(["mm", "cm", "in", "in-fraction", "ft-in"])), "denominator": 16},
            "survey": {
                "wall_width_mm": pick(mm), "ceiling_mm": pick(mm), "datum_mm": pick(at), "build": pick(st.sampled_from(["studs", "masonry"])),
                "stud_first_mm": pick(at), "stud_spacing_mm": pick(st.one_of(st.none(), st.floats(200, 700))),
                "ceiling_readings": [{"x_mm": x, "up_mm": pick(st.floats(0, 3000))} for x in up],
                "floor_readings": [{"x_mm": x, "down_mm": pick(st.floats(-500, 3000))} for x in down],
            },
            "size": {
                "aspect": pick(st.sampled_from(["16:9", "2.39", "1:2", "5:1"])), "lead": pick(st.sampled_from(["diagonal", "width", "height"])),
                "value_mm": pick(st.floats(100, 12_000)), "tidy_grid_mm": pick(st.sampled_from([None, 0.05, 1.0, 3.175, 25.4])),
                "border": {"side_mm": pick(st.floats(0, 200)), "top_mm": pick(st.floats(0, 200)), "bottom_mm": pick(st.floats(0, 200))},
            },
            "height": {
                "centre_x_mm": pick(at), "ceiling_gap_mm": pick(at), "lowest_edge_mm": pick(at), "wish_mm": pick(at),
                "wish": pick(st.sampled_from(["eye-line", "frame-top", "frame-bottom", "ceiling-gap"])),
            },
            "throw": {
                "ratio_low": pick(st.one_of(st.none(), st.floats(0.2, 3))), "ratio_high": pick(st.one_of(st.none(), st.floats(0.2, 5))),
                "has_shift": pick(st.booleans()), "hung": pick(st.booleans()), "shift_up": pick(st.floats(0, 1)),
                "shift_side": pick(st.floats(0, 1)), "reach": pick(st.sampled_from(["rectangle", "diamond"])), "lens_x_mm": pick(at),
                "lens_y_mm": pick(at), "lens_from_wall_mm": pick(mm), "offset": pick(st.floats(0, 1)),
            },
            "wall": {
                "drop_mm": pick(at), "row_offset_mm": pick(at), "side_play_mm": pick(at), "lift_on_mm": pick(at),
                "rule": pick(st.sampled_from(["share", "fixed"])), "spacing_mm": pick(mm), "fix_to": pick(st.sampled_from(["studs", "backer"])),
            },
            "tension": {
                "hold": pick(st.sampled_from(["staple", "spring", "lug", "snap", "lace", "pin"])), "inset_mm": pick(mm),
                "spacing_mm": pick(st.one_of(st.none(), st.floats(20, 400))), "rail_count": pick(st.sampled_from([None, 2, 3, 50])),
                "school": pick(st.sampled_from([None, "corners-first", "middles-outward"])),
            },
        }
    )  # fmt: skip


@given(any_job())
def test_any_valid_job_gives_a_plan_and_a_drawing_without_a_nan(job: Job) -> None:
    made = plan(job)
    sent = orjson.dumps({"plan": made.plan, "drawing": draw(job, made)})
    numbers = [one.value for one in made.plan.figures if isinstance(one.value, float)]
    assert all(value == value and abs(value) < 1e9 for value in numbers)
    assert b"nan" not in sent.lower().replace(b"gannet", b"")
    assert len({one.key for one in made.plan.figures}) == len(made.plan.figures)


@given(any_job())
def test_every_cure_of_a_stop_ends_that_stop(job: Job) -> None:
    for finding in plan(job).plan.findings:
        for cure in finding.cures if finding.severity == "stop" else ():
            if not cure.changes:
                continue
            after = {
                one.code: one
                for one in plan(with_changes(job, cure.changes)).plan.findings
                if one.severity == "stop"
            }
            other_axis = finding.code == "shift-out-of-reach" and len(finding.cures) > 1
            if finding.code in after and not other_axis:
                # what is left may only be the tape's own rounding
                left = max((abs(value) for value in after[finding.code].numbers.values()), default=99.0)
                assert left <= 2.0, (finding, cure, after[finding.code])


def test_switching_units_changes_every_text_and_no_value() -> None:
    job = demo_job("mill-loft")
    before = plan(job).plan
    for style in ("ft-in", "in", "mm", "cm"):
        after = plan(apply(job, [Edit(pointer="/units/style", value=style)])).plan
        pairs = list(zip(before.figures, after.figures, strict=True))
        assert all(a.value == b.value for a, b in pairs)
        assert figures(after)["overall_width"].text != figures(before)["overall_width"].text


def test_what_rests_on_an_assumption_says_so_until_it_is_measured() -> None:
    job = apply(
        demo_job("narrow-lounge"),
        [Edit(pointer="/wall/drop_mm", value=None), Edit(pointer="/survey/ceiling_mm", value=None)],
    )
    made = plan(job).plan
    assert figures(made)["drop"].known == "assumed"
    assert "shop default" in figures(made)["drop"].working.source
    assert figures(made)["upper_row"].rests_on == ("drop",)
    assert figures(made)["frame_top"].rests_on == ()  # the wish is from the bottom; the ceiling does not bind
    assert {one.pointer for one in made.to_measure} == {"/wall/drop_mm", "/survey/ceiling_mm"}
    measured = plan(apply(job, [Edit(pointer="/wall/drop_mm", value="1 3/16", known="measured")])).plan
    assert (figures(measured)["drop"].known, figures(measured)["upper_row"].rests_on) == ("measured", ())


def test_a_shops_own_default_takes_the_place_of_ours_and_nonsense_is_refused() -> None:
    job = apply(demo_job("parish-hall"), [Edit(pointer="/wall/drop_mm", value=None)])
    made = figures(plan(job, Shop({"drop_mm": 52.0})).plan)["drop"]
    assert (made.value, "shop's own" in made.working.source) == (52.0, True)
    with pytest.raises(UnknownDefault):
        Shop({"drop": 1.0})
    with pytest.raises(OutOfRange):
        Shop({"drop_mm": -1.0})
    assert all(one.low <= one.value <= one.high and one.meaning and one.source for one in DEFAULTS.values())


def test_every_computed_figure_shows_how_it_came_about() -> None:
    for name in JOBS:
        for figure in plan(demo_job(name)).plan.figures:
            if figure.known == "computed":
                assert figure.working.formula, figure.key
                assert figure.working.source, figure.key


def test_an_impossible_room_names_the_clash_and_the_largest_that_fits() -> None:
    job = demo_job("basement-den")
    clash = next(one for one in plan(job).plan.findings if one.code == "height-clash")
    # 20 + 58.832 + 2.5 = 81.332 in against 82.5 - 6 = 76.5 in
    assert clash.numbers["clash_mm"] / 25.4 == pytest.approx(4.832, abs=1e-3)
    # height left for the picture: 76.5 - 20 - 2.5 = 54 in, so 54 * root(337)/9 = 110.1 in, down to the eighth
    assert clash.numbers["largest_diagonal_mm"] / 25.4 == pytest.approx(110.125)
