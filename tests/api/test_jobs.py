"""The HTTP interface: jobs from a name to a sheet, and every wrong thing answered as a problem document."""

import json
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import psycopg
import pytest
from fastapi import FastAPI
from starlette.testclient import TestClient

from gantline.server import create_app
from gantline.settings import Settings
from tests.conftest import AS_JSON, DEMO

PROBLEM = "application/problem+json"


def edit(client: TestClient, job: dict[str, Any], *edits: dict[str, Any], version: int | None = None) -> Any:
    headers = {"If-Match": f'"{version or job["version"]}"'}
    return client.post(f"/api/jobs/{job['id']}/edits", json={"edits": list(edits)}, headers=headers)


def figure(job: dict[str, Any], key: str) -> dict[str, Any]:
    return next(one for one in job["plan"]["figures"] if one["key"] == key)


def test_a_name_and_a_diagonal_make_a_planned_job(job: dict[str, Any]) -> None:
    assert (job["version"], job["can_undo"], job["can_redo"]) == (1, False, False)
    assert figure(job, "diagonal")["value"] == pytest.approx(113 * 25.4)
    assert figure(job, "wall_width")["known"] == "assumed"
    assert job["drawing"]["front"]["marks"]


def test_typed_text_is_read_in_the_jobs_units_and_refused_with_its_field(
    client: TestClient, job: dict[str, Any]
) -> None:
    saved = edit(client, job, {"pointer": "/survey/ceiling_mm", "value": "8' 2 1/2\""}).json()
    assert figure(saved, "ceiling")["value"] == pytest.approx(2501.9)
    answer = edit(client, saved, {"pointer": "/survey/ceiling_mm", "value": "roughly"})
    assert (answer.status_code, answer.headers["content-type"]) == (422, PROBLEM)
    assert answer.json()["errors"][0]["pointer"] == "/survey/ceiling_mm"
    assert client.get(f"/api/jobs/{job['id']}").json()["version"] == saved["version"]


def test_two_people_saving_at_once_get_409_with_both_versions(
    client: TestClient, job: dict[str, Any]
) -> None:
    assert edit(client, job, {"pointer": "/size/value_mm", "value": "120"}).status_code == 200
    answer = edit(client, job, {"pointer": "/size/value_mm", "value": "100"}, version=1)
    body = answer.json()
    assert (answer.status_code, body["expected"], body["current"]["version"]) == (409, 1, 2)
    assert body["current"]["document"]["size"]["value_mm"] == pytest.approx(120 * 25.4)
    without = client.post(
        f"/api/jobs/{job['id']}/edits", json={"edits": [{"pointer": "/name", "value": "x"}]}
    )
    assert without.status_code == 428


def test_a_conflict_says_field_by_field_what_both_sides_changed(
    client: TestClient, job: dict[str, Any]
) -> None:
    seat = {"id": "s1", "name": "Front", "x_mm": 1000.0, "from_wall_mm": 3000.0}
    seated = edit(client, job, {"pointer": "/survey/seats/-", "value": seat}).json()
    theirs: list[dict[str, Any]] = [
        {"pointer": "/size/value_mm", "value": "120"},
        {"pointer": "/survey/seats/s1", "value": None},
    ]
    assert edit(client, seated, *theirs).status_code == 200
    mine: list[dict[str, Any]] = [
        {"pointer": "/size/value_mm", "value": "100"},
        {"pointer": "/survey/seats/s1/x_mm", "value": 1200.0},
        # a field that is not there is no reason for another answer
        {"pointer": "/wall/gone", "value": 1.0},
    ]
    answer = edit(client, seated, *mine[:2])
    told = [(one["was"], one["theirs"], one["mine"]) for one in answer.json()["differences"]]
    assert told == [("113″", "120″", "100″"), ("39\u00a03⁄8″", "removed", "47\u00a01⁄4″")]
    assert edit(client, seated, *mine).status_code == 409
    # a next version that is only guessed lets nothing through
    assert edit(client, seated, *mine[:1], version=seated["version"] + 5).status_code == 409


