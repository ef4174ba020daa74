"""A re-plan over HTTP against a bare route that returns the same bytes, in one run on one server."""

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


def rows() -> list[tuple[str, str, str]]:
    """The front face of the mill loft, its frame moved: what a drag asks for."""
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
            document = client.post("/api/jobs/file", content=job_bytes("mill-loft")).json()["document"]
            edits = [{"pointer": "/height/wish", "value": "frame-top"}, {"pointer": "/height/wish_mm", "value": 2200.0}]
            body = {"document": document, "edits": edits, "parts": "front"}
            kept.append(client.post("/api/plan", json=body).content)
            planned = timed(lambda: client.post("/api/plan", json=body), ROUNDS)
            plain = timed(lambda: client.post("/bench/bare", json=body), ROUNDS)
    finally:
        server.should_exit = True
        time.sleep(0.3)
        app.state.engine.dispose()
        private.stop()
        shutil.rmtree(folder, ignore_errors=True)
    ratio = median(planned) / median(plain)
    return [
        (
            "re-plan over HTTP, as a drag asks for it",
            f"median {median(planned):.1f} ms, p95 {quantile(planned, 0.95):.1f} ms",
            "50 ms p95",
        ),
        (
            f"bare route with the same {len(kept[0]) // 1000} kB",
            f"median {median(plain):.1f} ms; the re-plan takes {ratio:.1f} times as long",
            "",
        ),
    ]
