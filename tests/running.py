"""A real server process, to be started, killed and started again."""

import asyncio
import os
import signal
import socket
import subprocess
import sys
import time
from collections.abc import Coroutine
from concurrent.futures import ThreadPoolExecutor
from typing import Any, TypeVar

import httpx2

T = TypeVar("T")


def ran(what: Coroutine[Any, Any, T]) -> T:
    """What it comes to, in a thread of its own: a browser's loop may run in this one."""
    with ThreadPoolExecutor(1) as pool:
        return pool.submit(asyncio.run, what).result()


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


class Running:
    """gantline serve, on an own database URL or an own data folder; with a worker only where one is needed."""

    def __init__(self, *arguments: str, port: int | None = None, worker: bool = False) -> None:
        self.port = port or free_port()
        self.told = os.environ | {"GANTLINE_WORKER": str(worker).lower()}
        self.arguments = arguments
        self.process: subprocess.Popen[bytes] | None = None

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> "Running":
        command = [sys.executable, "-m", "gantline", "serve", "--port", str(self.port), *self.arguments]
        self.process = subprocess.Popen(
            command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, env=self.told
        )
        with httpx2.Client(base_url=self.address, timeout=2) as client:  # one: to make one takes a while
            for _ in range(1200):  # a minute at least: other work may go on beside it
                try:
                    if client.get("/api/health").status_code == 200:
                        return self
                except httpx2.HTTPError:
                    pass
                if self.process.poll() is not None:
                    raise RuntimeError(f"the server ended with {self.process.returncode}")
                time.sleep(0.05)
        raise RuntimeError("the server did not come up")

    def kill(self) -> None:
        assert self.process
        os.kill(self.process.pid, signal.SIGKILL)
        self.process.wait()

    def stop(self) -> None:
        if self.process and self.process.poll() is None:
            self.process.send_signal(signal.SIGINT)
            self.process.wait(timeout=30)
