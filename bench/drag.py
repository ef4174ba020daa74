"""Frame times in Chromium while the frame is dragged up and down, the plan following."""

import shutil
import tempfile
from pathlib import Path
from statistics import median

import httpx2
from playwright.sync_api import sync_playwright
from tests.browser.conftest import ARGS
from tests.running import Running

from bench.plans import quantile

WATCH = """() => { window.frames_ = []; let last = performance.now(); window.watching_ = true
  const tick = (now) => { window.frames_.push(now - last); last = now; if (window.watching_) requestAnimationFrame(tick) }
  requestAnimationFrame(tick) }"""


def rows() -> list[tuple[str, str, str]]:
    """Four seconds of dragging on the height station of the mill loft, 1280 by 800."""
    folder = Path(tempfile.mkdtemp(prefix="gantline-bench-", dir="/var/tmp"))
    folder.chmod(0o755)
    server = Running("--data", str(folder)).start()
    asked: list[float] = []
    try:
        jobs = {one["name"]: one["id"] for one in httpx2.get(f"{server.address}/api/jobs").json()["jobs"]}
        with sync_playwright() as play:
            browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.on(
                "requestfinished",
                lambda request: (
                    asked.append(request.timing["responseEnd"]) if request.url.endswith("/preview") else None
                ),
            )
            page.goto(f"{server.address}/jobs/{jobs['Mill loft']}/height")
            handle = page.get_by_role("slider", name="Frame")
            box = handle.bounding_box()
            assert box
            x, y = box["x"] + 40, box["y"] + box["height"] - 30
            page.mouse.move(x, y)
            page.mouse.down()
            page.evaluate(WATCH)
            for sweep in range(8):
                page.mouse.move(x, y + (-30 if sweep % 2 == 0 else 10), steps=60)
            page.evaluate("() => { window.watching_ = false }")
            page.mouse.up()
            frames: list[float] = page.evaluate("() => window.frames_.slice(3)")
            browser.close()
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    kept = sum(1 for one in frames if one <= 20.0) / len(frames)
    return [
        (
            "frame time while dragging the frame",
            f"median {median(frames):.1f} ms, p95 {quantile(frames, 0.95):.1f} ms, {100 * kept:.0f} % within 20 ms",
            "20 ms",
        ),
        (
            f"re-plans under way meanwhile, seen by the page ({len(asked)})",
            f"median {median(asked):.0f} ms, p95 {quantile(asked, 0.95):.0f} ms",
            "50 ms p95",
        ),
    ]
