"""Comparisons over HTTP: sizes, fabrics, floor, a seat's view, and the sheets made from them."""

import csv
import io
import time
from itertools import pairwise
from typing import Any

import pytest
from starlette.testclient import TestClient

from gantline.demo.world import job_bytes
from gantline.sheets.registry import SHEETS
from tests.api.test_jobs import figure
from tests.conftest import AS_CSV, AS_JSON, DEMO


@pytest.fixture
def loft(client: TestClient) -> str:
    made = client.post(
        "/api/jobs/file", content=(DEMO / "mill-loft.job.json").read_bytes(), headers=AS_JSON
    ).json()
    return f"/api/jobs/{made['id']}"


def test_taking_a_candidate_gives_what_its_row_promised(client: TestClient, loft: str) -> None:
    rows = client.get(f"{loft}/sizes").json()["rows"]
    wanted = next(row for row in rows if not row["stops"] and not row["chosen"])
    saved = client.post(
        f"{loft}/edits", json={"edits": wanted["changes"]}, headers={"If-Match": '"1"'}
    ).json()
    assert figure(saved, "size")["text"] == wanted["size"]
    again = client.get(f"{loft}/sizes").json()["rows"]
    assert next(row for row in again if row["chosen"])["diagonal"] == wanted["diagonal"]


def test_the_shops_own_fabrics_are_ranked_and_a_new_one_joins(client: TestClient, loft: str) -> None:
    before = [row["key"] for row in client.get(f"{loft}/fabrics").json()["rows"]]
    body = {"name": "Tern trial", "body": {"kind": "diffuse", "gain": 1.0, "ambient_reflectance": 0.05}}
    client.put("/api/stores/fabric/tern-trial", json=body)
    rows = client.get(f"{loft}/fabrics").json()["rows"]
    assert rows[0]["key"] == "tern-trial"  # drinks nearly all room light: nothing beats it in any light state
    assert [row["key"] for row in rows[1:]] == before
    client.delete("/api/stores/fabric/tern-trial")


def shoelace(ring: list[list[float]]) -> float:
    """Area of a closed outline, minus where it runs clockwise."""
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in pairwise([*ring, ring[0]])) / 2.0


@pytest.mark.parametrize("measure", ["angle", "brightness", "uniformity", "contrast", "sight"])
def test_the_floor_has_a_class_for_every_place(client: TestClient, loft: str, measure: str) -> None:
    found = client.get(f"{loft}/floor", params={"measure": measure, "state": 1}).json()
    # what the bands cover, holes taken out, is the whole floor
    covered = sum(
        shoelace(ring) for band in found["bands"] for ring in band["rings"]
    )  # a hole runs the other way round
    whole = (found["right_mm"] - found["left_mm"]) * (found["far_mm"] - found["near_mm"])
    assert abs(covered) == pytest.approx(whole, rel=1e-6)
    assert [seat["name"] for seat in found["seats"]][:1] == ["Front left"]
    assert client.get(f"{loft}/floor", params={"measure": "taste"}).status_code == 422


def test_a_seat_that_is_not_there_has_no_view(client: TestClient, loft: str) -> None:
    assert client.get(f"{loft}/seats/s5/view", params={"state": 2}).json()["name"] == "Rear middle"
    for path in ("/seats/s40/view", "/seats/-1/view", "/seats/s1/view?state=5"):
        answer = client.get(f"{loft}{path}")
        assert (answer.status_code, answer.headers["content-type"]) == (422, "application/problem+json")


