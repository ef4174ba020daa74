"""What to measure before ordering."""

from gantline.compare.before_order import open_facts
from gantline.compare.materials import bench
from gantline.plan.plan import MEASURE
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


def order_check(ready: Ready) -> bytes:
    """Everything an order rests on that nobody has measured yet."""
    figures = ready.made.figures
    ordered = [figures[key] for key in KEYS if key in figures and figures[key].text]
    lines = [line for line in bench(ready.made.ask, ready.boards).materials.rows if line.state == "buy"]
    values = ready.common | {
        "open": tuple(open_facts(ready.made, KEYS)),
        # what to measure before drilling stands on the wall sheet
        "checks": [
            finding
            for finding in ready.made.findings
            if finding.severity == "check" and finding.code != MEASURE
        ],
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