def test_an_edit_whose_answer_was_lost_is_saved_once(client: TestClient, job: dict[str, Any]) -> None:
    body = {"edits": [{"pointer": "/place", "value": "Quay"}]}
    headers = {"If-Match": '"1"', "Idempotency-Key": "3f0c8a52-lost-answer"}
    path = f"/api/jobs/{job['id']}"
    first, again = (client.post(f"{path}/edits", json=body, headers=headers) for _ in range(2))
    assert (first.status_code, again.status_code, again.json()["version"]) == (200, 200, 2)
    edit(client, first.json(), {"pointer": "/place", "value": "Hill"})
    assert client.post(f"{path}/edits", json=body, headers=headers).json()["version"] == 2
    assert client.get(path).json()["document"]["place"] == "Hill"


def test_saving_and_deleting_one_version_at_once_only_one_of_them_happens(client: TestClient) -> None:
    for _ in range(20):
        made = client.post("/api/jobs", json={"name": "Race", "value": 2000}).json()
        path = f"/api/jobs/{made['id']}"
        with ThreadPoolExecutor(2) as pool:
            saved = pool.submit(edit, client, made, {"pointer": "/place", "value": "x"})
            gone = pool.submit(client.delete, path, headers={"If-Match": '"1"'})
        codes = saved.result().status_code, gone.result().status_code
        assert codes in ((200, 409), (404, 204)), codes
        assert client.get(path).status_code == (200 if codes[0] == 200 else 404)


NO_COMMIT = """
    CREATE FUNCTION no_commit() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE 'no'; END $$;
    CREATE CONSTRAINT TRIGGER no_commit AFTER INSERT ON job_version DEFERRABLE INITIALLY DEFERRED
        FOR EACH ROW EXECUTE FUNCTION no_commit();
"""


def test_what_could_not_be_committed_is_neither_shown_nor_built_on(app: FastAPI, client: TestClient) -> None:
    made = client.post("/api/jobs", json={"name": "Mill", "value": 2000}).json()
    url = app.state.queue.url
    with psycopg.connect(url.replace("+psycopg", ""), autocommit=True) as database:
        database.execute(NO_COMMIT)
        lost = edit(client, made, {"pointer": "/place", "value": "Lost"})
        database.execute("DROP FUNCTION no_commit CASCADE")
    assert lost.status_code >= 500
    second = create_app(Settings(database_url=url))
    with TestClient(second, base_url="http://127.0.0.1") as other:  # another server of the same database
        kept = edit(other, made, {"pointer": "/place", "value": "Kept"})
        assert (kept.status_code, kept.json()["version"]) == (200, 2)
    second.state.engine.dispose()
    assert client.get(f"/api/jobs/{made['id']}").json()["document"]["place"] == "Kept"
    named = edit(client, kept.json(), {"pointer": "/name", "value": "Mill loft"}).json()
    assert (named["version"], named["document"]["place"]) == (3, "Kept")


def test_undo_and_redo_over_saved_versions(client: TestClient, job: dict[str, Any]) -> None:
    changed = edit(client, job, {"pointer": "/size/value_mm", "value": "120"}).json()

    def step(way: str, version: int) -> Any:
        return client.post(f"/api/jobs/{job['id']}/{way}", headers={"If-Match": f'"{version}"'})

    undone = step("undo", changed["version"]).json()
    assert (figure(undone, "lead_value")["text"], undone["can_undo"], undone["can_redo"]) == (
        "113″",
        False,
        True,
    )
    redone = step("redo", undone["version"]).json()
    assert (figure(redone, "lead_value")["text"], redone["version"]) == ("120″", 4)
    assert step("redo", 4).status_code == 409
    whats = [one["what"] for one in client.get(f"/api/jobs/{job['id']}/versions").json()]
    assert whats == [
        "redo: Diagonal 113″ → 120″",
        "undo: Diagonal 113″ → 120″",
        "Diagonal 113″ → 120″",
        "created",
    ]
    older = client.get(f"/api/jobs/{job['id']}/versions", params={"before": 3, "most": 1}).json()
    assert [one["number"] for one in older] == [2]


