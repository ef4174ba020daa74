"""Many people at the same few jobs, at two servers, while the database's connections are cut under them.

No answer may be an error of ours; what a server says of a version is what the database holds of it; nothing acknowledged is
lost. GANTLINE_CROWD_S: how long, each time.
"""

import io
import os
import random
import re
import shutil
import tempfile
import threading
import time
from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any
from uuid import uuid4

import httpx2
import psycopg
from PIL import Image
from tests.running import Running

from gantline.database import PrivateDatabase

SECONDS = float(os.environ.get("GANTLINE_CROWD_S", "120"))
PEOPLE, JOBS = 8, 3
DEMO = Path(__file__).parents[1] / "src" / "gantline" / "demo"
SAMPLES = ("mill-loft", "basement-den", "parish-hall", "narrow-lounge", "customs-house")
AS_JSON, AS_JPEG = {"content-type": "application/json"}, {"content-type": "image/jpeg"}
CUT = """
    SELECT pg_terminate_backend(pid) FROM pg_stat_activity
    WHERE datname = 'gantline' AND pid <> pg_backend_pid() ORDER BY random() LIMIT %s
"""
NO_ERROR = (503,)  # busy, or the database is away: said as that, and tried again


@dataclass
class Crowd:
    """What all of them have done and been told."""

    address: str
    until: float
    jobs: list[str] = field(default_factory=list)
    answers: Counter[int] = field(default_factory=Counter)
    errors: Counter[str] = field(default_factory=Counter)
    shown: dict[tuple[str, int], set[str]] = field(default_factory=dict)  # places said of a version


class Person:
    """One of them, who does what comes to mind, at the jobs that came last."""

    def __init__(self, crowd: Crowd, number: int) -> None:
        self.crowd, self.random = crowd, random.Random(number)
        self.client = httpx2.Client(base_url=crowd.address, timeout=60)
        self.acts: tuple[Callable[[str], Any], ...] = (
            self.edit, self.undo, self.sheet, self.day, self.photo, self.no_photo, self.reading, self.cast, self.drag,
            self.compare, self.tension, self.bin, self.settings, self.yard, self.record,
        )  # fmt: skip

    def live(self) -> None:
        """Until it is over."""
        while time.monotonic() < self.crowd.until:
            with suppress(httpx2.HTTPError):  # a server process whose answer was cut off
                if not self.crowd.jobs or self.random.random() < 0.03:
                    self.begin()
                else:
                    self.random.choice(self.acts)(self.random.choice(self.crowd.jobs[-JOBS:]))

    def ask(self, method: str, path: str, **more: Any) -> Any:
        """The answer's body; None where it is no good one."""
        answer = self.client.request(method, path, **more)
        self.crowd.answers[answer.status_code] += 1
        if answer.status_code >= 500 and answer.status_code not in NO_ERROR:
            place = re.sub(r"[0-9a-f-]{36}|[0-9a-f]{64}", "…", path)
            self.crowd.errors[f"{method} {place} {answer.status_code}"] += 1
        return (
            answer.json() if answer.status_code in (200, 201, 202) and answer.content[:1] in b"{[" else None
        )

    def seen(self, job: Any) -> Any:
        """A job as a server says it is."""
        if job is not None:
            of = self.crowd.shown.setdefault((job["id"], job["version"]), set())
            of.add(str(job["document"].get("place")))
        return job

    def begin(self) -> None:
        """A sample job, for all."""
        content = (DEMO / f"{self.random.choice(SAMPLES)}.job.json").read_bytes()
        job = self.seen(self.ask("POST", "/api/jobs/file", content=content, headers=AS_JSON))
        if job is not None:
            self.crowd.jobs.append(job["id"])

    def edit(self, job: str) -> None:
        """A place of its own, sent twice at times, as by a phone that got no answer."""
        there = self.seen(self.ask("GET", f"/api/jobs/{job}"))
        if there is None:
            return
        headers = {"if-match": f'"{there["version"]}"', "idempotency-key": str(uuid4())}
        body = {"edits": [{"pointer": "/place", "value": f"Place {self.random.random()}"}]}
        for _ in range(self.random.choice((1, 1, 2))):
            self.seen(self.ask("POST", f"/api/jobs/{job}/edits", json=body, headers=headers))

    def undo(self, job: str) -> None:
        """One step back or forth."""
        there = self.seen(self.ask("GET", f"/api/jobs/{job}"))
        if there is not None:
            way = self.random.choice(("undo", "redo"))
            headers = {"if-match": f'"{there["version"]}"'}
            self.seen(self.ask("POST", f"/api/jobs/{job}/{way}", headers=headers))

    def sheet(self, job: str) -> None:
        """A sheet, not waited for."""
        name, paper = self.random.choice(("wall-sheet", "day-sheet")), self.random.choice(("a4", "letter"))
        self.ask("GET", f"/api/jobs/{job}/sheets/{name}?paper={paper}")

    def day(self, job: str) -> None:
        """A step of the day is done, or not, or cannot be."""
        there = self.ask("GET", f"/api/jobs/{job}/day")
        if there is not None:
            step = self.random.choice(there["steps"])["key"]
            act = self.random.choice(("done", "undone", "impossible"))
            row = {"id": str(uuid4()), "step": step, "act": act, "version": 1, "reason": "pipe"}
            self.ask("POST", f"/api/jobs/{job}/day/rows", json={"rows": [row]})

    def photo(self, job: str) -> None:
        """One that shows nothing."""
        picture = io.BytesIO()
        Image.effect_noise((400, 300), 60).convert("RGB").save(picture, "JPEG")
        self.ask("POST", f"/api/jobs/{job}/photos", content=picture.getvalue(), headers=AS_JPEG)

    def no_photo(self, job: str) -> None:
        """One that was kept is removed."""
        there = self.ask("GET", f"/api/jobs/{job}/photos")
        if there:
            self.ask("DELETE", f"/api/jobs/{job}/photos/{self.random.choice(there)['id']}")

    def reading(self, job: str) -> None:
        """Of a meter that others read at the same time."""
        value, number = 4000.0 + self.random.randrange(3), self.random.randrange(1, 30)
        reading = {"source": "m", "seq": number, "what": "wall-width", "value_mm": value}
        self.ask("POST", f"/api/jobs/{job}/readings", json={"readings": [reading]})

    def cast(self, job: str) -> None:
        """Another pattern, or none."""
        if self.random.random() < 0.3:
            self.ask("DELETE", f"/api/jobs/{job}/cast")
        else:
            pattern = self.random.choice(("corners", "markers"))
            self.ask("PUT", f"/api/jobs/{job}/cast", json={"pattern": pattern})

    def drag(self, job: str) -> None:
        """The height, a few times."""
        there = self.seen(self.ask("GET", f"/api/jobs/{job}"))
        for _ in range(3 if there is not None else 0):
            edit = {"pointer": "/height/wish_mm", "value": 1100.0 + self.random.randrange(90)}
            body = {"version": there["version"], "edits": [edit], "station": "height", "face": "front", "shape": "", "open": []}  # fmt: skip
            self.ask("POST", f"/api/jobs/{job}/preview", json=body)

    def compare(self, job: str) -> None:
        """Sizes, fabrics, the floor."""
        what = self.random.choice(("sizes", "fabrics", "projectors", "payoff", "floor", "bench", "versions"))
        self.ask("GET", f"/api/jobs/{job}/{what}")

    def tension(self, job: str) -> None:
        """What the bench shows."""
        self.ask("GET", f"/api/jobs/{job}/tension/{self.random.choice(('bench', 'order', 'what-if'))}")

    def bin(self, job: str) -> None:
        """Deleted by mistake, and brought back."""
        there = self.ask("GET", f"/api/jobs/{job}") if self.random.random() < 0.3 else None
        if there is not None:
            self.ask("DELETE", f"/api/jobs/{job}", headers={"if-match": f'"{there["version"]}"'})
            self.ask("POST", f"/api/bin/{job}/back")

    def settings(self, job: str) -> None:
        """The shop's own values, one of them."""
        key = self.random.choice(("wall_width_mm", "ceiling_mm"))
        self.ask("PUT", "/api/settings", json={"values": {key: 4000.0 if key == "wall_width_mm" else 2600.0}})

    def yard(self, job: str) -> None:
        """All that lies about."""
        self.ask(
            "GET",
            self.random.choice(("/api/jobs", "/api/bin", "/api/settings", "/api/ready", "/api/devices")),
        )

    def record(self, job: str) -> None:
        """What the job holds is kept, and deleted by another."""
        if self.random.random() < 0.5:
            self.ask("POST", f"/api/stores/fabric/from/{job}", json={"name": "Ours"})
        else:
            self.ask("DELETE", "/api/stores/fabric/ours")


