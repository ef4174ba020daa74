"""The exact projector model against closed forms, keystone prices and shadows against other ways to them."""

import math
from dataclasses import replace
from fractions import Fraction

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.size.picture import Picture
from gantline.core.space import Solid
from gantline.core.throw.by_zoom import window_for_all, zoom_stop
from gantline.core.throw.cabinet import CabinetBody, cabinet_place, picture_centre_mm
from gantline.core.throw.keystone import corrected, keystone, tilt_needed, used_share
from gantline.core.throw.light_path import blocked, shaded_share, shadow
from gantline.core.throw.mount import Plate, cable_path, joist_choices, path_mm, pole_mm
from gantline.core.throw.pinhole import Pose, panel_corners, straight_pose, to_panel, to_wall
from gantline.core.throw.shift import ReachShape, ShiftReach
from gantline.core.throw.window import Lens, PanelImage, TableLine, fit_throw

small, shifts, ratios = st.floats(-0.2, 0.2), st.floats(-0.6, 0.6), st.floats(0.3, 3.0)


@given(small, small, small, shifts, shifts, ratios, st.floats(500, 9000))
def test_what_the_panel_lights_on_the_wall_is_lit_by_that_panel_point(
    yaw: float, pitch: float, roll: float, h: float, v: float, ratio: float, z: float
) -> None:
    pose = Pose(
        lens_x_mm=300, lens_y_mm=1500, distance_mm=z, ratio=ratio, panel_aspect=1.6, shift_h=h / 2, shift_v=v / 2,
        yaw=yaw, pitch=pitch, roll=roll,
    )  # fmt: skip
    corners = panel_corners(1.6)
    try:
        landed = to_wall(pose, corners)
    except OutOfRange:
        return  # a very wide lens turned that far looks past the wall
    assert to_panel(pose, landed) == pytest.approx(corners, abs=1e-9)


@given(small, small, small)
def test_small_turns_move_the_picture_as_the_first_order_says(yaw: float, pitch: float, roll: float) -> None:
    yaw, pitch, roll = yaw / 200, pitch / 200, roll / 200  # up to 1 mrad
    straight = Pose(
        lens_x_mm=0, lens_y_mm=0, distance_mm=4000, ratio=1.5, panel_aspect=16 / 9, shift_v=0.5, shift_h=0.1
    )
    turned = Pose(
        lens_x_mm=0, lens_y_mm=0, distance_mm=4000, ratio=1.5, panel_aspect=16 / 9, shift_v=0.5, shift_h=0.1,
        yaw=yaw, pitch=pitch, roll=roll,
    )  # fmt: skip
    corners = panel_corners(16 / 9)
    before, after = to_wall(straight, corners), to_wall(turned, corners)
    a, b = before[:, 0] / 4000, before[:, 1] / 4000
    dx = 4000 * ((1 + a**2) * yaw + a * b * pitch - b * roll)
    dy = 4000 * (a * b * yaw + (1 + b**2) * pitch + a * roll)
    assert after - before == pytest.approx(np.stack([dx, dy], axis=1), abs=0.02)


def test_a_straight_pose_fills_the_picture_and_keystone_costs_nothing() -> None:
    panel = PanelImage(3233.6, 1818.9)
    pose = straight_pose(
        picture_x_mm=2362, picture_y_mm=1400, panel=panel, panel_aspect=Fraction(16, 9), lens_x_mm=2400, lens_y_mm=2235,
        distance_mm=4500,
    )  # fmt: skip
    low, _, high, _ = to_wall(pose, panel_corners(16 / 9))
    assert low == pytest.approx([2362 - 1616.8, 1400 - 909.45], abs=0.01)
    assert high == pytest.approx([2362 + 1616.8, 1400 + 909.45], abs=0.01)
    found = keystone(pose, 2.39)
    assert found.kept == pytest.approx(1.0, abs=1e-6)
    assert found.share == pytest.approx((16 / 9) / 2.39, abs=1e-6)


