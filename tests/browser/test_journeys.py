"""What people do, from the yard to the sheet."""

import io
import re
from collections.abc import Callable
from typing import Any

import httpx2
from playwright.sync_api import Locator, Page, expect
from pypdf import PdfReader

from tests.running import Running

Make = Callable[..., dict[str, Any]]


def plain(text: str | None) -> str:
    """Visible text with stacked fractions as a person says them."""
    return re.sub(r"\s+", " ", (text or "").replace("\u2044", "/")).strip()


def field(page: Page | Locator, label: str) -> Any:
    return page.get_by_role("button", name=re.compile(rf"^{re.escape(label)}: (?!.*How it is known)"))


def type_into(page: Page, label: str, text: str) -> None:
    field(page, label).first.click()
    page.get_by_role("textbox", name=label, exact=True).fill(text)
    page.keyboard.press("Enter")


def unfold(page: Page, *titles: str) -> None:
    """Open detail that is folded under its gist; it is remembered, so it may be open already."""
    for title in titles:
        head = page.get_by_role("complementary", name="Station", exact=True).get_by_role(
            "button", name=re.compile(f"^{title}")
        )
        expect(head.first).to_be_visible()
        if head.first.get_attribute("aria-expanded") == "false":
            head.first.click()


def figure(page: Page, label: str) -> Any:
    return (
        page.get_by_role("complementary", name="Station", exact=True)
        .get_by_role("button", name=re.compile(rf"{re.escape(label)}"))
        .first
    )


def test_from_a_name_and_a_diagonal_to_the_wall_sheet(page: Page) -> None:
    page.goto("/")
    expect(page.get_by_role("main").get_by_role("link").first).to_be_visible()
    page.get_by_role("button", name="New job").click()
    page.get_by_label("Name", exact=True).fill("Ferry cabin")
    page.get_by_label("Diagonal", exact=True).fill("about 9 feet")
    page.get_by_role("button", name="Create job").click()
    expect(page.get_by_role("alert")).to_contain_text("is not a unit of length")
    expect(page.get_by_label("Name", exact=True)).to_have_value("Ferry cabin")  # nothing typed is lost
    page.get_by_label("Diagonal", exact=True).fill("113")
    page.get_by_role("button", name="Create job").click()
    expect(page).to_have_url(re.compile("/jobs/.+/size$"))

    unfold(page, "Rounded sizes")
    tidy = page.get_by_role("list", name="Rounded sizes").get_by_role("button")
    expect(tidy.first).to_contain_text("exact")
    tidy.first.click()
    expect(tidy.first).to_have_attribute("aria-pressed", "true")

    page.get_by_role("link", name=re.compile("^Survey")).click()
    for label, text in (
        ("Wall width", "14' 6\""),
        ("Ceiling above floor", "8-2 1/2"),
        ("A known stud, from left", "10 1/4"),
        ("Stud spacing", "16"),
    ):
        type_into(page, label, text)
        expect(page.get_by_role("textbox")).to_have_count(0)
    page.get_by_role("link", name=re.compile("^Wall")).click()
    expect(page.get_by_role("region", name="Measure before you drill")).to_contain_text(
        "Drop, hole to frame top"
    )
    type_into(page, "Drop, hole to frame top", "1 1/2")
    expect(page.get_by_role("region", name="Measure before you drill")).not_to_contain_text(
        "Drop, hole to frame top"
    )
    expect(page.get_by_role("img", name=re.compile("^Left holes: .* from the left wall end"))).to_be_visible()

    page.get_by_role("button", name="Sheets").click()
    with page.expect_download(timeout=180_000) as download:
        page.get_by_role("button", name=re.compile("^Wall sheet")).click()
        page.get_by_role("button", name="Save PDF").click()
    reader = PdfReader(io.BytesIO(download.value.path().read_bytes()))
    assert download.value.suggested_filename == "Ferry cabin, wall sheet.pdf"
    assert "Ferry cabin" in reader.pages[0].extract_text()


