"""The order of the day against its own claims, and progress as a fold over rows."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.day.order import ordered, phases, starts_min
from gantline.core.day.progress import Told, in_the_way, next_of, standings
from gantline.core.day.step import Milestone, Number, Phase, Reading, Step
from gantline.core.errors import OutOfRange

NOON = datetime(2026, 5, 14, 12, 0, tzinfo=UTC)


def step(key: str, phase: Phase = Phase.WALL, **more: object) -> Step:
    return Step(key=key, station="x", phase=phase, text=f"Do {key}", **more)  # type: ignore[arg-type]


def told(number: int, key: str, act: str = "done", **more: object) -> Told:
    plain = {"things": (("do", key),), "values": {}, "numbers": {}, "reason": "", "who": "Ines", "version": 1}
    return Told(id=str(number), step=key, act=act, at=NOON + timedelta(minutes=number), **(plain | more))  # type: ignore[arg-type]


@given(st.data())
def test_any_steps_without_a_circle_come_after_all_they_wait_for(data: st.DataObject) -> None:
    count = data.draw(st.integers(1, 25))
    steps = [
        step(
            f"s{at}",
            data.draw(st.sampled_from(list(Phase))),
            waits=tuple(f"s{before}" for before in data.draw(st.sets(st.integers(0, at - 1), max_size=3)))
            if at
            else (),
            gives=(Milestone.HELD,) if data.draw(st.booleans()) and at < count // 2 else (),
        )
        for at in range(count)
    ]
    steps.append(step("last", Phase.LOOK, waits=(Milestone.HELD, "never heard of")))
    made = ordered(data.draw(st.permutations(steps)), phases(drill_after=data.draw(st.booleans())))
    place = {one.key: at for at, one in enumerate(made)}
    assert sorted(place) == sorted(one.key for one in steps)
    for one in steps:
        assert all(place[wait] < place[one.key] for wait in one.waits if wait in place)
    held = [place[one.key] for one in steps if Milestone.HELD in one.gives]
    assert all(at < place["last"] for at in held)


def test_a_stretch_keeps_its_order_and_drilling_last_moves_behind_the_fabric() -> None:
    steps = [step("hang", Phase.HANG), step("drill-1"), step("staple", Phase.TENSION), step("drill-2")]
    first = [one.key for one in ordered(steps, phases(drill_after=False))]
    last = [one.key for one in ordered(steps, phases(drill_after=True))]
    assert first == ["drill-1", "drill-2", "staple", "hang"]
    assert last == ["staple", "drill-1", "drill-2", "hang"]


def test_two_that_wait_for_each_other_or_share_a_key_are_named() -> None:
    with pytest.raises(OutOfRange, match="waits for a step"):
        ordered([step("a", waits=("b",)), step("b", waits=("a",))], phases(drill_after=False))
    with pytest.raises(OutOfRange, match="two steps are called a"):
        ordered([step("a"), step("a")], phases(drill_after=False))
    with pytest.raises(OutOfRange, match="at most 120"):
        replace(step("a"), text="x" * 121)


def test_glue_sets_beside_work_that_does_not_need_it() -> None:
    # by hand: glue done at 30, set at 90; the wall takes 40 to 70; the fabric waits for the glue, not for the wall
    steps = [
        step("glue", minutes=30, idle=60),
        step("wall", minutes=40),
        step("fabric", minutes=10, waits=("glue",)),
    ]
    assert starts_min(steps) == {"glue": 0.0, "wall": 30.0, "fabric": 90.0}


def test_the_newest_row_of_a_thing_counts_and_no_row_is_lost_when_steps_are_cut_otherwise() -> None:
    one = step("points", things=(("hold", "top-1"), ("hold", "top-2")))
    rows = [told(1, "points", things=one.things), told(2, "points", "undone", things=one.things[:1])]
    after = standings([one], rows)["points"]
    assert (after.state, after.left) == ("open", (("hold", "top-1"),))
    # another school makes two steps of it: the second is done, the first is not
    cut = [step("a", things=one.things[:1]), step("b", things=one.things[1:])]
    stand = standings(cut, rows)
    assert {key: how.state for key, how in stand.items()} == {"a": "open", "b": "done"}
    first = next_of(cut, stand)
    assert first is not None
    assert first.key == "a"
    assert in_the_way(step("c", waits=("a", "b", "gone")), stand) == ("a",)


@pytest.mark.parametrize(
    ("act", "now_mm", "state", "fault"),
    [("done", 1000.0, "done", None), ("done", 1003.0, "done", False), ("done", 1012.0, "done", True),
     ("impossible", 1000.0, "impossible", None), ("impossible", 1012.0, "open", None)],
)  # fmt: skip
def test_what_was_done_by_another_number_says_so_and_a_refused_place_opens_again_elsewhere(
    act: str, now_mm: float, state: str, fault: bool | None
) -> None:
    def number(value: float) -> Number:
        return Number(key="x", label="from left", text=f"{value:g} mm", value_mm=value, play_mm=5.0)

    rows = [told(1, "hole", act, numbers={"x": ("1000 mm", 1000.0)})]
    stand = standings([step("hole", numbers=(number(now_mm),))], rows)["hole"]
    assert stand.state == state
    if act == "done":
        assert [gap.fault for gap in stand.disagrees] == ([] if fault is None else [fault])


@given(st.floats(0, 1e4), st.floats(0, 50), st.floats(-100, 100))
def test_a_reading_is_within_its_tolerance_or_not(planned: float, most: float, off: float) -> None:
    reading = Reading(name="x", label="x", planned=planned, tolerance=most)
    assert reading.within(planned + off) == (abs((planned + off) - planned) <= most + 1e-9)
    assert Reading(name="x", label="x").within(off) is None
