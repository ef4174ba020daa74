"""The throw station: what is said, what would cure it, and that taking the cure does."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.compare.projectors import projector_table
from gantline.core.throw.places import freedom, possible
from gantline.demo.world import named_records
from gantline.job.edits import Edit, apply
from gantline.job.problems import BadDocument
from gantline.job.records import RecordKind, edits_from, read_record
from gantline.job.records.files import read_json_records, read_records, write_records
from gantline.plan.plan import JobPlan
from gantline.stations import face, plan
from gantline.stations.common import fabric_plane_mm
from gantline.stations.height import placement
from gantline.stations.size import screen
from gantline.stations.throw import fits, in_front, plate, projected, wanted, window
from gantline.stations.throw.zoom import zoom_stops
from tests.conftest import demo_job
from tests.made import areas, by_key, changed, edited, findings, number, stops, taken

PROJECTORS = named_records(RecordKind.PROJECTOR)


def place_of(made: JobPlan) -> tuple[float, float, float]:
    lens = made.ask(in_front)
    assert lens is not None
    return lens.x_mm, lens.y_mm, lens.distance_mm + made.ask(fabric_plane_mm)


@pytest.mark.parametrize(
    ("name", "fields", "code", "says"),
    [
        ("mill-loft", {"throw__lens_from_wall_mm": 3900.0}, "lens-outside-window", "too close"),
        ("mill-loft", {"throw__lens_x_mm": 3300.0, "throw__mount": "blocking"}, "shift-out-of-reach", "left."),
        ("mill-loft", {"throw__lens_x_mm": 2440.0}, "no-joist-over-plate", "No joist above the mount plate"),
        ("mill-loft", {"survey__boxes__b2__z_mm": 4500.0, "survey__boxes__b2__y_mm": 2200.0}, "body-hits", "hit the tie beam"),
        ("parish-hall", {"survey__boxes__b2__y_mm": 3300.0}, "shadow", "stays dark"),
        ("parish-hall", {"throw__body__plate_to_axis_mm": 800.0}, "no-room-for-mount", "plate and adapter need"),
        ("narrow-lounge", {"survey__boxes__b1__height_mm": 380.0}, "cabinet-height", "sits"),
        ("narrow-lounge", {"survey__boxes__b1__depth_mm": 400.0}, "cabinet-depth", "front edge"),
    ],
)  # fmt: skip
def test_what_is_wrong_with_a_place_is_said_and_the_first_cure_mends_it(
    name: str, fields: dict[str, Any], code: str, says: str
) -> None:
    job = changed(name, **fields)
    finding = findings(job)[code]
    assert says in finding.text
    if finding.cures and finding.cures[0].changes:
        assert code not in findings(taken(job, finding.cures[0].changes))


def test_every_cure_of_a_shadow_clears_it_and_a_walkway_only_warns() -> None:
    job = changed("parish-hall", survey__boxes__b2__y_mm=3300.0)
    finding = findings(job)["shadow"]
    assert 0.3 < finding.numbers["share"] < 0.7
    for one in finding.cures:
        if one.changes:
            assert not any(code.startswith("shadow") for code in findings(taken(job, one.changes)))
    assert finding.cures[-1].text.startswith("Raise the lantern")
    dark = areas(face(plan(job), "front"), "shadow")
    assert len(dark) == 1
    walk = apply(demo_job("mill-loft"), [Edit(pointer="/survey/boxes/-", value={
        "kind": "walkway", "name": "doorway", "x_mm": 2000.0, "y_mm": 0.0, "z_mm": 2500.0, "width_mm": 900.0, "height_mm": 1800.0, "depth_mm": 900.0
    })])  # fmt: skip
    assert findings(walk)["walkway"].severity == "check"


def test_a_turned_body_pays_with_pixels_and_light() -> None:
    straight = number(plan(demo_job("mill-loft")), "flux")
    tilted = plan(changed("mill-loft", throw__pitch_deg=-4.0, throw__yaw_deg=2.0))
    kept = findings(tilted.ask.job)["turned"].numbers["kept"]
    assert 0.5 < kept < 1.0
    assert number(tilted, "flux") / straight == pytest.approx(
        kept, rel=0.12
    )  # the zoom differs a little as well
    front = face(plan(changed("mill-loft", throw__pitch_deg=-4.0)), "front")
    assert len(areas(front, "quad")) == len(areas(front, "kept")) == 1
    assert "turned-not-covered" in findings(changed("mill-loft", throw__yaw_deg=28.0))


def test_where_only_the_reach_stands_in_the_way_a_tilt_is_offered_with_its_price_and_then_covers() -> None:
    job = changed("mill-loft", throw__lens_y_mm=2300.0, throw__shift_down=0.2)
    both = findings(job)
    assert "lens shift" in both["height-clash"].text
    offer = both["tilt-instead"].cures[0]
    assert "of the pixels and light are left" in offer.text
    after = taken(job, offer.changes)
    assert f"{100 * findings(after)['turned'].numbers['kept']:.0f}" in offer.text
    assert not stops(after)


def test_a_sideways_lens_without_reach_is_offered_the_size_the_move_and_the_tilt_in_order() -> None:
    near = findings(changed("mill-loft", throw__lens_from_wall_mm=4000.0))["lens-outside-window"]
    assert [one.text.split()[0] for one in near.cures] == ["Move", "Use", "Choose"]
    smaller = taken(changed("mill-loft", throw__lens_from_wall_mm=4000.0), near.cures[1].changes)
    assert "lens-outside-window" not in findings(smaller)
    assert (
        plan(smaller).ask(screen).picture.diagonal_mm
        < plan(demo_job("mill-loft")).ask(screen).picture.diagonal_mm
    )


@given(st.floats(-600, 600), st.floats(-700, 300), st.floats(-900, 2500))
def test_the_station_agrees_with_the_region_it_draws(dx: float, dy: float, dz: float) -> None:
    job = changed(
        "parish-hall",
        throw__lens_x_mm=3300 + dx,
        throw__lens_y_mm=3620 + dy,
        throw__lens_from_wall_mm=8200 + dz,
    )
    made = plan(job)
    asked = made.ask(wanted)
    if asked is None:
        assert "height-clash" in findings(job)
        return
    inside = bool(possible(asked, *place_of(made)))
    assert inside == made.ask(fits)
    for name in ("side", "top"):
        assert bool(areas(face(made, name), "window")) or not inside


def test_the_rough_in_freedom_ends_where_the_region_does() -> None:
    made = plan(demo_job("parish-hall"))
    asked, place = made.ask(wanted), place_of(made)
    assert asked is not None
    spans = freedom(asked, place)
    assert spans is not None
    for axis, (low, high) in enumerate(spans):
        for at, ok in ((low + 0.5, True), (low - 1.5, False), (high - 0.5, True), (high + 1.5, False)):
            moved = (*place[:axis], at, *place[axis + 1 :])
            assert bool(possible(asked, *moved)) == ok, (axis, at)


def test_every_projector_says_whether_it_fits_and_goes_where_it_could_be() -> None:
    for name in ("mill-loft", "parish-hall"):
        job = demo_job(name)
        table = projector_table(plan(job).ask, PROJECTORS)
        assert {row.name for row in table.rows} == {one[1] for one in PROJECTORS}
        assert table.rows[0].fits
        assert next(row for row in table.rows if row.chosen).fits
        for row in table.rows:
            record = next(one[1:] for one in PROJECTORS if one[0] == row.key)
            assert row.fits == (not stops(apply(job, edits_from(RecordKind.PROJECTOR, *record, job=job))))
            if row.changes:
                there = taken(job, row.changes)
                assert plan(there).ask(fits), (name, row.name, stops(there))
            else:
                assert row.place == "nowhere in this room" or row.place.endswith("where it does not fit")


def test_a_zone_holds_every_offered_place_and_leads_the_lens_into_it() -> None:
    job = changed(
        "mill-loft", throw__zone__z_low_mm=5200.0, throw__zone__z_high_mm=5600.0, throw__zone__y_low_mm=1900.0
    )
    outside = findings(job)["outside-zone"]
    assert "back" in outside.text
    inside = taken(job, outside.cures[0].changes)
    assert "outside-zone" not in findings(inside)
    table = projector_table(plan(job).ask, PROJECTORS)
    offered = [{one.pointer: one.value for one in row.changes} for row in table.rows if row.changes]
    assert offered
    assert all(5199.0 <= float(str(one["/throw/lens_from_wall_mm"])) <= 5601.0 for one in offered)
    assert all("nowhere in its zone" in row.place for row in table.rows if not row.changes)
    crossed = changed("mill-loft", throw__zone__z_low_mm=5600.0, throw__zone__z_high_mm=5200.0)
    assert "zone-empty" in findings(crossed)
    made = plan(job)
    assert {"zone"} <= by_key(face(made, "side")).keys() & by_key(face(made, "top")).keys()


def test_sizes_from_a_place_are_filled_at_both_ends_and_no_further() -> None:
    job = changed("parish-hall", height__wish="frame-bottom")
    row = next(one for one in projector_table(plan(job).ask, PROJECTORS).rows if one.chosen)
    low, high = (float(part.split("\u00a0")[0].split()[0]) for part in row.sizes.split(" to "))
    for diagonal, fits_ in ((low + 2, True), (low - 30, False), (high - 2, True), (high + 30, False)):
        size = {"/size/lead": "diagonal", "/size/value_mm": diagonal, "/size/tidy": None}
        made = plan(edited(job, size))
        found, lens = made.ask(window), made.ask(in_front)
        assert found is not None and lens is not None
        assert (found.shortfall_mm(lens.distance_mm) == 0.0) == fits_


@pytest.mark.parametrize(
    ("body", "field", "says"),
    [
        ({"ratio_low": 2.0, "ratio_high": 1.5}, "/ratio_high", "must not exceed"),
        ({"ratio_low": 1.2, "ratio_high": 1.9, "shift_up": 0.5}, "/shift_of", "whole"),
        ({"ratio_low": 1.2, "ratio_high": 1.9, "shift_up": 0.5, "shift_of": "half", "offset": 0.1}, "/offset", "either a shift or a fixed offset"),
        ({"ratio_high": 1.2}, "/ratio_high", "wide end too"),
        ({"throw_table": [{"width_mm": 2000, "wide_mm": 2700, "long_mm": 4200}]}, "/throw_table", "two different"),
        ({"width_mm": -3}, "/width_mm", "or more"),
    ],
)  # fmt: skip
def test_a_bad_projector_record_is_refused_by_its_field_in_both_file_forms(
    body: dict[str, Any], field: str, says: str
) -> None:
    with pytest.raises(BadDocument) as direct:
        read_record(RecordKind.PROJECTOR, body)
    assert field in [one.pointer for one in direct.value.problems]
    assert says in " ".join(one.text for one in direct.value.problems)
    content = write_records(RecordKind.PROJECTOR, [("odd", "Odd one", body)])
    with pytest.raises(BadDocument) as from_csv:
        read_records(RecordKind.PROJECTOR, content)
    assert f"/line 2{field}" in [one.pointer for one in from_csv.value.problems]


def test_records_go_out_and_come_back_in_both_forms() -> None:
    import json

    assert read_records(RecordKind.PROJECTOR, write_records(RecordKind.PROJECTOR, PROJECTORS)) == PROJECTORS
    listed = json.dumps([{"key": key, "name": name, "body": body} for key, name, body in PROJECTORS]).encode()
    assert read_json_records(RecordKind.PROJECTOR, listed) == PROJECTORS
    for bad, says in ((b"[3]", "object"), (b"{]", "JSON"), (b'[{"name": "", "body": {}}]', "at least 1")):
        with pytest.raises(BadDocument, match=says):
            read_json_records(RecordKind.PROJECTOR, bad)
    semicolons = b"name;ratio_low;ratio_high\nWren;1,2;1.9\n"
    (key, name, body), *_ = read_records(RecordKind.PROJECTOR, semicolons)
    assert (key, name, body["ratio_low"]) == ("wren", "Wren", 1.2)


def test_half_height_shift_and_a_throw_table_become_what_the_model_wants() -> None:
    whimbrel = next(one for one in PROJECTORS if one[0] == "whimbrel")
    job = apply(demo_job("mill-loft"), edits_from(RecordKind.PROJECTOR, *whimbrel[1:]))
    assert (job.throw.shift_up, job.throw.shift_side) == (0.5, 0.23)
    assert job.throw.distance_offset_mm == pytest.approx(55, abs=1)
    assert (job.throw.ratio_low, job.throw.ratio_high) == pytest.approx((1.35, 2.1), abs=0.01)
    straight, moved = place_of(plan(demo_job("mill-loft"))), place_of(plan(job))
    assert moved[2] == pytest.approx(straight[2] - 55, abs=1)


def test_shapes_by_zoom_name_their_stops_and_draw_their_spill() -> None:
    job = demo_job("mill-loft")
    made = plan(job)
    found = made.table("by_zoom")
    own, wide, tall = found.rows
    assert "on the wall" in own.spill
    assert wide.trouble == "beyond the lens shift"
    assert tall.trouble == ""
    assert "all aspect ratios" in found.window
    assert len(areas(face(made, "front"), "spill")) == 3
    # the window is told to the point that distances are measured to
    away = edited(
        job, {"/throw/distance_offset_mm": 254.0, "/throw/lens_from_wall_mm": 177.75 * 25.4 + 254.0}
    )
    before, after = (one.ask(zoom_stops) for one in (made, plan(away)))
    assert before is not None
    assert after is not None
    out = 254.0 - (job.throw.distance_offset_mm or 0.0)
    assert (after.near_mm - before.near_mm, after.far_mm - before.far_mm) == pytest.approx((out, out))
    assert made.text("pole").startswith("4")


NUMBERS = (
    "cabinet_gap",
    "cabinet_height",
    "cabinet_depth",
    "per_mm_width",
    "per_mm_top",
    "feet_out",
    "foot_left",
)


def test_the_cabinet_top_figures_are_what_a_tape_and_a_pencil_give() -> None:
    job = changed("narrow-lounge", hang__picture=[])
    made = plan(job)
    figures = {key: number(made, key) for key in NUMBERS}
    panel, fabric = made.ask(projected), made.ask(fabric_plane_mm)
    assert figures["cabinet_gap"] == pytest.approx(0.25 * panel.width_mm + fabric - 245)
    centre = made.ask(placement).picture_centre_mm
    assert figures["cabinet_height"] == pytest.approx(centre - 0.65 * panel.height_mm - 90)
    assert figures["cabinet_depth"] == pytest.approx(figures["cabinet_gap"] + 380)
    assert figures["per_mm_width"] == pytest.approx(4.0)
    assert figures["per_mm_top"] == pytest.approx(1.15 / (0.25 * 16 / 9))
    assert figures["feet_out"] == pytest.approx(figures["cabinet_height"] - 16 * 25.4)
    feet = findings(job)["feet"].text
    assert f"{figures['feet_out'] / 1.25:.1f} turns" in feet
    assert figures["foot_left"] == pytest.approx(68 * 25.4 - 260)
    assert "no-cabinet" in findings(apply(job, [Edit(pointer="/survey/boxes", value=[])]))


def test_the_pole_ends_at_the_ceiling_over_the_plate_or_the_beam_under_it() -> None:
    readings = [{"id": "a", "x_mm": 0, "up_mm": 1400}, {"id": "b", "x_mm": 0, "z_mm": 4000, "up_mm": 1000}]
    job = changed("mill-loft", survey__ceiling_readings=readings, survey__datum_mm=1200)
    made = plan(job)
    place = made.ask(in_front)
    assert place is not None
    z = place.from_wall[2] + made.ask(plate).roomward_mm
    over = 2600 - 400 * min(z, 4000) / 4000  # by hand: 2600 at the wall, 2200 at four meters
    assert number(made, "pole") == pytest.approx(over - place.y_mm - made.ask(plate).to_axis_mm)
    x = place.x_mm + made.ask(plate).right_mm
    beam = {"id": "q", "kind": "beam", "x_mm": x - 50, "y_mm": over - 80, "z_mm": z - 50, "width_mm": 100, "height_mm": 80, "depth_mm": 100}  # fmt: skip
    lower = plan(edited(job, {"/survey/boxes/-": beam}))
    assert number(lower, "pole") == pytest.approx(number(made, "pole") - 80)


def test_only_the_ceiling_over_the_body_bounds_it() -> None:
    low_at_the_back = [
        {"id": "a", "x_mm": 0, "up_mm": 1400}, {"id": "b", "x_mm": 0, "z_mm": 6000, "up_mm": 1400},
        {"id": "c", "x_mm": 0, "z_mm": 6500, "up_mm": 600},
    ]  # fmt: skip
    room = {
        "survey__datum_mm": 1200,
        "survey__room_depth_mm": 9000,
        "survey__boxes": [],
        "survey__joists__spacing_mm": None,
    }
    job = changed("mill-loft", survey__ceiling_readings=low_at_the_back, throw__lens_from_wall_mm=5000.0, throw__lens_y_mm=2300.0, **room)  # fmt: skip
    codes = {one.code for one in plan(job).findings}
    assert not codes & {"body-hits", "body-past-room"}
    back = edited(job, {"/throw/lens_from_wall_mm": 6600.0})
    hit = findings(back)["body-hits"]
    assert "ceiling" in hit.text
    assert hit.subject == "/survey/ceiling_readings"


def test_plate_pole_and_cable_are_counted_from_the_lens() -> None:
    made = plan(demo_job("parish-hall"))
    figures = {key: number(made, key) for key in ("plate_x", "plate_z", "centre_x", "pole", "cable")}
    assert (figures["plate_x"], figures["plate_z"]) == (3300.0, 8340.0)
    assert (made.text("plate_off_centre"), figures["centre_x"]) == ("100\u00a0mm left", 3400.0)
    ceiling = 1500 + 2688 + (2706 - 2688) * (3420 - 3300) / 3420
    assert figures["pole"] == pytest.approx(ceiling - 3620 - 120, abs=0.1)
    up, along = (ceiling - 1100) + (ceiling - 3620), (3300 - 150) + (11800 - 8200)
    assert figures["cable"] == pytest.approx(up + along + 1000, abs=1.0)
    loose = findings(changed("parish-hall", throw__mount="joist"))
    assert "Survey the joists" in loose["no-joists"].text


CABINET = {
    "hang/picture": [],
    "survey/boxes": [{"id": "c", "kind": "cabinet", "name": "cabinet", "x_mm": 1500, "y_mm": 0, "width_mm": 1500, "height_mm": 17 * 25.4, "depth_mm": 620}],
    "survey/seats": [], "survey/fittings": [], "survey/lamps": [],
    "size/lead": "width", "size/value_mm": 92 * 25.4, "size/aspect": "16:9", "size/tidy": None, "throw/has_shift": False,
    "throw/ratio_low": 0.26, "throw/ratio_high": 0.26, "throw/offset": 0.18, "throw/mount": None, "throw/hung": False,
    "throw/lens_x_mm": None, "throw/distance_offset_mm": None, "height/centre_x_mm": None, "height/lowest_edge_mm": 300,
    "survey/wall_width_mm": 4500, "survey/ceiling_mm": 2900, "survey/ceiling_readings": [], "throw/panel_aspect": "16:9", "throw/body/lens_above_base_mm": 3.5 * 25.4,
}  # fmt: skip


def on_cabinet(**fields: Any) -> Any:
    return edited(demo_job("narrow-lounge"), {f"/{key}": value for key, value in (CABINET | fields).items()})


@pytest.mark.parametrize("wish", [60, 66, 70, 75])
def test_a_fixed_lens_puts_the_frame_at_its_exact_place_wherever_it_was_wished(wish: float) -> None:
    entered = {"throw/lens_y_mm": 20.5 * 25.4, "throw/lens_from_wall_mm": None, "height/wish": "frame-top", "height/wish_mm": wish * 25.4}  # fmt: skip
    job = on_cabinet(**entered)
    made = plan(job)
    assert not stops(job)
    high = made.ask(projected).height_mm
    center = 20.5 * 25.4 + (0.5 + 0.18) * high  # by hand
    assert made.ask(placement).picture_centre_mm == pytest.approx(center, abs=1e-6)


def test_a_cabinet_top_projector_takes_mount_distance_and_height_from_record_size_and_cabinet() -> None:
    job = on_cabinet(**{"throw/lens_y_mm": None, "throw/lens_from_wall_mm": None})
    made = plan(job)
    above = job.throw.body.lens_above_base_mm or 0.0
    assert made.figures["mount"].value == "cabinet"
    assert number(made, "lens_y") == pytest.approx(17 * 25.4 + above)
    overspill = job.size.overspill_mm or 0.0
    plane = made.ask(fabric_plane_mm)
    assert number(made, "lens_from_wall") == pytest.approx(0.26 * (92 * 25.4 + 2 * overspill) + plane)
    # the distance is judged before anybody knows a height
    bare = plan(edited(job, {"/survey/boxes": [], "/throw/lens_from_wall_mm": 1000.0}))
    assert "lens-outside-window" in {one.code for one in bare.findings}
    dunlin = next(one for one in PROJECTORS if one[0] == "dunlin")
    row = next(one for one in projector_table(plan(job).ask, PROJECTORS).rows if one.key == "dunlin")
    assert "on the cabinet" in row.place
    loft = edited(on_cabinet(), {"/throw/mount": "shelf"})
    assert apply(loft, edits_from(RecordKind.PROJECTOR, *dunlin[1:], job=loft)).throw.mount == "cabinet"


def test_no_projector_is_nowhere_while_a_cabinet_stands_there_for_it() -> None:
    rows = projector_table(plan(demo_job("narrow-lounge")).ask, PROJECTORS).rows
    assert all("on the low cabinet" in one.place for one in rows if one.category.startswith("cabinet-top"))


def test_a_fixed_offset_says_that_the_lens_has_no_shift_unless_somebody_says_it_has() -> None:
    """Before either is entered both are asked for; a leaflet gives the one or the other."""
    both = {"throw__has_shift": None, "throw__offset": None}
    open_ = plan(changed("mill-loft", **both)).figures
    assert open_["shift_up"].text
    assert (open_["offset"].label, open_["offset"].value) == ("Fixed offset, if it has no shift", None)
    fixed = plan(changed("mill-loft", throw__has_shift=None, throw__offset=0.1)).figures
    assert "shift_up" not in fixed
    assert fixed["offset"].value == pytest.approx(0.1)
    shifted = plan(changed("mill-loft", throw__has_shift=True, throw__offset=0.1)).figures
    assert "offset" not in shifted
