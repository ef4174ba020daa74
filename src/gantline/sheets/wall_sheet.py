"""The wall sheet: everything a crew needs at the wall, black on white, as one PDF."""

from collections.abc import Sequence
from functools import cache
from pathlib import Path
from typing import Any, Literal

from jinja2 import Environment, FileSystemLoader, StrictUndefined, Template
from markupsafe import Markup

from gantline.core.units import pair_text
from gantline.drawing.drawing import Drawing
from gantline.job.document import Job
from gantline.plan.plan import Plan
from gantline.sheets.lettering import FONTS, font_faces, html_text
from gantline.sheets.svg import face_svg, scale_text
from gantline.sheets.tape_svg import tape_svg

TEMPLATES = Path(__file__).parent / "templates"
Paper = Literal["a4", "letter"]
PAPERS: dict[Paper, tuple[str, float]] = {"a4": ("A4", 182.0), "letter": ("letter", 187.0)}
ELEVATION_LAYERS = ("survey", "size", "wall")
ELEVATION_HIGH, BACK_HIGH = 126.0, 100.0


def wall_sheet_html(job: Job, plan: Plan, drawing: Drawing, paper: Paper, stamp: str) -> str:
    """The sheet as HTML with inline SVG. stamp: version and date, as it goes to the foot."""
    page, width = PAPERS[paper]
    figures = {figure.key: figure.text for figure in plan.figures}
    elevation = _without(drawing, ("datum-height", "ceiling-height", "across"))
    return _template().render(
        job=job,
        plan=plan,
        paper=page,
        stamp=stamp,
        fonts=Markup(font_faces()),  # noqa: S704 - our own style sheet
        aspect=f"{job.size.aspect}, {figures['diagonal']} diagonal",
        overall=pair_text(
            drawing.back.right_mm - drawing.back.left_mm, drawing.back.top_mm - drawing.back.bottom_mm, job.units.to_core()
        ),
        elevation=_markup(face_svg(elevation.front, ELEVATION_LAYERS, width, ELEVATION_HIGH, standalone=False)),
        scale=scale_text(elevation.front, width, ELEVATION_HIGH),
        back=_markup(face_svg(drawing.back, ("tension", "wall"), width, BACK_HIGH, standalone=False)),
        back_scale=scale_text(drawing.back, width, BACK_HIGH),
        tapes=[(window, _markup(tape_svg(window))) for window in drawing.tape],
        check=figures,
    )


def wall_sheet_pdf(job: Job, plan: Plan, drawing: Drawing, paper: Paper, stamp: str) -> bytes:
    """The sheet as PDF. Imports its layout engine only now: the server starts without it."""
    from weasyprint import HTML

    html = wall_sheet_html(job, plan, drawing, paper, stamp)
    made = HTML(string=html, base_url=str(TEMPLATES), url_fetcher=_own_files_only()).write_pdf()
    return bytes(made or b"")


def _own_files_only() -> Any:
    """A fetcher of our own fonts alone: nothing a job file says can make the sheet fetch anything."""
    from weasyprint.urls import URLFetcher

    class OwnFonts(URLFetcher):  # type: ignore[misc]
        def fetch(self, url: str, headers: Any = None) -> Any:
            if not url.startswith(FONTS.as_uri()):
                raise ValueError("the sheet fetches nothing from outside")
            return super().fetch(url, headers)

    return OwnFonts(allowed_protocols=("file",))


def _without(drawing: Drawing, keys: Sequence[str]) -> Drawing:
    from dataclasses import replace

    kept = tuple(mark for mark in drawing.front.marks if mark.key not in keys)
    return replace(drawing, front=replace(drawing.front, marks=kept))


def _markup(svg: str) -> Markup:
    return Markup(svg)  # noqa: S704 - made by our own pen, texts escaped there


@cache
def _template() -> Template:
    environment = Environment(loader=FileSystemLoader(TEMPLATES), autoescape=True, undefined=StrictUndefined)
    environment.globals.update(t=lambda text: Markup(html_text(str(text))), css=_css_string, runs=runs)  # noqa: S704
    return environment.get_template("wall.html")


def _css_string(text: str) -> str:
    """A text for a CSS string: quotes, backslashes and line ends escaped by code point."""
    return Markup("".join(letter if letter.isalnum() or letter in " .,-·" else f"\\{ord(letter):06x}" for letter in text))  # noqa: S704


def runs(numbers: Sequence[int]) -> str:
    """Point numbers in short: 7, 8, 9 becomes 7 to 9; a falling run reads upward."""
    ordered, out = sorted(numbers), []
    start = previous = ordered[0] if ordered else 0
    for number in [*ordered[1:], 10**9]:
        if number == previous + 1:
            previous = number
            continue
        out.append(
            str(start) if start == previous else f"{start}, {previous}" if previous == start + 1 else f"{start} to {previous}"
        )
        start = previous = number
    return ", ".join(out) if ordered else ""
