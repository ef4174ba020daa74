"""What is offered can be taken: every change in every table is one that the job accepts."""

from typing import Any

import pytest
from hypothesis import given, settings

from gantline.compare.fabrics import fabric_table
from gantline.compare.projectors import projector_table
from gantline.compare.sizes import size_table
from gantline.core.throw.window import throw_window
from gantline.demo.world import named_records
from gantline.drawing.marks import Dimension
from gantline.job.model import Job
from gantline.job.records import RecordKind
from gantline.stations import face, plan
from gantline.stations.size import screen
from gantline.stations.throw import fits, projected, throw_lens
from tests.made import changed, findings, number, taken
from tests.plan.random_jobs import rich_jobs

PROJECTORS, FABRICS = named_records(RecordKind.PROJECTOR), named_records(RecordKind.FABRIC)


@settings(max_examples=8)  # each plans a dozen projectors, five fabrics and eight sizes
@given(rich_jobs())
def test_every_offer_is_one_the_job_accepts(job: Job) -> None:
    made = plan(job)
    projectors = projector_table(made.ask, PROJECTORS)
    for row in projectors.rows:  # a place is offered as the tape sets it, and fits there
        assert not row.changes or plan(taken(job, row.changes), last=made).ask(fits), row.name
    tables: list[Any] = [
        size_table(made.ask),
        projectors,
        fabric_table(made.ask, FABRICS),
    ]
    tables += list(made.plan.tables.values())
    offers = [
        row.changes for table in tables for row in getattr(table, "rows", ()) if getattr(row, "changes", ())
    ]
    offers += [one.changes for table in tables for one in getattr(table, "additions", ())]
    offers += [
        mark.changes
        for mark in face(made, "front").marks
        if isinstance(mark, Dimension) and mark.changes and mark.changes[-1].value is not None
    ]
    for changes in offers:
        plan(taken(job, changes), last=made)


@pytest.mark.parametrize(("pick", "ratio"), [("largest", 1.3), ("margin", 1.3 * 1.03), ("smallest", 2.1)])
def test_a_size_from_a_fixed_throw_counts_from_the_measuring_point_and_says_its_choice(
    pick: str, ratio: float
) -> None:
    throw = {
        "throw__ratio_low": 1.3,
        "throw__ratio_high": 2.1,
        "throw__distance_offset_mm": 120.0,
        "throw__lens_from_wall_mm": 4000.0,
    }
    job = changed("mill-loft", size__lead="throw", size__tidy=None, size__throw_pick=pick, **throw)
    made = plan(job)
    over = job.size.overspill_mm or 0.0
    plane = (job.frame.depth_mm or 0.0) + (job.frame.standoff_mm or 0.0)
    wide = (4000.0 - plane - 120.0) / ratio  # by hand; 2.39 on a 16:9 panel fills its width
    assert made.ask(screen).picture.width_mm == pytest.approx(wide - 2 * over)
    assert " to " in made.text("throw_range")
    found = findings(job)
    assert "lens-outside-window" not in found
    assert ("lens-in-margin" in found) == (pick != "margin")
    lens = made.ask(throw_lens)
    assert lens is not None
    assert not isinstance(lens, str)
    assert throw_window(lens, made.ask(projected), margin=0.03).inside_margin(
        number(made, "throw_distance")
    ) == (pick == "margin")
