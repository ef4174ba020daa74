"""Frame and trim through a whole plan: what is built, measured, cut, counted and ordered."""

from typing import Any

import pytest

from gantline.compare.cutting import cutting
from gantline.compare.materials import bench
from gantline.compare.sizes import size_table
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply
from gantline.job.problems import BadDocument
from gantline.job.records import RecordKind, edits_from, read_record
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from gantline.stations.frame import mass_kg
from gantline.stations.size import screen
from gantline.stations.tension import tension_points
from gantline.stations.wall import drilling
from tests.conftest import demo_job

BOARDS = named_records(RecordKind.BOARD)


def made(name: str, **edits: Any) -> JobPlan:
    return plan(
        apply(
            demo_job(name), [Edit(pointer=at.replace("__", "/"), value=value) for at, value in edits.items()]
        )
    )


def said(found: JobPlan, code: str) -> str:
    return next((one.text for one in found.findings if one.code == code), "")


def test_the_frame_measured_on_the_floor_moves_every_later_mark() -> None:
    before = made("mill-loft")
    wide, high = 3352.8 + 6.0, 1473.2 - 4.0
    sides = {"__frame__square__top_mm": wide, "__frame__square__bottom_mm": wide, "__frame__square__left_mm": high, "__frame__square__right_mm": high}  # fmt: skip
    after = made("mill-loft", **sides)
    one, was = after.ask(screen), before.ask(screen)
    assert (one.overall_width_mm, one.overall_height_mm) == pytest.approx((wide, high))
    assert one.picture == was.picture
    assert one.border.side_mm == pytest.approx(was.border.side_mm + 3.0)
    old, new = before.ask(drilling), after.ask(drilling)
    assert old and new
    assert old.holes[0].y_mm - old.holes[2].y_mm == pytest.approx(new.holes[0].y_mm - new.holes[2].y_mm + 4.0)
    assert "width" not in said(after, "frame-side-off")
    assert said(made("mill-loft", **dict.fromkeys(sides, 900.0)), "frame-too-small")


def test_stiffness_depth_and_legs_are_found_with_their_cures() -> None:
    free = made("basement-den", __frame__centre_bars=None)
    assert free.figures["centre_bars"].value == 1  # the fewest that keep the rails straight
    none = made("basement-den", __frame__centre_bars=0)
    assert "bows the rails" in said(none, "rail-bows")
    cure = next(one for one in none.findings if one.code == "rail-bows").cures[0]
    assert (cure.text, cure.changes[0].value) == ("Use 1 brace", 1)
    assert "poke through the fabric" in said(made("basement-den", __frame__staple_mm=18), "fastener-too-long")
    # 1 1/4 in is the pocket screw of 3/4 in boards, at its angle; straight through the face it would be 5/8 in too long
    pocket = made("basement-den", __frame__fastener_mm=31.75)
    assert not said(pocket, "fastener-too-long")
    assert "5⁄8″ at most" in said(pocket, "pocket-screws-only")
    assert said(made("basement-den", __frame__fastener_mm=38.1), "fastener-too-long")
    assert "19\u00a0mm" in said(
        made("basement-den", __frame__depth_mm=40, __units__style="mm"), "frame-depth-differs"
    )
    long = made("mill-loft", __frame__longest_mm=2000)
    assert "splice it" in said(long, "spliced")
    assert {"A1", "A2", "scab 1"} <= set(long.table("cut_list").parts)


def test_masks_and_frame_come_from_the_boards_of_the_stores() -> None:
    found = cutting(made("mill-loft").ask, BOARDS)
    frame, masks = found.groups
    assert (frame.board, masks.board, frame.proven and masks.proven) == ("2×4", "1×2", True)
    assert sorted(cut.name for one in frame.boards for cut in one.cuts) == list("ABCDEF")
    assert len([cut for one in masks.boards for cut in one.cuts]) == 16  # two panels for each of two shapes
    assert min(one.more for one in frame.others if one.more is not None) >= 0.0
    for panel in found.masks:  # magnets under the velvet of the outer stile, each with its half of the height
        assert [u for u, _ in panel.holds_mm] == [19.0, 19.0]
        assert [v for _, v in panel.holds_mm] == pytest.approx([panel.height_mm / 4, 3 * panel.height_mm / 4])
        assert max(one.right_mm for one in panel.pieces) == pytest.approx(panel.width_mm)
    short = cutting(made("mill-loft", __frame__board="1x2", __frame__longest_mm=4000).ask, BOARDS).groups[0]
    assert short.trouble.startswith("No board holds A, 132″: the longest in the stores gives 119")
    bare = cutting(made("basement-den").ask, [])
    assert (bare.groups[0].priced, bare.groups[0].price) == (False, 0.0)
    # nobody said what they cost: of two boards either way the least wood; 2721 + 1429 and 2721 + 2 * 1429, with kerfs
    unpriced = [("board", f"{long}", {"nominal": "1x3", "length_mm": long}) for long in (4400.0, 6000.0)]
    least = cutting(made("basement-den").ask, unpriced).groups[0]
    assert sorted(board.length_mm for board in least.boards) == [4400.0, 6000.0]


