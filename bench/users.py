"""Many people at once, and many of the largest sheets at once: nobody waits long, and the server says that it lives."""

import asyncio
import json
import os
import random
import shutil
import tempfile
import time
from collections import defaultdict
from collections.abc import Iterator
from pathlib import Path

import httpx2
from tests.running import Running

from bench.plans import pace, quantile
from bench.processes import below, cpu_s, memory_mb, open_files, postgres_of, workers
from gantline.demo.world import JOB_FILES, job_bytes

USERS = int(os.environ.get("GANTLINE_USERS", "200"))
SECONDS = float(os.environ.get("GANTLINE_SECONDS", "60"))
SOAK_S = float(os.environ.get("GANTLINE_SOAK", "0"))  # an hour is 3600
PAUSE_S = 2.0
AS_JSON = {"content-type": "application/json"}
# of 500 acts; one sheet in 500 is timed apart
ACTS = ("list",) * 60 + ("open",) * 90 + ("re-plan",) * 250 + ("save",) * 99 + ("sheet",)


class Browser:
    """One person's connection, kept open. As little work as can be: who plays the users shares this machine with the servers."""

    def __init__(self, port: int) -> None:
        self.port = port
        self.line: tuple[asyncio.StreamReader, asyncio.StreamWriter] | None = None

    async def ask(
        self, method: str, path: str, body: object = None, more: str = "", accept: str = "gzip, br, zstd"
    ) -> tuple[int, bytes]:
        """Status and body, compressed as it came; a line that was closed while nobody asked is opened anew, as every browser
        does.  Raises: OSError, EOFError."""
        kept = self.line is not None
        try:
            return await self._asked(method, path, body, more, accept)
        except (ConnectionError, asyncio.IncompleteReadError) as error:
            begun = isinstance(error, asyncio.IncompleteReadError) and error.partial
            if not kept or begun:
                raise
            return await self._asked(method, path, body, more, accept)

    async def _asked(self, method: str, path: str, body: object, more: str, accept: str) -> tuple[int, bytes]:
        if self.line is None:
            self.line = await asyncio.open_connection("127.0.0.1", self.port, limit=1 << 22)
        reader, writer = self.line
        content = b"" if body is None else json.dumps(body).encode()
        head = (
            f"{method} {path} HTTP/1.1\r\nhost: 127.0.0.1:{self.port}\r\naccept-encoding: {accept}\r\n"
            f"content-type: application/json\r\ncontent-length: {len(content)}\r\n{more}\r\n"
        )
        try:
            writer.write(head.encode() + content)
            said = (await reader.readuntil(b"\r\n\r\n")).lower()
            if b"transfer-encoding: chunked" in said:
                pieces = []
                while size := int(await reader.readline(), 16):
                    pieces.append((await reader.readexactly(size + 2))[:-2])
                await reader.readline()
                found = b"".join(pieces)
            else:
                found = await reader.readexactly(
                    int(said.partition(b"content-length: ")[2].split(b"\r\n")[0])
                )
        except BaseException:
            self.close()
            raise
        if b"connection: close" in said:
            self.close()
        return int(said[9:12]), found

    def close(self) -> None:
        """Hang up."""
        if self.line is not None:
            self.line[1].close()
            self.line = None


async def user(
    port: int,
    job: str,
    versions: dict[str, int],
    taken: dict[str, list[float]],
    faults: list[str],
    until: float,
) -> None:
    """Acts at random with a pause between; a conflict with oneself cannot be, everybody has a job of their own. versions: of
    each job the newest, kept as it is saved."""
    browser, path = Browser(port), f"/api/jobs/{job}"
    await asyncio.sleep(random.uniform(0, PAUSE_S))
    while time.monotonic() < until:
        act = random.choice(ACTS)
        edits = [{"pointer": "/height/centre_x_mm", "value": random.uniform(2200, 2500)}]
        began = time.perf_counter()
        try:
            match act:
                case "list":
                    status, found = await browser.ask("GET", "/api/jobs")
                case "open":
                    status, found = await browser.ask("GET", path)
                case "re-plan":
                    body = {"version": versions[job], "edits": edits, "station": "height", "face": "front"}
                    status, found = await browser.ask("POST", f"{path}/preview", body)
                case "save":
                    status, found = await browser.ask(
                        "POST", f"{path}/edits", {"edits": edits}, f'if-match: "{versions[job]}"\r\n'
                    )
                    versions[job] += status == 200
                case _:
                    status, found = await browser.ask("GET", f"{path}/sheets/wall-sheet")
                    while status == 202:
                        await asyncio.sleep(0.4)
                        status, found = await browser.ask("GET", f"{path}/sheets/wall-sheet")
            if status != 200:
                faults.append(f"{act} {status} {found[:90]!r}")
            taken[act].append((time.perf_counter() - began) * 1e3)
        except (OSError, EOFError) as error:
            faults.append(f"{act} {type(error).__name__}")
        await asyncio.sleep(PAUSE_S)
    browser.close()


