"""Rooms, seats and fabric: what stands behind, who sits where, who is outside the cone, where new things land."""

from itertools import combinations
from typing import Any

import numpy as np
import pytest

from gantline.compare.sizes import size_table
from gantline.core.errors import OutOfRange
from gantline.core.light.lobe import FabricKind, Layers, Lobe, gain_at
from gantline.drawing.marks import Dot
from gantline.job.file import read_job
from gantline.job.problems import BadDocument
from gantline.sheets.proposal import proposal
from gantline.sheets.sheet import Ready
from gantline.stations import face, plan
from gantline.stations.height import placement, rect_of_frame
from gantline.stations.light.solve import light_model, seen
from gantline.stations.survey import main_seat, seats
from gantline.stations.tension import tension_points
from tests.conftest import demo_job
from tests.made import by_key, changed, edited, findings, number, taken
from tests.sheets.test_sheets import words

SPEAKER: dict[str, Any] = {"id": "ls", "kind": "loudspeaker", "name": "center", "x_mm": 2900, "y_mm": 2000, "z_mm": 0, "width_mm": 600, "height_mm": 500, "depth_mm": 250}  # fmt: skip


def test_what_stands_behind_the_fabric_does_not_bound_the_frame_but_must_fit_there() -> None:
    bare = changed("parish-hall", survey__boxes=[], light__fabric__acoustic=True, frame__standoff_mm=300.0)
    behind = edited(bare, {"/survey/boxes/-": SPEAKER})
    assert plan(behind).ask(placement).top_mm == plan(bare).ask(placement).top_mm
    assert "behind-too-deep" not in findings(behind)
    assert by_key(face(plan(behind), "front"))["behind-ls"].role == "behind"  # type: ignore[union-attr]
    shallow = edited(behind, {"/frame/standoff_mm": 20.0})
    found = findings(shallow)["behind-too-deep"]
    depth = shallow.frame.depth_mm or 0.0
    assert found.numbers["out_mm"] == pytest.approx(250 - 20 - depth)
    assert "behind-too-deep" not in findings(taken(shallow, found.cures[0].changes))
    closed = edited(shallow, {"/light/fabric/acoustic": False})
    assert "behind-too-deep" not in findings(closed)  # then it is in the way, as before
    assert (
        plan(closed).ask(placement).height.low.key == "furniture" or not plan(closed).ask(placement).possible
    )


def test_one_rule_says_who_sits_in_the_main_seat() -> None:
    too_near = {"id": "n", "x_mm": 3000, "from_wall_mm": 310}
    two = [too_near, {"id": "b", "x_mm": 3000, "from_wall_mm": 5000}]
    job = changed("parish-hall", frame__standoff_mm=250.0, survey__seats=two)
    ask = plan(job).ask
    lead = ask(main_seat)
    assert lead is not None
    assert lead.id == "b"
    assert [one.id for one in ask(seats) if one.main] == ["b"]


@pytest.mark.parametrize(
    ("document", "says"),
    [
        ({"survey": {"seats": [{"id": "a", "name": "Ada", "x_mm": 1, "from_wall_mm": 3000, "main": True}, {"id": "b", "name": "Bo", "x_mm": 2, "from_wall_mm": 3000, "main": True}]}}, "Ada and Bo"),
        ({"light": {"states": [{"id": "a", "name": "dusk"}, {"id": "b", "name": "dusk"}]}}, "called dusk"),
    ],
)  # fmt: skip
def test_what_is_there_twice_is_refused_by_its_name(document: dict[str, Any], says: str) -> None:
    with pytest.raises(BadDocument, match=says):
        read_job({"name": "x", **document})


def test_two_seats_on_one_spot_are_refused_when_they_come_about_and_found_in_an_old_file() -> None:
    there = [{"id": "a", "name": "Ada", "x_mm": 1000, "from_wall_mm": 3000}]
    job = changed("parish-hall", survey__seats=there)
    with pytest.raises(BadDocument, match="Ada and Seat 2"):
        edited(job, {"/survey/seats/-": {"x_mm": 1000, "from_wall_mm": 3000}})
    old = read_job(
        {"name": "old", "survey": {"seats": [*there, {"id": "b", "x_mm": 1000, "from_wall_mm": 3000}]}}
    )
    assert "seats-on-one-spot" in findings(old)
    assert edited(old, {"/name": "still open"}).name == "still open"


