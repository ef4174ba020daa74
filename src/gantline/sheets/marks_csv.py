"""The marks as CSV: exact millimeters and the tape's text side by side."""

import csv
import io

from gantline.core.units import Units, length_text, plain
from gantline.job.csv_rows import guarded
from gantline.sheets.sheet import OPEN_FILES, Ready, Sheet
from gantline.stations.wall import cleat_edge, drilling

COLUMNS = (
    "hole",
    "from_left_wall_end",
    "from_screen_centre",
    "from_nearest_stud",
    "from_datum_line",
    "to_floor",
    "to_ceiling",
)


def marks_csv(ready: Ready) -> bytes:
    """One line a hole, and one for each end of a cleat's edge line; each column twice, in mm and as read on the tape.

    Only the heading without holes.

    A hole that a Stop refuses has the reason and no marks.
    """
    stopped = {refused_hole.key: " ".join(refused_hole.why) for refused_hole in ready.made.refused[0]}
    out, found = io.StringIO(), ready.made.ask(drilling)
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(
        [COLUMNS[0], "do_not_drill", *(f"{name}_{kind}" for name in COLUMNS[1:] for kind in ("mm", "tape"))]
    )
    for mark in found.marks if found else ():
        values = (
            mark.from_left_mm,
            mark.from_centre_mm,
            mark.from_stud_mm,
            mark.from_datum_mm,
            mark.to_floor_mm,
            mark.to_ceiling_mm,
        )
        why = stopped.get(mark.hole.key, "")
        cells = [cell for value in values for cell in _cells(None if why else value, ready.units)]
        writer.writerow([mark.hole.name, guarded(plain(why)), *cells])
    line = ready.made.ask(cleat_edge)
    if line is not None:
        stop = " ".join(dict.fromkeys(stopped.values()))
        for name, x in (("left", line.left_mm), ("right", line.right_mm)):
            here = (x, None, None, line.from_datum_mm, None, None)
            cells = [cell for value in here for cell in _cells(None if stop else value, ready.units)]
            writer.writerow([f"cleat front edge, {name} end", guarded(plain(stop)), *cells])
    return out.getvalue().encode()


def _cells(value: float | None, units: Units) -> tuple[str, str]:
    return ("", "") if value is None else (f"{value:.3f}", plain(length_text(value, units)))


SHEET = Sheet(
    key="marks",
    label="Marks",
    group=OPEN_FILES,
    note="CSV",
    media_type="text/csv; charset=utf-8",
    ending="marks.csv",
    make=marks_csv,
    about=(drilling,),
    there=lambda made: made.ask(drilling) is not None,
)
