"""Sheets of a saved job: PDF, DXF, CSV, SVG."""

from enum import StrEnum
from typing import Literal
from uuid import UUID

from fastapi import APIRouter, Response

from gantline.api import services
from gantline.api.answers import PROBLEM_ANSWERS, attachment
from gantline.api.deps import SessionDep, ShopId
from gantline.job.file import read_job
from gantline.job.records import RecordKind
from gantline.sheets.sheets import SHEETS, Ready
from gantline.store import jobs, shops

router = APIRouter(prefix="/api/jobs", tags=["sheets"], responses=PROBLEM_ANSWERS)
SheetName = StrEnum("SheetName", {name.replace("-", "_").upper(): name for name in SHEETS})  # type: ignore[misc]


@router.get("/{job_id}/sheets/{sheet}", response_class=Response)
def get_sheet(
    job_id: UUID,
    sheet: SheetName,
    session: SessionDep,
    shop_id: ShopId,
    paper: Literal["a4", "letter"] = "a4",
) -> Response:
    """One sheet of the job's newest version."""
    version = jobs.head(session, shop_id, job_id)
    job = read_job(version.document)
    shop = shops.settings_of(session, shop_id)
    made, drawing = services.planned(job, shop)
    fabrics = [(row.key, row.name, row.body) for row in shops.records(session, shop_id, RecordKind.FABRIC)]
    stamp = f"version {version.number}, {version.saved_at:%Y-%m-%d}"
    kind = SHEETS[str(sheet)]
    content = kind.make(
        Ready(job=job, planned=made, drawing=drawing, stamp=stamp, paper=paper, shop=shop, fabrics=fabrics)
    )
    return attachment(content, kind.media_type, f"{job.name}, {kind.ending}")
