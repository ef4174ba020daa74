"""It knows what it does not know: whatever an assumption moves says that it rests on it, and little else says so."""

from collections import defaultdict
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from gantline.plan.plan import JobPlan
from gantline.stations import plan
from tests.conftest import demo_job
from tests.made import JOBS
from tests.plan.nudges import Seen, assumed, far, near, nudged
from tests.plan.random_jobs import rich_jobs


def silent(made: JobPlan, seen: Seen, key: str, pointer: str, values: list[Any]) -> set[str]:
    """What moves with a field and does not say so."""
    found = set()
    for value in values:
        other = nudged(made, pointer, value)
        if other is not None:
            found |= {name for name in seen.moved(Seen(other)) if key not in seen.rests[name]}
    return found - {f"figure {key}"}


@pytest.mark.parametrize("name", JOBS)
def test_whatever_moves_with_an_assumption_says_that_it_rests_on_it(name: str) -> None:
    made = plan(demo_job(name))
    seen = Seen(made)
    for key, pointer, one, value in assumed(made):
        assert silent(made, seen, key, pointer, list(near(one, value))) == set(), key


@given(job=rich_jobs(), data=st.data())
def test_the_same_for_random_rich_jobs(job: Any, data: Any) -> None:
    made = plan(job)
    key, pointer, one, value = data.draw(st.sampled_from(list(assumed(made))))
    assert silent(made, Seen(made), key, pointer, list(near(one, value))) == set(), key


def test_of_what_figures_say_they_rest_on_nine_in_ten_move_them_somewhere_in_range() -> None:
    """A count and a choice move in jumps: of each it is asked whether anything moves it at all. One length in forty may rest on
    facts that only decide whether it stands at all."""
    shares: dict[str, tuple[int, int]] = {}
    still = []
    for name in JOBS:
        made = plan(demo_job(name))
        moved: defaultdict[str, set[str]] = defaultdict(set)
        seen = Seen(made)
        for key, pointer, one, value in assumed(made):
            resting = {each for each, on in seen.rests.items() if key in on and each.startswith("figure ")}
            for each in (*near(one, value), *far(one, value)):
                if all(key in moved[rest] for rest in resting):
                    break  # all that say they rest on it have moved: it need not be taken further
                other = nudged(made, pointer, each)
                for moving in seen.moved(Seen(other)) if other is not None else ():
                    moved[moving].add(key)
        for each, on in seen.rests.items():
            figure = made.figures.get(each.removeprefix("figure "))
            if figure is None or not each.startswith("figure ") or not on:
                continue
            if isinstance(figure.value, float):
                shares[f"{name} {each}"] = len(on & moved[each]), len(on)
            elif not moved[each]:
                still.append(f"{name} {each}")
    worst = sorted(shares, key=lambda one: shares[one][0] / shares[one][1])[:10]
    named = ", ".join(f"{one} {shares[one][0]} of {shares[one][1]}" for one in worst)
    assert len(shares) > 150
    assert not still, still
    assert sum(moves == 0 for moves, _ in shares.values()) <= len(shares) / 40, named
    assert sum(moves for moves, _ in shares.values()) / sum(said for _, said in shares.values()) >= 0.9, named
