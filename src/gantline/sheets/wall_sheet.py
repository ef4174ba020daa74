"""The wall sheet: everything a crew needs at the wall, black on white, as one PDF."""

from collections.abc import Sequence
from dataclasses import replace

from gantline.core.units import pair_text
from gantline.drawing.drawing import Drawing
from gantline.job.document import Job
from gantline.plan.plan import Plan
from gantline.sheets.pdf import PAPERS, Paper, markup, render, to_pdf
from gantline.sheets.svg import face_svg, scale_text
from gantline.sheets.tape_svg import tape_svg

ELEVATION_LAYERS = ("survey", "size", "wall")
ELEVATION_HIGH, BACK_HIGH = 126.0, 100.0


def wall_sheet_html(job: Job, plan: Plan, drawing: Drawing, paper: Paper, stamp: str) -> str:
    """The sheet as HTML with inline SVG. stamp: version and date, as it goes to the foot."""
    width = PAPERS[paper][1]
    figures = {figure.key: figure.text for figure in plan.figures}
    elevation = _without(drawing, ("datum-height", "ceiling-height", "across"))
    return render(
        "wall.html",
        paper,
        title="wall sheet",
        job=job,
        plan=plan,
        stamp=stamp,
        aspect=f"{job.size.aspect}, {figures['diagonal']} diagonal",
        overall=pair_text(
            drawing.back.right_mm - drawing.back.left_mm,
            drawing.back.top_mm - drawing.back.bottom_mm,
            job.units.to_core(),
        ),
        elevation=markup(
            face_svg(elevation.front, ELEVATION_LAYERS, width, ELEVATION_HIGH, standalone=False)
        ),
        scale=scale_text(elevation.front, ELEVATION_LAYERS, width, ELEVATION_HIGH),
        back=markup(face_svg(drawing.back, ("tension", "wall"), width, BACK_HIGH, standalone=False)),
        back_scale=scale_text(drawing.back, ("tension", "wall"), width, BACK_HIGH),
        tapes=[(window, markup(tape_svg(window))) for window in drawing.tape],
        check=figures,
    )


def wall_sheet_pdf(job: Job, plan: Plan, drawing: Drawing, paper: Paper, stamp: str) -> bytes:
    """The sheet as PDF."""
    return to_pdf(wall_sheet_html(job, plan, drawing, paper, stamp))


def _without(drawing: Drawing, keys: Sequence[str]) -> Drawing:
    kept = tuple(mark for mark in drawing.front.marks if mark.key not in keys)
    return replace(drawing, front=replace(drawing.front, marks=kept))
