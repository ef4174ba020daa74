"""Every station, walked: panels name figures there are, every field is found, few rows stand before something unfolds."""

import pytest

from gantline.job.model import FIELDS
from gantline.plan.code import MOST_WORDS
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.registry import ALL_CODES, BY_KEY, CODES, STATIONS
from tests.conftest import demo_job
from tests.made import JOBS

MOST_ROWS = 12
# fields that a widget shows, or that only belong to records
ELSEWHERE = {"units", "known", "tidy", "format", "steps_done"}


def test_every_panel_row_is_a_figure_and_every_field_stands_in_some_panel() -> None:
    named = {key for station in STATIONS for part in station.panel for key in part.rows}
    figures = {one.key for station in STATIONS for one in station.figures}
    fields = {one.key for one in FIELDS.values()}
    assert named <= figures | fields
    shown = {one.key for one in FIELDS.values() if one.kind not in ("list", "value")}
    assert shown - named <= ELSEWHERE


@pytest.mark.parametrize("name", JOBS)
def test_at_most_twelve_rows_stand_before_something_is_unfolded(name: str) -> None:
    for panel in plan(demo_job(name)).plan.panels:
        open_rows = [key for part in panel.parts if part.weight != "detail" for key in part.rows]
        assert len(open_rows) <= MOST_ROWS, panel.station
        assert any(part.weight == "lead" for part in panel.parts) or name == "basement-den", panel.station
        assert all(part.gist for part in panel.parts if part.weight == "detail" and part.title), panel.station


def test_stations_fields_and_codes_are_each_named_once() -> None:
    keys = [one.key for one in FIELDS.values()]
    assert len(keys) == len(set(keys))
    assert list(BY_KEY) == list(CODES)
    assert len(ALL_CODES) == 3 + sum(len(code) for code in CODES.values())
    for code in (code for kind in CODES.values() for code in kind):  # read at the foot of a column
        assert 1 <= len(code.short.split()) <= MOST_WORDS, code


def test_a_shop_that_says_nothing_and_a_job_that_says_nothing_still_draw_every_station() -> None:
    made: JobPlan = plan(demo_job("basement-den"))
    assert [one.key for one in made.states] == [one.key for one in STATIONS]
    assert all(one.gist for one in made.states)
