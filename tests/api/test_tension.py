"""The tension bench over HTTP: an order watched, taken and gone stale; waves read back into points; strangers' numbers."""

from collections.abc import Callable, Iterator
from typing import Any

import cv2
import httpx2
import orjson
import pytest

from gantline.compare.order_run import heads
from tests.conftest import AS_JSON, DEMO
from tests.running import Running
from tests.vision.test_waves import CORNERS, UPRIGHT, WIDE, taken


@pytest.fixture(scope="module")
def running(new_database: Callable[[], str]) -> Iterator[Running]:
    """A server of its own, with its worker."""
    started = Running("--database", new_database(), "--no-demo", worker=True).start()
    yield started
    started.stop()


@pytest.fixture
def lounge(running: Running) -> str:
    """A job on springs, at a server with its worker."""
    made = httpx2.post(
        f"{running.address}/api/jobs/file",
        content=(DEMO / "narrow-lounge.job.json").read_bytes(),
        headers=AS_JSON,
    ).json()
    return f"{running.address}/api/jobs/{made['id']}"


def followed(method: str, address: str, path: str, body: Any = None) -> httpx2.Response:
    for _ in range(200):
        answer = httpx2.request(method, address + path, json=body, timeout=30)
        if answer.status_code != 202:
            return answer
        base = address.split("/api/", maxsplit=1)[0]
        httpx2.get(f"{base}/api/work/{answer.json()['work']}", timeout=30)
    raise AssertionError(path)


def test_an_order_is_watched_while_it_is_computed_taken_and_goes_stale(lounge: str) -> None:
    bench = httpx2.get(f"{lounge}/tension/bench").json()
    assert bench["sprung"] and bench["orders"][0]["key"] == "planned"
    first = httpx2.get(f"{lounge}/tension/order?order=middles")
    assert first.status_code in (200, 202)
    whole = followed("GET", lounge, "/tension/order?order=middles").content
    head, *moments, last = heads(whole)
    assert len(head["points"]) == len(bench["points"]) and moments[0]["step"] >= 1
    size = head["cells"][0] * head["cells"][1] * head["layers"]
    first_moment = 4 + int.from_bytes(whole[:4], "little")
    assert size + first_moment < 60_000 and last["came"]["evenness"] > 0.8
    base = lounge.split("/api/", maxsplit=1)[0]
    if first.status_code == 202:  # the parts are the whole, from any byte on
        part = httpx2.get(f"{base}/api/work/{first.json()['work']}/part?after={first_moment}")
        assert part.content == whole[first_moment:] and part.headers["x-state"] == "done"
    saved = httpx2.post(
        f"{lounge}/edits", json={"edits": last["changes"]}, headers={"If-Match": '"1"'}, timeout=30
    ).json()
    assert saved.get("document"), saved
    assert saved["document"]["tension"]["school"] == "middles-outward"
    assert not _finding(saved, "simulate-again")
    awaited = saved["document"]["tension"]["simulated"][0]["awaited"].splitlines()
    if awaited:
        step, _, text = awaited[0].partition(" ")
        rows = saved["plan"]["tables"]["steps"]["rows"]
        assert text in next(row for row in rows if row["number"] == int(step))["reason"]
    # an edit elsewhere keeps it, one that the sheet rests on does not
    for pointer, value, stale in (("/place", "Quay", False), ("/tension/spring_n_mm", 2.0, True)):
        version = f'"{saved["version"]}"'
        body = {"edits": [{"pointer": pointer, "value": value}]}
        saved = httpx2.post(f"{lounge}/edits", json=body, headers={"If-Match": version}, timeout=30).json()
        assert bool(_finding(saved, "simulate-again")) is stale


