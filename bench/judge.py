"""Many more random plans judged by the second opinion of the tests: `python -m bench.judge 20000`."""

import sys
from collections import Counter

from hypothesis import HealthCheck, given, settings
from tests.plan.judge import disagreements, eased
from tests.plan.random_jobs import rich_jobs

from gantline.job.model import Job
from gantline.stations import plan
from gantline.stations.throw import in_front, turned, wanted
from gantline.stations.throw.shadows import shaded
from gantline.stations.wall import pair


def judged(many: int) -> Counter[str]:
    """How many plans were judged, in how many there was something to judge, and how often the two disagreed."""
    seen: Counter[str] = Counter()

    @settings(max_examples=many, deadline=None, database=None, suppress_health_check=list(HealthCheck))
    @given(rich_jobs())
    def one(job: Job) -> None:
        made = eased(plan(job))
        ask = made.ask
        seen["plans"] += 1
        seen["with lens places"] += ask(wanted) is not None
        seen["with a stud pair or brackets"] += ask(pair) is not None
        seen["turned and covered"] += ask(turned) is not None
        seen["in shadow"] += ask(in_front) is not None and ask(shaded) > 0.0
        for said in disagreements(made):
            seen["disagreements"] += 1
            print(said, job.model_dump_json(exclude_none=True))

    one()
    return seen


if __name__ == "__main__":
    for name, count in judged(int(sys.argv[1]) if len(sys.argv) > 1 else 20_000).items():
        print(f"{count:8d} {name}")
