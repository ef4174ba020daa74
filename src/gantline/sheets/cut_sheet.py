"""The cut sheet: the frame from the back with every piece lettered, each board as a tape with its cuts, the cut list."""

from gantline.compare.cutting import cutting
from gantline.sheets.board_svg import board_svg
from gantline.sheets.mask_svg import masks_svg
from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WORKSHOP, PDF, Ready, Sheet
from gantline.sheets.svg import face_svg, full_size_svg, scale_text
from gantline.stations.frame import parts
from gantline.stations.frame.station import FRAME

LAYERS, HIGH = ("frame",), 82.0


def cut_sheet(ready: Ready) -> bytes:
    """Everything the saw needs."""
    width, back = PAPERS[ready.paper][1], ready.back
    cut = cutting(ready.made.ask, ready.boards)
    groups = [
        (
            group,
            [
                (one, markup(board_svg(one, max(board.length_mm for board in group.boards), width)))
                for one in group.boards
            ],
        )
        for group in cut.groups
    ]
    lead = ready.leading(parts)
    findings = [finding for finding in ready.made.findings if finding in lead or finding.station == FRAME.key]
    values = ready.common | {
        "back": markup(face_svg(back, LAYERS, width, HIGH, standalone=False)),
        "scale": scale_text(back, LAYERS, width, HIGH),
        "cut": cut,
        "edge": markup(full_size_svg(ready.face("edge"), LAYERS)),
        "groups": groups,
        "masks": markup(masks_svg(cut.masks)),
        "stops": [one for one in findings if one.severity == "stop"],
        "minds": [one for one in findings if one.severity != "stop"],
    }
    return to_pdf(render("cut.html", ready.paper, title="cut sheet", **values))


SHEET = Sheet(
    key="cut-sheet",
    label="Cut sheet",
    group=FOR_THE_WORKSHOP,
    note="PDF",
    media_type=PDF,
    ending="cut sheet.pdf",
    make=cut_sheet,
    papers=True,
    about=(parts,),
    there=lambda made: bool(made.ask(parts)),
)
