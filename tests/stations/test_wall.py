"""The wall: no hole in the wrong place, none that does not exist, and what is printed adds up."""

import csv
import io
import re
from typing import Any
from xml.etree import ElementTree

import ezdxf
import pytest
from hypothesis import given

from gantline.core.typed_length import read_length
from gantline.core.units import plain, read_tape
from gantline.core.wall.bands import crosses
from gantline.core.wall.brackets import BracketRule, place_on_studs
from gantline.core.wall.studs import StudLattice
from gantline.drawing.marks import Dimension, Dot, Label
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.job.problems import BadDocument
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.stations import face, plan
from gantline.stations.size import screen
from gantline.stations.survey import bands, lattice
from gantline.stations.wall import drilling
from gantline.stations.wall.choose import candidates
from gantline.stations.wall.loads import hole_loads
from gantline.stations.wall.way import cleat_place, on_studs
from tests.conftest import demo_job
from tests.made import by_key, changed, edited, findings, number, taken
from tests.plan.random_jobs import rich_jobs

INCH = 25.4
OUTLET = {"id": "o", "kind": "outlet", "name": "stage outlet", "x_mm": 2200.0, "y_mm": 300.0, "width_mm": 80.0, "height_mm": 120.0}  # fmt: skip


def in_band() -> JobPlan:
    return plan(changed("parish-hall", survey__fittings=[OUTLET]))


def test_a_hole_in_a_band_has_no_clean_mark_on_anything_that_leaves_the_program() -> None:
    made = in_band()
    ready = Ready(made=made, stamp="v1")
    assert [one.key for one in made.refused[0]] == ["upper-left", "upper-left-s2", "lower-left"]
    assert {"hole_left", "hole-left", "across", "check_down"} <= made.refused[1]
    assert not {"hole_right", "hole-right", "upper_row", "lower_row"} & made.refused[1]
    rows = list(csv.DictReader(io.StringIO(SHEETS["marks"].make(ready).decode())))
    refused = [row for row in rows if row["do_not_drill"]]
    assert [row["hole"] for row in refused] == ["upper left", "upper left screw 2", "lower left"]
    assert not any(value for row in refused for key, value in row.items() if key.endswith(("_mm", "_tape")))
    space = ezdxf.read(io.StringIO(SHEETS["frame-and-holes"].make(ready).decode())).modelspace()  # type: ignore[attr-defined]
    on = [one for one in space if one.dxf.layer == "DO_NOT_DRILL"]
    assert sum(one.dxftype() == "CIRCLE" for one in on) == 3
    said = [one.dxf.text for one in on if one.dxftype() == "TEXT"]
    assert "DO NOT DRILL: upper left, upper left screw 2, lower left" in said
    assert sum(one.dxftype() == "CIRCLE" and one.dxf.layer == "HOLES" for one in space) == 5
    svg = "".join(ElementTree.fromstring(SHEETS["wall-drawing"].make(ready)).itertext())
    assert "DO NOT DRILL: upper left" in svg
    drawn = by_key(face(made, "front"))
    assert {drawn[f"hole-{row}-left"].role for row in ("upper", "lower")} == {"hole-refused"}  # type: ignore[union-attr]
    assert not {"hole-left", "load-upper-left"} & drawn.keys()
    assert {"hole-right", "load-upper-right"} <= drawn.keys()
    assert any(key.startswith("band-hit") for key in drawn)
    assert sum(isinstance(one, Label) and one.text == "do not drill" for one in drawn.values()) == 3


