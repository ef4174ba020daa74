"""Plans at hand: the newest few, so that a re-plan keeps what did not change. Losing one costs only time."""

from collections import OrderedDict
from collections.abc import Mapping
from dataclasses import dataclass, field
from threading import Lock
from typing import Any
from uuid import UUID

import orjson

from gantline.plan.plan import JobPlan
from gantline.plan.working import as_sent

MOST = 256  # a plan with its drawing is about a megabyte; fewer than work at once, and every drag plans from nothing


@dataclass(frozen=True, slots=True)
class PlanEntry:
    """A plan that nobody asks any further, with its faces and its tape."""

    made: JobPlan
    drawing: Mapping[str, Any]
    written: list[orjson.Fragment] = field(default_factory=list)

    def parts(self) -> dict[str, orjson.Fragment]:
        """Document, plan and drawing as they go out, written once: most of what opening a job takes."""
        if not self.written:
            whole = (self.made.ask.job.model_dump(mode="json"), self.made.plan, self.drawing)
            self.written.extend(orjson.Fragment(orjson.dumps(one, default=as_sent)) for one in whole)
        return dict(zip(("document", "plan", "drawing"), self.written, strict=True))


class Memo:
    """The newest plan of each job, the job least lately used dropped first. Older versions of a job have no place of their own:
    they would push out what others are working on, and the newest one's answers serve them, too."""

    def __init__(self, most: int = MOST) -> None:
        self.most = most
        self.plans: OrderedDict[UUID, tuple[int, PlanEntry]] = OrderedDict()
        self.lock = Lock()

    def get(self, job_id: UUID, version: int) -> PlanEntry | None:
        """The plan of a version, while it is the newest one here."""
        with self.lock:
            found = self.plans.get(job_id)
            if found is None or found[0] != version:
                return None
            self.plans.move_to_end(job_id)
            return found[1]

    def near(self, job_id: UUID) -> JobPlan | None:
        """The plan of any version of a job: its answers may serve."""
        found = self.plans.get(job_id)
        return found[1].made if found else None

    def put(self, job_id: UUID, version: int, kept: PlanEntry) -> None:
        """Keep a plan, unless a newer one of its job is here."""
        with self.lock:
            there = self.plans.get(job_id)
            if there is not None and there[0] > version:
                return
            self.plans[job_id] = version, kept
            self.plans.move_to_end(job_id)
            while len(self.plans) > self.most:
                self.plans.popitem(last=False)
