"""Seats, light and comparisons in the plan: what a planner reads, and the stops for wrong pairs."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.compare.fabrics import fabric_table
from gantline.compare.floor import Measure, floor_map
from gantline.compare.seat_view import seat_view
from gantline.compare.sizes import size_table
from gantline.core.defaults import Shop
from gantline.core.sight.angles import viewing_angle_deg
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply
from gantline.job.records import RecordKind
from gantline.plan.plan import JobPlan
from gantline.stations import face, plan
from gantline.stations.board import FACES
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import centre_x_mm
from gantline.stations.size import screen
from gantline.stations.survey import main_seat
from gantline.stations.throw import pixels_over
from gantline.stations.throw.mount import cable
from gantline.stations.wall import drilling
from tests.conftest import demo_job
from tests.made import changed, findings, stops, taken


def width_of(made: JobPlan) -> float:
    return made.ask(screen).picture.width_mm


def edit(pointer: str, value: Any) -> Edit:
    return Edit(pointer=pointer, value=value)


def test_five_starting_points_lead_to_the_same_screen() -> None:
    made = plan(changed("narrow-lounge", size__tidy=None))
    width, border, seat = width_of(made), made.ask(screen).border.side_mm, made.ask(main_seat)
    assert seat is not None
    angle = float(viewing_angle_deg(seat.distance_mm, seat.x_mm - made.ask(centre_x_mm), width))
    starts = (
        {"size__lead": "wall", "size__value_mm": width + 2 * border},
        {"size__lead": "angle", "size__angle_deg": angle},
        {"size__lead": "measured", "size__value_mm": width},
        {"size__lead": "width", "size__value_mm": width},
        {
            "size__lead": "throw"
        },  # fixed lens, placed within a millimetre of its window: 4 mm of width for 1 mm at R 0.25
    )
    for start in starts:
        found = width_of(plan(changed("narrow-lounge", size__tidy=None, **start)))
        assert found == pytest.approx(width, abs=5.0 if start["size__lead"] == "throw" else 1e-6), start
    assert "no-main-seat" in findings(changed("narrow-lounge", size__lead="angle", survey__seats=[]))


@pytest.mark.parametrize(
    ("name", "fields", "code", "said"),
    [
        ("mill-loft", {"light__fabric__kind": "lenticular-from-below"}, "lenticular-wrong-light", "Use a cabinet-top projector"),
        ("narrow-lounge", {"light__fabric__kind": "retro-reflective", "light__fabric__half_gain_deg": 15}, "retro-far-from-heads", "less than half"),
        ("mill-loft", {"light__fabric__roll_mm": 1500}, "roll-cut", "No seam is allowed"),
        ("mill-loft", {"light__fabric__gain": 2.4, "light__fabric__half_gain_deg": 60}, "fabric-impossible", "no fabric gives more"),
        ("mill-loft", {"survey__fittings__-": {"kind": "return-air", "x_mm": 2000, "y_mm": 1200, "width_mm": 300, "height_mm": 200}}, "grille-behind-fabric", "dirt stripes"),
        ("mill-loft", {"survey__fittings__-": {"kind": "window", "x_mm": 700, "y_mm": 1200, "width_mm": 300, "height_mm": 900}}, "covers", "covers the window"),
        ("mill-loft", {"survey__fittings__-": {"kind": "outlet", "x_mm": 500, "y_mm": 2050, "width_mm": 80, "height_mm": 80}}, "hole-in-band", "Cable or pipe"),
        ("mill-loft", {"survey__seats__s2__from_wall_mm": 320}, "seats-outside-guidance", "at most 60"),
    ],
)  # fmt: skip
def test_what_does_not_go_together_is_stopped_with_its_reason(
    name: str, fields: dict[str, Any], code: str, said: str
) -> None:
    found = findings(changed(name, **fields))
    assert code in found
    assert said in found[code].text


def test_studs_in_a_no_drill_band_are_not_used() -> None:
    before = plan(demo_job("mill-loft")).ask(drilling)
    assert before is not None
    outlet = {
        "kind": "outlet",
        "x_mm": before.pair.left_mm - 40,
        "y_mm": 200,
        "width_mm": 80,
        "height_mm": 80,
    }
    after = plan(changed("mill-loft", survey__fittings=[outlet])).ask(drilling)
    assert after is not None
    assert after.pair.left_mm != before.pair.left_mm


def test_the_row_behind_gets_the_platform_that_clears_the_row_in_front() -> None:
    low = changed(
        "mill-loft",
        **{f"survey__seats__s{k}__platform_mm": 0 for k in (4, 5, 6)},
        height__wish="frame-bottom",
        height__wish_mm=640,
    )
    clash = findings(low)["height-clash"]  # nothing but a platform helps under this ceiling
    cure = next(one for one in clash.cures if one.text.startswith("Build platforms: "))
    assert len(cure.changes) == 3
    raised = taken(low, cure.changes)
    assert "height-clash" not in findings(raised)
    assert all(row.sight == "clear" for row in plan(raised).table("seats").rows)
    assert all(row.sight == "clear" for row in plan(demo_job("mill-loft")).table("seats").rows)


def test_the_size_table_says_which_to_take_and_why_not_the_next_larger() -> None:
    job = demo_job("mill-loft")
    table = size_table(plan(job).ask)
    at = next(k for k, row in enumerate(table.rows) if row.chosen)
    diagonals = [row.sort["diagonal"] for row in table.rows]
    assert diagonals == sorted(diagonals)
    assert table.rows[at].stops == ()
    assert "of the zoom's end" in table.rows[at + 1].verdict
    for row in table.rows:  # a candidate taken gives just what its row said
        if not row.chosen:
            after = taken(job, row.changes)
            assert plan(after).text("size") == row.size
            assert tuple(stops(after)) == row.stops
    free = [at for at, row in enumerate(table.rows) if not row.stops and not row.checks]
    assert table.advice.startswith(f"{table.rows[free[-1]].diagonal} is the largest size with no warnings. ")
    assert table.advice.endswith(table.rows[free[-1] + 1].verdict)


def test_fabrics_are_ranked_by_their_worst_seat_with_the_reason_each_lost() -> None:
    lounge = fabric_table(plan(demo_job("narrow-lounge")).ask, named_records(RecordKind.FABRIC))
    assert lounge.rows[0].name == "Skerry lenticular"
    assert "retro-reflective fabric" in next(row for row in lounge.rows if row.name == "Eider bead").reason
    hall = fabric_table(plan(demo_job("parish-hall")).ask, named_records(RecordKind.FABRIC))
    assert [row.rank for row in hall.rows] == list(range(1, len(hall.rows) + 1))
    assert hall.rows[-1].stops or hall.rows[-1].luminance == "0"
    assert all(row.reason for row in hall.rows)
    assert hall.rows[0].lobe[0][1] == pytest.approx(max(gain for _, gain in hall.rows[0].lobe))


@given(st.sampled_from(list(Measure)), st.integers(0, 2))
def test_the_floor_map_is_even_about_the_screens_centre(measure: Measure, state: int) -> None:
    job = demo_job("mill-loft")  # screen and lens in the middle of the wall
    found = floor_map(plan(job).ask, measure, state=state, columns=21, rows=12)
    assert found is not None
    for band in found.bands:
        corners = {(round(x), round(z)) for ring in band.rings for x, z in ring}
        for x, z in corners:
            other = round(found.right_mm - x)
            assert any((other + dx, z + dz) in corners for dx in (-1, 0, 1) for dz in (-1, 0, 1)), band.word
    dark = apply(job, [Edit(pointer="/light/rated_lm", value=None)])
    assert (floor_map(plan(dark).ask, measure, columns=4, rows=4) is None) == (
        measure not in (Measure.ANGLE, Measure.SIGHT)
    )


def test_a_seat_sees_less_contrast_the_more_light_there_is() -> None:
    made = plan(demo_job("narrow-lounge"))
    blacks = []
    for state in range(4):
        view = seat_view(made.ask, "s2", state)
        levels = [shape.level for shape in view.shapes if shape.level is not None]
        assert max(levels) == pytest.approx(1.0, abs=1e-4)
        blacks.append(min(levels))
    assert blacks == sorted(blacks)
    assert blacks[-1] > 2 * blacks[0]


def test_a_lamp_that_is_lit_brightens_its_state_until_the_light_is_measured() -> None:
    job = demo_job("mill-loft")
    named = [edit("/light/states/t2/lamps", ["l2", "gone"])]
    lit = plan(apply(job, named))
    before = plan(job).figures["lux_1"]
    assert before.known == "computed"
    assert 0.5 < float(str(before.value)) < 10.0
    assert "reading lamp" in lit.figures["lux_1"].working.written().formula
    assert findings(apply(job, named))["lamp-gone"].cures[0].changes[0].value == ["l2"]
    measured = apply(job, [*named, edit("/light/states/t2/lux", 7.5)])
    assert plan(measured).text("lux_1") == "7.5 lux"


def test_everything_that_can_be_added_is_a_valid_edit_and_shows_on_the_board() -> None:
    job = demo_job("basement-den")
    lists = [plan(job).table(key) for key in ("seat_list", "box_list", "fitting_list", "lamp_list")]
    for one in lists:
        for addition in one.additions:
            more = taken(job, addition.changes)
            now = next(
                each
                for each in (plan(more).table(f"{kind}_list") for kind in ("seat", "box", "fitting", "lamp"))
                if each.pointer == one.pointer
            )
            assert len(now.rows) == len(one.rows) + 1
            added = now.rows[-1]
            assert "assumed" in {cell.known for cell in added.cells}
            assert any(face(plan(more), name).marks != face(plan(job), name).marks for name in FACES)


def test_the_best_floor_for_a_viewing_angle_lies_between_too_near_and_too_far_and_follows_the_shop() -> None:
    job = demo_job("mill-loft")
    for low in (36.0, 42.0):
        shop = Shop({"angle_main_low_deg": low})
        found = floor_map(plan(job, shop).ask, Measure.ANGLE)
        assert found is not None
        best = max(found.bands, key=lambda band: band.rank)
        assert best.word == f"main row, {low:g} to 45°"
        # on the middle line the picture's halves are seen alike: the line lies where each fills half the angle
        axis = found.right_mm / 2.0
        own = [point for level in found.levels if level.text == f"{low:g}°" for point in level.points]
        x, z = min(own, key=lambda point: abs(point[0] - axis))
        half = plan(job, shop).ask(screen).picture.width_mm / 2.0
        away = z - plan(job, shop).ask(fabric_plane_mm)
        assert abs(x - axis) < 60.0
        assert 2.0 * math.degrees(math.atan(half / away)) == pytest.approx(low, abs=0.15)


def test_the_pixels_of_a_narrow_picture_are_counted_on_the_whole_panel_before_a_lens_has_a_place() -> None:
    narrow = changed(
        "mill-loft",
        size__aspect="4:3",
        size__tidy=None,
        size__overspill_mm=0,
        throw__panel_aspect="16:9",
        throw__lens_y_mm=None,
    )
    made = plan(narrow)
    picture = made.ask(screen).picture
    assert made.ask(pixels_over)[0] == pytest.approx(picture.height_mm * 16 / 9)


def test_another_size_keeps_what_leads_or_says_that_it_changes_and_what_all_share_is_said_once() -> None:
    by_width = changed("mill-loft", size__lead="width", size__value_mm=3000.0, size__tidy=None)
    table = size_table(plan(by_width).ask)
    assert table.leads == ""
    assert {row.changes[0].value for row in table.rows} == {"width"}
    on_wall = size_table(
        plan(changed("mill-loft", size__lead="wall", size__value_mm=4000.0, size__tidy=None)).ask
    )
    assert "not from the free wall" in on_wall.leads
    dark = changed("mill-loft", light__rated_lm=None)
    assert "light output" in size_table(plan(dark).ask).unlit
    for one in table.common:
        assert not any(one in (*row.checks, row.verdict) for row in table.rows)


def test_a_cable_is_measured_from_the_nearest_prepared_point_until_its_source_is_entered() -> None:
    point = {"id": "cp", "kind": "cable-point", "x_mm": 460, "y_mm": 2260, "z_mm": 3960, "width_mm": 80, "height_mm": 80, "depth_mm": 80}  # fmt: skip
    bare = changed(
        "mill-loft", throw__cable_from__x_mm=None, throw__cable_from__y_mm=None, throw__cable_from__z_mm=None
    )
    assert "cable" not in {key for key, one in plan(bare).figures.items() if one.text}
    made = plan(apply(bare, [Edit(pointer="/survey/boxes/-", value=point)]))
    x, y, z = made.ask(cable)[0]
    assert (x, y, z) == (500.0, 2300.0, 4000.0)
    assert not any("cable point" in one.text for one in made.findings if one.severity == "stop")
