"""The day of all sample jobs and of random ones: everything once, nothing before what it waits for, no number of its own."""

import json
from collections import Counter
from typing import Any

import orjson
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from gantline.core.day.step import Step
from gantline.core.tension.points import Side
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.job.records import RecordKind
from gantline.job.records.kinds import edits_from
from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain
from gantline.stations import plan
from gantline.stations.day.withheld import steps_to_do
from gantline.stations.frame import pieces, timber
from gantline.stations.tension.solve import tension_points
from gantline.stations.trim.solve import border_kind, tape
from gantline.stations.wall.solve import drilling
from tests.conftest import demo_job
from tests.made import JOBS
from tests.plan.random_jobs import rich_jobs

KITS = {key: body for key, _, body in named_records(RecordKind.KIT)}
HOW: dict[str, Any] = {"deadline": None, "suppress_health_check": list(HealthCheck), "derandomize": True}


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


@settings(max_examples=250, **HOW)
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
