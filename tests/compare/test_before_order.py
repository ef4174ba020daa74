"""What to measure before ordering: what moves the order, and the two facts that say whether there is room for the screen."""

from typing import Any

import pytest

from gantline.compare.before_order import open_facts
from gantline.job.file import read_job
from gantline.job.model import Job
from gantline.sheets.order_check import KEYS
from gantline.stations import plan
from tests.conftest import demo_job
from tests.made import edited

FRESH: dict[str, Any] = {"name": "x", "units": {"style": "mm"}, "size": {"value_mm": 2540.0}}
BRICK: dict[str, Any] = FRESH | {
    "survey": {"wall_width_mm": 4500.0, "ceiling_mm": 2600.0, "build": "masonry"},
    "frame": {"build": "kit", "name": "any kit"},
}


def asked(job: Job) -> dict[str, str]:
    """Label and effect of every fact that is asked for."""
    return {fact.label: fact.effect for fact in open_facts(plan(job), KEYS)}


def test_a_fresh_job_is_asked_for_its_room_and_for_what_is_bought_and_not_for_what_is_only_drilled() -> None:
    questions = asked(read_job(FRESH))
    assert {"Wall width", "Ceiling above floor", "Wall build", "Way of hanging"} == set(questions)
    assert questions["Wall width"] == "whether the screen fits"


def test_masonry_asks_for_its_plugs_and_for_no_stud() -> None:
    assert set(asked(read_job(BRICK))) == {"Masonry of", "Way of hanging"}


@pytest.mark.parametrize("name", ["mill-loft", "narrow-lounge", "parish-hall", "basement-den"])
def test_a_measured_job_is_asked_for_nothing_and_for_its_wall_once_that_is_gone(name: str) -> None:
    job = demo_job(name)
    before = asked(job)
    assert "Wall width" not in before
    assert asked(edited(job, {"/survey/wall_width_mm": None})) == before | {
        "Wall width": "whether the screen fits"
    }