def test_the_list_of_materials_is_merged_priced_and_held_against_the_quote() -> None:
    edits = {"__materials__items__-": {"id": "glue", "price": 6.0, "on_hand": 0}, "__materials__quoted": 60.0}
    found = bench(made("basement-den", **edits).ask, BOARDS).materials
    rows = {one.key: one for one in found.rows}
    assert rows["glue"].cost == 6.0
    assert found.cost == pytest.approx(29.9 + 6.0)
    assert found.left == pytest.approx(60.0 - 35.9)
    sizes = size_table(made("basement-den", **edits).ask, boards=BOARDS)
    (cost,) = (row for row in sizes.measures if row.key == "cost")
    assert (cost.cells[3].value, cost.wanted) == (pytest.approx(found.cost), "up to 60")
    assert rows["pocket-screws"].buy == "1 × 50"
    # sold by the tenth of a yard, priced by the yard: 3.2 yd at 20
    sold = {"__materials__items__-": {"id": "fabric", "price": 20.0}}
    fabric = next(
        row for row in bench(made("basement-den", **sold).ask, BOARDS).materials.rows if row.key == "fabric"
    )
    assert (fabric.needed, fabric.price_of, fabric.cost) == ("3.2 yd", "yd", 64.0)
    # one board left over at 2.00, the others new at 9.00: the list costs what the bench does
    left_over = {"nominal": "1x3", "length_mm": 2440.0}
    stores = [
        ("board", "left over", left_over | {"price": 2.0, "count": 1}),
        ("board", "new", left_over | {"price": 9.0}),
    ]
    both = bench(made("narrow-lounge", __frame__build="timber", __frame__board="1x3").ask, stores)
    lines = [row for row in both.materials.rows if row.key.startswith("board-1x3")]
    assert [row.price for row in lines] == [2.0, 9.0]
    assert sum(row.cost or 0.0 for row in lines) == pytest.approx(both.cutting.price)
    late = made("basement-den", **{"__materials__items__-": {"id": "border", "arrived": False}})
    assert said(late, "material-waiting") == "Ordered and not here yet: border. Trimming waits."


def test_every_invented_kit_fills_the_job_and_its_order_holds_every_point_once() -> None:
    kits = named_records(RecordKind.KIT)
    assert len(kits) == 8
    orders = set()
    for _, name, body in kits:
        job = demo_job("narrow-lounge")
        found = plan(apply(job, edits_from(RecordKind.KIT, name, body, job)))
        assert found.figures["hold"].value == body["hold"]
        assert found.figures["frame_name"].text == name
        assert len(found.table("box").rows) == len(body["parts"])
        points, steps = found.ask(tension_points), found.table("steps")
        assert not isinstance(points, str)
        held = [n for one in steps.rows if not one.loose for n in (*one.numbers, *one.partners)]
        assert sorted(held) == sorted(one.number for one in points)
        orders.add(tuple((one.part, one.numbers) for one in steps.rows))
        if (
            name == "Ketch pair"
        ):  # short springs on the rails, long ones on the stiles, its outer frame over them
            inner = {one.place: one.action for one in steps.rows if one.part in ("Short sides", "Long sides")}
            assert inner == {"left": "hook: springs, long", "top": "hook: springs, short"}
            assert steps.rows[-1].part == "Trim"
            assert next(one.said for one in steps.rows if one.part == "Short sides").startswith("pair ")
        if (
            name == "Sharpie edgeless"
        ):  # no mass on its sheet: 4·1260 + 4·85 + 9·60 + 66·6 + 1150 + 690 + 4·95 + 4·15 g
            assert found.figures["kit_mass"].text == "8.6 kg"
            assert found.ask(mass_kg) == pytest.approx(8.596)
    assert len(orders) == 8