@given(
    st.floats(-0.3, 0.3), st.floats(-0.25, 0.25), st.floats(-0.1, 0.1), st.sampled_from([16 / 9, 2.39, 4 / 3])
)
def test_no_larger_upright_picture_fits_into_a_turned_image(
    yaw: float, pitch: float, roll: float, aspect: float
) -> None:
    from shapely import Polygon
    from shapely.affinity import scale, translate

    pose = Pose(
        lens_x_mm=0,
        lens_y_mm=0,
        distance_mm=4000,
        ratio=1.6,
        panel_aspect=16 / 9,
        yaw=yaw,
        pitch=pitch,
        roll=roll,
    )
    found = keystone(pose, aspect)
    image, picture = Polygon(found.quad), Polygon(found.picture)
    assert image.buffer(0.01).contains(picture)
    wide, high = np.ptp(found.picture, axis=0)
    assert wide / high == pytest.approx(aspect)
    grown = scale(picture, 1.002, 1.002)  # a little larger, moved a little any way: always sticks out
    for dx, dy in np.random.default_rng(4).uniform(-25, 25, (60, 2)):
        assert not image.contains(translate(grown, dx, dy))
    assert (
        0.0 < found.share <= 1.0 + 1e-9
    )  # a turned panel may give a wider picture more of its height than a straight one


def test_the_tilt_is_a_difference_of_two_arctans() -> None:
    reach = ShiftReach(up=0.5, down=0.5, side=0.1)
    got = tilt_needed(rise_mm=-1400, distance_mm=4000, panel_height_mm=1500, reach=reach, horizontal=0.0)
    assert got == pytest.approx(math.atan(-0.35) - math.atan(-750 / 4000))
    assert abs(got) < abs(math.atan(650 / 4000))  # the arctan of the excess alone would be too much
    half = ShiftReach(up=0.5, down=0.5, side=0.1, shape=ReachShape.DIAMOND)
    less = tilt_needed(rise_mm=-1400, distance_mm=4000, panel_height_mm=1500, reach=half, horizontal=0.05)
    assert less == pytest.approx(math.atan(-0.35) - math.atan(-375 / 4000))
    assert (
        tilt_needed(rise_mm=300, distance_mm=4000, panel_height_mm=1500, reach=reach, horizontal=0.0) == 0.0
    )


places = st.tuples(st.floats(-3000, 3000), st.floats(-500, 3500), st.floats(-300, 5000))
sizes = st.tuples(st.floats(20, 2500), st.floats(20, 2500), st.floats(20, 3000))


@given(places, sizes, st.floats(-1500, 1500), st.floats(200, 2600), st.floats(800, 5000))
def test_a_shadow_holds_exactly_the_picture_points_whose_rays_are_blocked(
    low: tuple[float, float, float], size: tuple[float, float, float], x: float, y: float, z: float
) -> None:
    from shapely import Point, Polygon

    solid = Solid(name="box", low=low, high=tuple(a + b for a, b in zip(low, size, strict=True)))  # type: ignore[arg-type]
    picture, lens = (-1200.0, 700.0, 1200.0, 2050.0), (x, y, z)
    found = shadow(solid, lens, picture)
    outline = Polygon(found.outline) if found else Polygon()
    points = np.random.default_rng(7).uniform([-1200, 700], [1200, 2050], (60, 2))
    clipped = Solid(
        name="box",
        low=(low[0], low[1], max(low[2], 0.0)),
        high=(*solid.high[:2], min(solid.high[2], z - 1.0)),
    )
    dark = blocked(clipped, lens, points) if clipped.low[2] < clipped.high[2] else np.zeros(60, dtype=bool)
    for point, is_dark in zip(points, dark, strict=True):
        if outline.is_empty or outline.exterior.distance(Point(point)) > 1e-6:
            assert outline.contains(Point(point)) == bool(is_dark)


def test_a_beam_across_the_light_shades_a_strip_that_is_counted_once() -> None:
    # lens 4 m out at 2000; a beam 2 m out, its underside at 1800: its shadow ends at 2000 - 2 x 200 = 1600
    beam = Solid(name="beam", low=(-5000, 1800, 2000), high=(5000, 2500, 2000.001))
    picture = (-1000.0, 1000.0, 1000.0, 2000.0)
    found = shadow(beam, (0.0, 2000.0, 4000.0), picture)
    assert found is not None
    assert found.share == pytest.approx(0.4, abs=1e-5)
    assert shaded_share((found, found), picture) == pytest.approx(found.share)
    assert (
        shadow(
            Solid(name="behind", low=(-100, 1800, 4100), high=(100, 2500, 4400)),
            (0.0, 2000.0, 4000.0),
            picture,
        )
        is None
    )


