"""What ./start runs: it stops all it started, comes back by itself, and says in two lines why it cannot start."""

import os
import signal
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Callable
from pathlib import Path

import httpx2
import psycopg
import pytest
from websockets.sync.client import connect

from gantline.database import PrivateDatabase
from tests.running import Running, free_port


def started(*arguments: str, **told: str) -> subprocess.CompletedProcess[str]:
    command = [sys.executable, "-m", "gantline", "serve", *arguments]
    return subprocess.run(
        command, capture_output=True, text=True, timeout=30, check=False, env=os.environ | told
    )


def test_why_it_cannot_start_is_said_in_two_lines(folder: Path, new_database: Callable[[], str]) -> None:
    newer = new_database()
    with psycopg.connect(newer.replace("+psycopg", "")) as connection:
        connection.execute("UPDATE alembic_version SET version_num = 'from-the-future'")
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        free = str(free_port())
        for arguments, why in (
            (("--port", str(taken.getsockname()[1]), "--data", str(folder / "p")), "cannot be used"),
            (("--port", free, "--data", str(folder / "p"), "--host", "0.0.0.0"), "what other machines call"),
            (("--port", free, "--data", str(folder / "p"), "--host", "192.0.2.1"), "cannot be used"),
            (("--port", free, "--database", newer, "--host", "127.0.0.2", "--certificate", "x"), "two files"),
            (("--port", "70000", "--data", str(folder / "p")), "no port 70000"),
            (("--port", free, "--database", "somewhere"), "no database URL"),
            (("--port", free, "--database", "postgresql://a:b@127.0.0.1:1/c"), "does not answer"),
            (("--port", free, "--database", newer), "newer Gantline"),
            (("--port", free, "--data", "/proc/gantline"), "cannot be used"),
        ):
            done = started(*arguments)
            assert (done.returncode, done.stdout) == (1, "")
            assert why in done.stderr
            assert len(done.stderr.strip().splitlines()) == 2, done.stderr
    assert not (folder / "p").exists()  # nothing was made before the port was there


@pytest.mark.parametrize("number", [signal.SIGTERM, signal.SIGHUP, signal.SIGINT])
def test_whatever_ends_it_stops_the_database_too(folder: Path, number: signal.Signals) -> None:
    data = folder / f"end-{number}"
    several = ("--workers", "2") if number == signal.SIGTERM else ()
    running = Running("--data", str(data), "--no-demo", *several, worker=True).start()
    private = PrivateDatabase(data)
    assert private.alive()
    assert running.process
    running.process.send_signal(number)
    running.process.wait(timeout=10)
    assert not private.alive()


def test_a_database_that_dies_is_started_again(folder: Path) -> None:
    data = folder / "dies"
    running = Running("--data", str(data)).start()
    try:
        private = PrivateDatabase(data)
        before = httpx2.get(f"{running.address}/api/jobs").json()
        pid = int((data / "data" / "postmaster.pid").read_text().splitlines()[0])
        os.kill(pid, signal.SIGKILL)
        for _ in range(100):
            time.sleep(0.1)
            answer = httpx2.get(f"{running.address}/api/jobs")
            if answer.status_code == 200:
                break
            assert answer.status_code == 503
        assert answer.json() == before
        assert private.alive()
    finally:
        running.stop()


HANGING = """
import sys
from pathlib import Path
from gantline import server, serving
from gantline.settings import Settings
whole = server.create_app
def hanging(settings):
    app = whole(settings)
    def never():
        while True:
            pass
    app.router.routes.insert(0, __import__("starlette.routing", fromlist=["Route"]).Route("/api/never", lambda request: never()))
    return app
server.create_app = hanging
serving.serve(Settings(port=int(sys.argv[1]), data_folder=Path(sys.argv[2]), demo=False, worker=False))
"""


