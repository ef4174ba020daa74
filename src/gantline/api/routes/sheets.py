"""Sheets of a saved job: PDF, DXF, CSV, SVG."""

from enum import StrEnum
from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from gantline.api.answers import PROBLEM_ANSWERS, answer, attachment
from gantline.api.deps import DeskDep, DeskRoute
from gantline.api.desk import Desk
from gantline.api.door import UNDER_WAY, Question, WorkGone, WorkOut, look, question, through
from gantline.api.schemas.jobs import SheetOut, SheetPictures
from gantline.api.services.plans import planned
from gantline.core.errors import DesignError
from gantline.sheets.pack import packed
from gantline.sheets.registry import SHEETS
from gantline.sheets.sheet import PDF, Paper, Ready
from gantline.store import jobs, results, shops
from gantline.store.models import JobVersionRow

router = APIRouter(prefix="/api", tags=["sheets"], responses=PROBLEM_ANSWERS, route_class=DeskRoute)
Key = Annotated[str, Path(pattern="^[0-9a-f]{64}$")]


class NoPages(DesignError):
    """A file that is no sheet of pages."""

    code = "no-pages"


SheetName = StrEnum("SheetName", {name.replace("-", "_").upper(): name for name in SHEETS})  # type: ignore[misc]


@router.get("/jobs/{job_id}/sheets", response_model=list[SheetOut])
def list_sheets(job_id: UUID, desk: DeskDep) -> Response:
    """The sheets of the job's newest version that have something to show, in order, and what leads each."""
    made = planned(desk, jobs.head(desk.session, desk.shop_id, job_id))
    ready = Ready(made=made, stamp="")
    keys = ("key", "label", "group", "note", "papers")
    return answer(
        [
            {key: getattr(sheet, key) for key in keys} | {"leads": sheet.led_by(ready)}
            for sheet in SHEETS.values()
            if sheet.there(made)
        ]
    )


@router.get("/jobs/{job_id}/sheets/{sheet}", response_class=Response, responses=UNDER_WAY)
async def get_sheet(job_id: UUID, sheet: SheetName, request: Request, paper: Paper | None = None) -> Response:
    """One sheet of the job's newest version, on the shop's paper unless told otherwise; 202 with the key to follow where it
    takes longer."""
    kind, name = SHEETS[str(sheet)], ""

    def asked(desk: Desk) -> Question:
        nonlocal name
        version = jobs.head(desk.session, desk.shop_id, job_id)
        name = str(version.document.get("name") or "job")
        return question(desk, "sheet", _args(desk, version, paper) | {"sheet": str(sheet)})

    return await through(
        request, asked, lambda content: attachment(content, kind.media_type, f"{name}, {kind.ending}")
    )


@router.get("/jobs/{job_id}/sheets/{sheet}/pictures", response_model=SheetPictures, responses=UNDER_WAY)
async def sheet_pictures(
    job_id: UUID, sheet: SheetName, request: Request, paper: Paper | None = None, first: bool = False
) -> Response:
    """The pages of a sheet as pictures, to be seen before it is printed; first: only the first page, small.

    Raises: NoPages for a file that has none.
    """
    if SHEETS[str(sheet)].media_type != PDF:
        raise NoPages(f"{SHEETS[str(sheet)].label} is a file for other programs and has no pages.")

    def asked(desk: Desk) -> Question:
        version = jobs.head(desk.session, desk.shop_id, job_id)
        return question(desk, "pictures", _args(desk, version, paper) | {"sheet": str(sheet), "first": first})

    return await through(request, asked, lambda content: Response(content, media_type="application/json"))


@router.get("/jobs/{job_id}/pack", response_class=Response, responses=UNDER_WAY)
async def get_pack(
    job_id: UUID,
    request: Request,
    sheets: Annotated[list[SheetName], Query(min_length=1, max_length=len(SHEETS))],
    paper: Paper | None = None,
) -> Response:
    """The job pack: the sheets that are named in one PDF, each once, in the order of the menu.

    Raises: NoPages where none of them has pages.
    """
    wanted = {str(sheet) for sheet in sheets}
    chosen = packed([sheet for sheet in SHEETS.values() if sheet.key in wanted])
    if not chosen:
        raise NoPages("A job pack is made of sheets with pages. Choose at least one that is a PDF.")
    name = ""

    def asked(desk: Desk) -> Question:
        nonlocal name
        version = jobs.head(desk.session, desk.shop_id, job_id)
        name = str(version.document.get("name") or "job")
        return question(
            desk, "pack", _args(desk, version, paper) | {"sheets": [sheet.key for sheet in chosen]}
        )

    return await through(request, asked, lambda content: attachment(content, PDF, f"{name}, job pack.pdf"))


def _args(desk: Desk, version: JobVersionRow, paper: Paper | None) -> dict[str, Any]:
    return {
        "job": str(version.job_id),
        "version": version.number,
        "paper": paper or shops.paper(desk.session, desk.shop_id),
    }


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
