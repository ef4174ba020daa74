"""Sight: angles against the geometry itself, rows over rows, starting points that invert."""

import math
from dataclasses import replace
from fractions import Fraction

import numpy as np
import pytest
from hypothesis import assume, given, settings
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
    least_clearance_mm,
    lowest_bottom_mm,
    move_aside_mm,
    own_bottoms_mm,
    platforms_mm,
)
from gantline.core.size.content import constant_area, shown, side_panel, zoom_needed
from gantline.core.size.picture import Picture
from gantline.core.size.starts import width_from_throw_mm, width_on_wall_mm
from tests.heads import lowest_seen_mm

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


EDGE = (1400.0, 3600.0)
rooms = st.lists(
    st.builds(Eye, distance_mm=st.floats(1500, 7000), eye_mm=st.floats(900, 1500), x_mm=st.floats(300, 4700)),
    min_size=2,
    max_size=6,
)


def hidden(eyes: list[Eye], rear: Eye, bottom: float, clear: float) -> bool:
    """By rays to 221 points of the lower edge, each walked in steps of a millimeter or so through heads as cylinders."""
    share = np.linspace(0.0, 1.0, 6001)[:, None]
    across = rear.x_mm + share * (np.linspace(*EDGE, 221)[None, :] - rear.x_mm)
    height, deep = rear.eye_mm + share * (bottom - rear.eye_mm), rear.distance_mm * (1.0 - share)
    heads = [eye for eye in eyes if rear.distance_mm - eye.distance_mm >= 600.0]
    return any(
        bool(
            np.any(
                (np.hypot(across - head.x_mm, deep - head.distance_mm) < 100.0)
                & (height < head.eye_mm + clear)
            )
        )
        for head in heads
    )


@settings(max_examples=40)
@given(rooms, st.floats(60, 200))
def test_the_lowest_bottom_just_clears_every_head_in_the_sight_triangle(
    found: list[Eye], clear: float
) -> None:
    """A bound is left out only where rays show nothing hidden; it is no higher than they need it."""
    own = own_bottoms_mm(found, EDGE, clear_mm=clear)
    assert lowest_bottom_mm(found, EDGE, clear_mm=clear) == (max(own) if max(own) > -math.inf else None)
    for eye, bottom in zip(found, own, strict=True):
        if bottom == -math.inf:
            assert not hidden(found, eye, -2000.0, clear)
            continue
        assert not hidden(found, eye, bottom + 2.0, clear)
        assume(all(_well_inside(eye, head) for head in found))
        assert hidden(found, eye, bottom - max(5.0, 0.03 * abs(bottom - eye.eye_mm)), clear)
        least = least_clearance_mm(
            np.array([eye.distance_mm]), np.array([eye.x_mm]), eye.eye_mm, found, bottom, EDGE
        )
        assert least.tolist() == [pytest.approx(clear, abs=1e-3)]


def _well_inside(rear: Eye, head: Eye) -> bool:
    """Whether a head is clearly in or clearly out of a triangle: rays to points 10 mm apart cannot tell the others."""
    left, right = (
        move_aside_mm(rear, head, EDGE) if rear.distance_mm - head.distance_mm >= 600.0 else (-9e3, 9e3)
    )
    return min(abs(left), abs(right)) > 40.0


@given(rooms, st.floats(0.02, 0.4))
def test_a_seat_may_lose_a_share_of_the_edge_and_no_more(found: list[Eye], lose: float) -> None:
    bottoms = own_bottoms_mm(found, EDGE, clear_mm=115, lose=lose)
    for eye, bottom in zip(found, bottoms, strict=True):
        mine = (eye.distance_mm, eye.eye_mm, eye.x_mm)
        heads = [(each.distance_mm, each.eye_mm, each.x_mm) for each in found if each is not eye]
        more, less = (lowest_seen_mm(mine, heads, EDGE, 115.0, lose + by) for by in (-0.003, 0.003))
        assert less - 1e-6 <= bottom <= more + 1e-6
    whole = own_bottoms_mm(found, EDGE, clear_mm=115)
    assert all(bottom <= most for bottom, most in zip(bottoms, whole, strict=True))
    seats = [Occupant(distance_mm=eye.distance_mm, seated_mm=eye.eye_mm, x_mm=eye.x_mm) for eye in found]
    raised = platforms_mm(seats, 500.0, EDGE, clear_mm=115, step_mm=1.0, lose=lose)
    eyes = [replace(eye, eye_mm=eye.eye_mm + up) for eye, up in zip(found, raised, strict=True)]
    assert max(own_bottoms_mm(eyes, EDGE, clear_mm=115, lose=lose)) <= 500.1


