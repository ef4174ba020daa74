"""Where two stations meet: numbers worked by hand on small jobs, each of them once wrong."""

import math
import re
from typing import Any

import pytest

from gantline.compare.cutting import cutting
from gantline.compare.materials import material_list
from gantline.compare.sizes import size_table
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.job.problems import BadDocument
from gantline.job.records.projector import projector_edits
from gantline.plan.plan import JobPlan
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.stations import plan
from gantline.stations.align.solve import free, hands
from gantline.stations.common import standoff_mm
from gantline.stations.frame.blank import work_area_mm
from gantline.stations.frame.solve import joints, line_tension_n_m, stuff
from gantline.stations.height import centre_x_mm, fixed_throw_mm
from gantline.stations.tension.solve import tension_steps
from gantline.stations.throw.turned import turned
from gantline.stations.trim.solve import feed
from gantline.stations.wall import drilling, pair, studs_behind
from gantline.stations.wall.ledger import frame_screws, ledger_rows
from gantline.stations.wall.loads import least_mm, longest_mm, screw_sold
from tests.conftest import demo_job
from tests.made import changed, edited, number, taken

WALL = {
    "/survey/wall_width_mm": 4500, "/survey/ceiling_mm": 2600, "/survey/datum_mm": 1200, "/survey/stud_first_mm": 250,
    "/survey/stud_spacing_mm": 400, "/size/aspect": "16:9", "/size/lead": "width", "/size/value_mm": 2200,
    "/height/wish": "frame-bottom", "/height/wish_mm": 700,
}  # fmt: skip


def small(**fields: Any) -> JobPlan:
    edits = WALL | {f"/{name.replace('__', '/')}": value for name, value in fields.items()}
    job = apply(Job(name="small"), [Edit(pointer="/units/style", value="mm")])
    return plan(apply(job, [Edit(pointer=pointer, value=value) for pointer, value in edits.items()]))


def texts(made: JobPlan, code: str) -> list[str]:
    return [finding.text for finding in made.findings if finding.code == code]


def test_a_screw_counts_what_it_passes_and_a_cleat_is_the_standoff() -> None:
    cleat = small(wall__way="cleat", wall__cleat_board_mm=18)
    assert cleat.ask(least_mm) == 70.5  # board 18, drywall 12.5, 40 in the stud; no bracket plate is there
    assert cleat.ask(screw_sold) == "6 × 80"
    assert cleat.ask(standoff_mm) == 18
    assert texts(small(wall__way="cleat", wall__cleat_board_mm=18, frame__standoff_mm=12), "standoff-differs")
    own: dict[str, Any] = {
        "wall__fixing": "own",
        "wall__anchor_name": "hex bolt 8",
        "wall__anchor_base": "wood",
        "wall__anchor_depth_mm": 50,
    }
    bolt = small(**own, wall__way="cleat", wall__cleat_board_mm=18, wall__anchor_lengths="120, 90, 70")
    assert (
        bolt.ask(screw_sold) == "hex bolt 8 × 90\u00a0mm"
    )  # 80.5 at least, and 90 is the next its record has
    assert small(wall__way="ledger").ask(least_mm) == 90.5
    backer = small(wall__fix_to="backer", wall__backer_mm=18)
    assert (backer.ask(least_mm), backer.ask(longest_mm)) == (21, 33.5)


