"""The day of all sample jobs and of random ones: everything once, nothing before what it waits for, no number of its own."""

import json
from collections import Counter
from typing import Any

import orjson
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from gantline.compare.bag import bag
from gantline.compare.materials import needed_but_boards
from gantline.core.day.step import Step
from gantline.core.tension.points import Side
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.job.records import RecordKind
from gantline.job.records.kinds import edits_from
from gantline.job.records.kit import KitRecord
from gantline.job.records.record import Record
from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.stations import plan
from gantline.stations.day.withheld import steps_to_do
from gantline.stations.frame import pieces, timber
from gantline.stations.frame.solve import fabric_kg
from gantline.stations.size import screen
from gantline.stations.tension.solve import tension_points
from gantline.stations.trim.solve import border_kind, tape
from gantline.stations.wall.solve import drilling
from tests.conftest import demo_job
from tests.made import JOBS
from tests.made import number as value_of
from tests.plan.random_jobs import rich_jobs

KITS = {key: body for key, _, body in named_records(RecordKind.KIT)}
Json = dict[str, Any]
HOW: Json = {"deadline": None, "suppress_health_check": list(HealthCheck), "derandomize": True}


def things(steps: tuple[Step, ...], act: str) -> list[str]:
    return [thing for step in steps for name, thing in step.things if name == act]


def check_day(made: JobPlan) -> tuple[Step, ...]:
    steps = steps_to_do(made)
    once = Counter(thing for step in steps for thing in step.acts)
    assert [thing for thing, count in once.items() if count > 1] == []
    place = {step.key: at for at, step in enumerate(steps)}
    shut: dict[str, int] = {}
    for at, step in enumerate(steps):
        for wait in step.waits:
            before = [
                place[one.key] for one in steps if wait in (one.key, *one.gives) and one.key != step.key
            ]
            assert all(other < at for other in before), (step.key, wait)
        assert not [name for name in step.into if name in shut], step.key
        shut |= dict.fromkeys(step.closes, at)
    ask = made.ask
    plan_of_holes = ask(drilling)
    holes = [hole.key for hole in plan_of_holes.holes] if plan_of_holes else []
    assert sorted(things(steps, "drill")) == sorted([*holes, *(["plate"] if "throw/plate" in place else [])])
    assert sorted(things(steps, "fix")) == sorted(holes)
    points = ask(tension_points)
    held = things(steps, "hold")
    assert len(held) == (0 if isinstance(points, str) else len(points))
    for side in Side:
        count = 0 if isinstance(points, str) else sum(1 for point in points if point.side is side)
        assert sorted(key for key in held if key.startswith(f"{side}-")) == sorted(
            f"{side}-{n}" for n in range(1, count + 1)
        )
    boards = ask(pieces)
    assert sorted(things(steps, "cut")) == sorted(
        [
            *([] if isinstance(boards, str) else [piece.letter for piece in boards]),
            *(["fabric"] if ask(timber) else []),
        ]
    )
    laid = [thing for thing in things(steps, "lay") if thing.startswith("border")]
    assert len(laid) == (len(ask(tape)) if ask(border_kind) in ("tape", "velvet") else 0)
    return steps


@pytest.mark.parametrize("name", JOBS)
def test_every_sample_day_does_everything_once_and_takes_its_numbers_from_the_plan(name: str) -> None:
    made = plan(demo_job(name))
    written = orjson.dumps(made.plan, default=as_plain).decode()
    texts = json.loads(f"[{json.dumps(written)}]")[0]
    for step in check_day(made):
        for number in step.numbers:
            assert number.text in texts, (step.key, number)


@settings(max_examples=60, **HOW)
@given(
    job=rich_jobs(),
    kit=st.none() | st.sampled_from(sorted(KITS)),
    drill=st.sampled_from(["before", "after"]),
    people=st.sampled_from(["one", "two"]),
)
def test_a_day_can_be_made_of_any_job(job: Job, kit: str | None, drill: str, people: str) -> None:
    edits = edits_from(RecordKind.KIT, kit, KITS[kit], job) if kit else []
    job = apply(
        job, [*edits, Edit(pointer="/day/drill", value=drill), Edit(pointer="/tension/people", value=people)]
    )
    made = plan(job)
    steps = check_day(made)
    fabric, holes = (
        [at for at, step in enumerate(steps) if step.phase == phase] for phase in ("fabric", "wall")
    )
    if holes and fabric:
        assert (max(holes) < min(fabric)) == (drill == "before")


def test_what_did_not_change_keeps_its_key_and_what_is_refused_gives_no_number() -> None:
    job = demo_job("mill-loft")
    before = {step.key: step for step in steps_to_do(plan(job))}
    after = {
        step.key: step
        for step in steps_to_do(plan(apply(job, [Edit(pointer="/height/wish_mm", value=1180.0)])))
    }
    assert list(before) == list(after)
    assert {key for key in before if before[key].numbers != after[key].numbers} >= {
        "wall/drill-upper-left",
        "height/outline",
    }
    assert all(before[key] == after[key] for key in before if key.startswith(("tension/", "frame/")))
    stopped = plan(apply(job, [Edit(pointer="/survey/wall_width_mm", value=3000.0)]))
    assert stopped.refused[0]
    drilled = [step for step in steps_to_do(stopped) if step.key.startswith("wall/drill")]
    assert drilled
    assert all(not step.numbers and step.text.startswith("Do not drill") for step in drilled)


