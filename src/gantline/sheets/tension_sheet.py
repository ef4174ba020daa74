"""The tension sheet: the frame from the back with every point, and the order to work in."""

from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.sheets.svg import face_svg, scale_text
from gantline.stations.tension import tension_points
from gantline.stations.tension.solve import tension_steps
from gantline.stations.tension.station import TENSION

LAYERS, HIGH = ("tension", "wall"), 100.0


def tension_sheet(ready: Ready) -> bytes:
    """Points seen from the back, then every step with its tape readings."""
    width, back = PAPERS[ready.paper][1], ready.back
    lead = ready.leading(tension_points, tension_steps)
    led = [finding for finding in ready.made.findings if finding in lead or finding.station == TENSION.key]
    values = ready.common | {
        "back": markup(face_svg(back, LAYERS, width, HIGH, standalone=False)),
        "scale": scale_text(back, LAYERS, width, HIGH),
        "stops": [finding for finding in led if finding.severity == "stop"],
        "minds": [finding for finding in led if finding.severity != "stop"],
    }
    return to_pdf(render("tension.html", ready.paper, title="tension sheet", **values))


SHEET = Sheet(
    key="tension-sheet",
    label="Tension sheet",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="tension sheet.pdf",
    make=tension_sheet,
    papers=True,
    about=(tension_points, tension_steps),
    there=lambda made: not isinstance(made.ask(tension_points), str),
)
