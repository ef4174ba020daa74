"""The throw station: what is said, what would cure it, and that taking the cure does."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.defaults import PLAIN_SHOP
from gantline.core.throw.places import freedom, possible
from gantline.demo.world import named_records
from gantline.drawing.drawing import draw
from gantline.drawing.marks import Area, Mark
from gantline.job.document import Job
from gantline.job.edits import Edit, apply
from gantline.job.problems import BadDocument
from gantline.job.record_files import read_json_records, read_records, write_records
from gantline.job.records import RecordKind, edits_from, read_record
from gantline.plan.figures import Finding
from gantline.plan.plan import Planned, plan
from gantline.plan.projectors import projector_table
from tests.conftest import demo_job

PROJECTORS = named_records(RecordKind.PROJECTOR)


def with_(name: str, **fields: Any) -> Job:
    return apply(
        demo_job(name),
        [Edit(pointer="/" + key.replace("__", "/"), value=value) for key, value in fields.items()],
    )


def found(job: Job) -> dict[str, Finding]:
    return {one.code: one for one in plan(job).plan.findings if one.station in ("throw", "height")}


def text(planned: Planned, key: str) -> str:
    return next(one.text for one in planned.plan.figures if one.key == key)


def numbers(planned: Planned) -> dict[str, float]:
    return {one.key: float(str(one.value)) for one in planned.plan.figures if type(one.value) in (int, float)}


def taken(job: Job, finding: Finding, at: int = 0) -> Job:
    return apply(job, [Edit(pointer=one.pointer, value=one.value) for one in finding.cures[at].changes])


def areas(marks: tuple[Mark, ...], role: str) -> list[Area]:
    return [one for one in marks if isinstance(one, Area) and one.role == role]


@pytest.mark.parametrize(
    ("name", "fields", "code", "says"),
    [
        ("mill-loft", {"throw__lens_from_wall_mm": 3900.0}, "lens-outside-window", "too near"),
        ("mill-loft", {"throw__lens_x_mm": 3300.0, "throw__mount": "blocking"}, "shift-out-of-reach", "to the left"),
        ("mill-loft", {"throw__lens_x_mm": 2440.0}, "no-joist-over-plate", "No joist is over the mount plate"),
        ("mill-loft", {"survey__boxes__1__z_mm": 4500.0, "survey__boxes__1__y_mm": 2200.0}, "body-in-tie beam", "would stand in the tie beam"),
        ("parish-hall", {"survey__boxes__1__y_mm": 3300.0}, "shadow-lantern", "stays dark"),
        ("parish-hall", {"throw__body__plate_to_axis_mm": 800.0}, "no-room-for-mount", "too high for this mount"),
        ("narrow-lounge", {"survey__boxes__0__height_mm": 380.0}, "cabinet-height", "lands"),
        ("narrow-lounge", {"survey__boxes__0__depth_mm": 400.0}, "cabinet-depth", "front edge"),
    ],
)  # fmt: skip
def test_what_is_wrong_with_a_place_is_said_and_the_first_cure_mends_it(
    name: str, fields: dict[str, Any], code: str, says: str
) -> None:
    job = with_(name, **fields)
    finding = found(job)[code]
    assert says in finding.text
    if finding.cures and finding.cures[0].changes:
        assert code not in found(taken(job, finding))


def test_every_cure_of_a_shadow_clears_it_and_a_walkway_only_warns() -> None:
    job = with_("parish-hall", survey__boxes__1__y_mm=3300.0)
    finding = found(job)["shadow-lantern"]
    assert 0.3 < finding.numbers["share"] < 0.7
    for at, one in enumerate(finding.cures):
        if one.changes:
            assert not any(code.startswith("shadow") for code in found(taken(job, finding, at)))
    assert finding.cures[-1].text.endswith("higher")
    dark = areas(draw(job, plan(job)).front.marks, "shadow")
    assert len(dark) == 1
    walk = apply(demo_job("mill-loft"), [Edit(pointer="/survey/boxes/-", value={
        "kind": "walkway", "name": "doorway", "x_mm": 2000.0, "y_mm": 0.0, "z_mm": 2500.0, "width_mm": 900.0, "height_mm": 1800.0, "depth_mm": 900.0
    })])  # fmt: skip
    assert found(walk)["walkway-doorway"].severity == "mind"


def test_a_turned_body_pays_with_pixels_and_light() -> None:
    straight = float(
        str(next(one.value for one in plan(demo_job("mill-loft")).plan.figures if one.key == "flux"))
    )
    tilted = plan(with_("mill-loft", throw__pitch_deg=-4.0, throw__yaw_deg=2.0))
    finding = next(one for one in tilted.plan.findings if one.code == "turned")
    assert 0.5 < finding.numbers["kept"] < 1.0
    flux = float(str(next(one.value for one in tilted.plan.figures if one.key == "flux")))
    assert flux / straight == pytest.approx(
        finding.numbers["kept"], rel=0.12
    )  # the zoom differs a little as well
    front = draw(with_("mill-loft", throw__pitch_deg=-4.0), tilted).front.marks
    assert len(areas(front, "quad")) == len(areas(front, "kept")) == 1
    assert "turned-not-covered" in found(with_("mill-loft", throw__yaw_deg=28.0))


def test_where_only_the_reach_stands_in_the_way_a_tilt_is_offered_with_its_price_and_then_covers() -> None:
    job = with_("mill-loft", throw__lens_y_mm=2300.0, throw__shift_down=0.2)
    both = found(job)
    assert "lens shift" in both["height-clash"].text
    offer = both["tilt-instead"].cures[0]
    assert "of the pixels and light are left" in offer.text
    after = plan(taken(job, both["tilt-instead"]))
    kept = next(one for one in after.plan.findings if one.code == "turned").numbers["kept"]
    assert f"{100 * kept:.0f} %" in offer.text
    assert not [one for one in after.plan.findings if one.severity == "stop"]


def test_a_sideways_lens_without_reach_is_offered_the_size_the_move_and_the_tilt_in_order() -> None:
    near = found(with_("mill-loft", throw__lens_from_wall_mm=4000.0))["lens-outside-window"]
    assert [one.text.split()[0] for one in near.cures] == ["Lens", "A", "Another"]
    smaller = taken(with_("mill-loft", throw__lens_from_wall_mm=4000.0), near, 1)
    assert "lens-outside-window" not in found(smaller)
    assert (
        plan(smaller).sized.screen.picture.diagonal_mm
        < plan(demo_job("mill-loft")).sized.screen.picture.diagonal_mm
    )


@given(st.floats(-600, 600), st.floats(-700, 300), st.floats(-900, 2500))
def test_the_station_agrees_with_the_region_it_draws(dx: float, dy: float, dz: float) -> None:
    job = with_(
        "parish-hall",
        throw__lens_x_mm=3300 + dx,
        throw__lens_y_mm=3620 + dy,
        throw__lens_from_wall_mm=8200 + dz,
    )
    made = plan(job)
    beam = made.scene.beam
    if beam is None or beam.wanted is None:
        assert "height-clash" in found(job)
        return
    inside = bool(
        possible(beam.wanted, beam.lens_x_mm, beam.lens_y_mm, beam.distance_mm + made.scene.fabric_z_mm)
    )
    assert inside == beam.fits
    for face in (draw(job, made).side, draw(job, made).top):
        assert bool(areas(face.marks, "window")) or not inside


def test_the_rough_in_freedom_ends_where_the_region_does() -> None:
    made = plan(demo_job("parish-hall"))
    beam = made.scene.beam
    assert beam is not None
    assert beam.wanted is not None
    place = (beam.lens_x_mm, beam.lens_y_mm, beam.distance_mm + made.scene.fabric_z_mm)
    spans = freedom(beam.wanted, place)
    assert spans is not None
    for axis, (low, high) in enumerate(spans):
        for at, ok in ((low + 0.5, True), (low - 1.5, False), (high - 0.5, True), (high + 1.5, False)):
            moved = (*place[:axis], at, *place[axis + 1 :])
            assert bool(possible(beam.wanted, *moved)) == ok, (axis, at)


def test_every_projector_says_whether_it_fits_and_goes_where_it_could_be() -> None:
    for name in ("mill-loft", "parish-hall"):
        job = demo_job(name)
        table = projector_table(job, PLAIN_SHOP, PROJECTORS)
        assert {row.name for row in table.rows} == {one[1] for one in PROJECTORS}
        assert table.rows[0].fits
        assert next(row for row in table.rows if row.chosen).fits
        for row in table.rows:
            alone = plan(
                apply(
                    job,
                    edits_from(
                        RecordKind.PROJECTOR, *next(one[1:] for one in PROJECTORS if one[0] == row.key)
                    ),
                )
            )
            assert row.fits == (not [one for one in alone.plan.findings if one.severity == "stop"])
            if row.changes:
                there = plan(apply(job, [Edit(pointer=one.pointer, value=one.value) for one in row.changes]))
                assert there.scene.beam is not None
                assert there.scene.beam.fits, (
                    name,
                    row.name,
                    [one.text for one in there.plan.findings if one.severity == "stop"],
                )
            else:
                assert row.place == "nowhere in this room"


def test_a_zone_holds_every_offered_place_and_leads_the_lens_into_it() -> None:
    job = with_(
        "mill-loft", throw__zone__z_low_mm=5200.0, throw__zone__z_high_mm=5600.0, throw__zone__y_low_mm=1900.0
    )
    outside = found(job)["outside-zone"]
    assert "back" in outside.text
    inside = apply(job, [Edit(pointer=one.pointer, value=one.value) for one in outside.cures[0].changes])
    assert "outside-zone" not in found(inside)
    table = projector_table(job, PLAIN_SHOP, PROJECTORS)
    offered = [{one.pointer: one.value for one in row.changes} for row in table.rows if row.changes]
    assert offered
    assert all(5199.0 <= float(str(one["/throw/lens_from_wall_mm"])) <= 5601.0 for one in offered)
    assert all(row.place == "nowhere in its zone" for row in table.rows if not row.changes)
    crossed = with_("mill-loft", throw__zone__z_low_mm=5600.0, throw__zone__z_high_mm=5200.0)
    assert "zone-empty" in found(crossed)
    drawn = draw(job, plan(job))
    assert {"zone"} <= {mark.key for mark in drawn.side.marks} & {mark.key for mark in drawn.top.marks}


def test_sizes_from_a_place_are_filled_at_both_ends_and_no_further() -> None:
    job = with_("parish-hall", height__wish="frame-bottom")
    row = next(one for one in projector_table(job, PLAIN_SHOP, PROJECTORS).rows if one.chosen)
    low, high = (float(part.split("\u00a0")[0].split()[0]) for part in row.sizes.split(" to "))
    for diagonal, fits in ((low + 2, True), (low - 30, False), (high - 2, True), (high + 30, False)):
        size = {"lead": "diagonal", "value_mm": diagonal, "tidy": None}
        beam = plan(
            apply(job, [Edit(pointer=f"/size/{key}", value=value) for key, value in size.items()])
        ).scene.beam
        assert beam is not None
        assert (beam.window.shortfall_mm(beam.distance_mm) == 0.0) == fits


@pytest.mark.parametrize(
    ("body", "field", "says"),
    [
        ({"ratio_low": 2.0, "ratio_high": 1.5}, "/ratio_high", "must not exceed"),
        ({"ratio_low": 1.2, "ratio_high": 1.9, "shift_up": 0.5}, "/shift_of", "whole"),
        ({"ratio_low": 1.2, "ratio_high": 1.9, "shift_up": 0.5, "shift_of": "half", "offset": 0.1}, "/offset", "either a shift or a fixed offset"),
        ({"ratio_low": 1.2}, "/ratio_high", "both ends"),
        ({"throw_table": [{"width_mm": 2000, "wide_mm": 2700, "long_mm": 4200}]}, "/throw_table", "two different"),
        ({"width_mm": -3}, "/width_mm", "more than"),
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
    assert plan(job).scene.beam.distance_mm == pytest.approx(
        plan(demo_job("mill-loft")).scene.beam.distance_mm - 55, abs=1
    )  # type: ignore[union-attr]


def test_shapes_by_zoom_name_their_stops_and_draw_their_spill() -> None:
    job = demo_job("mill-loft")
    made = plan(job)
    assert made.plan.by_zoom is not None
    own, wide, tall = made.plan.by_zoom.rows
    assert "on the wall" in own.spill
    assert wide.trouble == "shift out of reach"
    assert tall.trouble == ""
    assert "serves all shapes" in made.plan.by_zoom.window
    assert len(areas(draw(job, made).front.marks, "spill")) == 3
    assert text(made, "pole").startswith("4")


def test_the_cabinet_top_figures_are_what_a_tape_and_a_pencil_give() -> None:
    job = demo_job("narrow-lounge")
    made = plan(job)
    figures = numbers(made)
    beam = made.scene.beam
    assert beam is not None
    panel, fabric = beam.panel, made.scene.fabric_z_mm
    assert figures["cabinet_gap"] == pytest.approx(0.25 * panel.width_mm + fabric - 245)
    centre = made.hung.picture_centre_mm
    assert figures["cabinet_height"] == pytest.approx(centre - 0.65 * panel.height_mm - 90)
    assert figures["cabinet_depth"] == pytest.approx(figures["cabinet_gap"] + 380)
    assert figures["per_mm_width"] == pytest.approx(4.0)
    assert figures["per_mm_top"] == pytest.approx(1.15 / (0.25 * 16 / 9))
    assert figures["feet_out"] == pytest.approx(figures["cabinet_height"] - 16 * 25.4)
    feet = next(one.text for one in made.plan.findings if one.code == "feet")
    assert f"{figures['feet_out'] / 1.25:.1f} turns" in feet
    assert figures["foot_left"] == pytest.approx(68 * 25.4 - 260)
    assert "no-cabinet" in found(apply(job, [Edit(pointer="/survey/boxes", value=[])]))


def test_plate_pole_and_cable_are_counted_from_the_lens() -> None:
    made = plan(demo_job("parish-hall"))
    figures = numbers(made)
    assert (figures["plate_x"], figures["plate_z"]) == (3300.0, 8340.0)
    assert (text(made, "plate_off_centre"), figures["centre_x"]) == ("100\u00a0mm left", 3400.0)
    ceiling = 1500 + 2688 + (2706 - 2688) * (3420 - 3300) / 3420
    assert figures["pole"] == pytest.approx(ceiling - 3620 - 120, abs=0.1)
    up, along = (ceiling - 1100) + (ceiling - 3620), (3300 - 150) + (11800 - 8200)
    assert figures["cable"] == pytest.approx(up + along + 1000, abs=1.0)
    loose = found(with_("parish-hall", throw__mount="joist"))
    assert "Survey the joists" in loose["no-joists"].text
