"""No number that a job may hold makes a plan endless, and none past its end is lost, altered or believed."""

import random
from typing import Any

import pytest

from gantline.compare.by_name import compared
from gantline.core import budget
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply, nudged
from gantline.job.ends import numbers_of, strays
from gantline.job.field import declared
from gantline.job.file import read_job, read_stored, sparse
from gantline.job.model import FIELDS, ITEMS, Job
from gantline.job.problems import BadDocument
from gantline.plan.strays import PAST_END, TOO_MUCH
from gantline.stations import face, plan
from gantline.stations.board import FACES
from tests.conftest import demo_job

JOBS = ("mill-loft", "narrow-lounge", "parish-hall", "basement-den")
PAIRS = 500  # a job
POISONED = ("/frame/longest_mm", 0.01)


def ends_of(job: Job) -> list[tuple[str, float]]:
    """Every number there is in a document, at both ends."""
    parts: dict[Any, str] = {}
    for pointer, field in FIELDS.items():
        holder = field.read.__reduce__()[1][0].rpartition(".")[0]
        inner: object = job
        for name in holder.split(".") if holder else ():
            inner = getattr(inner, name)
        parts[type(inner)] = pointer.rpartition("/")[0]
    places = list(parts.items())
    places += [
        (kind, f"{base}/{one.id}") for base, kind in ITEMS.items() for one in FIELDS[base].read(job) or ()
    ]
    return [
        (f"{base}/{name}", value)
        for part, base in places
        for name, ends, _ in numbers_of(part)
        for value in (ends.low, ends.high)
    ]


@pytest.mark.parametrize("name", JOBS)
def test_every_number_at_both_ends_and_in_pairs_is_planned_within_the_budget(name: str) -> None:
    job = demo_job(name)
    base, every = plan(job), ends_of(job)
    assert len(every) > 300
    chosen = random.Random(name)
    changes = [(one,) for one in every] + [tuple(chosen.sample(every, 2)) for _ in range(PAIRS)]
    most = 0
    for at, change in enumerate(changes):
        other = job
        for pointer, value in change:
            other = nudged(other, pointer, value)
        try:
            other = read_job(sparse(other))
        except BadDocument:
            continue  # two ceiling readings at one place, and the like
        with budget.budget(budget.PLAN_STEPS) as account:
            made = plan(other, last=base, cures=at % 8 == 0)
            if at % 40 == 0:
                for side in FACES:
                    face(made, side)
        assert not made.too_much, change
        most = max(most, account.taken)
    assert 0 < most < budget.PLAN_STEPS / 2


@pytest.mark.parametrize("what", ["sizes", "fabrics", "projectors", "payoff"])
def test_a_comparison_stays_within_its_budget_at_the_ends_of_what_is_counted(what: str) -> None:
    job = demo_job("mill-loft")
    for pointer, value in (
        ("/size/value_mm", 60_000.0),
        ("/size/tidy_grid_mm", 0.1),
        ("/frame/longest_mm", 100.0),
        ("/tension/rail_count", 1000),
        ("/survey/stud_spacing_mm", 100.0),
    ):
        with budget.budget(budget.COMPARE_STEPS) as account:
            assert compared(what, plan(nudged(job, pointer, value)), {}, named_records)
        assert account.taken < budget.COMPARE_STEPS / 2, pointer


def test_every_number_has_both_ends_and_is_refused_past_them_by_name() -> None:
    job = demo_job("mill-loft")
    for pointer, field in FIELDS.items():
        if field.kind in ("length", "number", "count", "share"):
            assert field.within is not None, pointer
            with pytest.raises(BadDocument) as refused:
                apply(job, [Edit(pointer=pointer, value=field.within.high * 2 + 1)])
            assert pointer in [one.pointer for one in refused.value.problems]
    for base, item in ITEMS.items():
        numbers = {name for name, _, _ in numbers_of(item)}
        wanted = {
            name for name, one in declared(item).items() if one.kind in ("length", "number", "count", "share")
        }
        assert wanted <= numbers, base


def test_a_poisoned_job_opens_says_which_number_and_keeps_it() -> None:
    pointer, value = POISONED
    stored = sparse(nudged(demo_job("mill-loft"), pointer, value))
    with pytest.raises(BadDocument):
        read_job(stored)  # as a file from somebody it is refused
    job = read_stored(stored)
    made = plan(job)
    first = made.findings[0]
    assert (first.code, first.subject, first.severity, first.station) == (PAST_END, pointer, "stop", "frame")
    assert made.ask.job.frame.longest_mm == 100.0
    assert sparse(made.job) == stored  # nothing is altered by itself
    after = apply(job, [Edit(pointer="/frame/kerf_mm", value=3.0)])  # and work elsewhere goes on
    assert (after.frame.longest_mm, after.frame.kerf_mm) == (value, 3.0)
    with pytest.raises(BadDocument):
        apply(job, [Edit(pointer=pointer, value=0.02)])
    tapped = apply(job, [Edit(pointer=one.pointer, value=one.value) for one in first.cures[0].changes])
    assert tapped.frame.longest_mm == pytest.approx(100.0, abs=25.4 / 16)  # what a tape shows
    assert not list(strays(tapped))
    assert PAST_END not in {one.code for one in plan(tapped).findings}


def test_a_stored_record_with_a_number_past_its_end_is_compared_and_named() -> None:
    bad = {"gain": 50.0, "kind": "diffuse"}
    rows = compared(
        "fabrics", plan(demo_job("mill-loft")), {}, lambda _: [("a", "A", bad), ("b", "B", {"gain": 1.0})]
    ).rows
    said = {row.key: row.reason for row in rows}
    assert "edit the record" in said["a"]
    assert "edit the record" not in said["b"]
    long = {"ratio_low": 1.2, "ratio_high": 99.0, "rated_lm": 2000.0}
    row = compared("projectors", plan(demo_job("mill-loft")), {}, lambda _: [("p", "P", long)]).rows[0]
    assert "20 is allowed" in row.judged.reason


def test_a_plan_past_its_budget_says_so_and_is_no_exception(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("gantline.plan.plan.PLAN_STEPS", 200)
    job = demo_job("mill-loft")
    made = plan(job)
    assert (made.findings[0].code, made.findings[0].severity) == (TOO_MUCH, "stop")
    assert made.job == job
    assert made.plan.next_point == made.findings[0].text
    assert "1 step" not in made.findings[0].text
