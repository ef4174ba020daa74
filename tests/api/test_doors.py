"""Who is let in, what is taken, and what is refused in words: nothing here is ever a server error."""

import csv
import io
import socket
import threading
import time
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

import httpx2
import pytest
from starlette.testclient import TestClient
from starlette.websockets import WebSocketDisconnect

from gantline.job.model import Job
from gantline.server import create_app
from gantline.settings import Settings
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.stations import plan
from tests.conftest import demo_job
from tests.running import Running

JSON = {"content-type": "application/json"}
BIG, HALF = "9" * 400, r"\ud800"
NEW = '{"name": "x", "value": 2000}'


@pytest.mark.parametrize(
    ("headers", "let_in"),
    [
        ({}, True),
        ({"origin": "http://127.0.0.1", "sec-fetch-site": "same-origin"}, True),
        ({"origin": "http://elsewhere.example"}, False),
        ({"origin": "null"}, False),
        ({"sec-fetch-site": "cross-site"}, False),
        ({"host": "gantline.example"}, False),  # a name that was made to point here
    ],
)
def test_only_our_own_pages_and_programs_change_anything(
    client: TestClient, job: dict[str, Any], headers: dict[str, str], let_in: bool
) -> None:
    answer = client.post("/api/jobs", content=NEW, headers=JSON | headers)
    assert answer.status_code == (201 if let_in else 403)
    try:
        with client.websocket_connect(f"ws://127.0.0.1/api/jobs/{job['id']}/feed", headers=headers) as feed:
            feed.send_text("{not json")
            assert feed.receive_json()["text"] == "This is not a message in JSON."
            feed.send_json({"source": "meter", "hello": True})  # and the feed goes on
            assert feed.receive_json() == {"last": 0}
        assert let_in
    except WebSocketDisconnect:
        assert not let_in


def test_what_goes_out_is_kept_from_other_pages_and_compressed(client: TestClient) -> None:
    one = client.get("/api/jobs").json()["jobs"][0]["id"]
    answer = client.get(f"/api/jobs/{one}", headers={"accept-encoding": "gzip"})
    policy = answer.headers["content-security-policy"]
    assert "script-src 'self';" in policy
    assert "frame-ancestors 'none'" in policy
    assert answer.headers["x-content-type-options"] == "nosniff"
    assert answer.headers["cache-control"] == "private, no-cache"
    assert answer.headers["content-encoding"] == "gzip"
    assert answer.headers["x-request-id"] != client.get("/api/jobs").headers["x-request-id"]
    counted = client.get("/api/metrics").text
    assert 'gantline_answers_total{method="GET",route="/api/jobs/{job_id}",status="200"}' in counted


