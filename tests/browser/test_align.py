"""From a hung screen to an aligned picture: readings typed, moves read, until nothing is left to move."""

import re

from playwright.sync_api import Page, expect

from tests.browser.test_journeys import Make
from tests.stations.test_hang_align import round_of

CORNERS = {"tl": "Top left", "tr": "Top right", "br": "Bottom right", "bl": "Bottom left"}
FIELDS = {
    f"{key}_{side}_mm": f"{name}, {'sideways' if side == 'x' else 'up' if key[0] == 't' else 'down'}"
    for key, name in CORNERS.items()
    for side in "xy"
}


def test_the_screen_is_hung_level_and_the_picture_brought_home(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft", name="Align")
    page.goto(f"/jobs/{job['id']}/hang")
    expect(page.get_by_text("Push the bottom up and in until each latch clicks.")).to_be_visible()
    page.get_by_role("textbox", name="Right end higher than left by").fill("4 mm")
    page.get_by_role("textbox", name="Gap to the left reference").fill("500 mm")
    page.get_by_role("textbox", name="Gap to the right reference").fill("510 mm")
    page.get_by_role("button", name="Keep these readings").click()
    expect(page.get_by_text(re.compile("Right bracket .* down in its slot")).first).to_be_visible()
    page.get_by_role("textbox", name="Right end higher than left by").fill("0")
    page.keyboard.press("Enter")
    expect(page.get_by_text("1 to cure")).to_be_visible()
    page.get_by_role("button", name="Every one was pulled").click()
    expect(page.get_by_text("Pull at every bracket and latch before")).to_have_count(0)

    page.get_by_role("link", name=re.compile("^Align")).click()
    expect(page.get_by_text("Read the corners of the picture: the moves appear here")).to_be_visible()
    for name, value in round_of("mill-loft", yaw=0.8, roll=-0.4).items():
        if name in FIELDS:
            page.get_by_role("textbox", name=FIELDS[name], exact=True).fill(f"{value} mm")
    page.get_by_role("button", name="Keep this round").click()
    expect(
        page.get_by_text(re.compile("^Rear of the body .* to the right: its nose turns left$"))
    ).to_be_visible()
    expect(page.get_by_text(re.compile("Right side of the body .* up"))).to_be_visible()
    expect(page.locator(".astray")).to_have_count(1)
    expect(page.locator(".aimed")).to_have_count(1)
    for name in FIELDS.values():
        page.get_by_role("textbox", name=name, exact=True).focus()
        page.get_by_role("button", name=re.compile("out, as wanted$")).click()
    page.get_by_role("button", name="Keep this round").click()
    expect(page.get_by_text("Aligned: every corner is within tolerance. Move nothing more.")).to_be_visible()
    expect(page.locator(".aimed")).to_have_count(0)
