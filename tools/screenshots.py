"""Make docs/screenshots anew from the sample world, on a server and a database of its own.

Run it as a module: python -m tools.screenshots
"""

import io
import tempfile
from pathlib import Path

import httpx2
from PIL import Image
from playwright.sync_api import Browser, Page, sync_playwright
from tests.browser.conftest import ARGS
from tests.running import Running

OUT = Path(__file__).parents[1] / "docs" / "screenshots"
# name, job ("" is the yard), station, theme, keys pressed or tabs opened first
SHOTS = (
    ("yard", "", "", "dark", ()),
    ("board-front", "Mill loft", "wall", "dark", ()),
    ("frame", "Mill loft", "frame", "dark", ()),
    ("edge-section", "Mill loft", "frame", "light", ("Edge section", "Fabric on the roll")),
    ("hang", "Mill loft", "hang", "light", ()),
    ("align", "Mill loft", "align", "dark", ()),
    ("sizes", "Mill loft", "size", "dark", ()),
    ("stores", "", "stores/projector/godwit", "light", ()),
    ("height-clash", "Basement den", "height", "dark", ()),
    ("tension-order", "Narrow lounge", "tension", "dark", (".",) * 7),
    ("do-not-drill", "Parish hall", "wall", "light", ()),
    ("throw", "Mill loft", "throw", "dark", ("Side", "Whimbrel bright")),
    ("day", "Chandler's Row", "day", "light", ()),
    ("light-seat", "Narrow lounge", "light", "dark", ("Fabrics ranked",)),
    ("floor-map", "Narrow lounge", "light", "light", ("Floor map",)),
)
# what is changed in a sample job before its picture, and taken back after
CORNERS = {
    "tl_x": -9.3,
    "tl_y": -14.2,
    "tr_x": 19.0,
    "tr_y": 2.4,
    "br_x": 27.0,
    "br_y": 3.7,
    "bl_x": -15.6,
    "bl_y": 17.8,
}
CHANGED = {
    "hang": [
        {
            "pointer": "/hang/readings/-",
            "value": {"level_mm": 4.0, "gap_left_mm": 500, "gap_right_mm": 510, "plumb_left_mm": 1.0},
        }
    ],
    "align": [
        {"pointer": "/align/rounds/-", "value": {f"{key}_mm": value for key, value in CORNERS.items()}}
    ],
    "do-not-drill": [
        {
            "pointer": "/survey/fittings/-",
            "value": {
                "kind": "outlet",
                "name": "stage outlet",
                "x_mm": 2200,
                "y_mm": 300,
                "width_mm": 80,
                "height_mm": 120,
            },
        }
    ],
    "trim": [{"pointer": "/trim/light/there", "value": True}],
}


def change(job: str, edits: list[dict[str, object]]) -> None:
    """Change a job to what the picture shows; undone by the same call with an empty list."""
    version = httpx2.get(job).json()["version"]
    headers = {"If-Match": f'"{version}"'}
    if edits:
        httpx2.post(f"{job}/edits", json={"edits": edits}, headers=headers).raise_for_status()
    else:
        httpx2.post(f"{job}/undo", headers=headers).raise_for_status()


def shoot(page: Page, name: str) -> None:
    """Take one picture once the page is quiet."""
    page.wait_for_load_state("networkidle")
    page.wait_for_function("!document.body.innerText.includes('Working out')", timeout=60_000)
    page.wait_for_timeout(300)
    page.screenshot(path=OUT / f"{name}.png")


def crew(browser: Browser, address: str) -> None:
    """The crew's page at a hole, in each of its three lights, side by side."""
    pages = []
    for light in ("dark", "light", "red"):
        page = browser.new_page(viewport={"width": 360, "height": 640})
        page.add_init_script(f"localStorage.setItem('gantline.day.light', '{light}')")
        page.goto(address)
        page.get_by_role("button", name="look").click()
        page.get_by_text("wall", exact=True).click()
        page.get_by_role("button", name="Mark and drill: upper left").click()
        page.wait_for_load_state("networkidle")
        page.wait_for_timeout(300)
        pages.append(Image.open(io.BytesIO(page.screenshot())))
        page.close()
    whole = Image.new("RGB", (sum(one.width for one in pages), pages[0].height))
    for number, one in enumerate(pages):
        whole.paste(one, (number * one.width, 0))
    whole.save(OUT / "crew.png")


def bench(browser: Browser, address: str) -> None:
    """The tension bench in the middle of an order."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.add_init_script("localStorage.setItem('gantline.theme', 'dark')")
    page.goto(address)
    page.get_by_role("button", name="Keep it for the steps").wait_for(timeout=90_000)
    page.get_by_label("Moment of the order").fill("26")
    shoot(page, "tension-bench")
    page.close()


def new_job(browser: Browser, address: str) -> None:
    """A new job while it is typed."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.add_init_script("localStorage.setItem('gantline.theme', 'dark')")
    page.goto(address)
    page.get_by_role("button", name="New job").click()
    for label, text in (("Name", "Harbor attic"), ("Wall width", "150"), ("Ceiling height", "96")):
        page.get_by_label(label, exact=True).fill(text)
    page.get_by_label("Main seat from the wall").fill("130")
    page.get_by_text("it fills 40°").wait_for()
    shoot(page, "new-job")
    page.close()


def sheets(browser: Browser, address: str) -> None:
    """Every sheet once, one of them seen."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.add_init_script("localStorage.setItem('gantline.theme', 'light')")
    page.goto(address)
    page.get_by_role("img", name="Page 1 of the wall sheet").wait_for(timeout=60_000)
    page.wait_for_function(
        "() => document.querySelectorAll('[role=dialog] li img').length >= 13", timeout=90_000
    )
    shoot(page, "sheets")
    page.close()


def main() -> None:
    """All pictures."""
    OUT.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory(prefix="gantline-shots-", dir="/var/tmp") as kept:
        folder = Path(kept)
        folder.chmod(0o755)
        server = Running("--data", str(folder / "pg"), worker=True).start()
        jobs = {
            one["name"]: one["id"]
            for one in httpx2.get(f"{server.address}/api/jobs", timeout=60).json()["jobs"]
        }
        with sync_playwright() as play:
            browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
            for name, job, station, theme, keys in SHOTS:
                page = browser.new_page(viewport={"width": 1280, "height": 800}, color_scheme=theme)  # type: ignore[arg-type]
                page.add_init_script(f"localStorage.setItem('gantline.theme', '{theme}')")
                if name in CHANGED:
                    change(f"{server.address}/api/jobs/{jobs[job]}", CHANGED[name])
                page.goto(
                    f"{server.address}/jobs/{jobs[job]}/{station}" if job else f"{server.address}/{station}"
                )
                page.wait_for_load_state("networkidle")
                for key in keys:
                    if len(key) == 1:
                        page.keyboard.press(key)
                    else:
                        tab = page.get_by_role("tab", name=key, exact=True)
                        there = tab.or_(page.get_by_role("button", name=key)).first
                        there.click()
                        there.evaluate("one => one.scrollIntoView()")
                shoot(page, name)
                page.close()
                if name in CHANGED:
                    change(f"{server.address}/api/jobs/{jobs[job]}", [])
            bench(browser, f"{server.address}/bench/{jobs['Parish hall']}")
            crew(browser, f"{server.address}/day/{jobs['Mill loft']}")
            new_job(browser, server.address)
            sheets(browser, f"{server.address}/jobs/{jobs['Mill loft']}/wall?sheet=wall-sheet")
            browser.close()
        server.stop()


if __name__ == "__main__":
    main()
