"""Cast, photos and the trainer over HTTP."""

import time
from typing import Any

import cv2
import numpy as np
import pytest
from starlette.testclient import TestClient

from gantline.demo.practice import ROOMS
from tests.phone import Shot
from tests.vision.test_photo import seen

JPEG = {"content-type": "image/jpeg"}


def small(shot: Shot | None = None) -> bytes:
    image = seen(shot or Shot(width_px=2400, height_px=1800, away_mm=3000.0))
    return cv2.imencode(".jpg", image)[1].tobytes()


def test_a_cast_is_joined_by_its_code_and_shows_what_was_chosen(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}/cast"
    first = client.get(path).json()
    assert (first["pattern"], len(first["code"])) == ("corners", 6)
    assert client.get(path).json()["code"] == first["code"]  # the same as long as the job is there
    chosen = client.put(path, json={"pattern": "cross", "u": 0.25, "v": 0.75}).json()
    joined = client.get(f"/api/cast/{first['code'].lower()}").json()
    assert (joined["pattern"], joined["u"], joined["v"]) == ("cross", 0.25, 0.75)
    assert joined["job_id"] == job["id"]
    assert chosen == joined
    marked = client.put(path, json={"pattern": "markers"}).json()
    assert len(marked["markers"]) == 12
    assert all(len(one["cells"]) == 6 for one in marked["markers"])
    assert not any(one["cells"][0][0] for one in marked["markers"])  # the rim is black
    assert len(marked["picture"]) == 4
    assert client.delete(path).status_code == 204
    assert client.get(f"/api/cast/{first['code']}").status_code == 404
    assert client.get(path).json()["code"] != first["code"]


WINDOWS: tuple[Any, ...] = (  # what a page tells, and the first words of what its remote says; the den's panel is 16:9
    ({"wide": 1920, "high": 1080, "screen_wide": 1920, "screen_high": 1080, "scaling": 1}, "focus", []),
    ({"wide": 1280, "high": 720, "screen_wide": 1280, "screen_high": 720, "scaling": 1.5}, "white", []),
    ({"wide": 1280, "high": 720, "screen_wide": 1280, "screen_high": 720, "scaling": 1.5}, "focus", ["That screen is scaled to 150 %"]),
    ({"wide": 1280, "high": 640, "screen_wide": 1280, "screen_high": 720, "scaling": 1}, "cross", ["The cast page does not fill"]),
    ({"wide": 1280, "high": 800, "screen_wide": 1280, "screen_high": 800, "scaling": 1}, "cross", ["That screen is 1280 × 800"]),
)  # fmt: skip


def test_the_remote_says_what_the_window_of_the_cast_page_spoils(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}/cast"
    code = client.get(path).json()["code"]
    assert client.get(path).json()["joined"] is False
    for window, pattern, wanted in WINDOWS:
        client.put(path, json={"pattern": pattern})
        client.put(f"/api/cast/{code}/window", json=window).raise_for_status()
        said = client.get(path).json()
        assert said["joined"]
        assert [text[: len(words)] for text, words in zip(said["window"], wanted, strict=True)] == wanted
    assert client.put(f"/api/cast/{code}/window", json={**WINDOWS[0][0], "scaling": 0}).status_code == 422
    assert client.put("/api/cast/ZZZZZZ/window", json=WINDOWS[0][0]).status_code == 404


@pytest.mark.parametrize(
    ("body", "pointer"),
    [
        ({"pattern": "fireworks"}, "/pattern"),
        ({"pattern": "cross", "u": 1.5}, "/u"),
        ({"pattern": "cross", "v": "left"}, "/v"),
        ({"pattern": "cross", "size": 3}, "/size"),
    ],
)
def test_what_cannot_be_cast_is_refused_by_name(
    client: TestClient, job: dict[str, Any], body: dict[str, Any], pointer: str
) -> None:
    refused = client.put(f"/api/jobs/{job['id']}/cast", json=body)
    assert refused.status_code == 422
    assert pointer in [one["pointer"] for one in refused.json()["errors"]]


def test_a_code_that_joins_nothing_says_where_the_code_stands(client: TestClient) -> None:
    missing = client.get("/api/cast/ZZZZZZ")
    assert (missing.status_code, missing.json()["type"].endswith("no-such-cast")) == (404, True)
    assert "It stands at Align, under Cast" in missing.json()["detail"]


def read_by_worker(client: TestClient, path: str) -> Any:
    """A photo's reading, followed until a worker has it."""
    for _ in range(200):
        answer = client.get(f"{path}/reading")
        if answer.status_code != 202:
            return answer
        time.sleep(0.1)
    raise AssertionError(path)


