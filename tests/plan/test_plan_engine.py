"""The engine on random rich jobs: workings give their figure, kept answers are the same answers, codes are closed."""

import gc
import weakref
from collections.abc import Iterator
from typing import Any

import orjson
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.job.edits import Edit, apply
from gantline.job.field import declared
from gantline.job.model import FIELDS, ITEMS, Job
from gantline.job.problems import BadDocument
from gantline.plan.plan import JobPlan
from gantline.plan.whole import Plan
from gantline.plan.working import as_plain
from gantline.stations import face, plan
from gantline.stations.board import FACES
from gantline.stations.registry import ALL_CODES
from tests.conftest import demo_job
from tests.made import JOBS
from tests.plan.random_jobs import rich_jobs


def sent(made: JobPlan) -> bytes:
    """All a page is sent, as bytes."""
    whole: Plan = made.plan
    return orjson.dumps([whole, [face(made, name) for name in FACES]], default=as_plain)


def check_workings(made: JobPlan) -> int:
    """Every working of terms, evaluated again from its written terms, is its figure. Returns how many there were."""
    count = 0
    for figure in made.figures.values():
        expr = figure.working.expr
        if expr is None:
            continue
        terms = {one.name: one.value for one in figure.working.written().terms}
        value = expr.evaluate(terms)
        assert isinstance(figure.value, int | float), figure.key
        assert value == pytest.approx(figure.value, rel=1e-9, abs=1e-9), (figure.key, expr.formula())
        count += 1
    return count


@pytest.mark.parametrize("name", JOBS)
def test_every_working_of_a_sample_job_gives_its_figure(name: str) -> None:
    assert check_workings(plan(demo_job(name))) > 20


@given(rich_jobs())
def test_any_rich_job_is_planned_and_drawn_its_workings_hold_and_its_codes_are_known(job: Job) -> None:
    made = plan(job)
    check_workings(made)
    assert {one.code for one in made.findings} <= ALL_CODES
    assert len({(one.code, one.subject) for one in made.findings}) == len(made.findings)
    assert b"NaN" not in sent(made)
    for name in FACES:
        keys = [mark.key for mark in face(made, name).marks]
        assert len(keys) == len(set(keys))


EDITS: dict[str, st.SearchStrategy[Any]] = {
    "length": st.sampled_from([None, 35.0, 640.0, 2150.0]),
    "share": st.sampled_from([None, 0.25, 0.6]),
    "number": st.sampled_from([None, 1.4, 3.0]),
    "count": st.sampled_from([None, 2]),
    "switch": st.sampled_from([None, True, False]),
}


def editable(job: Job) -> Iterator[tuple[str, str]]:
    """Pointer and kind of every field, of the document and of what stands in its lists."""
    yield from ((one.pointer, one.kind) for one in FIELDS.values() if one.kind in EDITS)
    for base, kind in ITEMS.items():
        for thing in FIELDS[base].read(job) or ():
            yield from (
                (f"{base}/{thing.id}/{name}", one.kind)
                for name, one in declared(kind).items()
                if one.kind in EDITS
            )


@given(job=rich_jobs(), data=st.data())
def test_a_plan_that_keeps_answers_is_the_plan_made_from_nothing(job: Job, data: Any) -> None:
    made = plan(job)
    sent(made)
    for _ in range(3):
        pointer, kind = data.draw(st.sampled_from(list(editable(job))))
        try:
            job = apply(job, [Edit(pointer=pointer, value=data.draw(EDITS[kind]))])
        except BadDocument:
            continue
        made = plan(job, last=made)
        assert sent(made) == sent(plan(job)), pointer


@pytest.mark.parametrize("name", JOBS)
def test_a_plan_is_freed_when_the_last_one_lets_go_of_it(name: str) -> None:
    gc.disable()  # what is tied to itself would stay until all of memory is swept, which stops everybody
    try:
        made = plan(demo_job(name))
        sent(made)
        left = weakref.ref(made.ask)
        made = plan(demo_job(name), last=made)
        assert left() is None
    finally:
        gc.enable()
