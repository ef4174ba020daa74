"""Kills in the middle of saves, round after round: nothing acknowledged is lost, no version is half."""

import os
import random
import shutil
import signal
import sys
import tempfile
import threading
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from statistics import median

import httpx2
import psycopg
from tests.api.test_kill import kill_postgres, save_until_it_breaks
from tests.running import Running

from gantline.database import PrivateDatabase

client = httpx2.Client(timeout=60)  # one: to make one takes longer than a request
ROUNDS = int(os.environ.get("GANTLINE_ROUNDS", "500"))
ALONE = int(os.environ.get("GANTLINE_ALONE", "200"))  # rounds of each victim by itself


def _alone(victim: str) -> tuple[str, str, str]:
    """The server, the parent of two servers, or the worker killed by itself: what is left over, what is lost."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    data = folder / "shop"
    several = ("--workers", "2") if victim == "parent" else ()
    server = Running("--data", str(data), "--no-demo", *several, worker=True).start()
    job = httpx2.post(f"{server.address}/api/jobs", json={"name": "Kill", "value": 2000}, timeout=60.0).json()
    version, lost, failed, most = job["version"], 0, 0, 0
    try:
        for round_ in range(ALONE):
            told: list[int] = []
            saver = threading.Thread(target=save_until_it_breaks, args=(server, job["id"], version, told))
            saver.start()
            time.sleep(random.uniform(0.2, 0.5))
            assert server.process
            if victim == "worker":
                for pid in _workers(server.process.pid):
                    os.kill(pid, signal.SIGKILL)
                time.sleep(0.3)
                server.kill()  # the saver ends with it
            else:
                server.kill()
            saver.join()
            try:
                server.start()
            except RuntimeError as error:
                failed += 1
                print(f"round {round_ + 1}, {victim}: {error}", file=sys.stderr, flush=True)
                server.kill()
                server.start()
            most = max(most, _connections(data))
            now = client.get(f"{server.address}/api/jobs/{job['id']}").json()
            lost += bool(told) and now["version"] < told[-1]
            version = now["version"]
            if round_ % 20 == 19:
                print(
                    f"{round_ + 1} of {ALONE}, {victim}: {lost} lost, {failed} failed",
                    file=sys.stderr,
                    flush=True,
                )
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    left = [pid for pid in _ours(data) if pid != os.getpid()]
    return (
        f"{ALONE} kills of the {victim} alone",
        f"{lost} lost, {failed} starts failed, {len(left)} processes left, at most {most} database connections",
        "0, 0, 0",
    )


def _workers(server: int) -> list[int]:
    children = Path(f"/proc/{server}/task/{server}/children").read_text().split()
    threads = [
        one for path in Path(f"/proc/{server}/task").glob("*/children") for one in path.read_text().split()
    ]
    return [int(pid) for pid in {*children, *threads} if b"work" in Path(f"/proc/{pid}/cmdline").read_bytes()]


def _connections(data: Path) -> int:
    with psycopg.connect(PrivateDatabase(data).admin_url_of("postgres")) as connection:
        found = connection.execute(
            "SELECT count(*) FROM pg_stat_activity WHERE datname = 'gantline'"
        ).fetchone()
        return int(found[0]) if found else 0


def _ours(data: Path) -> list[int]:
    """Processes whose command or environment names a data folder."""
    found = []
    for path in Path("/proc").glob("[0-9]*"):
        try:
            if str(data).encode() in path.joinpath("cmdline").read_bytes():
                found.append(int(path.name))
        except OSError:
            continue
    return found


def rows() -> Iterator[tuple[str, str, str]]:
    """The server, the database or both killed while somebody saves; then each by itself."""
    yield from _together()
    # beside each other, each with an installation of its own: most of a round waits for a start
    with ThreadPoolExecutor() as pool:
        yield from pool.map(_alone, ("server", "parent", "worker"))


def _together() -> list[tuple[str, str, str]]:
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
                answer = client.get(f"{server.address}/api/jobs/{job['id']}")
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