@pytest.mark.parametrize(
    ("pointer", "value", "station", "face"),
    [("/height/centre_x_mm", 2300.0, "height", "front"), ("/frame/trim_mm", 10.0, "wall", "front"), ("/height/wish_mm", 1150.0, "wall", "front"), ("/throw/lens_y_mm", 2200.0, "throw", "side"), ("/survey/seats/s5/from_wall_mm", 4900.0, "survey", "top")],
)  # fmt: skip
def test_a_preview_is_what_saving_would_change_and_nothing_else(
    client: TestClient, pointer: str, value: float, station: str, face: str
) -> None:
    job = client.post(
        "/api/jobs/file", content=(DEMO / "mill-loft.job.json").read_bytes(), headers=AS_JSON
    ).json()
    edits = [{"pointer": pointer, "value": value}]
    body = {"version": 1, "edits": edits, "station": station, "face": face, "open": ["frame_top"]}
    answer = client.post(f"/api/jobs/{job['id']}/preview", json=body)
    assert len(answer.content) < 10_000
    got = answer.json()
    saved = edit(client, job, *edits).json()
    assert client.post(f"/api/jobs/{job['id']}/preview", json=body).json() == got  # still of version 1
    told = {one["key"]: one for one in got["figures"]}
    for one in saved["plan"]["figures"]:
        kept = figure(job, one["key"]) | told.get(one["key"], {})
        assert all(one[key] == kept[key] for key in ("text", "value", "known", "rests_on")), one["key"]
        assert one["entry"] is None or one["entry"]["given"] == kept.get("given", kept["entry"]["given"])
    states = {one["key"]: one for one in job["plan"]["stations"]} | {
        one["key"]: one for one in got["stations"]
    }
    assert saved["plan"]["stations"] == list(states.values())
    told_findings = range(len(job["plan"]["findings"])) if got["findings"] is None else got["findings"]
    findings = [job["plan"]["findings"][one] if isinstance(one, int) else one for one in told_findings]
    # cures are tried only when it is saved
    assert [one | {"cures": 0} for one in saved["plan"]["findings"]] == [
        one | {"cures": 0} for one in findings
    ]
    measure = job["plan"]["to_measure"] if got["to_measure"] is None else got["to_measure"]
    assert saved["plan"]["to_measure"] == measure
    marks = {one["key"]: one for one in got["face"]["marks"]}
    before = {one["key"]: one for one in job["drawing"][face]["marks"]}
    now = {one["key"]: one for one in saved["drawing"][face]["marks"]}
    assert marks
    for key, mark in marks.items():
        assert now[key] == mark != before.get(key)
    assert not set(got["face"]["gone"]) & set(now)
    tape = saved["drawing"]["tape"]
    assert (got["tape"] is None and tape == job["drawing"]["tape"]) or tape == got["tape"]


def test_the_job_file_goes_out_and_comes_in_as_the_same_job(client: TestClient, job: dict[str, Any]) -> None:
    sent = client.get(f"/api/jobs/{job['id']}/file")
    assert "Trial.job.json" in sent.headers["content-disposition"]
    again = client.post("/api/jobs/file", content=sent.content, headers=AS_JSON).json()
    assert again["document"] == job["document"]
    assert again["id"] != job["id"]


def test_a_record_is_taken_from_the_stores_and_the_mark_of_knowing_is_set(
    client: TestClient, job: dict[str, Any]
) -> None:
    headers = {"If-Match": '"1"'}
    taken = client.post(
        f"/api/jobs/{job['id']}/take", json={"kind": "projector", "key": "tern-6"}, headers=headers
    ).json()
    assert (figure(taken, "ratio_high")["value"], taken["document"]["throw"]["name"]) == (2.1, "Tern 6 laser")
    headers = {"If-Match": '"2"'}
    body = {"pointer": "/size/value_mm", "known": "assumed"}
    known = client.post(f"/api/jobs/{job['id']}/known", json=body, headers=headers).json()
    assert figure(known, "lead_value")["known"] == "assumed"
    assert "lead_value" in figure(known, "width")["rests_on"]


def test_stores_keep_open_records_and_refuse_bad_ones(client: TestClient) -> None:
    put = client.put(
        "/api/stores/fixing/new-hook",
        json={"name": "New hook", "body": {"drop_mm": "1 in", "row_offset_mm": 50, "leaflet": "B"}},
    )
    assert (put.json()["body"]["drop_mm"], put.json()["body"]["leaflet"]) == (25.4, "B")
    assert "new-hook" in [one["key"] for one in client.get("/api/stores/fixing").json()]
    bad = client.put(
        "/api/stores/projector/odd", json={"name": "Odd", "body": {"ratio_low": 2, "ratio_high": 1}}
    )
    assert (bad.status_code, "wide end" in bad.json()["detail"]) == (422, True)
    assert client.delete("/api/stores/fixing/new-hook").status_code == 204
    assert client.get("/api/stores/fixing/new-hook").json()["type"] == "/problems/no-such-record"


