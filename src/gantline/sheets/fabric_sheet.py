"""The fabric sheet: the blank, how it is cut from the roll, the floor it takes, and how to handle it."""

from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WORKSHOP, PDF, Ready, Sheet
from gantline.stations.frame import blank, roll_cut
from gantline.stations.frame.blank import work_area_mm
from gantline.stations.frame.tables import RollDrawing

HIGH = 60.0
ROWS = (
    "blank_size",
    "fabric_past",
    "return_back",
    "grip",
    "stretch",
    "layers",
    "roll_length",
    "roll_spare",
    "work_area",
)


def fabric_sheet(ready: Ready) -> bytes:
    """What the table needs before the first cut."""
    roll = ready.made.table("roll")
    width = PAPERS[ready.paper][1]
    values = ready.common | {
        "roll": roll,
        "drawn": markup(roll_svg(roll, width)) if roll else "",
        "rows": [
            ready.made.figures[key]
            for key in ROWS
            if key in ready.made.figures and ready.made.figures[key].text
        ],
        "found": ready.leading(blank, roll_cut, work_area_mm),
    }
    return to_pdf(render("fabric.html", ready.paper, title="fabric sheet", **values))


def roll_svg(roll: RollDrawing, width: float) -> str:
    """The blank on its roll, to scale in paper mm."""
    scale = min(0.94 * width / roll.along_mm, HIGH / roll.roll_mm)
    long, roller = roll.along_mm * scale, roll.roll_mm * scale
    blank = min(roll.across_mm, roll.roll_mm) * scale
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:.1f}mm" height="{roller + 2:.1f}mm" '
        f'viewBox="-1 -1 {width:.1f} {roller + 2:.1f}"><title>fabric on the roll</title>'
        '<defs><pattern id="left" width="1.6" height="1.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">'
        '<path d="M0 0V1.6" stroke="#999" stroke-width=".2"/></pattern></defs>'
        f'<rect width="{long + 8:.2f}" height="{roller:.2f}" fill="url(#left)" stroke="#000" stroke-width=".25"/>'
        f'<rect width="{long:.2f}" height="{blank:.2f}" fill="#fff" stroke="#000" stroke-width=".6"/>'
        f'<path d="M{long:.2f} -1V{roller + 1:.2f}" stroke="#000" stroke-width=".4" stroke-dasharray="2 1"/></svg>'
    )


SHEET = Sheet(
    key="fabric-sheet",
    label="Fabric sheet",
    group=FOR_THE_WORKSHOP,
    note="PDF",
    media_type=PDF,
    ending="fabric sheet.pdf",
    make=fabric_sheet,
    papers=True,
    about=(blank, roll_cut, work_area_mm),
    there=lambda made: made.table("roll") is not None,
)