@pytest.mark.parametrize(
    ("body", "pointer", "words"),
    [
        ({"rail_count": 5}, "/stile_count", "one pair of sides only"),
        ({"spacing_mm": 100, "rail_count": 5, "stile_count": 4}, "/spacing_mm", "a spacing and counts"),
        ({"rule": "fixed"}, "/fixed_spacing_mm", "no spacing is given"),
        ({"mass_kg": 4, "parts": [{"name": "tubes", "count": 5, "spare": 1, "mass_g": 1100}]}, "/mass_kg", "weigh 4.4 kg together and the kit 4 kg"),
        ({"parts": [{"name": "springs"}]}, "/parts/0/count", "missing"),
        ({"parts": [{"name": "a", "count": 1}, {"name": "a", "count": 2}]}, "/parts/1/name", "twice"),
        ({"rail_count": 9, "stile_count": 5, "parts": [{"name": "s", "count": 20, "holds": True}]}, "/parts/0/count", "28 points and 20"),
    ],
)  # fmt: skip
def test_a_kit_sheet_that_contradicts_itself_is_refused_at_the_place(
    body: dict[str, Any], pointer: str, words: str
) -> None:
    with pytest.raises(BadDocument) as refused:
        read_record(RecordKind.KIT, body)
    assert [one.pointer for one in refused.value.problems] == [pointer]
    assert words in refused.value.problems[0].text


def test_what_gantline_does_not_know_of_a_kit_stays_in_its_sheet() -> None:
    body = read_record(
        RecordKind.KIT, {"hold": "lug", "finish": "satin", "parts": [{"name": "x", "count": 1, "bag": "B"}]}
    )
    assert (body["finish"], body["parts"][0]["bag"]) == ("satin", "B")


def test_the_crews_own_order_counts_from_its_own_corner() -> None:
    own = {
        "__tension__number_from": "bottom-right",
        "__tension__first_side": "right",
        "__tension__in_step": False,
        "__tension__batch": 2,
    }
    found = made("narrow-lounge", **own)
    points = found.ask(tension_points)
    assert not isinstance(points, str)
    first = next(one for one in points if one.number == 1)
    assert first.side == "bottom"
    rows = found.table("steps").rows
    sides = [one.place for one in rows if one.part == "Short sides"]
    assert sides == sorted(sides, reverse=True)  # the whole right side, then its opposite
    assert all(len(one.numbers) <= 2 for one in rows)
    staples = made("mill-loft", __frame__board="1x2", __tension__batch=3)
    assert "are moved off the plates" in said(staples, "staples-off-plates")
    assert max(len(one.numbers) for one in staples.table("steps").rows if one.part == "Outward") == 3
    lit = made("mill-loft", __trim__light__there=True, __trim__light__spacer_mm=25)
    assert "hold the frame" in said(lit, "spacer-standoff")
    assert lit.figures["strip_supply"].text.endswith("W")


def test_what_a_kit_says_bears_its_name_until_somebody_types_over_it() -> None:
    name, body = next((name, body) for _, name, body in named_records(RecordKind.KIT) if name == "Yawl")
    job = demo_job("narrow-lounge")
    edits = [one.model_copy(update={"source": name}) for one in edits_from(RecordKind.KIT, name, body, job)]
    took = apply(job, edits)
    entries = {key: one.entry for key, one in plan(took).figures.items() if one.entry is not None}
    for key in (
        "hold",
        "centre_bars",
        "drop",
        "border_side",
        "first_side",
        "rods_last",
        "hold_spacing",
        "frame_depth",
    ):
        assert entries[key].source == "Yawl", key
    assert plan(took).figures["drop"].working.written().source == "the sheet of Yawl"
    typed = apply(took, [Edit(pointer="/wall/drop_mm", value=41)])
    again = plan(typed, last=plan(took)).figures
    assert again["drop"].entry and again["drop"].entry.source == ""
    assert again["hold"].entry and again["hold"].entry.source == "Yawl"
