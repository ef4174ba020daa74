"""Every screen answers its question without a scroll, with no text cut and none on another, at the sizes desks have."""

import re
from collections.abc import Callable
from typing import Any

import httpx2
import pytest
from hypothesis import HealthCheck, given, settings
from playwright.sync_api import Page, expect

from gantline.job.file import write_job_file
from gantline.job.model import Job
from tests.browser.conftest import along_the_rope
from tests.conftest import AS_JSON
from tests.made import JOBS
from tests.plan.random_jobs import rich_jobs
from tests.running import Running

Make = Callable[..., dict[str, Any]]
SIZES = ((1024, 768), (1280, 800), (1920, 1080))
STATIONS = (
    "survey", "size", "light", "height", "throw", "frame", "wall", "tension", "trim", "hang", "align", "day",
)  # fmt: skip

DRAWN = ("Front", "Side", "Top", "Back")

# an element that scrolls, or whose text is wider than its box
CUT = """
  root => [...root.querySelectorAll('*')].filter((one) => {
    const style = getComputedStyle(one)
    if (one.closest('.sr-only') || style.position === 'absolute') return false
    const wide = one.scrollWidth > one.clientWidth + 1 && style.overflowX !== 'visible' && one.clientWidth > 0
    const tall = one.scrollHeight > one.clientHeight + 1 && ['auto', 'scroll'].includes(style.overflowY)
    return wide || tall
  }).map((one) => `${one.tagName} ${one.className} ${one.textContent.slice(0, 40)}`)
"""
OUTSIDE = """
  root => { const box = root.getBoundingClientRect(); return [...root.querySelectorAll('tbody tr, thead th, tfoot td')]
    .filter((one) => one.getBoundingClientRect().bottom > Math.min(innerHeight, box.bottom) + 1)
    .map((one) => one.textContent.slice(0, 30)) }
"""
COVERED = """
  () => {
    const boxes = [...document.querySelectorAll('.board .board-text, .board .board-tag, .board .board-number')].map((one) => {
      const box = one.getBoundingClientRect()
      return [box.left + 1.5, box.top + 2.5, box.right - 1.5, box.bottom - 2.5, one.textContent]
    })
    return boxes.flatMap((a, at) => boxes.slice(at + 1)
      .filter((b) => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3])
      .map((b) => `${a[4]} | ${b[4]}`))
  }
"""


def seen_whole(page: Page, name: str) -> None:
    strip = page.get_by_role("region", name=name)
    expect(strip.get_by_role("table")).to_be_visible()
    assert strip.evaluate(CUT) == []
    assert strip.evaluate(OUTSIDE) == []


@pytest.mark.parametrize("sample", ["mill-loft", "narrow-lounge"])
def test_every_candidate_is_seen_without_a_scroll(page: Page, make_job: Make, sample: str) -> None:
    job = make_job(sample)
    page.goto(f"/jobs/{job['id']}/size")
    for width, height in SIZES:
        page.set_viewport_size({"width": width, "height": height})
        along_the_rope(page, "size")
        seen_whole(page, "Sizes side by side")
        sizes = page.get_by_role("region", name="Sizes side by side").locator("[data-candidate]")
        assert sizes.count() == 8
        along_the_rope(page, "throw")
        seen_whole(page, "Projectors side by side")
        rows = page.get_by_role("table", name="Projectors compared").get_by_role("row")
        assert rows.count() >= 13
        along_the_rope(page, "light")
        page.get_by_role("tab", name="Fabrics ranked").click()
        seen_whole(page, "Fabrics ranked")
        fabrics = page.get_by_role("region", name="Fabrics ranked").locator("[data-candidate]")
        assert fabrics.count() >= (7 if width > 1100 else 5)


def test_of_two_hundred_projectors_twelve_are_seen_and_the_keys_go_to_the_others(
    page: Page, make_job: Make, server: Running
) -> None:
    header = "name,ratio_low,ratio_high,rated_lm,price"
    lines = [f"Dotterel {at:03d},1.{at % 9},2.1,{1000 + at},{300 + at}" for at in range(190)]
    content = "\n".join([header, *lines]).encode()
    answer = httpx2.post(
        f"{server.address}/api/stores/projector/file/csv",
        content=content,
        headers={"content-type": "text/csv"},
        timeout=60,
    )
    assert answer.status_code == 200, answer.text
    try:
        job = make_job("basement-den")
        page.goto(f"/jobs/{job['id']}/throw")
        table = page.get_by_role("table", name="Projectors compared")
        expect(table.get_by_role("row")).to_have_count(13, timeout=60_000)
        seen_whole(page, "Projectors side by side")
        table.get_by_role("button", name="Price").click()
        expect(table.get_by_role("row").nth(1)).to_contain_text("260")  # the cheapest of all first
        table.get_by_role("row").nth(1).get_by_role("button").focus()
        for _ in range(13):
            page.keyboard.press("ArrowDown")
        expect(table).to_contain_text(re.compile(r"\b[23] to 1[345] of 2\d\d"))
        page.keyboard.press("End")
        expect(table.get_by_role("row").last).to_contain_text("Godwit stage")
        assert page.evaluate("() => document.activeElement.textContent").startswith("Godwit stage")
    finally:
        for at in range(190):
            httpx2.delete(f"{server.address}/api/stores/projector/dotterel-{at:03d}", timeout=30)


