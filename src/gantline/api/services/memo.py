"""Plans at hand: the newest few, so that a re-plan keeps what did not change. Losing one costs only time."""

from collections import OrderedDict
from collections.abc import Mapping
from dataclasses import dataclass, field
from threading import Lock
from typing import Any
from uuid import UUID

import orjson

from gantline.plan.plan import JobPlan
from gantline.plan.working import as_plain

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
            self.written.extend(orjson.Fragment(orjson.dumps(one, default=as_plain)) for one in whole)
        return dict(zip(("document", "plan", "drawing"), self.written, strict=True))


class Memo:
    """Plans by job and version, the least lately used dropped first."""

    def __init__(self, most: int = MOST) -> None:
        self.most = most
        self.plans: OrderedDict[tuple[UUID, int], PlanEntry] = OrderedDict()
        self.lock = Lock()

    def get(self, job_id: UUID, version: int) -> PlanEntry | None:
        """The plan of a version."""
        with self.lock:
            found = self.plans.get((job_id, version))
            if found is not None:
                self.plans.move_to_end((job_id, version))
            return found

    def near(self, job_id: UUID, version: int) -> JobPlan | None:
        """The plan of a version, or of another one of the same job: its answers may serve."""
        found = self.get(job_id, version)
        if found is None:
            with self.lock:
                key = next((one for one in reversed(self.plans) if one[0] == job_id), None)
                found = self.plans[key] if key else None
        return found.made if found else None

    def put(self, job_id: UUID, version: int, kept: PlanEntry) -> None:
        """Keep a plan."""
        with self.lock:
            self.plans[(job_id, version)] = kept
            self.plans.move_to_end((job_id, version))
            while len(self.plans) > self.most:
                self.plans.popitem(last=False)