def test_a_cabinet_top_body_stands_where_its_ratio_and_offset_put_it() -> None:
    body = CabinetBody(ratio=0.25, offset=0.15, lens_to_back_mm=260, lens_above_base_mm=100, depth_mm=380)
    panel = PanelImage(2400, 1350)
    found = cabinet_place(body, panel, picture_centre_mm=1500, fabric_mm=50)
    assert (found.distance_mm, found.gap_mm, found.depth_needed_mm) == pytest.approx((600, 390, 770))
    assert found.lens_y_mm == pytest.approx(
        1500 - 675 - 0.15 * 1350
    )  # the image's bottom is o H_p over the lens
    assert picture_centre_mm(body, panel, base_mm=found.base_mm) == pytest.approx(1500)
    # the same sensitivities by moving the body 1 mm in the exact model
    corners = []
    for z in (600.0, 601.0):
        pose = Pose(
            lens_x_mm=0,
            lens_y_mm=found.lens_y_mm,
            distance_mm=z,
            ratio=0.25,
            panel_aspect=16 / 9,
            shift_v=0.65,
        )
        corners.append(to_wall(pose, panel_corners(16 / 9)))
    moved = corners[1] - corners[0]
    assert moved[1, 0] - moved[0, 0] == pytest.approx(found.width_per_mm)
    assert (moved[0, 1], moved[2, 1]) == pytest.approx((found.bottom_per_mm, found.top_per_mm))
    with pytest.raises(OutOfRange, match="ratio"):
        CabinetBody(ratio=0.0, offset=0.1, lens_to_back_mm=1, lens_above_base_mm=1, depth_mm=1)


def test_pole_joists_and_cable() -> None:
    plate = Plate(right_mm=40, roomward_mm=120, to_axis_mm=110)
    assert pole_mm(2700, 2235, plate) == pytest.approx(355)
    nearest, other = joist_choices((1800.0, 2206.4), 2150.0, plate.right_mm)
    assert (nearest.number, nearest.lens_mm, nearest.move_mm) == pytest.approx((2, 2166.4, 16.4))
    assert other.move_mm == pytest.approx(-390)
    # up 2400, along 2000 and 4000, down 400, and a metre to spare
    assert path_mm(cable_path((0, 300, 0), (2000, 2300, 4000), level_mm=2700)) + 1000 == pytest.approx(9800)


def test_a_makers_table_gives_ratio_and_the_offset_of_its_measuring_point() -> None:
    lines = [
        TableLine(width_mm=w, wide_mm=1.35 * w + 55, long_mm=2.2 * w + 55) for w in (1500.0, 2200.0, 3100.0)
    ]
    lens, offset_mm = fit_throw(lines)
    assert (lens.ratio_low, lens.ratio_high, offset_mm) == pytest.approx((1.35, 2.2, 55))
    with pytest.raises(OutOfRange, match="two different"):
        fit_throw(lines[:1])


def test_a_wide_screen_filled_by_zoom_needs_the_range_and_spills_above_and_below() -> None:
    screen = Picture(width_mm=2.39 * 1353, height_mm=1353)
    panel = Fraction(16, 9)

    def stop(content: Fraction):  # type: ignore[no-untyped-def]
        return zoom_stop(
            screen,
            content,
            panel,
            overspill_mm=0,
            distance_mm=4500,
            rise_mm=-800,
            aside_mm=0,
            ratio_low=1.3,
            offset=0,
        )

    wide, tall = stop(Fraction(239, 100)), stop(panel)
    assert wide.panel.width_mm / tall.panel.width_mm == pytest.approx(1.344, abs=1e-3)
    assert tall.ratio / wide.ratio == pytest.approx(1.344, abs=1e-3)
    assert abs(tall.shift_v) > abs(wide.shift_v)
    assert (wide.spill_side_mm, tall.spill_level_mm) == pytest.approx((0, 0), abs=1e-9)
    assert wide.spill_level_mm == pytest.approx((screen.width_mm / (16 / 9) - 1353) / 2)
    assert (wide.light_share, tall.light_share) == pytest.approx(((16 / 9) / 2.39, 1.0))
    near, far = window_for_all(Lens(ratio_low=1.3, ratio_high=2.1), (wide.panel, tall.panel))
    assert (near, far) == pytest.approx((1.3 * screen.width_mm, 2.1 * 1353 * 16 / 9))


shapes = st.sampled_from(["rectangle", "diamond"])
PICTURE = np.array([(-1200, -675), (1200, -675), (1200, 675), (-1200, 675)], dtype=float)


