"""The server itself: pages and API side by side, many at once, and a database that goes away."""

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import Any

import pytest
from fastapi import FastAPI
from starlette.testclient import TestClient

from gantline.server import create_app
from gantline.settings import Settings, psycopg_url


@pytest.fixture
def pages(tmp_path: Path, new_database: Callable[[], str]) -> Any:
    (tmp_path / "dist" / "assets").mkdir(parents=True)
    (tmp_path / "dist" / "index.html").write_text("the one page")
    (tmp_path / "dist" / "mark.svg").write_text("<svg/>")
    (tmp_path / "dist" / "assets" / "x.js").write_text("1")
    (tmp_path / "secret").write_text("hidden words")
    app = create_app(Settings(database_url=new_database(), web_folder=tmp_path / "dist"))
    with TestClient(app, base_url="http://127.0.0.1") as client:
        yield client
    app.state.engine.dispose()


def test_every_address_of_the_pages_is_the_one_page_and_no_file_outside_is_given(pages: TestClient) -> None:
    for path in ("/", "/jobs/some/wall", "/stores"):
        assert pages.get(path).text == "the one page"
    assert pages.get("/assets/x.js").text == "1"
    assert pages.get("/mark.svg").text == "<svg/>"
    for path in ("/../secret", "/..%2fsecret", "/%2e%2e/secret", "/assets/..%2f..%2fsecret", "//secret"):
        assert "hidden words" not in pages.get(path).text
    assert pages.get("/api/none").status_code == 404
    assert pages.get("/assets/none.js").status_code == 404


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


@pytest.mark.parametrize("given", ["postgres://u@h/d", "postgresql://u@h/d", "postgresql+psycopg://u@h/d"])
def test_any_usual_form_of_a_database_url_is_taken(given: str) -> None:
    assert psycopg_url(given) == "postgresql+psycopg://u@h/d"
