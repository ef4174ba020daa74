"""Random plans judged by formulas written a second time."""

from hypothesis import given, settings

from gantline.job.model import Job
from gantline.stations import plan
from tests.plan.judge import disagreements, eased
from tests.plan.random_jobs import rich_jobs


@settings(max_examples=75)
@given(rich_jobs())
def test_a_second_opinion_agrees_on_height_lens_places_studs_keystone_and_shadows(job: Job) -> None:
    made = plan(job)
    assert list(disagreements(made)) == []
    assert list(disagreements(eased(made))) == []
