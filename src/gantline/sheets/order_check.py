"""What to measure before ordering."""

from dataclasses import dataclass

from gantline.compare.materials import bench
from gantline.job.model import FIELDS
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_ORDER, PDF, Ready, Sheet

KEYS = (
    "width",
    "height",
    "diagonal",
    "overall_width",
    "overall_height",
    "border_side",
    "light_fabric",
    "projector",
    "points",
)


@dataclass(frozen=True, slots=True)
class Open:
    """One assumed fact that an order rests on."""

    label: str
    text: str
    effect: str


def order_check(ready: Ready) -> bytes:
    """Everything an order rests on that nobody has measured yet."""
    figures = ready.made.figures
    ordered = [figures[key] for key in KEYS if key in figures and figures[key].text]
    facts = {field.key: field for field in FIELDS.values() if field.fact}
    binds = {key for figure in ordered for key in figure.rests_on} | {
        fact.key for fact in ready.made.to_measure
    }
    assumed = [
        Open(figure.label, figure.text, facts[figure.key].moves or figure.working.source)
        for figure in figures.values()
        if figure.key in facts and figure.key in binds and figure.known == "assumed" and figure.text
    ]
    lines = [line for line in bench(ready.made.ask, ready.boards).materials.rows if line.state == "buy"]
    values = ready.common | {
        "open": assumed,
        "order": [(figure.label, figure.text) for figure in ordered],
        "lines": lines,
    }
    return to_pdf(render("order.html", ready.paper, title="order check", **values))


SHEET = Sheet(
    key="order-check",
    label="Order check",
    group=FOR_THE_ORDER,
    note="PDF",
    media_type=PDF,
    ending="order check.pdf",
    make=order_check,
    papers=True,
)
