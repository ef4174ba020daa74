"""Heavy work is done once, by whoever is there, and ends when nobody wants it or when it takes too much."""

import json
import random
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import httpx2
import procrastinate
import psycopg
import pytest

from gantline.work.queue import Queue
from tests.conftest import AS_JSON, DEMO
from tests.running import Running

Start = Callable[..., "subprocess.Popen[bytes]"]


@pytest.fixture
def start_worker() -> Iterator[Start]:
    started: list[subprocess.Popen[bytes]] = []

    def start(url: str, *more: str) -> "subprocess.Popen[bytes]":
        command = [sys.executable, "-m", "gantline", "work", "--database", url, *more]
        started.append(subprocess.Popen(command))
        return started[-1]

    yield start
    for one in started:
        one.kill()
        one.wait()


def slow_job(address: str) -> str:
    """A job whose sheets take seconds, longer than the server waits before it says that work is under way."""
    job = json.loads((DEMO / "mill-loft.job.json").read_text())
    job["survey"]["seats"] = [
        {"id": f"s{at}", "x_mm": 350 + at % 8 * 500.0, "from_wall_mm": 2500 + at // 8 * 700.0}
        for at in range(44)
    ]
    job["tension"]["spacing_mm"] = 6.0
    made = httpx2.post(f"{address}/api/jobs/file", content=json.dumps(job), headers=AS_JSON).json()
    return str(made["id"])


def wait_for(what: Callable[[], bool], seconds: float = 90.0) -> None:
    until = time.monotonic() + seconds
    while not what():
        assert time.monotonic() < until
        time.sleep(0.05)


def fetch(addresses: list[str], path: str) -> httpx2.Response:
    """As a page does: followed, and asked of another server where one is gone."""
    for _ in range(300):
        try:
            answer = httpx2.get(f"{random.choice(addresses)}{path}", timeout=20)
        except httpx2.HTTPError:
            continue
        if answer.status_code not in (202, 404, 503):
            return answer
        time.sleep(0.2)
    raise AssertionError(path)


def children(pid: int) -> set[str]:
    """Processes below one that do its work (the fork server and its tracker wait and use no time)."""
    found, below = set(), [str(pid)]
    while below:
        threads = Path(f"/proc/{below[0]}/task").glob("*/children")
        own = [one for path in threads for one in path.read_text().split()]
        found.update(own)
        below = below[1:] + own
    return found


def test_two_servers_and_two_workers_share_the_work_and_one_of_each_may_die(
    new_database: Callable[[], str], start_worker: Start
) -> None:
    url = new_database()
    servers = [Running("--database", url).start() for _ in range(2)]
    try:
        workers = [start_worker(url) for _ in range(2)]
        addresses = [one.address for one in servers]
        job = slow_job(addresses[0])
        sheets = [f"/api/jobs/{job}/sheets/{name}?paper={paper}" for name in ("wall-sheet", "tension-sheet") for paper in ("a4", "letter")]  # fmt: skip
        with ThreadPoolExecutor(6) as pool:
            asked = [pool.submit(fetch, addresses, one) for one in sheets]

            def working() -> int:
                with psycopg.connect(url.replace("+psycopg", "")) as connection:
                    return len(connection.execute("SELECT 1 FROM result WHERE state = 'working'").fetchall())

            wait_for(lambda: working() == 2)
            workers[0].kill()
            servers[1].kill()
            answers = [one.result() for one in asked]
        assert all(one.status_code == 200 and one.content.startswith(b"%PDF") for one in answers)
        with psycopg.connect(url.replace("+psycopg", "")) as connection:
            rows = connection.execute("SELECT state, count(*) FROM result GROUP BY state").fetchall()
        assert rows == [("done", len(sheets))]
    finally:
        for one in servers:
            one.stop()


def test_two_threads_may_be_the_first_to_queue(
    new_database: Callable[[], str], monkeypatch: pytest.MonkeyPatch
) -> None:
    url, opens, begun = new_database(), procrastinate.App.open, threading.Event()

    def slowly(app: procrastinate.App) -> procrastinate.App:
        begun.set()
        time.sleep(0.2)
        return opens(app)

    monkeypatch.setattr(procrastinate.App, "open", slowly)
    queue = Queue(url)
    with ThreadPoolExecutor(1) as pool, psycopg.connect(url.replace("+psycopg", "")) as connection:
        first = pool.submit(queue.put, "a", "sheet")
        assert begun.wait(10)
        queue.put("b", "sheet")
        first.result()
        jobs = connection.execute("SELECT queueing_lock FROM procrastinate_jobs ORDER BY 1").fetchall()
    queue.close()
    assert jobs == [("a",), ("b",)]


def test_work_nobody_wants_ends_and_so_does_work_that_takes_too_long(
    new_database: Callable[[], str], start_worker: Start
) -> None:
    url = new_database()
    server = Running("--database", url).start()
    try:
        path = f"{server.address}/api/jobs/{slow_job(server.address)}/sheets/tension-sheet"
        worker = start_worker(url)
        first = httpx2.get(path, timeout=20)
        assert first.status_code == 202
        key = first.json()["work"]
        wait_for(lambda: httpx2.get(f"{server.address}/api/work/{key}").json()["progress"] > 0.0)
        at_work = children(worker.pid)
        assert httpx2.delete(f"{server.address}/api/work/{key}").status_code == 204
        wait_for(lambda: len(children(worker.pid)) < len(at_work), 5.0)
        assert httpx2.get(f"{server.address}/api/work/{key}").status_code == 404
        key = httpx2.get(path, timeout=20).json()["work"]
        wait_for(lambda: httpx2.get(f"{server.address}/api/work/{key}").json()["progress"] > 0.0)
        worker.terminate()  # what it was at is left for the next one, and found again by whoever follows it
        assert worker.wait(10) == 0
        second = start_worker(url)
        wait_for(lambda: httpx2.get(f"{server.address}/api/work/{key}").json()["state"] == "done", 150.0)
        second.terminate()
        assert second.wait(10) == 0
        path = f"{server.address}/api/jobs/{slow_job(server.address)}/sheets/tension-sheet"
        start_worker(url, "--seconds", "0.3")
        answer = httpx2.get(path, timeout=20)
        while answer.status_code == 202:
            answer = httpx2.get(path, timeout=20)
        assert (answer.status_code, answer.json()["type"]) == (422, "/problems/work-failed")
        assert "longer than 0.3 seconds" in answer.json()["detail"]
    finally:
        server.stop()
