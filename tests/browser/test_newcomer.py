"""What somebody does who sees the program for the first time, counted: clicks or touches, and keys beyond the numbers themselves.

By what is seen on the screen: no shortcut, no line to find things in, no prepared job.
"""

import re
from collections.abc import Iterator

import httpx2
import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import opened
from tests.running import Running

COUNT = """
  window.counted = { clicks: 0, keys: 0 }
  addEventListener('pointerdown', (event) => { if (event.isTrusted) window.counted.clicks += 1 }, true)
  addEventListener('keydown', (event) => {
    if (event.isTrusted && !/^[0-9./' "]$/.test(event.key)) window.counted.keys += 1
  }, true)
"""


@pytest.fixture(scope="module")
def newcomer(browser: Browser, server: Running) -> Iterator[Page]:
    for page in opened(browser, server.address):
        page.add_init_script(COUNT)
        yield page


def spent(page: Page) -> tuple[int, int]:
    """Clicks and keys since they were last asked for."""
    got = page.evaluate(
        "() => { const now = { ...window.counted }; Object.assign(window.counted, { clicks: 0, keys: 0 }); return now }"
    )
    return got["clicks"], got["keys"]


def test_which_size_from_wall_ceiling_and_seat(newcomer: Page) -> None:
    page = newcomer
    page.goto("/")
    page.get_by_role("button", name="New job").click()
    page.get_by_label("Wall width").click()
    page.keyboard.type("150")
    page.keyboard.press("Tab")
    page.keyboard.type("96")
    page.keyboard.press("Tab")
    page.keyboard.type("130")
    said = page.get_by_role("complementary", name="What comes of it")
    expect(said).to_contain_text("it fills 40°")
    expect(said).to_contain_text("It fits")
    clicks, keys = spent(page)
    assert (clicks <= 6, keys <= 4) == (True, True), (clicks, keys)
    page.get_by_role("button", name="Create job").click()
    expect(page).to_have_url(re.compile("/jobs/.+/size$"))
    expect(page.get_by_role("region", name="Your way through")).to_contain_text("Choose a size")
    spent(page)


def test_four_holes_from_three_stud_readings(newcomer: Page) -> None:
    page = newcomer
    page.get_by_role("link", name=re.compile("^Survey")).click()
    page.get_by_role("button", name=re.compile("^Find the studs")).click()
    page.get_by_label("Place from the left wall end").first.click()
    for place in ("19", "35", "131"):  # two beside each other and one far off: no other spacing fits
        page.keyboard.type(place)
        page.keyboard.press("Enter")
        expect(page.get_by_label("Place from the left wall end").first).to_have_value("")
    page.get_by_role("link", name=re.compile("^Wall")).click()
    expect(page.locator(".board circle.mark.hole")).to_have_count(4)
    clicks, keys = spent(page)
    assert (clicks <= 5, keys <= 4) == (True, True), (clicks, keys)


def test_the_wall_sheet_and_any_other_of_the_pack(newcomer: Page) -> None:
    page = newcomer
    page.get_by_role("button", name="Sheets").click()
    page.get_by_role("button", name=re.compile("^Wall sheet")).click()
    expect(page.get_by_role("img", name="Page 1 of the wall sheet")).to_be_visible(timeout=180_000)
    assert spent(page) == (2, 0)
    page.get_by_role("button", name="Close the sheets").click()
    spent(page)
    page.get_by_role("button", name="Sheets").click()
    page.get_by_role("button", name=re.compile("^Proposal")).click()
    with page.expect_download(timeout=60_000):
        page.get_by_role("button", name="Save PDF").click()
    assert spent(page) == (3, 0)
    page.get_by_role("button", name="Close the sheets").click()
    spent(page)


def test_a_projector_on_a_low_cabinet_with_a_record(newcomer: Page) -> None:
    page = newcomer
    page.get_by_role("link", name=re.compile("^Survey")).click()
    page.get_by_role("button", name=re.compile("^In the room")).click()
    page.get_by_role("button", name="Add something in the room").click()
    page.get_by_role("menuitem", name="cabinet").click()
    page.get_by_role("link", name=re.compile("^Throw")).click()
    page.get_by_role("button", name="Phalarope mirror").click()
    page.get_by_role("button", name=re.compile("^Take ?Phalarope mirror")).click()
    expect(page.get_by_role("complementary", name="Station", exact=True)).to_contain_text("on a cabinet")
    clicks, keys = spent(page)
    assert (clicks <= 10, keys <= 4) == (True, True), (clicks, keys)


def touch_twelve(page: Page) -> None:
    dot = page.locator(".board circle[data-key='point-12']").bounding_box()
    assert dot is not None
    page.mouse.click(dot["x"] + dot["width"] / 2, dot["y"] + dot["height"] / 2)
    expect(page.locator("[aria-live=polite]").filter(has_text="step ")).to_contain_text("12")


def test_hook_twelve_on_a_phone(browser: Browser, server: Running) -> None:
    job = next(
        one
        for one in httpx2.get(f"{server.address}/api/jobs", timeout=30).json()["jobs"]
        if one["name"] == "Narrow lounge"
    )
    for page in opened(browser, server.address):
        page.add_init_script(COUNT)
        page.set_viewport_size({"width": 390, "height": 844})
        page.goto(f"/jobs/{job['id']}")
        page.get_by_role("link", name=re.compile("^Tension")).click()
        board = page.locator(".board circle.mark").nth(0)
        expect(board).to_be_visible()

        touch_twelve(page)
        assert spent(page)[0] <= 3
        page.get_by_role("button", name="Sequence: corners first").click()
        page.get_by_role("menuitemradio", name=re.compile("middles outward")).click()
        expect(page.get_by_role("button", name="Sequence: middles outward")).to_be_visible()
        here = page.locator("[aria-live=polite]").filter(has_text="step ")
        # the hook that was touched, whichever step it is now
        expect(here).to_contain_text(re.compile(r"\b12(?!\d)"))
        touch_twelve(page)
        assert spent(page)[0] <= 6 - 2
