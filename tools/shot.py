"""Take one screenshot of the running application: shot.py PATH OUT [theme] [WxH] [steps...].

A step is click:NAME, tab:NAME, press:KEYS or wait:MS; for looking at a change, not for tests.
"""

import sys

from playwright.sync_api import sync_playwright

ARGS = [
    "--no-sandbox",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


def main() -> None:
    """Open, do the steps, take the picture."""
    base, path, out, theme, size, *steps = sys.argv[1:]
    width, height = (int(part) for part in size.split("x"))
    with sync_playwright() as play:
        browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        page = browser.new_page(viewport={"width": width, "height": height})
        page.on(
            "console",
            lambda message: print("console:", message.text) if message.type in ("error", "warning") else None,
        )
        page.on("pageerror", lambda error: print("error:", error))
        page.add_init_script(f"localStorage.setItem('gantline.theme', '{theme}')")
        page.goto(base + path)
        page.wait_for_load_state("networkidle")
        for step in steps:
            verb, _, rest = step.partition(":")
            if verb == "click":
                page.get_by_role("button", name=rest).or_(page.get_by_role("link", name=rest)).or_(
                    page.get_by_role("tab", name=rest)
                ).first.click()
            elif verb == "tab":
                page.get_by_role("tab", name=rest, exact=True).click()
            elif verb == "press":
                page.keyboard.press(rest)
            elif verb == "wait":
                page.wait_for_timeout(int(rest))
        page.wait_for_timeout(300)
        page.screenshot(path=out)
        browser.close()


main()
