"""The crew's page by touch, on two phones' sizes: a lug kit from box to handover, a refused hole, a reading on the pad."""

import re
from collections.abc import Callable, Iterator
from typing import Any

import httpx2
import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import axe, loaded_anew, upgraded
from tests.browser.test_journeys import plain
from tests.running import Running

Json = dict[str, Any]
Make = Callable[..., Json]
SIZES = ((360, 640), (390, 844))


@pytest.fixture(params=SIZES, ids=lambda size: f"{size[0]}x{size[1]}")
def phone(browser: Browser, server: Running, request: pytest.FixtureRequest) -> Iterator[Page]:
    wide, high = request.param
    context = browser.new_context(
        base_url=server.address, viewport={"width": wide, "height": high}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    troubles: list[str] = []
    page.on("pageerror", lambda error: troubles.append(str(error)))
    yield page
    context.close()
    assert troubles == []


def steps(server: Running, job: str) -> Json:
    found: Json = httpx2.get(f"{server.address}/api/jobs/{job}/day", timeout=30).json()
    return found


def kit_job(server: Running, make_job: Make, kit: str) -> str:
    job = make_job("parish-hall", name="Lug hall")
    taken = httpx2.post(
        f"{server.address}/api/jobs/{job['id']}/take",
        json={"kind": "kit", "key": kit},
        headers={"if-match": '"1"'},
        timeout=30,
    )
    taken.raise_for_status()
    return str(job["id"])


def fits(page: Page) -> None:
    """Nothing scrolls either way, and no target is smaller than a thumb."""
    sizes = page.evaluate(
        "() => [...[document.documentElement, document.querySelector('.card')].flatMap((one) =>"
        " [one.scrollWidth - one.clientWidth, one.scrollHeight - one.clientHeight]),"
        " ...[...document.querySelectorAll('footer button, header button')].map((b) => 64 - b.getBoundingClientRect().height)]"
    )
    assert all(over <= 0.5 for over in sizes), sizes


def test_a_lug_kit_is_built_from_the_box_to_the_handover_with_one_thumb(
    phone: Page, server: Running, make_job: Make
) -> None:
    job = kit_job(server, make_job, "luggerline")
    day = steps(server, job)
    phone.goto(f"/day/{job}")
    seen = []
    for step in day["steps"]:
        heading = phone.get_by_role("heading", level=1)
        expect(heading).to_have_text(re.compile(re.escape(plain(step["text"])[:20])))
        seen.append(step["key"])
        if step["numbers"]:
            expect(phone.locator("figcaption").first).to_contain_text(step["numbers"][0]["label"])
        if len(seen) % 9 == 1:
            fits(phone)
        phone.get_by_role("button", name="Done", exact=True).tap()
    expect(phone.get_by_role("heading", name="Everything is said.")).to_be_visible()
    phone.wait_for_function(
        "() => Object.entries(localStorage).every(([key, rows]) => !key.startsWith('gantline.day.') || rows === '[]' || !rows.startsWith('['))"
    )
    told = {one["key"]: one["state"] for one in steps(server, job)["standings"]}
    assert told == dict.fromkeys(seen, "done")
    document = httpx2.get(f"{server.address}/api/jobs/{job}", timeout=30).json()["document"]
    assert len(document["wall"]["facts"]) == sum(key.startswith("wall/drill") for key in seen)
    assert document["hang"]["pulled"] is True


def test_a_refused_hole_a_reading_and_another_phone(
    phone: Page, server: Running, make_job: Make, browser: Browser
) -> None:
    job = str(make_job("mill-loft", name="Refused")["id"])
    phone.goto(f"/day/{job}")
    phone.get_by_role("button", name=re.compile("look")).first.tap()
    phone.get_by_text("wall", exact=True).tap()
    phone.get_by_role("button", name=re.compile("Mark and drill: upper left")).tap()
    expect(phone.get_by_role("heading", level=1)).to_have_text("Mark and drill: upper left")
    number = plain(phone.locator("figcaption").first.text_content())
    assert number.startswith("54")
    fits(phone)
    phone.get_by_role("button", name="Not possible").tap()
    phone.get_by_role("button", name="pipe or cable").tap()
    phone.wait_for_timeout(300)
    phone.goto(f"/day/{job}")
    found = httpx2.get(f"{server.address}/api/jobs/{job}", timeout=30).json()["document"]["wall"]["facts"]
    assert [(one["state"], one["why"]) for one in found] == [("blocked", "pipe or cable")]
    # the outline is read on the pad of a first phone, a second one shows it
    phone.get_by_role("button", name="Read").tap()
    phone.get_by_role("button", name="too large", exact=True).tap()
    phone.get_by_role("button", name="Keep").tap()
    phone.wait_for_timeout(300)
    said = next(one for one in steps(server, job)["standings"] if one["key"] == "height/outline")
    assert [one["read"] for one in said["readings"]] == ["too large"]
    other = browser.new_page(viewport={"width": 390, "height": 844}, base_url=server.address)
    other.goto(f"/day/{job}")
    expect(other.get_by_role("heading", level=1)).to_have_text(re.compile("Sweep the floor"))
    other.keyboard.press("PageUp")  # a pedal
    expect(other.get_by_text("too large")).to_be_visible()
    other.close()


def test_the_crews_page_is_loaded_anew_over_an_upgrade_and_stands_at_its_step(
    phone: Page, make_job: Make
) -> None:
    phone.goto(f"/day/{make_job('mill-loft', name='Upgraded')['id']}")
    phone.get_by_role("button", name=re.compile("look")).first.tap()
    phone.get_by_text("wall", exact=True).tap()
    phone.get_by_role("button", name=re.compile("Mark and drill: upper left")).tap()
    upgraded(phone)
    phone.get_by_role("button", name="Done", exact=True).tap()
    expect(phone.get_by_text("Gantline was updated.")).to_be_visible()
    phone.get_by_role("button", name="Read").tap()
    phone.clock.run_for(20_000)
    assert phone.evaluate("window.before")  # not while a number is being read off
    phone.get_by_role("button", name="Close").tap()
    loaded_anew(phone)
    expect(phone.get_by_role("heading", level=1)).to_have_text("Mark and drill: upper right")


def test_a_step_stays_in_view_while_the_server_is_away_and_what_is_tapped_is_sent_when_it_is_back(
    phone: Page, server: Running, make_job: Make
) -> None:
    job = str(make_job("mill-loft", name="Cellar")["id"])
    phone.clock.install()
    phone.goto(f"/day/{job}")
    step = steps(server, job)["steps"][0]
    heading = phone.get_by_role("heading", level=1)
    expect(heading).to_contain_text(plain(step["text"])[:20])
    phone.route("**/api/**", lambda asked: asked.abort())
    phone.clock.fast_forward(70_000)  # what is there is old by now, and asked for anew at the next look
    phone.evaluate("window.dispatchEvent(new Event('visibilitychange'))")
    for _ in range(24):  # longer than it is asked for again
        phone.clock.run_for(1500)
        phone.wait_for_timeout(20)
    expect(heading).to_contain_text(plain(step["text"])[:20])
    phone.get_by_role("button", name="Done", exact=True).tap()
    expect(phone.get_by_text("The server does not answer. 1 step is kept in this phone.")).to_be_visible()
    fits(phone)
    phone.unroute("**/api/**")
    phone.clock.run_for(4000)
    expect(phone.get_by_text("kept in this phone")).to_have_count(0)
    assert steps(server, job)["standings"][0]["state"] == "done"


def test_a_second_look_eases_two_opposite_places(phone: Page, server: Running, make_job: Make) -> None:
    job = str(make_job("narrow-lounge", name="Wave")["id"])
    phone.goto(f"/day/{job}")
    phone.get_by_role("button", name=re.compile("^look")).first.tap()
    phone.get_by_text("check", exact=True).tap()
    phone.get_by_role("button", name=re.compile("Stand it up")).tap()
    phone.get_by_role("button", name="Read").tap()
    phone.get_by_role("button", name="slack corner", exact=True).tap()
    phone.get_by_role("button", name="Next", exact=True).tap()
    phone.get_by_role("button", name="bottom right", exact=True).tap()
    phone.get_by_role("button", name="Keep").tap()
    expect(phone.get_by_role("heading", level=1)).to_have_text(re.compile("^Pull "))
    assert phone.locator("circle.now").count() == 8
    fits(phone)
    phone.get_by_role("button", name="Done", exact=True).tap()
    expect(phone.get_by_role("heading", level=1)).to_have_text(re.compile("^Look again, bottom right"))
    phone.get_by_role("button", name="Read").tap()
    phone.get_by_role("button", name="flat", exact=True).tap()
    phone.get_by_role("button", name="Next", exact=True).tap()
    phone.get_by_role("button", name="Keep").tap()
    expect(phone.get_by_role("heading", level=1)).to_have_text(re.compile("^Photograph the back"))


def test_no_light_of_the_crews_page_hides_anything_from_anybody(
    phone: Page, server: Running, make_job: Make
) -> None:
    job = str(make_job("narrow-lounge", name="Lights")["id"])
    phone.goto(f"/day/{job}")
    expect(phone.get_by_role("heading", level=1)).to_be_visible()
    three = ("dark", "light", "red")
    assert axe(phone, three) == []
    for button in ("Read", "Not possible", "^look"):
        phone.get_by_role("button", name=re.compile(button)).first.tap()
        expect(phone.get_by_role("button", name="Close")).to_be_visible()
        assert axe(phone, three) == []
        phone.get_by_role("button", name="Close").tap()


def test_the_desk_sees_what_the_crew_did_and_ticks_too(page: Page, server: Running, make_job: Make) -> None:
    job = str(make_job("narrow-lounge", name="Desk day")["id"])
    page.goto(f"/jobs/{job}/day")
    panel = page.get_by_role("complementary", name="Station", exact=True)
    expect(panel).to_contain_text("of 105 steps done")
    page.get_by_role("button", name=re.compile("Tape the frame's corners")).click()
    expect(panel).to_contain_text("1 of 105 steps done")
    page.get_by_role("textbox", name="What to do").fill("Pull the cable through the wall")
    page.get_by_role("combobox", name="Before which stretch").select_option("dry")
    panel.get_by_role("button", name="Add", exact=True).click()
    expect(panel).to_contain_text("1 of 106 steps done")
    panel.get_by_role("button", name="Record").click()
    expect(page.get_by_role("table", name="Record")).to_contain_text("Tape the frame")
    assert axe(page) == []
