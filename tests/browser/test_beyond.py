"""Beyond this machine: HTTPS, a code shown as QR, one device paired by it, and nothing without."""

import ssl
import subprocess
import sys
from collections.abc import Callable, Iterator
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import httpx2
import psycopg
import pytest
from playwright.sync_api import Browser, expect
from websockets.asyncio.client import connect
from websockets.exceptions import InvalidStatus

from gantline import certificate
from tests.running import free_port, ran

HOST = (
    "127.0.0.2"  # not the loopback address that is served without pairing: for the server another machine's
)


@pytest.fixture(scope="module")
def beyond(new_database: Callable[[], str], folder: Path) -> Iterator[tuple[str, str, str]]:
    """A server for other machines: its address, its first code, its database."""
    port, url = free_port(), new_database()
    command = [
        sys.executable,
        "-m",
        "gantline",
        "serve",
        "--port",
        str(port),
        "--host",
        HOST,
        "--database",
        url,
    ]
    process = subprocess.Popen(
        [*command, "--data", str(folder / "beyond")], stdout=subprocess.PIPE, text=True
    )
    assert process.stdout
    said = [process.stdout.readline().strip() for _ in range(3)]
    assert said[0].startswith(f"Gantline is at https://{HOST}:{port}")
    assert "fingerprint" in said[2]
    address, _, code = said[1].partition(": ")[2].partition("/pair#")
    yield address, code, url
    process.terminate()
    process.wait(timeout=20)
    process.stdout.close()


async def opened(address: str, trusting: ssl.SSLContext) -> None:
    async with connect(address, ssl=trusting):
        pass


def test_nothing_is_served_to_a_device_that_is_not_paired(beyond: tuple[str, str, str]) -> None:
    address, _, _ = beyond
    trusting = ssl._create_unverified_context()
    with httpx2.Client(base_url=address, verify=False) as stranger:
        assert stranger.get("/api/health").status_code == 200
        for path in ("/api/jobs", "/api/metrics", "/openapi.json", "/api/devices"):
            assert stranger.get(path).status_code in (303, 401)
        assert stranger.get("/jobs/x/wall").headers["location"] == "/pair"
        assert stranger.post("/api/devices/code").json()["type"] == "/problems/not-paired"
        job = "00000000-0000-0000-0000-000000000000"
        with pytest.raises(InvalidStatus):
            ran(opened(address.replace("https", "wss") + f"/api/jobs/{job}/feed", trusting))
    plain = httpx2.get(address.replace("https", "http") + "/api/jobs", follow_redirects=False, timeout=30)
    assert plain.status_code == 308 and b"served over HTTPS" in plain.content
    assert plain.headers["location"] == f"{address}/"


def test_a_phone_is_paired_by_a_code_and_saves_under_its_name_until_it_is_unpaired(
    beyond: tuple[str, str, str], browser: Browser
) -> None:
    address, code, url = beyond
    office = browser.new_context(base_url=address, ignore_https_errors=True)
    page = office.new_page()
    page.goto(f"/pair#{code}")
    page.get_by_label("Name of this device").fill("Bench tablet")
    page.get_by_role("button", name="Pair").click()
    expect(page.get_by_role("heading", name="The yard")).to_be_visible(timeout=15_000)
    page.get_by_role("button", name="Devices").click()
    page.get_by_role("button", name="Pair a device").click()
    qr = page.get_by_role("img", name="QR code")
    expect(qr).to_be_visible()
    assert qr.evaluate("(image) => image.decode().then(() => image.naturalWidth)") > 100
    again = page.get_by_test_id("code").inner_text()
    with httpx2.Client(base_url=address, verify=False) as phone:
        paired = phone.post("/api/pair", json={"code": again.lower(), "name": "Mara's phone"})
        assert paired.status_code == 201
        assert phone.post("/api/pair", json={"code": again, "name": "another"}).status_code == 422
        job = phone.get("/api/jobs").json()["jobs"][0]["id"]
        edits: dict[str, Any] = {"edits": [{"pointer": "/notes", "value": "from the ladder"}]}
        version = phone.get(f"/api/jobs/{job}").json()["version"]
        told = {"if-match": f'"{version}"', "gantline-who": "somebody else"}
        assert phone.post(f"/api/jobs/{job}/edits", json=edits, headers=told).status_code == 200
        assert phone.get(f"/api/jobs/{job}/versions").json()[0]["who"] == "Mara's phone"
        meter = httpx2.get(
            f"{address}/api/jobs",
            verify=False,
            headers={"authorization": f"Bearer {paired.json()['token']}"},
            timeout=30,
        )
        assert meter.status_code == 200
        page.get_by_role("button", name="Unpair Mara's phone").click()
        expect(page.get_by_text("Mara's phone")).to_have_count(0)
        for _ in range(60):
            if phone.get("/api/jobs").status_code == 401:
                break
            page.wait_for_timeout(100)
        assert phone.get("/api/jobs").status_code == 401
    page.get_by_role("button", name="Pair a device").click()
    late = page.get_by_test_id("code").inner_text()
    with psycopg.connect(url.replace("+psycopg", ""), autocommit=True) as database:
        kept = str(database.execute("SELECT * FROM device").fetchall())
        assert paired.json()["token"] not in kept  # whoever reads the database cannot come in
        database.execute("UPDATE pairing SET until = now() - interval '1 s'")
    # an old code is none, and codes cannot be guessed at leisure
    tries = [
        httpx2.post(f"{address}/api/pair", json={"code": late, "name": "x"}, verify=False, timeout=30)
        for _ in range(12)
    ]
    assert {one.status_code for one in tries} == {422, 429}
    assert tries[-1].status_code == 429
    office.close()


def test_a_certificate_of_our_own_is_kept_until_it_no_longer_fits(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    made, key = certificate.own(tmp_path, ["bench.example", "10.1.2.3"])
    first = made.read_bytes()
    assert key.stat().st_mode & 0o777 == 0o600
    context = ssl.create_default_context(cafile=str(made))
    context.load_cert_chain(made, key)
    assert certificate.own(tmp_path, ["bench.example", "10.1.2.3"])[0].read_bytes() == first
    second = certificate.own(tmp_path, ["other.example"])[0].read_bytes()
    assert second != first
    later = datetime.now(UTC) + timedelta(days=380)
    monkeypatch.setattr(certificate, "datetime", type("Later", (), {"now": staticmethod(lambda _: later)}))
    assert certificate.own(tmp_path, ["other.example"])[0].read_bytes() != second
