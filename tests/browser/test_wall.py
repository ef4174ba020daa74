"""The wall: studs found reading by reading, the holes, what the wall says no to."""

import re

from playwright.sync_api import Page, expect

from tests.browser.test_journeys import Make, unfold


def test_studs_are_found_by_taps_and_the_one_more_reading_settles_the_doubt(
    page: Page, make_job: Make
) -> None:
    found = ({"id": "r1", "x_mm": 310, "kind": "magnet"}, {"id": "r2", "x_mm": 1510, "kind": "magnet"}, {"id": "r3", "x_mm": 2712, "kind": "magnet"})  # fmt: skip
    job = make_job("basement-den", name="Studs", survey={"stud_first_mm": None, "stud_spacing_mm": None, "stud_readings": list(found)})  # fmt: skip
    page.goto(f"/jobs/{job['id']}/survey")
    expect(page.get_by_text(re.compile("The readings fit studs .* apart. Do not drill yet"))).to_be_visible()
    expect(page.get_by_text("undecided", exact=True)).to_be_visible()
    unfold(page, "Find the studs")
    page.get_by_role("button", name="nothing found", exact=True).click()
    expect(page.get_by_text(re.compile("^read here, "))).to_be_visible()
    proposed = page.locator(".stud-next").first.bounding_box()
    assert proposed is not None
    page.get_by_role("button", name="Tap readings on the board").click()
    expect(page.get_by_text("Tap the wall: nothing found")).to_be_visible()
    page.mouse.click(proposed["x"] + proposed["width"] / 2, proposed["y"] + proposed["height"] * 0.8)
    expect(page.get_by_text(re.compile("do not drill yet"))).to_have_count(0)
    expect(page.get_by_text(re.compile(r"\d confirmed"))).to_be_visible()
    page.get_by_role("button", name="Stop tapping").click()
    page.get_by_role("textbox", name="Place from the left wall end").nth(2).fill("107")
    page.get_by_role("button", name="Strike out").click()
    expect(page.get_by_text("no stud, struck out by hand", exact=True)).to_be_visible()
    expect(page.get_by_text(re.compile(r"\d missing"))).to_be_visible()


def test_a_hole_meets_a_pipe_another_is_drilled_an_inch_off_and_the_page_says_what_to_do(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft", name="No")
    page.goto(f"/jobs/{job['id']}/wall")
    unfold(page, "Every mark of every hole")
    page.get_by_role("button", name="lower left: drilled at its mark").click()
    expect(page.get_by_text("✓ drilled")).to_be_visible()
    expect(page.locator(".hole-drilled")).to_have_count(1)
    page.get_by_role("button", name=re.compile("^lower left, drilled off floor")).click()
    page.get_by_role("textbox", name="lower left, drilled off floor").fill("20")
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("The drilled lower holes hang the frame .* lower than planned")).first).to_be_visible()  # fmt: skip
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Undo").click()
    expect(page.locator(".hole-drilled")).to_have_count(0)
    page.get_by_role("button", name="upper left: not possible here").click()
    page.get_by_role("textbox", name="upper left: what is there").fill("pipe")
    page.get_by_role("button", name="Not possible", exact=True).click()
    expect(page.get_by_text(re.compile("upper left hole is not possible at .*pipe")).first).to_be_visible()
    page.get_by_role("button", name="upper left: possible after all").click()
    expect(page.get_by_text(re.compile("upper left hole is not possible"))).to_have_count(0)
    unfold(page, "What holds it, ranked")
    page.get_by_role("button", name="Take: 45° cleat over studs").click()
    expect(page.get_by_role("button", name=re.compile("^Way of hanging: 45° cleat"))).to_be_visible()
