"""Sheets of a saved job: PDF, DXF, CSV, SVG."""

from enum import StrEnum
from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Path, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Question, WorkGone, WorkOut, look, question, through
from gantline.api.schemas.jobs import SheetOut
from gantline.sheets.registry import SHEETS
from gantline.store import jobs, results

router = APIRouter(prefix="/api", tags=["sheets"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
Key = Annotated[str, Path(pattern="^[0-9a-f]{64}$")]
SheetName = StrEnum("SheetName", {name.replace("-", "_").upper(): name for name in SHEETS})  # type: ignore[misc]


@router.get("/sheets", response_model=list[SheetOut])
def list_sheets() -> Response:
    """The menu of sheets, in order."""
    keys = ("key", "label", "group", "note", "papers")
    return answer([{key: getattr(sheet, key) for key in keys} for sheet in SHEETS.values()])


@router.get("/jobs/{job_id}/sheets/{sheet}", response_class=Response, responses=UNDER_WAY)
async def get_sheet(
    job_id: UUID, sheet: SheetName, request: Request, paper: Literal["a4", "letter"] = "a4"
) -> Response:
    """One sheet of the job's newest version; 202 with the key to follow where it takes longer."""
    kind, name = SHEETS[str(sheet)], ""

    def asked(desk: Desk) -> Question:
        nonlocal name
        version = jobs.head(desk.session, desk.shop_id, job_id)
        name = str(version.document.get("name") or "job")
        args = {"job": str(job_id), "version": version.number, "sheet": str(sheet), "paper": paper}
        return question(desk, "sheet", args)

    return await through(
        request, asked, lambda content: attachment(content, kind.media_type, f"{name}, {kind.ending}")
    )


@router.get("/work/{key}", response_model=WorkOut)
async def follow_work(key: Key, request: Request) -> Response:
    """How far a piece of heavy work is; asking keeps it going."""
    found = await run_in_threadpool(look, request, key)
    if found is None:
        raise WorkGone("Nobody waited for this, so that it was given up. Ask again.")
    return answer(WorkOut(work=key, state=found.state, progress=found.progress).model_dump())


@router.delete("/work/{key}", status_code=204)
def give_up_work(key: Key, desk: DeskDep) -> None:
    """Nobody waits any more: its worker ends it."""
    results.give_up(desk.session, key)
