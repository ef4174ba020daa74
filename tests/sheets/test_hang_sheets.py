"""The drilling sheet and the alignment card: what a crew reads off them is what the plan says."""

import re
from dataclasses import replace

import cv2
import numpy as np
import pytest

from gantline.job.edits import Edit
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.stations.align.solve import aim, panel_shares
from gantline.stations.common import panel_aspect
from gantline.stations.size import screen
from tests.phone import Scene, Shot, photo
from tests.sheets.test_sheets import ready, words
from tests.stations.test_hang_align import round_of


def edit(pointer: str, value: object) -> Edit:
    return Edit(pointer=pointer, value=value)


@pytest.mark.parametrize("name", ["mill-loft", "parish-hall", "narrow-lounge"])
def test_every_hole_stands_on_the_drilling_sheet_with_its_marks_bit_and_checks(name: str) -> None:
    made = ready(name)
    text, reader = words(SHEETS["drilling-sheet"].make(made))
    table = made.made.table("marks")
    for row in table.rows:
        assert row.name in text
    assert len(reader.pages) == 1
    bare = re.sub(r"[\s⁄]", "", text)  # fractions are stacked on paper
    for key in ("drill", "screw_least", "check_across"):
        assert re.sub(r"[\s⁄]", "", made.made.text(key)) in bare, key
    assert "Use a detector" in text
    assert "Set the stop on the drill" in text
    assert "Nobody under it until every latch has clicked" in text


def test_marks_on_the_sheet_are_taken_from_where_the_crew_hooks_the_tape() -> None:
    edits = [edit("/wall/across_from", "center"), edit("/wall/up_from", "ceiling")]
    text, _ = words(SHEETS["drilling-sheet"].make(ready("narrow-lounge", *edits)))
    assert "screen center, left" in text
    assert "ceiling above it, down" in text
    assert "left wall end" not in text


def test_a_stop_leaves_no_mark_to_drill_by_on_the_sheet() -> None:
    made = ready("mill-loft", edit("/wall/way", "wire"))  # too heavy for a wire
    text, _ = words(SHEETS["drilling-sheet"].make(made))
    assert "Stop" in text
    assert "kg is the most" in text


def test_shims_torque_and_drilled_holes_are_on_it() -> None:
    holes = ready("parish-hall").made.table("marks").rows
    first = holes[0]
    done = {"hole": first.key, "state": "drilled", "x_mm": first.x_mm, "y_mm": first.y_mm}
    made = ready(
        "parish-hall", edit("/wall/torque", "hand-tight, then a quarter"), edit("/wall/facts/-", done)
    )
    text, _ = words(SHEETS["drilling-sheet"].make(made))
    assert "hand-tight, then a quarter" in text
    for one in made.made.table("flat").shims:
        if one.thick != "none":
            assert one.thick.replace("\u00a0", " ") in text


def test_the_card_has_acts_checks_moves_and_rounds_and_waits_for_readings() -> None:
    empty, _ = words(SHEETS["alignment-card"].make(ready("narrow-lounge")))
    assert "write the eight numbers here" in empty
    assert "Put the picture on the bare wall" in empty  # a projector on its cabinet sets the picture first
    assert "Do not look into the lens" in empty
    hung = {"level_mm": 4.0, "gap_left_mm": 500.0, "gap_right_mm": 500.5}
    read = {key: value for key, value in round_of("mill-loft", yaw=0.6, pitch=-0.3).items() if key != "id"}
    made = ready("mill-loft", edit("/hang/readings/-", hung), edit("/align/rounds/-", read | {"who": "Oda"}))
    text, _ = words(SHEETS["alignment-card"].make(made))
    for one in made.made.table("align").moves:
        assert one.text.split(" ")[0] in text
        assert one.after[0] in text
    assert "down in its slot" in text
    assert "Oda" in text
    assert "Read again first" not in text
    done = {key: value for key, value in round_of("mill-loft").items() if key != "id"}
    text, _ = words(SHEETS["alignment-card"].make(ready("mill-loft", edit("/align/rounds/-", done))))
    assert "Aligned. Every corner is within" in text


def test_fixings_shims_and_what_holds_the_bottom_are_on_the_shopping_list() -> None:
    def names(name: str, *edits: Edit) -> str:
        return SHEETS["materials"].make(ready(name, *edits)).decode()

    assert re.search(r"shims, \d mm", names("parish-hall"))
    cleat = names("mill-loft", edit("/wall/way", "cleat"), edit("/wall/name", None))
    assert "beveled cleat, both pieces, wall piece" in cleat
    assert "pads for the bottom corners" in cleat
    rods = names("mill-loft", edit("/wall/way", "rods"), edit("/wall/name", None))
    assert "hanging rods with turnbuckles,2" in rods.replace('"', "")
    own = names(
        "mill-loft",
        edit("/wall/fixing", "own"),
        edit("/wall/anchor_name", "coach screws"),
        edit("/wall/screws", None),
    )
    assert "coach screws" in own


def photographed(made: JobPlan) -> bytes:
    """The lit screen of a job as a phone sees it from the left."""
    there, own = made.ask(aim), made.ask(screen)
    assert there is not None
    aspect = float(made.ask(panel_aspect))
    scene = Scene(
        width_mm=own.picture.width_mm,
        height_mm=own.picture.height_mm,
        border_mm=own.border.side_mm,
        lit=there.target - there.view.mean(axis=0),
        panel=panel_shares(there, aspect),
        panel_aspect=aspect,
    )
    image = photo(scene, Shot(turn_deg=18.0))
    return bytes(cv2.imencode(".jpg", image)[1])


def test_the_photo_of_a_round_stands_on_the_card_with_its_corners_drawn_in() -> None:
    round_ = {**round_of("mill-loft", yaw=0.5), "photo": "p1"}
    gone = {**round_of("mill-loft"), "id": "r2", "photo": "gone"}
    made = ready("mill-loft", edit("/align/rounds", [round_, gone]))
    jpeg = photographed(made.made)
    asked: list[str] = []

    def kept(key: str) -> bytes | None:
        asked.append(key)
        return jpeg if key == "p1" else None

    text, reader = words(SHEETS["alignment-card"].make(replace(made, photo=kept)))
    assert asked == ["p1", "gone"]
    assert "Round 1, by photo" in text
    assert "Round 2, by photo" not in text
    (data,) = {one.data for page in reader.pages for one in page.images}
    drawn = cv2.imdecode(np.frombuffer(data, np.uint8), cv2.IMREAD_COLOR)
    assert drawn is not None
    assert drawn.shape[1] == 1000
    # gray but for the two outlines: the frame's is warm, the picture's is cool
    warm = (drawn[:, :, 2].astype(int) - drawn[:, :, 0] > 120).sum()
    cool = (drawn[:, :, 0].astype(int) - drawn[:, :, 2] > 80).sum()
    assert min(warm, cool) > 1000