# of every field of a kit's sheet, another value than the one it has: none is taken and then unused
OTHER: dict[str, Any] = {
    "depth_mm": 77.0, "standoff_mm": 31.0, "border_mm": 33.0, "centre_bars": 3, "trim_mm": 12.0, "mass_kg": 21.5, "hold": "pin",
    "spacing_mm": 145.0, "rail_count": 12, "stile_count": 7, "inset_mm": 41.0, "overlap_mm": 44.0, "hook_first": "frame", "laid": "sheet", "spring_limit_mm": 71.0,
    "school": "middles-outward", "short_sides_first": False, "first_side": "top", "in_step": False, "batch": 2, "corner_pass": 1,
    "cluster": 2, "from_end": True, "bars": "after", "rods_last": True, "rail_part": "springs", "stile_part": "springs",
    "number_from": "bottom-left", "clockwise": False, "numbers": "pairs", "drop_mm": 47.0, "row_offset_mm": 91.0, "rule": "fixed",
    "spacing_share": 0.4, "fixed_spacing_mm": 1100.0, "side_play_mm": 17.0, "lift_on_mm": 480.0, "proud_mm": 13.0, "per_bracket": 2,
    "screws_lie": "beside", "screws_apart_mm": 63.0, "hang_parts": 3, "lower_parts": 3, "cap_torque_nm": 0.7, "tools": "a bent key",
    "label_at": "on the left", "comes_off": "by its tabs", "second_side": "right", "own_order": "1+31, 2", "joint_torque_nm": 2.5,
    "outer_by": "clips", "outer_rail_count": 8, "outer_stile_count": 5, "sag_hooks": 2,
}  # fmt: skip
BESIDE: dict[str, Any] = {  # what else a field needs to matter
    "rail_count": {"stile_count": 8}, "stile_count": {"rail_count": 12}, "fixed_spacing_mm": {"rule": "fixed", "spacing_share": None},
    "rule": {"fixed_spacing_mm": 1150.0, "spacing_share": None}, "screws_lie": {"per_bracket": 2}, "screws_apart_mm": {"per_bracket": 2},
    "cap_torque_nm": {"trim_mm": 10.0}, "first_side": {"in_step": True}, "second_side": {"in_step": False}, "outer_by": {"trim_mm": 10.0},
    "outer_rail_count": {"trim_mm": 10.0}, "outer_stile_count": {"trim_mm": 10.0}, "sag_hooks": {"trim_mm": 10.0},
}  # fmt: skip


@pytest.mark.parametrize("kit", sorted(KITS))
def test_every_part_of_a_kit_that_has_a_place_is_put_there_by_a_step(kit: str) -> None:
    job = demo_job("narrow-lounge")
    steps = steps_to_do(plan(apply(job, edits_from(RecordKind.KIT, kit, KITS[kit], job))))
    texts = " / ".join(step.text for step in steps)
    outer = "trim/outer-on" in {step.key for step in steps}
    for part in KITS[kit]["parts"]:
        placed = part.get("into") or (part["stops"] == "trim" and not outer)
        assert not placed or part["name"] in texts, part["name"]


def shown(kit: Json, way: str) -> bytes:
    job = demo_job("mill-loft")
    job = apply(job, [*edits_from(RecordKind.KIT, "A kit", kit, job), Edit(pointer="/wall/way", value=way)])
    made = plan(job)
    # a panel that repeats what was entered is no use of it
    steps = steps_to_do(made)
    worked = [figure.value for figure in made.figures.values() if not figure.given]
    used = [worked, made.plan.tables, made.findings, steps, bag(made.ask, steps)]
    return orjson.dumps(used, default=as_plain)


@pytest.mark.parametrize("field", sorted(set(KitRecord.model_fields) - {"parts"} - set(Record.model_fields)))
def test_no_field_of_a_kits_sheet_is_taken_and_unused(field: str) -> None:
    kit = {
        "hold": "spring",
        "spacing_mm": 120.0,
        "inset_mm": 44.0,
        "centre_bars": 1,
        "depth_mm": 38.0,
        "drop_mm": 30.0,
        "school": "corners-first",
    }
    beside = BESIDE.get(field, {})
    if "rail_count" in beside or "stile_count" in beside:
        kit.pop("spacing_mm")
    ways = {"proud_mm": "proud-screws"}
    bare = kit | {
        key: value
        for key, value in beside.items()
        if not (field.endswith("_count") and key.endswith("_count"))
    }
    assert shown(bare, ways.get(field, "brackets")) != shown(
        kit | beside | {field: OTHER[field]}, ways.get(field, "brackets")
    )


