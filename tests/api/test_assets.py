"""Scripts are sent as they were packed, to whoever can read that, and nothing beside their folder is."""

from pathlib import Path

import pytest
from fastapi import FastAPI
from starlette.testclient import TestClient

from gantline.api.assets import Assets


@pytest.fixture
def files(tmp_path: Path) -> TestClient:
    folder = tmp_path / "assets"
    folder.mkdir()
    (folder / "page-1a2b.js").write_text("let plain = 1")
    (folder / "page-1a2b.js.br").write_bytes(b"packed")
    (folder / "face.woff2").write_bytes(b"letters")
    (tmp_path.parent / "secret.js").write_text("let secret = 1")
    (tmp_path.parent / "secret.js.br").write_text("secret")
    return TestClient(Assets(FastAPI(), tmp_path))


def test_a_script_is_sent_packed_only_to_who_reads_it_and_is_kept_for_good(files: TestClient) -> None:
    packed = files.get(
        "/assets/page-1a2b.js", headers={"accept-encoding": "gzip, br;q=0.9"}, follow_redirects=False
    )
    assert packed.headers["content-encoding"] == "br"
    assert packed.headers["content-type"].startswith("text/javascript")
    assert packed.headers["vary"] == "accept-encoding"
    plain = files.get("/assets/page-1a2b.js", headers={"accept-encoding": "gzip, broken"})
    assert (plain.text, plain.headers.get("content-encoding")) == ("let plain = 1", None)
    assert "immutable" in plain.headers["cache-control"]
    assert files.get("/assets/face.woff2", headers={"accept-encoding": "br"}).content == b"letters"
    assert plain.headers["x-content-type-options"] == "nosniff"
    assert (files.head("/assets/page-1a2b.js").content, files.post("/assets/page-1a2b.js").status_code) == (
        b"",
        404,
    )


@pytest.mark.parametrize(
    "path",
    [
        "../../secret.js",
        "%2e%2e/%2e%2e/secret.js",
        "..%2f..%2fsecret.js",
        "page-1a2b.js.br",
        "nothing.js",
        "",
        "a%00.js",
    ],
)
@pytest.mark.parametrize("accepts", ["br", "gzip"])
def test_nothing_outside_of_the_folder_is_reached(files: TestClient, path: str, accepts: str) -> None:
    answer = files.get(f"/assets/{path}", headers={"accept-encoding": accepts})
    assert answer.status_code in (404, 405)
    assert b"secret" not in answer.content
