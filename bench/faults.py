"""Kills in the middle of saves, round after round: nothing acknowledged is lost, no version is half."""

import os
import random
import shutil
import sys
import tempfile
import threading
import time
from pathlib import Path
from statistics import median

import httpx2
from tests.api.test_kill import kill_postgres, save_until_it_breaks
from tests.running import Running

ROUNDS = int(os.environ.get("GANTLINE_ROUNDS", "500"))


def rows() -> list[tuple[str, str, str]]:
    """The server, the database or both killed while somebody saves."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    data = folder / "shop"
    server = Running("--data", str(data), "--no-demo").start()
    job = httpx2.post(f"{server.address}/api/jobs", json={"name": "Kill", "value": 2000}).json()
    version, acknowledged, lost, half, starts = job["version"], 0, 0, 0, []
    try:
        for round_ in range(ROUNDS):
            told: list[int] = []
            saver = threading.Thread(target=save_until_it_breaks, args=(server, job["id"], version, told))
            saver.start()
            time.sleep(random.uniform(0.2, 0.8))
            victim = ("server", "database", "both")[round_ % 3]
            if victim != "server":
                kill_postgres(data)
            if victim != "database":
                server.kill()
            saver.join()
            began = time.perf_counter()
            if victim != "database":
                server.start()
            while True:
                answer = httpx2.get(f"{server.address}/api/jobs/{job['id']}")
                if answer.status_code == 200:
                    break
                time.sleep(0.02)
            starts.append(time.perf_counter() - began)
            now = answer.json()
            acknowledged += len(told)
            lost += bool(told) and now["version"] < told[-1]
            half += now["document"]["place"] != now["document"]["notes"]
            version = now["version"]
            if sys.stderr.isatty():
                print(f"\r{round_ + 1} of {ROUNDS}", end="", file=sys.stderr)
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    return [
        (
            f"{ROUNDS} kills of server, database and both during {acknowledged} saves",
            f"{lost} lost, {half} half",
            "0, 0",
        ),
        (
            "there again after a kill",
            f"median {median(starts):.1f} s, longest {max(starts):.1f} s",
            "5 s median",
        ),
    ]