@pytest.mark.parametrize(
    ("edits", "code", "refused"),
    [
        ({"/size/value_mm": 9000.0}, "wider-than-wall", True),
        ({"/throw/lens_from_wall_mm": 2000.0}, "lens-outside-window", True),
        (
            {"/size/lead": "angle", "/size/angle_deg": 30.0, "/throw/lens_from_wall_mm": 2000.0},
            "lens-outside-window",
            True,
        ),
        ({"/light/fabric/roll_mm": 1200.0}, "roll-cut", False),
    ],
)
def test_a_stop_refuses_the_holes_that_rest_on_what_it_is_about(
    edits: dict[str, Any], code: str, refused: bool
) -> None:
    made = plan(edited(changed("parish-hall"), edits))
    assert code in {one.code for one in made.findings if one.severity == "stop"}
    there = made.ask(drilling)
    assert len(made.refused[0]) == (len(there.holes) if refused and there else 0)


@given(rich_jobs())
def test_wherever_something_stops_size_or_height_no_hole_is_clean(job: Job) -> None:
    made = plan(job)
    there = made.ask(drilling)
    stopped = {one.station for one in made.findings if one.severity == "stop"}
    if there and stopped & {"survey", "size", "height"}:
        assert len(made.refused[0]) == len(there.holes)
    if not stopped:
        assert made.refused == ((), frozenset())
    drawn = [one for one in face(made, "front").marks if isinstance(one, Dot) and one.role == "hole"]
    assert len(drawn) == len(there.holes if there else ()) - len(made.refused[0])


@pytest.mark.parametrize("spacing", [28, 32, 43, 32.5, 54, 58, 64])
def test_a_kits_spacing_on_studs_is_kept_or_refused_aloud(spacing: float) -> None:
    wall = {
        "/survey/wall_width_mm": 150 * INCH, "/survey/stud_first_mm": 11 * INCH, "/survey/stud_spacing_mm": 16 * INCH,
        "/survey/fittings": [], "/size/lead": "diagonal", "/size/value_mm": 113 * INCH, "/size/aspect": "16:9",
        "/wall/side_play_mm": 6 * INCH, "/wall/rule": "fixed", "/wall/spacing_mm": spacing * INCH, "/height/centre_x_mm": None,
        "/wall/per_bracket": 2,  # in a backer a screw holds with half a stud's depth
    }  # fmt: skip
    job = edited(changed("mill-loft", size__tidy=None), wall)
    made, found = plan(job), findings(job).get("kit-spacing")
    if spacing in (32, 32.5, 64):
        assert found is None
        assert number(made, "spacing") == pytest.approx(spacing * INCH)
        there = made.ask(drilling)
        assert there is not None
        # within the wood of a 1 1/2 in stud, 10 mm clear of its edge: 11 + 16 k
        off = [((hole.x_mm / INCH - 11 + 8) % 16) - 8 for hole in there.holes]
        assert max(map(abs, off)) * INCH <= 19.05 - 10 + 1e-6
    else:
        assert "hole_left" not in made.figures
        assert found is not None
        assert found.severity == "stop"
        backer = next(one for one in found.cures if "backer" in one.text)
        cured = plan(taken(job, backer.changes))
        assert number(cured, "spacing") == pytest.approx(spacing * INCH)


@pytest.mark.parametrize("way", ["cleat", "rods", "wire", "top-brackets"])
def test_there_are_no_lower_holes_where_the_way_of_hanging_has_none(way: str) -> None:
    made = plan(changed("mill-loft", wall__way=way))
    there = made.ask(drilling)
    assert there is not None
    assert {hole.row for hole in there.holes} == {"upper"}
    assert not {"lower_row", "check_down", "check_diagonal", "row_offset"} & set(made.figures)
    assert "row-lower" not in by_key(face(made, "front"))
    assert [one.key for one in made.table("tape").windows] == [
        "hole_left",
        "center",
        "hole_right",
        "upper_row",
    ]


def test_any_known_stud_gives_the_same_wall() -> None:
    walls = {
        StudLattice(
            known_mm=14.375 * INCH + k * 406.4, spacing_mm=406.4, stud_mm=38, wall_mm=161 * INCH
        ).centres_mm
        for k in range(9)
    }
    assert len({tuple(round(x, 6) for x in one) for one in walls}) == 1
    one = next(iter(walls))
    assert one[0] < 406.4
    assert one[-1] > 161 * INCH - 406.4
    asked = BracketRule(frame_mm=110 * INCH, wished_mm=70 * INCH, play_mm=100, centre_share=0.2, inset_mm=60)
    assert place_on_studs(asked, 80.5 * INCH, one).best is not None