@pytest.mark.parametrize("sheet", sorted(SHEETS))
@pytest.mark.usefixtures("worker")
def test_every_sheet_comes_with_a_name_of_its_own(client: TestClient, loft: str, sheet: str) -> None:
    formula = {"pointer": "/wall/screws", "value": "=1+1"}  # a text that a spreadsheet would run
    client.post(f"{loft}/edits", json={"edits": [formula]}, headers={"If-Match": '"1"'})
    answer = client.get(f"{loft}/sheets/{sheet}", params={"paper": "letter"})
    while answer.status_code == 202:  # followed, as a page does
        assert client.get(f"/api/work/{answer.json()['work']}").json()["state"] != "failed"
        answer = client.get(f"{loft}/sheets/{sheet}", params={"paper": "letter"})
    assert answer.status_code == 200
    assert 'filename="Mill loft, ' in answer.headers["content-disposition"]
    assert len(answer.content) > (20 if answer.headers["content-type"].startswith("text/csv") else 300)
    if answer.headers["content-type"].startswith("text/csv"):  # no cell of a stranger's text is a formula
        cells = [cell for row in csv.reader(io.StringIO(answer.text)) for cell in row]
        assert not [
            cell for cell in cells if cell.startswith(("=", "@", "+", "\t")) and not cell[1:2].isdigit()
        ]


def test_two_candidates_are_told_apart_in_words_and_the_table_goes_out_as_a_file(
    client: TestClient, loft: str
) -> None:
    table = client.get(f"{loft}/sizes").json()
    small, large = table["rows"][0], table["rows"][-1]
    said = client.get(f"{loft}/sizes/words", params={"first": small["key"], "second": large["key"]}).json()
    angles = next(row for row in table["measures"] if row["key"] == "angle")["cells"]
    assert said[0].startswith(f"Viewing angle: {angles[0]['text']}") and angles[-1]["text"] in said[0]
    assert said[-1] == f"{large['diagonal']}: {large['judged']['reason'].rstrip('.')}."
    gone = client.get(f"{loft}/sizes/words", params={"first": "1", "second": "tomorrow"})
    assert (gone.status_code, gone.json()["type"].rsplit("/", 1)[-1]) == (422, "no-such-candidate")
    for what in ("sizes", "fabrics", "projectors"):
        lines = list(csv.reader(io.StringIO(client.get(f"{loft}/{what}/file").text)))
        own = client.get(f"{loft}/{what}").json()
        assert len(lines) == 2 + len(own["measures"])
        assert {len(line) for line in lines} == {3 + len(own["rows"])}


def test_a_projector_that_could_stand_elsewhere_is_put_there_and_fits(client: TestClient, loft: str) -> None:
    rows = client.get(f"{loft}/projectors").json()["rows"]
    assert rows[0]["fits"]
    moved = next(row for row in rows if not row["fits"] and row["changes"])
    client.post(f"{loft}/edits", json={"edits": moved["changes"]}, headers={"If-Match": '"1"'})
    again = next(row for row in client.get(f"{loft}/projectors").json()["rows"] if row["chosen"])
    assert (again["name"], again["fits"]) == (moved["name"], True)


def test_projector_records_go_out_and_in_as_files_all_or_none(client: TestClient) -> None:
    out = client.get("/api/stores/projector/file/csv")
    assert out.headers["content-disposition"].startswith('attachment; filename="projector records.csv"')
    before = client.get("/api/stores/projector").json()
    assert (
        client.post("/api/stores/projector/file/csv", content=out.content, headers=AS_CSV).status_code == 200
    )
    listed = client.get("/api/stores/projector/file/json").content
    assert client.post("/api/stores/projector/file/json", content=listed, headers=AS_JSON).status_code == 200
    assert client.get("/api/stores/projector").json() == before
    mixed = b"name,ratio_low,ratio_high,shift_up\nWren,1.2,1.9,\nSiskin,1.2,1.9,50 %\n"
    bad = client.post("/api/stores/projector/file/csv", content=mixed, headers=AS_CSV)
    assert bad.status_code == 422
    assert bad.json()["errors"][0]["pointer"] == "/line 3/shift_of"
    assert client.get("/api/stores/projector").json() == before
    assert client.post("/api/stores/projector/file/xml", content=b"", headers=AS_CSV).status_code == 422


