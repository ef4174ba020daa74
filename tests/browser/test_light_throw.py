"""What people do at Light and at Throw."""

import re
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.test_journeys import Make, field, type_into, unfold
from tests.conftest import demo_job


def test_fabrics_seat_view_and_floor_map_of_the_light_station(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge")
    page.goto(f"/jobs/{job['id']}/light")
    expect(page.get_by_role("img", name=re.compile("Sofa middle, dark: 39°"))).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("open day: .*washed out"))).to_be_visible()
    # seats that read the same are said once
    expect(page.get_by_role("table", name="Seats").get_by_role("columnheader")).to_have_count(2)
    page.get_by_role("tab", name="Floor map").click()
    expect(page.get_by_role("list", name="Shades of the floor")).to_contain_text("main row")
    expect(page.get_by_text("Sofa middle: 39°")).to_be_visible()
    page.get_by_role("tab", name="From a seat").click()
    page.get_by_role("tab", name="Fabrics ranked").click()
    ranked = page.get_by_role("region", name="Fabrics ranked")
    ranked.get_by_role("button", name="Petrel grey").click()
    expect(ranked).to_contain_text("contrast 81 against 219")
    ranked.get_by_role("button", name=re.compile("^Take")).click()
    expect(field(page, "Fabric").first).to_have_accessible_name("Fabric: Petrel grey")


def test_readings_of_a_meter_are_put_into_the_survey(page: Page, make_job: Make, server: Any) -> None:
    import httpx2

    job = make_job("basement-den")
    body = {"readings": [{"source": "meter", "seq": 1, "what": "wall-width", "value_mm": 3900}]}
    httpx2.post(f"{server.address}/api/jobs/{job['id']}/readings", json=body, timeout=30)
    page.goto(f"/jobs/{job['id']}/survey")
    unfold(page, "Readings from a meter")
    page.get_by_role("button", name="Use wall-width 1").click()
    expect(field(page, "Wall width").last).to_have_accessible_name(re.compile("153 9|153 1"))
    page.get_by_label("Readings file").set_input_files(
        {"name": "r.csv", "mimeType": "text/csv", "buffer": b"what,x,value\nceiling,0,tall\n"}
    )
    expect(page.get_by_role("alert")).to_contain_text("line 2, value")


def test_a_lens_is_brought_out_of_a_shadow_and_another_projector_put_where_it_could_be(
    page: Page, make_job: Make
) -> None:
    survey = demo_job("parish-hall").model_dump(mode="json")["survey"]
    survey["boxes"][1]["y_mm"] = 3300.0
    job = make_job("parish-hall", survey=survey)
    page.goto(f"/jobs/{job['id']}/throw")
    findings = page.get_by_role("status", name="Findings")
    expect(findings).to_contain_text("The lantern blocks the light")
    expect(page.get_by_text(re.compile("lantern, .* dark"))).to_be_visible()
    findings.get_by_role("button", name=re.compile("^Move the lens .* down")).click()
    expect(findings).to_have_count(0)
    table = page.get_by_role("table", name="Projectors compared")
    expect(table.get_by_role("row", name=re.compile("Curlew hall"))).to_contain_text("no warnings")
    expect(table.get_by_role("row", name=re.compile("Godwit stage"))).to_contain_text("stop")
    table.get_by_role("button", name="Godwit stage").click()
    page.get_by_role("button", name=re.compile("^Put Godwit stage")).click()
    expect(table.get_by_role("row", name=re.compile("Godwit stage"))).not_to_contain_text("stop")
    page.get_by_role("tab", name="Side").click()
    lens = page.get_by_role("slider", name=re.compile("^Lens"))
    lens.focus()
    page.keyboard.press("Shift+ArrowUp")
    station = page.get_by_role("complementary", name="Station", exact=True)
    expect(field(station, "Lens above floor")).not_to_have_accessible_name(re.compile("3104"))
    unfold(page, "Turned or tilted")
    type_into(page, "Tilted up", "-5")
    expect(findings).to_contain_text("digital correction leaves")
    page.keyboard.press("Control+z")
    expect(page.get_by_text("digital correction leaves")).to_have_count(0)


def test_projectors_come_in_from_a_file_and_a_bad_one_names_its_line(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft")
    page.goto("/stores/projector")
    box = page.get_by_label("File of projector records")
    bad = {
        "name": "more.csv",
        "mimeType": "text/csv",
        "buffer": b"name,ratio_low,ratio_high\nWheatear,2.1,1.4\n",
    }
    box.set_input_files(bad)  # type: ignore[arg-type]
    expect(page.get_by_role("alert")).to_contain_text("line 2, ratio_high")
    box.set_input_files({**bad, "buffer": b"name,ratio_low,ratio_high,rated_lm\nWheatear,1.4,2.1,1500\n"})  # type: ignore[arg-type]
    expect(page.get_by_role("table", name="Projectors")).to_contain_text("Wheatear")
    page.goto(f"/jobs/{job['id']}/throw")
    expect(page.get_by_role("region", name="Projectors side by side")).to_contain_text("1 to 12 of 13")
    page.get_by_role("tab", name="Aspect ratios by zoom").click()
    expect(page.get_by_role("table", name="Aspect ratios by zoom")).to_contain_text("beyond the lens shift")
    page.get_by_role("button", name="16:9 show light").click()
    page.get_by_role("tab", name="Joists").click()
    expect(page.get_by_role("table", name="Joists near the lens")).to_contain_text("here")
