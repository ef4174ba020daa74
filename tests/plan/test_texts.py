"""What people read: in the units of the job, and never a word of the code."""

import dataclasses
import re
from collections.abc import Iterator
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings

from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.stations import plan
from tests.conftest import demo_job
from tests.made import JOBS
from tests.plan.random_jobs import rich_jobs

MILLIMETERS = re.compile(r"\d[\s\u00a0]*(mm|cm)\b")
INCHES = re.compile(r"\d\s*[″′]|\d[\s\u00a0]in\b")
TRADE_NAMES = re.compile(r"\d mm (\(#\d+\) )?(wood screw|plug)")
CODE = re.compile(r"\w_(mm|deg|kg|n|m2)\b|must be [<>]|\d\.\d{5}|\bNone\b|\bnan\b")
PARTS = ("figures", "findings", "tables", "stations", "panels", "to_measure", "assumptions", "cautions")


def strings(thing: Any, place: str) -> Iterator[tuple[str, str]]:
    if isinstance(thing, str):
        yield place, thing
    elif dataclasses.is_dataclass(thing):
        for field in dataclasses.fields(thing):
            yield from strings(getattr(thing, field.name), f"{place}.{field.name}")
    elif isinstance(thing, dict):
        for key, value in thing.items():
            yield from strings(value, f"{place}.{key}")
    elif isinstance(thing, list | tuple):
        for value in thing:
            yield from strings(value, place)


def said(job: Job, style: str) -> Iterator[tuple[str, str]]:
    made = plan(apply(job, [Edit(pointer="/units/style", value=style)]), cures=False).plan
    for part in PARTS:
        yield from strings(getattr(made, part), part)


def read_well(job: Job) -> None:
    for style, foreign in (("in-fraction", MILLIMETERS), ("mm", INCHES)):
        for place, text in said(job, style):
            assert not foreign.search(TRADE_NAMES.sub("", text)), (style, place, text)
            assert " " not in text or not CODE.search(text), (place, text)


@pytest.mark.parametrize("name", JOBS)
def test_a_sample_job_is_told_in_its_own_units_and_in_words(name: str) -> None:
    read_well(demo_job(name))


@settings(max_examples=20, suppress_health_check=[HealthCheck.too_slow])
@given(rich_jobs())
def test_so_is_any_job(job: Job) -> None:
    read_well(job)
