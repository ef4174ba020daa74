"""What is known, said in four places, never disagrees: chance, list to measure, "ready" and Checks; and no assumption stops a job."""

from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from gantline.compare.payoff import account, payoff
from gantline.core.defaults import Default
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.plan.ask import PLAIN
from gantline.plan.plan import MEASURE, READY
from gantline.stations import plan
from tests.conftest import demo_job
from tests.made import changed
from tests.plan.random_jobs import rich_jobs

SAMPLES = ("mill-loft", "narrow-lounge", "parish-hall")
FACTS = [field for field in PLAIN if field.fact and field.kind in ("length", "choice", "switch")]
STUDS = ("/survey/stud_first_mm", "/survey/stud_spacing_mm")
WHERE = ("survey", "size", "height")
CALM = settings(max_examples=20, suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much])


@st.composite
def sparser(draw: Any) -> Job:
    """A sample job of which some facts were never entered, with studs read here and there, by edge, center or magnet."""
    job = demo_job(draw(st.sampled_from(SAMPLES)))
    there = [field.pointer for field in FACTS if field.read(job) is not None]
    gone = draw(st.lists(st.sampled_from(there), max_size=4, unique=True))
    job = apply(job, [Edit(pointer=pointer, value=None) for pointer in gone])
    read = draw(st.lists(st.tuples(st.integers(0, 11), st.sampled_from(("center", "magnet"))), max_size=5))
    rows = [
        {"id": f"q{number}", "x_mm": 146.05 + 406.4 * stud, "kind": kind}
        for number, (stud, kind) in enumerate(read)
    ]
    if job.survey.build != "masonry":
        first, spacing = (job.survey.stud_first_mm, job.survey.stud_spacing_mm) if not rows else (None, None)
        job = Job.model_validate(
            job.model_dump()
            | {
                "survey": job.survey.model_dump()
                | {"stud_readings": rows, "stud_first_mm": first, "stud_spacing_mm": spacing}
            }
        )
    return job


@CALM
@given(sparser())
def test_chance_list_and_ready_speak_from_one_account(job: Job) -> None:
    made = plan(job)
    said, held = payoff(made), account(made)
    stopped = any(finding.severity == "stop" for finding in made.findings)
    asks = any(finding.code in (MEASURE, "stud-unread") for finding in made.findings)
    assert not (stopped and said.chance)
    if said.chance == "100\u00a0%":
        assert not asks, [finding.text for finding in made.findings]
    if made.next_point == READY:
        assert not stopped
        assert not asks
        assert held.trip.chance() >= 0.8


@CALM
@given(rich_jobs())
def test_an_assumed_fact_within_two_spreads_of_its_usual_never_stops_a_job(job: Job) -> None:
    made = plan(job)
    stops = {
        (finding.code, finding.subject): finding for finding in made.findings if finding.severity == "stop"
    }
    for field in FACTS:
        rest = {one: stop for one, stop in stops.items() if field.key in stop.rests_on}
        if not rest or not isinstance(field.default, Default) or field.read(job) is not None:
            continue
        for spreads in (-2.0, -1.0, 1.0, 2.0):
            value = field.default.value + spreads * field.default.spread
            inside = field.within is None or field.within.low <= value <= field.within.high
            if not field.default.spread or not inside or not field.default.low <= value <= field.default.high:
                continue
            entered = plan(apply(job, [Edit(pointer=field.pointer, value=value)]), last=made)
            # a screen that cannot be there at all says nothing of what hangs on it
            if any(other.severity == "stop" and other.station in WHERE for other in entered.findings):
                continue
            there = {(other.code, other.subject) for other in entered.findings}
            # a hole on the very edge of a band is in it or beside it by the tape's rounding from the datum line
            rounded = {
                ("hole-in-band", subject) for _, subject in rest if field.pointer == "/survey/datum_mm"
            }
            assert set(rest) <= there | rounded, (rest.keys() - there, field.pointer, value)


@pytest.mark.parametrize(
    ("kinds", "spread"), [(("center",), 3.5), (("magnet",), 4.5), (("edge", "edge"), 2.475), ((), 7.5)]
)
def test_a_hole_on_a_stud_is_as_sure_as_the_readings_that_found_the_stud(
    kinds: tuple[str, ...], spread: float
) -> None:
    """3.5 / root 2 for two edges; unread: the typed stud's 4.5 and 6 of framing that strays, by the root of squares."""
    job = changed("mill-loft", survey__stud_spacing_mm=406.4)
    plain = plan(job)
    left = plain.figures["hole_left"].value
    assert isinstance(left, float)
    off = {"center": (0.0,), "magnet": (0.0,), "edge": (-19.0, 19.0)}
    rows = [
        {"id": f"z{number}", "x_mm": left + off[kind][number], "kind": kind}
        for number, kind in enumerate(kinds)
    ]
    made = plan(
        changed(
            "mill-loft", survey__stud_spacing_mm=406.4, survey__stud_readings=rows, survey__stud_width_mm=38.0
        )
    )
    held = account(made)
    place = next(
        number
        for number, fact in enumerate(held.known)
        if fact.field is None and abs(fact.value - left) < 1.0
    )
    assert held.trip.spreads[place] == pytest.approx(spread, abs=0.01)
    assert any(finding.code == "stud-unread" for finding in made.findings)  # the right one at least
