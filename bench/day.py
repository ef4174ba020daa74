"""The day: steps made of a plan at hand, and a tick over HTTP."""

import json
import shutil
import tempfile
import time
from collections.abc import Callable
from dataclasses import dataclass
from functools import partial
from http.client import HTTPConnection
from pathlib import Path
from statistics import median
from uuid import uuid4

from tests.running import Running

from bench.plans import quantile, timed
from gantline.core.day.progress import standings
from gantline.demo.world import job_bytes
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job_file
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.day.withheld import steps_to_do

TICKS = 200


@dataclass(slots=True)
class Fresh:
    """A plan at hand of which nobody asked the steps yet, again and again: the height moved to and fro."""

    made: JobPlan
    turn: int = 0

    def again(self) -> None:
        """The next one."""
        self.turn += 1
        job = apply(self.made.job, [Edit(pointer="/height/wish_mm", value=1180.0 + self.turn % 2)])
        self.made = plan(job, last=self.made)


def rows() -> list[tuple[str, str, str]]:
    """Of the mill loft with its 292 points."""
    fresh, taken = Fresh(plan(read_job_file(job_bytes("mill-loft")))), []
    for _ in range(60):
        fresh.again()
        taken += timed_once(lambda: steps_to_do(fresh.made))
    steps = steps_to_do(fresh.made)
    again = timed(lambda: standings(steps_to_do(fresh.made), ()), 100)
    ticks, size = _ticks()
    return [
        (
            f"{len(steps)} steps of the mill loft, of a plan at hand; again after a tick",
            f"median {median(taken):.1f} ms; {median(again):.2f} ms",
            "15 ms; 3 ms",
        ),
        (
            f"a tick over HTTP ({TICKS}, each on all that were told before it)",
            f"median {median(ticks):.1f} ms, p95 {quantile(ticks, 0.95):.1f} ms; the whole day {size / 1000:.0f} kB",
            "15 ms median",
        ),
    ]


def timed_once(action: Callable[[], object]) -> list[float]:
    """One call, by itself [ms]: the second one is answered from memory."""
    start = time.perf_counter()
    action()
    return [(time.perf_counter() - start) * 1e3]


def _ticks() -> tuple[list[float], int]:
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    server = Running("--data", str(folder / "shop")).start()
    try:
        line = HTTPConnection("127.0.0.1", server.port)

        def ask(method: str, path: str, content: bytes | None = None) -> bytes:
            line.request(method, path, content, {"content-type": "application/json"})
            answer = line.getresponse()
            said = answer.read()
            assert answer.status < 300, said
            return said

        job = json.loads(ask("POST", "/api/jobs/file", job_bytes("mill-loft")))
        path = f"/api/jobs/{job['id']}/day"
        whole = ask("GET", path)
        held = [step["key"] for step in json.loads(whole)["steps"] if step["phase"] == "tension"]
        taken = []
        for number in range(TICKS):
            row = {"id": str(uuid4()), "step": held[number % len(held)], "act": "done", "version": 1}
            body = json.dumps({"rows": [row]}).encode()
            taken += timed_once(partial(ask, "POST", f"{path}/rows", body))
        line.close()
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    return taken, len(whole)
