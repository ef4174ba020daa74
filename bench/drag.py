"""Frame times in Chromium: the frame dragged up and down, the plan following; the trainer's picture gliding after each touch."""

import shutil
import tempfile
from pathlib import Path
from statistics import median

import httpx2
from playwright.sync_api import Page, sync_playwright
from tests.browser.conftest import ARGS
from tests.running import Running

from bench.plans import quantile

WATCH = """() => { window.frames_ = []; let last = performance.now(); window.watching_ = true
  const tick = (now) => { window.frames_.push(now - last); last = now; if (window.watching_) requestAnimationFrame(tick) }
  requestAnimationFrame(tick) }"""


def _trained(page: Page, address: str) -> tuple[list[float], list[float]]:
    """Frame times [ms] while a body is turned to and fro by the keys, ten touches a second; how long the answers took [ms]."""
    asked: list[float] = []
    page.on(
        "requestfinished",
        lambda request: (
            asked.append(request.timing["responseEnd"]) if request.url.endswith("/api/trainer") else None
        ),
    )
    page.goto(f"{address}/trainer")
    page.wait_for_load_state("networkidle")
    page.evaluate(WATCH)
    for touch in range(40):
        page.keyboard.press("qqee"[touch % 4])
        page.wait_for_timeout(100)
    page.evaluate("() => { window.watching_ = false }")
    frames: list[float] = page.evaluate("() => window.frames_.slice(3)")
    return frames, asked[2:]


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
            glide, answers = _trained(page, server.address)
            browser.close()
    finally:
        server.stop()
        shutil.rmtree(folder, ignore_errors=True)
    kept, glided = (sum(1 for one in all_ if one <= 20.0) / len(all_) for all_ in (frames, glide))
    return [
        (
            "frame time while the trainer's picture glides",
            f"median {median(glide):.1f} ms, p95 {quantile(glide, 0.95):.1f} ms, {100 * glided:.0f} % within 20 ms",
            "20 ms",
        ),
        (
            f"the trainer's answers meanwhile, seen by the page ({len(answers)})",
            f"median {median(answers):.0f} ms, p95 {quantile(answers, 0.95):.0f} ms",
            "30 ms",
        ),
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
