"""Plans at hand: the newest few, so that a re-plan keeps what did not change. Losing one costs only time."""

from collections import OrderedDict
from collections.abc import Mapping
from dataclasses import dataclass, field, fields
from threading import Lock
from typing import Any
from uuid import UUID

import orjson

from gantline.plan.plan import JobPlan
from gantline.plan.whole import Plan
from gantline.plan.working import as_plain

MOST = 256  # a plan with its drawing is about a megabyte; fewer than work at once, and every drag plans from nothing
PLAN_PARTS = tuple(one.name for one in fields(Plan) if one.name not in ("figures", "tables"))


@dataclass(frozen=True, slots=True)
class PlanEntry:
    """A plan that nobody asks any further, with its faces and its tape; by name what was written of it, and from what."""

    made: JobPlan
    drawing: Mapping[str, Any]
    written: dict[str, tuple[Any, orjson.Fragment]] = field(default_factory=dict)

    def parts(self, before: "PlanEntry | None" = None) -> dict[str, Any]:
        """Document, plan and drawing as they go out, written once: most of what opening a job takes.

        before: an earlier plan of the job; most of its figures and tables stand in this one, too, and are written there.
        """
        written = before.written if before is not None else {}
        plan = self.made.plan
        rest = {name: getattr(plan, name) for name in PLAN_PARTS}
        return {
            "document": orjson.Fragment(self.made.job.model_dump_json()),
            "plan": rest
            | {
                "figures": [self._piece(figure.key, figure, written) for figure in plan.figures],
                "tables": {
                    key: self._piece(f"table {key}", one, written) for key, one in plan.tables.items()
                },
            },
            "drawing": {
                key: self._piece(f"drawing {key}", one, written) for key, one in self.drawing.items()
            },
        }

    def _piece(
        self, name: str, value: Any, there: Mapping[str, tuple[Any, orjson.Fragment]]
    ) -> orjson.Fragment:
        got = self.written.get(name) or there.get(name)
        if got is None or got[0] is not value:
            got = value, orjson.Fragment(orjson.dumps(value, default=as_plain))
        self.written[name] = got
        return got[1]


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

    def near(self, job_id: UUID) -> PlanEntry | None:
        """The plan of any version of a job: its answers may serve, and what is written of it."""
        found = self.plans.get(job_id)
        return found[1] if found else None

    def made(self, job_id: UUID) -> JobPlan | None:
        """The plan alone."""
        near = self.near(job_id)
        return near.made if near else None

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
