"""The server itself: pages and API side by side, many at once, and a database that goes away."""

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

import psycopg
import pytest
from fastapi import FastAPI
from starlette.testclient import TestClient

from gantline.api.deps import desk_of
from gantline.api.services import jobs as services
from gantline.server import create_app
from gantline.settings import Settings, psycopg_url
from gantline.store import jobs
from gantline.work import queue
from gantline.work.queue import Queue


@pytest.fixture
def pages(tmp_path: Path, new_database: Callable[[], str]) -> Any:
    (tmp_path / "dist" / "assets").mkdir(parents=True)
    (tmp_path / "dist" / "index.html").write_text("the one page")
    (tmp_path / "dist" / "job.html").write_text("a job: <!-- first look -->.")
    (tmp_path / "dist" / "mark.svg").write_text("<svg/>")
    (tmp_path / "dist" / "assets" / "x.js").write_text("1")
    (tmp_path / "secret").write_text("hidden words")
    app = create_app(Settings(database_url=new_database(), web_folder=tmp_path / "dist"))
    with TestClient(app, base_url="http://127.0.0.1") as client:
        yield client
    app.state.engine.dispose()


def test_every_address_of_the_pages_is_the_one_page_and_no_file_outside_is_given(pages: TestClient) -> None:
    for path in ("/", "/stores"):
        assert pages.get(path).text == "the one page"
    assert pages.get("/assets/x.js").text == "1"
    assert pages.get("/mark.svg").text == "<svg/>"
    for path in ("/../secret", "/..%2fsecret", "/%2e%2e/secret", "/assets/..%2f..%2fsecret", "//secret"):
        assert "hidden words" not in pages.get(path).text
    assert pages.get("/api/none").status_code == 404
    assert pages.get("/assets/none.js").status_code == 404


def test_a_jobs_page_says_its_size_before_its_scripts_come_and_a_name_stays_text(pages: TestClient) -> None:
    # who names a job would have the next who opens it run something
    named = {"name": "<img src=x onerror=alert(1)>", "value": "120", "units": {"style": "in-fraction"}}
    job = pages.post("/api/jobs", json=named).json()
    page = pages.get(f"/jobs/{job['id']}/size").text
    assert "&lt;img src=x onerror=alert(1)&gt;" in page and "<img" not in page
    # 120 in at 16:9 is 104.59 x 58.83 in, to a sixteenth 104 9/16 and 58 13/16
    assert all(f"{whole}<" in page for whole in ("104", "58")) and "<b>9</b><b>16</b>" in page
    edits = {"edits": [{"pointer": "/name", "value": "Attic"}]}
    pages.post(f"/api/jobs/{job['id']}/edits", json=edits, headers={"If-Match": '"1"'})
    assert "Attic" in pages.get(f"/jobs/{job['id']}").text
    for other in ("some/wall", "00000000-0000-4000-8000-000000000000/size", ""):
        assert pages.get(f"/jobs/{other}").text == "a job: ."


def test_many_people_at_once_every_acknowledged_save_is_a_version_of_its_own(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}"

    def save(who: int) -> int:
        saved = 0
        while saved < 5:
            version = client.get(path).json()["version"]
            edits = {"edits": [{"pointer": "/place", "value": f"{who}-{saved}"}]}
            answer = client.post(
                f"{path}/edits", json=edits, headers={"If-Match": f'"{version}"', "Gantline-Who": f"p{who}"}
            )
            assert answer.status_code in (200, 409)
            saved += answer.status_code == 200
        return saved

    with ThreadPoolExecutor(6) as pool:
        assert sum(pool.map(save, range(6))) == 30
    history = client.get(f"{path}/versions").json()
    assert [one["number"] for one in history] == list(range(31, 0, -1))
    assert sorted(one["who"] for one in history[:-1]) == sorted(
        f"p{who}" for who in range(6) for _ in range(5)
    )


def test_a_database_out_of_reach_is_a_503_in_words(tmp_path: Path) -> None:
    app: FastAPI = create_app(
        Settings(database_url="postgresql://nobody:x@127.0.0.1:1/none", web_folder=tmp_path)
    )
    with TestClient(app, raise_server_exceptions=False, base_url="http://127.0.0.1") as client:
        answer = client.get("/api/jobs")
    assert (answer.status_code, answer.json()["type"]) == (503, "/problems/database-away")
    assert "Nothing was saved" in answer.json()["detail"]


CUT = "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()"


def test_a_database_that_goes_in_the_middle_of_a_request_is_a_503_and_no_jobs_fault(
    app: FastAPI, client: TestClient, job: dict[str, Any], monkeypatch: pytest.MonkeyPatch
) -> None:
    url, card = app.state.queue.url, services.stored_card

    def cut(made: Any) -> Any:
        with psycopg.connect(url.replace("+psycopg", ""), autocommit=True) as database:
            database.execute(CUT)
        return card(made)

    with desk_of(app.state) as desk:
        jobs.forget_cards(desk.session, desk.shop_id)
    with monkeypatch.context() as broken:
        broken.setattr(services, "stored_card", cut)
        away = client.get("/api/jobs")
    assert (away.status_code, away.json()["type"]) == (503, "/problems/database-away")
    assert {one["trouble"] for one in client.get("/api/jobs").json()["jobs"]} == {""}
    # the queue alone, as when it goes between a question and its being queued
    monkeypatch.setattr(queue, "PATIENCE_S", 0.2)
    nowhere = Queue("postgresql+psycopg://nobody@127.0.0.1:1/none")
    monkeypatch.setitem(app.state._state, "queue", nowhere)
    sheet = client.get(f"/api/jobs/{job['id']}/sheets/wall-sheet")
    assert (sheet.status_code, sheet.json()["type"]) == (503, "/problems/database-away")
    nowhere.close()


@pytest.mark.parametrize("given", ["postgres://u@h/d", "postgresql://u@h/d", "postgresql+psycopg://u@h/d"])
def test_any_usual_form_of_a_database_url_is_taken(given: str) -> None:
    assert psycopg_url(given) == "postgresql+psycopg://u@h/d"
