"""The readings feed: nothing lost, nothing doubled, whichever end is killed."""

import multiprocessing
import os
import signal
import time
from pathlib import Path
from typing import Any

import httpx2
import pytest
from fastapi import FastAPI
from starlette.testclient import TestClient

from gantline.core.units import LengthStyle, Units
from gantline.devices.distance_meter import DistanceMeter
from gantline.job.problems import BadDocument
from gantline.job.readings import read_csv
from gantline.server import create_app
from gantline.settings import Settings
from tests.conftest import AS_CSV
from tests.running import Running


def test_csv_readings_are_read_in_any_usual_form_and_refused_by_line(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}/readings"
    sent = client.post(
        f"{path}/csv",
        content=b"\xef\xbb\xbfwhat;x;value\nceiling;0;49 1/2\nceiling;8' 2\";1.25 m\nwall-width;;186\n",
        headers=AS_CSV,
    )
    assert sent.json() == {"new": 3, "sent": 3}
    listed = client.get(path).json()
    assert sorted(round(one["value_mm"], 1) for one in listed) == [1250.0, 1257.3, 4724.4]
    found = client.post(
        f"{path}/csv", content=b'what,value\nstud-magnet,310\nstud-edge,62"\n', headers=AS_CSV
    )
    assert found.json() == {"new": 2, "sent": 2}
    bad = client.post(f"{path}/csv", content=b"what,x,value\nceiling,0,high\n", headers=AS_CSV)
    assert (bad.status_code, bad.json()["errors"][0]["pointer"]) == (422, "/line 2/value")
    for content in (b"\xff\xfe\x00", b"a,b\n1,2\n", b"what,x,value\nhat,0,1\n"):
        with pytest.raises(BadDocument):
            read_csv(content, Units(LengthStyle.MILLIMETERS), "file", 1)


def test_readings_go_into_the_survey_as_measured_and_replace_their_place(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}/readings"

    def send(seq: int, what: str, value: float, x: float | None = None) -> None:
        body = {"readings": [{"source": "m", "seq": seq, "what": what, "x_mm": x, "value_mm": value}]}
        assert client.post(path, json=body).json()["sent"] == 1

    send(1, "wall-width", 4700)
    send(2, "ceiling", 1240, 0)
    send(3, "ceiling", 1236, 0)
    names = [{"source": "m", "seq": seq} for seq in (1, 2, 3)]
    used = client.post(f"{path}/use", json={"readings": names}, headers={"If-Match": '"1"'}).json()
    survey = used["document"]["survey"]
    assert survey["wall_width_mm"] == 4700
    assert [(one["x_mm"], one["up_mm"]) for one in survey["ceiling_readings"]] == [(0, 1236)]
    assert used["document"]["known"]["/survey/wall_width_mm"] == "measured"
    made = [
        ("sensor", 2, "ceiling", 900, 1250),
        ("m", 5, "stud-magnet", None, 310),
        ("sensor", 5, "stud-magnet", None, 716),
    ]
    other: list[dict[str, Any]] = [
        dict(zip(("source", "seq", "what", "x_mm", "value_mm"), one, strict=True)) for one in made
    ]
    assert client.post(path, json={"readings": other}).json()["new"] == 3
    names = [{"source": one["source"], "seq": one["seq"]} for one in other]
    for version in (2, 3):  # two meters count alike, and a reading that is used twice is one
        used = client.post(
            f"{path}/use", json={"readings": names}, headers={"If-Match": f'"{version}"'}
        ).json()
        assert [one["x_mm"] for one in used["document"]["survey"]["ceiling_readings"]] == [0, 900]
        assert sorted(one["x_mm"] for one in used["document"]["survey"]["stud_readings"]) == [310, 716]
    send(3, "ceiling", 1236, 0)  # the same again is the same
    body = {"readings": [{"source": "m", "seq": 3, "what": "ceiling", "x_mm": 0, "value_mm": 9999}]}
    refused = client.post(path, json=body)
    assert (refused.status_code, "The next free number is 6." in refused.json()["detail"]) == (422, True)
    assert 9999 not in [one["value_mm"] for one in client.get(path).json()]
    unknown = client.post(
        f"{path}/use", json={"readings": [{"source": "n", "seq": 9}]}, headers={"If-Match": '"4"'}
    )
    assert unknown.json()["detail"] == "There is no reading 9 of n."


def test_a_removed_reading_leaves_who_and_when_and_the_number_says_so(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}/readings"
    client.post(path, json={"readings": [{"source": "m", "seq": 1, "what": "wall-width", "value_mm": 4700}]})
    client.post(f"{path}/use", json={"readings": [{"source": "m", "seq": 1}]}, headers={"If-Match": '"1"'})
    assert client.delete(f"{path}/m/1", headers={"gantline-who": "Oda Brink"}).status_code == 204
    gone = client.get(path).json()[0]
    assert (gone["value_mm"], gone["removed_by"], gone["removed_at"] is not None) == (None, "Oda Brink", True)
    now = client.get(f"/api/jobs/{job['id']}").json()
    assert (now["version"], now["document"]["survey"]["wall_width_mm"]) == (3, 4700)
    said = [one["text"] for one in now["plan"]["findings"] if one["code"] == "reading-removed"]
    assert said == [
        "Wall width: this comes from reading 1 of m, which was removed. Measure again if it matters."
    ]
    again = client.delete(f"{path}/m/1")
    assert "was removed by Oda Brink" in again.json()["detail"]