chairs = st.builds(
    Eye, distance_mm=st.floats(2500, 6000), eye_mm=st.floats(1050, 1200), x_mm=st.floats(600, 4400)
)


@given(st.lists(chairs, min_size=2, max_size=5), st.integers(0, 4), st.floats(0, 2 * math.pi))
def test_a_seat_moved_by_two_millimeters_changes_the_bound_by_no_more_than_twenty(
    found: list[Eye], seat: int, turn: float
) -> None:
    """But where a head enters or leaves the triangle, or passes 0.6 m."""
    assume(seat < len(found))
    eye = found[seat]
    there = replace(
        eye, x_mm=eye.x_mm + 2.0 * math.cos(turn), distance_mm=eye.distance_mm + 2.0 * math.sin(turn)
    )
    for rear in found:
        for front in found:
            assume(front is rear or abs(rear.distance_mm - front.distance_mm - 600.0) > 3.0)
            assume(front is rear or _well_inside(rear, front))
    moved = [*found[:seat], there, *found[seat + 1 :]]
    before, after = (lowest_bottom_mm(eyes, EDGE, clear_mm=115) for eyes in (found, moved))
    assert (before is None) == (after is None)
    assert before is None or after is None or abs(after - before) <= 20.0


def test_heads_in_the_way_worked_by_hand() -> None:
    rear, front = Eye(distance_mm=4000, eye_mm=1100, x_mm=2500), Eye(distance_mm=3400, eye_mm=1100, x_mm=2500)
    # straight ahead, its back 500 mm before the eye: 115 mm over an eighth of the way is 920 over the whole of it
    assert own_bottoms_mm([rear, front], EDGE, clear_mm=115)[0] == pytest.approx(1100 + 115 * 4000 / 500)
    # side by side but for a sixteenth of an inch, or a stool at the side wall: nobody is in anybody's sight
    beside = Eye(distance_mm=3998.4, eye_mm=1100, x_mm=1800)
    stool = Eye(distance_mm=1500, eye_mm=1100, x_mm=200)
    assert lowest_bottom_mm([rear, beside, stool], EDGE, clear_mm=115) is None
    # half a head outside the triangle's side at 15 % of the way: 2500 + 0.15 * 1100 + 100 * hypot(4000, 1100) / 4000
    left, right = move_aside_mm(rear, front, EDGE)
    assert (left, right) == (pytest.approx(-268.71, abs=0.01), pytest.approx(268.71, abs=0.01))


@given(
    st.lists(
        st.tuples(st.floats(900, 1300), st.sampled_from([0.0, 150.0]), st.floats(2000, 3000)),
        min_size=2,
        max_size=5,
    ),
    st.floats(300, 1500),
)
def test_platforms_worked_from_the_front_let_every_row_see(
    seated: list[tuple[float, float, float]], bottom: float
) -> None:
    seats = [
        Occupant(distance_mm=2500.0 + 1000.0 * k, seated_mm=eye, platform_mm=on, x_mm=x)
        for k, (eye, on, x) in enumerate(seated)
    ]
    raised = platforms_mm(seats, bottom, EDGE, clear_mm=115, step_mm=10)
    eyes = [
        Eye(distance_mm=seat.distance_mm, eye_mm=seat.seated_mm + on, x_mm=seat.x_mm)
        for seat, on in zip(seats, raised, strict=True)
    ]
    assert raised[0] == seats[0].platform_mm
    assert max(own_bottoms_mm(eyes, EDGE, clear_mm=115)) <= bottom + 0.2
    for k, (seat, on) in enumerate(zip(seats, raised, strict=True)):
        if on > seat.platform_mm:  # no step too many
            lower = [replace(eye, eye_mm=eye.eye_mm - 10.0) if j == k else eye for j, eye in enumerate(eyes)]
            assert own_bottoms_mm(lower, EDGE, clear_mm=115)[k] > bottom - 0.2
    assert platforms_mm(seats[::-1], bottom, EDGE, clear_mm=115, step_mm=10) == raised[::-1]


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
