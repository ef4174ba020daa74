"""The box check: a kit's parts against its sheet, made for ticking before the fabric is opened."""

from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_WORKSHOP, PDF, Ready, Sheet


def box_sheet(ready: Ready) -> bytes:
    """One line a part, with room for the count."""
    found = [finding for finding in ready.made.findings if finding.code in ("box-short", "box-not-counted")]
    values = ready.common | {"box": ready.made.table("box"), "found": found}
    return to_pdf(render("box.html", ready.paper, title="box check", **values))


SHEET = Sheet(
    key="box-check",
    label="Box check",
    group=FOR_THE_WORKSHOP,
    note="PDF",
    media_type=PDF,
    ending="box check.pdf",
    make=box_sheet,
    papers=True,
    there=lambda made: made.table("box") is not None,
)