@pytest.mark.parametrize(
    "change",
    [
        {"into": "track"},
        {"into": "hem"},
        {"into": "outer"},
        {"count": 31},
        {"spare": 3},
        {"name": "claws"},
        {"facing": "outward"},
        {"into": "hem", "long_mm": 1180.0},
        {"into": "hem", "long_mm": 1180.0, "on": "rails"},
        {"mass_g": 90.0},
        {"stops": "hang"},
    ],
)
def test_no_field_of_a_part_is_taken_and_unused(change: Json) -> None:
    part = {"name": "hooks", "count": 30, "into": "track", "stops": "tension", "spare": 1}
    kit = {"hold": "spring", "trim_mm": 10.0}
    plain = {**part, "into": "track" if change.get("into") != "track" else "hem"}
    assert shown(kit | {"parts": [plain]}, "brackets") != shown(kit | {"parts": [plain | change]}, "brackets")


def test_the_pull_is_read_by_lines_that_move_as_far_as_the_cloth_stretches() -> None:
    """By hand: 60 N/m on cloth of 6,000 N/m is 1 %; half of 2,400 mm is 1,200, so the line goes 12 mm past either side edge."""
    job = apply(
        demo_job("mill-loft"),
        [
            Edit(pointer="/tension/line_n_m", value=60.0),
            Edit(pointer="/tension/stiff_along_n_m", value=6000.0),
            Edit(pointer="/tension/stiff_across_n_m", value=3000.0),
        ],
    )
    made = plan(job)
    own = made.ask(screen)
    steps = {step.key: step for step in steps_to_do(made)}
    assert "tension/lines" in steps
    readings = {reading.name: reading for reading in steps["tension/pull-middles"].readings}
    share = 0.6  # of the pull is there once the middles hold
    assert readings["pull_left"].planned == pytest.approx(share * own.overall_width_mm / 2.0 * 0.01)
    assert readings["pull_top"].planned == pytest.approx(share * own.overall_height_mm / 2.0 * 0.02)
    assert [pair[:2] for pair in steps["tension/pull-middles"].alike] == [
        ("pull_left", "pull_right"),
        ("pull_top", "pull_bottom"),
    ]
    sprung = {step.key for step in steps_to_do(plan(demo_job("narrow-lounge")))}
    assert not {"tension/lines", "tension/pull-corners"} & sprung  # a spring pulls by its own length


def test_a_knit_is_tacked_from_its_corners_with_its_own_caution_and_its_overlap_in_the_blank() -> None:
    job = apply(
        demo_job("mill-loft"),
        [Edit(pointer="/tension/hold", value="tack"), Edit(pointer="/tension/spacing_mm", value=None)],
    )
    made = plan(job)
    steps = steps_to_do(made)
    held = [step for step in steps if step.key.startswith("tension/hold-")]
    assert {step.caution for step in held} == {"tacks"}
    assert held[0].text.startswith("Pull along the diagonal") or "corner" in held[0].text
    assert any(line.name == "tack hammer" for line in bag(made.ask, steps))
    assert value_of(made, "overlap") >= 20.0
    assert any(caution.key == "tacks" for caution in made.plan.cautions)


def test_a_knit_of_two_layers_has_its_velvet_its_braces_out_and_its_layers_before_the_first_point() -> None:
    """The sequence of a wide two-layer knit: velvet and washers, braces out, front layer lowest, tacks, braces back."""
    told = {
        "/tension/hold": "tack",
        "/frame/removable": True,
        "/frame/blank/layers": 2,
        "/frame/blank/backing": True,
    }
    job = apply(
        demo_job("mill-loft"), [Edit(pointer=pointer, value=value) for pointer, value in told.items()]
    )
    made, plain = plan(job), plan(demo_job("mill-loft"))
    place = {step.key: at for at, step in enumerate(check_day(made))}
    held = [at for key, at in place.items() if key.startswith("tension/hold-")]
    before = [place[key] for key in ("frame/velvet", "frame/braces-out", "tension/unroll", "tension/layers")]
    assert before == sorted(before)
    assert max(before) < min(held) < place["tension/center-bar"]
    record = named_records(RecordKind.FABRIC)[0][2]
    cloth = plan(apply(job, edits_from(RecordKind.FABRIC, "Heron", record, job)))
    handed = next(step for step in steps_to_do(cloth) if step.key == "align/care")
    assert handed.check == record["care"]  # what its maker says is handed over
    needs = {need.key: need.amount for need in needed_but_boards(made.ask)}
    assert needs["velvet-behind"] == 1
    kit = plan(apply(demo_job("narrow-lounge"), [Edit(pointer="/frame/blank/backing", value=True)]))
    assert "frame/velvet" in [step.key for step in check_day(kit)]  # a kit's cloth may be open, too
    assert [need.key for need in needed_but_boards(kit.ask) if "brace" in need.key] == []
    one = next(need.amount for need in needed_but_boards(plain.ask) if need.key == "fabric")
    assert needs["fabric"] == pytest.approx(2 * one)
    # two layers of 310 g/m2 and velvet of 250 in place of one layer
    assert made.ask(fabric_kg) / plain.ask(fabric_kg) == pytest.approx((2 * 310 + 250) / 310, rel=0.01)
