"""All that leaves the program for one job, by name: used by the API and by the command line."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import cast

from gantline.core.defaults import PLAIN_SHOP, Shop
from gantline.drawing.drawing import Drawing
from gantline.job.document import Job
from gantline.plan.plan import Planned
from gantline.sheets.dxf import frame_dxf
from gantline.sheets.marks_csv import marks_csv
from gantline.sheets.pdf import Paper
from gantline.sheets.proposal import Records, order_check_pdf, proposal_pdf
from gantline.sheets.rough_in import rough_in_pdf
from gantline.sheets.svg import face_svg
from gantline.sheets.wall_sheet import wall_sheet_pdf


@dataclass(frozen=True, slots=True, kw_only=True)
class Ready:
    """A job planned and drawn, and what goes to a sheet's foot."""

    job: Job
    planned: Planned
    drawing: Drawing
    stamp: str
    paper: str = "a4"
    shop: Shop = PLAIN_SHOP
    fabrics: Records = ()


@dataclass(frozen=True, slots=True)
class SheetKind:
    """One kind of sheet: its media type, the end of its file name, how it is made."""

    media_type: str
    ending: str
    make: Callable[[Ready], bytes]


def _pdf(ready: Ready) -> bytes:
    return wall_sheet_pdf(ready.job, ready.planned.plan, ready.drawing, cast(Paper, ready.paper), ready.stamp)


def _proposal(ready: Ready) -> bytes:
    paper = cast(Paper, ready.paper)
    return proposal_pdf(
        ready.job, ready.planned, ready.drawing, paper, ready.stamp, ready.shop, ready.fabrics
    )


def _order(ready: Ready) -> bytes:
    return order_check_pdf(ready.job, ready.planned, ready.drawing, cast(Paper, ready.paper), ready.stamp)


def _rough_in(ready: Ready) -> bytes:
    return rough_in_pdf(ready.job, ready.planned, ready.drawing, cast(Paper, ready.paper), ready.stamp)


SHEETS: Mapping[str, SheetKind] = {
    "wall-sheet": SheetKind("application/pdf", "wall sheet.pdf", _pdf),
    "proposal": SheetKind("application/pdf", "proposal.pdf", _proposal),
    "order-check": SheetKind("application/pdf", "order check.pdf", _order),
    "rough-in": SheetKind("application/pdf", "rough-in.pdf", _rough_in),
    "frame-and-holes": SheetKind(
        "image/vnd.dxf", "frame and holes.dxf", lambda ready: frame_dxf(ready.drawing.front, ready.job.name)
    ),
    "marks": SheetKind(
        "text/csv; charset=utf-8",
        "marks.csv",
        lambda ready: marks_csv(ready.planned.scene, ready.job.units.to_core()),
    ),
    "wall-drawing": SheetKind(
        "image/svg+xml",
        "wall.svg",
        lambda ready: face_svg(ready.drawing.front, ("survey", "size", "wall"), 277.0, 180.0).encode(),
    ),
    "tension-drawing": SheetKind(
        "image/svg+xml",
        "tension.svg",
        lambda ready: face_svg(ready.drawing.back, ("tension",), 277.0, 180.0).encode(),
    ),
}
