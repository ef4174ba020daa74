"""From a hung screen to an aligned picture: readings typed, moves read, until nothing is left to move."""

import math
import re
from dataclasses import replace
from pathlib import Path

import cv2
import numpy as np
from playwright.sync_api import Page, expect

from gantline.core.align.moves import moves
from gantline.core.align.practice import hidden
from gantline.core.throw.pinhole import to_wall
from gantline.demo.practice import ROOMS, room
from gantline.stations import plan
from gantline.stations.align.solve import aim, panel_shares
from gantline.stations.height import centre_x_mm
from tests.browser.test_journeys import Make, unfold
from tests.conftest import demo_job
from tests.phone import Scene, Shot, photo
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
    page.get_by_role("textbox", name="Frame to the left wall end").fill("500 mm")
    page.get_by_role("textbox", name="Frame to the right wall end").fill("510 mm")
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


def test_the_picture_first_then_the_frame_where_it_stands(page: Page, make_job: Make) -> None:
    job = make_job("narrow-lounge", name="Picture first", hang={})
    page.goto(f"/jobs/{job['id']}/hang")
    expect(page.get_by_text("Put the picture on the bare wall, level")).to_be_visible()
    made = plan(demo_job("narrow-lounge"))
    there = made.ask(aim)
    assert there is not None
    for name, (x, y) in zip(CORNERS.values(), (there.target + np.array([7.0, 3.0])).tolist(), strict=True):
        page.get_by_role("textbox", name=f"{name} corner of the picture, from the left").fill(f"{x:.1f} mm")
        page.get_by_role("textbox", name=f"{name} corner of the picture, above the floor").fill(f"{y:.1f} mm")
    page.get_by_role("button", name="Keep these corners").click()
    expect(page.get_by_text(re.compile("The picture stands .* to the right of"))).to_be_visible()
    page.get_by_role("button", name=re.compile("^Hang the frame by the picture")).click()
    expect(page.get_by_text(re.compile("The picture stands"))).to_have_count(0)
    saved = page.request.get(f"/api/jobs/{job['id']}").json()["document"]["height"]
    assert abs(saved["centre_x_mm"] - (made.ask(centre_x_mm) + 7.0)) < 1.0

    page.get_by_role("link", name=re.compile("^Align")).click()
    page.get_by_role("button", name="Drag them on the board").click()
    grip = page.get_by_role("slider", name=re.compile("The picture's top left corner"))
    grip.focus()
    page.keyboard.press("Shift+ArrowLeft")  # ten millimeters, outward
    expect(page.get_by_text(re.compile("out, on it")).first).to_be_visible()
    (round_,) = page.request.get(f"/api/jobs/{job['id']}").json()["document"]["align"]["rounds"]
    assert (round_["tl_x_mm"], round_["tl_y_mm"]) == (10.0, 0.0)


def test_the_projectors_light_goes_off_from_the_wall(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft", name="Light off")
    page.goto(f"/jobs/{job['id']}/hang")
    unfold(page, "Projector")
    page.get_by_role("button", name="Ask Simulated projector").click()
    off = page.get_by_role("button", name="Power off")
    on = page.get_by_role("button", name="Power on")
    expect(on.or_(off)).to_be_visible()
    if on.is_visible():
        on.click()
        expect(page.get_by_text("warming up")).to_be_visible()
    page.get_by_role("button", name="Light off").click()
    expect(page.get_by_text("It answered that its light is off.")).to_be_visible()
    page.get_by_role("link", name=re.compile("^Align")).click()
    unfold(page, "Projector")
    page.get_by_role("button", name="Light on").click()
    page.get_by_role("button", name="Lens memory 2").click()
    expect(page.get_by_text("1.450")).to_be_visible()


def test_a_phone_on_the_ladder_chooses_what_the_projector_casts(page: Page, make_job: Make) -> None:
    job = make_job("mill-loft", name="Cast")
    page.goto(f"/jobs/{job['id']}/align")
    unfold(page, "Cast")
    code = page.get_by_text(re.compile("^[A-Z2-9]{6}$")).inner_text()
    browser = page.context.browser
    assert browser is not None
    lit = browser.new_context(base_url=page.url.split("/jobs")[0]).new_page()  # what feeds the projector
    lit.goto("/cast")
    lit.get_by_role("textbox").fill(code.lower())
    lit.keyboard.press("Enter")
    expect(lit.get_by_role("img", name="Cast: corners")).to_be_visible()
    page.get_by_role("button", name="Grid").click()
    expect(lit.get_by_role("img", name="Cast: grid")).to_be_visible()
    page.get_by_role("button", name="Wall marks").click()
    expect(page.get_by_text("4 more points of the cross, and what the tape reads there.")).to_be_visible()
    page.get_by_role("button", name="Cross", exact=True).click()
    page.get_by_role("button", name="Cross right").click()
    page.get_by_role("textbox", name="The cross, from the left wall end").fill("100")
    page.get_by_role("textbox", name="The cross, above the floor").fill("5 ft")
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text(re.compile("^1. 100″ from the left, 60″ up"))).to_be_visible()
    wall = {"p2": (0.9, 0.1, 4000, 2300), "p3": (0.9, 0.9, 4000, 700), "p4": (0.1, 0.9, 800, 700), "p5": (0.1, 0.1, 800, 2300)}  # fmt: skip
    points = [{"id": key, "u": u, "v": v, "x_mm": x, "y_mm": y} for key, (u, v, x, y) in wall.items()]
    head = page.request.get(f"/api/jobs/{job['id']}").json()
    page.request.post(
        f"/api/jobs/{job['id']}/edits",
        headers={"If-Match": f'"{head["version"]}"'},
        data={"edits": [{"pointer": "/align/cast_points", "value": points}]},
    )
    page.reload()
    unfold(page, "Cast")
    page.get_by_role("button", name="Wall marks").click()
    expect(page.get_by_text("Hole heights still need the level")).to_be_visible()
    expect(lit.get_by_text("upper left", exact=True)).to_be_visible()
    lit.close()


