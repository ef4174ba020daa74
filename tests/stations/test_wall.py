"""The wall: no hole in the wrong place, none that does not exist, and what is printed adds up."""

import csv
import io
from typing import Any
from xml.etree import ElementTree

import ezdxf
import pytest
from hypothesis import given

from gantline.core.typed_length import read_length
from gantline.core.units import plain, read_tape
from gantline.core.wall.brackets import BracketRule, place_on_studs
from gantline.core.wall.studs import StudLattice
from gantline.drawing.marks import Dimension, Dot, Label
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.stations import face, plan
from gantline.stations.size import screen
from gantline.stations.wall import drilling
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
    assert [one.key for one in made.refused[0]] == ["upper-left", "lower-left"]
    assert {"hole_left", "hole-left", "across", "check_down"} <= made.refused[1]
    assert not {"hole_right", "hole-right", "upper_row", "lower_row"} & made.refused[1]
    rows = list(csv.DictReader(io.StringIO(SHEETS["marks"].make(ready).decode())))
    refused = [row for row in rows if row["do_not_drill"]]
    assert [row["hole"] for row in refused] == ["upper left", "lower left"]
    assert not any(value for row in refused for key, value in row.items() if key.endswith(("_mm", "_tape")))
    space = ezdxf.read(io.StringIO(SHEETS["frame-and-holes"].make(ready).decode())).modelspace()  # type: ignore[attr-defined]
    on = [one for one in space if one.dxf.layer == "DO_NOT_DRILL"]
    assert sum(one.dxftype() == "CIRCLE" for one in on) == 2
    said = [one.dxf.text for one in on if one.dxftype() == "TEXT"]
    assert "DO NOT DRILL: upper left, lower left" in said
    assert sum(one.dxftype() == "CIRCLE" and one.dxf.layer == "HOLES" for one in space) == 2
    svg = "".join(ElementTree.fromstring(SHEETS["wall-drawing"].make(ready)).itertext())
    assert "DO NOT DRILL: upper left" in svg
    drawn = by_key(face(made, "front"))
    assert {drawn[f"hole-{row}-left"].role for row in ("upper", "lower")} == {"hole-refused"}  # type: ignore[union-attr]
    assert "hole-left" not in drawn
    assert "hole-right" in drawn
    assert any(key.startswith("band-hit") for key in drawn)
    assert sum(isinstance(one, Label) and one.text == "do not drill" for one in drawn.values()) == 2


@pytest.mark.parametrize(
    ("edits", "code", "refused"),
    [
        ({"/size/value_mm": 9000.0}, "wider-than-wall", 4),
        ({"/throw/lens_from_wall_mm": 2000.0}, "lens-outside-window", 4),
        (
            {"/size/lead": "angle", "/size/angle_deg": 30.0, "/throw/lens_from_wall_mm": 2000.0},
            "lens-outside-window",
            4,
        ),
        ({"/light/fabric/roll_mm": 1200.0}, "roll-too-narrow", 0),
    ],
)
def test_a_stop_refuses_the_holes_that_rest_on_what_it_is_about(
    edits: dict[str, Any], code: str, refused: int
) -> None:
    made = plan(edited(changed("parish-hall"), edits))
    assert code in {one.code for one in made.findings if one.severity == "stop"}
    assert len(made.refused[0]) == (refused if made.ask(drilling) else 0)


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


@pytest.mark.parametrize("way", ["cleat", "rods", "wire", "ledger", "top-brackets"])
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

    left, right = there.marks[:2]
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