def test_a_cleat_goes_whole_on_every_sheet_and_one_that_is_up_is_believed() -> None:
    # studs at 250 + 400 n; a frame 2320 wide about 2250: five from 1450 to 3050, 50 past the outer two
    blocks: dict[str, Any] = {
        "wall__way": "cleat",
        "wall__cleat_piece": "blocks",
        "wall__cleat_block_mm": 300,
    }
    made = small(**blocks, wall__bottom="cleat")
    left, right = number(made, "cleat_left"), number(made, "cleat_right")
    end = 2250 - number(made, "overall_width") / 2
    assert [int(each) for each in re.findall(r"\d+", made.text("frame_piece"))] == pytest.approx(
        [left - end, left - end + 300, right - end - 300, right - end]
    )
    assert (
        number(made, "low_cleat") == number(made, "overall_height") - 2 * 62
    )  # as far from the bottom as from the top
    assert texts(small(**blocks | {"wall__cleat_block_mm": 900}), "cleat-blocks")
    up: dict[str, Any] = {
        "survey__build": "studs",
        "wall__cleat_point_mm": 62,
        "wall__cleat_board_mm": 18,
        "wall__way": "cleat",
        "wall__cleat_up_edge_mm": 1900,
        "wall__cleat_up_left_mm": 1400,
        "wall__cleat_up_right_mm": 2700,
    }
    hung = small(**up)
    there = hung.ask(drilling)
    assert there and [(hole.x_mm, hole.y_mm) for hole in there.holes if hole.side in ("left", "right")] == [
        (1450, 1865), (2650, 1865)
    ]  # fmt: skip
    told = texts(hung, "cleat-up")
    top = 1900 - 18 + 62  # the long point sits a board below the front edge, the frame's top 62 above it
    assert f"Plan the frame's top at {top}\u00a0mm" in told[0]
    moved = plan(taken(hung.ask.job, next(f for f in hung.findings if f.code == "cleat-up").cures[0].changes))
    assert not texts(moved, "cleat-up")
    far_off = small(**up | {"wall__cleat_up_left_mm": 300, "wall__cleat_up_right_mm": 1500})
    assert any("frame slides on it" in text for text in texts(far_off, "cleat-up"))
    assert "crosses one stud" in " ".join(texts(small(**up | {"wall__cleat_up_left_mm": 2300}), "cleat-up"))


def test_a_ledger_is_cut_doubled_and_screwed_where_it_is_asked_to_be() -> None:
    ledger: dict[str, Any] = {"wall__way": "ledger", "wall__ledger_layers": 2, "frame__longest_mm": 2000}
    made = small(**ledger, wall__ledger_studs=4)
    wide = number(made, "overall_width")
    assert made.ask(standoff_mm) == 76 and made.ask(least_mm) == 76 + 12.5 + 40
    there = made.ask(drilling)
    assert there and sorted(hole.x_mm for hole in there.holes if hole.row == "upper") == [
        1450,
        1850,
        2650,
        3050,
    ]
    rows = dict(made.ask(ledger_rows))["upper"]
    assert [sum(layer.parts_mm) for layer in rows] == [pytest.approx(wide)] * 2
    first, second = (layer.joints_mm for layer in rows)
    assert max(max(layer.parts_mm) for layer in rows) <= 2000
    assert all(abs(a - b) >= 400 for a in first for b in second)
    (group,) = [
        group
        for group in cutting(made.ask, [("b", "yard", {"nominal": "2x4", "length_mm": 2000})]).groups
        if group.name == "ledger"
    ]
    assert group.board == "2×4" and sum(len(board.cuts) for board in group.boards) == 8
    # 1000 at most: 2320 in three parts, and no joint of the second layer 400 off both of the first
    (stuck,) = texts(small(**ledger | {"frame__longest_mm": 1000}), "ledger-joints")
    assert stuck.endswith("Take longer boards, or lay one layer.")
    row = made.ask(frame_screws)
    assert row and (row.count, row.longest_mm) == (
        math.ceil(wide / 400) + 1,
        76 + number(made, "frame_depth") - 3,
    )