def largest() -> str:
    """The mill loft with as much in it as a job may hold, its fabric held every 6 mm."""
    job = json.loads(job_bytes("mill-loft"))
    own = job["survey"]
    own["seats"] = [{"id": f"s{at}", "x_mm": 350 + at % 8 * 500.0, "from_wall_mm": 2500 + at // 8 * 700.0} for at in range(60)]  # fmt: skip
    own["boxes"] = [
        {"id": f"b{at}", "kind": "furniture", "x_mm": 100 + at * 60.0, "y_mm": 0.0, "z_mm": 3000.0 + at * 20,
         "width_mm": 300.0, "height_mm": 400.0, "depth_mm": 300.0}
        for at in range(60)
    ]  # fmt: skip
    own["ceiling_readings"] = [
        {"id": f"c{at}", "x_mm": 10.0 + at * 70, "up_mm": 1270.0 + at % 3} for at in range(60)
    ]
    job["tension"]["spacing_mm"] = 6.0
    return json.dumps(job)


async def _jobs_of(users: int, port: int) -> dict[str, int]:
    """A job of their own for everybody, at its version."""
    office, jobs = Browser(port), dict[str, int]()
    for at in range(users):
        content = json.loads(job_bytes(list(JOB_FILES)[at % len(JOB_FILES)]))
        _, made = await office.ask("POST", "/api/jobs/file", content, accept="identity")
        jobs[str(json.loads(made)["id"])] = 1
    office.close()
    return jobs


async def _users(port: int, jobs: dict[str, int], seconds: float) -> tuple[dict[str, list[float]], list[str]]:
    """Everybody at the job of their own for so long; what each act took, and what went wrong."""
    taken: dict[str, list[float]] = defaultdict(list)
    faults: list[str] = []
    until = time.monotonic() + seconds
    await asyncio.gather(*(user(port, job, jobs, taken, faults, until) for job in jobs))
    return taken, faults


async def _sheets(address: str) -> tuple[list[float], list[float]]:
    """Health while twenty of the largest sheets are asked for at once; and how long each sheet took."""
    health: list[float] = []
    async with httpx2.AsyncClient(base_url=address, timeout=60) as client:
        job = (await client.post("/api/jobs/file", content=largest(), headers=AS_JSON)).json()
        path = f"/api/jobs/{job['id']}/sheets"
        kinds = [f"{path}/{name}?paper={paper}" for name in ("wall-sheet", "tension-sheet", "proposal", "order-check", "rough-in")
                 for paper in ("a4", "letter")] * 2  # fmt: skip
        made = asyncio.gather(*(_sheet(client, one) for one in kinds))
        while not made.done():
            began = time.perf_counter()
            await client.get("/api/health")
            health.append((time.perf_counter() - began) * 1e3)
            await asyncio.sleep(0.05)
        return health, list(await made)


async def _sheet(client: httpx2.AsyncClient, path: str) -> float:
    began = time.perf_counter()
    answer = await client.get(path)
    while answer.status_code == 202:
        await asyncio.sleep(0.4)
        answer = await client.get(path)
    answer.raise_for_status()
    return time.perf_counter() - began


def _soak(port: int, data: Path, ours: int) -> list[tuple[str, str, str]]:
    """Twenty users, each at one job, for a long time: memory, open files and connections at a tenth of it, and at its end."""
    jobs = asyncio.run(_jobs_of(20, port))
    asyncio.run(_users(port, jobs, SOAK_S / 10.0))
    first = memory_mb(below(ours)), open_files(below(ours)), len(postgres_of(data))
    _, faults = asyncio.run(_users(port, jobs, SOAK_S * 0.9))
    last = memory_mb(below(ours)), open_files(below(ours)), len(postgres_of(data))
    print(*sorted(set(faults))[:5], sep="\n", flush=True)
    return [
        (
            f"a soak of {SOAK_S / 60.0:.0f} minutes at 20 users",
            f"memory {first[0]:.0f} to {last[0]:.0f} MB, open files {first[1]} to {last[1]}, database processes {first[2]} to "
            f"{last[2]}; {len(faults)} errors",
            "within 10 %, constant, 0 errors",
        )
    ]


def rows() -> Iterator[tuple[str, str, str]]:
    """Two server processes and one worker on this machine, who also plays the users."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    server = Running("--data", str(folder / "shop"), "--workers", "2", worker=True).start()
    assert server.process
    ours = server.process.pid
    try:
        pace_ms = pace()
        spent = list[tuple[float, ...]]()

        def look() -> None:
            work = workers(below(ours))
            kinds = (
                cpu_s(below(ours) - work),
                cpu_s(postgres_of(folder / "shop")),
                cpu_s(work),
                time.process_time(),
            )
            spent.append(kinds)

        jobs = asyncio.run(_jobs_of(USERS, server.port))
        look()
        taken, faults = asyncio.run(_users(server.port, jobs, SECONDS))
        look()
        if SOAK_S:
            yield from _soak(server.port, folder / "shop", ours)
        health, sheets = asyncio.run(_sheets(server.address))
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    acts = sum(len(one) for one in taken.values())
    each = [(b - a) * 1e3 / acts for a, b in zip(*spent, strict=True)]
    said = "; ".join(
        f"{act} {quantile(taken[act], 0.95):.0f} ms" for act in ("list", "open", "re-plan", "save")
    )
    for one in sorted(set(faults))[:5]:
        print(one)
    yield from [
        (
            f"processor time an act, at 100,000 squares in {pace_ms:.1f} ms",
            f"servers {each[0]:.1f} ms, database {each[1]:.1f} ms, worker (sheets) {each[2]:.1f} ms, users {each[3]:.1f} ms",
            "servers and database 11 ms",
        ),
        (
            f"{USERS} users with {PAUSE_S:g} s between their acts, {SECONDS:g} s, {acts} acts, two servers",
            f"p95 {said}; {len(faults)} errors",
            "p95 500 ms each, 0 errors",
        ),
        (
            "a sheet meanwhile",
            f"longest {max(taken['sheet'], default=0.0) / 1e3:.1f} s of {len(taken['sheet'])}",
            "10 s",
        ),
        (
            "health while 20 of the largest sheets are made",
            f"p95 {quantile(health, 0.95):.0f} ms; all sheets in {max(sheets):.0f} s",
            "50 ms p95",
        ),
    ]