def test_every_reading_is_reached_however_many_there_are(client: TestClient, job: dict[str, Any]) -> None:
    path = f"/api/jobs/{job['id']}/readings"
    for first in range(1, 1201, 400):
        rows = [{"source": "m", "seq": seq, "value_mm": seq} for seq in range(first, first + 400)]
        assert client.post(path, json={"readings": rows}).json()["new"] == 400
    seen = [
        one["seq"] for after in (0, 500, 1000) for one in client.get(path, params={"after": after}).json()
    ]
    assert sorted(seen) == list(range(1, 1201))
    use = client.post(
        f"{path}/use", json={"readings": [{"source": "m", "seq": 1}]}, headers={"If-Match": '"1"'}
    )
    assert "say no place" in use.json()["detail"]  # the oldest one is found


def test_the_feed_answers_hello_acks_what_is_stored_and_refuses_nonsense(
    client: TestClient, job: dict[str, Any]
) -> None:
    with client.websocket_connect(f"ws://127.0.0.1/api/jobs/{job['id']}/feed") as socket:

        def say(message: object) -> dict[str, Any]:
            socket.send_json(message)
            answer: dict[str, Any] = socket.receive_json()
            return answer

        assert say({"source": "m", "hello": True}) == {"last": 0}
        assert say({"source": "m", "seq": 1, "value_mm": 5}) == {"ack": 1}
        assert say({"source": "m", "seq": 3, "value_mm": 7}) == {"ack": 3}
        assert say({"source": "m", "hello": True}) == {"last": 1}  # 2 is missing
        assert say({"source": "m", "seq": 4, "value_mm": "far"})["refused"] == 4
        assert "text" in say([1, 2])
        # a meter that counts from 1 again: nothing it took is lost, and nothing comes twice
        for _ in range(2):
            assert say({"source": "m", "seq": 1, "value_mm": 6}) == {"ack": 1, "kept_as": 4}
        assert say({"source": "m", "seq": 1, "value_mm": 5}) == {"ack": 1}
        for text in ('{"source": "m", "seq": NaN, "value_mm": 1}', '{"source": "m\\u0000", "hello": true}',
            '{"source": "m", "seq": 9, "value_mm": "\\ud800"}', "null", '{"seq": [1], "hello": {}}'):  # fmt: skip
            socket.send_text(text)
            answer = socket.receive_json()
            assert (answer["refused"] in (None, 9), bool(answer["text"])) == (True, True)
    values = [one["value_mm"] for one in client.get(f"/api/jobs/{job['id']}/readings").json()]
    assert sorted(values) == [5, 6, 7]


def test_a_meter_and_a_server_killed_at_any_moment_lose_and_double_nothing(folder: Path) -> None:
    server = Running("--data", str(folder / "feed"), "--no-demo").start()
    job = httpx2.post(f"{server.address}/api/jobs", json={"name": "Feed", "value": 2000}).json()
    url = f"ws://127.0.0.1:{server.port}/api/jobs/{job['id']}/feed"
    memory = folder / "meter.jsonl"
    meter = DistanceMeter("meter", memory)
    for k in range(250):
        meter.take("distance", 1000.0 + k)
    for victim in ("meter", "server", "meter", "server"):
        sender = multiprocessing.get_context("spawn").Process(target=_send, args=(memory, url))
        sender.start()
        time.sleep(1.6)
        if victim == "meter":
            os.kill(sender.pid or 0, signal.SIGKILL)
        else:
            server.kill()
            server = Running("--data", str(folder / "feed"), "--no-demo", port=server.port).start()
            os.kill(sender.pid or 0, signal.SIGKILL)
        sender.join()
    meter.deliver(url)
    listed = httpx2.get(f"{server.address}/api/jobs/{job['id']}/readings").json()
    assert sorted(one["value_mm"] for one in listed) == [1000.0 + k for k in range(250)]
    assert meter.deliver(url) == 0
    server.stop()


def _send(memory: Path, url: str) -> None:
    DistanceMeter("meter", memory).deliver(url)


def test_a_page_hears_of_readings_that_another_server_took(
    app: FastAPI, client: TestClient, job: dict[str, Any]
) -> None:
    other = create_app(Settings(database_url=app.state.queue.url))
    path = f"/api/jobs/{job['id']}"
    one = {"source": "meter", "seq": 1, "what": "datum", "value_mm": 1200.0}
    with (
        client.websocket_connect(f"ws://127.0.0.1{path}/news") as page,
        TestClient(other, base_url="http://127.0.0.1") as elsewhere,
    ):
        assert page.receive_json() == {"new": "readings"}  # it listens now; there may be something already
        elsewhere.post(f"{path}/readings", json={"readings": [one]}).raise_for_status()
        assert page.receive_json() == {"new": "readings"}
    other.state.engine.dispose()
