"""From a template to a PDF: our own fonts and styles, nothing fetched from outside."""

import atexit
from functools import cache
from pathlib import Path
from typing import TYPE_CHECKING, Any

from markupsafe import Markup

from gantline.sheets.lettering import FONTS, font_faces, html_text
from gantline.sheets.sheet import Paper

if TYPE_CHECKING:
    from jinja2 import Template

PHOTO = "data:image/jpeg;base64,"
CLOSER = ("dense", "denser")  # how a sheet is set where its last page would hold a few lines only
WELL_FILLED = 0.2  # of a page: a last page with more than that stays
TEMPLATES = Path(__file__).parent / "templates"
PAPERS: dict[Paper, tuple[str, float]] = {"a4": ("A4", 182.0), "letter": ("letter", 187.0)}


def render(name: str, paper: Paper, **values: Any) -> str:
    """A template as HTML, with what every sheet needs."""
    return template(name).render(paper=PAPERS[paper][0], **values)


def to_pdf(html: str) -> bytes:
    """HTML as PDF, set closer where that saves a page: no sheet ends in a page that holds a few lines only.

    Imports its layout engine only now: the server starts without it.
    """
    from weasyprint import HTML

    faces, fonts = own_fonts()

    def laid(text: str) -> Any:
        page = HTML(string=text, base_url=str(TEMPLATES), url_fetcher=_own_files_only())
        return page.render(stylesheets=[faces], font_config=fonts)

    document = laid(html)
    for closer in CLOSER if "<body>" in html else ():
        if len(document.pages) == 1 or _filled(document.pages[-1]) > WELL_FILLED:
            break
        close = laid(html.replace("<body>", f'<body class="{closer}">', 1))
        if len(close.pages) < len(document.pages):
            document = close
            break
    return bytes(document.write_pdf() or b"")


def _filled(page: Any) -> float:
    """How far down a laid page its text reaches, as a share of the room for it."""
    box = page._page_box
    body = next(child for child in box.children if child.element_tag == "html")

    def lowest(part: Any) -> float:
        inner = [child for child in getattr(part, "children", ()) if child.is_in_normal_flow()]
        own = (
            0.0
            if inner
            else float(part.position_y + (part.height if isinstance(part.height, float) else 0.0))
        )
        return max((own, *(lowest(child) for child in inner)))

    return float((lowest(body) - body.content_box_y()) / max(1.0, float(box.height)))


@cache
def own_fonts() -> tuple[Any, Any]:
    """Our fonts as the layout engine keeps them, unpacked once a process: that takes longer than a page."""
    from weasyprint import CSS
    from weasyprint.text.fonts import FontConfiguration

    fonts = FontConfiguration()
    atexit.register(
        own_fonts.cache_clear
    )  # it tidies up after itself, which needs modules that go at the very end
    return CSS(string=font_faces(), url_fetcher=_own_files_only(), font_config=fonts), fonts


def _own_files_only() -> Any:
    """A fetcher of our own fonts, and of photos that stand in the page itself: nothing a job file says can make the sheet fetch
    anything."""
    from weasyprint.urls import URLFetcher

    class OwnFonts(URLFetcher):  # type: ignore[misc]
        def fetch(self, url: str, headers: Any = None) -> Any:
            if not url.startswith((FONTS.as_uri(), PHOTO)):
                raise ValueError("the sheet fetches nothing from outside")
            return super().fetch(url, headers)

    return OwnFonts(allowed_protocols=("file", "data"))


def markup(svg: str) -> Markup:
    """SVG of our own pens, taken as it is."""
    return Markup(svg)  # noqa: S704 - made by our own pen, texts escaped there


@cache
def template(name: str) -> "Template":
    """A template by its file name, compiled once; imports what compiles it only now."""
    from jinja2 import Environment, FileSystemLoader, StrictUndefined

    environment = Environment(loader=FileSystemLoader(TEMPLATES), autoescape=True, undefined=StrictUndefined)
    environment.globals.update(t=lambda text: Markup(html_text(str(text))), css=_css_string)  # noqa: S704
    return environment.get_template(name)


def _css_string(text: str) -> str:
    """A text for a CSS string: quotes, backslashes and line ends escaped by code point."""
    return Markup(  # noqa: S704
        "".join(
            letter if letter.isalnum() or letter in " .,-·" else f"\\{ord(letter):06x}" for letter in text
        )
    )
