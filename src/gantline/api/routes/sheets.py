"""Sheets of a saved job: PDF, DXF, CSV, SVG."""

from enum import StrEnum
from typing import Literal
from uuid import UUID

from fastapi import APIRouter, Response

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.schemas.jobs import SheetOut
from gantline.api.services.plans import planned
from gantline.job.records import RecordKind
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import Ready
from gantline.store import jobs, shops

router = APIRouter(prefix="/api", tags=["sheets"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
SheetName = StrEnum("SheetName", {name.replace("-", "_").upper(): name for name in SHEETS})  # type: ignore[misc]


@router.get("/sheets", response_model=list[SheetOut])
def list_sheets() -> Response:
    """The menu of sheets, in order."""
    keys = ("key", "label", "group", "note", "papers")
    return answer([{key: getattr(one, key) for key in keys} for one in SHEETS.values()])


@router.get("/jobs/{job_id}/sheets/{sheet}", response_class=Response)
def get_sheet(
    job_id: UUID, sheet: SheetName, desk: DeskDep, paper: Literal["a4", "letter"] = "a4"
) -> Response:
    """One sheet of the job's newest version."""
    version = jobs.head(desk.session, desk.shop_id, job_id)
    made = planned(desk, version)
    fabrics = shops.named_records(desk.session, desk.shop_id, RecordKind.FABRIC)
    stamp = f"version {version.number}, {version.saved_at:%Y-%m-%d}"
    kind = SHEETS[str(sheet)]
    content = kind.make(Ready(made=made, stamp=stamp, paper=paper, fabrics=fabrics))
    return attachment(content, kind.media_type, f"{made.ask.job.name}, {kind.ending}")