@pytest.mark.parametrize("sample", JOBS)
def test_no_text_of_the_board_covers_another(page: Page, make_job: Make, sample: str) -> None:
    read = {"id": "h1", "level_mm": 4.0, "gap_left_mm": 500, "gap_right_mm": 510, "plumb_left_mm": 2.0}
    assert covered_texts(page, make_job(sample, hang={"readings": [read]})["id"]) == {}


@settings(max_examples=2, suppress_health_check=list(HealthCheck))
@given(job=rich_jobs())
def test_nor_on_the_board_of_any_random_job(page: Page, server: Running, job: Job) -> None:
    answer = httpx2.post(
        f"{server.address}/api/jobs/file", content=write_job_file(job), headers=AS_JSON, timeout=30
    )
    assert covered_texts(page, answer.json()["id"]) == {}


def covered_texts(page: Page, key: str) -> dict[tuple[str, str], list[str]]:
    """By station and face, texts that lie on one another."""
    covered: dict[tuple[str, str], list[str]] = {}
    page.goto(f"/jobs/{key}/survey")
    for station in STATIONS:
        along_the_rope(page, station)
        tabs = page.get_by_role("tablist", name="Face").get_by_role("tab")
        for face in (name for name in tabs.all_inner_texts() if name in DRAWN):
            page.get_by_role("tab", name=face, exact=True).click()
            expect(page.locator(".board > svg").first).to_be_visible()
            covered[station, face] = page.evaluate(COVERED)
    return {place: texts for place, texts in covered.items() if texts}


def test_an_address_leads_to_a_figure_and_a_line_finds_it(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/wall#figure-drop")
    expect(page.locator("#figure-drop")).to_be_in_viewport()
    page.goto(f"/jobs/{job['id']}/size")
    page.get_by_role("heading", level=2).wait_for()
    page.keyboard.press("/")
    page.get_by_role("combobox", name=re.compile("^Find")).fill("stretch of cloth")
    expect(page.get_by_role("option").first).to_be_visible()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowUp")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/(frame|tension)#figure-"))
    expect(page.locator("[id^=figure-].outline-2")).to_be_in_viewport()


def test_a_record_is_made_changed_copied_and_removed_and_a_job_keeps_its_copy(
    page: Page, make_job: Make
) -> None:
    job = make_job("basement-den")
    page.goto("/stores/tape")
    page.get_by_label("Lengths in").select_option("mm")
    page.get_by_role("button", name="New tape").click()
    form = page.get_by_role("complementary", name="Record")
    form.get_by_label("Name").fill("Sable felt")
    form.get_by_label("Wide").fill("wide")
    form.get_by_role("button", name="Make it").click()
    expect(form.get_by_role("alert")).to_contain_text("wide")
    expect(form.get_by_label("Name")).to_have_value("Sable felt")  # nothing typed is lost
    form.get_by_label("Wide").fill("80")
    form.get_by_role("button", name="Make it").click()
    expect(page).to_have_url(re.compile("/stores/tape/sable-felt$"))
    expect(page.get_by_role("table", name="Tapes")).to_contain_text("80")
    expect(form.get_by_role("region", name="Used in")).to_contain_text("No job took it")
    page.goto(f"/jobs/{job['id']}/trim")
    page.get_by_role("button", name=re.compile("^Rolls and edge")).click()
    page.get_by_role("button", name="Take a tape").click()
    page.get_by_role("menuitem", name="Sable felt").click()
    expect(page.get_by_role("button", name=re.compile("version 2, saved"))).to_be_visible()
    page.goto("/stores/tape/sable-felt")
    expect(form.get_by_role("region", name="Used in")).to_contain_text("Basement den")
    form.get_by_label("Wide").fill("30")
    form.get_by_role("button", name="Which jobs would plan otherwise?").click()
    change = form.get_by_role("region", name="What it would change")
    expect(change).to_contain_text("of the 1 that took it", timeout=30_000)
    form.get_by_role("button", name="Copy").click()
    expect(page).to_have_url(re.compile("/stores/tape/sable-felt-copy$"))
    form.get_by_role("button", name="Remove").click()
    expect(page.get_by_role("table", name="Tapes")).not_to_contain_text("copy")


def test_a_first_job_is_walked_through_and_the_walk_can_be_ended(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New job").click()
    page.get_by_role("button", name="a lounge, a cabinet").click()
    way = page.get_by_role("region", name="Your way through")
    expect(way).to_contain_text("Choose a size")
    way.get_by_role("button", name="Next: Light").click()
    expect(way).to_contain_text("worst seat")
    way.get_by_role("button", name="End this").click()
    expect(way).to_have_count(0)
    page.reload()
    expect(page.get_by_role("heading", level=2)).to_be_visible()
    expect(way).to_have_count(0)
    page.keyboard.press("?")
    page.get_by_role("button", name="Say at each station what to do there").click()
    expect(way).to_be_visible()


def test_align_is_read_at_the_corners_on_the_board(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge")
    page.goto(f"/jobs/{job['id']}/align")
    board = page.locator(".board")
    for corner in ("Top left", "Top right", "Bottom left", "Bottom right"):
        up = "up" if corner.startswith("Top") else "down"
        board.get_by_label(f"{corner}, sideways").fill("1/4")
        board.get_by_label(f"{corner}, {up}").fill("0")
    page.get_by_role("button", name="Keep this round").click()
    expect(page.get_by_role("button", name=re.compile("version 2, saved"))).to_be_visible()
    expect(board.get_by_role("group", name="Top left")).to_contain_text("out")