@given(rich_jobs())
def test_what_is_printed_adds_up(job: Job) -> None:
    made = plan(job)
    there, units = made.ask(drilling), job.units.to_core()
    if there is None:
        return

    def read(length: float) -> float:
        return read_tape(length, units).read_mm

    left, right = there.ends
    across = read(right.from_left_mm) - read(left.from_left_mm)
    assert number(made, "check_across") == pytest.approx(across)
    lower = there.row("lower")
    if lower is not None:
        assert number(made, "check_down") == pytest.approx(
            read(left.from_datum_mm) - read(lower.from_datum_mm)
        )
    drawn = by_key(face(made, "back"))
    spans = [drawn[key] for key in ("bracket-near", "bracket-across", "bracket-far") if key in drawn]
    if len(spans) == 3:
        printed = [one.text for one in spans if isinstance(one, Dimension)]
        typed = [read_length(plain(one), units).length_mm for one in printed]
        assert typed[1] == pytest.approx(across)
        assert sum(typed) == pytest.approx(read(made.ask(screen).overall_width_mm))


def test_the_screen_s_weight_is_held_against_its_fixings_and_board_has_a_limit() -> None:
    made = plan(demo_job("mill-loft"))
    heavy = apply(demo_job("mill-loft"), [Edit(pointer="/wall/fixing", value="toggle")])
    stopped = {one.code: one for one in plan(heavy).findings}
    assert made.text("load_used").endswith("%")
    assert "fixing-overloaded" not in {one.code for one in made.findings}
    assert stopped["board-too-heavy"].severity == stopped["fixing-overloaded"].severity == "stop"
    assert "15 kg is the most" in stopped["board-too-heavy"].text
    cure = stopped["board-too-heavy"].cures[0]
    cured = plan(apply(heavy, [Edit(pointer=one.pointer, value=one.value) for one in cure.changes]))
    assert not {"board-too-heavy", "fixing-overloaded"} & {one.code for one in cured.findings}
    unknown = plan(apply(demo_job("parish-hall"), [Edit(pointer="/frame/mass_kg", value=None)]))
    assert "mass-unknown" in {one.code for one in unknown.findings}


def test_what_holds_the_screen_is_ranked_and_a_choice_against_it_says_what_it_costs() -> None:
    made = plan(demo_job("mill-loft"))
    known = plan(edited(demo_job("mill-loft"), {"/survey/stud_spacing_mm": 406.4}))
    ranked = {one.key: one for one in known.ask(candidates)}
    assert next(iter(ranked)) == "studs"
    assert (ranked["studs"].serves, ranked["studs"].taken) == (True, True)
    assert not ranked["anchors"].serves  # too heavy for board
    assert "other-way-serves" not in {one.code for one in (*made.findings, *known.findings)}
    backed = plan(taken(known.ask.job, ranked["backer"].changes))
    said = next(one for one in backed.findings if one.code == "other-way-serves")
    assert (said.severity, said.text.startswith("Screws into two studs also works")) == ("note", True)
    hung = plan(taken(known.ask.job, ranked["cleat"].changes))
    there, place = hung.ask(drilling), hung.ask(cleat_place)
    assert there is not None
    assert place is not None
    assert sorted(one.x_mm for one in there.holes) == list(place.studs_mm)  # a screw in every stud it crosses
    assert len({one.y_mm for one in there.holes}) == 1
    whole = [sum(each.load.shear_n for each in one.ask(hole_loads)) for one in (hung, known)]
    assert whole[0] == pytest.approx(whole[1])  # the same weight, on more screws
    ends = [hung.figures[key].value for key in ("cleat_left", "cleat_right")]
    assert ends == pytest.approx([place.studs_mm[0] - 50.0, place.studs_mm[-1] + 50.0])
    assert hung.figures["cleat_play"].value == pytest.approx(place.play_mm)


