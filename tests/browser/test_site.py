"""On site: a photo put on a step, waves taken from a photo, a list of points as the leaflet has it, two trips, swatches, two photos."""

import io
import math
import re
from collections.abc import Iterator
from dataclasses import replace
from pathlib import Path
from typing import Any

import cv2
import httpx2
import numpy as np
import pytest
from PIL import Image as Picture
from playwright.sync_api import Browser, FilePayload, Page, expect

from gantline.core.throw.pinhole import to_wall
from gantline.demo.practice import ROOMS
from gantline.stations import plan
from gantline.stations.align.solve import aim, panel_shares
from tests.browser.conftest import axe
from tests.browser.test_journeys import Make
from tests.conftest import demo_job
from tests.phone import Scene, Shot, photo
from tests.running import Running
from tests.vision.test_waves import CORNERS, UPRIGHT, taken


@pytest.fixture
def phone(browser: Browser, server: Running) -> Iterator[Page]:
    context = browser.new_context(
        base_url=server.address, viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    troubles: list[str] = []
    page.on("pageerror", lambda error: troubles.append(str(error)))
    yield page
    context.close()
    assert troubles == []


def camera(color: tuple[int, int, int] = (180, 40, 40)) -> bytes:
    out = io.BytesIO()
    Picture.new("RGB", (1600, 1200), color).save(out, "JPEG")
    return out.getvalue()


def test_a_photo_that_the_crew_puts_on_a_step_is_seen_at_the_desk_with_the_step_it_is_of(
    phone: Page, page: Page, make_job: Make
) -> None:
    job = str(make_job("narrow-lounge", name="Photographed")["id"])
    phone.goto(f"/day/{job}")
    step = phone.get_by_role("heading", level=1).inner_text()
    phone.get_by_label("Photo of this step").set_input_files(
        {"name": "step.jpg", "mimeType": "image/jpeg", "buffer": camera()}
    )
    expect(phone.get_by_text("Photo ✓ 1, one more")).to_be_visible(timeout=30_000)
    phone.get_by_label("Photo of this step").set_input_files(
        {"name": "x.png", "mimeType": "image/png", "buffer": b"\x89PNG"}
    )
    expect(phone.get_by_text("A JPEG or a PNG is wanted here.")).to_be_visible()
    page.goto(f"/jobs/{job}/day")
    page.get_by_role("button", name="Record").click()
    shown = page.get_by_role("region", name="Photos of the day")
    expect(shown.get_by_role("img", name=step)).to_be_visible()
    page.wait_for_function(
        "() => document.querySelector('[aria-label=\"Photos of the day\"] img').naturalWidth === 1600"
    )
    shown.get_by_role("button", name=re.compile("^Remove the photo")).click()
    expect(shown.get_by_text("removed by office")).to_be_visible()


def test_waves_are_taken_from_a_photo_by_its_corners_and_one_is_taken_out(
    page: Page, make_job: Make, tmp_path: Path
) -> None:
    job = make_job("narrow-lounge", name="Grazed")
    file = tmp_path / "sheet.jpg"
    cv2.imwrite(str(file), taken([(UPRIGHT, 2.0), (((300.0, 200.0), (700.0, 900.0)), 1.0)]))
    page.goto(f"/bench/{job['id']}?tab=wrinkles")
    page.get_by_role("button", name="from the front").click()
    page.get_by_label("Photo of the sheet").set_input_files(file)
    propose = page.get_by_role("button", name="Propose the waves")
    expect(propose).to_be_visible(timeout=30_000)
    names = ("top left", "top right", "bottom right", "bottom left")
    for name, wanted in zip(names, CORNERS * 2000.0 / 2300.0, strict=True):
        corner = page.get_by_role("button", name=re.compile(f"^Corner, {name}"))
        corner.focus()
        here = [float(part) for part in (corner.get_attribute("aria-label") or "").split(": ")[1].split(", ")]
        keys = (("ArrowLeft", "ArrowRight"), ("ArrowUp", "ArrowDown"))
        for (less, more), by in zip(keys, np.asarray(wanted) - here, strict=True):
            key = more if by > 0.0 else less
            for _ in range(int(abs(by) // 20)):
                page.keyboard.press(f"Shift+{key}")
            for _ in range(round(abs(by) % 20 / 3)):
                page.keyboard.press(key)
    assert axe(page) == []
    propose.click()
    expect(page.get_by_text("Waves drawn: 2. Take out each that is only a shadow.")).to_be_visible(
        timeout=30_000
    )
    drawn = page.get_by_role("list", name="What is drawn")
    expect(drawn.get_by_role("listitem")).to_have_count(2)
    drawn.get_by_role("button", name="Take wave 2 out").click()
    expect(drawn).to_have_count(0)  # one alone is taken back by its own key
    expect(page.get_by_role("button", name="What is it?")).to_be_enabled()


def test_the_leaflets_own_list_of_points_is_the_order_and_a_wrong_number_is_said(
    page: Page, make_job: Make, server: Running
) -> None:
    job = str(make_job("narrow-lounge", name="Own list")["id"])
    page.goto(f"/jobs/{job}/tension")
    page.get_by_role("button", name=re.compile("^Order of the crew or the kit")).click()
    page.get_by_role("button", name="Write Own order of points").click()
    field = page.get_by_role("textbox", name="Own order of points")
    field.fill("12+11, 400")
    page.keyboard.press("Control+Enter")
    expect(page.get_by_text("400 is no point of this frame")).to_be_visible()
    count = int(
        next(
            one["value"]
            for one in httpx2.get(f"{server.address}/api/jobs/{job}", timeout=30).json()["plan"]["figures"]
            if one["key"] == "points"
        )
    )
    every = [number for number in range(1, count + 1) if number not in (7, 8)]
    listed = ("7+8\n" + "\n".join(map(str, every))).encode()
    order: FilePayload = {"name": "order.csv", "mimeType": "text/csv", "buffer": listed}
    page.get_by_label("Own order of points, from a file").set_input_files(order)
    expect(page.get_by_text("400 is no point of this frame")).to_have_count(0)
    lead = page.locator("[aria-live=polite]").filter(has_text="step 1 of")
    expect(lead).to_contain_text("Own order")
    expect(lead).to_contain_text("7")
    expect(page.get_by_text(re.compile("straight across comes .* steps after it"))).to_be_visible()


def test_a_day_in_two_trips_drills_on_the_first_and_packs_for_it(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft", name="Two trips")
    page.goto(f"/jobs/{job['id']}/day")
    stretches = page.get_by_role("tablist", name=re.compile("^Stretches of the day"))
    expect(stretches.get_by_role("tab").first).to_be_visible()
    expect(page.get_by_text("2nd trip")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Trips to the room: (?!assumed|decided)")).click()
    page.get_by_role("menuitemradio", name=re.compile("^two")).or_(
        page.get_by_role("menuitem", name=re.compile("^two"))
    ).first.click()
    expect(page.get_by_text("2nd trip")).to_be_visible()
    names = stretches.get_by_role("tab").all_inner_texts()
    assert [name.split("\n")[0] for name in names[:2]] == ["look", "wall"]
    expect(page.get_by_text(re.compile("^A second person is needed for"))).to_be_visible()
    page.get_by_role("button", name="Bag").click()
    bag = page.get_by_role("list", name="The bag").inner_text()
    assert "stapler" not in bag  # the fabric is of the second trip
    assert "drill" in bag


def test_swatches_seen_in_the_room_stand_beside_the_numbers_of_the_fabrics(
    page: Page, make_job: Make
) -> None:
    job = make_job("mill-loft", name="Swatches")
    page.goto(f"/jobs/{job['id']}/light")
    page.get_by_role("button", name=re.compile("^Swatches seen in the room")).click()
    page.get_by_role("button", name="best").click()
    expect(page.get_by_text("Say which fabric the swatch is of.")).to_be_visible()
    page.get_by_label("Swatch of").fill("Heron acoustic weave")
    page.get_by_label("Seen in the light").select_option("evening")
    page.get_by_role("button", name="best").click()
    kept = page.get_by_role("list", name="Swatches seen in the room")
    expect(kept.get_by_role("listitem")).to_contain_text("Heron acoustic weave, evening: best")
    page.get_by_role("tab", name="Fabrics ranked").click()
    expect(page.get_by_text(re.compile("[Ss]een,? evening")).first).to_be_visible(timeout=30_000)
    kept.get_by_role("button", name=re.compile("^Remove the swatch")).click()
    expect(kept.get_by_role("listitem")).to_have_count(0)


def lit(turn_deg: float, shift: float = 0.0) -> bytes:
    """A photo of the mill loft's screen with its body turned, taken from one side; shift: the body pushed aside since [mm]."""
    there = plan(demo_job("mill-loft")).ask(aim)
    assert there is not None
    pose = replace(there.straight, yaw=math.radians(0.7), lens_x_mm=there.straight.lens_x_mm + shift)
    wide, high = np.ptp(there.view, axis=0)
    aspect = there.straight.panel_aspect
    border = demo_job("mill-loft").size.border.side_mm or 60.0
    scene = Scene(
        width_mm=float(wide), height_mm=float(high), border_mm=border, lit=to_wall(pose, there.uv) - there.view.mean(axis=0),
        panel=panel_shares(there, aspect), panel_aspect=aspect,
    )  # fmt: skip
    image = photo(scene, Shot(turn_deg=turn_deg, away_mm=4200.0, bend=(0.03, 0.0, 0.0, 0.0)))
    return cv2.imencode(".jpg", image)[1].tobytes()


def test_photos_of_one_state_are_read_together_and_one_of_another_state_is_named(
    page: Page, make_job: Make
) -> None:
    def jpeg(content: bytes) -> Any:
        return {"name": "screen.jpg", "mimeType": "image/jpeg", "buffer": content}

    job = make_job("mill-loft", name="Two photos")
    page.goto(f"/jobs/{job['id']}/align")
    page.get_by_label("Photo of the lit screen").set_input_files(jpeg(lit(12.0)))
    more = page.get_by_label("One more photo of the same state")
    expect(page.get_by_text(re.compile("^Read to ±"))).to_be_visible(timeout=40_000)
    more.set_input_files(jpeg(lit(-15.0)))
    expect(page.get_by_text(re.compile("^2 photos together read to ±"))).to_be_visible(timeout=60_000)
    more.set_input_files(jpeg(lit(4.0, shift=25.0)))
    expect(page.get_by_text(re.compile("^Photo 3 differs from the others by up to"))).to_be_visible(
        timeout=60_000
    )
    page.get_by_role("button", name="Leave photo 3 out").click()
    expect(page.get_by_text(re.compile("^2 photos together read to ±"))).to_be_visible(timeout=60_000)
    page.get_by_role("button", name="Keep this round").click()
    expect(page.get_by_text(re.compile("its nose turns left$"))).to_be_visible()


def test_a_room_told_by_numbers_shows_no_picture_until_it_is_home(page: Page) -> None:
    page.add_init_script("Math.random = () => 0.3")
    page.goto("/trainer")
    for key in ("numbers", "photo"):
        page.get_by_role("button", name=ROOMS[key].name).click()
        expect(page.get_by_text(re.compile("^Farthest corner"))).to_be_visible()
        expect(page.get_by_role("img", name="The picture, off the frame")).to_have_count(0)
        assert axe(page) == []
    expect(page.get_by_role("img", name="A photo of the lit screen, its corners enlarged")).to_be_visible()
    expect(page.get_by_text("sideways")).to_have_count(0)  # no number tells what the photo is there to tell
    page.get_by_role("button", name=ROOMS["numbers"].name).click()
    expect(page.get_by_text("sideways")).to_have_count(4)
