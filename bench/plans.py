"""plan() of every sample job, in this process."""

import json
import random
import time
from collections.abc import Callable
from statistics import median

from gantline.demo.world import JOB_FILES, job_bytes
from gantline.job.edits import Edit, apply
from gantline.job.file import read_job_file
from gantline.job.model import Job
from gantline.plan.plan import JobPlan
from gantline.stations import face, plan
from gantline.stations.board import FACES

ROUNDS = 400


def quantile(values: list[float], share: float) -> float:
    """The value that `share` of all values do not exceed."""
    return sorted(values)[min(len(values) - 1, int(share * len(values)))]


def timed(action: Callable[[], object], rounds: int = ROUNDS) -> list[float]:
    """Milliseconds of each of `rounds` calls, after ten to warm up."""
    for _ in range(10):
        action()
    taken = []
    for _ in range(rounds):
        start = time.perf_counter()
        action()
        taken.append((time.perf_counter() - start) * 1e3)
    return taken


EDITED = {
    "height": Edit(pointer="/height/wish_mm", value=1180.0),
    "lens": Edit(pointer="/throw/lens_y_mm", value=2230.0),
    "center": Edit(pointer="/height/centre_x_mm", value=2350.0),
    "drop": Edit(pointer="/wall/drop_mm", value=31.0),
    "seat": Edit(pointer="/survey/seats/s5/from_wall_mm", value=5300.0),
    "people": Edit(pointer="/tension/people", value="one"),
}


def drawn(made: JobPlan) -> object:
    """All faces, the tape, every table and panel: whatever a page is sent."""
    return [face(made, name) for name in FACES], made.plan


def well_read() -> Job:
    """The mill loft with as many readings of studs and gaps as a job may hold."""
    rng, document = random.Random(5), json.loads(job_bytes("mill-loft"))
    own, wall, spacing, first = document["survey"], 4700.0, 406.4, 120.0
    own["stud_readings"] = [
        {"id": f"r{at}", "kind": rng.choice(("magnet", "magnet", "center")),
         "x_mm": round(first + spacing * rng.randrange(int((wall - first) // spacing) + 1) + rng.gauss(0.0, 4.0), 1)}
        for at in range(60)
    ]  # fmt: skip
    own["gaps"] = [
        {"id": f"g{at}", "x_mm": round(rng.uniform(300, wall - 300)), "y_mm": round(rng.uniform(900, 2100)),
         "gap_mm": round(3.0 + 2.0 * rng.random(), 1)}
        for at in range(60)
    ]  # fmt: skip
    return read_job_file(json.dumps(document).encode())


def pace() -> float:
    """How fast this machine is just now: 100,000 squares summed in Python [ms]."""
    return median(timed(lambda: sum(k * k for k in range(100_000)), 50))


def rows() -> list[tuple[str, str, str]]:
    """The largest sample job by its median: from nothing, and after an edit of one field each."""
    jobs = {name: read_job_file(job_bytes(name)) for name in JOB_FILES}
    results = {name: timed(lambda job=job: plan(job)) for name, job in jobs.items()}  # type: ignore[misc]
    largest = max(results, key=lambda name: median(results[name]))
    last = plan(jobs[largest])
    drawn(last)
    edited = {name: apply(jobs["mill-loft"], [edit]) for name, edit in EDITED.items()}
    loft = plan(jobs["mill-loft"])
    drawn(loft)
    after = {name: median(timed(lambda job=job: plan(job, last=loft), 100)) for name, job in edited.items()}  # type: ignore[misc]
    faces = timed(lambda: drawn(plan(jobs[largest])), 100)
    taken = results[largest]
    read = well_read()
    whole, there = timed(lambda: plan(read), 100), plan(read)
    elsewhere = apply(read, [EDITED["people"]])
    kept = timed(lambda: plan(elsewhere, last=there), 100)
    return [
        (
            "this machine while measuring: 100,000 squares summed in Python",
            f"median {pace():.1f} ms",
            "",
        ),
        (
            f"plan() of the largest sample job ({largest}) from nothing",
            f"median {median(taken):.1f} ms, p95 {quantile(taken, 0.95):.1f} ms",
            "5 ms median at 7.5 ms a 100,000 squares",
        ),
        (
            "plan() after an edit of one field",
            f"median {median(after.values()):.1f} ms; "
            + ", ".join(f"{name} {value:.1f}" for name, value in after.items()),
            "2 ms median at that pace",
        ),
        (
            "plan() with 60 stud readings and 60 gap readings; after an edit elsewhere",
            f"median {median(whole):.1f} ms; {median(kept):.1f} ms",
            "12 ms; 2 ms at that pace",
        ),
        (
            "plan, four faces, tape, tables and panels from nothing",
            f"median {median(faces):.1f} ms, p95 {quantile(faces, 0.95):.1f} ms",
            "",
        ),
    ]
