"""Every comparison by its name, for whoever asks for one without knowing how it is made."""

from collections.abc import Callable, Mapping
from typing import Any

from gantline.compare.fabrics import fabric_table
from gantline.compare.floor import Measure, floor_map
from gantline.compare.materials import bench
from gantline.compare.payoff import payoff
from gantline.compare.projectors import projector_table
from gantline.compare.side_by_side import as_csv, in_words
from gantline.compare.sizes import size_table
from gantline.core.budget import COMPARE_STEPS, budget
from gantline.job.records import RecordKind
from gantline.plan.plan import JobPlan

Records = Callable[[RecordKind], list[tuple[str, str, dict[str, Any]]]]


def compared(what: str, job_plan: JobPlan, more: Mapping[str, Any], records: Records) -> Any:
    """One comparison of a planned job.  more: measure and state of the floor; of candidates beside each other, form
    `words` and the keys of two of them, or form `file`, for the CSV as text.

    Raises: ValueError for no such name, NoSuchCandidate, TooMuchWork past a comparison's steps.
    """
    with budget(COMPARE_STEPS):
        table = _compared(what, job_plan, more, records)
    match more.get("form"):
        case "words":
            return in_words(table.rows, table.measures, str(more["first"]), str(more["second"]))
        case "file":
            return as_csv(table.rows, table.measures).decode()
        case _:
            return table


def _compared(what: str, job_plan: JobPlan, more: Mapping[str, Any], records: Records) -> Any:
    match what:
        case "sizes":
            return size_table(job_plan.ask, boards=records(RecordKind.BOARD))
        case "fabrics":
            return fabric_table(job_plan.ask, records(RecordKind.FABRIC))
        case "projectors":
            return projector_table(job_plan.ask, records(RecordKind.PROJECTOR))
        case "bench":
            return bench(job_plan.ask, records(RecordKind.BOARD))
        case "payoff":
            return payoff(job_plan)
        case "floor":
            return floor_map(job_plan.ask, Measure(more["measure"]), state=int(more["state"]))
        case _:
            raise ValueError(f"there is no comparison named {what}")
