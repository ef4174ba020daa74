"""Whatever paper changes with what a Stop is about carries that Stop: random stopped jobs, one fact moved, no list of sheets."""

import html
import re
from collections.abc import Iterator
from importlib import import_module
from pkgutil import iter_modules

import pytest
from hypothesis import HealthCheck, Phase, assume, given, settings
from hypothesis import strategies as st

import gantline.sheets
from gantline.job.model import FIELDS, Job
from gantline.plan.finding import PlanFinding
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import PDF, Ready
from gantline.stations import plan
from tests.plan.nudges import near, nudged
from tests.plan.random_jobs import rich_jobs

PAPERS = {key: sheet for key, sheet in SHEETS.items() if sheet.media_type == PDF}
SAID = re.compile(r'<p class="(stop|check|note|forbids)[^"]*">.*?</p>', re.DOTALL)


@pytest.fixture(scope="module", autouse=True)
def pages_as_text() -> Iterator[None]:
    """Sheets stop at their page's text: how it is laid out carries no Stop."""
    with pytest.MonkeyPatch.context() as patch:
        for module in iter_modules(gantline.sheets.__path__):
            sheet = import_module(f"gantline.sheets.{module.name}")
            if hasattr(sheet, "to_pdf"):
                patch.setattr(sheet, "to_pdf", str.encode)
        yield


def page(made: JobPlan, key: str) -> str:
    return PAPERS[key].make(Ready(made=made, stamp="")).decode()


def read(text: str) -> str:
    """As a person reads it, without marks of setting, spaces and fraction strokes."""
    return re.sub(r"[\s\u00a0⁄]+", "", html.unescape(re.sub(r"<[^>]+>", "", text)))


def stops_of_one_fact(made: JobPlan) -> list[PlanFinding]:
    return [
        finding
        for finding in made.findings
        if finding.severity == "stop"
        and finding.subject in FIELDS
        and FIELDS[finding.subject].kind == "length"
        and FIELDS[finding.subject].read(made.ask.job) is not None
    ]


@settings(
    max_examples=8,
    derandomize=True,
    phases=[Phase.generate],  # a smaller example would take minutes to find
    suppress_health_check=list(HealthCheck),
)
@given(job=rich_jobs(), data=st.data())
def test_every_paper_that_moves_with_what_a_stop_is_about_leads_with_it(
    job: Job, data: st.DataObject
) -> None:
    made = plan(job, cures=False)
    stops = stops_of_one_fact(made)
    assume(stops)
    stop = data.draw(st.sampled_from(stops))
    one = FIELDS[stop.subject]
    moved = nudged(made, stop.subject, next(iter(near(one, one.read(job)))))
    assume(moved is not None)
    assert moved is not None
    for key in PAPERS:
        here, there = page(made, key), page(moved, key)
        if SAID.sub("", here) != SAID.sub("", there):
            assert read(stop.text) in read(here), (key, stop.code, stop.subject)
