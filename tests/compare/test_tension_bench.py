"""The bench's questions: numbers whose key is the same for the same sheet, orders compared, the sheet otherwise, ten exercises."""

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.compare.order_run import came_of, heads, pieces
from gantline.compare.orders import orders
from gantline.compare.what_if import what_if
from gantline.compare.wrinkle_bench import found, kept_library, library_bytes
from gantline.core.membrane.marks import Line
from gantline.core.membrane.numbers import SheetNumbers, read_numbers
from gantline.core.units import Units
from gantline.demo.cloth import EXERCISES, WHOLE, exercise
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job
from gantline.stations import plan
from gantline.stations.tension import sheet_numbers, stale
from tests.conftest import DEMO

MM = Units()


def numbers_of(name: str, **tension: Any) -> SheetNumbers:
    document = json.loads((DEMO / f"{name}.job.json").read_text())
    document["tension"] |= tension
    found_ = plan(read_job(document)).ask(sheet_numbers)
    assert isinstance(found_, SheetNumbers)
    return found_


@pytest.mark.parametrize("name", ["narrow-lounge", "parish-hall", "mill-loft", "basement-den"])
def test_every_sample_is_a_sheet_whose_numbers_travel(name: str) -> None:
    numbers = numbers_of(name)
    again = read_numbers(json.loads(json.dumps(numbers.plain())))
    assert again.key == numbers.key and again.order()
    held = [point for step in again.order() for point in step.held]
    paired = sum(len(step.held) for step in again.order() if step.partners)
    assert len(held) + paired == len(numbers.points)  # every point once
    own = numbers.laid()
    assert 400 < own.sheet.unknowns < 6_000
    edge = numbers.line * 2.0 * (numbers.width_mm + numbers.height_mm)
    assert own.wanted.sum() == pytest.approx(edge)


@given(st.sampled_from(["line", "along", "racking", "wrap_mm", "spring_rate"]), st.floats(1.001, 3.0))
def test_another_number_is_another_key(field: str, times: float) -> None:
    from dataclasses import replace

    base = NUMBERS
    assert replace(base, **{field: getattr(base, field) * times}).key != base.key
    assert replace(base, **{field: getattr(base, field) * (1.0 + 1e-13)}).key == base.key


def test_orders_differ_from_the_planned_one_and_a_taken_one_is_what_is_planned() -> None:
    job = read_job(json.loads((DEMO / "narrow-lounge.job.json").read_text()))
    made = plan(job)
    all_of = orders(made.ask)
    keys = [order.ask(sheet_numbers).key for order in all_of]  # type: ignore[union-attr]
    assert len(set(keys)) == len(keys) >= 4
    for order in all_of[1:]:
        taken = apply(job, [Edit(pointer=change.pointer, value=change.value) for change in order.changes])
        assert plan(taken).ask(sheet_numbers) == order.ask(sheet_numbers)


def test_an_order_is_told_in_pieces_and_the_last_says_what_it_came_to() -> None:
    numbers = NUMBERS
    told = list(pieces(numbers, MM))
    shares = [share for share, _ in told]
    assert shares == sorted(shares) and shares[-1] == 1.0
    whole = b"".join(piece for _, piece in told)
    head, *moments, _ = heads(whole)
    came = came_of(whole)
    assert head["cells"][0] == 64 and came["rests"] == numbers.key
    # even springs at the end, as each share of the edge asks for
    spacing = 1.0 / (len(numbers.points) / (2.0 * (numbers.width_mm + numbers.height_mm)))
    assert came["pull_n"] == pytest.approx(numbers.line * spacing, rel=0.1)
    assert moments[-1]["texts"]["past"] == "0" and came["evenness"] > 0.9
    held = [which for moment in moments for which in moment["held"]]
    assert sorted(held) == list(range(len(numbers.points)))
    assert len(moments[0]["stretch_mm"]) == len(numbers.points)


def test_springs_past_their_limit_are_counted() -> None:
    from dataclasses import replace

    short = replace(NUMBERS, spring_limit_mm=9.0)  # 13 mm of stretch are needed
    whole = b"".join(piece for _, piece in pieces(short, MM))
    assert came_of(whole)["past_limit"] > 10


def test_fewer_points_are_less_even_and_knit_is_evener() -> None:
    rows = what_if(NUMBERS, [("knit", 0.2, 0.2), ("film", 12.0, 12.0)], 0.8, MM).rows
    spaced = [row for row in rows if "apart" in row.name]
    assert [row.points for row in spaced] == sorted((row.points for row in spaced), reverse=True)
    planned = next(row for row in rows if row.name.startswith("as planned"))
    assert planned.good and spaced[-1].evenness < planned.evenness and not spaced[-1].good
    named = {row.name: row for row in rows}
    assert named["knit"].evenness >= planned.evenness
    assert named["one spring missing"].points == planned.points - 1
    assert named["one spring missing"].evenness < planned.evenness


def test_what_is_kept_of_the_faults_reads_back_and_answers_the_same() -> None:
    numbers = numbers_of("parish-hall").without_order
    content = library_bytes(numbers, lambda share: None)
    own = numbers.laid()
    once, twice = kept_library(own, content), kept_library(own, content)
    lines = [Line(from_mm=(1700.0, 2150.0), to_mm=(2100.0, 2150.0), bad=3.0)]
    assert [cause.fault for cause in once.causes(lines)] == [cause.fault for cause in twice.causes(lines)]
    labels = [f"P{k}" for k in range(len(numbers.points))]
    answer = found(numbers, content, lines, [], {}, {}, labels, MM)
    assert answer.causes[0].text.startswith("Point P") and ", top: too slack" in answer.causes[0].text
    assert answer.share_after < answer.share_before and answer.moves and "ties" in answer.how
    nothing = found(numbers, content, [], [], {}, {}, labels, MM)
    assert not nothing.causes and nothing.nothing


def test_a_changed_field_asks_for_another_simulation_and_one_elsewhere_does_not() -> None:
    document = json.loads((DEMO / "narrow-lounge.job.json").read_text())
    whole = b"".join(piece for _, piece in pieces(NUMBERS, MM))
    (change,) = list(heads(whole))[-1]["changes"]
    job = apply(read_job(document), [Edit(pointer=change["pointer"], value=change["value"])])
    assert plan(job).ask(stale) is False
    for pointer, value, off in (("/notes", "a word", False), ("/tension/line_n_m", 90.0, True)):
        assert plan(apply(job, [Edit(pointer=pointer, value=value)])).ask(stale) is off


@pytest.mark.parametrize("number", range(1, len(EXERCISES) + 1))
def test_every_sheet_of_the_trainer_shows_its_fault_and_knows_its_answer(number: int) -> None:
    task = EXERCISES[number - 1]
    blind = exercise(number, {"kind": "nonsense", "point": -1}, MM)
    point = blind["answer"]["point"]
    right = exercise(number, {"kind": task.kind.value, "point": point}, MM)
    assert right["answer"]["right"] and not blind["answer"]["right"]
    assert float(right["texts"]["wrinkled"].split()[0]) + float(right["texts"]["slack"].split()[0]) > 0.1
    assert (point < 0) is (task.kind in WHOLE)


NUMBERS = numbers_of("narrow-lounge")
