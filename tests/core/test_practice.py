"""The trainer's riddles: solvable, the same for the same seed, and each touch undone by its opposite."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.align.moves import Hands, moves, pushed, replayed, worst_mm
from gantline.core.align.practice import TOUCHES, WHY, Touch, hidden, touched
from gantline.core.errors import OutOfRange
from gantline.core.throw.pinhole import to_wall
from gantline.demo.practice import ROOMS, _world, room
from tests.core.test_align import HANDS, UV, straight


@given(st.sampled_from(TOUCHES), st.integers(-40, 40), st.booleans())
def test_a_touch_is_undone_by_its_opposite(kind: str, steps: int, cabinet: bool) -> None:
    start = straight(cabinet)
    back = touched(start, [Touch(kind=kind, steps=steps), Touch(kind=kind, steps=-steps)], HANDS)
    assert to_wall(back, UV) == pytest.approx(to_wall(start, UV), abs=1e-6)


def test_each_touch_moves_the_picture_the_way_its_name_says() -> None:
    start = straight(cabinet=False)
    before = to_wall(start, UV)

    def after(kind: str, steps: int = 4) -> list[list[float]]:
        moved: list[list[float]] = (
            to_wall(touched(start, [Touch(kind=kind, steps=steps)], HANDS), UV) - before
        ).tolist()
        return moved

    tl, tr, br, bl = after("turn")
    assert tl[0] > 0
    assert tr[1] - br[1] > tl[1] - bl[1]  # nose to the right: the right edge grows
    tl, tr, br, bl = after("ratio")
    assert tl[0] < 0 < tr[0]  # larger
    assert {round(one[0], 3) for one in after("shift_h")} == {
        round(0.004 * 2400, 3)
    }  # four thousandths of the width
    assert all(one[1] > 0 for one in after("shift_v"))
    tl, tr, *_ = after("roll")
    assert tr[1] > 0 > tl[1]  # right end up
    with pytest.raises(OutOfRange, match="a touch is one of"):
        touched(start, [Touch(kind="kick", steps=1)], HANDS)


@pytest.mark.parametrize("key", list(ROOMS))
def test_every_room_is_solved_by_the_solvers_own_moves_for_any_seed(key: str) -> None:
    grade, here = ROOMS[key], room(ROOMS[key].job)
    for seed in range(12):
        start = hidden(here.aim.straight, grade.kinds, turn_deg=grade.turn_deg, share=grade.share, seed=seed)
        assert start == hidden(
            here.aim.straight, grade.kinds, turn_deg=grade.turn_deg, share=grade.share, seed=seed
        )
        assert worst_mm(start, here.aim.uv, here.aim.target) > here.within_mm
        now = start
        for _ in range(2):  # each rounded to what a hand can set: a second round may be needed
            made = moves(
                now, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=here.hands
            )
            assert {one.kind for one in made} <= set(WHY)
            now = [now, *replayed(now, made, here.hands)][-1]
        assert worst_mm(now, here.aim.uv, here.aim.target) <= max(here.within_mm, 6.0)


def test_feet_are_turned_by_steps_of_a_turn_and_a_ceiling_mount_by_the_push() -> None:
    start = straight(cabinet=True)
    turned = touched(start, [Touch(kind="tilt", steps=2)], HANDS)  # half a turn of 1.25 mm over 250 mm
    assert turned.pitch == pytest.approx(math.atan(0.625 / 250))
    hung = Hands(
        rear_mm=350, across_mm=300, along_mm=350, foot_turn_mm=None, step_mm=0.5, foot_step=0.25,
        zoom_step=0.001, shift_step=0.001, place_step_mm=0.5,
    )  # fmt: skip
    assert touched(start, [Touch(kind="tilt", steps=2)], hung).pitch == pytest.approx(math.atan(1.0 / 350))


@pytest.mark.parametrize(("kind", "sideways", "up"), [("turn", 1.0, 0.0), ("tilt", 0.0, 1.0)])
def test_a_mount_that_turns_about_its_bolt_swings_its_lens_along(
    kind: str, sideways: float, up: float
) -> None:
    """200 mm behind the lens, pushed by 5 mm over the 300 mm left of the body: the lens goes 200 sin(turn) aside."""
    start = straight(cabinet=False)
    world = replace(HANDS, rear_mm=500.0, foot_turn_mm=None, bolt_mm=200.0)
    now = touched(start, [Touch(kind=kind, steps=10)], replace(world, step_mm=0.5))
    angle = math.atan(5.0 / 300.0)
    assert now.yaw + now.pitch == pytest.approx(angle)
    assert now.lens_x_mm - start.lens_x_mm == pytest.approx(sideways * 200.0 * math.sin(angle))
    assert now.lens_y_mm - start.lens_y_mm == pytest.approx(up * 200.0 * math.sin(angle))
    assert now.distance_mm - start.distance_mm == pytest.approx(200.0 * (1.0 - math.cos(angle)))


@pytest.mark.parametrize("seed", range(6))
def test_about_its_bolt_a_body_is_brought_home_only_by_who_counts_with_it(seed: int) -> None:
    """Pushed as if it turned about its lens, a body on a bolt at its middle turns nearly twice as far, and never comes home."""
    grade, here = ROOMS["bolted"], room("mill-loft")
    world = _world(grade, here.hands)
    assert world.bolt_mm > 50.0
    start = hidden(here.aim.straight, grade.kinds, turn_deg=grade.turn_deg, share=grade.share, seed=seed)

    def after(knows: Hands) -> float:
        now = start
        for _ in range(3):
            for move in moves(
                now, here.aim.straight, here.aim.uv, here.aim.target, free=here.free, hands=knows
            ):
                now = pushed(now, move.kind, move.amount, world)
        return worst_mm(now, here.aim.uv, here.aim.target)

    assert after(world) <= max(here.within_mm, 6.0)
    assert after(replace(world, bolt_mm=0.0)) > 15.0