def test_a_shops_own_defaults_replan_every_job(client: TestClient, job: dict[str, Any]) -> None:
    put = client.put("/api/settings", json={"values": {"drop_mm": 44.0}})
    assert next(one for one in put.json() if one["key"] == "drop_mm")["own"] == 44.0
    assert figure(client.get(f"/api/jobs/{job['id']}").json(), "drop")["value"] == 44.0
    assert (
        client.put("/api/settings", json={"values": {"drop_mm": -4}}).json()["errors"][0]["pointer"]
        == "/drop_mm"
    )
    assert client.put("/api/settings", json={"values": {}}).status_code == 200


@pytest.mark.parametrize(
    ("method", "path", "body", "status"),
    [
        ("POST", "/api/jobs", {"name": "x" * 161, "value": 100}, 422),
        ("POST", "/api/jobs", {"name": "x", "value": 0}, 422),
        ("POST", "/api/jobs", {"name": "x", "value": -4}, 422),
        ("POST", "/api/jobs", {"name": "x", "value": "10 km"}, 422),
        ("POST", "/api/jobs", {"name": "x", "value": 10_000_000}, 422),
        ("POST", "/api/jobs", {"name": "x", "value": 2000, "colour": "red"}, 422),
        ("POST", "/api/jobs", {"name": ["x"], "value": 2000}, 422),
        ("POST", "/api/jobs", b'{"name": "x", "value": NaN}', 422),
        ("POST", "/api/jobs", b'{"name": "x", ', 422),
        ("POST", "/api/jobs/file", b"\xff\xfe", 422),
        ("POST", "/api/jobs/file", b"[" * 100_000, 422),
        ("POST", "/api/jobs/file", {"name": "x", "size": {"value_mm": "NaN"}}, 422),
        ("POST", "/api/jobs", b'{"name": ' + b"[" * 100_000, 400),
        (
            "PUT",
            "/api/stores/fabric/deep",
            b'{"name": "x", "body": ' + b'{"a":' * 300 + b"1" + b"}" * 301,
            422,
        ),
        ("GET", "/api/jobs/00000000-0000-0000-0000-000000000000", None, 404),
        ("GET", "/api/jobs/not-a-job", None, 422),
        ("GET", "/api/nothing", None, 404),
        ("PATCH", "/api/jobs", None, 405),
        ("GET", "/api/stores/spoons", None, 422),
        ("PUT", "/api/stores/kit/A%20b", {"name": "x", "body": {}}, 422),
    ],
)
def test_whatever_is_wrong_is_answered_by_a_problem_document(
    client: TestClient, method: str, path: str, body: object, status: int
) -> None:
    content = body if isinstance(body, bytes) or body is None else json.dumps(body).encode()
    answer = client.request(method, path, content=content, headers={"content-type": "application/json"})
    assert (answer.status_code, answer.headers["content-type"]) == (status, PROBLEM), answer.text
    told = answer.json()
    assert told["type"].startswith("/problems/")
    assert told["title"]
    assert told["detail"]


def test_a_file_of_20_megabytes_is_refused_before_it_is_read(client: TestClient) -> None:
    def chunks() -> Any:
        for _ in range(20):
            yield b"x" * 1_000_000

    for content in (b"x" * 20_000_000, chunks()):
        answer = client.post("/api/jobs/file", content=content, headers=AS_JSON)
        assert (answer.status_code, answer.headers["content-type"]) == (413, PROBLEM)
    assert client.get("/api/health").status_code == 200


def set_to(pointer: str, value: Any) -> dict[str, Any]:
    return {"pointer": pointer, "value": value}


