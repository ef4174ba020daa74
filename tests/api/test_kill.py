"""Killed at any moment: every job is at its old or its new version, and the next start recovers."""

import os
import random
import signal
import threading
import time
from pathlib import Path

import httpx2
import pytest

from gantline.database import PrivateDatabase
from tests.running import Running


def save_until_it_breaks(server: Running, job: str, version: int, told: list[int]) -> None:
    """Save the next version again and again, each writing its own number into two fields at once."""
    with httpx2.Client(base_url=server.address, timeout=5) as client:
        while True:
            edits = [{"pointer": field, "value": f"save {version}"} for field in ("/place", "/notes")]
            try:
                answer = client.post(
                    f"/api/jobs/{job}/edits", json={"edits": edits}, headers={"If-Match": f'"{version}"'}
                )
            except httpx2.HTTPError:
                return
            if answer.status_code != 200:
                return
            version = answer.json()["version"]
            told.append(version)


def kill_postgres(folder: Path) -> None:
    """SIGKILL to the postmaster and all its children: a power cut, as far as it can be had."""
    postmaster = int((folder / "data" / "postmaster.pid").read_text().split()[0])
    children = Path(f"/proc/{postmaster}/task/{postmaster}/children").read_text().split()
    for pid in [postmaster, *map(int, children)]:
        try:
            os.kill(pid, signal.SIGKILL)
        except ProcessLookupError:
            continue


@pytest.mark.parametrize("victim", ["server", "postgres"])
def test_a_kill_in_the_middle_of_saves_leaves_a_whole_version(folder: Path, victim: str) -> None:
    data = folder / f"kill-{victim}"
    server = Running("--data", str(data), "--no-demo").start()
    job = httpx2.post(f"{server.address}/api/jobs", json={"name": "Kill", "value": 2000}).json()
    version = job["version"]
    for round_ in range(2):  # bench/faults.py goes on for hundreds
        told: list[int] = []
        saver = threading.Thread(target=save_until_it_breaks, args=(server, job["id"], version, told))
        saver.start()
        time.sleep(random.uniform(0.4, 0.9))
        if victim == "server":
            server.kill()
        else:
            kill_postgres(data)
        saver.join(timeout=30)
        if victim == "postgres":
            # the page is told that the database is away, not given a half answer
            assert httpx2.get(f"{server.address}/api/jobs", timeout=15).status_code == 503
            server.kill()
        server = Running("--data", str(data), "--no-demo", port=server.port).start()
        now = httpx2.get(f"{server.address}/api/jobs/{job['id']}").json()
        assert told, "nothing was saved before the kill"
        # what was acknowledged is there; at most the one under way came after it
        assert now["version"] in (told[-1], told[-1] + 1), round_
        assert now["document"]["place"] == now["document"]["notes"] == f"save {now['version'] - 1}"
        version = now["version"]
    server.stop()
    private = PrivateDatabase(data)
    assert not private._ready()  # Ctrl-C stops all that it started