def test_cloth_on_the_face_of_thin_boards_pulls_them_hollow_and_what_is_nailed_behind_stays_short_of_it() -> (
    None
):
    thin = small(
        frame__thick_mm=6,
        frame__wide_mm=76,
        frame__centre_bars=1,
        frame__removable=True,
        frame__plates="both",
    )
    w, h = number(thin, "overall_width"), number(thin, "overall_height")
    pull = thin.ask(line_tension_n_m) / 1000
    stiff, inertia = 8 * 1000 * thin.ask(stuff)[0], 76 * 6**3 / 12
    bow = max(pull * h / 2 * 3 * w**2 / (stiff * inertia), pull * w / 2 * 3 * h**2 / (stiff * inertia))
    assert number(thin, "hollow") == pytest.approx(bow) and bow > 5
    assert texts(thin, "frame-hollow") and not texts(small(), "frame-hollow")
    joints_of = thin.ask(joints)
    assert joints_of and (joints_of.corner_plates, joints_of.brace_plates) == (8, 0)
    assert "center bar" in " ".join(step.action for step in thin.ask(tension_steps)).lower()
    lit = small(trim__light__there=True, trim__light__spacer_mm=25, frame__standoff_mm=25)
    assert number(lit, "spacer_upright") == number(lit, "overall_height") - 40
    assert number(lit, "spacer_brad") == 25 + number(lit, "frame_depth") - 3
    named = " ".join(row.name for row in material_list(lit.ask, cutting(lit.ask, ())).rows)
    # a cable point behind the frame is farther than one on the wall beside the fed corner: the wire goes to the near one
    points = [
        {"id": key, "kind": "cable-point", "x_mm": x, "y_mm": y, "width_mm": 10, "height_mm": 10}
        for key, x, y in (("far", 2250, 1700), ("near", 3500, 400))
    ]
    for fed, behind in ((points, False), (points[:1], True)):
        wire = small(trim__light__there=True, survey__fittings=fed).ask(feed)
        assert wire and wire.behind is behind
    for item in ("feed wire", "controller", "spacer strips", "brads, at most"):
        assert item in named


def test_diagonals_are_judged_as_a_tape_shows_them_and_the_side_that_is_off_is_named() -> None:
    sides = {"top_mm": 2400, "bottom_mm": 2400, "left_mm": 1400, "right_mm": 1400}
    racked = {f"frame__square__{name}": value for name, value in sides.items()}
    size: dict[str, Any] = {"size__aspect": "2400:1400", "size__value_mm": 2400}
    made = small(**size, **racked, frame__square__rising_mm=2776, frame__square__falling_mm=2781)
    lean = (2781**2 - 2776**2) / (4 * 2400)
    assert texts(made, "frame-not-square")[0].startswith("The diagonals differ by 5")
    assert f"push the top {lean:.0f}" in texts(made, "frame-not-square")[0]
    short = racked | {"frame__square__top_mm": 2380.0}
    d = [math.hypot(2390, 1400)] * 2
    off = small(**size, **short, frame__square__rising_mm=d[0], frame__square__falling_mm=d[1])
    assert [text.split(" is ")[0] for text in texts(off, "frame-side-off")] == ["The top"]


def test_the_floor_to_lay_out_is_of_the_blank_as_it_lies_turned() -> None:
    frame = {"frame__board": "1x3", "frame__depth_mm": 19, "frame__blank__turn_deg": 15}
    made = small(**frame, light__fabric__roll_mm=3200)
    assert made.ask(work_area_mm) == (pytest.approx(3390, abs=1), pytest.approx(2710, abs=1))


def test_the_rear_of_a_body_swings_about_its_lens_and_a_lens_without_side_shift_is_moved() -> None:
    at = plan(demo_job("narrow-lounge")).ask
    rear = at(hands).rear_mm  # 380 deep, its lens 245 behind its wall face
    assert rear == pytest.approx(135)
    assert rear * math.tan(math.radians(0.5)) == pytest.approx(1.2, abs=0.03)
    freedom = plan(changed("mill-loft", throw__shift_side=0.0, throw__shift_up=0.6)).ask(free)
    assert freedom is not None
    assert {"shift_h", "shift_v"} & set(freedom.names) == {"shift_v"}