def test_an_impossible_room_says_by_how_much_and_one_tap_cures_it(page: Page, make_job: Make) -> None:
    job = make_job("basement-den")
    page.goto("/")
    page.get_by_role("link", name=re.compile("Basement den.*Stop")).first.click()
    findings = page.get_by_role("status", name="Findings")
    expect(findings).to_contain_text(re.compile("short between"))
    page.goto(f"/jobs/{job['id']}/height")
    page.get_by_role("button", name=re.compile("largest diagonal that fits")).click()
    expect(page.get_by_role("link", name=re.compile("^Height"))).to_contain_text("top 76")
    expect(page.get_by_text("The screen does not fit")).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(findings).to_contain_text(re.compile("short between"))


def test_the_frame_is_dragged_against_its_bounds_and_the_lens_to_its_place(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/height")
    frame = page.get_by_role("slider", name=re.compile("^Frame"))
    box = frame.bounding_box()
    assert box
    x, y = box["x"] + 30, box["y"] + box["height"] - 20
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y - 10, steps=4)
    page.mouse.move(x, y - 200, steps=8)
    expect(page.get_by_text("held by the ceiling gap")).to_be_visible()
    page.mouse.up()
    expect(figure(page, "Top of frame above floor")).to_contain_text("89")
    expect(page.get_by_role("button", name="version 2, saved")).to_be_visible()
    frame.focus()
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("button", name="version 3, saved")).to_be_visible()
    expect(figure(page, "Top of frame above floor")).to_contain_text(re.compile("89.*5/16|89.*3/8"))

    page.get_by_role("link", name=re.compile("^Throw")).click()
    lens = page.get_by_role("slider", name=re.compile("^Lens"))
    at = lens.bounding_box()
    assert at
    x, y = at["x"] + at["width"] / 2, at["y"] + at["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 250, y, steps=6)
    page.mouse.up()
    expect(page.get_by_role("status", name="Findings")).to_contain_text("Not enough lens shift")
    # the first is the shift's; the body stands past the wall, too, and has a shorter way back
    page.get_by_role("button", name=re.compile("^Move the lens [^a-z]* left$")).first.click()
    expect(page.get_by_role("status", name="Findings").get_by_text("Not enough lens shift")).to_have_count(0)
    expect(figure(page, "Shift needed, sideways")).to_contain_text("% left")


def test_a_dimension_is_tapped_and_typed_and_nonsense_stays_where_it_was_typed(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/height")
    field(page, "Bottom of frame above floor").click()
    page.get_by_role("textbox", name="Bottom of frame above floor").fill("two foot")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("not a unit of length")
    expect(page.get_by_role("textbox", name="Bottom of frame above floor")).to_have_value("two foot")
    page.get_by_role("textbox", name="Bottom of frame above floor").fill("2' 4\"")
    page.keyboard.press("Enter")
    expect(field(page, "Bottom of frame above floor").first).to_have_accessible_name(
        "Bottom of frame above floor: 28″"
    )
    field(page, "Bottom of frame above floor").first.click()
    page.get_by_role("textbox", name="Bottom of frame above floor").fill("10 in")
    page.keyboard.press("Enter")  # lower than allowed: held by the bound, and said so
    expect(page.get_by_role("status", name="Findings")).to_contain_text(
        "The lowest allowed edge keeps the frame"
    )


def test_undo_and_redo_by_button_and_by_key(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge")
    page.goto(f"/jobs/{job['id']}/size")
    type_into(page, "Diagonal", "92")
    label = page.get_by_role("complementary", name="Station", exact=True)
    expect(label).to_contain_text("7′ 8″")
    page.get_by_role("button", name="Undo").click()
    expect(label).to_contain_text("8′ 4″")
    page.keyboard.press("Control+Shift+Z")
    expect(label).to_contain_text("7′ 8″")
    page.keyboard.press("Control+z")
    expect(label).to_contain_text("8′ 4″")
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()


def test_units_change_the_texts_and_a_bare_number_follows_them(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/survey")
    expect(field(page, "Wall width").last).to_have_accessible_name("Wall width: 186″")
    for name, shown in (
        ("feet, inches and fractions", "15′ 6″"),
        ("millimeters", "4724 mm"),
        ("centimeters", "472.4 cm"),
        ("inches, decimal", "186.00 in"),
    ):
        page.get_by_role("button", name="Units").click()
        page.get_by_role("menuitemradio", name=name, exact=True).click()
        expect(field(page, "Wall width").last).to_have_accessible_name(
            re.compile(re.escape(shown).replace("\\ ", "\\s"))
        )
    page.get_by_role("button", name="Units").click()
    page.get_by_role("menuitemradio", name="millimeters").click()
    expect(page.get_by_role("button", name="Units")).to_contain_text("mm")
    type_into(page, "Datum line above floor", "1250")
    expect(field(page, "Datum line above floor").last).to_have_accessible_name(re.compile("1250\\smm"))


def test_how_a_figure_is_known_and_how_it_came_about(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/wall")
    figure(page, "Left holes from left wall end").click()
    expect(page.get_by_role("complementary", name="Station", exact=True)).to_contain_text(
        re.compile("assumes.*stud spacing 16")
    )
    page.get_by_role("link", name=re.compile("^Survey")).click()
    page.get_by_role("button", name="Stud spacing: assumed. How it is known").click()
    page.get_by_role("menuitemradio", name="measured").click()
    expect(page.get_by_role("button", name="Stud spacing: measured. How it is known")).to_be_visible()
    page.get_by_role("link", name=re.compile("^Wall")).click()
    expect(page.get_by_role("region", name="Measure before you drill")).to_have_count(0)


def test_the_tension_order_goes_step_by_step_on_the_back(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge")
    page.goto(f"/jobs/{job['id']}/tension")
    expect(page.get_by_role("tab", name="Back")).to_have_attribute("aria-selected", "true")
    expect(page.get_by_text("step 1 of")).to_be_visible()
    expect(page.get_by_text("top left corner")).to_be_visible()
    page.get_by_role("button", name="Done, next").click()
    expect(page.get_by_text("bottom right corner")).to_be_visible()
    page.keyboard.press(",")
    expect(page.get_by_text("top left corner")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Attachment: springs")).click()
    page.get_by_role("menuitemradio", name="staples").click()
    expect(page.get_by_text("pull and staple")).to_be_visible()


def test_a_job_file_is_read_in_the_yard_and_a_wrong_one_is_explained(page: Page, make_job: Make) -> None:
    from tests.conftest import DEMO

    page.goto("/")
    page.get_by_label("Job file").set_input_files(
        {
            "name": "x.json",
            "mimeType": "application/json",
            "buffer": b'{"name": "x", "size": {"value_mm": "wide"}}',
        }
    )
    expect(page.get_by_role("alert")).to_contain_text("/size/value_mm")
    page.get_by_label("Job file").set_input_files(str(DEMO / "parish-hall.job.json"))
    expect(page.get_by_role("heading", name="Parish hall")).to_be_visible()


def test_readings_along_the_wall_are_added_refused_and_removed(page: Page, make_job: Make) -> None:
    job = make_job("parish-hall")
    page.goto(f"/jobs/{job['id']}/survey")
    unfold(page, "Readings along the wall")
    place = page.get_by_role("textbox", name="Floor, down from the datum line: place")
    reading = page.get_by_role("textbox", name="Floor, down from the datum line: reading")
    place.fill("3.4 m")
    reading.fill("deep")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("not a unit of length")
    expect(place).to_have_value("3.4 m")
    reading.fill("1509")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile("Remove the reading at 3400"))).to_be_visible()
    expect(page.get_by_role("status", name="Findings")).to_contain_text("The floor is 9")
    page.get_by_role("button", name=re.compile("Remove the reading at 3400")).click()
    expect(page.get_by_role("status", name="Findings")).to_contain_text("The floor is 6")


def test_a_projector_is_taken_from_the_stores_and_its_window_appears(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New job").click()
    page.get_by_label("Name", exact=True).fill("Chart room")
    page.get_by_label("Diagonal", exact=True).fill("100")
    page.get_by_role("button", name="Create job").click()
    page.get_by_role("link", name=re.compile("^Throw")).click()
    expect(page.get_by_role("status", name="Findings")).to_contain_text("Enter the projector's throw ratio")
    page.get_by_role("button", name=re.compile("Take a projector")).click()
    page.get_by_role("menuitem", name="Plover home").click()
    expect(figure(page, "Closest lens place, from wall")).to_be_visible()
    type_into(page, "Lens from bare wall", "3 m")
    type_into(page, "Lens above floor", "7'")
    unfold(page, "Lens and panel")
    expect(figure(page, "Lens to fabric")).to_be_visible()
    type_into(page, "Shift range down", "80")
    expect(field(page, "Shift range down")).to_have_accessible_name(re.compile("Shift range down: 80\\s%"))
    type_into(page, "Throw ratio, wide", "9")
    expect(page.get_by_role("status", name="Findings")).to_contain_text("wide")


def test_a_job_is_renamed_looked_back_on_and_deleted(page: Page, make_job: Make) -> None:
    job = make_job("basement-den", name="Sail loft")
    page.goto(f"/jobs/{job['id']}/survey")
    unfold(page, "Job")
    type_into(page, "Name", "Sail store")
    expect(page.get_by_role("heading", level=1)).to_have_text("Sail store")
    page.get_by_role("button", name="version 2, saved").click()
    expect(page.get_by_role("menu").get_by_role("row")).to_have_count(2)
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Delete job").click()
    expect(page.get_by_role("dialog")).to_contain_text("bin for 30 days with all 2 versions")
    page.get_by_role("dialog").get_by_role("button", name="Delete job").click()
    expect(page.get_by_role("heading", name="The yard")).to_be_visible()
    expect(page.get_by_text("Sail store")).to_have_count(0)


def test_all_versions_are_looked_back_on_a_page_at_a_time(
    page: Page, make_job: Make, server: Running
) -> None:
    job = make_job("basement-den", name="Tide store")
    edits = f"{server.address}/api/jobs/{job['id']}/edits"
    for at in range(1, 45):
        body = {"edits": [{"pointer": "/notes", "value": f"note {at}"}]}
        assert httpx2.post(edits, json=body, headers={"If-Match": f'"{at}"'}, timeout=60).status_code == 200
    page.goto(f"/jobs/{job['id']}/survey")
    page.get_by_role("button", name="version 45, saved").click()
    rows = page.get_by_role("menu").get_by_role("row")
    expect(rows).to_have_count(40)
    page.get_by_role("menuitem", name="Older versions").click()
    expect(rows).to_have_count(45)
    expect(rows.last).to_contain_text("imported from a file")
    expect(page.get_by_role("menuitem", name="Older versions")).to_have_count(0)


def test_a_seat_is_added_dragged_on_the_top_face_and_typed_exactly(page: Page, make_job: Make) -> None:
    job = make_job("basement-den")
    page.goto(f"/jobs/{job['id']}/survey")
    unfold(page, "Seats")
    page.get_by_role("button", name="Add a seat").click()
    expect(page.get_by_role("button", name="Seat 3, from wall: ")).to_be_visible()
    page.get_by_role("tab", name="Top").click()
    seat = page.get_by_role("slider", name=re.compile("^Seat 3"))
    box = seat.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 30, y + 40, steps=5)
    page.mouse.up()
    expect(page.get_by_role("button", name="version 3, saved")).to_be_visible()
    page.get_by_role("button", name="Seat 3, from wall: ").click()
    page.get_by_role("textbox", name="Seat 3, from wall").fill("near")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("not a unit of length")
    page.get_by_role("textbox", name="Seat 3, from wall").fill("14' 6\"")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile("Seat 3, from wall: 174"))).to_be_visible()


def test_the_size_table_is_sorted_and_a_size_is_taken_from_it(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    page.goto(f"/jobs/{job['id']}/size")
    strip = page.get_by_role("region", name="Sizes side by side")
    heads = strip.get_by_role("columnheader")
    expect(heads).to_have_count(9)  # eight sizes, and what is wanted
    strip.get_by_role("button", name="Neck angle, top").click()  # the easiest on the neck first
    expect(heads.first).to_contain_text("110")
    heads.nth(1).get_by_role("button").focus()
    page.keyboard.press("ArrowRight")  # the board follows the one that is looked at
    expect(page.locator(".board .ghost.looked")).to_have_count(1)
    page.keyboard.press("ArrowLeft")
    expect(strip).to_contain_text("120″ · fits, no warnings")
    page.keyboard.press("Space")
    heads.nth(3).get_by_role("button").click()
    strip.get_by_role("button", name=re.compile("^Compare")).click()
    expect(strip.get_by_role("list", name="Two compared")).to_contain_text("Better with 120″")
    strip.get_by_role("button", name="Back to all of them").click()
    heads.nth(1).get_by_role("button").click()
    strip.get_by_role("button", name=re.compile("^Take")).click()
    expect(page.get_by_role("button", name="version 2, saved")).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("^Size"))).to_contain_text("110")
