"""A drag over HTTP, asked of a server process of its own as a page asks it."""

import json
import shutil
import tempfile
from http.client import HTTPConnection
from pathlib import Path
from statistics import median

from tests.running import Running

from bench.plans import quantile, timed
from gantline.demo.world import job_bytes

ROUNDS = 300
DRAGS: tuple[tuple[list[dict[str, object]], str, str], ...] = (
    ([{"pointer": "/height/wish", "value": "frame-top"}, {"pointer": "/height/wish_mm", "value": 2200.0}], "height", "front"),
    ([{"pointer": "/throw/lens_y_mm", "value": 2200.0}, {"pointer": "/throw/lens_from_wall_mm", "value": 4600.0}], "throw", "side"),
    ([{"pointer": "/height/centre_x_mm", "value": 2300.0}], "height", "front"),
)  # fmt: skip


def rows() -> list[tuple[str, str, str]]:
    """The mill loft, its frame and its lens moved: what a drag asks for; and the least any request takes."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    server = Running("--data", str(folder / "shop")).start()
    medians, bare = [], []
    try:
        # the library's own client: one that does more takes a third of what is measured
        line = HTTPConnection("127.0.0.1", server.port)

        def ask(method: str, path: str, content: bytes | None = None) -> bytes:
            line.request(method, path, content, {"content-type": "application/json"})
            answer = line.getresponse()
            said = answer.read()
            assert answer.status < 300, said
            return said

        job = json.loads(ask("POST", "/api/jobs/file", job_bytes("mill-loft")))
        path = f"/api/jobs/{job['id']}/preview"
        for edits, station, face in DRAGS:
            body = json.dumps({"version": 1, "edits": edits, "station": station, "face": face}).encode()
            size = len(ask("POST", path, body))
            taken = timed(lambda body=body: ask("POST", path, body), ROUNDS)  # type: ignore[misc]
            medians.append((median(taken), quantile(taken, 0.95), size))
        bare = timed(lambda: ask("GET", "/api/sheets"), ROUNDS)
        line.close()
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    return [
        (
            "answer of a drag over HTTP: height, lens, center",
            "; ".join(
                f"median {mid:.1f} ms, p95 {high:.1f} ms, {size / 1000:.1f} kB" for mid, high, size in medians
            ),
            "10 ms median at 7.5 ms a 100,000 squares, 10 kB",
        ),
        ("a request that computes nothing", f"median {median(bare):.1f} ms", ""),
    ]