def test_what_is_seen_comes_back_as_points_and_as_steps_of_the_day(lounge: str) -> None:
    what = followed("GET", lounge, "/tension/what-if").json()
    planned = next(row for row in what["rows"] if row["name"].startswith("as planned"))
    fewer = min(what["rows"][:9], key=lambda row: row["points"])
    assert fewer["evenness"] < planned["evenness"] and str(planned["points"]) in what["fewest"]
    # springs show no wave; one that is stretched too far is read
    usual = {str(k): "13 mm" for k in range(0, 40, 4)}
    seen = {
        "lines": [],
        "patches": [],
        "stretched": usual | {"8": "1 3/16"},
        "margins": {"left": "1/2", "right": "0"},
    }
    answer = followed("POST", lounge, "/tension/wrinkles", seen).json()
    label = httpx2.get(f"{lounge}/tension/bench").json()["points"][8]["label"]
    lies, point = (cause["text"] for cause in answer["causes"][:2])
    assert lies == "The sheet lies 1⁄4″ left"
    assert point.startswith(f"Point {label}, ") and "tight" in point
    assert "shift the sheet 1⁄4″ right" in answer["moves"][0]["text"] and "ease" in answer["moves"][1]["text"]
    moves = "\n".join(move["text"] for move in answer["moves"])
    kept = [{"id": "r1", "seen": answer["causes"][0]["text"], "moves": moves}]
    edits = {"edits": [{"pointer": "/tension/rounds", "value": kept}]}
    httpx2.post(f"{lounge}/edits", json=edits, headers={"If-Match": '"1"'}, timeout=30).raise_for_status()
    steps = httpx2.get(f"{lounge}/day", timeout=30).json()["steps"]
    keys = [step["key"] for step in steps]
    first = keys.index("tension/bench-r1-1")
    assert steps[first]["text"].startswith(answer["moves"][0]["text"][:60])
    assert keys.index("tension/look") < first < keys.index("tension/bench-r1-look")


@pytest.mark.parametrize(
    "body",
    [
        {"lines": [{"from_mm": [1e308, 0], "to_mm": [1, 2]}]},
        {"lines": [{"from_mm": [0], "to_mm": [1, 2]}]},
        {"lines": [{"from_mm": [0, 0], "to_mm": [1, 2], "bad": 9}]},
        {"patches": [{"at_mm": [0, 0], "radius_mm": -4}]},
        {"stretched": {"9999": "3 mm"}},
        {"stretched": {"-1": "3 mm"}},
        {"stretched": {"1": "900 m"}},
        {"margins": {"top": "two hands"}},
        {"margins": {"middle": "3"}},
        {"lines": [{"from_mm": [0, 0], "to_mm": [1, 2]}] * 61},
    ],
)
def test_a_strangers_marks_are_refused_in_words(lounge: str, body: dict[str, Any]) -> None:
    answer = httpx2.post(f"{lounge}/tension/wrinkles", content=orjson.dumps(body), headers=AS_JSON)
    assert answer.status_code == 422 and answer.json()["detail"]
    assert httpx2.get(f"{lounge}/tension/order?order=anything").status_code == 422


def test_the_trainer_tells_what_it_was_only_after_a_guess(running: Running) -> None:
    address = f"{running.address}/api/trainer"
    sheet = followed("POST", address, "/cloth", {"number": 1}).json()
    assert sheet["answer"] is None and len(sheet["choices"]) == 5
    top = [k for k, point in enumerate(sheet["points"]) if point["side"] == "top"]
    middle = top[len(top) // 2]
    right = followed(
        "POST", address, "/cloth", {"number": 1, "guess": {"kind": "slack", "point": middle}}
    ).json()
    assert right["answer"]["right"] and right["answer"]["point"] == middle
    wrong = followed("POST", address, "/cloth", {"number": 1, "guess": {"kind": "racked"}}).json()
    assert not wrong["answer"]["right"]
    assert followed("POST", address, "/cloth", {"number": 11}).status_code in (409, 422)


def _finding(job: Any, code: str) -> bool:
    return any(finding["code"] == code for finding in job["plan"]["findings"])


def test_waves_of_a_photo_are_proposed_from_the_back_whichever_side_it_was_taken_from(lounge: str) -> None:
    """The made-up sheet is 2214 × 1245 mm; on this job's frame its one upright wave lies at the same share of the width."""
    content = cv2.imencode(".jpg", taken([(UPRIGHT, 2.0)]))[1].tobytes()
    jpeg = {"content-type": "image/jpeg"}
    photo = httpx2.post(f"{lounge}/photos?step=tension/look", content=content, headers=jpeg).json()["id"]
    assert followed("GET", lounge, f"/photos/{photo}/shown").status_code == 200
    wide = httpx2.get(f"{lounge}/tension/bench").json()["width_mm"]
    corners = (CORNERS * 2000.0 / 2300.0).ravel().tolist()  # photos are kept at most 2000 pixels wide
    for front in (True, False):
        body = {"photo": photo, "corners": corners, "front": front}
        line = followed("POST", lounge, "/tension/waves", body).json()["lines"][0]
        middle = (line["from_mm"][0] + line["to_mm"][0]) / 2.0 / wide
        assert (1.0 - middle if front else middle) == pytest.approx(1520.0 / WIDE, abs=0.03)
    few = httpx2.post(f"{lounge}/tension/waves", json={"photo": photo, "corners": [0.0] * 7})
    assert few.status_code == 422
    flat = followed("POST", lounge, "/tension/waves", {"photo": photo, "corners": [0.0] * 8})
    assert "span no frame" in flat.json()["detail"]
