"""The tension bench as its users see it: watch, compare, keep; draw waves and get points; practise."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import axe
from tests.browser.test_journeys import Make


def test_an_order_is_watched_compared_and_kept_for_the_steps(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge", name="Watched")
    page.goto(f"/jobs/{job['id']}/tension")
    page.get_by_role("link", name="Tension bench").click()
    keep = page.get_by_role("button", name="Keep it for the steps")
    expect(keep).to_be_visible(timeout=60_000)
    moment = page.get_by_label("Moment of the order")
    last = int(moment.get_attribute("max") or 0)
    assert last > 25  # a moment for every pair of the 60 springs, and one for the bar
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowRight")
    expect(moment).to_have_value("2")
    page.get_by_role("button", name="Play").click()
    expect(moment).to_have_value(re.compile("^([5-9]|1[0-9])$"))
    page.get_by_role("button", name="Pause").click()
    moment.fill(str(last))
    expect(page.get_by_role("row", name=re.compile("^evenness"))).to_contain_text("%")
    assert axe(page) == []
    page.get_by_label("Beside it").select_option("Middles outward")
    table = page.get_by_role("table", name="At the end of each order")
    expect(table.get_by_role("row", name=re.compile("^moves by at most"))).not_to_contain_text(
        "…", timeout=60_000
    )
    keep.click()
    expect(page.get_by_role("button", name="Kept in the job")).to_be_visible()
    page.get_by_role("link", name="Watched").click()
    expect(page.get_by_text("Evenness, simulated")).to_be_visible()


def test_waves_that_are_drawn_come_back_as_points_and_steps(page: Page, make_job: Make) -> None:
    job = make_job("parish-hall", name="Waves")
    page.goto(f"/bench/{job['id']}?tab=wrinkles")
    box = page.get_by_test_id("sheet").bounding_box()
    assert box is not None
    page.get_by_role("button", name="deep").click()
    for left, right, high in ((0.42, 0.56, 0.145), (0.44, 0.54, 0.17)):  # under the middle of the top rail
        page.mouse.move(box["x"] + left * box["width"], box["y"] + high * box["height"])
        page.mouse.down()
        page.mouse.move(box["x"] + right * box["width"], box["y"] + high * box["height"], steps=4)
        page.mouse.up()
    page.get_by_role("button", name="What is it?").click()
    cause = page.get_by_role("button", name=re.compile("top: too slack")).first
    expect(cause).to_be_visible(timeout=60_000)
    expect(
        page.get_by_role("button", name=re.compile("^Open points .*, top, and pull again"))
    ).to_be_visible()
    page.get_by_role("button", name="after it").click()
    assert axe(page) == []
    page.get_by_role("button", name="Make these steps of the day").click()
    expect(page.get_by_role("button", name="These are steps of the day now")).to_be_visible()
    expect(page.get_by_text("Saving")).to_have_count(0)
    for _ in range(40):  # they are saved while the page says so
        steps = page.request.get(f"/api/jobs/{job['id']}/day").json()["steps"]
        if any(re.match("Open points .*, top, and pull again", step["text"]) for step in steps):
            break
        page.wait_for_timeout(250)
    else:
        raise AssertionError([step["text"] for step in steps])


def test_a_sheet_of_the_trainer_is_looked_at_guessed_and_told(page: Page) -> None:
    page.goto("/trainer/cloth")
    expect(page.get_by_text("Sheet 1 of 10")).to_be_visible(timeout=30_000)
    page.get_by_role("button", name="a point too slack").click()
    page.get_by_label("At point").fill("7")
    page.get_by_role("button", name="That is it").click()
    expect(page.get_by_role("status")).to_contain_text("It was a point too slack at ", timeout=30_000)
    assert axe(page) == []
    page.get_by_role("button", name="Next sheet").click()
    expect(page.get_by_text("Sheet 2 of 10")).to_be_visible(timeout=30_000)