def test_a_turned_body_is_planned_and_drawn(client: TestClient, loft: str) -> None:
    turn = [{"pointer": "/throw/pitch_deg", "value": -5}, {"pointer": "/throw/yaw_deg", "value": 3}]
    made = client.post(f"{loft}/edits", json={"edits": turn}, headers={"If-Match": '"1"'}).json()
    assert any(one["code"] == "turned" for one in made["plan"]["findings"])
    assert {"quad", "kept"} <= {mark["key"] for mark in made["drawing"]["front"]["marks"]}


@pytest.mark.usefixtures("worker")
def test_a_job_with_much_in_it_is_compared_by_a_worker_and_comes_to_the_same(
    client: TestClient, loft: str
) -> None:
    small = client.get(f"{loft}/sizes").json()
    document = client.get(f"{loft}/file").json()
    box = {"kind": "furniture", "width_mm": 100.0, "height_mm": 100.0, "depth_mm": 100.0, "y_mm": 0.0}
    far = [box | {"id": f"far-{at}", "x_mm": 110.0 * at, "z_mm": 7000.0} for at in range(35)]
    document["survey"]["boxes"] += far
    much = client.post("/api/jobs/file", json=document).json()
    for _ in range(2):  # the second time from what is kept
        answer = client.get(f"/api/jobs/{much['id']}/sizes")
        while answer.status_code == 202:
            answer = client.get(f"/api/jobs/{much['id']}/sizes")
        assert [row["size"] for row in answer.json()["rows"]] == [row["size"] for row in small["rows"]]


@pytest.mark.usefixtures("worker")
def test_cuts_and_materials_come_through_the_door_and_boards_from_the_stores(client: TestClient) -> None:
    job = client.post("/api/jobs/file", content=job_bytes("basement-den"), headers=AS_JSON).json()
    path = f"/api/jobs/{job['id']}"

    def bench() -> dict[str, Any]:
        for _ in range(200):
            answer = client.get(f"{path}/bench")
            if answer.status_code == 200:
                found: dict[str, Any] = answer.json()
                return found
            assert answer.status_code == 202
            time.sleep(0.1)
        raise TimeoutError

    first = bench()
    assert first["cutting"]["groups"][0]["proven"]
    assert first["cutting"]["price"] == pytest.approx(29.9)
    cheap = {"name": "long 1×3", "body": {"nominal": "1x3", "length_mm": 4000, "price": 5.0}}
    assert client.put("/api/stores/board/long", json=cheap).status_code == 200
    assert bench()["cutting"]["price"] == pytest.approx(
        20.0
    )  # four of them: the stores changed, so the answer is another
    refused = client.put(
        "/api/stores/board/bad", json={"name": "x", "body": {"nominal": "9x9", "length_mm": 1}}
    )
    assert refused.json()["errors"][0]["pointer"] == "/nominal"
    kit: dict[str, Any] = {"name": "Own", "body": {"hold": "lug", "rail_count": 4, "finish": "matt"}}
    assert client.put("/api/stores/kit/own", json=kit).json()["errors"][0]["pointer"] == "/stile_count"
    kit["body"] |= {"stile_count": 3, "parts": [{"name": "lugs", "count": 14, "holds": True, "bag": 2}]}
    assert client.put("/api/stores/kit/own", json=kit).json()["body"]["parts"][0]["bag"] == 2
    headers = {"if-match": f'"{job["version"]}"'}
    took = client.post(f"{path}/take", json={"kind": "kit", "key": "own"}, headers=headers).json()
    assert took["document"]["frame"]["build"] == "kit"
    assert [one["name"] for one in took["document"]["frame"]["parts"]] == ["lugs"]
    kept = client.post(f"/api/stores/kit/from/{job['id']}", json={"name": "As built"})
    assert kept.json()["body"]["parts"][0]["count"] == 14
    assert bench()["cutting"]["groups"] == []
