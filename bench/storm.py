"""Strangers by the hundreds while a paired tablet works, a flood of photos beside the desk, every number at its ends."""

import os
import shutil
import tempfile
import threading
import time
from concurrent.futures import ProcessPoolExecutor, ThreadPoolExecutor
from multiprocessing import get_context
from pathlib import Path

import cv2
import httpx2
import numpy as np
from tests.api.test_storm import Beyond, silent, slow_bodies
from tests.conftest import demo_job
from tests.plan.test_ends import JOBS, ends_of
from tests.running import Running

from bench.plans import quantile
from bench.processes import memory_mb
from gantline.database import FAST, PrivateDatabase
from gantline.job.edits import nudged
from gantline.job.file import read_job, sparse
from gantline.job.problems import BadDocument
from gantline.stations import face, plan
from gantline.stations.board import FACES

PHOTOS, SECONDS = 24, 8.0


def _strangers(url: str, folder: Path) -> list[tuple[str, str, str]]:
    beyond = Beyond(url, folder, "prlimit", "--nofile=1024:1024")
    rows = []
    try:
        for said, addresses in (
            ("one address", ["127.0.0.9"]),
            ("fifty", [f"127.0.0.{last}" for last in range(10, 60)]),
        ):
            over = threading.Event()
            crowd = silent(beyond.port, addresses)
            dripping = slow_bodies(beyond.port, addresses, over)
            taken, failed = [], 0
            until = time.monotonic() + SECONDS
            while time.monotonic() < until:
                began = time.perf_counter()
                failed += beyond.ask("GET", "/api/jobs", token=beyond.token)[0] != 200
                taken.append((time.perf_counter() - began) * 1e3)
                time.sleep(0.02)
            over.set()
            dripping.join()
            for one in crowd:
                one.close()
            rows.append(
                (
                    f"a paired tablet while {said} holds 1,500 silent connections and 300 slow bodies, 1,024 open files",
                    f"{failed} of {len(taken)} requests failed, p95 {quantile(taken, 0.95):.0f} ms",
                    "0, p95 1 s",
                )
            )
    finally:
        beyond.close()
    return rows


def _sent(path: str, image: bytes, head: dict[str, str]) -> int:
    """Every photo at once; how many were kept."""
    os.nice(10)
    with ThreadPoolExecutor(PHOTOS) as pool:
        sent = [
            pool.submit(httpx2.post, path, content=image, headers=head, timeout=120) for _ in range(PHOTOS)
        ]
        return sum(answer.result().status_code == 201 for answer in sent)


def _photos(url: str) -> list[tuple[str, str, str]]:
    server = Running("--database", url, worker=True).start()
    try:
        job = httpx2.get(f"{server.address}/api/jobs").json()["jobs"][0]["id"]
        rng = np.random.default_rng(1)
        grain = rng.integers(0, 255, (3000, 4000), dtype=np.uint8)
        image = cv2.imencode(".jpg", cv2.GaussianBlur(grain, (0, 0), 1.2), [cv2.IMWRITE_JPEG_QUALITY, 95])[
            1
        ].tobytes()
        path, head = f"{server.address}/api/jobs/{job}/photos", {"content-type": "image/jpeg"}
        taken: list[float] = []
        most = 0.0
        assert server.process
        # phones have processors of their own: theirs is a process that gives way, the desk asks over one connection
        with ProcessPoolExecutor(1, mp_context=get_context("spawn")) as phones, httpx2.Client() as desk:
            sent = phones.submit(_sent, path, image, head)
            while not sent.done():
                began = time.perf_counter()
                desk.get(f"{server.address}/api/settings", timeout=60).raise_for_status()
                taken.append((time.perf_counter() - began) * 1e3)
                most = max(most, memory_mb({server.process.pid}))
                time.sleep(0.02)
            good = sent.result()
        most = max(most, memory_mb({server.process.pid}))
    finally:
        server.stop()
    return [
        (
            f"settings while {PHOTOS} photos of 12 MP ({len(image) / 1e6:.1f} MB each) are sent at once",
            f"p95 {quantile(taken, 0.95):.0f} ms of {len(taken)}; {good} kept; server at most {most:.0f} MB",
            "p95 200 ms, under 300 MB",
        )
    ]


def _ends() -> list[tuple[str, str, str]]:
    slowest, where, count = 0.0, "", 0
    for name in JOBS:
        job = demo_job(name)
        base = plan(job)
        for pointer, value in ends_of(job):
            try:
                other = read_job(sparse(nudged(job, pointer, value)))
            except BadDocument:
                continue
            began = time.perf_counter()
            made = plan(other, last=base)
            for side in FACES:
                face(made, side)
            taken, count = time.perf_counter() - began, count + 1
            if taken > slowest:
                slowest, where = taken, f"{name} {pointer} {value:g}"
    return [
        (
            f"a plan with its faces, every number of four jobs at both ends ({count})",
            f"slowest {slowest:.2f} s ({where})",
            "1 s",
        )
    ]


def rows() -> list[tuple[str, str, str]]:
    """On this machine, with an own database."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    os.environ["GANTLINE_NIGHTLY"] = "false"
    private = PrivateDatabase(folder / "pg", FAST)
    try:
        url = private.start()
        return [*_ends(), *_strangers(url, folder), *_photos(url)]
    finally:
        private.stop()
        shutil.rmtree(folder, ignore_errors=True)