@pytest.mark.parametrize(
    ("method", "path", "body", "kind", "said"),
    [
        ("POST", "/api/jobs", '{"name": "a\\nb", "value": 2000}', "json", "a line end (U+000A)"),
        ("POST", "/api/jobs", '{"name": "a\\ufffeb", "value": 2000}', "json", "a character that is none (U+FFFE)"),
        ("POST", "/api/jobs", f'{{"name": "{HALF}", "value": 2000}}', "json", ""),
        ("POST", "/api/jobs/file", f'{{"name": "{HALF}"}}', "json", "half a character (U+D800)"),
        ("POST", "/api/jobs/file", '{"name": "x", "known": {"/a\\u0000": "measured"}}', "json", ""),
        ("POST", "/api/jobs/file", f'{{"name": "x", "size": {{"value_mm": {BIG}}}}}', "json", ""),
        ("POST", "/api/jobs/file", NEW, "plain", "Send this as application/json"),
        ("POST", "{job}/edits", f'{{"edits": [{{"pointer": "/survey/seats/{HALF}", "value": 1}}]}}', "json", ""),
        ("POST", "{job}/edits", '{"edits": [{"pointer": "/survey/seats/²/x_mm", "value": 1}]}', "json", ""),
        ("POST", "{job}/edits", f'{{"edits": [{{"pointer": "/size/value_mm", "value": {BIG}}}]}}', "json", ""),
        ("POST", "{job}/take", '{"kind": "fabric", "key": "a\\u0000"}', "json", ""),
        ("POST", "{job}/readings", f'{{"readings": [{{"source": "{HALF}", "seq": 1, "value_mm": 1}}]}}', "json", ""),
        ("POST", "{job}/readings/csv", f"what,value\nfloor,{'1' * 140_000}\n", "csv", "This line cannot be read"),
        ("PUT", "/api/stores/fabric/f", f'{{"name": "F", "body": {{"gain": 1, "x": {BIG}}}}}', "json", ""),
        ("PUT", "/api/stores/fabric/f", '{"name": "F", "body": {"gain": 1, "a\\u0000": 1}}', "json", "(U+0000)"),
        ("POST", "/api/stores/fabric/file/csv", f"name,gain\n{'a' * 140_000},1\n", "csv", "This line cannot be read"),
        ("GET", "/" + "a" * 5000, "", "json", "nothing at this address"),
        ("POST", "/api/jobs", f'{{"name": "x", "value": "{HALF}"}}', "json", "is not part of a length"),
        ("POST", "/api/jobs/file", f'{{"name": "x", "survey": {{"wall_width_mm": "{HALF}"}}}}', "json", ""),
        ("POST", "{job}/edits", f'{{"edits": [{{"pointer": "/size/value_mm", "value": "{HALF}"}}]}}', "json", ""),
        ("POST", "{job}/edits", '{"edits": [{"pointer": "/known", "value": null, "known": "measured"}]}', "json", "kept beside"),
        ("POST", "{job}/edits", '{"edits": [{"pointer": "/sources", "value": ["x"]}]}', "json", "kept beside"),
        ("POST", "{job}/edits", '{"edits": [{"pointer": "/survey", "value": null}]}', "json", ""),
        ("POST", "{job}/edits", '{"edits": [{"pointer": "/survey/seats", "value": [{"id": null}]}]}', "json", ""),
        ("POST", "{job}/readings", f'{{"readings": [{{"source": "m", "seq": 1, "value_mm": "{HALF}"}}]}}', "json", ""),
        ("POST", "/api/pair", f'{{"code": "{HALF}", "name": "x"}}', "json", ""),
    ],
)  # fmt: skip
def test_what_cannot_be_kept_is_refused_and_named(
    client: TestClient, job: dict[str, Any], method: str, path: str, body: str, kind: str, said: str
) -> None:
    media = {"json": "application/json", "csv": "text/csv", "plain": "text/plain"}[kind]
    headers = {"content-type": media, "if-match": f'"{job["version"]}"'}
    place = path.format(job=f"/api/jobs/{job['id']}")
    answer = client.request(method, place, content=body.encode(), headers=headers)
    assert 400 <= answer.status_code < 500, answer.text
    assert answer.headers["content-type"] == "application/problem+json"
    assert said in answer.text


def test_a_name_of_a_page_may_be_as_long_as_a_browser_sends_it(client: TestClient) -> None:
    assert client.get("/" + "a" * 299).status_code in (200, 404)  # no file has so long a name


def test_twenty_pages_that_ask_at_once_what_a_job_casts_get_one_code(
    client: TestClient, job: dict[str, Any]
) -> None:
    with ThreadPoolExecutor(20) as pool:
        asked = [pool.submit(client.get, f"/api/jobs/{job['id']}/cast") for _ in range(20)]
    assert {one.result().status_code for one in asked} == {200}
    assert len({one.result().json()["code"] for one in asked}) == 1


def test_guesses_of_a_cast_code_are_held_back_and_a_key_names_one_edit(
    client: TestClient, job: dict[str, Any]
) -> None:
    assert [client.get(f"/api/cast/GUES{number:02d}").status_code for number in range(22)] == [404] * 20 + [
        429
    ] * 2
    path, headers = f"/api/jobs/{job['id']}/edits", {"if-match": '"1"', "idempotency-key": "one-edit-1"}
    edits = [{"edits": [{"pointer": "/notes", "value": text}]} for text in ("first", "second")]
    answers = [client.post(path, json=one, headers=headers) for one in (edits[0], edits[0], edits[1])]
    assert [one.status_code for one in answers] == [200, 200, 409]
    assert answers[2].json()["type"] == "/problems/another-edit"


