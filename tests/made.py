"""Sample jobs, changed and planned: what most tests begin with."""

from collections.abc import Iterable
from typing import Any

from gantline.drawing.marks import Area, Face, Mark
from gantline.job.edits import Edit, apply
from gantline.job.model import Job
from gantline.plan.finding import Change, PlanFinding
from gantline.plan.plan import JobPlan
from gantline.stations import plan
from tests.conftest import demo_job

JOBS = ("mill-loft", "narrow-lounge", "parish-hall", "basement-den")


def edited(job: Job, fields: dict[str, Any]) -> Job:
    """Set fields by pointer."""
    return apply(job, [Edit(pointer=pointer, value=value) for pointer, value in fields.items()])


def changed(name: str, **fields: Any) -> Job:
    """A sample job with fields set; two underscores for a slash."""
    return edited(demo_job(name), {f"/{key.replace('__', '/')}": value for key, value in fields.items()})


def taken(job: Job, changes: Iterable[Change]) -> Job:
    """A job after the changes of a cure or of a row."""
    return apply(job, [Edit(pointer=one.pointer, value=one.value, known=one.known) for one in changes])


def findings(job: Job) -> dict[str, PlanFinding]:
    """Findings by their code."""
    return {one.code: one for one in plan(job).findings}


def stops(job: Job) -> list[str]:
    """Texts of what stops a job."""
    return [one.text for one in plan(job).findings if one.severity == "stop"]


def number(made: JobPlan, key: str) -> float:
    """A figure's value."""
    value = made.figures[key].value
    assert isinstance(value, int | float)
    return float(value)


def by_key(face: Face) -> dict[str, Mark]:
    """The marks of a face."""
    return {mark.key: mark for mark in face.marks}


def areas(face: Face, role: str) -> list[Area]:
    """The areas of one role."""
    return [one for one in face.marks if isinstance(one, Area) and one.role == role]
