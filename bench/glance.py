"""What a page loads before its first number stands, when that is, and how evenly the strip of candidates moves."""

from pathlib import Path
from statistics import median, quantiles
from tempfile import TemporaryDirectory

import httpx2
from playwright.sync_api import Browser, sync_playwright
from tests.browser.conftest import ARGS
from tests.running import Running

STATIONS = (
    "survey",
    "size",
    "light",
    "height",
    "throw",
    "frame",
    "wall",
    "tension",
    "trim",
    "hang",
    "align",
    "day",
)
COLD = 20
FRAMES = """
  () => new Promise((done) => {
    const times = []
    let last = performance.now()
    const tick = (now) => { times.push(now - last); last = now; if (times.length < 180) requestAnimationFrame(tick); else done(times.slice(5)) }
    requestAnimationFrame(tick)
  })
"""
SCRIPT = """
  () => performance.getEntriesByType('resource').filter((one) => one.name.endsWith('.js')).reduce((sum, one) => sum + one.transferSize, 0)
"""
FIRST = """
  () => new Promise((done) => {
    const look = () => {
      const number = document.querySelector('.num, .board-text')
      // there, and its letters are: until then it is not seen
      if (number && /[0-9]/.test(number.textContent) && document.fonts.check('600 16px Archivo')) done(performance.now())
      else requestAnimationFrame(look)
    }
    look()
  })
"""


def cold(browser: Browser, address: str) -> tuple[float, float]:
    """Script that was fetched until the first number stood [kB], and when that was [ms], in a browser that has nothing kept."""
    context = browser.new_context(viewport={"width": 1280, "height": 800})
    page = context.new_page()
    page.goto(address, wait_until="commit")
    first = float(page.evaluate(FIRST))
    kilobytes = float(page.evaluate(SCRIPT)) / 1000.0
    context.close()
    return kilobytes, first


def rows() -> list[tuple[str, str, str]]:
    """The yard, the job page at every station, and moving through eight sizes by key."""
    with TemporaryDirectory(prefix="gantline-bench-", dir="/var/tmp") as kept:
        folder = Path(kept)
        folder.chmod(0o755)
        server = Running("--data", str(folder / "pg"), worker=True).start()
        try:
            jobs = httpx2.get(f"{server.address}/api/jobs").json()["jobs"]
            loft = next(job["id"] for job in jobs if job["name"] == "Mill loft")
            with sync_playwright() as play:
                browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
                pages = {"yard": server.address} | {
                    station: f"{server.address}/jobs/{loft}/{station}" for station in STATIONS
                }
                loads = {name: cold(browser, address) for name, address in pages.items()}
                times = [cold(browser, pages["size"])[1] for _ in range(COLD)]
                page = browser.new_page(viewport={"width": 1280, "height": 800})
                page.goto(pages["size"])
                page.locator("[data-candidate]").first.focus()
                page.evaluate(f"() => {{ window.frames_seen = ({FRAMES})() }}")
                for at in range(28):
                    page.keyboard.press("ArrowRight" if at // 7 % 2 == 0 else "ArrowLeft")
                    page.wait_for_timeout(70)
                frames = [float(one) for one in page.evaluate("() => window.frames_seen")]
                browser.close()
        finally:
            server.stop()
    worst = max(loads, key=lambda name: loads[name][0])
    within = 100.0 * sum(one <= 20.0 for one in frames) / len(frames)
    return [
        (
            "script fetched until the first number stands, yard and every station opened cold",
            f"{loads['yard'][0]:.0f} kB the yard, most {loads[worst][0]:.0f} kB ({worst})",
            "190 kB",
        ),
        (
            f"first number on the screen after navigation, {COLD} cold loads",
            f"median {median(times):.0f} ms, longest {max(times):.0f} ms",
            "400 ms median",
        ),
        (
            "frame time while keys go through eight sizes and the board follows",
            f"median {median(frames):.1f} ms, p95 {quantiles(frames, n=20)[-1]:.1f} ms, {within:.0f} % within 20 ms",
            "100 % within 20 ms",
        ),
    ]