def test_drop_to_frame_top_is_of_the_hole_for_hanging_rods_too() -> None:
    made = small(wall__way="rods", wall__drop_mm=254, wall__rod_mm=150)
    assert number(made, "hole_drop") == pytest.approx(104)


def test_a_bracket_with_two_screws_has_two_marks_and_its_loads_are_of_one_screw() -> None:
    two: dict[str, Any] = {
        "wall__per_bracket": 2,
        "wall__screws_apart_mm": 40,
        "frame__mass_kg": 20,
        "survey__build": "studs",
        "wall__cleat_point_mm": 62,
        "wall__cleat_board_mm": 18,
    }
    single = small(frame__mass_kg=20, survey__build="studs")
    for lay, (across, up), share in (("over", (0, -40), 0.5), ("keyhole", (0, -40), 1.0)):
        made = small(wall__screws_lie=lay, **two)
        holes = {hole.key: hole for hole in (made.ask(drilling) or pytest.fail("no holes")).holes}
        first, second = holes["upper-left"], holes["upper-left-s2"]
        assert (second.x_mm - first.x_mm, second.y_mm - first.y_mm) == (across, up)
        assert number(made, "load_shear") == pytest.approx(share * number(single, "load_shear"))
        rows = [
            row.split(",")[0]
            for row in SHEETS["marks"].make(Ready(made=made, stamp="v1")).decode().splitlines()
        ]
        assert "upper left screw 2" in rows
    # 40 apart is 20 to either side of a stud's middle, and 19 less 10 is all that a 38 stud gives
    beside = small(wall__screws_lie="beside", **two)
    assert "stop" in {finding.severity for finding in beside.findings if finding.code == "screws-off-stud"}
    # drilled where it came to lie, the bracket follows its first screw and the second follows the bracket
    drilled = {"id": "d1", "hole": "upper-left", "state": "drilled", "x_mm": 1453, "y_mm": 1900}
    moved = small(wall__screws_lie="over", wall__facts=[drilled], **two).ask(drilling)
    assert moved is not None
    assert next((hole.x_mm, hole.y_mm) for hole in moved.holes if hole.key == "upper-left-s2") == (1453, 1860)


def test_a_proud_screw_is_longer_by_what_stands_out_of_the_wall() -> None:
    assert small(wall__way="proud-screws", wall__proud_mm=12).ask(least_mm) == 12 + 12.5 + 40


def test_the_frame_goes_where_the_picture_was_taped_and_the_difference_is_the_bodys_real_offset() -> None:
    """88 1/8″ wide at 16:9 is 49.57″ high; four taped corners have their middle at 54 7/16″, 31 7/16″ over the lens."""
    inch = 25.4
    corners = {"tl": (28, 79.25), "tr": (116, 79.125), "br": (116.125, 29.625), "bl": (27.875, 29.75)}
    taped = {
        f"{corner}_{axis}_mm": place[at] * inch
        for corner, place in corners.items()
        for at, axis in enumerate("xy")
    }
    cabinet = {"id": "b1", "kind": "cabinet", "x_mm": 36 * inch, "y_mm": 0, "width_mm": 72 * inch, "height_mm": 18 * inch, "depth_mm": 1000}  # fmt: skip
    made = small(
        survey__wall_width_mm=144 * inch, survey__boxes=[cabinet], size__value_mm=88.125 * inch, size__border__top_mm=12.7,
        throw__ratio_low=0.28, throw__ratio_high=0.28, throw__has_shift=False, throw__offset=0.14, throw__mount="cabinet",
        throw__body__lens_above_base_mm=5 * inch, hang__first="picture", hang__picture=[taped | {"id": "p1"}],
    )  # fmt: skip
    assert number(made, "frame_top") == pytest.approx((54.4375 + 49.5703 / 2 + 0.5) * inch, abs=0.1)
    (said,) = texts(made, "real-offset")
    assert f"{100 * (31.4375 / 49.5703 - 0.5):.1f} %" in said
    assert not texts(made, "cabinet-height")


