"""The order of the day against its own claims, and progress as a fold over rows."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import accumulate

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.core.day.order import FIRST_TRIP, ordered, phases
from gantline.core.day.pace import Ticked, paces
from gantline.core.day.progress import Told, next_of, standings
from gantline.core.day.step import Milestone, Number, Phase, Reading, Step
from gantline.core.day.stretches import helper_said, next_trip, stretches
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


def test_two_trips_drill_first_and_the_bag_is_for_the_next_of_them() -> None:
    steps = [
        step("frame", Phase.FRAME, minutes=50),
        step("drill"),
        step("hang", Phase.HANG, people=2, minutes=15),
        step("like", Phase.LOOK),
    ]
    made = ordered(steps, phases(drill_after=False, two_trips=True))
    assert [one.key for one in made] == ["like", "drill", "frame", "hang"]
    cut = stretches(made, first_trip=FIRST_TRIP)
    assert [(one.phase, one.trip, one.minutes, one.two) for one in cut] == [
        (Phase.LOOK, 1, 2.0, 0.0), (Phase.WALL, 1, 2.0, 0.0), (Phase.FRAME, 2, 50.0, 0.0), (Phase.HANG, 2, 15.0, 15.0),
    ]  # fmt: skip
    assert [one.key for one in next_trip(made[1:], FIRST_TRIP)] == ["drill"]
    assert [one.key for one in next_trip(made[2:], FIRST_TRIP)] == ["frame", "hang"]
    assert helper_said(cut, made) == "A second person is needed for hang: 15 min in all."
    assert helper_said(cut, made[:3]) == ""


def test_a_shops_pace_is_the_median_of_its_jobs_without_pauses_and_ticks_made_afterward() -> None:
    """Job a: 4 steps of 10 min planned take 12, 15, 9 and 14 = 1.25 times; b takes 15 each = 1.5; c was ticked in one go."""

    def ticked(job: str, gaps: list[float]) -> list[Ticked]:
        times = accumulate(gaps, initial=0.0)
        return [
            Ticked(job=job, who="Ines", at=NOON + timedelta(minutes=at), phase=Phase.FRAME, minutes=10.0)
            for at in times
        ]

    log = [*ticked("a", [12, 15, 600, 9, 14]), *ticked("b", [15, 15, 15, 15]), *ticked("c", [0.05] * 9)]
    learnt = paces(log)
    assert (learnt[Phase.FRAME].times, learnt[Phase.FRAME].jobs) == (pytest.approx(1.375), 2)
    cut = stretches([step("join", Phase.FRAME, minutes=40)], paces=learnt)
    assert (cut[0].minutes, cut[0].usual, cut[0].jobs) == (pytest.approx(55.0), 40.0, 2)
    assert paces(ticked("d", [12, 15])) == {}


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
