"""Light: definitions, energy, symmetry, and the axis of every kind of fabric."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.errors import OutOfRange
from gantline.core.light.lamp import lamp_lux
from gantline.core.light.lobe import FabricKind, Lobe, acceptance, gain_at, reflected_share, seen_gain
from gantline.core.light.luminance import (
    CD_M2_PER_FOOT_LAMBERT,
    Output,
    ambient_cd_m2,
    bounce_lux,
    contrast_band,
    flux_lm,
    luminance_cd_m2,
    panel_share,
    seen_contrast,
    zoom_share,
)
from gantline.core.sight.view import Pinhole, project

POINTS = np.array([[0, 1500, 0], [-1500, 1500, 0], [1500, 1500, 0], [0, 2200, 0], [0, 800, 0]], dtype=float)
LENS = np.array([0.0, 2300.0, 4200.0])


def test_a_diffuse_screen_of_gain_one_returns_exactly_e_over_pi() -> None:
    assert float(luminance_cd_m2(500.0, 2.5, 1.0)) == 500.0 / 2.5 / math.pi
    # 1500 lm on 126 in 16:9 (2.7894 x 1.5690 m) at gain 0.9: 98.2 cd/m2, 28.7 fL
    bright = float(luminance_cd_m2(1500, 2.7894 * 1.5690, 0.9))
    assert (bright, bright / CD_M2_PER_FOOT_LAMBERT) == pytest.approx((98.2, 28.66), abs=0.05)
    assert pytest.approx(3.4263, abs=1e-4) == CD_M2_PER_FOOT_LAMBERT


def test_a_lobe_halves_at_its_angle_and_costs_what_the_trade_knows() -> None:
    lobe = Lobe(kind=FabricKind.DIFFUSE, gain=1.0, half_gain_deg=70)
    lost = 1.0 - gain_at(lobe, np.array([30.0, 45.0, 60.0]))
    assert lost == pytest.approx([0.12, 0.25, 0.40], abs=0.005)
    assert float(gain_at(lobe, np.array(70.0))) == pytest.approx(0.5)


def test_no_fabric_gives_out_more_light_than_it_gets() -> None:
    assert (reflected_share(2.4, 20), reflected_share(2.4, 35)) == pytest.approx((0.38, 0.92), abs=0.005)
    assert reflected_share(1.0, 1e6) == pytest.approx(1.0, abs=1e-6)  # constant gain 1 gives all of it back
    with pytest.raises(OutOfRange, match="more light than it gets"):
        Lobe(kind=FabricKind.RETRO, gain=2.4, half_gain_deg=45)
    with pytest.raises(OutOfRange, match="needs a half-gain angle"):
        Lobe(kind=FabricKind.DIFFUSE, gain=1.2)


@given(
    st.floats(0.1, 1.0),
    st.floats(5, 90),
    st.sampled_from(list(FabricKind)),
    st.floats(-2500, 2500),
    st.floats(700, 1500),
    st.floats(1500, 9000),
)
def test_gain_never_exceeds_the_peak_and_mirrored_seats_see_the_same(
    gain: float, alpha: float, kind: FabricKind, x: float, eye: float, z: float
) -> None:
    lobe = Lobe(kind=kind, gain=gain, half_gain_deg=alpha)
    seen = seen_gain(lobe, POINTS, LENS, np.array([[x, eye, z], [-x, eye, z]]))
    assert (seen <= gain * (1 + 1e-12)).all()
    swapped = seen[1][[0, 2, 1, 3, 4]]  # left and right edge change places
    assert seen[0] == pytest.approx(swapped, abs=1e-9)


def test_each_kind_is_brightest_along_its_axis() -> None:
    centre = POINTS[:1]
    straight, mirrored, at_lens = [0.0, 1500.0, 4000.0], [0.0, 700.0, 4200.0], [0.0, 2300.0, 4200.0]
    eyes = np.array([straight, mirrored, at_lens])
    for kind, best in ((FabricKind.DIFFUSE, 0), (FabricKind.MIRROR, 1), (FabricKind.RETRO, 2)):
        seen = seen_gain(Lobe(kind=kind, gain=0.9, half_gain_deg=20), centre, LENS, eyes)[:, 0]
        assert int(seen.argmax()) == best
        assert float(seen[best]) == pytest.approx(0.9, rel=1e-9)


def test_a_lenticular_fabric_takes_light_from_below_only() -> None:
    cabinet = np.array([0.0, 500.0, 550.0])
    assert acceptance(FabricKind.LENTICULAR, POINTS, LENS) == pytest.approx(np.zeros(5))
    assert acceptance(FabricKind.LENTICULAR, POINTS, cabinet) == pytest.approx(np.ones(5))
    table = np.array([0.0, 800.0, 4000.0])  # a long throw at the height of the bottom edge
    assert acceptance(FabricKind.LENTICULAR, POINTS, table)[4] == pytest.approx(0.0)


def test_what_is_left_of_the_light() -> None:
    assert (zoom_share(1.3, 1.3, 2.1, 0.75), zoom_share(2.1, 1.3, 2.1, 0.75)) == (1.0, pytest.approx(0.75))
    assert (zoom_share(1.7, 1.3, 2.1, 0.75), zoom_share(1.0, 1.0, 1.0, 0.5)) == (pytest.approx(0.875), 1.0)
    # 2.39 on a 16:9 panel leaves bars; 10 mm of overspill on 2000 x 1000 leaves 2.9 % beside the screen
    assert panel_share((2390, 1000), (2390, 2390 * 9 / 16)) == pytest.approx(16 / 9 / 2.39)
    assert panel_share((2000, 1000), (2020, 1020)) == pytest.approx(0.97068, abs=1e-5)
    output = Output(rated_lm=2000, mode_share=0.7, age_share=0.8, zoom_long_share=0.75, contrast=1000)
    assert flux_lm(output, zoom=0.9, panel=0.75) == pytest.approx(2000 * 0.7 * 0.8 * 0.9 * 0.75)
    with pytest.raises(OutOfRange):
        Output(rated_lm=2000, mode_share=1.7, age_share=0.8, zoom_long_share=0.75, contrast=1000)


def test_contrast_falls_with_the_rooms_light_and_its_words_include_their_lower_end() -> None:
    ambient = ambient_cd_m2(np.array([0.0, 10.0, 50.0, 400.0]), 1.0)
    contrast = seen_contrast(100.0, ambient, 1000.0)
    assert float(contrast[0]) == pytest.approx(1000.0)
    assert (np.diff(contrast) < 0).all()
    assert [contrast_band(value) for value in (4.99, 5, 10, 20, 50)] == [
        "washed out",
        "usable for sport",
        "fair",
        "good",
        "dark-room",
    ]
    # worked by hand: 0.2 x 1000 lm x 1 x 0.5 over 50 m2 x 0.5 = 4 lux
    assert bounce_lux(
        1000, mean_level=0.2, screen_reflectance=1.3, room_m2=50, room_reflectance=0.5
    ) == pytest.approx(4.0)


@given(st.floats(-2000, 2000), st.floats(800, 1600), st.floats(1500, 6000))
def test_a_seat_sees_the_middle_of_the_picture_in_the_middle_and_angles_are_true(
    x: float, eye: float, z: float
) -> None:
    view = Pinhole(eye=np.array([x, eye, z]), target=POINTS[0])
    seen = project(view, POINTS)
    assert seen[0] == pytest.approx([0, 0], abs=1e-9)
    for point, at in zip(POINTS[1:], seen[1:], strict=True):
        a, b = point - view.eye, POINTS[0] - view.eye
        angle = math.acos(float(a @ b / (np.linalg.norm(a) * np.linalg.norm(b))))
        assert math.hypot(*at) == pytest.approx(math.tan(angle), rel=1e-6, abs=1e-9)
    behind = np.array([[0, 0, z + 500], [100, 0, z + 500], [0, 100, z + 500]], dtype=float)
    assert project(view, behind + np.array([0, 0, 5000.0])).size == 0 or abs(x) > 1


def test_a_lamp_straight_in_front_lights_by_the_inverse_square_and_one_beside_by_its_slant() -> None:
    # 4 pi lumens is 1 candela all round: 1 lux at 1 m, 1/4 at 2 m; at 45 degrees cos 45 / 2 of that at 1 m
    lumens = 4.0 * math.pi
    assert lamp_lux(lumens, lamp_mm=(0, 0, 1000), point_mm=(0, 0, 0)) == pytest.approx(1.0)
    assert lamp_lux(lumens, lamp_mm=(500, 0, 2050), point_mm=(500, 0, 50)) == pytest.approx(0.25)
    assert lamp_lux(lumens, lamp_mm=(1000, 0, 1000), point_mm=(0, 0, 0)) == pytest.approx(
        math.cos(math.pi / 4) / 2
    )
    assert lamp_lux(lumens, lamp_mm=(0, 900, 0), point_mm=(0, 0, 0)) == 0.0
