"""Candidates beside each other: what is shaded is within the band, what is said is what the numbers say, one verdict each."""

import csv
import io
import math
from itertools import pairwise

import pytest

from gantline.compare.by_name import compared
from gantline.compare.otherwise import otherwise
from gantline.compare.sizes import size_table
from gantline.core.defaults import Shop
from gantline.demo.world import named_records
from gantline.job.edits import apply
from gantline.job.records import RecordKind, edits_from
from gantline.plan.code import MOST_WORDS
from gantline.stations import plan
from gantline.stations.size import screen
from tests.conftest import demo_job
from tests.made import JOBS, taken

TABLES = ("sizes", "fabrics", "projectors")


@pytest.mark.parametrize("name", JOBS)
@pytest.mark.parametrize("what", TABLES)
def test_every_candidate_has_a_cell_of_every_measure_and_a_verdict_in_four_words(
    name: str, what: str
) -> None:
    table = compared(what, plan(demo_job(name)), {}, named_records)
    keys = [row.key for row in table.rows]
    assert len(set(keys)) == len(keys)
    for measure in table.measures:
        assert len(measure.cells) == len(table.rows), measure.key
        assert len(measure.short) <= len(measure.label)
        assert all(cell.value is None or math.isfinite(cell.value) for cell in measure.cells)
    for row in table.rows:
        assert 1 <= len(row.judged.short.split()) <= MOST_WORDS, row.judged.short
        assert row.judged.reason
        assert (row.judged.severity == "stop") == bool(getattr(row, "stops", row.judged.severity == "stop"))


def test_the_shaded_band_is_the_one_that_is_written_and_a_larger_picture_fills_a_wider_angle() -> None:
    table = size_table(plan(demo_job("mill-loft")).ask)
    angle = next(measure for measure in table.measures if measure.key == "angle")
    low, high = (float(end.rstrip("°")) for end in angle.wanted.split(" to "))
    values = [cell.value for cell in angle.cells if cell.value is not None]
    assert values == sorted(values)
    assert [cell.wanted for cell in angle.cells] == [low <= value <= high for value in values]
    luminance = next(measure for measure in table.measures if measure.key == "luminance")
    areas = [
        (row.picture_mm[2] - row.picture_mm[0]) * (row.picture_mm[3] - row.picture_mm[1])
        for row in table.rows
    ]
    flux = [area * float(cell.value or 0.0) for area, cell in zip(areas, luminance.cells, strict=True)]
    # the zoom holds less light the longer it is used, so a small picture has no more of it
    assert all(small <= large * 1.02 for small, large in pairwise(flux))


def test_a_taken_size_is_the_one_that_was_drawn() -> None:
    job = demo_job("narrow-lounge")
    table = size_table(plan(job).ask)
    for row in table.rows:
        there = plan(taken(job, row.changes)).ask(screen).picture
        left, bottom, right, top = row.picture_mm
        assert (right - left, top - bottom) == pytest.approx((there.width_mm, there.height_mm), abs=0.2)


@pytest.mark.parametrize("what", TABLES)
def test_words_and_file_say_what_the_table_says(what: str) -> None:
    made = plan(demo_job("narrow-lounge"))
    table = compared(what, made, {}, named_records)
    first, second = table.rows[0], table.rows[-1]
    said = compared(what, made, {"form": "words", "first": first.key, "second": second.key}, named_records)
    back = compared(what, made, {"form": "words", "first": second.key, "second": first.key}, named_records)
    better = {line for line in said if line.startswith("Better with")}
    assert better == {line for line in back if line.startswith("Better with")}
    for measure in table.measures:
        mine, its = measure.cells[0], measure.cells[-1]
        line = next((line for line in said if line.startswith(f"{measure.label}: ")), "")
        if (mine.text, mine.note) != (its.text, its.note):
            assert mine.text in line.split(" against ")[0] and its.text in line.split(" against ")[1]
        else:
            assert not line
    rows = list(csv.reader(io.StringIO(compared(what, made, {"form": "file"}, named_records))))
    assert rows[0][:3] == ["measure", "unit", "wanted"]
    assert [row[0] for row in rows[1:]] == [*(measure.label for measure in table.measures), "verdict"]


def test_a_record_that_stays_as_it_is_plans_nothing_otherwise() -> None:
    job = demo_job("narrow-lounge")
    for kind, name in ((RecordKind.PROJECTOR, job.throw.name), (RecordKind.FABRIC, job.light.fabric.name)):
        key, called, body = next(record for record in named_records(kind) if record[1] == name)
        own = apply(job, edits_from(kind, called, body, job))
        assert otherwise(own, kind, called, body, Shop({})) is None, key
    _, lamp, body = next(one for one in named_records(RecordKind.PROJECTOR) if one[1] == job.throw.name)
    own = apply(job, edits_from(RecordKind.PROJECTOR, lamp, body, job))
    brighter = otherwise(own, RecordKind.PROJECTOR, lamp, {**body, "rated_lm": 5200.0}, Shop({}))
    assert brighter is not None
    assert any("5200 lm" in line for line in brighter["said"])
    loft = demo_job("mill-loft")
    _, lamp, body = next(one for one in named_records(RecordKind.PROJECTOR) if one[1] == loft.throw.name)
    far = {**body, "ratio_low": 3.0, "ratio_high": 3.2, "throw_table": []}
    short = otherwise(loft, RecordKind.PROJECTOR, lamp, far, Shop({}))
    assert short is not None
    assert short["stops"]