KEYS = {
    "turn": ("q", "e"), "tilt": ("s", "w"), "roll": ("d", "a"), "ratio": ("-", "+"),
    "shift_h": ("ArrowLeft", "ArrowRight"), "shift_v": ("ArrowDown", "ArrowUp"),
}  # fmt: skip


def test_the_trainer_is_solved_by_the_keys_alone(page: Page) -> None:
    page.add_init_script("Math.random = () => 0.3")  # the same riddle each time
    page.goto("/trainer")
    expect(page.get_by_text(re.compile("^Farthest corner"))).to_be_visible()
    page.get_by_role("button", name="Show me why").click()
    expect(page.get_by_text(re.compile("One side edge is taller than the other"))).to_be_visible()
    here = room("mill-loft")
    start = hidden(
        here.aim.straight, ROOMS["turned"].kinds, turn_deg=ROOMS["turned"].turn_deg, share=0.0, seed=300_000
    )
    for one in moves(
        start, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=here.hands
    ):
        step = {"turn": here.hands.step_mm, "tilt": here.hands.step_mm, "roll": here.hands.step_mm}.get(
            one.kind, 0.001
        )
        for _ in range(abs(round(one.amount / step))):
            page.keyboard.press(KEYS[one.kind][one.amount > 0])
    expect(page.get_by_text(re.compile(r"^Home: \d moves? in \d+ s"))).to_be_visible()
    page.get_by_role("button", name="Again").click()
    expect(page.get_by_text(re.compile("^Farthest corner"))).to_be_visible()


def test_one_photo_of_the_lit_screen_becomes_moves(page: Page, make_job: Make, tmp_path: Path) -> None:
    there = plan(demo_job("mill-loft")).ask(aim)
    assert there is not None
    pose = replace(there.straight, yaw=math.radians(0.7))
    middle, picture = there.view.mean(axis=0), demo_job("mill-loft").size
    wide, high = np.ptp(there.view, axis=0)
    aspect = there.straight.panel_aspect
    scene = Scene(
        width_mm=float(wide), height_mm=float(high), border_mm=picture.border.side_mm or 60.0,
        lit=to_wall(pose, there.uv) - middle,
        panel=panel_shares(there, aspect), panel_aspect=aspect,
    )  # fmt: skip
    taken = tmp_path / "screen.jpg"
    cv2.imwrite(str(taken), photo(scene, Shot(turn_deg=12.0, away_mm=4200.0, bend=(0.03, 0.0, 0.0, 0.0))))
    job = make_job("mill-loft", name="Photo")
    page.goto(f"/jobs/{job['id']}/align")
    page.get_by_label("Photo of the lit screen").set_input_files(taken)
    expect(page.get_by_role("img", name="The photo with the corners found in it")).to_be_visible(
        timeout=20_000
    )
    expect(page.get_by_text(re.compile(r"^Read to ± .+, 1[0-2] of 12 markers seen"))).to_be_visible()
    page.get_by_role("button", name="Keep this round").click()
    expect(
        page.get_by_text(re.compile("^Rear of the body .* to the right: its nose turns left$"))
    ).to_be_visible()
    page.get_by_label("Photo of the lit screen").set_input_files(
        {"name": "x.png", "mimeType": "image/png", "buffer": b"\x89PNG"}
    )
    expect(page.get_by_text("A JPEG or a PNG is wanted here.")).to_be_visible()