def test_ctrl_c_ends_it_in_five_seconds_whatever_a_thread_does(folder: Path) -> None:
    port, data = free_port(), folder / "hangs"
    process = subprocess.Popen(
        [sys.executable, "-c", HANGING, str(port), str(data)], stdout=subprocess.DEVNULL
    )
    address = f"http://127.0.0.1:{port}/api"
    for _ in range(200):
        try:
            httpx2.get(f"{address}/health", timeout=1)
            break
        except httpx2.HTTPError:
            time.sleep(0.1)
    for _ in range(3):
        with pytest.raises(httpx2.TimeoutException):
            httpx2.get(f"{address}/never", timeout=0.5)
    process.send_signal(signal.SIGINT)
    began = time.monotonic()
    process.wait(timeout=10)
    assert time.monotonic() - began < 5.0
    assert not PrivateDatabase(data).alive()


def below(pid: int) -> set[int]:
    """All processes that one has started, and those that they have started."""
    found, left = set[int](), [pid]
    while left:
        for path in Path(f"/proc/{left.pop()}/task").glob("*/children"):
            own = {int(one) for one in path.read_text().split()}
            found |= own
            left += own
    return found


def test_nothing_is_left_of_a_server_that_is_killed(folder: Path) -> None:
    running = Running("--data", str(folder / "killed"), "--no-demo", "--workers", "2", worker=True).start()
    assert running.process
    time.sleep(1.5)  # the worker has started what works for it
    there = below(running.process.pid)
    assert len(there) >= 5  # two that serve, the worker, its fork server, what keeps track of them
    running.kill()
    until = time.monotonic() + 4.0
    while left := [
        pid
        for pid in there
        if Path(f"/proc/{pid}/cmdline").exists() and Path(f"/proc/{pid}/cmdline").read_bytes()
    ]:
        assert time.monotonic() < until, left
        time.sleep(0.05)
    running.start().stop()  # and the port is free


def test_a_fork_server_whose_worker_is_gone_already_ends_before_it_loads_anything() -> None:
    said = "import gantline.work.first; print('here')"
    for worker, wanted in ((os.getpid(), "here"), (os.getpid() + 1, "")):
        told = os.environ | {"GANTLINE_FORKS_FOR": str(worker)}
        done = subprocess.run(
            [sys.executable, "-c", said], env=told, capture_output=True, text=True, check=False
        )
        assert done.stdout.strip() == wanted


def test_a_database_that_recovers_is_waited_for(folder: Path) -> None:
    data = folder / "recovers"
    private = PrivateDatabase(data)
    private.start()
    postmaster = int((data / "data" / "postmaster.pid").read_text().splitlines()[0])
    os.kill(postmaster, signal.SIGSTOP)  # alive and not ready, as while it recovers
    awake = threading.Timer(2.0, os.kill, (postmaster, signal.SIGCONT))
    awake.start()
    try:
        assert private.start()
        assert int((data / "data" / "postmaster.pid").read_text().splitlines()[0]) == postmaster
    finally:
        awake.join()
        private.stop()


def test_a_socket_that_does_not_say_what_it_wants_is_closed(new_database: Callable[[], str]) -> None:
    running = Running("--database", new_database(), "--no-demo").start()
    try:
        job = httpx2.post(f"{running.address}/api/jobs", json={"name": "Feed", "value": 2000}).json()
        feed = f"ws://127.0.0.1:{running.port}/api/jobs/{job['id']}/feed"
        with (
            connect(feed) as quiet,
            socket.create_connection(("127.0.0.1", running.port)) as silent,
            socket.create_connection(("127.0.0.1", running.port)) as slow,
            socket.create_connection(("127.0.0.1", running.port)) as endless,
        ):
            with pytest.raises(OSError):  # a head without end is not read on
                for _ in range(100):
                    endless.sendall(b"GET /api/health HTTP/1.1\r\nx: " + b"y" * 100_000)
                    time.sleep(0.01)
            silent.settimeout(20)
            began = time.monotonic()
            slow.sendall(b"GET /api/health HTTP/1.1\r\n")
            for letter in b"host: 127.0.0.1\r\nx:":
                time.sleep(0.8)
                try:
                    slow.sendall(bytes([letter]))
                except OSError:
                    break
            assert silent.recv(1) == b""
            with pytest.raises(OSError):
                for _ in range(20):
                    time.sleep(0.1)
                    slow.sendall(b"y")
            assert time.monotonic() - began < 30
            quiet.send("{}")  # a feed may be silent as long as it likes
            assert "missing" in str(quiet.recv(timeout=5))
    finally:
        running.stop()
