"""What is typed: asked back where it is doubtful, kept while it is refused, and never a way to a hole that a Stop forbids."""

import re

from playwright.sync_api import Page, expect

from tests.browser.test_journeys import Make, field, type_into, unfold


def test_a_doubtful_length_is_asked_back_with_one_tap_each(page: Page, make_job: Make) -> None:
    job = make_job("parish-hall", name="Doubt")
    page.goto(f"/jobs/{job['id']}/wall")
    type_into(page, "Drop, hole to frame top", "1 3/4")
    expect(page.get_by_role("alert")).to_contain_text("read in two ways")
    page.get_by_role("button", name=re.compile(r"^1 3.4\s*in$")).click()
    expect(field(page, "Drop, hole to frame top")).to_have_accessible_name(re.compile(r"44\s*mm"))


def test_refused_text_is_there_when_its_station_is_opened_again_and_focus_stays_at_the_field(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft", name="Kept text")
    page.goto(f"/jobs/{job['id']}/wall")
    type_into(page, "Drop, hole to frame top", "1 and a bit")
    expect(page.get_by_role("alert")).to_be_visible()
    page.get_by_role("link", name=re.compile("^Size")).click()
    expect(page.get_by_role("heading", name="Size", exact=True)).to_be_visible()
    page.get_by_role("link", name=re.compile("^Wall")).click()
    typed = page.get_by_role("textbox", name="Drop, hole to frame top")
    expect(typed).to_have_value("1 and a bit")
    typed.fill("1 5/8")
    typed.press("Enter")
    expect(field(page, "Drop, hole to frame top")).to_be_focused()
    page.get_by_role("button", name=re.compile("version 2, saved")).click()
    expect(page.get_by_role("menu")).to_contain_text(re.compile("Drop, hole to frame top 1.*→ 1"))


def test_a_new_job_starts_from_a_picture_on_the_wall_and_units_are_remembered(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New job").click()
    page.get_by_label("Lengths in").select_option("cm")
    page.get_by_label("Name", exact=True).fill("Picture first")
    page.get_by_text("A picture that is on the wall now").click()
    expect(page.get_by_label("Its width")).to_have_attribute("placeholder", "250")
    for label, text in (
        ("Its width", "240"),
        ("Its height", "135"),
        ("Lower left to upper right", "276"),
        ("Upper left to lower right", "274.8"),
    ):
        page.get_by_label(label).fill(text)
    page.get_by_role("button", name="Create job").click()
    expect(page).to_have_url(re.compile("/jobs/.+/size$"))
    expect(page.get_by_role("status", name="Findings")).to_contain_text("out of square")
    page.goto("/")
    page.get_by_role("button", name="New job").click()
    expect(page.get_by_label("Lengths in")).to_have_value("cm")
    page.get_by_label("Name", exact=True).fill("Doubtful")
    page.get_by_label("Diagonal", exact=True).fill("100")
    page.get_by_role("button", name=re.compile(r"^100\s*in$")).click()
    expect(page.get_by_label("Diagonal", exact=True)).to_have_value(re.compile("^100.in$"))
    page.get_by_role("button", name="Create job").click()
    expect(page).to_have_url(re.compile("/jobs/.+/size$"))


def test_a_stop_stands_before_the_marks_and_no_number_leads_to_a_hole_it_forbids(
    page: Page, make_job: Make
) -> None:
    job = make_job("parish-hall", name="Outlet in the way")
    page.goto(f"/jobs/{job['id']}/survey")
    unfold(page, "On the wall")
    page.get_by_role("button", name=re.compile("Add something on the wall")).click()
    page.get_by_role("menuitem", name="outlet").click()
    cell = page.get_by_role("button", name=re.compile("^outlet, from left: "))
    cell.click()
    page.get_by_role("textbox", name="outlet, from left").fill("2190")
    page.keyboard.press("Enter")
    page.get_by_role("link", name=re.compile("^Wall")).click()
    stop = page.get_by_role("alert").filter(has_text=re.compile("upper left, .*lower left"))
    expect(stop).to_contain_text("no-drill band of the outlet")
    expect(page.get_by_text("Do not drill", exact=True)).to_have_count(3)  # banner, panel, tape
    expect(page.get_by_role("img", name=re.compile("^Right holes: "))).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("^Left holes: "))).to_have_count(0)


def test_brackets_are_kept_in_the_stores_and_removed_again(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft", name="Own brackets")
    page.goto(f"/jobs/{job['id']}/wall")
    page.get_by_role("button", name="Stores: Brackets").click()
    page.get_by_label("Keep this job's as").fill("Loft hooks")
    page.get_by_role("button", name="Keep", exact=True).click()
    row = page.get_by_role("list", name="Brackets").get_by_text("Loft hooks")
    expect(row).to_be_visible()
    page.get_by_role("button", name="Remove Loft hooks from the stores").click()
    expect(row).to_have_count(0)


def test_a_job_is_seen_before_its_scripts_are_there_and_its_page_takes_that_place(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft", name="First look")
    page.route("**/assets/*.js", lambda route: route.abort())
    page.goto(f"/jobs/{job['id']}/size")
    expect(page.locator("#first")).to_contain_text("First look")
    expect(page.locator("#first .num").filter(has_text="127").last).to_be_visible()
    page.unroute("**/assets/*.js")
    page.reload()
    expect(page.get_by_role("heading", name="First look", exact=True)).to_be_visible()
    expect(page.locator("#first")).to_have_count(0)