def test_a_dry_fit_moves_each_bracket_until_it_is_level() -> None:
    fit = {"id": "d1", "left_mm": 4.0, "right_mm": -4.0, "gap_left_mm": 30.0, "gap_right_mm": 50.0}
    found = plan(edited(demo_job("narrow-lounge"), {"/wall/dry/-": fit}))
    said = next(one for one in found.findings if one.code == "dry-fit").text
    assert re.search(r"left bracket .* down, right bracket .* up, slide the frame .* to the right", said)
    level = fit | {"left_mm": 0.2, "right_mm": 0.0, "gap_left_mm": 40.0, "gap_right_mm": 41.0}
    done = plan(edited(demo_job("narrow-lounge"), {"/wall/dry": [fit, level | {"id": "d2"}]}))
    assert "dry-fit" not in {one.code for one in done.findings}


@given(rich_jobs())
def test_no_hole_that_may_be_drilled_lies_in_a_band_beside_its_stud_or_off_the_rail(job: Job) -> None:
    made = plan(job)
    there, studs = made.ask(drilling), made.ask(lattice)
    gone = {one.key for one in made.refused[0]}
    done = {one.hole for one in job.wall.facts if one.state == "drilled"}
    frame, center = made.ask(screen).overall_width_mm, number(made, "centre_x")
    for one in there.holes if there else ():
        if one.key in gone or one.key in done:
            continue
        assert not any(crosses(band, one.x_mm, one.y_mm) for band in made.ask(bands)), one
        assert abs(one.x_mm - center) <= frame / 2.0, one
        beside_drilled = any(key.endswith(one.side) for key in done)  # under a hole that is a fact
        if studs is not None and made.ask(on_studs) and not beside_drilled:
            off = min(abs(one.x_mm - x) for x in studs.centres_mm)
            assert off <= max(studs.stud_mm / 2.0 - 10.0, 0.0) + 1e-6, one


def test_the_wall_says_no_and_the_rest_is_planned_round_it_or_stops_with_a_cure() -> None:
    job = edited(demo_job("mill-loft"), {"/survey/stud_spacing_mm": 406.4})
    first = plan(job).ask(drilling)
    assert first is not None
    left = first.holes[0]
    blocked = {"id": "f1", "hole": left.key, "state": "blocked", "x_mm": left.x_mm, "y_mm": left.y_mm, "why": "pipe"}  # fmt: skip
    moved = plan(edited(job, {"/wall/facts/-": blocked}))
    found = {one.code: one for one in moved.findings}
    assert "pipe" in found["hole-refused"].text
    again = moved.ask(drilling)
    if again is None:  # nothing else serves: said, with a way out
        assert found["no-stud-pair"].cures
    else:
        assert all(abs(one.x_mm - left.x_mm) >= 25.0 for one in again.holes)
    drilled = {"id": "f2", "hole": left.key, "state": "drilled", "x_mm": left.x_mm, "y_mm": left.y_mm}
    kept = edited(job, {"/wall/facts/-": drilled})
    assert not [one for one in plan(kept).findings if one.code.startswith("drilled")]  # at its mark
    low = edited(
        kept, {"/height/wish": "frame-top", "/height/wish_mm": number(plan(job), "frame_top") - 120.0}
    )
    stopped = {one.code: one for one in plan(low).findings}["drilled-height"]
    assert (stopped.severity, "higher than planned" in stopped.text) == ("stop", True)
    still = plan(low).ask(drilling)
    assert still is not None
    assert (still.holes[0].x_mm, still.holes[0].y_mm) == (left.x_mm, left.y_mm)  # a drilled hole is a fact
    cured = plan(taken(low, stopped.cures[0].changes))
    assert "drilled-height" not in {one.code for one in cured.findings}
    inch = plan(edited(job, {"/wall/facts/-": drilled | {"y_mm": left.y_mm + 25.4}}))
    assert "an inch misread?" in {one.code: one for one in inch.findings}["drilled-slip"].text


