"""The job document: typed lengths, clear refusals, edits all or none, files without loss."""

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.job.edits import Edit, apply, mark_known
from gantline.job.explained import explained
from gantline.job.file import read_job, read_job_file, write_job_file
from gantline.job.model import FIELDS
from gantline.job.problems import BadDocument
from gantline.job.records import RecordKind, edits_from, read_record
from gantline.job.sayings import SAYS
from tests.conftest import DEMO, demo_job


def refused(action: object) -> dict[str, str]:
    with pytest.raises(BadDocument) as caught:
        action()  # type: ignore[operator]
    return {one.pointer: one.text.replace("\u00a0", " ") for one in caught.value.problems}


@pytest.mark.parametrize("path", sorted(DEMO.glob("*.job.json")), ids=lambda path: path.stem)
def test_a_job_file_goes_out_and_in_again_without_loss(path: object) -> None:
    job = read_job_file(path.read_bytes())  # type: ignore[attr-defined]
    assert read_job_file(write_job_file(job)) == job


def test_a_text_counts_in_the_jobs_own_unit_and_a_number_in_millimetres() -> None:
    for style, mm in (("mm", 100.0), ("cm", 1000.0), ("in-fraction", 2540.0)):
        job = read_job(
            {
                "name": "x",
                "units": {"style": style},
                "size": {"value_mm": "100"},
                "survey": {"ceiling_mm": 2440},
            }
        )
        assert (job.size.value_mm, job.survey.ceiling_mm) == (mm, 2440.0)


@pytest.mark.parametrize(
    ("pointer", "value", "said"),
    [
        ("/survey/ceiling_mm", "about eight feet", "not a unit of length"),
        ("/survey/ceiling_mm", 0, "1000 mm or more"),
        ("/survey/wall_width_mm", -5, "it reads −5"),
        ("/survey/wall_width_mm", "10 km", "not a unit"),
        ("/survey/wall_width_mm", 1e7, "at most 60000"),
        ("/size/value_mm", float("nan"), "finite number"),
        ("/size/value_mm", True, "A length is a number"),
        ("/size/aspect", "16:0", "not an aspect ratio"),
        ("/units/style", "furlong", "one of"),
        ("/throw/shift_up", "lots", "no percentage"),
        ("/throw/ratio_low", "wide", "number"),
        ("/tension/rail_count", 1, "at least 2"),
        ("/place", "a\x00b", "a control character (U+0000)"),
        ("/survey/colour", "red", "No field has this name"),
        ("/survey/ceiling_readings/7", 1.0, "No field has this name"),
    ],
)
def test_a_wrong_value_is_refused_with_its_field_and_what_would_be_right(
    pointer: str, value: Any, said: str
) -> None:
    job = demo_job("parish-hall")
    problems = refused(lambda: apply(job, [Edit.model_construct(pointer=pointer, value=value, known=None)]))
    assert said.lower() in problems[pointer].lower()


def test_edits_are_all_or_none() -> None:
    job = demo_job("mill-loft")
    good, bad = Edit(pointer="/size/value_mm", value="130"), Edit(pointer="/size/aspect", value="?")
    assert list(refused(lambda: apply(job, [good, bad]))) == ["/size/aspect"]
    assert apply(job, [good]).size.value_mm == pytest.approx(3302)
    assert job.size.value_mm == pytest.approx(3505.2)


def test_lists_grow_shrink_and_refuse_two_readings_at_one_place() -> None:
    job = demo_job("parish-hall")
    longer = apply(
        job, [Edit(pointer="/survey/floor_readings/-", value={"x_mm": "3 m", "down_mm": "150,5 cm"})]
    )
    assert (longer.survey.floor_readings[-1].x_mm, longer.survey.floor_readings[-1].down_mm) == (3000, 1505)
    assert (
        apply(
            longer,
            [Edit(pointer=f"/survey/floor_readings/{longer.survey.floor_readings[-1].id}", value=None)],
        )
        == job
    )
    twice = Edit(pointer="/survey/floor_readings/-", value={"x_mm": 0, "down_mm": 9})
    assert "same place" in refused(lambda: apply(job, [twice]))["/survey/floor_readings"]