def test_every_seat_outside_the_cone_is_named_with_what_it_sees() -> None:
    job = changed(
        "mill-loft",
        light__fabric__kind="retro-reflective",
        light__fabric__gain=1.6,
        light__fabric__half_gain_deg=15.0,
    )
    made = plan(job)
    light, model = made.ask(seen), made.ask(light_model)
    assert light is not None
    assert model is not None
    shares = light.luminance[:, 0] * np.pi * model.area_m2 / model.flux_lm / 1.6
    named = {one.name for one, share in zip(made.ask(seats), shares, strict=True) if share < 0.5}
    assert named
    text = findings(job)["seats-outside-cone"].text
    assert {one.name for one in made.ask(seats) if f"{one.name} " in text} == named


def test_a_dark_layer_behind_adds_what_passes_the_front_twice() -> None:
    both = Layers(front_back=0.3, front_through=0.5, behind_back=0.2, behind_through=0.4)
    assert (both.added, both.lost) == pytest.approx((0.05, 0.2))
    lobe = Lobe(kind=FabricKind.DIFFUSE, gain=0.4, half_gain_deg=40.0, layer=both.added)
    assert gain_at(lobe, np.array([0.0, 40.0])) == pytest.approx([0.45, 0.25])
    with pytest.raises(OutOfRange):
        Layers(front_back=0.7, front_through=0.5, behind_back=0.0, behind_through=0.0)
    one = changed(
        "parish-hall",
        light__fabric__gain=0.5,
        light__fabric__half_gain_deg=None,
        light__fabric__front_transmission=None,
    )
    two = edited(one, {"/light/fabric/front_transmission": 0.4, "/light/fabric/back_gain": 0.25})
    assert number(plan(two), "luminance") / number(plan(one), "luminance") == pytest.approx(0.54 / 0.5)


def test_the_roll_is_checked_without_a_projector_with_the_frames_own_overlap() -> None:
    job = read_job(
        {
            "name": "x",
            "size": {"value_mm": 2540, "aspect": "16:9"},
            "light": {"fabric": {"roll_mm": 1400}},
            "tension": {"hold": "spring", "overlap_mm": 90},
        }
    )
    needed = 2540 * 9 / 337**0.5 + 2 * 90
    assert findings(job)["roll-cut"].numbers["short_mm"] == pytest.approx(needed - 1400)


def test_nothing_is_advised_on_studs_nobody_found() -> None:
    fresh = read_job(
        {
            "name": "x",
            "size": {"value_mm": 2540},
            "survey": {"stud_spacing_mm": None, "build": "studs"},
            "wall": {"side_play_mm": 0, "way": "brackets"},
        }
    )
    found = findings(fresh).get("no-stud-pair")
    assert found is not None
    assert found.severity == "check"
    assert found.cures == ()
    assert "No stud pair" not in size_table(plan(fresh).ask).advice
    known = edited(
        fresh,
        {"/survey/stud_first_mm": 200.0, "/survey/stud_spacing_mm": 600.0, "/survey/wall_width_mm": 4500.0},
    )
    assert findings(known)["no-stud-pair"].severity == "stop"


def test_stations_without_a_result_bear_no_tick() -> None:
    begun = {one.key: one.begun for one in plan(read_job({"name": "x", "size": {"value_mm": 2540}})).states}
    assert begun == {
        "survey": False,
        "size": True,
        "light": False,
        "height": True,
        "throw": False,
        "wall": True,
        "tension": False,
        "frame": False,
        "trim": False,
        "hang": False,
        "align": False,
        "day": False,
    }
    assert not next(one.begun for one in plan(demo_job("basement-den")).states if one.key == "wall")


