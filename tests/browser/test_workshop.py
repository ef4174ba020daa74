"""From a decided size to parts on the floor: cuts ticked off, braces by stiffness, a box counted, materials bought."""

import re

from playwright.sync_api import Page, expect

from tests.browser.test_journeys import Make, field, type_into, unfold


def test_a_frame_is_cut_ticked_off_braced_and_measured(page: Page, make_job: Make) -> None:
    job = make_job("basement-den", name="Cut")
    page.goto(f"/jobs/{job['id']}/frame")
    bench = page.get_by_role("region", name=re.compile("1×3, frame"))
    # the first answer of a worker that has only just started
    expect(bench).to_contain_text("nothing is cheaper, proven", timeout=180_000)
    piece = bench.get_by_role("button", name=re.compile("^A, 107"))
    piece.click()
    expect(piece).to_have_attribute("aria-pressed", "true")
    page.reload()  # what is cut stays cut
    expect(bench.get_by_role("button", name=re.compile("^A, 107"))).to_have_attribute("aria-pressed", "true")
    unfold(page, "Board and stiffness")
    bow = page.get_by_role("table", name=re.compile("Bow of the rails"))
    bow.get_by_role("button", name="2", exact=True).click()
    expect(field(page, "Braces")).to_contain_text("2")
    expect(bench.get_by_role("button", name=re.compile("^F, "))).to_be_visible()
    page.get_by_role("tab", name="Edge section").click()
    expect(page.get_by_role("img", name=re.compile("Section through the top edge"))).to_be_visible()
    # the frame on the floor leans: the page says which way to push
    unfold(page, "Built frame, is it square")
    for label, text in (
        ("Built: top", "107 1/8"), ("Built: bottom", "107 1/8"), ("Built: left side", "61 3/8"), ("Built: right side", "61 3/8"),
        ("Built: lower left to upper right", "123 5/8"), ("Built: upper left to lower right", "123 1/8"),
    ):  # fmt: skip
        type_into(page, label, text)
    expect(page.get_by_role("alert").or_(page.get_by_role("status", name="Findings")).first).to_contain_text(
        re.compile("push the top .* to the left")
    )


def test_materials_are_priced_and_the_box_is_counted(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge", name="Box")
    page.goto(f"/jobs/{job['id']}/frame")
    unfold(page, "Box check")
    expect(page.get_by_text("2 of 11 lines are still open")).to_be_visible()
    springs = page.get_by_role("button", name=re.compile("^springs, in the box"))
    springs.click()
    page.get_by_role("textbox", name="springs, in the box").fill("60")
    page.keyboard.press("Enter")
    expect(page.get_by_text("2 short: stretching waits")).to_be_visible()
    page.get_by_role("button", name="spring hook: all 1 there").click()
    page.get_by_role("button", name="1 more").click()  # behind what stops
    expect(page.get_by_text("1 of 11 lines are still open")).to_be_visible()
    page.get_by_role("tab", name="Materials").click()
    row = page.get_by_role("row", name=re.compile("^Springline 100"))  # its springs come in the box
    row.get_by_label("Springline 100, price of a pack").fill("390")
    page.keyboard.press("Enter")
    expect(row).to_contain_text("390.00")
    row.get_by_role("button", name="Springline 100: to buy").click()
    expect(page.get_by_text("Ordered and not here yet: kit. Building the frame waits.")).to_be_visible()
    type_into(page, "Mass of the kit", "12,5")
    page.goto(f"/jobs/{job['id']}/tension")
    unfold(page, "Order of the crew or the kit")
    type_into(page, "Side points fixed with each corner", "3")
    expect(page.get_by_text(re.compile(r"top left corner\W+1 to 3, 58 to 60"))).to_be_visible()