def test_a_photo_is_unpacked_by_a_worker_alone_and_kept_gray_without_what_the_camera_wrote(
    client: TestClient, job: dict[str, Any], worker: None
) -> None:
    path = f"/api/jobs/{job['id']}/photos"
    plain = small()
    # a maker's note of a place, as a camera writes it behind the first marker
    note = b"Exif\x00\x00latitude 12 longitude 34"
    marked = plain[:2] + b"\xff\xe1" + (len(note) + 2).to_bytes(2, "big") + note + plain[2:]
    kept = client.post(path, content=marked, headers=JPEG)
    assert kept.status_code == 201
    one = f"{path}/{kept.json()['id']}"
    assert client.get(one).status_code == 404  # as it was sent it is shown to nobody
    assert read_by_worker(client, one).status_code == 200
    again = client.get(one)
    assert again.headers["content-type"] == "image/jpeg"
    assert b"latitude" not in again.content
    image = cv2.imdecode(np.frombuffer(again.content, dtype=np.uint8), cv2.IMREAD_UNCHANGED)
    assert image is not None
    assert image.shape == (1800, 2400)
    twice = client.post(f"{path}/together", json={"photos": [{"photo": kept.json()["id"]}] * 2})
    assert twice.status_code == 422
    assert "send each photo of the state once" in twice.text
    assert client.delete(one, headers={"gantline-who": "Oda Brink"}).status_code == 204
    assert "was removed by Oda Brink" in client.get(one).json()["detail"]
    assert [row["removed_by"] for row in client.get(path).json()] == ["Oda Brink"]


def test_what_is_no_photo_is_refused_and_another_jobs_is_not_found(
    client: TestClient, job: dict[str, Any], worker: None
) -> None:
    path = f"/api/jobs/{job['id']}/photos"
    assert (
        client.post(path, content=b"GIF89a", headers=JPEG).json()["detail"]
        == "A JPEG or a PNG is wanted here."
    )
    assert client.post(path, content=small(), headers={"content-type": "text/plain"}).status_code == 415
    assert client.post(path, content=b"\xff" * (26 * 2**20), headers=JPEG).status_code == 413
    huge = cv2.imencode(".jpg", np.zeros((9500, 9500), dtype=np.uint8))[1].tobytes()
    for content, why in (
        (small()[:4000], "broken"),
        (huge, "more pixels"),
        (
            huge[:2] + b"\xff" + huge[2:],
            "more pixels",
        ),  # a fill byte is legal, and no head of our own making is asked
        (b"\xff\xd8\xff" + b"\x00" * 4000, "does not say how large"),
    ):
        one = f"{path}/{client.post(path, content=content, headers=JPEG).json()['id']}"
        refused = read_by_worker(client, one)
        assert (refused.status_code, why in refused.json()["detail"]) == (422, True), refused.text
        assert client.get(f"{one}/reading").json()["detail"] == refused.json()["detail"]  # whoever asks again
        assert client.get(one).status_code == 404  # and nothing of it is kept
    kept = client.post(path, content=small(), headers=JPEG).json()["id"]
    other = client.post("/api/jobs", json={"name": "another", "start": "diagonal", "value": "100"}).json()
    missing = client.get(f"/api/jobs/{other['id']}/photos/{kept}")
    assert (missing.status_code, missing.json()["type"].endswith("no-such-photo")) == (404, True)


def test_the_trainer_answers_every_touch_and_keeps_nothing(client: TestClient) -> None:
    rooms = client.get("/api/trainer").json()
    assert [one["key"] for one in rooms] == list(ROOMS)
    for one in rooms:
        start = client.post("/api/trainer", json={"room": one["key"], "seed": 7}).json()
        assert (start["home"], start["worst_mm"] > start["within_mm"]) == (False, True)
        assert start["next"]
        assert start["why"]
        assert client.post("/api/trainer", json={"room": one["key"], "seed": 7}).json() == start
    turned = {"room": "turned", "seed": 7, "touches": [{"kind": "turn", "steps": 3}]}
    back = {**turned, "touches": [*turned["touches"], {"kind": "turn", "steps": -3}]}  # type: ignore[misc]
    start = client.post("/api/trainer", json={"room": "turned", "seed": 7}).json()
    assert client.post("/api/trainer", json=turned).json()["outside"] != start["outside"]
    assert client.post("/api/trainer", json=back).json()["outside"] == pytest.approx(
        start["outside"], abs=0.11
    )
    assert client.post("/api/trainer", json={"room": "cellar", "seed": 1}).status_code == 422
    wrong = client.post(
        "/api/trainer", json={"room": "turned", "seed": 1, "touches": [{"kind": "kick", "steps": 1}]}
    )
    assert "a touch is one of turn, tilt" in wrong.json()["detail"].lower()