def test_a_lens_without_zoom_is_believed_by_its_taped_picture_and_needs_one_ratio() -> None:
    """2200 wide on the sheet's 0.25 is 550 to the pupil; taped 2244 wide from there it is 0.2451, and 2200 want 539.2."""
    taped = {
        "id": "p", "tl_x_mm": 1128, "tl_y_mm": 2100, "tr_x_mm": 3372, "tr_y_mm": 2100, "br_x_mm": 3372, "br_y_mm": 862.5,
        "bl_x_mm": 1128, "bl_y_mm": 862.5, "lens_mm": 550,
    }  # fmt: skip
    lens: dict[str, Any] = {"throw__ratio_low": 0.25, "throw__mount": "cabinet", "hang__first": "picture"}
    made = small(**lens, hang__picture=[taped])
    (off,) = [finding for finding in made.findings if finding.code == "real-ratio"]
    assert off.text.startswith("The taped picture shows a throw ratio of 0.245; the plan goes by 0.250.")
    there = plan(taken(made.ask.job, off.cures[0].changes))
    assert there.ask(fixed_throw_mm) == pytest.approx(550 / 2244 * 2200, abs=0.1) and not texts(
        there, "real-ratio"
    )
    assert (
        small(**lens).ask(fixed_throw_mm) == small(**lens, throw__ratio_high=0.25).ask(fixed_throw_mm) == 550
    )
    misread = small(**lens, hang__picture=[taped | {"lens_mm": 650}])
    assert "measure the distance to the lens" in texts(misread, "real-ratio")[0]


def test_a_cabinet_is_leveled_both_ways_and_its_middle_is_the_screens() -> None:
    console = {"id": "c", "kind": "cabinet", "name": "console", "x_mm": 1540, "y_mm": 0, "width_mm": 1500, "height_mm": 450, "depth_mm": 500}  # fmt: skip
    lens: dict[str, Any] = {"throw__ratio_low": 0.25, "throw__mount": "cabinet", "survey__boxes": [console]}
    made = small(**lens, throw__stand_right_high_mm=3, throw__stand_front_high_mm=-2)
    (off,) = [finding for finding in made.findings if finding.code == "cabinet-not-level"]
    told = off.text.replace("\u00a0", " ")
    # 3 mm over 1500 turns 2200 by 4.4; the right back foot is the highest, the left front one 5 below it
    assert "turns the picture by 4 mm over its width" in told
    assert (
        "3 mm under the left back foot, 5 mm under the left front foot, 2 mm under the right front foot"
        in told
    )
    assert not texts(plan(taken(made.ask.job, off.cures[0].changes)), "cabinet-not-level")
    (middle,) = [finding for finding in made.findings if finding.code == "off-the-middle"]
    assert (
        middle.text.replace("\u00a0", " ")
        == "The middle of the console is 40 mm right of the screen's center."
    )
    assert plan(taken(made.ask.job, middle.cures[0].changes)).ask(centre_x_mm) == 2290


def test_a_kit_that_says_about_so_far_apart_takes_what_the_studs_leave() -> None:
    kit = small(
        wall__rule="fixed",
        wall__spacing_mm=1500,
        survey__stud_readings=[{"id": "m", "x_mm": 650, "kind": "magnet"}],
    )
    (off,) = [finding for finding in kit.findings if finding.code == "kit-spacing"]
    about = next(cure for cure in off.cures if "about so far apart" in cure.text)
    there = plan(taken(kit.ask.job, about.changes))
    two = there.ask(pair)
    assert two and two.spacing_mm == 1600 and not texts(there, "kit-spacing")  # studs every 400


