"""Sight: angles against the geometry itself, rows over rows, starting points that invert."""

import math
from fractions import Fraction

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.sight.angles import (
    far_edge_deg,
    neck_angle_deg,
    pixel_arcmin,
    viewing_angle_deg,
    width_for_angle_mm,
)
from gantline.core.sight.rows import (
    Eye,
    Occupant,
    eye_needed_mm,
    least_clearance_mm,
    lowest_bottom_mm,
    own_bottoms_mm,
    platforms_mm,
)
from gantline.core.size.content import constant_area, shown, side_panel, zoom_needed
from gantline.core.size.picture import Picture
from gantline.core.size.starts import width_from_throw_mm, width_on_wall_mm

distances, offsets, widths = st.floats(800, 12_000), st.floats(-3000, 3000), st.floats(600, 6000)


@given(distances, offsets, widths)
def test_the_viewing_angle_is_the_angle_between_the_rays_to_both_edges(d: float, u: float, w: float) -> None:
    left, right = np.array([-w / 2 - u, -d]), np.array([w / 2 - u, -d])
    between = math.degrees(math.acos(float(left @ right / (np.linalg.norm(left) * np.linalg.norm(right)))))
    assert float(viewing_angle_deg(d, u, w)) == pytest.approx(between, abs=1e-5)
    assert float(viewing_angle_deg(d, u, w)) == pytest.approx(float(viewing_angle_deg(d, -u, w)))


@given(distances, offsets, st.floats(10, 100))
def test_the_width_for_a_wished_angle_gives_that_angle_back(d: float, u: float, angle: float) -> None:
    width = width_for_angle_mm(angle, d, u)
    assert float(viewing_angle_deg(d, u, width)) == pytest.approx(angle, abs=1e-6)


def test_known_angles_of_one_seat() -> None:
    # a 2 m wide screen 1 m away is a right angle; 45 degrees up at equal rise and run
    assert float(viewing_angle_deg(1000, 0, 2000)) == pytest.approx(90)
    assert float(neck_angle_deg(2100, 1100, 1000)) == pytest.approx(45)
    assert float(far_edge_deg(1000, 500, 1000)) == pytest.approx(45)
    # one arc-minute is 1/3437.75 rad: 1 mm pixels show nearer than 3.44 m
    assert float(pixel_arcmin(1920, 1920, 3437.75)) == pytest.approx(1.0, rel=1e-4)
    with pytest.raises(OutOfRange):
        width_for_angle_mm(180.0, 1000, 0)


eyes = st.lists(
    st.builds(Eye, distance_mm=st.floats(1500, 9000), eye_mm=st.floats(800, 2500)), min_size=2, max_size=6
)


def clearance_mm(rear: Eye, front: Eye, picture_bottom_mm: float) -> float:
    """How far the ray from the rear eye to the picture's bottom passes over the front eye: by similar triangles."""
    share = front.distance_mm / rear.distance_mm
    return picture_bottom_mm * (1.0 - share) + rear.eye_mm * share - front.eye_mm


@given(eyes, st.floats(60, 200))
def test_the_lowest_bottom_just_clears_every_head_in_front(found: list[Eye], clear: float) -> None:
    pairs = [(a, b) for a in found for b in found if b.distance_mm < a.distance_mm - 1.0]
    lowest = lowest_bottom_mm(tuple(found), clear_mm=clear)
    assert (lowest is None) == (not pairs)
    if lowest is None:
        return
    assume(abs(lowest) < 1e6)  # two eyes almost side by side ask for any height
    least = min(clearance_mm(a, b, lowest) for a, b in pairs)
    assert least == pytest.approx(clear, abs=1e-3)
    rear = pairs[0][0]
    own = [clearance_mm(rear, one, lowest) for one in found if one.distance_mm < rear.distance_mm - 1.0]
    many = least_clearance_mm(np.array([rear.distance_mm, 1000.0]), rear.eye_mm, tuple(found), lowest)
    assert many.tolist() == [pytest.approx(min(own), abs=1e-6), math.inf]
    for eye, bottom in zip(found, own_bottoms_mm(found, clear_mm=clear), strict=True):
        fronts = [b for a, b in pairs if a is eye]
        over = [clearance_mm(eye, one, bottom) for one in fronts]
        assert min(over) == pytest.approx(clear, abs=1e-3) if fronts else bottom == -math.inf


