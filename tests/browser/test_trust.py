"""What must not go wrong: a lost server, two people at once, and screens everyone can use."""

import re
from collections.abc import Callable, Iterator
from typing import Any

import httpx2
import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import along_the_rope, axe, loaded_anew, opened, upgraded
from tests.browser.test_journeys import field, type_into
from tests.running import Running

Make = Callable[..., dict[str, Any]]


@pytest.fixture
def own_server(new_database: Callable[[], str]) -> Iterator[Running]:
    made = Running("--database", new_database()).start()
    yield made
    made.stop()


def test_the_server_dies_and_what_was_typed_is_saved_when_it_is_back(
    browser: Browser, own_server: Running
) -> None:
    job = httpx2.get(f"{own_server.address}/api/jobs", timeout=30).json()["jobs"][0]
    for page in opened(browser, own_server.address):
        page.goto(f"/jobs/{job['id']}/size")
        expect(page.get_by_role("heading", name="Size", exact=True)).to_be_visible()
        own_server.kill()
        type_into(page, "Diagonal", "120 in")
        notice = page.get_by_role("alert")
        expect(notice).to_contain_text("What you typed is kept here (1 to save)")
        page.goto("about:blank")  # even a closed page keeps it
        own_server.start()
        page.goto(f"/jobs/{job['id']}/size")
        expect(page.get_by_role("button", name="version 2, saved")).to_be_visible(timeout=20_000)
        expect(notice).to_have_count(0)
    saved = httpx2.get(f"{own_server.address}/api/jobs/{job['id']}", timeout=30).json()
    assert saved["document"]["size"]["value_mm"] == pytest.approx(3048)


def test_two_people_at_once_nothing_is_overwritten_unasked(
    page: Page, make_job: Make, server: Running
) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/size")
    expect(page.get_by_role("button", name="version 1, saved")).to_be_visible()
    edits = {"edits": [{"pointer": "/place", "value": "Sorrel Quay 5"}]}
    httpx2.post(
        f"{server.address}/api/jobs/{job['id']}/edits",
        json=edits,
        headers={"If-Match": '"1"', "Gantline-Who": "Tove"},
        timeout=30,
    )
    type_into(page, "Diagonal", "130")
    expect(page.get_by_role("alert")).to_contain_text("Tove saved version 2")
    page.get_by_role("button", name="Apply mine on top").click()
    expect(page.get_by_role("button", name="version 3, saved")).to_be_visible()
    expect(page.get_by_text("Sorrel Quay 5")).to_be_visible()
    expect(field(page, "Diagonal")).to_have_accessible_name(re.compile("130″"))


def test_a_page_open_over_an_upgrade_says_so_and_reloads_once_nothing_is_being_typed(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/size")
    expect(page.get_by_role("button", name="version 1, saved")).to_be_visible()

    upgraded(page)
    page.get_by_role("button", name="version 1, saved").click()
    expect(page.get_by_text("Gantline was updated.")).to_be_visible()
    page.keyboard.press("Escape")
    field(page, "Diagonal").first.click()
    typed = page.get_by_role("textbox", name="Diagonal", exact=True)
    typed.fill("130")
    page.clock.run_for(20_000)
    assert page.evaluate("window.before")
    expect(typed).to_have_value("130")  # not taken from under the hand
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="version 2, saved")).to_be_visible()
    loaded_anew(page)
    expect(field(page, "Diagonal")).to_have_accessible_name(re.compile("130″"))


SCREENS = ("survey", "size", "light", "height", "throw", "wall", "tension")
STOPPED = ("height", "wall")  # where the den shows what a Stop looks like


def test_every_screen_is_free_of_accessibility_violations(page: Page, make_job: Make) -> None:
    found: dict[str, list[str]] = {}
    page.goto("/")
    expect(page.get_by_role("main").get_by_role("link").first).to_be_visible()
    found["yard"] = axe(page)
    page.get_by_role("button", name="New job").click()
    found["new job"] = axe(page)
    page.keyboard.press("Escape")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
    found["keys"] = axe(page)
    for name, screens in (("mill-loft", SCREENS), ("basement-den", STOPPED)):
        job = make_job(name)
        page.goto(f"/jobs/{job['id']}/survey")
        for screen in screens:
            along_the_rope(page, screen)
            found[f"{name} {screen}"] = axe(page)
    page.get_by_role("button", name="Sheets").click()
    expect(page.get_by_role("dialog", name="Sheets")).to_contain_text("Wall sheet")
    found["sheets"] = axe(page)
    page.get_by_role("button", name="Close the sheets").click()
    page.get_by_role("button", name="Find anything").click()
    page.get_by_role("combobox", name=re.compile("^Find")).fill("drill")
    expect(page.get_by_role("option").first).to_be_visible()
    found["find"] = axe(page)
    page.keyboard.press("Escape")
    for kind in ("fabric", "kit"):
        page.goto(f"/stores/{kind}")
        page.get_by_role("table").get_by_role("link").first.click()
        expect(page.get_by_role("complementary", name="Record")).to_be_visible()
        found[f"stores {kind}"] = axe(page)
    assert {screen: what for screen, what in found.items() if what} == {}


def go(page: Page, path: str) -> None:
    """To a station, or to the yard, until it is there."""
    page.goto(path)
    yard = page.get_by_role("link", name=re.compile("Mill loft")).first
    expect(yard if path == "/" else page.get_by_role("heading", level=2)).to_be_visible()


def test_the_page_fits_a_laptop_and_reads_on_a_phone(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    for path in ("/", *(f"/jobs/{job['id']}/{screen}" for screen in SCREENS)):
        go(page, path)
        tall = 800 if path != "/" else 100_000  # the yard may hold more jobs than fit
        page.wait_for_function(f"() => document.documentElement.scrollHeight <= {tall}")
        page.wait_for_function("() => document.documentElement.scrollWidth <= 1280")
    page.set_viewport_size({"width": 390, "height": 844})
    for path in ("/", f"/jobs/{job['id']}/wall"):
        go(page, path)
        page.wait_for_function("() => document.documentElement.scrollWidth <= 390")


def test_everything_is_reached_by_tab_and_works_by_key(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/height")
    expect(page.get_by_role("heading", name="Height")).to_be_visible()
    reached = set()
    for _ in range(70):
        page.keyboard.press("Tab")
        reached.add(
            page.evaluate(
                "() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? ''"
            )
        )
    wanted = ("Frame, up and down", "Top of frame above floor", "Eye line above floor", "Sheets", "Units")
    assert all(any(want in one for one in reached) for want in wanted), reached
    page.keyboard.press("j")
    expect(page.get_by_role("heading", name="Throw", exact=True)).to_be_visible()
    page.keyboard.press("k")
    page.keyboard.press("o")
    expect(page.get_by_role("tab", name="Side")).to_have_attribute("aria-selected", "true")
