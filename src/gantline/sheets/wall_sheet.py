"""The wall sheet: everything a crew needs at the wall, black on white, as one PDF."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from gantline.compare.payoff import payoff
from gantline.core.units import read_tape
from gantline.drawing.layers import WALL_SHEET
from gantline.plan.ask import Ask
from gantline.sheets.pdf import PAPERS, markup, render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.sheets.svg import face_svg, scale_text
from gantline.sheets.tape_svg import tape_svg
from gantline.stations.height import fits, rect_of_frame, rect_of_picture
from gantline.stations.survey import room, seat_furniture
from gantline.stations.tension.station import TENSION
from gantline.stations.wall import drilling
from gantline.stations.wall.loads import used_by_hole
from gantline.stations.wall.station import WALL
from gantline.stations.wall.tables import tape

# too many lanes for a page; the viewable sides stand in the middle of the picture, and in the table of edges
LEFT_OUT = ("datum-height", "ceiling-height", "across", "viewable-width", "viewable-height")
CHECKED = ("hole_left", "hole_right", "upper_row", "lower_row", "frame_top", "pole")
HUNG = (("way", "Way of hanging"), ("bracket_name", "Brackets"), ("screws", "Screws"), ("fix_to", "Fixed"))
HEIGHTS = (
    ("datum", "Datum line above floor"),
    ("frame_top", "Frame top above floor"),
    ("hole_drop", "Drop, hole to frame top"),
)
WALL_HIGH = 118.0


@dataclass(frozen=True, slots=True)
class Edges:
    """Where an outline comes to lie, to be masked with tape first: left and right from the left wall end, top and
    bottom from the datum line; and what the tape reads across and down between those marks."""

    name: str
    left: str
    right: str
    top: str
    bottom: str
    across: str
    down: str


def wall_sheet(ready: Ready) -> bytes:
    """What stops the job, elevation, marks, tapes, edges, findings."""
    width = PAPERS[ready.paper][1]
    # each load stands in the table, beside its hole
    sat_in = {key for name in ready.made.ask(seat_furniture) for key in (f"box-{name}", f"box-name-{name}")}
    kept = tuple(
        mark
        for mark in ready.front.marks
        if mark.key not in LEFT_OUT and mark.key not in sat_in and not mark.key.startswith("load-")
    )
    wall, job_plan = replace(ready.front, marks=kept), ready.made
    windows, found = job_plan.ask(tape), payoff(job_plan)
    stopped, gone = job_plan.refused
    holes = job_plan.table("marks")
    left = len(holes.rows) - len(stopped) if holes else 0
    shown = [window for window in (windows.windows if windows and left else ()) if window.key not in gone]
    named = {one.key: one for one in found.off if one.key not in gone}
    at_wall = {caution.name for caution in job_plan.plan.cautions if caution.station == WALL.key}
    values = ready.common | {
        "lead": [finding for finding in ready.leading(drilling, measure=True) if finding.severity == "check"],
        "loads": _loads(job_plan.ask),
        # a caution that two stations share is said once
        "others": list(
            {
                caution.name: caution
                for caution in job_plan.plan.cautions
                if caution.station not in (WALL.key, TENSION.key) and caution.name not in at_wall
            }.values()
        ),
        "payoff": found,
        "off": [
            {"label": job_plan.figures[key].label, "text": named[key].text, "rests": named[key].rests}
            for key in CHECKED
            if key in named
        ],
        "gone": gone,
        "hung": [(name, job_plan.text(key)) for key, name in HUNG if job_plan.text(key)],
        "heights": [(name, job_plan.text(key)) for key, name in HEIGHTS if job_plan.text(key)],
        "edges": list(_edges(job_plan.ask)),
        "elevation": markup(face_svg(wall, WALL_SHEET, width, WALL_HIGH, standalone=False)),
        "scale": scale_text(wall, WALL_SHEET, width, WALL_HIGH),
        "tapes": [(one, markup(tape_svg(one))) for one in shown],
    }
    return to_pdf(render("wall.html", ready.paper, title="wall sheet", **values))


def _loads(at: Ask) -> dict[str, str]:
    """How much of each upper fixing is used, by the key of its hole; none while the mass is not known."""
    drill_plan, used = at(drilling), at(used_by_hole)
    if drill_plan is None:
        return {}
    firsts = sorted(
        (hole for hole in drill_plan.holes if hole.row == "upper" and hole.screw == 1),
        key=lambda hole: hole.x_mm,
    )
    return {hole.key: f"{100.0 * share:.0f} %" for hole, share in zip(firsts, used, strict=False)}


def _edges(at: Ask) -> Iterator[Edges]:
    if not at(fits):
        return
    datum = at(room).datum_mm

    def level(y_mm: float) -> str:
        return f"{at.text(abs(y_mm - datum))} {'above' if y_mm >= datum else 'below'}"

    def read(length_mm: float) -> float:
        return read_tape(length_mm, at.own_units).read_mm

    for name, (left, bottom, right, top) in (("Frame", at(rect_of_frame)), ("Picture", at(rect_of_picture))):
        across, down = read(right) - read(left), read(top - datum) - read(bottom - datum)
        yield Edges(
            name, at.text(left), at.text(right), level(top), level(bottom), at.text(across), at.text(down)
        )


SHEET = Sheet(
    key="wall-sheet",
    label="Wall sheet",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="wall sheet.pdf",
    make=wall_sheet,
    papers=True,
    about=(drilling,),
)
