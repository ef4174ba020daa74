"""What a device and an installation may take, what is in the bin, and what doctor says."""

import os
import stat
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from fastapi import FastAPI
from sqlalchemy import text
from starlette.testclient import TestClient
from starlette.types import Message, Scope
from typer.testing import CliRunner

from gantline.api import allowance
from gantline.api.allowance import Allowance
from gantline.cli import app as command_line
from gantline.database import FAST, PrivateDatabase
from gantline.server import create_app
from gantline.settings import Settings
from gantline.store import devices, shops
from gantline.store.devices import NameTaken
from gantline.store.names import alike
from tests.running import ran

runner = CliRunner()


def test_a_deleted_job_waits_in_the_bin_and_comes_back_as_it_was(
    client: TestClient, job: dict[str, Any]
) -> None:
    path = f"/api/jobs/{job['id']}"
    before = client.get(path).json()
    gone = client.delete(path, headers={"if-match": '"1"', "gantline-who": "Oda Brink"})
    assert (gone.status_code, client.get(path).status_code) == (204, 404)
    late = client.post(
        f"{path}/edits", json={"edits": [{"pointer": "/notes", "value": "x"}]}, headers={"if-match": '"1"'}
    )
    assert late.status_code == 404
    assert client.get("/api/jobs").json()["binned"] == 1
    assert [(one["id"], one["binned_by"]) for one in client.get("/api/bin").json()] == [
        (job["id"], "Oda Brink")
    ]
    assert client.post(f"/api/bin/{job['id']}/back").status_code == 204
    assert client.get(path).json()["document"] == before["document"]
    client.delete(path, headers={"if-match": '"1"'})
    assert client.delete(f"/api/bin/{job['id']}").status_code == 204
    assert (client.get("/api/bin").json(), client.delete(f"/api/bin/{job['id']}").status_code) == ([], 404)


def test_a_database_that_is_full_refuses_what_grows_it_and_lets_people_make_room(
    new_database: Callable[[], str], monkeypatch: pytest.MonkeyPatch
) -> None:
    full = create_app(Settings(database_url=new_database(), most_gigabytes=0.000001))
    with TestClient(full, base_url="http://127.0.0.1") as client:
        refused = client.post("/api/jobs", json={"name": "x", "value": 2000})
        assert (refused.status_code, "Empty the bin" in refused.json()["detail"]) == (507, True)
        assert client.delete("/api/bin").status_code == 204
        assert client.get("/api/jobs").status_code == 200
    full.state.engine.dispose()


def test_one_phone_cannot_ask_or_send_without_end(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(allowance, "REQUESTS", 20)
    monkeypatch.setattr(allowance, "BYTES", 1000)

    async def taken(scope: Scope, receive: Any, send: Any) -> None:
        await receive()
        await send({"type": "http.response.start", "status": 204, "headers": []})
        await send({"type": "http.response.body", "body": b""})

    guarded = Allowance(taken, room=lambda: "")

    def ask(device: str, size: int) -> int:
        sent: list[Message] = []

        async def receive() -> Message:
            return {"type": "http.request", "body": b"x" * size, "more_body": False}

        async def send(message: Message) -> None:
            sent.append(message)

        scope = {"type": "http", "method": "POST", "path": "/api/jobs", "state": {"device": (device, device)}}
        ran(guarded(scope, receive, send))
        return int(sent[0]["status"])

    assert [ask("phone", 0) for _ in range(21)] == [204] * 20 + [429]
    assert [ask("tablet", 600) for _ in range(3)] == [204, 204, 429]
    assert ask("third", 10) == 204


@pytest.mark.parametrize("name", ["Tablet", "tablet\u200f", " TABLET ", "ｔａｂｌｅｔ", "office", "\u200b"])
def test_no_two_devices_are_called_alike(app: FastAPI, name: str) -> None:
    with app.state.sessions() as session:
        shop_id = shops.the_shop(session)
        devices.pair(session, devices.new_code(session, shop_id)[0], "tablet")
        code, _ = devices.new_code(session, shop_id)
        with pytest.raises(NameTaken):
            devices.pair(session, code, name)
        assert devices.pair(session, code, "tablet 2")  # the code was not used up
        assert alike("Tafel ２") == "tafel 2"


def test_doctor_says_what_is_not_well_and_changes_nothing(folder: Path, tmp_path: Path) -> None:
    data = folder / "ill"
    private = PrivateDatabase(data, FAST)
    engine_url = private.start()
    app = create_app(Settings(database_url=engine_url))
    from gantline.store.migrate import migrate

    migrate(app.state.engine)
    with TestClient(app, base_url="http://127.0.0.1") as client:
        client.post("/api/jobs", json={"name": "x", "value": 2000})
    with app.state.engine.begin() as connection:
        connection.execute(text("UPDATE job SET created_at = now() - interval '9 days'"))
        connection.execute(text("UPDATE job_version SET saved_at = now() + interval '1 hour'"))
    app.state.engine.dispose()
    said = runner.invoke(command_line, ["doctor", "--data", str(data)])
    assert said.exit_code == 1
    for what in ("No backup is younger than a week", "clock was put back"):
        assert f"wrong   {what}" in said.stdout or what in said.stdout, said.stdout
    private.stop()
    data.chmod(0o755)
    control = data / "data" / "global" / "pg_control"
    whole = control.read_bytes()
    control.write_bytes(b"\x00" * len(whole))
    os.chown(control, data.stat().st_uid, -1)
    ill = runner.invoke(command_line, ["doctor", "--data", str(data)])
    assert (ill.exit_code, "are damaged" in ill.stdout, "can be entered by others" in ill.stdout) == (
        1,
        True,
        True,
    ), ill.stdout
    assert stat.S_IMODE(data.stat().st_mode) == 0o755
    none = runner.invoke(command_line, ["doctor", "--database", "nonsense"])
    assert (none.exit_code, "no database URL" in none.stdout) == (1, True)