def test_a_doubtful_length_is_asked_back_and_each_reading_is_one_that_can_be_taken(
    client: TestClient, job: dict[str, Any]
) -> None:
    metric = edit(client, job, set_to("/units/style", "cm")).json()
    for pointer, typed, choices in (
        ("/wall/drop_mm", "14 3/8", ["14 3/8 cm", "14 3/8 in"]),
        ("/survey/wall_width_mm", "4.120", ["4.120 cm", "4120 cm"]),
        ("/survey/wall_width_mm", "186", None),
        ("/survey/wall_width_mm", "4120", ["4120 cm", "4120 mm"]),
        ("/size/value_mm", "100", ["100 cm", "100 in"]),
    ):
        refused = edit(client, metric, set_to(pointer, typed))
        if choices is None:  # 186 cm is a narrow wall, but a wall
            assert refused.status_code == 200
            metric = refused.json()
            continue
        assert refused.status_code == 422
        assert refused.json()["type"] == "/problems/doubtful-length"
        assert refused.json()["errors"][0]["choices"] == choices
        metric = edit(client, metric, set_to(pointer, choices[-1])).json()
    assert figure(metric, "drop")["value"] == pytest.approx(14.375 * 25.4)
    assert figure(metric, "wall_width")["value"] == 4120.0
    whats = [one["what"] for one in client.get(f"/api/jobs/{job['id']}/versions").json()]
    assert any(what.startswith("Drop, hole to frame top ") and "→ 36.5" in what for what in whats)


@pytest.mark.parametrize(
    ("start", "figures"),
    [
        ({"start": "wall", "value": "3800"}, {"width": 3800.0}),
        ({"start": "height", "value": "1500"}, {"height": 1500.0}),
        ({"start": "throw", "ratio_low": "1.2", "lens_from_wall": "3600"}, {"lens_from_wall": 3600.0}),
        ({"start": "angle", "angle_deg": "40", "seat_from_wall": "3300"}, {"angle": 40.0}),
        ({"start": "measured", "value": "2400", "picture_height": "1350", "diagonal_rising": "2760", "diagonal_falling": "2748"}, {"width": 2400.0}),
    ],
)  # fmt: skip
def test_a_job_starts_from_what_is_known(
    client: TestClient, start: dict[str, str], figures: dict[str, float]
) -> None:
    answer = client.post("/api/jobs", json={"name": "New", "units": {"style": "mm"}, **start})
    assert answer.status_code == 201, answer.text
    job = answer.json()
    for key, value in figures.items():
        assert figure(job, key)["value"] == pytest.approx(value)
    assert figure(job, "drop")["known"] == "assumed"
    if start["start"] == "measured":
        said = next(one for one in job["plan"]["findings"] if one["code"] == "out-of-square")
        # by hand: (2760² - 2748²) / (4 * 2400) = 6.9 mm
        assert said["numbers"]["lean_mm"] == pytest.approx(6.885)


def test_a_new_job_names_the_field_of_the_form_that_is_missing_or_doubtful(client: TestClient) -> None:
    for body, field in (
        ({"start": "throw", "ratio_low": "1.2"}, "/lens_from_wall"),
        ({"start": "wall"}, "/value"),
        ({"value": "100"}, "/value"),
        ({"value": "abc"}, "/value"),
    ):
        refused = client.post("/api/jobs", json={"name": "x", "units": {"style": "cm"}, **body})
        assert (refused.status_code, refused.json()["errors"][0]["pointer"]) == (422, field), refused.text


def test_what_a_job_holds_is_kept_in_the_stores_and_taken_by_another(
    client: TestClient, job: dict[str, Any]
) -> None:
    for pointer, value in (("/wall/drop_mm", "1 3/4"), ("/wall/way", "cleat"), ("/wall/lift_on_mm", "1")):
        job = edit(client, job, set_to(pointer, value)).json()
    kept = client.post(f"/api/stores/fixing/from/{job['id']}", json={"name": "Own cleat, oak"})
    assert (kept.status_code, kept.json()["key"], kept.json()["body"]["way"]) == (
        200,
        "own-cleat-oak",
        "cleat",
    )
    other = client.post("/api/jobs", json={"name": "Other", "value": 2500}).json()
    headers = {"If-Match": f'"{other["version"]}"'}
    taken = client.post(
        f"/api/jobs/{other['id']}/take", json={"kind": "fixing", "key": "own-cleat-oak"}, headers=headers
    )
    assert figure(taken.json(), "drop")["value"] == pytest.approx(44.45)
    assert "lower_row" not in {one["key"] for one in taken.json()["plan"]["figures"]}
    assert client.post(f"/api/stores/projector/from/{job['id']}", json={"name": "x"}).status_code == 422
    assert client.delete("/api/stores/fixing/own-cleat-oak").status_code == 204
