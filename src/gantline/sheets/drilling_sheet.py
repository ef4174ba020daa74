"""The drilling sheet: each hole in the order of the work, its bit, depth and fixing, and what to read back, with boxes."""

from collections.abc import Iterator
from dataclasses import dataclass

from gantline.core.wall.ways import KINDS
from gantline.job.model.frame import FrameBuild
from gantline.job.model.hanging import Hanging
from gantline.job.model.survey import Survey
from gantline.plan.ask import Ask
from gantline.sheets.pdf import render, to_pdf
from gantline.sheets.sheet import FOR_THE_WALL, PDF, Ready, Sheet
from gantline.stations.common import way
from gantline.stations.wall import bought_fixing, drilling, on_studs
from gantline.stations.wall.datum import hooked_across, hooked_up
from gantline.stations.wall.flat import shims
from gantline.stations.wall.solve import drilled_keys

READ_BACK = (
    ("check_across", "Hole to hole across"),
    ("check_down", "Upper to lower hole"),
    ("check_diagonal", "Both hole diagonals, alike"),
    ("level_tolerance", "Left and right level"),
)
LEVELED = (
    "Level from this one: mark the others of the row on its line, then read each against its own number."
)


@dataclass(frozen=True, slots=True)
class HoleLine:
    """One hole to drill: where the tape is hooked and what it reads, whether it is done, the shim behind it, and what to mind."""

    key: str
    name: str
    across: str
    across_hook: str
    up: str
    up_hook: str
    done: bool
    shim: str
    mind: str


def drilling_sheet(ready: Ready) -> bytes:
    """Order, marks, bit, depth, fixing, checks."""
    at = ready.made.ask
    values = ready.common | {
        "holes": list(_holes(at)),
        "lead": [finding for finding in ready.leading(drilling, measure=True) if finding.severity != "stop"],
        "fixing_name": at(bought_fixing),
        "torque": at.given(Hanging.torque) or "",
        "tools": at.given(FrameBuild.tools) or "",
        "beside": at.text(at.up(at.field(Survey.stud_width_mm) / 2.0)),
        "studs": at(on_studs),
        "proud": ready.made.text("proud"),
        "sold": ready.made.text("screw_sold"),
        "read_back": [
            (label, ready.made.text(key))
            for key, label in READ_BACK
            if ready.made.text(key) and key not in ready.made.refused[1]
        ],
        "goes_on": KINDS[at(way)].goes_on,
        "going_caution": KINDS[at(way)].caution,
    }
    return to_pdf(render("drilling.html", ready.paper, title="drilling sheet", **values))


def _holes(at: Ask) -> Iterator[HoleLine]:
    """Upper row first, from the left: the level is taken over from hole to hole."""
    drill_plan = at(drilling)
    if drill_plan is None:
        return
    done = at(drilled_keys)
    thick = {shim.key: shim.thick_mm for shim in at(shims)}
    first = True
    for hole_mark in drill_plan.marks:
        (across_hook, across), (up_hook, up) = hooked_across(at, hole_mark), hooked_up(at, hole_mark)
        key = hole_mark.hole.key
        yield HoleLine(
            key=key,
            name=hole_mark.hole.name,
            across=at.text(across),
            across_hook=across_hook,
            up=at.text(up),
            up_hook=up_hook,
            done=key in done,
            shim=at.text(thick[key]) if thick.get(key, 0.0) > 0.0 else "",
            mind=LEVELED if first else "",
        )
        first = False


SHEET = Sheet(
    key="drilling-sheet",
    label="Drilling sheet",
    group=FOR_THE_WALL,
    note="PDF",
    media_type=PDF,
    ending="drilling sheet.pdf",
    make=drilling_sheet,
    papers=True,
    about=(drilling,),
    there=lambda made: made.ask(drilling) is not None,
)
