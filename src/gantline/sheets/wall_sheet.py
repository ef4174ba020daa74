"""The wall sheet: everything a crew needs at the wall, black on white, as one PDF."""

from dataclasses import replace

from gantline.compare.payoff import payoff
from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.sheets.svg import face_svg, scale_text
from gantline.sheets.tape_svg import tape_svg
from gantline.stations.wall.tables import tape

LAYERS = ("survey", "datum", "size", "wall")
LEFT_OUT = ("datum-height", "ceiling-height", "across")  # too many lanes for a page
CHECKED = ("hole_left", "hole_right", "upper_row", "lower_row", "frame_top", "pole")
WALL_HIGH, BACK_HIGH = 126.0, 100.0


def wall_sheet(ready: Ready) -> bytes:
    """Elevation, marks, tapes, findings, the order of tension."""
    width = PAPERS[ready.paper][1]
    kept = tuple(mark for mark in ready.front.marks if mark.key not in LEFT_OUT)
    wall, back = replace(ready.front, marks=kept), ready.back
    windows, found = ready.made.ask(tape), payoff(ready.made)
    named = {one.key: one for one in found.off}
    values = ready.common | {
        "payoff": found,
        "off": [
            {"label": ready.made.figures[key].label, "text": named[key].text, "rests": named[key].rests}
            for key in CHECKED
            if key in named
        ],
        "elevation": markup(face_svg(wall, LAYERS, width, WALL_HIGH, standalone=False)),
        "scale": scale_text(wall, LAYERS, width, WALL_HIGH),
        "back": markup(face_svg(back, ("tension", "wall"), width, BACK_HIGH, standalone=False)),
        "back_scale": scale_text(back, ("tension", "wall"), width, BACK_HIGH),
        "tapes": [(one, markup(tape_svg(one))) for one in (windows.windows if windows else ())],
    }
    return to_pdf(render("wall.html", ready.paper, title="wall sheet", **values))


SHEET = Sheet(
    key="wall-sheet",
    label="Wall sheet",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="wall sheet.pdf",
    make=wall_sheet,
    papers=True,
)