def rows() -> Iterator[tuple[str, str, str]]:
    """A crowd left alone, then one whose database is cut again and again."""
    yield _crowd(cut=False)
    yield _crowd(cut=True)


def _crowd(*, cut: bool) -> tuple[str, str, str]:
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    data = folder / "shop"
    server = Running("--data", str(data), "--no-demo", "--workers", "2", worker=True).start()
    try:
        crowd = Crowd(server.address, time.monotonic() + SECONDS)
        threads = [threading.Thread(target=Person(crowd, number).live) for number in range(PEOPLE)]
        threads += [threading.Thread(target=_cut, args=(data, crowd.until))] if cut else []
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        wrong = _wrong(data, crowd)
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    asked, away, errors = crowd.answers.total(), crowd.answers[503], crowd.errors.total()
    detail = "".join(f"; {what}: {count}" for what, count in crowd.errors.most_common(5))
    return (
        f"{PEOPLE} people at the same {JOBS} jobs at two servers{', database connections cut' if cut else ''}",
        f"{asked} requests, {errors} errors, {away} told to try again; {wrong} of {len(crowd.shown)} versions not as said{detail}",
        "0 errors, 0 not as said",
    )


def _cut(data: Path, until: float) -> None:
    admin = PrivateDatabase(data).admin_url_of("gantline")
    while time.monotonic() < until:
        time.sleep(random.random())
        with suppress(psycopg.Error), psycopg.connect(admin, autocommit=True) as database:
            database.execute(CUT, (random.choice((1, 2, 20)),))


def _wrong(data: Path, crowd: Crowd) -> int:
    """Versions of which a server said what the database does not hold, or that are gone."""
    asked = "SELECT job_id::text, number, document->>'place' FROM job_version"
    with psycopg.connect(PrivateDatabase(data).admin_url_of("gantline")) as database:
        there = {(job, number): {str(place)} for job, number, place in database.execute(asked).fetchall()}
    return sum(places != there.get(version) for version, places in crowd.shown.items())