def test_gaps_that_contradict_are_left_out_by_name_and_a_twisted_wall_is_said() -> None:
    spots = {"g1": (600, 900), "g2": (2600, 900), "g3": (600, 2000), "g4": (2600, 2000), "g5": (1600, 1400)}
    gaps = [{"id": key, "x_mm": x, "y_mm": y, "gap_mm": 10.0} for key, (x, y) in spots.items()]
    gaps[3]["gap_mm"] = 26.0  # the upper right corner is hollow: the wall winds
    made = plan(edited(demo_job("narrow-lounge"), {"/survey/gaps": gaps}))
    codes = {one.code: one for one in made.findings}
    assert "one corner stands" in codes["wall-winds"].text
    assert made.figures["wall_belly"].value > 5.0  # type: ignore[operator]
    assert {one.name for one in made.table("flat").shims} == {"upper left", "upper right", "lower left", "lower right"}  # fmt: skip
    twice = plan(edited(made.ask.job, {"/survey/gaps/-": {"id": "g9", "x_mm": 605, "y_mm": 903, "gap_mm": 30.0}}))  # fmt: skip
    assert "both are left out" in {one.code: one for one in twice.findings}["gap-readings-contradict"].text
    assert [one.belly for one in twice.table("flat").gaps if one.id in ("g1", "g9")] == [
        "left out",
        "left out",
    ]
    with pytest.raises(BadDocument):  # a gap of two meters is refused by name
        edited(made.ask.job, {"/survey/gaps/-": {"id": "g7", "x_mm": 1000, "y_mm": 1000, "gap_mm": 2000}})


def test_readings_that_contradict_or_lie_past_the_wall_are_named_and_left_out() -> None:
    read = [(310, "magnet"), (716, "magnet"), (1123, "center"), (1529, "magnet"), (1936, "magnet"), (320, "nothing"), (9000, "edge")]  # fmt: skip
    readings = [{"id": f"r{at}", "x_mm": x, "kind": kind} for at, (x, kind) in enumerate(read)]
    job = edited(demo_job("basement-den"), {"/survey/stud_first_mm": None, "/survey/stud_spacing_mm": None, "/survey/stud_readings": readings})  # fmt: skip
    made = plan(job)
    codes = [one.code for one in made.findings]
    assert codes.count("stud-readings-contradict") == 2
    assert "reading-off-wall" in codes
    assert made.figures["stud_spacing"].value == 406.4
    assert made.figures["stud_spacing"].known == "computed"
    wide = plan(edited(job, {"/survey/stud_width_mm": 450}))
    assert "stud-too-wide" in {one.code for one in wide.findings}
    own = plan(edited(job, {"/survey/stud_spacing_mm": 609.6}))  # what is typed stands
    assert own.figures["stud_spacing"].value == 609.6


def test_holes_in_a_mortar_joint_are_said_with_the_way_out() -> None:
    job = edited(demo_job("parish-hall"), {"/survey/build": "masonry", "/survey/course_mm": 75.0})
    there = plan(job).ask(drilling)
    assert there is not None
    upper = there.holes[0].y_mm
    said = {
        one.code: one for one in plan(edited(job, {"/survey/course_first_mm": (upper - 4.0) % 75.0})).findings
    }
    assert re.search(
        r"The upper holes lie 4\smm from .* Move the frame 11\smm up", said["hole-in-joint"].text
    )
    free = plan(edited(job, {"/survey/course_first_mm": (upper - 37.0) % 75.0})).findings
    assert not [one for one in free if one.code == "hole-in-joint" and "upper holes" in one.text]