def test_a_leaflets_number_counts_for_its_own_size_alone() -> None:
    cabinet = {
        "id": "c",
        "kind": "cabinet",
        "x_mm": 1500,
        "y_mm": 0,
        "width_mm": 1500,
        "height_mm": 450,
        "depth_mm": 500,
    }
    made = small(survey__boxes=[cabinet], wall__height_by="cabinet", wall__leaflet_mm=1480)
    (off,) = [finding for finding in made.findings if finding.code == "leaflet-height"]
    plan_there = next(cure for cure in off.cures if cure.text.startswith("Plan the frame"))
    assert not texts(plan(taken(made.ask.job, plan_there.changes)), "leaflet-height")
    lead = next(cure for cure in off.cures if cure.text.startswith("Let the leaflet lead"))
    led = taken(made.ask.job, lead.changes)
    drop = number(plan(led), "drop")
    for wide in (1800.0, 1900.0):  # at every size: 450 of cabinet, 1480 above it, and the bracket's drop
        assert number(plan(edited(led, {"/size/value_mm": wide})), "frame_top") == pytest.approx(
            450 + 1480 + drop
        )
    rows = size_table(made.ask).rows
    assert not any("leaflet" in stop for row in rows if not row.chosen for stop in row.stops)


def test_a_kits_own_spacing_off_the_studs_centers_leaves_its_screws_less_room() -> None:
    """Studs at 1450 and 3050, brackets 1590 apart: 5 off each center, and 19 less 10 is what a 38 stud gives."""
    made = small(
        survey__build="studs",
        survey__stud_width_mm=38,
        wall__rule="fixed",
        wall__spacing_mm=1590,
        wall__side_play_mm=60,
    )
    assert [(place.side, place.room_mm) for place in made.ask(studs_behind)] == [
        ("left", 4.0),
        ("right", 4.0),
    ]


def test_no_cure_of_a_lens_ends_at_the_very_end_of_its_zoom_and_a_hung_one_names_its_pole() -> None:
    far = plan(changed("mill-loft", throw__lens_from_wall_mm=3500.0))
    move = next(finding for finding in far.findings if finding.code == "lens-outside-window").cures[0]
    there = plan(taken(far.ask.job, move.changes))
    assert not {"lens-outside-window", "lens-in-margin"} & {finding.code for finding in there.findings}
    high = plan(changed("mill-loft", throw__lens_y_mm=1500.0, throw__shift_up=0.05, throw__shift_down=0.05))
    offers = [
        cure.text
        for finding in high.findings
        for cure in finding.cures
        if cure.text.startswith("Move the lens")
    ]
    lower = next(text for text in offers if "pole" in text)
    assert re.search(r"pole .*\d|no pole is left", lower), lower


def test_an_offset_to_the_far_edge_is_the_near_one_and_a_whole_height() -> None:
    job = Job(name="any")
    record = {"ratio_low": 0.25, "offset_far": 1.16}
    edits = {edit.pointer: edit.value for edit in projector_edits("short", record, job)}
    assert edits["/throw/offset"] == pytest.approx(0.16)
    assert edits["/throw/ratio_high"] == 0.25  # one ratio: a lens without zoom
    with pytest.raises(BadDocument, match="do not agree"):
        projector_edits("short", record | {"offset": 0.3}, job)


def test_a_tilt_that_covers_is_offered_though_the_one_that_aims_the_middle_leaves_a_corner_bare() -> None:
    lens: dict[str, Any] = {
        "throw__ratio_low": 2.0,
        "throw__ratio_high": 2.2,
        "throw__has_shift": False,
        "throw__offset": 0.0,
    }
    made = small(**lens, throw__lens_from_wall_mm=4778, throw__lens_y_mm=1504)
    (tilt,) = [
        cure for finding in made.findings for cure in finding.cures if cure.text.startswith("Tilt the nose")
    ]
    there = plan(taken(made.ask.job, tilt.changes))
    corners = there.ask(turned)
    assert corners is not None and corners.share > 0.9
    assert "turned-not-covered" not in {finding.code for finding in there.findings}
