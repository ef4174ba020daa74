"""The region a lens can be in, against the forward model and against itself cut and searched."""

from dataclasses import replace
from fractions import Fraction

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.space import Solid
from gantline.core.throw.pinhole import panel_corners, straight_pose, to_wall
from gantline.core.throw.places import Body, LensCase, Lines, grown, inner_room, possible, search, section
from gantline.core.throw.shift import ReachShape, ShiftReach
from gantline.core.throw.window import PanelImage

ROOM = Solid(name="room", low=(0, 0, 0), high=(4700, 2480, 7600))
LOFT = LensCase(
    picture_x_mm=2362, picture_y_mm=1400, panel=PanelImage(3233.6, 1818.9), offset=0.0, near_mm=4203.7, far_mm=6790.6, room=ROOM,
    reach=ShiftReach(up=0.6, down=0.6, side=0.24, shape=ReachShape.DIAMOND),
    body=Body(left_mm=220, right_mm=180, below_mm=60, above_mm=90, wallward_mm=30, roomward_mm=400),
    solids=(Solid(name="beam", low=(0, 2200, 5000), high=(4700, 2400, 5200)), Solid(name="fan", low=(2000, 2100, 6000), high=(2700, 2300, 6500))),
)  # fmt: skip
ZONE = Solid(name="zone", low=(-np.inf, 900, 4000), high=(2500, np.inf, 6000))
xs, ys, zs = st.floats(0, 4700), st.floats(0, 2480), st.floats(3000, 7600)
shapes = st.sampled_from(list(ReachShape))


@given(xs, ys, zs, shapes)
def test_inside_the_region_the_exact_model_fills_the_picture_and_outside_it_cannot(
    x: float, y: float, z: float, shape: ReachShape
) -> None:
    wanted = replace(LOFT, reach=replace(LOFT.reach, shape=shape), solids=())
    pose = straight_pose(
        picture_x_mm=2362, picture_y_mm=1400, panel=wanted.panel, panel_aspect=Fraction(16, 9), lens_x_mm=x, lens_y_mm=y, distance_mm=z
    )  # fmt: skip
    low, _, high, _ = to_wall(pose, panel_corners(16 / 9))
    assert high - low == pytest.approx(
        [3233.6, 1818.9], rel=1e-4
    )  # this pose, and no other straight one, fills it
    v, h = abs(pose.shift_v) / 0.6, abs(pose.shift_h) / 0.24
    reaches = max(v, h) <= 1.0 if shape is ReachShape.RECTANGLE else v + h <= 1.0
    zooms = 4203.7 <= z <= 6790.6
    body = wanted.body
    stands = 220 <= x <= 4700 - 180 and 60 <= y <= 2480 - 90 and body.wallward_mm <= z <= 7600 - 400
    assert bool(possible(wanted, x, y, z)) == (reaches and zooms and stands)


@given(xs, ys, zs, shapes, st.booleans(), st.sampled_from([None, ZONE]))
def test_both_sections_say_of_every_point_what_the_region_says(
    x: float, y: float, z: float, shape: ReachShape, on: bool, zone: Solid | None
) -> None:
    from shapely import Point, Polygon, union_all

    lines = Lines(axis="x", centres_mm=(1800.0, 2206.0, 2612.0), half_mm=19.0, plate_mm=40.0) if on else None
    wanted = replace(LOFT, reach=replace(LOFT.reach, shape=shape), lines=lines, zone=zone)
    if zone is not None:
        zoned = x <= 2500 and y >= 900 and 4000 <= z <= 6000
        assert bool(possible(wanted, x, y, z)) == (
            zoned and bool(possible(replace(wanted, zone=None), x, y, z))
        )
    for face, at, here in (("side", x, (z, y)), ("top", y, (x, z))):
        area = union_all([Polygon(ring) for ring in section(wanted, face, at)])  # type: ignore[arg-type]
        if area.is_empty or area.boundary.distance(Point(here)) > 1e-3:
            assert area.contains(Point(here)) == bool(possible(wanted, x, y, z))


@given(st.integers(0, 11), st.integers(0, 39), zs)
def test_a_search_finds_the_longest_clear_stretch(column: int, row: int, z: float) -> None:
    x, y = np.linspace(1500, 3200, 12), np.linspace(1000, 2400, 40)
    free, middle = search([LOFT], x, y)
    stretch, at = free[0, column, row], middle[0, column, row]
    if stretch > 0.0:
        inside = np.linspace(at - stretch / 2 + 1e-6, at + stretch / 2 - 1e-6, 9)
        assert possible(LOFT, x[column], y[row], inside).all()
    else:
        assert not possible(LOFT, x[column], y[row], z) or z in (LOFT.near_mm, LOFT.far_mm)


def test_one_millimetre_past_each_end_is_outside() -> None:
    assert possible(LOFT, 2362, 1400, 4203.7)
    assert not possible(LOFT, 2362, 1400, 4202.7)
    assert not possible(LOFT, 2362, 1400, 6791.6)
    beam = grown(LOFT, LOFT.solids[0])
    assert (beam.low[1], beam.low[2], beam.high[2]) == (2110, 4600, 5230)
    assert inner_room(LOFT).high[1] == 2390
    assert possible(LOFT, 2362, 2109, 4900)
    assert not possible(LOFT, 2362, 2111, 4900)
    fixed = replace(
        LOFT, reach=ShiftReach(up=0, down=0, side=0), near_mm=4500, far_mm=4500, solids=(), slack_mm=1.0
    )
    assert possible(fixed, 2362.5, 1399.5, 4500.5)
    assert not possible(fixed, 2362, 1402, 4500)
    ((_, a), (_, b), *_) = section(fixed, "side", 2362.5)[0]
    assert abs(a - b) == pytest.approx(2.0)
