"""A real Chromium against a real server on a real PostgreSQL; nothing may leave this machine."""

import json
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import httpx2
import pytest
from playwright.sync_api import Browser, Page, Route, expect, sync_playwright

from tests.running import Running

ARGS = [
    "--no-sandbox", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync",
]  # fmt: skip
AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
expect.set_options(timeout=10_000)


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as play:
        made = play.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        yield made
        made.close()


@pytest.fixture(scope="session")
def server(new_database: Callable[[], str]) -> Iterator[Running]:
    made = Running("--database", new_database(), worker=True).start()
    yield made
    made.stop()


@pytest.fixture
def page(browser: Browser, server: Running) -> Iterator[Page]:
    yield from opened(browser, server.address)


def opened(browser: Browser, address: str) -> Iterator[Page]:
    context = browser.new_context(
        base_url=address, viewport={"width": 1280, "height": 800}, accept_downloads=True
    )
    troubles: list[str] = []

    def guard(route: Route) -> None:
        if route.request.url.startswith(address):
            route.continue_()
        else:
            troubles.append(f"asked {route.request.url}")
            route.abort()

    context.route("**/*", guard)
    page = context.new_page()
    page.on("pageerror", lambda error: troubles.append(str(error)))
    yield page
    context.close()
    assert troubles == []


@pytest.fixture
def make_job(server: Running) -> Callable[..., dict[str, Any]]:
    """A copy of a sample job, made through the API, so that tests share nothing."""

    def make(sample: str, **changes: Any) -> dict[str, Any]:
        from tests.conftest import DEMO

        document = json.loads((DEMO / f"{sample}.job.json").read_text()) | changes
        made: dict[str, Any] = httpx2.post(
            f"{server.address}/api/jobs/file", json=document, timeout=30
        ).json()
        return made

    return make


def along_the_rope(page: Page, station: str) -> None:
    """To a station of the job that is open, as a hand goes, until its panel is there."""
    knot = page.get_by_role("navigation", name="Stations").locator(f"a[href$='/{station}']")
    knot.click()
    label = knot.locator("span span").first.inner_text()
    expect(page.get_by_role("heading", level=2, name=label, exact=True)).to_be_visible()
    faces = page.get_by_role("tablist", name="Face")
    expect(faces.get_by_role("tab", selected=True)).to_have_count(1)  # the face is one of this station's


def axe(page: Page, themes: tuple[str, ...] = ("dark", "light")) -> list[str]:
    """Accessibility violations of what is on the page now, as sentences: all of them in the dark, contrast in every theme."""
    if not page.evaluate("() => 'axe' in window"):
        page.evaluate(AXE.read_text())  # the page itself lets in no script but its own
    said = []
    for theme in themes:
        rules = {} if theme == "dark" else {"runOnly": ["color-contrast"]}
        page.evaluate("theme => { document.documentElement.dataset.theme = theme }", theme)
        page.evaluate(
            "() => Promise.all(document.getAnimations().map((one) => one.finished.catch(() => null)))"
        )
        found = page.evaluate("rules => axe.run(document, { resultTypes: ['violations'], ...rules })", rules)
        said += [
            f"{theme}, {one['id']}: {node['target']} {node['failureSummary']}"
            for one in found["violations"]
            for node in one["nodes"]
        ]
    page.evaluate("() => { document.documentElement.dataset.theme = 'dark' }")
    return said


def upgraded(page: Page) -> None:
    """From here on every answer names other pages than the one that is open; time can be run on."""
    page.clock.install()
    page.evaluate(
        """() => {
            const asked = window.fetch
            window.before = true
            window.fetch = async (...what) => {
                const answer = await asked(...what)
                const headers = new Headers(answer.headers)
                headers.set('gantline-build', 'newer')
                return new Response(answer.body, { status: answer.status, headers })
            }
        }"""
    )


def loaded_anew(page: Page) -> None:
    """Within twenty seconds of its own time."""
    page.clock.run_for(20_000)
    page.wait_for_function("!window.before")
