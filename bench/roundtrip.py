"""A drag over HTTP against a bare route that returns the same bytes, in one run on one server."""

import shutil
import tempfile
import threading
import time
from pathlib import Path
from statistics import median

import httpx2
import uvicorn
from fastapi import FastAPI, Response
from sqlalchemy import create_engine
from tests.running import free_port

from bench.plans import quantile, timed
from gantline.database import FAST, PrivateDatabase
from gantline.demo.world import job_bytes
from gantline.server import create_app
from gantline.settings import Settings
from gantline.store.migrate import migrate

ROUNDS = 300
DRAGS: tuple[tuple[list[dict[str, object]], str, str], ...] = (
    ([{"pointer": "/height/wish", "value": "frame-top"}, {"pointer": "/height/wish_mm", "value": 2200.0}], "height", "front"),
    ([{"pointer": "/throw/lens_y_mm", "value": 2200.0}, {"pointer": "/throw/lens_from_wall_mm", "value": 4600.0}], "throw", "side"),
    ([{"pointer": "/height/centre_x_mm", "value": 2300.0}], "height", "front"),
)  # fmt: skip


def rows() -> list[tuple[str, str, str]]:
    """The mill loft, its frame and its lens moved: what a drag asks for."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    private = PrivateDatabase(folder, FAST)
    url = private.start()
    engine = create_engine(url)
    migrate(engine)
    engine.dispose()
    app = create_app(Settings(database_url=url))
    kept: list[bytes] = []

    outer = FastAPI()

    @outer.post("/bench/bare")
    async def bare() -> Response:
        return Response(kept[0], media_type="application/json")

    outer.mount("/", app)
    port = free_port()
    server = uvicorn.Server(uvicorn.Config(outer, host="127.0.0.1", port=port, log_level="error"))
    threading.Thread(target=server.run, daemon=True).start()
    while not server.started:
        time.sleep(0.05)
    try:
        with httpx2.Client(base_url=f"http://127.0.0.1:{port}") as client:
            job = client.post("/api/jobs/file", content=job_bytes("mill-loft")).json()
            path, sizes, medians = f"/api/jobs/{job['id']}/preview", [], []
            for edits, station, face in DRAGS:
                body = {"version": 1, "edits": edits, "station": station, "face": face}
                kept[:] = [client.post(path, json=body).content]
                sizes.append(len(kept[0]))
                planned = timed(lambda body=body: client.post(path, json=body), ROUNDS)  # type: ignore[misc]
                medians.append((median(planned), quantile(planned, 0.95)))
            plain = timed(lambda: client.post("/bench/bare", json=body), ROUNDS)
    finally:
        server.should_exit = True
        time.sleep(0.3)
        app.state.engine.dispose()
        private.stop()
        shutil.rmtree(folder, ignore_errors=True)
    return [
        (
            "answer of a drag over HTTP: height, lens, center",
            "; ".join(
                f"median {mid:.1f} ms, p95 {high:.1f} ms, {size / 1000:.1f} kB"
                for (mid, high), size in zip(medians, sizes, strict=True)
            ),
            "10 ms median at 7.5 ms a 100,000 squares, 10 kB",
        ),
        (f"bare route with the same {sizes[-1] / 1000:.0f} kB", f"median {median(plain):.1f} ms", ""),
    ]