def test_how_a_field_is_known_is_kept_beside_it_and_leaves_with_it() -> None:
    job = mark_known(demo_job("mill-loft"), "/survey/datum_mm", "assumed")
    assert job.known["/survey/datum_mm"] == "assumed"
    assert "/survey/datum_mm" not in apply(job, [Edit(pointer="/survey/datum_mm", value=None)]).known
    refused(lambda: mark_known(job, "/survey/nothing", "measured"))


def test_things_are_named_by_their_id_and_never_by_their_place() -> None:
    job = demo_job("mill-loft")
    first, second = job.survey.seats[0].id, job.survey.seats[1].id
    marked = apply(job, [Edit(pointer=f"/survey/seats/{second}/eye_mm", value=1100, known="assumed")])
    without = apply(marked, [Edit(pointer=f"/survey/seats/{first}", value=None)])
    moved = apply(without, [Edit(pointer=f"/survey/seats/{second}/x_mm", value=2000)])
    assert next(one for one in moved.survey.seats if one.id == second).x_mm == 2000
    assert moved.known[f"/survey/seats/{second}/eye_mm"] == "assumed"
    assert (
        f"/survey/seats/{second}"
        in refused(lambda: apply(moved, [Edit(pointer=f"/survey/seats/{second}/x_mm", value="?")])).__str__()
    )
    gone = apply(moved, [Edit(pointer=f"/survey/seats/{second}", value=None)])
    assert not [one for one in gone.known if second in one]
    for pointer in ("/survey/seats/1/x_mm", f"/survey/seats/{first}/x_mm"):
        assert refused(lambda at=pointer: apply(gone, [Edit(pointer=at, value=1)]))
    twice = {"name": "x", "survey": {"seats": [{"id": "a", "x_mm": 1, "from_wall_mm": 900}] * 2}}
    assert "own" in refused(lambda: read_job(twice))["/survey/seats"]


def test_what_is_no_job_file_is_said_plainly() -> None:
    assert "not a JSON file" in refused(lambda: read_job_file(b"{"))[""]
    assert "not a JSON file" in refused(lambda: read_job_file(b'{"name": NaN}'))[""]
    assert "JSON object" in refused(lambda: read_job_file(b"[]"))[""]
    assert "kB" in refused(lambda: read_job_file(b" " * 1_100_000))[""]
    assert "up to 2" in refused(lambda: read_job({"name": "x", "format_version": 9}))["/format_version"]
    assert "/format" in refused(lambda: read_job({"name": "x", "format": "other"}))
    assert refused(lambda: read_job({}))["/name"] == "This field is missing."


json_values = st.recursive(
    st.none() | st.booleans() | st.floats() | st.text(max_size=8),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3),
)


@given(st.dictionaries(st.sampled_from(["name", "size", "survey", "units", "known", "throw"]), json_values))
def test_any_json_is_a_job_or_a_named_refusal(data: dict[str, object]) -> None:
    try:
        read_job(data)
    except BadDocument as error:
        assert all(one.text for one in error.problems)


def test_a_record_is_copied_into_the_job_and_keeps_fields_of_its_own() -> None:
    body = read_record(
        RecordKind.PROJECTOR,
        {"ratio_low": 1.2, "ratio_high": 1.9, "shift_up": 0.5, "shift_of": "whole", "lamp": "new"},
    )
    assert body["lamp"] == "new"
    job = apply(demo_job("mill-loft"), edits_from(RecordKind.PROJECTOR, "Wren", body))
    assert (job.throw.name, job.throw.ratio_high, job.throw.shift_up) == ("Wren", 1.9, 0.5)
    assert "wide end" in str(
        refused(lambda: read_record(RecordKind.PROJECTOR, {"ratio_low": 3, "ratio_high": 2}))
    )
    for kind, records in json.loads((DEMO / "stores.json").read_text()).items():
        for record in records:
            apply(
                job,
                edits_from(RecordKind(kind), record["name"], read_record(RecordKind(kind), record["body"])),
            )


def test_what_is_explained_is_a_field_and_said_once() -> None:
    assert set(SAYS) <= {field.key for field in FIELDS.values()}
    said = explained()
    assert len({key for key, _, _ in said}) == len(said)
    assert [key for key, _, says in said if not says] == []
    assert [key for key, label, says in said if says.rstrip(".").casefold() == label.casefold()] == []
    assert all(says.endswith(".") and "  " not in says for says in SAYS.values())