def test_new_seats_and_things_land_where_nothing_is_and_furniture_not_under_the_screen() -> None:
    job = read_job(
        {"name": "x", "size": {"value_mm": 2540}, "survey": {"wall_width_mm": 4200, "room_depth_mm": 6000}}
    )
    for _ in range(9):
        job = taken(job, plan(job).table("seat_list").additions[0].changes)
    spots = [(one.x_mm, one.from_wall_mm) for one in job.survey.seats]
    assert all(abs(a[0] - b[0]) > 300 or abs(a[1] - b[1]) > 300 for a, b in combinations(spots, 2))
    assert len({z for _, z in spots}) > 1
    for kind in ("furniture", "furniture", "loudspeaker", "furniture"):
        addition = next(one for one in plan(job).table("box_list").additions if one.kind == kind)
        job = taken(job, addition.changes)
    left, _, right, _ = plan(job).ask(rect_of_frame)
    boxes = job.survey.boxes
    for one in boxes:
        assert (one.z_mm or 0.0) > 1000 or one.x_mm >= right or one.x_mm + one.width_mm <= left, one
    for a, b in combinations(boxes, 2):
        apart = [
            a.x_mm + a.width_mm <= b.x_mm,
            b.x_mm + b.width_mm <= a.x_mm,
            (a.z_mm or 0) + a.depth_mm <= (b.z_mm or 0),
            (b.z_mm or 0) + b.depth_mm <= (a.z_mm or 0),
        ]
        assert any(apart)
    assert plan(job).figures["lowest_edge"].known == "assumed"
    assert all(job.known[f"/survey/boxes/{one.id}/x_mm"] == "assumed" for one in boxes)


def test_the_proposal_of_a_job_without_seats_gives_a_real_reason() -> None:
    job = edited(demo_job("mill-loft"), {"/survey/seats": []})
    text, _ = words(proposal(Ready(made=plan(job), stamp="v1")))
    assert "no seat surveyed" in text
    assert "measure before" not in text.lower()


def test_the_tape_hooks_on_the_edge_that_is_there_before_the_trim() -> None:
    bare, trimmed = plan(demo_job("narrow-lounge")), plan(changed("narrow-lounge", frame__trim_mm=20.0))
    last = {key: made.ask(tension_points) for key, made in (("bare", bare), ("trimmed", trimmed))}
    tops = {
        key: [p for p in points if not isinstance(p, str) and p.side == "top"] for key, points in last.items()
    }
    assert tops["bare"][-1].reading_mm - tops["trimmed"][-1].reading_mm == pytest.approx(40.0)
    drawn = by_key(face(trimmed, "back"))
    ends = [drawn[f"point-{tops['trimmed'][at].number}"] for at in (0, -1)]
    left, right = (one.at[0] for one in ends if isinstance(one, Dot))
    assert left + right == pytest.approx(number(trimmed, "overall_width"))  # still in the middle of the frame


def test_a_seat_moved_by_a_sixteenth_of_an_inch_is_no_second_row() -> None:
    sofa = demo_job("narrow-lounge").model_dump(mode="json")["survey"]["seats"]
    sofa[0]["from_wall_mm"] -= 25.4 / 16
    stool = {"id": "s9", "name": "Stool", "x_mm": 150.0, "from_wall_mm": 1525.0}
    for sitting in (sofa, [*sofa, stool]):
        made = plan(changed("narrow-lounge", survey__seats=sitting))
        assert not made.stops and "head-beside" not in {one.code for one in made.findings}
    # straight ahead, a head a meter and a half nearer: no height helps under this ceiling; one move aside does
    ahead = sofa[1] | {
        "id": "s9",
        "name": "Stool",
        "main": None,
        "from_wall_mm": sofa[1]["from_wall_mm"] - 700.0,
    }
    job = changed("narrow-lounge", survey__seats=[*sofa, ahead])
    stop = findings(job)["height-clash"]
    assert "Any lower, the head at Stool hides the lower edge from Sofa middle." in stop.text
    aside = next(one for one in stop.cures if one.text.startswith("Move Stool"))
    assert "height-clash" not in findings(taken(job, aside.changes))


def test_things_of_one_name_are_told_apart_wherever_they_are_named() -> None:
    lamp = {
        "kind": "pendant",
        "y_mm": 1500.0,
        "z_mm": 2400.0,
        "width_mm": 300.0,
        "height_mm": 300.0,
        "depth_mm": 300.0,
    }
    boxes = [lamp | {"x_mm": x} for x in (2200.0, 2600.0)] + [lamp | {"x_mm": 200.0, "name": "lantern"}]
    made = plan(changed("mill-loft", survey__boxes=boxes))
    assert [row.name for row in made.table("box_list").rows] == ["pendant 1", "pendant 2", "lantern"]
    said = " ".join(finding.text for finding in made.findings if "pendant" in finding.text)
    assert "pendant 1" in said and "pendant 2" in said