@given(
    st.lists(st.tuples(st.floats(900, 1300), st.sampled_from([0.0, 150.0])), min_size=2, max_size=5),
    st.floats(300, 1500),
)
def test_platforms_worked_from_the_front_let_every_row_see(
    seated: list[tuple[float, float]], bottom: float
) -> None:
    rows = [
        Occupant(distance_mm=2500.0 + 1000.0 * k, seated_mm=eye, platform_mm=on)
        for k, (eye, on) in enumerate(seated)
    ]
    raised = platforms_mm(rows, bottom, clear_mm=115, step_mm=10)
    placed = [
        Eye(distance_mm=one.distance_mm, eye_mm=one.seated_mm + on)
        for one, on in zip(rows, raised, strict=True)
    ]
    assert raised[0] == rows[0].platform_mm
    for k, rear in enumerate(placed):
        needed = max((eye_needed_mm(rear, front, bottom, clear_mm=115) for front in placed[:k]), default=0.0)
        assert rear.eye_mm >= needed - 0.02
        assert raised[k] == rows[k].platform_mm or rear.eye_mm - 10 < needed  # no step too many
    assert platforms_mm(list(reversed(rows)), bottom, clear_mm=115, step_mm=10) == tuple(reversed(raised))


def test_content_shapes_on_a_scope_screen() -> None:
    screen = Picture(width_mm=2390, height_mm=1000)
    wide = shown(screen, Fraction(16, 9))
    assert (wide.picture.width_mm, wide.side_mm, wide.top_bottom_mm) == pytest.approx(
        (1777.78, 306.11, 0), abs=0.01
    )
    panel = side_panel(screen, wide, 12)
    assert panel is not None
    assert (panel.width_mm, panel.height_mm) == pytest.approx((318.11, 1024), abs=0.01)
    tall = shown(Picture(width_mm=1600, height_mm=900), Fraction(239, 100))
    assert (tall.picture.height_mm, tall.top_bottom_mm) == pytest.approx((669.46, 115.27), abs=0.01)
    assert side_panel(screen, shown(screen, Fraction(239, 100)), 12) is None
    # 16:9 on 2.39 with a 16:9 panel needs 1.34, 4:3 on 12:5 with the same panel 1.35
    assert zoom_needed(Fraction(239, 100), Fraction(16, 9), Fraction(16, 9)) == pytest.approx(1.344, abs=1e-3)
    assert zoom_needed(Fraction(12, 5), Fraction(4, 3), Fraction(16, 9)) == pytest.approx(1.35, abs=1e-3)


@given(st.floats(1e5, 1e7), st.fractions(min_value=1, max_value=3))
def test_constant_area_keeps_its_area_and_shape(area: float, content: Fraction) -> None:
    picture = constant_area(area, content)
    assert picture.width_mm * picture.height_mm == pytest.approx(area)
    assert picture.width_mm / picture.height_mm == pytest.approx(float(content))


def test_a_fixed_throw_and_a_free_wall_give_their_width() -> None:
    hd = Fraction(16, 9)
    assert width_from_throw_mm(4000, 2.0, hd, Fraction(239, 100)) == 2000  # wider than the panel: full width
    assert width_from_throw_mm(4000, 2.0, hd, Fraction(4, 3)) == pytest.approx(1500)  # narrower: full height
    assert width_from_throw_mm(4000, 2.0, hd, hd, overspill_mm=5) == 1990
    assert width_on_wall_mm(3000, 60) == 2880
    with pytest.raises(OutOfRange):
        width_on_wall_mm(100, 60)