def test_who_leaves_in_the_middle_of_a_body_is_no_error(new_database: Callable[[], str]) -> None:
    running = Running("--database", new_database(), "--no-demo").start()
    try:
        for path in ("jobs", "jobs/file", "jobs/00000000-0000-4000-8000-000000000000/photos"):
            with socket.create_connection(("127.0.0.1", running.port)) as half:
                kind = "image/jpeg" if path.endswith("photos") else "application/json"
                head = f"POST /api/{path} HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: {kind}\r\ncontent-length: 900\r\n\r\n{{"
                half.sendall(head.encode())
                time.sleep(0.3)
        with socket.create_connection(("127.0.0.1", running.port)) as long:
            long.sendall(b"GET /api/health HTTP/1.1\r\nhost: 127.0.0.1\r\nx: " + b"y" * 100_000 + b"\r\n\r\n")
            assert long.recv(100).startswith(b"HTTP/1.1 400")
        counted = httpx2.get(f"{running.address}/api/metrics").text
    finally:
        running.stop()
    assert 'status="500"' not in counted
    assert 'status="499"' in counted


def test_a_cell_is_no_formula_and_a_name_no_hole(client: TestClient) -> None:
    body = {"name": "=HYPERLINK(1)", "body": {"gain": 1.0, "kind": "diffuse", "care": "-2+3"}}
    assert client.put("/api/stores/fabric/formula", json=body).status_code == 200
    content = client.get("/api/stores/fabric/file/csv").content
    rows = {row["key"]: row for row in csv.DictReader(io.StringIO(content.decode()))}
    assert (rows["formula"]["name"], rows["formula"]["care"]) == ("'=HYPERLINK(1)", "'-2+3")
    sent = client.post("/api/stores/fabric/file/csv", content=content, headers={"content-type": "text/csv"})
    assert sent.status_code == 200
    back = client.get("/api/stores/fabric/formula").json()
    assert (back["name"], back["body"]["care"]) == ("=HYPERLINK(1)", "-2+3")
    # a document can only hold such a name if it came by another way than ours
    forged = "x\n  0\nCIRCLE\n  8\nHOLES\n 10\n0.0\n 20\n0.0\n 40\n5.0"
    named = Job.model_construct(**(demo_job("mill-loft").__dict__ | {"name": forged}))
    ready = Ready(made=plan(named), stamp="", paper="a4", fabrics=[])
    plain_ready = Ready(made=plan(demo_job("mill-loft")), stamp="", paper="a4", fabrics=[])
    circles = [SHEETS["frame-and-holes"].make(one).count(b"\nCIRCLE\n") for one in (ready, plain_ready)]
    assert circles[0] == circles[1] > 0


def test_a_queue_has_an_end_and_the_server_still_says_that_it_lives(
    tmp_path: Path, client: TestClient
) -> None:
    settings = Settings(database_url="postgresql://nobody:x@127.0.0.1:1/none", web_folder=tmp_path, waiting=2)
    app = create_app(settings)
    go, inside = threading.Event(), threading.Semaphore(0)

    def slow() -> None:
        inside.release()
        go.wait(20)

    app.add_api_route("/api/slow", slow, methods=["POST"])
    with TestClient(app, base_url="http://127.0.0.1") as busy:
        waiting = [threading.Thread(target=busy.post, args=("/api/slow",)) for _ in range(2)]
        for one in waiting:
            one.start()
        for _ in waiting:
            assert inside.acquire(timeout=10)
        refused = busy.get("/api/find/fields")
        assert (refused.json()["type"], refused.headers["retry-after"]) == ("/problems/busy", "1")
        assert busy.get("/api/health").json()["ok"]
        go.set()
        for one in waiting:
            one.join()
        assert busy.get("/api/find/fields").status_code == 200
        assert busy.get("/api/ready").json() == {"database": False, "migrated": False, "worker": False}
    assert client.get("/api/ready").json() == {"database": True, "migrated": True, "worker": False}
