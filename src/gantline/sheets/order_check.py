"""What to measure before ordering."""

from dataclasses import dataclass

from gantline.job.model import FIELDS
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_ORDER, PDF, Ready, Sheet

STATIONS = ("survey", "size", "light", "height", "throw")
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
    facts = {one.key: one for one in FIELDS.values() if one.fact}
    assumed = [
        Open(one.label, one.text, facts[one.key].moves or one.working.source)
        for one in figures.values()
        if one.key in facts and one.known == "assumed" and one.text and one.station in STATIONS
    ]
    order = [(one.label, one.text) for one in ordered]
    values = ready.common | {"open": assumed, "order": order}
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