def covered_somewhere(start: Pose, lens: Lens, reach: ShiftReach) -> bool:
    """Every zoom and shift on a grid, one by one: the long way round, written a second time."""
    v, h, ratio = np.meshgrid(np.linspace(-reach.down, reach.up, 41), np.linspace(-reach.side, reach.side, 41), np.linspace(lens.ratio_low, lens.ratio_high, 15))  # fmt: skip
    if reach.shape is ReachShape.DIAMOND:
        inside = np.abs(h) / reach.side + np.where(v > 0, v / reach.up, -v / reach.down) <= 1.0
        v, h, ratio = v[inside], h[inside], ratio[inside]
    rays = to_panel(replace(start, ratio=1.0, shift_h=0.0, shift_v=0.0), PICTURE)
    across = np.abs(rays[:, 0, None] * ratio.ravel() - h.ravel())
    up = np.abs(rays[:, 1, None] * ratio.ravel() - (start.shift_v + v.ravel()) * 9 / 16)
    return bool(((across <= 0.5) & (up <= 9 / 32)).all(axis=0).any())


@given(
    st.floats(-0.25, 0.25),
    st.floats(-0.2, 0.2),
    st.floats(-500, 500),
    st.floats(-900, 900),
    shapes,
    st.sampled_from([0.0, 0.55]),
)
def test_a_corrected_pose_covers_the_picture_and_would_not_zoomed_in_any_further(
    yaw: float, pitch: float, x: float, y: float, shape: str, offset: float
) -> None:
    picture = PICTURE
    lens, reach = (
        Lens(ratio_low=1.1, ratio_high=2.4),
        ShiftReach(up=0.6, down=0.5, side=0.2, shape=ReachShape(shape)),
    )
    start = Pose(
        lens_x_mm=x,
        lens_y_mm=y,
        distance_mm=3800,
        ratio=1.1,
        panel_aspect=16 / 9,
        yaw=yaw,
        pitch=pitch,
        shift_v=offset,
    )
    found = corrected(start, picture, lens=lens, reach=reach)
    if found is None:
        assert not covered_somewhere(start, lens, reach)
        return
    limits = np.array([0.5, 9 / 32])
    assert (np.abs(to_panel(found, picture)) <= limits + 1e-6).all()
    used_v, used_h = found.shift_v - offset, abs(found.shift_h)
    assert -0.5 - 1e-6 <= used_v <= 0.6 + 1e-6
    assert used_h <= 0.2 + 1e-6
    if shape == "diamond":
        assert used_h / 0.2 + (used_v / 0.6 if used_v > 0 else -used_v / 0.5) <= 1 + 1e-6
    assert used_share(found, picture) <= 1.0 + 1e-6
    # the image's own corners enclose the picture on the wall as well
    from shapely import Polygon

    assert Polygon(to_wall(found, panel_corners(16 / 9))).buffer(0.5).contains(Polygon(picture))
    if found.ratio < 2.4 - 1e-6:
        closest = (limits - np.abs(to_panel(found, picture))).min()
        assert closest == pytest.approx(0.0, abs=1e-6)  # some corner touches the panel's edge


def test_a_fixed_offset_is_tilted_from_where_it_rests() -> None:
    none = ShiftReach(up=0.0, down=0.0, side=0.0)
    given = {"distance_mm": 3000.0, "panel_height_mm": 1500.0, "reach": none, "horizontal": 0.0}
    assert tilt_needed(rise_mm=900.0, offset=0.6, **given) == pytest.approx(0.0)  # type: ignore[arg-type]
    # by hand: atan(1200/3000) - atan(900/3000)
    assert math.degrees(tilt_needed(rise_mm=1200.0, offset=0.6, **given)) == pytest.approx(5.1022, abs=1e-3)  # type: ignore[arg-type]


def test_a_body_turned_too_far_covers_nothing() -> None:
    picture = np.array([(-1200, -675), (1200, -675), (1200, 675), (-1200, 675)], dtype=float)
    start = Pose(lens_x_mm=0, lens_y_mm=0, distance_mm=3800, ratio=1.5, panel_aspect=16 / 9, yaw=0.45)
    assert (
        corrected(
            start,
            picture,
            lens=Lens(ratio_low=1.5, ratio_high=2.0),
            reach=ShiftReach(up=0.5, down=0.5, side=0.1),
        )
        is None
    )
    with pytest.raises(OutOfRange, match="misses the wall"):
        to_wall(
            Pose(lens_x_mm=0, lens_y_mm=0, distance_mm=1000, ratio=0.4, panel_aspect=1.6, yaw=1.2),
            panel_corners(1.6),
        )
