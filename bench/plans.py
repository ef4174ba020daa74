"""plan() of every sample job, in this process."""

import time
from collections.abc import Callable
from statistics import median

from gantline.demo.world import JOB_FILES, job_bytes
from gantline.drawing.drawing import draw
from gantline.job.file import read_job_file
from gantline.plan.plan import plan

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


def rows() -> list[tuple[str, str, str]]:
    """The largest sample job by its median."""
    jobs = {name: read_job_file(job_bytes(name)) for name in JOB_FILES}
    results = {name: timed(lambda job=job: plan(job)) for name, job in jobs.items()}  # type: ignore[misc]
    largest = max(results, key=lambda name: median(results[name]))
    planned = plan(jobs[largest])
    drawn = timed(lambda: draw(jobs[largest], planned))
    taken = results[largest]
    pace = timed(lambda: sum(k * k for k in range(100_000)), 50)
    return [
        ("this machine while measuring: 100 000 squares summed in Python", f"median {median(pace):.1f} ms", ""),
        (
            f"plan() of the largest sample job ({largest})",
            f"median {median(taken):.1f} ms, p95 {quantile(taken, 0.95):.1f} ms",
            "5 ms median",
        ),
        ("drawing the four faces and the tape of it", f"median {median(drawn):.1f} ms, p95 {quantile(drawn, 0.95):.1f} ms", ""),
    ]
